#include "core/analysis/sayings.h"

#include "core/analysis/sweep.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/engine/bake.h"
#include "core/image/resize.h"

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

/// What a chroma step does to the most muted and to the strongest third of the coloured ones, on average.
template <class Measure>
EvenChroma ofThirds(const std::vector<LinearRgb>& colours, const Chroma& chroma, Measure&& measure)
{
    std::vector<LinearRgb> sorted;
    std::copy_if(colours.begin(), colours.end(), std::back_inserter(sorted),
                 [](const LinearRgb& c) { return chromaOf(c) > kColoured / 2; });
    std::sort(sorted.begin(), sorted.end(),
              [](const LinearRgb& a, const LinearRgb& b) { return chromaOf(a) < chromaOf(b); });
    Step step;
    step.parameters = chroma;
    EvenChroma result;
    const std::size_t third = sorted.size() / 3;
    for (std::size_t i = 0; i < third; ++i) {
        result.muted += measure(sorted[i], evaluate(step, sorted[i])) / static_cast<double>(third);
        const LinearRgb& strong = sorted[sorted.size() - 1 - i];
        result.strong += measure(strong, evaluate(step, strong)) / static_cast<double>(third);
    }
    return result;
}

double lightnessAt(ImageView picture, int x, int y)
{
    const float* p = picture.row(y) + 3 * x;
    return toOkLab(LinearRgb{p[0], p[1], p[2]}).L;
}

/// How much a place differs from its neighbours.
double roughness(ImageView picture, int x, int y)
{
    const double own = lightnessAt(picture, x, y);
    return std::abs(own - lightnessAt(picture, x - 1, y)) + std::abs(own - lightnessAt(picture, x + 1, y)) +
           std::abs(own - lightnessAt(picture, x, y - 1)) + std::abs(own - lightnessAt(picture, x, y + 1));
}

/// Twice as large, read between the pixels.
Image enlarged(const Image& small, int width, int height)
{
    Image out(width, height);
    const ImageView in = small.view();
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double fx = std::clamp((x + 0.5) / 2 - 0.5, 0.0, in.width - 1.0),
                         fy = std::clamp((y + 0.5) / 2 - 0.5, 0.0, in.height - 1.0);
            const int left = std::min(static_cast<int>(fx), in.width - 2),
                      top = std::min(static_cast<int>(fy), in.height - 2);
            const auto u = static_cast<float>(fx - left), v = static_cast<float>(fy - top);
            const float *a = in.row(top) + 3 * left, *b = in.row(top + 1) + 3 * left;
            float* to = out.mutableView().row(y) + 3 * x;
            for (int i = 0; i < 3; ++i)
                to[i] = (1 - v) * ((1 - u) * a[i] + u * a[i + 3]) + v * ((1 - u) * b[i] + u * b[i + 3]);
        }
    return out;
}

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
    Chroma chroma;
    chroma.even = 1.3;
    return ofThirds(colours, chroma,
                    [](const LinearRgb& before, const LinearRgb& after) { return ciede2000(before, after); });
}

EvenChroma measureReservedChroma(const std::vector<LinearRgb>& colours)
{
    Chroma chroma;
    chroma.reserved = 0.5;
    return ofThirds(colours, chroma,
                    [](const LinearRgb& before, const LinearRgb& after) { return chromaOf(after) / chromaOf(before); });
}

Sharpened measureSharpening(ImageView picture)
{
    const int width = picture.width / 2 * 2, height = picture.height / 2 * 2;
    if (width < 32 || height < 32)
        return {};
    const Image soft = enlarged(reduceByArea(picture, width / 2, height / 2), width, height);
    Look look;
    look.steps.emplace_back();
    FineDetail detail;
    detail.amount = 1;
    look.steps[0].parameters = detail;
    const auto plan = RenderPlan::compile(look);
    Image sharp(width, height);
    if (!plan)
        return {};
    render(*plan, soft.view(), sharp.mutableView(), {}, {RenderOptions::Stage::All, std::max(width, height)});
    double lost = 0, left = 0;
    std::vector<std::pair<double, double>> flat;
    for (int y = 1; y + 1 < height; ++y)
        for (int x = 1; x + 1 < width; ++x) {
            const double own = lightnessAt(picture, x, y), s = lightnessAt(soft.view(), x, y),
                         after = lightnessAt(sharp.view(), x, y);
            lost += (own - s) * (own - s), left += (own - after) * (own - after);
            if (x % 4 == 1 && y % 4 == 1)
                flat.emplace_back(roughness(soft.view(), x, y), roughness(sharp.view(), x, y));
        }
    std::sort(flat.begin(), flat.end());
    double before = 0, after = 0;
    for (std::size_t i = 0; i < flat.size() / 2; ++i)
        before += flat[i].first, after += flat[i].second;
    return {lost > 0 ? 1 - std::sqrt(left / lost) : 0, before > 0 ? after / before : 1};
}

