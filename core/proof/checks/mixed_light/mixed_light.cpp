// Part of the frame lies in another light: colours that no other frame of its light has, and that they would have were
// they lit otherwise (core/balance/ratio_map.h).
#include "core/balance/group_balance.h"
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/proof/checks/kinds.h"

namespace amber {
namespace {

void compare(std::span<const FrameSummary> frames, const std::vector<KeyColour>&,
             std::span<std::vector<Measured>* const> out)
{
    constexpr int kEnough = 3;
    constexpr double kCovered = 0.6;
    std::map<int, std::pair<RatioMap::Presence, int>> lights;
    for (const FrameSummary& f : frames)
        if (f.colours) {
            auto& [present, count] = lights[f.group];
            f.colours->countIn(present, 0, 0), ++count;
        }
    for (std::size_t i = 0; i < frames.size(); ++i) {
        const FrameSummary& f = frames[i];
        if (!f.colours || lights[f.group].second < kEnough)
            continue;
        const RatioMap::Foreign strange = f.colours->foreign(lights[f.group].first, 0, 0);
        const double share = strange.coveredOtherwise > kCovered ? strange.share : 0;
        out[i]->push_back(
            {100 * share,
             {},
             phrase("%1 % of the frame lies in another light than the others", {fixedText(100 * share, 0)}),
             {},
             -1,
             {}});
    }
}

}  // namespace

const CheckKind kMixedLight{"mixed-light",
                            "Mixed light",
                            "%",
                            0,
                            "No white is right for all of the frame: one part stays cold or warm.",
                            {100 * kMixedLimit, 100 * kMixedLimit, 100 * kMixedLimit},
                            nullptr,
                            compare};

}  // namespace amber
