// Key colours of the frame against those of the lead of its light, each within its own tolerance.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/colour/difference.h"
#include "core/proof/checks/kinds.h"

namespace amber {
namespace {

void compare(std::span<const FrameSummary> frames, const std::vector<KeyColour>& keys,
             std::span<std::vector<Measured>* const> out)
{
    std::map<int, const FrameSummary*> leads;
    for (const FrameSummary& f : frames)
        if (f.isLead)
            leads[f.group] = &f;
    for (std::size_t i = 0; i < frames.size(); ++i) {
        const auto lead = leads.find(frames[i].group);
        if (lead == leads.end() || frames[i].isLead)
            continue;
        for (const KeyColour& key : keys) {
            const auto own = frames[i].keys.find(key.name), other = lead->second->keys.find(key.name);
            if (own == frames[i].keys.end() || other == lead->second->keys.end())
                continue;
            const double apart = ciede2000(own->second, other->second);
            out[i]->push_back({apart,
                               {},
                               phrase("%1 is %2 from the lead of its light", {key.name, fixedText(apart, 1)}),
                               key.name,
                               -1,
                               key.tolerance});
        }
    }
}

}  // namespace

const CheckKind kConsistent{"consistency",
                            "Consistency",
                            "ΔE",
                            1,
                            "Side by side on one page, the same thing in two colours is the first that is seen.",
                            {3, 3, 3},
                            nullptr,
                            compare};

}  // namespace amber
