#include "core/area/colour_range.h"

#include "core/base/statistics.h"
#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr double kOpenChroma = 0.4, kAllHues = 360;

double wrapped(double degrees) { return degrees - 360 * std::floor(degrees / 360); }

struct Colours {
    std::vector<double> tone, chroma, hue;  ///< hue: from the mean one, degrees, of those that have one
    double meanHue = 0;
};

Colours coloursIn(ImageView picture, const Region& region)
{
    constexpr double kNoHue = 0.012;
    const int left = std::clamp(static_cast<int>(region.left * picture.width), 0, picture.width - 1),
              top = std::clamp(static_cast<int>(region.top * picture.height), 0, picture.height - 1),
              right = std::clamp(static_cast<int>(std::ceil(region.right * picture.width)), left + 1, picture.width),
              bottom = std::clamp(static_cast<int>(std::ceil(region.bottom * picture.height)), top + 1, picture.height);
    Colours colours;
    std::vector<OkLab> labs;
    double a = 0, b = 0;
    for (int y = top; y < bottom; ++y)
        for (int x = left; x < right; ++x) {
            const float* p = picture.row(y) + 3 * x;
            labs.push_back(toOkLab(LinearRgb{p[0], p[1], p[2]}));
            a += labs.back().a, b += labs.back().b;
        }
    const double mean = std::atan2(b, a);
    colours.meanHue = wrapped(mean * 180 / M_PI);
    for (const OkLab& c : labs) {
        colours.tone.push_back(c.L), colours.chroma.push_back(std::hypot(c.a, c.b));
        if (colours.chroma.back() > kNoHue)
            colours.hue.push_back(std::remainder(std::atan2(c.b, c.a) - mean, 2 * M_PI) * 180 / M_PI);
    }
    return colours;
}

}  // namespace

ColourRange rangeOf(ImageView picture, const Region& region)
{
    constexpr double kFew = 0.05, kTone = 0.04, kChroma = 0.015, kHue = 8, kHasHue = 0.6;
    Colours c = coloursIn(picture, region);
    ColourRange range;
    Guard& g = range.colours;
    g.toneLow = std::max(0.0, quantile(c.tone, kFew) - kTone);
    g.toneHigh = std::min(1.0, quantile(c.tone, 1 - kFew) + kTone);
    g.toneFeather = kTone;
    g.chromaLow = std::max(0.0, quantile(c.chroma, kFew) - kChroma);
    g.chromaHigh = std::min(kOpenChroma, quantile(c.chroma, 1 - kFew) + kChroma);
    g.chromaFeather = kChroma;
    if (static_cast<double>(c.hue.size()) > kHasHue * static_cast<double>(c.tone.size())) {
        const double low = quantile(c.hue, kFew), high = quantile(c.hue, 1 - kFew);
        g.hueCentre = wrapped(c.meanHue + (low + high) / 2);
        g.hueWidth = std::min(kAllHues, high - low + 2 * kHue);
        g.hueFeather = kHue;
    }
    return range;
}

ColourRange widened(const ColourRange& range, const ColourRange& by)
{
    ColourRange both = range;
    Guard& g = both.colours;
    const Guard& o = by.colours;
    g.toneLow = std::min(g.toneLow, o.toneLow), g.toneHigh = std::max(g.toneHigh, o.toneHigh);
    g.chromaLow = std::min(g.chromaLow, o.chromaLow), g.chromaHigh = std::max(g.chromaHigh, o.chromaHigh);
    if (!g.limitsHue() || !o.limitsHue()) {
        g.hueWidth = kAllHues;
        return both;
    }
    const double off = std::remainder(o.hueCentre - g.hueCentre, 360.0),
                 low = std::min(-g.hueWidth / 2, off - o.hueWidth / 2),
                 high = std::max(g.hueWidth / 2, off + o.hueWidth / 2);
    g.hueCentre = wrapped(g.hueCentre + (low + high) / 2);
    g.hueWidth = std::min(kAllHues, high - low);
    return both;
}

}  // namespace amber
