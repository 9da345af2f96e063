// A large area just short of white: within a hundredth of the end of the scale, where nothing is told apart any more.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/patches.h"

namespace amber {
namespace {

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    constexpr float kNear = 0.965F, kWhite = 0.990F;  // linear sRGB of codes 251 and 254 of 255
    PixelSet near(frame.width(), frame.height());
    for (int y = 0; y < frame.height(); ++y)
        for (int x = 0; x < frame.width(); ++x) {
            const float* p = frame.finishedSrgb().view().row(y) + std::ptrdiff_t{3} * x;
            const float least = std::min({p[0], p[1], p[2]});
            near.at(x, y) = least >= kNear && least < kWhite;
        }
    const std::vector<Patch> patches = patchesOf(near);
    const double share = patches.empty() ? 0 : patches.front().share;
    const Region place = patches.empty() ? Region{} : patches.front().place;
    std::string words = phrase("an area of %1 % lies just short of white", {fixedText(100 * share, 1)});
    if (share > 0)
        words += std::string(", ") + whereabouts(place);
    out.push_back({100 * share, place, words, {}, -1, {}});
}

}  // namespace

const CheckKind kNearClipping{
    "near-clipping", "Near clipping", "%",    1, "A flat light area loses its last detail in the next copy or print.",
    {4, 2, 3},       measure,         nullptr};

}  // namespace amber
