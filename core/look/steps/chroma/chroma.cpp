#include "core/look/steps/chroma/chroma.h"

#include "core/colour/oklab.h"

#include <cmath>
#include <numbers>

namespace amber {
namespace {
}

bool isIdentity(const Chroma& step) { return step.even == 1 && step.reserved == 0 && !step.hasCeiling; }

double shelterAt(const Chroma& step, double hueDegrees)
{
    const double sharpness = std::numbers::ln2 / (1 - std::cos(step.shelterWidth * kDegree / 2));
    return std::exp(sharpness * (std::cos((hueDegrees - step.shelterHue) * kDegree) - 1));
}

double chromaFactor(const Chroma& step, double chroma, double hueDegrees)
{
    const double muted = chroma / kMutedChroma, c2 = chroma * chroma;
    double f = step.even * (1 + step.reserved / (1 + muted * muted));
    f = 1 + (f - 1) * (1 - step.shelter * shelterAt(step, hueDegrees) * c2 / (c2 + kShelterNeutral * kShelterNeutral));
    const double knee = kCeilingKnee * step.ceiling, scaled = chroma * f;
    if (!step.hasCeiling || scaled <= knee)
        return f;
    const double t = (scaled - knee) / (step.ceiling - knee);
    return (knee + (step.ceiling - knee) * t / (1 + t)) / chroma;
}

LinearRgb evaluate(const Chroma& step, const LinearRgb& c)
{
    const OkLab lab = toOkLab(c);
    const OkLch lch = toOkLch(lab);
    const double f = chromaFactor(step, lch.chroma, lch.hueDegrees);
    return toLinearRgb(OkLab{lab.L, lab.a * f, lab.b * f});
}

}  // namespace amber
