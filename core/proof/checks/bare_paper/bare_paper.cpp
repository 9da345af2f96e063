// Paper left white: pixels without ink in any channel, by where they lie. Patches that are small and stand in much
// darker surroundings are lights and their reflections, and are let be. A face counts five times over.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/colour/rgb_space.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/patches.h"

namespace amber {
namespace {

constexpr float kWhite = 0.990F;  // linear sRGB of code 254 of 255

bool isSpecular(const CheckedFrame& frame, const Patch& patch)
{
    constexpr double kSmall = 0.004, kDark = 0.85;
    if (patch.share > kSmall)
        return false;
    double sum = 0;
    const std::vector<int> ring = ringOf(patch, 4, frame.width(), frame.height());
    for (const int pixel : ring)
        sum += frame.labAfter()[static_cast<std::size_t>(pixel)].L;
    return !ring.empty() && sum / static_cast<double>(ring.size()) < kDark;
}

/// What the file itself lost at white, whatever the balance made of it: grey without anything in it.
void measureFile(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const Image source = frame.evidence().source.image();
    const Matrix3 toSrgb = fromWorking(RgbSpace::Srgb);
    PixelSet white(source.width(), source.height());
    for (int y = 0; y < source.height(); ++y)
        for (int x = 0; x < source.width(); ++x) {
            const float* p = source.view().row(y) + std::ptrdiff_t{3} * x;
            const LinearRgb c = apply(toSrgb, LinearRgb{p[0], p[1], p[2]});
            white.at(x, y) = std::min({c.r, c.g, c.b}) >= kWhite;
        }
    constexpr double kSeen = 0.004, kLimit = 5;
    double share = 0;
    Region largest;
    for (const Patch& patch : patchesOf(white))
        if (patch.share > kSeen) {
            if (share == 0)
                largest = patch.place;
            share += patch.share;
        }
    out.push_back({100 * share, largest,
                   phrase("%1 % of the frame was lost at white in its file", {fixedText(100 * share, 1)}), "file", -1,
                   kLimit});
}

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    measureFile(frame, out);
    PixelSet white(frame.width(), frame.height());
    for (int y = 0; y < frame.height(); ++y)
        for (int x = 0; x < frame.width(); ++x) {
            const float* p = frame.finishedSrgb().view().row(y) + std::ptrdiff_t{3} * x;
            white.at(x, y) = std::min({p[0], p[1], p[2]}) >= kWhite;
        }
    constexpr double kFace = 5;
    double share = 0, inFaces = 0;
    Region largest;
    double most = 0;
    for (const Patch& patch : patchesOf(white)) {
        if (isSpecular(frame, patch))
            continue;
        double weight = 1;
        for (const Region& face : frame.faces())
            if (overlapOf(patch.place, face) > 0)
                weight = kFace;
        share += weight * patch.share, inFaces += weight > 1 ? patch.share : 0;
        if (weight * patch.share > most)
            most = weight * patch.share, largest = patch.place;
    }
    std::string words = phrase("%1 % of the frame is bare paper", {fixedText(100 * share, 2)});
    if (inFaces > 0)
        words += phrase(" (a face counts five times)");
    if (share > 0)
        words += phrase(", most of it %1", {whereabouts(largest)});
    out.push_back({100 * share, largest, words, {}, -1, {}});
}

}  // namespace

const CheckKind kBarePaper{
    "bare-paper",    "Bare paper", "%",    2, "Where no ink falls the paper shows, and the surface of the thing ends.",
    {2.5, 0.1, 2.5}, measure,      nullptr};

}  // namespace amber
