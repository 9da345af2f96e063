#include "core/analysis/tint.h"

#include "core/colour/oklab.h"

#include <cmath>

namespace amber {

std::vector<OkLab> neutralTrail(const Look& look, int count, std::size_t steps)
{
    std::vector<OkLab> trail;
    for (int i = 0; i < count; ++i)
        trail.push_back(toOkLab(evaluate(look, toLinearRgb(OkLab{i / (count - 1.0), 0, 0}), steps)));
    return trail;
}

TintStrength tintStrength(const Step& step, const std::array<double, kToneBins>& tones)
{
    constexpr double kHint = 0.003, kPresent = 0.012, kBold = 0.03, kOneWay = 0.8;
    double a = 0, b = 0, chroma = 0, sum = 0;
    constexpr std::size_t kEvery = 2;
    for (std::size_t i = 0; i < kToneBins; i += kEvery) {
        const double share = tones[i] + tones[i + 1];
        if (share <= 0)
            continue;
        const OkLab out = toOkLab(evaluate(step, toLinearRgb(OkLab{(static_cast<double>(i) + 1) / kToneBins, 0, 0})));
        a += share * out.a, b += share * out.b, chroma += share * std::hypot(out.a, out.b), sum += share;
    }
    TintStrength tint;
    if (sum <= 0)
        return tint;
    tint.chroma = chroma / sum;
    const double mean = std::hypot(a, b) / sum;
    tint.hueDegrees = mean > 1e-6 ? wrapDegrees(std::atan2(b, a) * 180 / 3.14159265358979323846) : 0;
    tint.mark = tint.chroma >= kBold      ? TintStrength::Mark::Bold
                : tint.chroma >= kPresent ? TintStrength::Mark::Present
                : tint.chroma >= kHint    ? TintStrength::Mark::Hint
                                          : TintStrength::Mark::None;
    tint.readsAsCast = mean >= kPresent && mean >= kOneWay * tint.chroma;
    return tint;
}

std::vector<double> dyeProposals(double hue)
{
    return {wrapDegrees(hue + 180), wrapDegrees(hue - 30), wrapDegrees(hue + 30), wrapDegrees(hue + 120),
            wrapDegrees(hue + 240)};
}

}  // namespace amber
