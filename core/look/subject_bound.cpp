#include "core/look/subject_bound.h"

#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>

namespace amber {

std::vector<SubjectBound> subjectBound(const Look& look)
{
    using What = SubjectBound::What;
    constexpr double kNarrow = 120, kMoved = 8;
    std::vector<SubjectBound> found;
    const std::vector<HueFamily> usual = HueShifts::defaultFamilies();
    for (std::size_t i = 0; i < look.steps.size(); ++i) {
        const Step& step = look.steps[i];
        if (isIdentity(step))
            continue;
        if (step.guard.limitsHue() && step.guard.hueWidth < kNarrow)
            found.push_back({i, What::NarrowGuard, {}, step.guard.hueCentre});
        if (const auto* shifts = std::get_if<HueShifts>(&step.parameters); shifts && !step.perPicture.count("families"))
            for (const HueFamily& family : shifts->families) {
                const bool known = std::any_of(usual.begin(), usual.end(), [&](const HueFamily& u) {
                    return u.name == family.name &&
                           std::abs(hueDifference(u.centreDegrees, family.centreDegrees)) < kMoved;
                });
                if (!known && family.move != HueMove{})
                    found.push_back({i, What::MovedFamily, family.name, family.centreDegrees});
            }
        if (const auto* chroma = std::get_if<Chroma>(&step.parameters);
            chroma && chroma->shelter > 0 && !step.perPicture.count("shelterHue") &&
            std::abs(hueDifference(Chroma{}.shelterHue, chroma->shelterHue)) > 2 * kMoved)
            found.push_back({i, What::ShelteredHue, {}, chroma->shelterHue});
    }
    return found;
}

}  // namespace amber
