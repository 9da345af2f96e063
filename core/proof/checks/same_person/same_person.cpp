// Skin of one person over the frames of a light: areas of skin whose name says whose it is ("Ada's hands") against
// those of the frame that stands for the light, in hue and chroma (CIEDE2000 at one lightness: a face turns in its
// light).
#include "core/base/phrase.h"
#include "core/colour/difference.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/recurring.h"

namespace amber {
namespace {

bool isOfAPerson(const std::string& role, const FrameSummary::Thing& thing)
{
    return thing.kind == Role::Kind::Skin && (role.find("'s ") != role.npos || role.find("\u2019s ") != role.npos);
}

double apartInHueAndChroma(const Lab& here, const Lab& there)
{
    const double l = (here.l + there.l) / 2;
    return ciede2000(Lab{l, here.a, here.b}, Lab{l, there.a, there.b});
}

void compare(std::span<const FrameSummary> frames, const std::vector<KeyColour>&,
             std::span<std::vector<Measured>* const> out)
{
    const auto sentence = [](const std::string& name, const std::string& by) {
        return phrase("%1: %2 in hue and chroma from the other frames of the light", {name, by});
    };
    compareRecurring(frames, {isOfAPerson, apartInHueAndChroma, sentence}, out);
}

}  // namespace

const CheckKind kSamePerson{
    "same-person", "Same person", "ΔE",   1, "One person with two skins on one page is seen at once.",
    {5, 5, 4},     nullptr,       compare};

}  // namespace amber
