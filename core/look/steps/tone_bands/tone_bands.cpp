#include "core/look/steps/tone_bands/tone_bands.h"

#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

double passage(double from, double to, double L)
{
    const double t = std::clamp((L - (from + to) / 2) / kBandSpacing, -1.0, 1.0);
    return 0.5 + t - t * std::abs(t) / 2;
}

double factorAt(const ToneBands& step, double L)
{
    const auto shares = bandShares(L), gains = step.gains();
    double stops = 0;
    for (std::size_t i = 0; i < shares.size(); ++i)
        stops += shares[i] * gains[i];
    return std::exp2(stops / 3);
}

}  // namespace

bool isIdentity(const ToneBands& step) { return step.gains() == std::array<double, 5>{}; }

std::array<double, 5> bandShares(double L)
{
    std::array<double, 5> shares{};
    double passed = 1;
    for (std::size_t i = 0; i < shares.size(); ++i) {
        const double next = i + 1 < shares.size() ? passage(kBandCentres[i], kBandCentres[i + 1], L) : 0;
        shares[i] = passed - next;
        passed = next;
    }
    return shares;
}

LinearRgb evaluate(const ToneBands& step, const LinearRgb& c)
{
    const OkLab lab = toOkLab(c);
    const double f = factorAt(step, lab.L);
    return toLinearRgb(OkLab{lab.L * f, lab.a * f, lab.b * f});
}

ToneSlope smallestSlope(const ToneBands& step)
{
    constexpr int kSamples = 512;
    ToneSlope found;
    double last = 0;
    for (int i = 1; i <= kSamples; ++i) {
        const double L = static_cast<double>(i) / kSamples, here = L * factorAt(step, L),
                     slope = (here - last) * kSamples;
        if (slope < found.smallest)
            found = {slope, L - 0.5 / kSamples};
        last = here;
    }
    return found;
}

}  // namespace amber
