// Neutrals that are not neutral: marked ones, and greys that the look tints though its card says it should not. What
// the look does to every grey is meant, unless the card wants it neutral or true; so a marked neutral is held against
// the grey of its lightness under the same look. CIELAB, distance in a* and b*.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/proof/checks/kinds.h"

#include <cmath>

namespace amber {
namespace {

std::string directionOf(double a, double b)
{
    if (std::abs(b) >= std::abs(a))
        return b > 0 ? phrase("yellow") : phrase("blue");
    return a > 0 ? phrase("magenta") : phrase("green");
}

/// Marked as neutral: its target is, or without one it came so.
bool isNeutral(const CheckedFrame::Key& key)
{
    constexpr double kNeutral = 4, kCame = 10;
    if (key.colour->target)
        return std::hypot(key.colour->target->a, key.colour->target->b) < kNeutral;
    const std::string& name = key.colour->name;
    const bool isNamed = name.find("grey") != name.npos || name.find("gray") != name.npos ||
                         name.find("neutral") != name.npos || name.find("white") != name.npos;
    const Lab marked = toLab(key.colour->marked);
    return isNamed && std::hypot(marked.a, marked.b) < 4 * kCame;
}

void measureMarked(const CheckedFrame& frame, std::vector<Measured>& out)
{
    for (const CheckedFrame::Key& key : frame.keys()) {
        if (!isNeutral(key))
            continue;
        const Lab is = toLab(key.after);
        const double tone = toOkLab(key.before).L;
        const Lab grey = toLab(evaluate(frame.look(), toLinearRgb(OkLab{tone, 0, 0})));
        const double a = is.a - grey.a, b = is.b - grey.b, off = std::hypot(a, b);
        out.push_back(
            {off,
             key.place,
             phrase("%1 is off neutral by %2, towards %3", {key.colour->name, fixedText(off, 1), directionOf(a, b)}),
             key.colour->name,
             -1,
             {}});
    }
}

void measureLook(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const IntentCard& card = frame.look().card;
    if (card.temperature != IntentCard::Temperature::Neutral && card.fidelity != IntentCard::Fidelity::True)
        return;
    double most = 0, at = 0;
    Lab worst;
    for (double tone = 0.2; tone <= 0.95; tone += 0.05) {
        const Lab grey = toLab(evaluate(frame.look(), toLinearRgb(OkLab{tone, 0, 0})));
        if (const double off = std::hypot(grey.a, grey.b); off > most)
            most = off, worst = grey, at = tone;
    }
    out.push_back({most,
                   {},
                   phrase("the look tints greys of tone %1 by %2, towards %3, though its card wants them %4",
                          {fixedText(at, 2), fixedText(most, 1), directionOf(worst.a, worst.b),
                           card.temperature == IntentCard::Temperature::Neutral ? phrase("neutral") : phrase("true")}),
                   "greys",
                   -1,
                   {}});
}

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    measureMarked(frame, out);
    measureLook(frame, out);
}

}  // namespace

const CheckKind kCasts{
    "casts",   "Casts", "ΔE",   1, "A neutral that leans is taken for a fault of the light, not for a mood.",
    {4, 3, 3}, measure, nullptr};

}  // namespace amber
