#include "app/render/clip_overlay.h"

#include "core/measure/clip_map.h"

namespace amber {
namespace {

/// A pixel of the pattern: whether a mark of `count` channels covers it.
bool covers(int count, int along)
{
    constexpr int kPeriod = 6;
    const int at = ((along % kPeriod) + kPeriod) % kPeriod;
    return count >= 3 || (count > 0 && at < 2) || (count == 2 && at >= 3 && at < 5);
}

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

}  // namespace amber
