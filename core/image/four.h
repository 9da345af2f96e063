// Four floats at a time on any machine, for a pixel and the first number of the next (internal to core/image). Highway
// knows no such type below the oldest machines it compiles for.
#pragma once

#include <cstring>

namespace amber {

using Four = float __attribute__((vector_size(16)));

inline Four fourAt(const float* from)
{
    Four four;
    std::memcpy(&four, from, sizeof four);
    return four;
}
inline void putFour(Four four, float* to) { std::memcpy(to, &four, sizeof four); }
/// The first three of them.
inline float* putThree(Four four, float* to)
{
    std::memcpy(to, &four, 3 * sizeof(float));
    return to + 3;
}

}  // namespace amber
