#include "core/look/steps/output_sharpening/output_sharpening_kernel.h"
#include "core/base/parallel.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

struct Range {
    float low, high;
};

Range rangeAround(const Plane& plane, int x, int y)
{
    Range range{1e9f, -1e9f};
    for (int j = std::max(0, y - 1); j <= std::min(plane.height - 1, y + 1); ++j)
        for (int i = std::max(0, x - 1); i <= std::min(plane.width - 1, x + 1); ++i)
            range = {std::min(range.low, plane.row(j)[i]), std::max(range.high, plane.row(j)[i])};
    return range;
}

}  // namespace

std::shared_ptr<const void> OutputSharpeningKernel::prepare(ImageView picture, double pixelsPerDelivered) const
{
    auto prepared = std::make_shared<Prepared>();
    const double deviation = std::max(step.radius * pixelsPerDelivered, 0.05);
    const Plane L = lightnessOf(picture), mean = gaussianMean(L, deviation);
    prepared->change = Plane(L.width, L.height);
    if (keepsMask)
        prepared->mask = Plane(L.width, L.height);
    const auto amount = static_cast<float>(step.amount), limit = static_cast<float>(kSharpenLimit);
    const auto low = static_cast<float>(step.edgeLow),
               scale = static_cast<float>(1 / std::max(1e-3, step.edgeHigh - step.edgeLow));
    inParallel(L.height, [&](int y) {
        for (int x = 0; x < L.width; ++x) {
            const Range edge = rangeAround(mean, x, y);
            const float t = std::clamp((edge.high - edge.low - low) * scale, 0.0f, 1.0f), mask = t * t * (3 - 2 * t),
                        v = L.row(y)[x];
            if (keepsMask)
                prepared->mask.row(y)[x] = mask;
            if (mask == 0)
                continue;
            const Range around = rangeAround(L, x, y);
            prepared->change.row(y)[x] =
                std::clamp(v + amount * mask * (v - mean.row(y)[x]), around.low - limit, around.high + limit) - v;
        }
    });
    return prepared;
}

OkLab OutputSharpeningKernel::at(const void* data, const Place& place, const OkLab& c) const
{
    return {c.L + static_cast<const Prepared*>(data)->change.row(place.y)[place.x], c.a, c.b};
}

}  // namespace amber
