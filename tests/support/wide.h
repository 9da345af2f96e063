// How many cases a test of many seeds runs.
#pragma once

#include <cstdlib>

namespace amber::test {

/// `all` where AMBER_WIDE is set, as before a release or after a change to what is tested; otherwise `some` of them,
/// the same each time, so that every landing can run every test.
template <class Count>
Count wideOr(Count all, Count some)
{
    return std::getenv("AMBER_WIDE") ? all : some;
}

}  // namespace amber::test
