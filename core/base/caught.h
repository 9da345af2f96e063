// The walls that no exception passes: what a library or the memory throws becomes an error like any other.
#pragma once

#include "core/base/log.h"
#include "core/base/result.h"

#include <exception>
#include <new>

namespace amber {

/// Does `work`, which returns a Result. `where` is the file or frame it is done to.
template <class Work>
auto caught(const std::string& where, Work&& work) -> decltype(work())
{
    try {
        return work();
    } catch (const std::bad_alloc&) {
        logWarning(where + ": there is not enough memory for it");
        return fail("there is not enough memory for it", where);
    } catch (const std::exception& error) {
        logWarning(where + ": " + error.what());
        return fail("cannot be done: " + std::string(error.what()), where);
    }
}

}  // namespace amber
