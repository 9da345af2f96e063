// RGB spaces by their published primaries and transfer functions.
//
//   Srgb       IEC 61966-2-1: BT.709 primaries, D65, piecewise 2.4
//   DisplayP3  SMPTE EG 432-1 primaries with D65, the sRGB curve
//   OpRgb      IEC 61966-2-5 (opRGB), D65, pure power 563/256
//   ProPhoto   ISO 22028-2 (ROMM RGB), D50, piecewise 1.8
//   Rec2020    ITU-R BT.2020, D65, its camera curve (alpha 1.0993, beta 0.0181)
//   Linear     the working space itself (Rec.2020 primaries, no curve)
//
// Transfer functions are odd: encode(-x) = -encode(x), so values outside 0..1 survive a round trip.
#pragma once

#include "core/base/result.h"
#include "core/colour/types.h"

#include <string_view>

namespace amber {

enum class RgbSpace { Srgb, DisplayP3, OpRgb, ProPhoto, Rec2020, Linear };

/// Short name used in files and on the command line: srgb, p3, oprgb, prophoto, rec2020, linear.
std::string_view nameOf(RgbSpace space);
/// Name for people: "sRGB", "Display P3", ...
std::string_view titleOf(RgbSpace space);
Result<RgbSpace> rgbSpaceFromName(std::string_view name);

/// CIE xy of the three primaries and the white point.
struct Chromaticities {
    double red[2], green[2], blue[2], white[2];
};
const Chromaticities& chromaticitiesOf(RgbSpace space);

/// Linear RGB of `space` to XYZ of its own white (normalised primary matrix, SMPTE RP 177).
const Matrix3& rgbToXyz(RgbSpace space);
/// Linear RGB of `space` to the working space; ProPhoto's D50 is adapted with Bradford (ICC.1 annex E).
const Matrix3& toWorking(RgbSpace space);
const Matrix3& fromWorking(RgbSpace space);
/// The same of primaries that are none of ours.
Matrix3 toWorking(const Chromaticities& primaries);
/// Bradford adaptation between two white points given as XYZ.
Matrix3 bradford(const Xyz& from, const Xyz& to);
Xyz whiteOf(RgbSpace space);
/// The ICC profile connection space white (D50, ICC.1 7.2.16).
inline constexpr Xyz kD50{0.9642, 1.0, 0.8249};

/// Light of the working space to XYZ of that white.
Matrix3 workingToD50();

/// Transfer functions of one component. Odd, continuous, monotone; no clamping.
double encodeComponent(RgbSpace space, double linear);
double decodeComponent(RgbSpace space, double encoded);

LinearRgb decode(RgbSpace space, const EncodedRgb& c);
EncodedRgb encode(RgbSpace space, const LinearRgb& c);

constexpr LinearRgb apply(const Matrix3& m, const LinearRgb& c)
{
    return {m.m[0][0] * c.r + m.m[0][1] * c.g + m.m[0][2] * c.b, m.m[1][0] * c.r + m.m[1][1] * c.g + m.m[1][2] * c.b,
            m.m[2][0] * c.r + m.m[2][1] * c.g + m.m[2][2] * c.b};
}

}  // namespace amber
