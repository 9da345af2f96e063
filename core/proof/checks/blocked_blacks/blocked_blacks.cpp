// Darks without anything in them: pixels at black in every channel, in patches large enough to be seen as holes.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/patches.h"

namespace amber {
namespace {

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    constexpr float kBlack = 0.0006F;  // linear sRGB of code 2 of 255
    constexpr double kSeen = 0.0005;
    PixelSet black(frame.width(), frame.height());
    for (int y = 0; y < frame.height(); ++y)
        for (int x = 0; x < frame.width(); ++x) {
            const float* p = frame.finishedSrgb().view().row(y) + std::ptrdiff_t{3} * x;
            black.at(x, y) = std::max({p[0], p[1], p[2]}) <= kBlack;
        }
    double share = 0;
    Region largest;
    for (const Patch& patch : patchesOf(black)) {
        if (patch.share < kSeen)
            break;
        if (share == 0)
            largest = patch.place;
        share += patch.share;
    }
    std::string words = phrase("%1 % of the frame is blocked black", {fixedText(100 * share, 1)});
    if (share > 0)
        words += phrase(", most of it %1", {whereabouts(largest)});
    out.push_back({100 * share, largest, words, {}, -1, {}});
}

}  // namespace

const CheckKind kBlockedBlacks{
    "blocked-blacks", "Blocked blacks", "%",    1, "A black without anything in it is a hole, and prints as a shine.",
    {6, 2.5, 1.5},    measure,          nullptr};

}  // namespace amber
