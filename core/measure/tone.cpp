#include "core/measure/tone.h"

#include "core/base/statistics.h"
#include "core/colour/difference.h"
#include "core/colour/gamut.h"
#include "core/colour/oklab.h"
#include "core/image/oklab_picture.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

LinearRgb pixel(ImageView image, int x, int y)
{
    const float* p = image.row(y) + x * 3;
    return {p[0], p[1], p[2]};
}

ToneMeasures toneOf(ImageView image, const std::vector<OkLab>& labs, RgbSpace outputSpace)
{
    ToneMeasures m;
    std::vector<float> lightness;
    lightness.reserve(labs.size());
    const double share = 1.0 / (static_cast<double>(image.width) * image.height);
    const Matrix3& toOwn = fromWorking(outputSpace);
    const OkLab* lab = labs.data();
    for (int y = 0; y < image.height; ++y)
        for (int x = 0; x < image.width; ++x, ++lab) {
            lightness.push_back(static_cast<float>(lab->L));
            m.meanL += share * lab->L;
            m.meanChroma += share * std::sqrt(lab->a * lab->a + lab->b * lab->b);
            m.tone[static_cast<std::size_t>(std::clamp(static_cast<int>(lab->L * kToneBins), 0, kToneBins - 1))] +=
                share;
            const LinearRgb own = apply(toOwn, pixel(image, x, y));
            const double v[3] = {own.r, own.g, own.b};
            for (std::size_t k = 0; k < 3; ++k) {
                m.clippedLow[k] += v[k] <= kGamutTolerance ? share : 0;
                m.clippedHigh[k] += v[k] >= 1 - kGamutTolerance ? share : 0;
            }
        }
    const std::vector<double> found = quantiles(lightness, kQuantiles);
    std::copy(found.begin(), found.end(), m.quantilesL.begin());
    m.contrast = m.quantilesL[6] - m.quantilesL[2];
    return m;
}

HueMeasures hueOf(const std::vector<OkLab>& labs)
{
    HueMeasures m;
    std::array<std::vector<float>, kHueBins> chromas;
    double total = 0;
    for (const OkLab& lab : labs) {
        const OkLch c = toOkLch(lab);
        const auto bin = static_cast<std::size_t>(c.hueDegrees / 360 * kHueBins) % kHueBins;
        m.share[bin] += c.chroma;
        total += c.chroma;
        if (c.chroma > 0.01)
            chromas[bin].push_back(static_cast<float>(c.chroma));
    }
    for (std::size_t i = 0; i < kHueBins; ++i) {
        m.share[i] = total > 0 ? m.share[i] / total : 0;
        if (!chromas[i].empty())
            m.chroma[i] = quantile(chromas[i], 0.95);
    }
    return m;
}

}  // namespace

double stopsOf(double lightness)
{
    constexpr double kBlack = 1e-6;
    return std::log2(std::max(lightness * lightness * lightness, kBlack) / 0.18);
}

ToneMeasures measureTone(ImageView image, RgbSpace outputSpace) { return toneOf(image, okLabsOf(image), outputSpace); }

HueMeasures measureHue(ImageView image) { return hueOf(okLabsOf(image)); }

std::pair<ToneMeasures, HueMeasures> measureToneAndHue(ImageView image, RgbSpace outputSpace)
{
    const std::vector<OkLab> labs = okLabsOf(image);
    return {toneOf(image, labs, outputSpace), hueOf(labs)};
}

double chromaWithin(const HueMeasures& measures, const std::vector<std::pair<double, double>>& ranges)
{
    double inside = 0;
    for (std::size_t i = 0; i < kHueBins; ++i)
        if (std::any_of(ranges.begin(), ranges.end(), [&](const auto& r) {
                return std::abs(hueDifference(r.first, (static_cast<double>(i) + 0.5) * 360 / kHueBins)) <=
                       r.second / 2;
            }))
            inside += measures.share[i];
    return inside;
}

LinearRgb trimmedMean(std::vector<std::pair<double, LinearRgb>>& pixels)
{
    std::sort(pixels.begin(), pixels.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    const std::size_t trim = pixels.size() / 10;
    LinearRgb mean;
    const double n = static_cast<double>(pixels.size() - 2 * trim);
    for (std::size_t i = trim; i < pixels.size() - trim; ++i)
        mean.r += pixels[i].second.r / n, mean.g += pixels[i].second.g / n, mean.b += pixels[i].second.b / n;
    return mean;
}

Result<PatchMeasures> measurePatch(ImageView image, double fx, double fy, double fraction)
{
    const double cx = fx * image.width, cy = fy * image.height, radius = fraction * std::min(image.width, image.height);
    std::vector<std::pair<double, LinearRgb>> pixels;
    const auto bound = [](double v, int size) { return std::clamp(static_cast<int>(std::floor(v)), 0, size - 1); };
    for (int y = bound(cy - radius, image.height); y <= bound(cy + radius, image.height); ++y)
        for (int x = bound(cx - radius, image.width); x <= bound(cx + radius, image.width); ++x)
            if (std::hypot(x + 0.5 - cx, y + 0.5 - cy) <= std::max(radius, 0.75))
                pixels.emplace_back(toOkLab(pixel(image, x, y)).L, pixel(image, x, y));
    if (pixels.empty())
        return fail("the patch lies outside the picture", {}, "x and y from 0 to 1",
                    std::to_string(fx) + ", " + std::to_string(fy));
    const LinearRgb mean = trimmedMean(pixels);
    const std::size_t trim = pixels.size() / 10;
    const double n = static_cast<double>(pixels.size() - 2 * trim);
    PatchMeasures m;
    m.okLch = toOkLch(toOkLab(mean));
    m.lab = toLab(mean);
    m.pixels = static_cast<int>(pixels.size());
    for (std::size_t i = trim; i < pixels.size() - trim; ++i)
        m.spread += ciede2000(m.lab, toLab(pixels[i].second)) / n;
    return m;
}

}  // namespace amber
