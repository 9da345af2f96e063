#include "app/render/clip_overlay.h"

#include "core/base/parallel.h"
#include "core/colour/gamut.h"
#include "core/colour/rgb_space.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

/// A pixel of the pattern: whether a mark of `count` channels covers it.
bool covers(int count, int along)
{
    constexpr int kPeriod = 6;
    const int at = ((along % kPeriod) + kPeriod) % kPeriod;
    return count >= 3 || at < 2 || (count == 2 && at >= 3 && at < 5);
}

}  // namespace

void layOverClipping(ImageView linear, double margin, QImage& picture)
{
    if (picture.width() != linear.width || picture.height() != linear.height)
        return;
    const double low = std::max(kGamutTolerance, decode(RgbSpace::Srgb, {margin, margin, margin}).g),
                 high = 1 - std::max(kGamutTolerance, 1 - decode(RgbSpace::Srgb, {1 - margin, 1 - margin, 1 - margin}).g);
    const Matrix3& toSrgb = fromWorking(RgbSpace::Srgb);
    // Written through one pointer: a picture that is shared is copied once, before the rows are shared out.
    uchar* bits = picture.bits();
    const auto stride = picture.bytesPerLine();
    inParallel(linear.height, [&](int y) {
        auto* out = reinterpret_cast<QRgb*>(bits + y * stride);
        const float* p = linear.row(y);
        for (int x = 0; x < linear.width; ++x, p += 3) {
            const LinearRgb c = apply(toSrgb, {p[0], p[1], p[2]});
            const int dark = (c.r <= low) + (c.g <= low) + (c.b <= low),
                      bright = (c.r >= high) + (c.g >= high) + (c.b >= high);
            if (bright > 0 && covers(bright, x + y))
                out[x] = qRgb(0, 0, 0);
            else if (dark > 0 && covers(dark, x - y))
                out[x] = qRgb(255, 255, 255);
        }
    });
}

}  // namespace amber
