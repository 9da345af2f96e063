// Noise as it came, raised by exposure and look: the deviation of lightness in flat places, in hundredths of the scale.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/base/statistics.h"
#include "core/proof/checks/kinds.h"

#include <cmath>

namespace amber {
namespace {

/// By how much the look spreads tones where this frame has most of them.
double gainOf(const CheckedFrame& frame)
{
    std::vector<double> before, after;
    for (std::size_t i = 0; i < frame.pixels(); i += 7)
        before.push_back(frame.labBefore()[i].L), after.push_back(frame.labAfter()[i].L);
    if (before.empty())
        return 1;
    constexpr std::array kShares{0.2, 0.8};
    const auto b = quantiles(before, kShares), a = quantiles(after, kShares);
    return b[1] - b[0] > 0.02 ? std::clamp((a[1] - a[0]) / (b[1] - b[0]), 0.3, 4.0) : 1;
}

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const Noise& noise = frame.evidence().noise;
    if (!noise.isSure())
        return;
    const FrameBalance& balance = frame.frame().balance;
    // Codes of the sRGB curve grow with about the 0.42nd power of light.
    const double lifted = std::exp2(0.42 * std::max(0.0, balance.light.exposureStops));
    const double kept = 1 - 0.8 * std::clamp(balance.optics.noise, 0.0, 1.0);
    const double value = 100 * noise.meanLightness * lifted * kept * gainOf(frame);
    out.push_back({value, {}, phrase("noise of %1 hundredths in flat places", {fixedText(value, 1)}), {}, -1, {}});
}

}  // namespace

const CheckKind kNoise{
    "noise",   "Noise", "hundredths", 1, "Noise that is seen at the delivered size covers fine tones.",
    {4, 3, 4}, measure, nullptr};

}  // namespace amber
