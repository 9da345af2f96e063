#include "core/look/steps/wash/wash.h"

#include "core/colour/gamut.h"
#include "core/colour/oklab.h"
#include "core/look/steps/smoothstep.h"

#include <cmath>

namespace amber {

bool isIdentity(const Wash& step) { return step.amount == 0 || step.stops.empty(); }

std::vector<RampColour> rampOf(const Wash& step)
{
    std::vector<RampColour> ramp;
    for (const WashStop& s : step.stops) {
        const LinearRgb own =
            reduceToGamut(RgbSpace::Srgb, apply(fromWorking(RgbSpace::Srgb),
                                                toLinearRgb(toOkLab(OkLch{s.lightness, s.chroma, s.hue}))));
        ramp.push_back({s.position,
                        {encodeComponent(RgbSpace::Srgb, own.r), encodeComponent(RgbSpace::Srgb, own.g),
                         encodeComponent(RgbSpace::Srgb, own.b)}});
    }
    std::stable_sort(ramp.begin(), ramp.end(),
                     [](const RampColour& a, const RampColour& b) { return a.position < b.position; });
    // Two stops in one place would tear the ramp; they are held a thousandth apart.
    for (std::size_t i = 1; i < ramp.size(); ++i)
        ramp[i].position = std::max(ramp[i].position, ramp[i - 1].position + 1e-3);
    return ramp;
}

EncodedRgb rampAt(const std::vector<RampColour>& ramp, double L)
{
    EncodedRgb c = ramp.front().colour;
    for (std::size_t i = 1; i < ramp.size(); ++i) {
        const double t = smoothstep(ramp[i - 1].position, ramp[i].position, L);
        const EncodedRgb &from = ramp[i - 1].colour, &to = ramp[i].colour;
        c = {c.r + t * (to.r - from.r), c.g + t * (to.g - from.g), c.b + t * (to.b - from.b)};
    }
    return c;
}

double blended(Wash::Blend blend, double b, double s)
{
    switch (blend) {
    case Wash::Blend::Normal:
        return s;
    case Wash::Blend::Multiply:
        return b * s;
    case Wash::Blend::Screen:
        return b + s - b * s;
    case Wash::Blend::SoftLight:
        break;
    }
    if (s <= 0.5)
        return b - (1 - 2 * s) * b * (1 - b);
    const double d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : std::sqrt(b);
    return b + (2 * s - 1) * (d - b);
}

LinearRgb evaluate(const Wash& step, const LinearRgb& c)
{
    if (step.stops.empty())
        return c;
    const EncodedRgb backdrop = encode(RgbSpace::Srgb, c), source = rampAt(rampOf(step), toOkLab(c).L);
    const auto one = [&](double b, double s) {
        const double inside = std::clamp(b, 0.0, 1.0);
        return b + step.amount * (blended(step.blend, inside, std::clamp(s, 0.0, 1.0)) - inside);
    };
    return decode(RgbSpace::Srgb, {one(backdrop.r, source.r), one(backdrop.g, source.g), one(backdrop.b, source.b)});
}

}  // namespace amber
