#include "demo/camera/lens.h"

#include "core/image/bicubic.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace amber::demo {
namespace {

/// Each value keeps 1 - 2 share and takes `share` of both neighbours along one axis; edges repeat.
void spread(Image& image, bool along, float share)
{
    const MutableImageView view = image.mutableView();
    const int lines = along ? view.height : view.width, count = along ? view.width : view.height;
    const std::ptrdiff_t step = along ? 3 : view.rowStride, line = along ? view.rowStride : 3;
    for (int l = 0; l < lines; ++l)
        for (int k = 0; k < 3; ++k) {
            float* p = view.data + l * line + k;
            float before = *p;
            for (int i = 0; i < count; ++i, p += step) {
                const float here = *p, after = i + 1 < count ? p[step] : here;
                *p = here + share * (before + after - 2 * here);
                before = here;
            }
        }
}

}  // namespace

Point sceneAt(const Lens& lens, int width, int height, Point picture, double fringe)
{
    const double half = 0.5 * std::hypot(width, height);
    double x = (picture.x - 0.5 * width) / half, y = (picture.y - 0.5 * height) / half;
    const double spread = (1 + lens.distortion * (x * x + y * y)) * (1 + fringe) / lens.zoom,
                 angle = lens.rollDegrees * std::numbers::pi / 180;
    const double u = x * spread, v = y * spread;
    x = u * std::cos(angle) - v * std::sin(angle);
    y = u * std::sin(angle) + v * std::cos(angle);
    return {(0.5 + lens.shiftX) * width + half * x, (0.5 + lens.shiftY) * height + half * y};
}

Image throughLens(ImageView scene, const Lens& lens)
{
    Image picture(scene.width, scene.height);
    const MutableImageView out = picture.mutableView();
    const double half = 0.5 * std::hypot(scene.width, scene.height);
    for (int y = 0; y < out.height; ++y)
        for (int x = 0; x < out.width; ++x) {
            float* pixel = out.row(y) + 3 * x;
            if (lens.isPlain()) {
                std::copy_n(scene.row(y) + 3 * x, 3, pixel);
            } else {
                const double fringes[3] = {lens.redFringe, 0, lens.blueFringe};
                float seen[3];
                for (int k = 0; k < 3; ++k) {
                    if (k == 0 || lens.hasFringes()) {
                        const Point from = sceneAt(lens, scene.width, scene.height, {x + 0.5, y + 0.5}, fringes[k]);
                        sampleBicubic(scene, from.x - 0.5, from.y - 0.5, seen);
                    }
                    pixel[k] = std::max(0.0f, seen[k]);
                }
            }
            if (lens.falloffStops != 0) {
                const double r = std::hypot(x + 0.5 - 0.5 * out.width, y + 0.5 - 0.5 * out.height) / half;
                const auto left = static_cast<float>(std::exp2(-lens.falloffStops * r * r));
                for (int k = 0; k < 3; ++k)
                    pixel[k] *= left;
            }
        }
    if (lens.lowPass > 0)
        for (const bool along : {true, false})
            spread(picture, along, static_cast<float>(lens.lowPass));
    return picture;
}

}  // namespace amber::demo
