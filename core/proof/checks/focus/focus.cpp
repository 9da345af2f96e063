// Whether the sharpest place is where it should be: how soft the strongest edges of the face are, against those of the
// sharpest part of the frame.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/patches.h"

#include <algorithm>

namespace amber {
namespace {

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    constexpr double kSoft = 1.3;
    if (frame.evidence().parts.empty())
        return;
    double sharpest = 0;
    for (const PartFacts& part : frame.evidence().parts)
        if (part.softness > 0 && (sharpest == 0 || part.softness < sharpest))
            sharpest = part.softness;
    for (std::size_t i = 0; i < frame.evidence().faces.size(); ++i) {
        const Face& face = frame.evidence().faces[i];
        const double own = frame.evidence().faceSoftness[i];
        if (face.sureness < kFaceForFocus || own == 0 || sharpest == 0)
            continue;
        const double times = own > kSoft ? own / sharpest : 1;
        out.push_back(
            {times,
             face.place,
             phrase("edges in the face are %1 times as soft as the sharpest of the frame", {fixedText(times, 1)}),
             "face",
             -1,
             {}});
    }
}

}  // namespace

const CheckKind kFocus{
    "focus",         "Focus", "times", 1, "A face that is softer than what stands behind it is a missed frame.",
    {2.2, 2.2, 2.2}, measure, nullptr};

}  // namespace amber
