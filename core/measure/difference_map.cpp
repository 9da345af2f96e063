#include "core/measure/difference_map.h"

#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>

namespace amber {

Result<Image> differenceMap(ImageView one, ImageView two, MapAspect aspect)
{
    if (one.width != two.width || one.height != two.height)
        return fail("the pictures differ in size", {}, std::to_string(one.width) + " x " + std::to_string(one.height),
                    std::to_string(two.width) + " x " + std::to_string(two.height));
    Image map(one.width, one.height);
    for (int y = 0; y < one.height; ++y)
        for (int x = 0; x < one.width; ++x) {
            const float *p = one.row(y) + 3 * x, *q = two.row(y) + 3 * x;
            const OkLch a = toOkLch(toOkLab(LinearRgb{p[0], p[1], p[2]})),
                        b = toOkLch(toOkLab(LinearRgb{q[0], q[1], q[2]}));
            const double d =
                aspect == MapAspect::Lightness ? b.L - a.L
                : aspect == MapAspect::Chroma
                    ? b.chroma - a.chroma
                    : 2 * std::sqrt(a.chroma * b.chroma) *
                          std::sin(hueDifference(a.hueDegrees, b.hueDegrees) * 3.14159265358979323846 / 360);
            const double L = 0.5 + 0.5 * std::clamp(d / kMapReach[static_cast<std::size_t>(aspect)], -1.0, 1.0);
            float* to = map.mutableView().row(y) + 3 * x;
            to[0] = to[1] = to[2] = static_cast<float>(L * L * L);
        }
    return map;
}

}  // namespace amber
