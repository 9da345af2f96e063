// A ground that comes again over the frames of a light (a paper backdrop, a wall, a table), against that of the frame
// that stands for the light (CIEDE2000 of its mean).
#include "core/base/phrase.h"
#include "core/colour/difference.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/recurring.h"

namespace amber {
namespace {

void compare(std::span<const FrameSummary> frames, const std::vector<KeyColour>&,
             std::span<std::vector<Measured>* const> out)
{
    const auto isGround = [](const std::string&, const FrameSummary::Thing& thing) {
        return thing.kind == Role::Kind::Ground;
    };
    const auto apart = [](const Lab& here, const Lab& there) { return ciede2000(here, there); };
    const auto sentence = [](const std::string& name, const std::string& by) {
        return phrase("%1 is %2 from that of the other frames of the light", {name, by});
    };
    compareRecurring(frames, {isGround, apart, sentence}, out);
}

}  // namespace

const CheckKind kSameBackdrop{
    "same-backdrop", "Same backdrop", "ΔE",   1, "A backdrop that changes from frame to frame shows on every page.",
    {4, 4, 3},       nullptr,         compare};

}  // namespace amber
