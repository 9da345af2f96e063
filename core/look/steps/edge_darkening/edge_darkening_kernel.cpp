#include "core/look/steps/edge_darkening/edge_darkening_kernel.h"

#include "core/base/statistics.h"
#include "core/colour/oklab.h"
#include "core/look/steps/smoothstep.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

/// Distance from the centre, 1 at the corners.
double distance(int x, const Place& place, double roundness)
{
    const double halfWidth = place.width / 2.0, halfHeight = place.height / 2.0, dx = x + 0.5 - halfWidth,
                 dy = place.y + 0.5 - halfHeight;
    const double frame = std::hypot(dx / halfWidth, dy / halfHeight) / std::sqrt(2.0),
                 circle = std::hypot(dx, dy) / std::hypot(halfWidth, halfHeight);
    return frame + roundness * (circle - frame);
}

}  // namespace

float EdgeDarkeningKernel::powerAt(int x, const Place& place) const
{
    return static_cast<float>((step.net - step.existing) / 3 *
                              smoothstep(step.begin, 1, distance(x, place, step.roundness)));
}

OkLab EdgeDarkeningKernel::at(const void*, const Place& place, const OkLab& c) const
{
    const double kept = 1 - step.protectDarks * (1 - smoothstep(kProtectedTones[0], kProtectedTones[1], c.L));
    const double f = std::exp2(powerAt(place.x, place) * kept);
    return {c.L * f, c.a * f, c.b * f};
}

double existingFalloff(ImageView picture)
{
    const Image small = surroundings(picture);
    std::vector<double> edge, middle;
    for (int y = 0; y < small.height(); ++y)
        for (int x = 0; x < small.width(); ++x) {
            const double r = distance(x, {x, y, small.width(), small.height()}, 0);
            if (r > 0.5 && r < 0.8)
                continue;
            const float* p = small.view().row(y) + 3 * x;
            (r <= 0.5 ? middle : edge).push_back(3 * std::log2(std::max(toOkLab(LinearRgb{p[0], p[1], p[2]}).L, 0.02)));
        }
    return edge.empty() || middle.empty() ? 0 : std::clamp(median(edge) - median(middle), -3.0, 1.0);
}

}  // namespace amber
