// A ground that comes again over the frames of a light (a paper backdrop, a wall, a table), against that of the frame
// that stands for the light (CIEDE2000 of its mean).
#include "core/base/number_text.h"
#include "core/colour/difference.h"
#include "core/proof/checks/kinds.h"

namespace amber {
namespace {

void compare(std::span<const FrameSummary> frames, const std::vector<KeyColour>&,
             std::span<std::vector<Measured>* const> out)
{
    for (std::size_t i = 0; i < frames.size(); ++i)
        for (const auto& [name, thing] : frames[i].things) {
            if (thing.kind != Role::Kind::Ground)
                continue;
            const FrameSummary* other =
                standsFor(frames, frames[i].group, [&](const FrameSummary& f) { return f.things.count(name) > 0; });
            if (!other || other == &frames[i])
                continue;
            const double apart = ciede2000(thing.after, other->things.at(name).after);
            out[i]->push_back({apart,
                               thing.place,
                               name + " is " + fixedText(apart, 1) + " from that of the other frames of the light",
                               name,
                               -1,
                               {}});
        }
}

}  // namespace

const CheckKind kSameBackdrop{
    "same-backdrop", "Same backdrop", "ΔE",   1, "A backdrop that changes from frame to frame shows on every page.",
    {4, 4, 3},       nullptr,         compare};

}  // namespace amber
