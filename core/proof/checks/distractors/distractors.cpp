// Small patches that draw the eye from the subject, and that the look made stronger: where a pixel differs from its
// wide surroundings (core/area/area_measures.h) by more than it did, beyond what the look did to all such differences.
#include "core/area/area_measures.h"
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/base/statistics.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/patches.h"

#include <cmath>

namespace amber {
namespace {

/// By how much the look raises what differs from its surroundings everywhere; a look that calms all counts as none.
double usualRaise(const Plane& before, const Plane& after)
{
    constexpr float kDiffers = 0.03F;
    std::vector<float> raises;
    for (std::size_t i = 0; i < before.values.size(); ++i)
        if (before.values[i] > kDiffers)
            raises.push_back(after.values[i] / before.values[i]);
    return raises.empty() ? 1 : std::max(1.0, median(raises));
}

struct Strongest {
    double value = 0, was = 0, is = 0;
    Region place;
};

/// Of patches away from the subject that gained: the one that gained most, a larger one sooner, at the edge half as
/// much again.
Strongest strongestOf(const Plane& before, const Plane& after, const Plane& subject)
{
    constexpr double kGained = 0.05, kStands = 0.1, kSmallest = 0.0006, kLargest = 0.05, kUsual = 0.003;
    const double raise = usualRaise(before, after);
    PixelSet gained(after.width, after.height);
    for (int y = 0; y < after.height; ++y)
        for (int x = 0; x < after.width; ++x) {
            const float mask = subject.row(y * subject.height / after.height)[x * subject.width / after.width];
            const double is = after.row(y)[x], was = raise * before.row(y)[x];
            gained.at(x, y) = mask < 0.5F && is > kStands && is - was > kGained;
        }
    Strongest strongest;
    for (const Patch& patch : patchesOf(gained)) {
        if (patch.share < kSmallest || patch.share > kLargest)
            continue;
        double was = 0, is = 0;
        for (const int pixel : patch.pixels)
            was += before.values[static_cast<std::size_t>(pixel)], is += after.values[static_cast<std::size_t>(pixel)];
        was /= static_cast<double>(patch.pixels.size()), is /= static_cast<double>(patch.pixels.size());
        const Region& p = patch.place;
        const bool isAtEdge = p.left < 0.08 || p.right > 0.92 || p.top < 0.08 || p.bottom > 0.92;
        const double value =
            100 * (is - raise * was) * std::clamp(std::sqrt(patch.share / kUsual), 0.5, 1.5) * (isAtEdge ? 1.5 : 1);
        if (value > strongest.value)
            strongest = {value, was, is, p};
    }
    return strongest;
}

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const Plane* subject = frame.subject();
    if (!subject)
        return;
    const Plane before = conspicuityOf(frame.balanced());
    const Strongest s = strongestOf(before, conspicuityOf(frame.finished()), *subject);
    const auto raised = [&before, subject](ImageView picture) {
        return strongestOf(before, conspicuityOf(picture), *subject).value;
    };
    out.push_back({s.value,
                   s.place,
                   s.value > 0 ? phrase("a patch %1 stands out by %2 hundredths, before the look by %3",
                                        {whereabouts(s.place), fixedText(100 * s.is, 0), fixedText(100 * s.was, 0)})
                               : phrase("nothing draws the eye from the subject by the look"),
                   {},
                   s.value > 8 ? frame.stepThatDid(raised) : -1,
                   {}});
}

}  // namespace

const CheckKind kDistractors{
    "distractors", "Distractors", "",     1, "A bright or strong patch near the edge leads the eye out.",
    {11, 11, 11},  measure,       nullptr};

}  // namespace amber
