// The sum that separable filters are made of.
#pragma once

#include <cstddef>

namespace amber {

/// out[x] = sum over k < taps of weights[k] * rows[k][x], for x < count. Rows may overlap; `out` is none of them.
void weightedSum(const float* const* rows, const float* weights, std::size_t taps, std::size_t count, float* out);

}  // namespace amber
