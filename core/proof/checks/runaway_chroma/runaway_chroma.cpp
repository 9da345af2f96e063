// Colours that ran away under the look: out of what sRGB can show, where the balanced frame was not; and darks that
// were opened and turned colourful, greens above all. OKLCh.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/colour/gamut.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/patches.h"

#include <cmath>

namespace amber {
namespace {

/// Linear sRGB that loses visibly of its chroma where it is brought to what can be shown.
bool isOutside(const LinearRgb& srgb)
{
    constexpr double kInside = 0.004, kLost = 0.02;
    const double least = std::min({srgb.r, srgb.g, srgb.b}), most = std::max({srgb.r, srgb.g, srgb.b});
    if (least > -kInside && most < 1 + kInside)
        return false;
    const auto chroma = [](const LinearRgb& c) { return toOkLch(toOkLab(apply(toWorking(RgbSpace::Srgb), c))).chroma; };
    return chroma(srgb) - chroma(reduceToGamut(RgbSpace::Srgb, srgb)) > kLost;
}

/// Of every `stride`th pixel of every so manieth row.
double shareOutside(ImageView picture, int stride)
{
    const Matrix3 toSrgb = fromWorking(RgbSpace::Srgb);
    std::size_t count = 0, all = 0;
    for (int y = 0; y < picture.height; y += stride)
        for (int x = 0; x < picture.width; x += stride, ++all) {
            const float* p = picture.row(y) + std::ptrdiff_t{3} * x;
            count += isOutside(apply(toSrgb, LinearRgb{p[0], p[1], p[2]})) ? 1 : 0;
        }
    return static_cast<double>(count) / std::max<double>(1, static_cast<double>(all));
}

void measureOutside(const CheckedFrame& frame, std::vector<Measured>& out)
{
    constexpr double kMuch = 0.02;
    PixelSet outside(frame.width(), frame.height());
    for (int y = 0; y < frame.height(); ++y)
        for (int x = 0; x < frame.width(); ++x) {
            const float* p = frame.finishedSrgb().view().row(y) + std::ptrdiff_t{3} * x;
            outside.at(x, y) = isOutside({p[0], p[1], p[2]});
        }
    const std::vector<Patch> patches = patchesOf(outside);
    const double share = outside.share(),
                 gained = share > 0 ? std::max(0.0, share - shareOutside(frame.balanced(), 1)) : 0;
    out.push_back({100 * gained,
                   patches.empty() ? Region{} : patches.front().place,
                   phrase("%1 % of the frame was brought out of what a screen shows", {fixedText(100 * gained, 1)}),
                   "gamut",
                   gained > kMuch ? frame.stepThatDid([](ImageView picture) { return shareOutside(picture, 3); }) : -1,
                   {}});
}

/// Darks below this tone whose chroma came to stand out, and did not.
void measureOpened(const CheckedFrame& frame, std::vector<Measured>& out)
{
    constexpr double kDark = 0.5, kStrong = 0.09, kGrown = 1.7;
    PixelSet grown(frame.width(), frame.height());
    for (std::size_t i = 0; i < frame.pixels(); ++i) {
        const OkLab &a = frame.labBefore()[i], &b = frame.labAfter()[i];
        const double before = std::hypot(a.a, a.b), after = std::hypot(b.a, b.b);
        grown.in[i] = a.L < kDark && after > kStrong && after > kGrown * before + 0.01;
    }
    const std::vector<Patch> patches = patchesOf(grown);
    const Region place = patches.empty() ? Region{} : patches.front().place;
    const double share = grown.share();
    const auto darkChroma = [&](ImageView picture) {
        constexpr int kEvery = 3;
        double sum = 0;
        for (int y = 0; y < picture.height; y += kEvery)
            for (int x = 0; x < picture.width; x += kEvery)
                if (grown.at(x, y) != 0) {
                    const float* p = picture.row(y) + std::ptrdiff_t{3} * x;
                    sum += toOkLch(toOkLab(LinearRgb{p[0], p[1], p[2]})).chroma;
                }
        return sum;
    };
    out.push_back({100 * share,
                   place,
                   phrase("%1 % of the frame is darks that grew colourful", {fixedText(100 * share, 1)}),
                   "darks",
                   share > 0.02 ? frame.stepThatDid(darkChroma) : -1,
                   {}});
}

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    measureOutside(frame, out);
    measureOpened(frame, out);
}

}  // namespace

const CheckKind kRunawayChroma{
    "runaway-chroma", "Runaway chroma", "%",    1, "Colours past what can be shown flatten into patches without shape.",
    {5, 3, 8},        measure,          nullptr};

}  // namespace amber
