#include "core/look/steps/warmth/warmth.h"

#include "core/colour/light.h"
#include "core/colour/rgb_space.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr double kWhiteKelvin = 6504;

}  // namespace

bool isIdentity(const Warmth& s) { return s.warmth == 0 && s.green == 0; }

Matrix3 matrixOf(const Warmth& s)
{
    Matrix3 m =
        adaptation(chromaticityOf(kWhiteKelvin, 0), chromaticityOf(1e6 / (1e6 / kWhiteKelvin + s.warmth), s.green));
    // The white of the working space lies a little beside the locus: what that costs of luminance is given back.
    const LinearRgb white = apply(m, {1, 1, 1});
    const auto& weights = rgbToXyz(RgbSpace::Rec2020).m[1];
    const double luminance = weights[0] * white.r + weights[1] * white.g + weights[2] * white.b,
                 own = weights[0] + weights[1] + weights[2];
    for (auto& row : m.m)
        for (double& v : row)
            v *= own / luminance;
    return m;
}

LinearRgb evaluate(const Warmth& step, const LinearRgb& c) { return apply(matrixOf(step), c); }

Warmth neutralising(const LinearRgb& c)
{
    const LinearRgb xyz = apply(rgbToXyz(RgbSpace::Rec2020), c);
    const double sum = xyz.r + xyz.g + xyz.b;
    Warmth step;
    if (!(sum > 1e-9) || xyz.g <= 0)
        return step;
    // The cast itself as a light, and the one that adapting to takes it back to white.
    const auto cast = conesOf({xyz.r / sum, xyz.g / sum}), white = conesOf(chromaticityOf(kWhiteKelvin, 0));
    const LinearRgb back = apply(inverse(cat16()), {white[0] * white[0] / cast[0], white[1] * white[1] / cast[1],
                                                    white[2] * white[2] / cast[2]});
    const double all = back.r + back.g + back.b;
    const LightNumbersOf light = lightNumbersOf({back.r / all, back.g / all});
    step.warmth = std::clamp(1e6 / light.kelvin - 1e6 / kWhiteKelvin, -100.0, 150.0);
    step.green = std::clamp(light.tint, -30.0, 30.0);
    return step;
}

}  // namespace amber
