// Codes to light and light to codes for rows of pixels, by Highway with run-time dispatch (internal to core/image).
#pragma once

#include "core/colour/rgb_space.h"

#include <cstddef>
#include <cstdint>

namespace amber {

/// rgb = matrix (curve of each channel at its code); interleaved 16-bit codes of three channels, `curves` with an entry
/// for every code.
void linearRow(const std::uint16_t* codes, const float* const (&curves)[3], const float (&matrix)[3][3],
               std::size_t count, float* rgb);

/// The output transform of write.h for one row: own = matrix rgb, gamut reduced where it is outside, encoded for
/// `space` (relative error under 1e-6: a hundredth of a 16-bit code), rounded to a code.
void codesOfRow(const float* rgb, RgbSpace space, const float (&matrix)[3][3], std::size_t count, std::uint8_t* codes);
void codesOfRow(const float* rgb, RgbSpace space, const float (&matrix)[3][3], std::size_t count, std::uint16_t* codes);

}  // namespace amber
