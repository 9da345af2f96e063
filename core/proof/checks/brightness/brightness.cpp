// Brightness that drifted: what all steps together added to the mean tone of the frame, when the card does not ask for
// a dark or bright picture; and the frame against the lead of its light, when it was not meant to be lighter or darker.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/engine/plane.h"
#include "core/proof/checks/kinds.h"

#include <cmath>

namespace amber {
namespace {

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const IntentCard::Key key = frame.look().card.key;
    double before = 0, after = 0;
    for (std::size_t i = 0; i < frame.pixels(); ++i)
        before += frame.labBefore()[i].L, after += frame.labAfter()[i].L;
    const double drift = (after - before) / std::max<double>(1, static_cast<double>(frame.pixels()));
    const bool isMeant = (key == IntentCard::Key::Dark && drift < 0) || (key == IntentCard::Key::Bright && drift > 0);
    constexpr double kFar = 0.06;
    const int step = isMeant || std::abs(drift) < kFar ? -1 : frame.stepThatDid([drift](ImageView picture) {
        const Plane light = lightnessOf(picture);
        double sum = 0;
        for (const float l : light.values)
            sum += l;
        return (drift > 0 ? sum : -sum) / static_cast<double>(std::max<std::size_t>(1, light.values.size()));
    });
    const std::string by = fixedText(100 * std::abs(drift), 1);
    out.push_back({isMeant ? 0 : 100 * std::abs(drift),
                   {},
                   (drift > 0 ? phrase("the look makes the frame %1 hundredths lighter on the whole", {by})
                              : phrase("the look makes the frame %1 hundredths darker on the whole", {by})) +
                       (isMeant ? phrase(", as its card says") : ""),
                   "look",
                   step,
                   {}});
}

void compare(std::span<const FrameSummary> frames, const std::vector<KeyColour>&,
             std::span<std::vector<Measured>* const> out)
{
    std::map<int, const FrameSummary*> leads;
    for (const FrameSummary& f : frames)
        if (f.isLead)
            leads[f.group] = &f;
    for (std::size_t i = 0; i < frames.size(); ++i) {
        const auto lead = leads.find(frames[i].group);
        if (lead == leads.end() || frames[i].isLead || frames[i].keyStops != 0)
            continue;
        // The look's part alone: subjects differ in brightness, what a look adds to frames of one light should not.
        const double apart = frames[i].lookBrightness - lead->second->lookBrightness;
        const std::string by = fixedText(100 * std::abs(apart), 1);
        out[i]->push_back({100 * std::abs(apart),
                           {},
                           apart > 0
                               ? phrase("the look makes it %1 hundredths lighter than the lead of its light", {by})
                               : phrase("the look makes it %1 hundredths darker than the lead of its light", {by}),
                           "light",
                           -1,
                           {}});
    }
}

}  // namespace

const CheckKind kBrightness{"brightness",
                            "Brightness drift",
                            "hundredths",
                            1,
                            "Each step moved the brightness a little; nobody decided the sum.",
                            {10, 10, 10},
                            measure,
                            compare};

}  // namespace amber
