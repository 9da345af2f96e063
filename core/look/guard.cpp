#include "core/look/guard.h"

#include "core/colour/oklab.h"
#include "core/look/steps/smoothstep.h"

#include <cmath>
#include <numbers>

namespace amber {
namespace {

double within(double v, double low, double high, double feather, double lowest, double highest)
{
    const double rise = low > lowest ? smoothstep(low - feather, low, v) : 1;
    const double fall = high < highest ? smoothstep(high, high + feather, v) : 0;
    return rise * (1 - fall);
}

}  // namespace

AMBER_COPIES_OF(Guard)

HueFall hueFall(const Guard& guard)
{
    const double half = guard.hueWidth / 2, end = std::min(180.0, half + guard.hueFeather);
    // A range so wide that its feather has no room keeps at least a thousandth of it, so that nothing jumps.
    const double inside = std::cos(half * kDegree), outside = std::cos(end * kDegree);
    return {std::max(inside, outside + 1e-3), outside};
}

double weightAt(const Guard& g, const OkLab& c)
{
    double weight = 1;
    const double chroma = std::hypot(c.a, c.b);
    if (g.limitsTone())
        weight *= within(c.L, g.toneLow, g.toneHigh, g.toneFeather, 0, 1);
    if (g.limitsChroma())
        weight *= within(chroma, g.chromaLow, g.chromaHigh, g.chromaFeather, 0, 0.4);
    if (g.limitsHue()) {
        const HueFall fall = hueFall(g);
        const double cosine =
            (c.a * std::cos(g.hueCentre * kDegree) + c.b * std::sin(g.hueCentre * kDegree)) / std::max(chroma, 1e-15);
        weight *= smoothstep(fall.outside, fall.inside, cosine) * chroma * chroma /
                  (chroma * chroma + kGuardNeutral * kGuardNeutral);
    }
    if (g.inverted)
        weight = 1 - weight;
    for (const Shelter& shelter : g.shelters)
        weight *= 1 - shelter.amount * weightAt(shelter.colours, c);
    return weight;
}

}  // namespace amber
