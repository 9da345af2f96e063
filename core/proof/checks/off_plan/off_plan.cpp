// Strong colours that the look's colour plan leaves out, away from the subject.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/colour/oklab.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/patches.h"

#include <cmath>

namespace amber {
namespace {

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const std::vector<PlanHue>& plan = frame.look().card.plan;
    if (plan.empty())
        return;
    constexpr double kStrong = 0.08, kSlack = 10;
    const Plane* subject = frame.subject();
    PixelSet off(frame.width(), frame.height());
    double all = 0, outside = 0;
    for (std::size_t i = 0; i < frame.pixels(); ++i) {
        const OkLch c = toOkLch(frame.labAfter()[i]);
        all += c.chroma;
        if (c.chroma < kStrong || (subject && subject->values[i] > 0.5F))
            continue;
        bool isPlanned = false;
        for (const PlanHue& hue : plan)
            isPlanned = isPlanned || std::abs(hueDifference(hue.hue, c.hueDegrees)) <= hue.width / 2 + kSlack;
        if (!isPlanned)
            off.in[i] = 1, outside += c.chroma;
    }
    const double share = all > 0 ? outside / all : 0;
    const std::vector<Patch> patches = patchesOf(off);
    const Region place = patches.empty() ? Region{} : patches.front().place;
    std::string words = phrase("%1 % of the colour is strong and not in the plan", {fixedText(100 * share, 0)});
    if (share > 0)
        words += phrase(", the largest patch %1", {whereabouts(place)});
    out.push_back({100 * share, place, words, {}, -1, {}});
}

}  // namespace

const CheckKind kOffPlan{"off-plan",   "Off plan", "%",    0, "A strong colour outside the plan draws the eye to it.",
                         {12, 12, 12}, measure,    nullptr};

}  // namespace amber
