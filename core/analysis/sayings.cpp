#include "core/analysis/sayings.h"

#include "core/analysis/sweep.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace amber {
namespace {

constexpr double kSlope = 1.4, kColoured = 0.02;

Step curve(ToneCurve::Mode mode)
{
    Look look;
    look.steps.emplace_back();
    look.steps[0].parameters = ToneCurve{};
    Step step = swept(look, 0, {SweepWay::Kind::Curve}, kSlope)->steps[0];
    std::get<ToneCurve>(step.parameters).mode = mode;
    return step;
}

double chromaOf(const LinearRgb& c) { return toOkLch(toOkLab(c)).chroma; }

}  // namespace

EqualCurves measureEqualCurves(const std::vector<LinearRgb>& colours)
{
    const Step equal = curve(ToneCurve::Mode::EveryChannel), light = curve(ToneCurve::Mode::LightnessOnly);
    double before = 0, after = 0, lightAfter = 0;
    std::vector<double> turns;
    for (const LinearRgb& c : colours) {
        const OkLch from = toOkLch(toOkLab(c)), to = toOkLch(toOkLab(evaluate(equal, c)));
        before += from.chroma, after += to.chroma, lightAfter += chromaOf(evaluate(light, c));
        if (from.chroma > kColoured && to.chroma > kColoured)
            turns.push_back(std::abs(hueDifference(from.hueDegrees, to.hueDegrees)));
    }
    std::sort(turns.begin(), turns.end());
    EqualCurves result;
    if (before > 0)
        result.chromaFactor = after / before, result.lightnessOnly = lightAfter / before;
    result.largestTurn = turns.empty() ? 0 : turns[turns.size() * 95 / 100];
    return result;
}

CodesKept measureCodes(ImageView picture)
{
    const Step equal = curve(ToneCurve::Mode::EveryChannel);
    const auto code = [](double v) {
        return std::clamp(static_cast<int>(encodeComponent(RgbSpace::Srgb, v) * 255 + 0.5), 0, 255);
    };
    std::array<bool, 256> before{}, after{};
    // The curve maps greys to greys, so a code of the channel is carried by the grey that has it.
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x)
            before[static_cast<std::size_t>(code(picture.row(y)[3 * x + 1]))] = true;
    for (int i = 0; i < 256; ++i)
        if (before[static_cast<std::size_t>(i)])
            after[static_cast<std::size_t>(
                code(evaluate(equal, decode(RgbSpace::Srgb, {i / 255.0, i / 255.0, i / 255.0})).g))] = true;
    return {static_cast<int>(std::count(before.begin(), before.end(), true)),
            static_cast<int>(std::count(after.begin(), after.end(), true))};
}

SameLook measureSameLook(const Look& look, const std::vector<std::vector<LinearRgb>>& pictures)
{
    SameLook result{1, -1};
    for (const auto& colours : pictures) {
        double change = 0;
        for (const LinearRgb& c : colours)
            change += (toOkLab(evaluate(look, c)).L - toOkLab(c).L) / static_cast<double>(colours.size());
        result.smallest = std::min(result.smallest, change), result.largest = std::max(result.largest, change);
    }
    return pictures.empty() ? SameLook{} : result;
}

double measureContrastDarkens(const std::vector<LinearRgb>& colours)
{
    Step step;
    Contrast contrast;
    contrast.slope = 1.3, contrast.holdBrightness = false;
    step.parameters = contrast;
    double change = 0;
    for (const LinearRgb& c : colours)
        change += (toOkLab(evaluate(step, c)).L - toOkLab(c).L) / static_cast<double>(colours.size());
    return change;
}

EvenChroma measureEvenChroma(const std::vector<LinearRgb>& colours)
{
    std::vector<LinearRgb> sorted;
    std::copy_if(colours.begin(), colours.end(), std::back_inserter(sorted),
                 [](const LinearRgb& c) { return chromaOf(c) > kColoured / 2; });
    std::sort(sorted.begin(), sorted.end(),
              [](const LinearRgb& a, const LinearRgb& b) { return chromaOf(a) < chromaOf(b); });
    Step step;
    Chroma chroma;
    chroma.even = 1.3;
    step.parameters = chroma;
    EvenChroma result;
    const std::size_t third = sorted.size() / 3;
    for (std::size_t i = 0; i < third; ++i) {
        result.muted += ciede2000(sorted[i], evaluate(step, sorted[i])) / static_cast<double>(third);
        const LinearRgb& strong = sorted[sorted.size() - 1 - i];
        result.strong += ciede2000(strong, evaluate(step, strong)) / static_cast<double>(third);
    }
    return result;
}

}  // namespace amber
