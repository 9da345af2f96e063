// Things whose colour is given, by a swatch that was typed or measured, against what they have come to (CIEDE2000). A
// target of skin belongs to the check of skin.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/colour/difference.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/skins.h"

#include <cmath>

namespace amber {
namespace {

std::string leaningOf(const Lab& is, const Lab& wanted)
{
    const double l = is.l - wanted.l, c = std::hypot(is.a, is.b) - std::hypot(wanted.a, wanted.b);
    if (std::abs(l) > 1.5 * std::hypot(is.a - wanted.a, is.b - wanted.b))
        return l > 0 ? phrase("lighter") : phrase("darker");
    if (std::abs(c) > 0.7 * std::hypot(is.a - wanted.a, is.b - wanted.b))
        return c > 0 ? phrase("more colourful") : phrase("duller");
    if (std::abs(is.b - wanted.b) >= std::abs(is.a - wanted.a))
        return is.b > wanted.b ? phrase("yellower") : phrase("bluer");
    return is.a > wanted.a ? phrase("redder") : phrase("greener");
}

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    for (const CheckedFrame::Key& key : frame.keys()) {
        if (!key.colour->target || meansSkin(key.colour->name))
            continue;
        const Lab is = toLab(key.after);
        const double off = ciede2000(is, *key.colour->target);
        out.push_back({off, key.place,
                       phrase("%1 is %2 from its swatch", {key.colour->name, fixedText(off, 1)}) +
                           (off > 1 ? std::string(", ") + leaningOf(is, *key.colour->target) : std::string()),
                       key.colour->name, -1, key.colour->tolerance});
    }
}

}  // namespace

const CheckKind kSwatch{"swatch",
                        "Reference swatch",
                        "ΔE",
                        1,
                        "The thing itself will be held beside the picture of it.",
                        {3, 3, 2},
                        measure,
                        nullptr};

}  // namespace amber
