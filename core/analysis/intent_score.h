// The measurable parts of an intent card against what a look does to the frames it is judged on.
#pragma once

#include "core/analysis/step_trace.h"

namespace amber {

struct IntentScore {
    enum class Part { Key, Temperature, Contrast, Fade, Fidelity, Grain } part;
    double measured = 0;
    double low = 0, high = 0;  ///< what the card asks for, in the unit of the part
    enum class Verdict { Met, Near, Missed } verdict = Verdict::Met;
};

/// One picture as it came in and as it leaves the look.
struct BeforeAfter {
    StepState before, after;
};

/// Only the parts the card speaks of. Units and limits:
///   key: mean OKLab L over the frames; dark up to 0.45, middle 0.45..0.62, bright from 0.62
///   temperature: the neutrals' tint towards hue 70 (warm, above 0) or 250 (cool, below 0), at L 0.3 and 0.8 after the
///   look; neutral
///     within 0.006, warm or cool beyond it in the mean of both; warm (cool) lights: their difference beyond 0.006
///   contrast: mean of L at 95 % less L at 5 %; little up to 0.45, medium 0.45..0.65, much from 0.65
///   fade: L on which black lands; little up to 0.03, medium 0.03..0.12, much from 0.12
///   fidelity: mean CIEDE2000 of the key colours with their lightness set equal; true up to 3, leaning 3..8, free from
///   3 grain: deviation of the grain steps at mid-grey in OKLab L (their `amount` times strength); little up to 0.02,
///   medium 0.02..0.06,
///     much from 0.06
/// Near: outside by no more than a quarter of the limit crossed.
std::vector<IntentScore> scoreIntent(const Look& look, const std::vector<BeforeAfter>& frames);

}  // namespace amber
