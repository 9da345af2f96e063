// Numbers that are not set to anything before they are written.
#pragma once

#include <cstddef>
#include <memory>
#include <new>
#include <utility>
#include <vector>

namespace amber {

/// Leaves what a vector grows by as it is. Setting a large picture to 0 first costs as much as copying it, on one
/// thread.
template <class T>
struct Unset : std::allocator<T> {
    template <class U>
    struct rebind {
        using other = Unset<U>;
    };
    template <class U>
    void construct(U* place)
    {
        ::new (static_cast<void*>(place)) U;
    }
    template <class U, class... Arguments>
    void construct(U* place, Arguments&&... arguments)
    {
        ::new (static_cast<void*>(place)) U(std::forward<Arguments>(arguments)...);
    }
};

using UnsetFloats = std::vector<float, Unset<float>>;

}  // namespace amber
