#include "app/render/clip_overlay.h"

#include "core/colour/rgb_space.h"
#include "core/measure/clip_map.h"

#include <algorithm>

namespace amber {
namespace {

/// A pixel of the pattern: whether a mark of `count` channels covers it.
bool covers(int count, int along)
{
    constexpr int kPeriod = 6;
    const int at = ((along % kPeriod) + kPeriod) % kPeriod;
    return count >= 3 || (count > 0 && at < 2) || (count == 2 && at >= 3 && at < 5);
}

constexpr double kEnd = 0.998;  // of linear light: less is no longer white

}  // namespace

void layOverClipping(ImageView linear, double margin, QImage& picture)
{
    if (picture.width() != linear.width || picture.height() != linear.height)
        return;
    const ClipMap map = clipMap(linear, margin);
    const std::uint8_t* p = map.pixels.data();
    for (int y = 0; y < linear.height; ++y) {
        auto* out = reinterpret_cast<QRgb*>(picture.scanLine(y));
        for (int x = 0; x < linear.width; ++x, ++p) {
            if (*p == 0)
                continue;
            if (covers(ClipMap::brightChannels(*p), x + y))
                out[x] = qRgb(0, 0, 0);
            else if (covers(ClipMap::darkChannels(*p), x - y))
                out[x] = qRgb(255, 255, 255);
        }
    }
}

void layOverLost(ImageView linear, ImageView source, double saturation, QImage& picture)
{
    if (picture.width() != linear.width || picture.height() != linear.height || source.width != linear.width ||
        source.height != linear.height)
        return;
    constexpr int kPeriod = 4;
    const Matrix3& toSrgb = fromWorking(RgbSpace::Srgb);
    const auto brightest = [&](const float* p) {
        const LinearRgb c = apply(toSrgb, LinearRgb{p[0], p[1], p[2]});
        return std::max({c.r, c.g, c.b});
    };
    for (int y = 0; y < linear.height; y += kPeriod / 2) {
        auto* out = reinterpret_cast<QRgb*>(picture.scanLine(y));
        for (int x = y % kPeriod; x < linear.width; x += kPeriod)
            if (brightest(source.row(y) + 3 * x) >= saturation && brightest(linear.row(y) + 3 * x) < kEnd)
                out[x] = qRgb(0, 0, 0);
    }
}

}  // namespace amber