Warmed measureWarmerWhite(const std::vector<LinearRgb>& colours)
{
    Step step;
    Warmth warmth;
    warmth.warmth = 20;
    step.parameters = warmth;
    Warmed result;
    int others = 0;
    for (const LinearRgb& c : colours) {
        const OkLch lch = toOkLch(toOkLab(c));
        const double moved = ciede2000(c, evaluate(step, c));
        const bool isSkin = lch.chroma > kColoured && lch.hueDegrees >= 30 && lch.hueDegrees <= 75 && lch.L > 0.3;
        (isSkin ? result.skin : result.others) += moved, ++(isSkin ? result.skins : others);
    }
    result.skin /= std::max(1, result.skins), result.others /= std::max(1, others);
    return result;
}

ToneTints measureSplitToning()
{
    Step step;
    SplitToning toning;
    for (Dye& dye : toning.dyes)
        dye.chroma = 0.05;
    step.parameters = toning;
    const auto tinted = [&](double low, double high) {
        constexpr int kGreys = 16;
        double sum = 0;
        for (int i = 0; i < kGreys; ++i) {
            const double root = low + (high - low) * i / (kGreys - 1), light = root * root * root;
            sum += chromaOf(evaluate(step, LinearRgb{light, light, light})) / kGreys;
        }
        return sum;
    };
    return {tinted(0.45, 0.6), (tinted(0.15, 0.3) + tinted(0.75, 0.85)) / 2};
}

Result<TableLoss> measureTableLoss(const Look& look, const std::vector<LinearRgb>& colours)
{
    const auto table = bake(look, 33);
    if (!table)
        return tl::make_unexpected(table.error());
    const auto report = travelReport(look, *table, RgbSpace::Srgb, colours);
    if (!report)
        return tl::make_unexpected(report.error());
    return TableLoss{report->own.mean, report->own.maximum, static_cast<int>(report->left.size())};
}

EndsCost measureEndsCost(ImageView picture)
{
    std::vector<float> darkest, brightest;
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            const float* p = picture.row(y) + 3 * x;
            darkest.push_back(std::min({p[0], p[1], p[2]})), brightest.push_back(std::max({p[0], p[1], p[2]}));
        }
    if (darkest.empty())
        return {};
    const auto share = [&](float black, float white) {
        std::size_t clipped = 0;
        for (std::size_t i = 0; i < darkest.size(); ++i)
            clipped += darkest[i] <= black || brightest[i] >= white;
        return static_cast<double>(clipped) / static_cast<double>(darkest.size());
    };
    std::vector<float> low = darkest, high = brightest;
    const auto at = [](std::vector<float>& all, double where) {
        const auto place = all.begin() + static_cast<std::ptrdiff_t>(where * static_cast<double>(all.size() - 1));
        std::nth_element(all.begin(), place, all.end());
        return *place;
    };
    return {share(0, 1), share(at(low, 0.005), at(high, 0.995))};
}

EightBits measureEightBits(const Look& look)
{
    std::set<int> codes;
    EightBits result;
    int last = -1;
    result.widestStep = 0;
    for (int i = 0; i < 256; ++i) {
        const double light = decodeComponent(RgbSpace::Srgb, i / 255.0);
        const LinearRgb c = evaluate(look, LinearRgb{light, light, light});
        const int code = std::clamp(static_cast<int>(encodeComponent(RgbSpace::Srgb, c.g) * 255 + 0.5), 0, 255);
        codes.insert(code);
        if (last >= 0)
            result.widestStep = std::max(result.widestStep, std::abs(code - last));
        last = code;
    }
    result.left = static_cast<int>(codes.size());
    return result;
}

}  // namespace amber
