#include "core/analysis/intent_score.h"

#include "core/colour/difference.h"
#include "core/colour/oklab.h"

#include <cmath>
#include <limits>

namespace amber {
namespace {

constexpr double kFar = std::numeric_limits<double>::infinity(), kWarmHue = 70 * 3.14159265358979323846 / 180,
                 kTinted = 0.006;

double warmth(const Look& look, double L)
{
    const OkLab lab = toOkLab(evaluate(look, toLinearRgb(OkLab{L, 0, 0})));
    return lab.a * std::cos(kWarmHue) + lab.b * std::sin(kWarmHue);
}

/// Little, medium, much as a range between two limits.
std::pair<double, double> range(int level, double first, double second)
{
    return level == 1 ? std::pair(-kFar, first) : level == 2 ? std::pair(first, second) : std::pair(second, kFar);
}

using Part = IntentScore::Part;
using Range = std::pair<double, double>;

IntentScore scored(Part part, double measured, const Range& wanted)
{
    IntentScore score{part, measured, wanted.first, wanted.second};
    const double crossed = measured < wanted.first ? wanted.first : wanted.second,
                 off = measured < wanted.first    ? wanted.first - measured
                       : measured > wanted.second ? measured - wanted.second
                                                  : 0;
    score.verdict = off <= 0                          ? IntentScore::Verdict::Met
                    : off <= 0.25 * std::abs(crossed) ? IntentScore::Verdict::Near
                                                      : IntentScore::Verdict::Missed;
    return score;
}

IntentScore scoredTemperature(const Look& look)
{
    using T = IntentCard::Temperature;
    const double darks = warmth(look, 0.3), lights = warmth(look, 0.8), both = (darks + lights) / 2;
    switch (look.card.temperature) {
    case T::Neutral:
        return scored(Part::Temperature, both, {-kTinted, kTinted});
    case T::Warm:
        return scored(Part::Temperature, both, {kTinted, kFar});
    case T::Cool:
        return scored(Part::Temperature, both, {-kFar, -kTinted});
    case T::WarmLights:
        return scored(Part::Temperature, lights - darks, {kTinted, kFar});
    default:
        return scored(Part::Temperature, lights - darks, {-kFar, -kTinted});
    }
}

/// How far the key colours of a frame moved, their lightness aside: mean CIEDE2000.
double keysMoved(const BeforeAfter& f)
{
    double sum = 0;
    for (std::size_t i = 0; i < f.before.keys.size(); ++i) {
        Lab to = f.after.keys[i].lab;
        to.l = f.before.keys[i].lab.l;
        sum += ciede2000(f.before.keys[i].lab, to) / static_cast<double>(f.before.keys.size());
    }
    return sum;
}

Range fidelityRange(IntentCard::Fidelity fidelity)
{
    return fidelity == IntentCard::Fidelity::True      ? Range(0.0, 3.0)
           : fidelity == IntentCard::Fidelity::Leaning ? Range(3.0, 8.0)
                                                       : Range(3.0, kFar);
}

/// All grain of a look as one amount.
double grainOf(const Look& look)
{
    double amount = 0;
    for (const Step& step : look.steps)
        if (const auto* grain = std::get_if<Grain>(&step.parameters); grain && step.enabled)
            amount = std::hypot(amount, grain->amount * step.strength);
    return amount;
}

}  // namespace

std::vector<IntentScore> scoreIntent(const Look& look, const std::vector<BeforeAfter>& frames)
{
    const IntentCard& card = look.card;
    std::vector<IntentScore> scores;
    const auto mean = [&](auto&& of) {
        double sum = 0;
        for (const BeforeAfter& f : frames)
            sum += of(f) / static_cast<double>(frames.size());
        return sum;
    };
    if (card.key != IntentCard::Key::Unsaid && !frames.empty())
        scores.push_back(scored(Part::Key, mean([](const BeforeAfter& f) { return f.after.meanL; }),
                                range(static_cast<int>(card.key), 0.45, 0.62)));
    if (card.temperature != IntentCard::Temperature::Unsaid)
        scores.push_back(scoredTemperature(look));
    if (card.contrast != IntentCard::Level::Unsaid && !frames.empty())
        scores.push_back(scored(Part::Contrast, mean([](const BeforeAfter& f) { return f.after.contrast; }),
                                range(static_cast<int>(card.contrast), 0.45, 0.65)));
    if (card.fade != IntentCard::Level::Unsaid)
        scores.push_back(
            scored(Part::Fade, toOkLab(evaluate(look, LinearRgb{})).L, range(static_cast<int>(card.fade), 0.03, 0.12)));
    if (card.fidelity != IntentCard::Fidelity::Unsaid && !frames.empty())
        scores.push_back(scored(Part::Fidelity, mean(keysMoved), fidelityRange(card.fidelity)));
    if (card.grain != IntentCard::Level::Unsaid)
        scores.push_back(scored(Part::Grain, grainOf(look), range(static_cast<int>(card.grain), 0.02, 0.06)));
    return scores;
}

}  // namespace amber
