#include "core/look/near_colours.h"

#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace amber {
namespace {

double bump(double squared)
{
    const double rest = std::max(1 - squared, 0.0);
    return rest * rest;
}

double square(double v) { return v * v; }

}  // namespace

NearColours nearColour(const OkLab& c)
{
    const OkLch lch = toOkLch(c);
    return {std::clamp(lch.L, 0.0, 1.0), std::min(lch.chroma, NearColours::kOpenChroma), lch.hueDegrees, 0.35, 0.1, 30};
}

NearColours nearHue(double centreDegrees, double widthDegrees)
{
    // b(u) = 1/2 at u^2 = 1 - sqrt(1/2).
    const double cosine = 1 - (1 - std::cos(widthDegrees / 2 * kDegree)) / (1 - std::sqrt(0.5));
    const double reach = std::acos(std::max(cosine, -1.0)) / kDegree;
    return {0.5,
            0.1,
            wrapDegrees(centreDegrees),
            NearColours::kOpenLightness,
            NearColours::kOpenChroma,
            std::clamp(reach, 8.0, 179.0)};
}

double weightAt(const NearColours& range, const OkLab& c)
{
    double weight = 1;
    const double chroma = std::hypot(c.a, c.b);
    if (range.limitsLightness())
        weight *= bump(square((c.L - range.lightness) / range.lightnessReach));
    if (range.limitsChroma())
        weight *= bump(square((chroma - range.chroma) / range.chromaReach));
    if (range.limitsHue()) {
        const double cosine =
            (c.a * std::cos(range.hue * kDegree) + c.b * std::sin(range.hue * kDegree)) / std::max(chroma, 1e-15);
        weight *= bump((1 - cosine) / (1 - std::cos(range.hueReach * kDegree))) * square(chroma) /
                  (square(chroma) + square(NearColours::kNeutral));
    }
    return weight;
}

NearColoursKernel::NearColoursKernel(const NearColours& r)
    : lightness(r.limitsLightness()), chroma(r.limitsChroma()), hue(r.limitsHue()),
      lightnessAt(static_cast<float>(r.lightness)), chromaAt(static_cast<float>(r.chroma)),
      cosine(static_cast<float>(std::cos(r.hue * kDegree))), sine(static_cast<float>(std::sin(r.hue * kDegree))),
      lightnessScale(static_cast<float>(1 / r.lightnessReach)), chromaScale(static_cast<float>(1 / r.chromaReach)),
      hueScale(static_cast<float>(1 / (1 - std::cos(r.hueReach * kDegree))))
{
}

}  // namespace amber
