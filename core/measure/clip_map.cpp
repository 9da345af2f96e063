#include "core/measure/clip_map.h"

#include "core/base/parallel.h"
#include "core/colour/gamut.h"
#include "core/colour/rgb_space.h"

#include <algorithm>

namespace amber {
namespace {

/// Linear values at a margin from the ends.
struct Limits {
    double low, high;
    explicit Limits(double margin)
    {
        const auto linear = [](double v) {
            return apply(fromWorking(RgbSpace::Srgb), decode(RgbSpace::Srgb, {v, v, v})).g;
        };
        low = std::max(kGamutTolerance, margin > 0 ? linear(margin) : 0.0);
        high = std::min(1 - kGamutTolerance, margin > 0 ? linear(1 - margin) : 1.0);
    }
};

}  // namespace

ClipMap clipMap(ImageView picture, double margin)
{
    ClipMap map{picture.width, picture.height, {}};
    map.pixels.resize(static_cast<std::size_t>(picture.width) * picture.height);
    const Limits limits(margin);
    const Matrix3 toSrgb = fromWorking(RgbSpace::Srgb);
    inParallel(picture.height, [&](int y) {
        const float* p = picture.row(y);
        std::uint8_t* out = map.pixels.data() + static_cast<std::size_t>(y) * picture.width;
        for (int x = 0; x < picture.width; ++x, p += 3) {
            const LinearRgb c = apply(toSrgb, {p[0], p[1], p[2]});
            const double v[3] = {c.r, c.g, c.b};
            unsigned bits = 0;
            for (unsigned k = 0; k < 3; ++k)
                bits |= (v[k] <= limits.low ? 1U : 0U) << k | (v[k] >= limits.high ? 1U : 0U) << (k + 3);
            out[x] = static_cast<std::uint8_t>(bits);
        }
    });
    return map;
}

Headroom headroomOf(ImageView balanced, ImageView scene, double saturation)
{
    Headroom found;
    if (balanced.width != scene.width || balanced.height != scene.height || balanced.width < 1)
        return found;
    const Matrix3& toSrgb = fromWorking(RgbSpace::Srgb);
    const double share = 1.0 / (static_cast<double>(balanced.width) * balanced.height);
    for (int y = 0; y < balanced.height; ++y)
        for (int x = 0; x < balanced.width; ++x) {
            const float *p = balanced.row(y) + 3 * x, *q = scene.row(y) + 3 * x;
            const LinearRgb c = apply(toSrgb, {p[0], p[1], p[2]}), s = apply(toSrgb, {q[0], q[1], q[2]});
            if (std::max({c.r, c.g, c.b}) < 1 - kGamutTolerance)
                continue;
            const int ended = (s.r >= saturation) + (s.g >= saturation) + (s.b >= saturation);
            (ended == 0 ? found.recoverable : ended < 3 ? found.partly : found.lost) += share;
        }
    return found;
}

}  // namespace amber
