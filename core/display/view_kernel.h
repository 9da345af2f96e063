// Rows of light to rows of a screen's codes, by Highway with run-time dispatch (internal to core/display).
#pragma once

#include <cstddef>
#include <cstdint>

namespace amber {

/// Samples of a curve over 0..1, denser towards 0: entry i is the value at (i / kCurveSteps)^2; one more entry follows
/// the last.
inline constexpr int kCurveSteps = 4096;

/// values = curve of each channel at (matrix rgb held to 0..1), between samples in straight lines of the square root.
void shapeRow(const float* rgb, const float (&matrix)[3][3], const float* const (&curves)[3], std::size_t count,
              float* values);

/// Values 0..1 to opaque pixels 0xffRRGGBB: floor(255 v + d), where d is of an ordered 8 x 8 pattern (B. Bayer, Proc.
/// IEEE ICC 1973) that is the same for the three channels, so that greys stay grey. `y`: which row of the pattern.
void pixelsOfRow(const float* values, std::size_t count, int y, std::uint32_t* pixels);

}  // namespace amber
