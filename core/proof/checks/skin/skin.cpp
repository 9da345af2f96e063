// Skin through the look, of marked key colours, roles and faces: how far it moved in hue and chroma (CIEDE2000 with the
// lightness it had). It is held against itself, never against an ideal; a target and tolerance set by hand come first.
// And of one person: face against hands, after the look against before.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/skins.h"

#include <cmath>

namespace amber {
namespace {

/// "Ada's skin" and "Ada's hands" are of one person: the first word.
std::string personOf(const std::string& name)
{
    const std::size_t end = name.find(' ');
    return end == name.npos ? std::string() : name.substr(0, end);
}

void measureDrift(const CheckedFrame& frame, const Skin& skin, std::vector<Measured>& out)
{
    if (skin.key && skin.key->target) {
        const double off = ciede2000(toLab(skin.after), *skin.key->target);
        out.push_back({off, skin.place, phrase("%1 is %2 from its target", {skin.name, fixedText(off, 1)}), skin.name,
                       -1, skin.key->tolerance});
        return;
    }
    const Lab was = toLab(skin.before);
    Lab is = toLab(skin.after);
    const double redder =
        hueDifference(toOkLch(toOkLab(skin.before)).hueDegrees, toOkLch(toOkLab(skin.after)).hueDegrees);
    const double more = std::hypot(is.a, is.b) - std::hypot(was.a, was.b);
    is.l = was.l;
    const double off = ciede2000(was, is);
    const auto drift = [was](ImageView picture, const Region& place) {
        Lab now = toLab(meanOf(picture, place));
        now.l = was.l;
        return ciede2000(was, now);
    };
    const int step = off > 4 && skin.place.right > skin.place.left && !skin.place.isWhole()
                         ? frame.stepThatDid([&](ImageView picture) { return drift(picture, skin.place); })
                         : -1;
    const std::string turned = fixedText(std::abs(redder), 0);
    out.push_back({off,
                   skin.place,
                   phrase("%1 moved by %2: %3, %4",
                          {skin.name, fixedText(off, 1), more > 0 ? phrase("more chroma") : phrase("less chroma"),
                           redder < 0 ? phrase("%1° towards red", {turned}) : phrase("%1° towards yellow", {turned})}),
                   skin.name,
                   step,
                   {}});
}

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const std::vector<Skin> skins = skinsOf(frame);
    for (const Skin& skin : skins)
        measureDrift(frame, skin, out);
    // Of one person: what the look put between two places that were nearer.
    for (std::size_t i = 0; i < skins.size(); ++i)
        for (std::size_t j = i + 1; j < skins.size(); ++j) {
            if (personOf(skins[i].name).empty() || personOf(skins[i].name) != personOf(skins[j].name))
                continue;
            const auto apart = [](const LinearRgb& one, const LinearRgb& two) {
                Lab a = toLab(one), b = toLab(two);
                a.l = b.l = (a.l + b.l) / 2;
                return ciede2000(a, b);
            };
            const double before = apart(skins[i].before, skins[j].before),
                         after = apart(skins[i].after, skins[j].after);
            out.push_back({after,
                           skins[j].place,
                           phrase("%1 and %2 are %3 apart in hue and chroma; before the look %4",
                                  {skins[i].name, skins[j].name, fixedText(after, 1), fixedText(before, 1)}),
                           skins[i].name + ", " + skins[j].name,
                           -1,
                           {}});
        }
}

}  // namespace

const CheckKind kSkin{"skin",    "Skin",  "ΔE",   1, "Skin that moved is seen by everyone, whatever else is right.",
                      {8, 8, 6}, measure, nullptr};

}  // namespace amber
