#include "core/look/steps/edge_darkening/edge_darkening_kernel.h"

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

}  // namespace amber
