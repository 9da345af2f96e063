// Steps in smooth areas: by how many of the 256 codes of the result one code of the file jumps under balance and look,
// where nothing hides it. Noise that came with the frame and grain that the look adds hide steps (L. G. Roberts, IRE
// Trans. Inf. Theory 8(2), 1962): a deviation of d steps leaves 1 / (1 + (2 d)^2) of them.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/base/statistics.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/patches.h"

#include <cmath>

namespace amber {
namespace {

/// Pixels of areas that are large and change slowly.
PixelSet smoothPixels(const CheckedFrame& frame)
{
    constexpr double kSlow = 0.006, kLeast = 0.004;
    PixelSet smooth(frame.width(), frame.height());
    const auto& lab = frame.labBefore();
    const auto at = [&](int x, int y) -> const OkLab& { return lab[static_cast<std::size_t>(y) * frame.width() + x]; };
    for (int y = 1; y + 1 < frame.height(); ++y)
        for (int x = 1; x + 1 < frame.width(); ++x) {
            const double across = std::abs(at(x + 1, y).L - at(x - 1, y).L) / 2,
                         down = std::abs(at(x, y + 1).L - at(x, y - 1).L) / 2;
            smooth.at(x, y) = std::max(across, down) < kSlow && at(x, y).L > 0.03 && at(x, y).L < 0.985;
        }
    PixelSet large(frame.width(), frame.height());
    for (const Patch& patch : patchesOf(smooth))
        if (patch.share > kLeast)
            for (const int pixel : patch.pixels)
                large.in[static_cast<std::size_t>(pixel)] = 1;
    return large;
}

/// What one step of a source with 8 bits comes to, in codes of the result, at a balanced colour.
double jumpAt(const CheckedFrame& frame, const OkLab& colour)
{
    constexpr double kCode = 1.0 / 255;
    const double code = encodeComponent(RgbSpace::Srgb, std::pow(std::clamp(colour.L, 0.0, 1.0), 3));
    const auto light = [&](double c) {
        // The same colour, so much lighter.
        const double scale = std::cbrt(decodeComponent(RgbSpace::Srgb, c)) / std::max(1e-4, colour.L);
        const LinearRgb out =
            evaluate(frame.look(), toLinearRgb(OkLab{scale * colour.L, scale * colour.a, scale * colour.b}));
        const LinearRgb srgb = apply(fromWorking(RgbSpace::Srgb), out);
        return encodeComponent(RgbSpace::Srgb, std::clamp(srgb.g, 0.0, 1.0));
    };
    // The balance's own gain at this tone: what of a source code is left of it.
    const double stops = frame.frame().balance.light.exposureStops;
    const double source =
        encodeComponent(RgbSpace::Srgb, std::clamp(decodeComponent(RgbSpace::Srgb, code) / std::exp2(stops), 0.0, 1.0));
    const double next = encodeComponent(RgbSpace::Srgb, decodeComponent(RgbSpace::Srgb, std::min(1.0, source + kCode)) *
                                                            std::exp2(stops));
    return std::abs(light(std::max(code, next)) - light(code)) / kCode;
}

/// The noise that came with a place, in codes of the file: of the least noisy tile that lies in it.
double noiseOf(const CheckedFrame& frame, const Region& place, double tone)
{
    const Placement placement = frame.frame().balance.placement(frame.evidence().width, frame.evidence().height);
    const Region inSource = placement.inSource(place);
    double least = -1;
    for (const auto& [tile, deviation] : frame.evidence().flatNoise)
        if (inSource.contains((tile.left + tile.right) / 2, (tile.top + tile.bottom) / 2) &&
            (least < 0 || deviation < least))
            least = deviation;
    // A code's worth of L at this tone.
    const double code = encodeComponent(RgbSpace::Srgb, std::pow(std::clamp(tone, 0.05, 1.0), 3));
    const double next = std::cbrt(decodeComponent(RgbSpace::Srgb, std::min(1.0, code + 1.0 / 255)));
    return least > 0 ? least / std::max(1e-4, next - tone) : 0;
}

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const PixelSet smooth = smoothPixels(frame);
    Measured m;
    m.words = phrase("no smooth area is large enough to show steps");
    if (smooth.share() < 0.01 || frame.evidence().bits > 8) {
        if (frame.evidence().bits > 8)
            m.words = phrase("the file has 16 bits: steps are as fine as the result can hold");
        out.push_back(m);
        return;
    }
    const std::vector<Patch> patches = patchesOf(smooth);
    std::vector<double> jumps;
    double tone = 0;
    constexpr std::size_t kSamples = 60;
    const std::vector<int>& pixels = patches.front().pixels;
    for (std::size_t i = 0; i < kSamples; ++i) {
        const OkLab& c = frame.labBefore()[static_cast<std::size_t>(pixels[i * pixels.size() / kSamples])];
        jumps.push_back(jumpAt(frame, c)), tone += c.L / kSamples;
    }
    const double jump = quantile(jumps, 0.75);
    const double came = noiseOf(frame, patches.front().place, tone);
    double grain = 0;
    for (const Step& step : frame.look().steps)
        if (const auto* g = std::get_if<Grain>(&step.parameters); g && !isIdentity(step))
            grain = std::max(grain, 255 * 0.5 * g->amount * step.strength);
    const double hidden = std::hypot(came, grain / std::max(1.0, jump));
    m.value = jump / (1 + 4 * hidden * hidden);
    m.place = patches.front().place;
    m.words = phrase("a smooth area %1 steps by %2 codes; with its noise and the look's grain as by %3",
                     {whereabouts(m.place), fixedText(jump, 1), fixedText(m.value, 1)});
    out.push_back(m);
}

}  // namespace

const CheckKind kBanding{"banding",       "Banding", "codes", 1, "Skies and walls break into bands with borders.",
                         {2.2, 2.5, 2.2}, measure,   nullptr};

}  // namespace amber
