// OKLab from the working space (B. Ottosson, "A perceptual color space for image processing", 2020).
// lms = A * rgb, lms' = signed cube root, (L, a, b) = B * lms'. Both matrices are scaled so that white is exactly
// (1, 0, 0) and every neutral has a = b = 0; the published constants leave about 1e-4. Odd in its argument:
// values below 0 and above 1 survive a round trip to about 1e-14.
#pragma once

#include "core/colour/types.h"

#include <numbers>

namespace amber {

/// Radians.
inline constexpr double kDegree = std::numbers::pi / 180;

/// Working space to cone response, rows summing to one.
const Matrix3& workingToLms();
const Matrix3& lmsToWorking();
/// Cube-rooted cone response to OKLab.
const Matrix3& lmsRootToOkLab();
const Matrix3& okLabToLmsRoot();

OkLab toOkLab(const LinearRgb& c);
LinearRgb toLinearRgb(const OkLab& c);
OkLch toOkLch(const OkLab& c);
OkLab toOkLab(const OkLch& c);

/// A hue brought into 0 <= h < 360.
double wrapDegrees(double degrees);
/// Shortest signed way from one hue to another, -180 < d <= 180.
double hueDifference(double fromDegrees, double toDegrees);

}  // namespace amber
