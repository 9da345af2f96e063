// Errors as values. Bad input never throws out of core: a function that can fail returns Result<T>.
#pragma once

#include <string>
#include <tl/expected.hpp>

namespace amber {

/// What went wrong with outside input, in words a user can act on.
struct Error {
    std::string what;      ///< the failure in one short clause: "not a picture this program reads"
    std::string where;     ///< the file, line or field it happened at; may be empty
    std::string expected;  ///< what would have been right; may be empty
    std::string found;     ///< what was there instead; may be empty

    /// One line: "where: what (expected …, found …)".
    std::string message() const;
};

template <class T>
using Result = tl::expected<T, Error>;
using Status = Result<void>;

inline tl::unexpected<Error> fail(std::string what, std::string where = {}, std::string expected = {},
                                  std::string found = {})
{
    return tl::make_unexpected(Error{std::move(what), std::move(where), std::move(expected), std::move(found)});
}

}  // namespace amber
