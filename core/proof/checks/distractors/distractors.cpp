// Small patches that draw the eye from the subject (core/area/area_measures.h), and that the look made stronger.
#include "core/area/area_measures.h"
#include "core/base/number_text.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/patches.h"

namespace amber {
namespace {

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const Plane* subject = frame.subject();
    if (!subject)
        return;
    const std::vector<Distractor> patches = distractorsOf(frame.finished(), *subject);
    const std::vector<double> was = unlikeAt(frame.balanced(), patches), is = unlikeAt(frame.finished(), patches);
    constexpr double kSeen = 0.04;
    Measured strongest;
    strongest.words = "nothing draws the eye from the subject by the look";
    for (std::size_t i = 0; i < patches.size(); ++i) {
        const Distractor& patch = patches[i];
        const Region place{patch.left, patch.top, patch.right, patch.bottom};
        const bool isAtEdge = patch.left < 0.08 || patch.right > 0.92 || patch.top < 0.08 || patch.bottom > 0.92;
        // What of its weight came by the look.
        const double gained = is[i] - was[i] > kSeen ? 1 - was[i] / is[i] : 0;
        const double value = patch.weight * gained * (isAtEdge ? 1.5 : 1);
        if (value > strongest.value)
            strongest.value = value, strongest.place = place,
            strongest.words = std::string("a patch ") + whereabouts(place) + " stands out by " +
                              fixedText(100 * is[i], 0) + " hundredths, before the look by " +
                              fixedText(100 * was[i], 0);
    }
    strongest.value *= 1000;
    out.push_back(strongest);
}

}  // namespace

const CheckKind kDistractors{
    "distractors",   "Distractors", "",     1, "A bright or strong patch near the edge leads the eye out.",
    {2.5, 2.5, 2.5}, measure,       nullptr};

}  // namespace amber
