#include "core/look/steps/even_towards/even_towards.h"

#include "core/colour/oklab.h"

#include <cmath>

namespace amber {

bool isIdentity(const EvenTowards& step)
{
    return step.towardsHue == 0 && step.towardsChroma == 0 && step.towardsLightness == 0;
}

LinearRgb evaluate(const EvenTowards& step, const LinearRgb& c)
{
    const OkLab lab = toOkLab(c);
    const double w = weightAt(step.range, lab), chroma = std::hypot(lab.a, lab.b);
    const double squared = chroma * chroma, neutral = NearColours::kNeutral * NearColours::kNeutral;
    const OkLab aim = toOkLab(OkLch{0, 1, step.range.hue});
    const double q = step.towardsHue * w * squared / (squared + neutral);
    // The hue, at the chroma there was: a colour opposite to the sampled one has no weight, so the length is not zero.
    double a = (1 - q) * lab.a + q * chroma * aim.a, b = (1 - q) * lab.b + q * chroma * aim.b;
    const double length = std::hypot(a, b);
    const double held = length > 0 ? chroma / length : 1;
    const double drawn =
        held * (1 + step.towardsChroma * w * (step.range.chroma - chroma) * chroma / (squared + neutral));
    a *= drawn, b *= drawn;
    return toLinearRgb(OkLab{lab.L + step.towardsLightness * w * (step.range.lightness - lab.L), a, b});
}

}  // namespace amber
