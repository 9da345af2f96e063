// Skin of one person over the frames of a light: areas of skin whose name says whose it is ("Ada's hands") against
// those of the frame that stands for the light, in hue and chroma (CIEDE2000 at one lightness: a face turns in its
// light).
#include "core/base/number_text.h"
#include "core/colour/difference.h"
#include "core/proof/checks/kinds.h"

namespace amber {
namespace {

bool namesAPerson(const std::string& role)
{
    return role.find("'s ") != role.npos || role.find("\u2019s ") != role.npos;
}

void compare(std::span<const FrameSummary> frames, const std::vector<KeyColour>&,
             std::span<std::vector<Measured>* const> out)
{
    for (std::size_t i = 0; i < frames.size(); ++i)
        for (const auto& [name, thing] : frames[i].things) {
            if (thing.kind != Role::Kind::Skin || !namesAPerson(name))
                continue;
            const FrameSummary* other =
                standsFor(frames, frames[i].group, [&](const FrameSummary& f) { return f.things.count(name) > 0; });
            if (!other || other == &frames[i])
                continue;
            Lab here = thing.after, there = other->things.at(name).after;
            here.l = there.l = (here.l + there.l) / 2;
            const double apart = ciede2000(here, there);
            out[i]->push_back(
                {apart,
                 thing.place,
                 name + " are " + fixedText(apart, 1) + " in hue and chroma from the other frames of the light",
                 name,
                 -1,
                 {}});
        }
}

}  // namespace

const CheckKind kSamePerson{
    "same-person", "Same person", "ΔE",   1, "One person with two skins on one page is seen at once.",
    {5, 5, 4},     nullptr,       compare};

}  // namespace amber
