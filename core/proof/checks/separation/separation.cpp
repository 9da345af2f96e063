// The subject against what lies round it, before the look and after: what the look took of it, and the step that did.
#include "core/area/area_measures.h"
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/skins.h"

#include <cmath>

namespace amber {
namespace {

/// One number: OKLab distance, hue as the arc it makes at a chroma of 0.1.
double sizeOf(const Separation& s)
{
    constexpr double kArc = 0.1 * 3.14159265358979 / 180;
    return std::sqrt(s.lightness * s.lightness + s.chroma * s.chroma + std::pow(kArc * s.hueDegrees, 2));
}

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const Plane* subject = frame.subject();
    constexpr double kSeen = 0.04;
    if (!subject || shareOf(*subject) < 0.002)
        return;
    const double before = sizeOf(separationOf(frame.balanced(), *subject)),
                 after = sizeOf(separationOf(frame.finished(), *subject));
    if (before < kSeen)
        return;
    const double lost = std::max(0.0, 1 - after / before);
    out.push_back({100 * lost,
                   placeOf(*subject),
                   phrase("the subject stands out by %1, before the look by %2 (hundredths)",
                          {fixedText(100 * after, 0), fixedText(100 * before, 0)}),
                   {},
                   lost > 0.2
                       ? frame.stepThatDid([&](ImageView picture) { return -sizeOf(separationOf(picture, *subject)); })
                       : -1,
                   {}});
}

}  // namespace

const CheckKind kSeparation{"separation",
                            "Separation",
                            "% lost",
                            0,
                            "A subject that sinks into its ground is no longer what the picture is of.",
                            {35, 35, 35},
                            measure,
                            nullptr};

}  // namespace amber
