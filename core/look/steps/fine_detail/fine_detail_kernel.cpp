#include "core/look/steps/fine_detail/fine_detail_kernel.h"
#include "core/base/parallel.h"

#include <algorithm>
#include <cmath>

namespace amber {

constexpr double kSmallestDeviation = 0.3;

std::shared_ptr<const void> FineDetailKernel::prepare(ImageView picture, double) const
{
    auto prepared = std::make_shared<Prepared>();
    const double deviation = step.size / 1000 * std::max(picture.width, picture.height);
    if (deviation < kSmallestDeviation)
        return prepared;
    const auto amount = static_cast<float>(step.amount),
               threshold2 = static_cast<float>(step.threshold * step.threshold),
               limit = static_cast<float>(kDetailLimit);
    Plane L;
    const GaussianRows mean(picture, deviation, L);
    inParallel(L.height, [&](int y) {
        static thread_local std::vector<float> m;
        m.resize(static_cast<std::size_t>(L.width));
        mean.row(y, m.data());
        float* row = L.row(y);
        for (int x = 0; x < L.width; ++x) {
            const float d = row[x] - m[x], d2 = d * d;
            row[x] = std::clamp(amount * d * d2 / (d2 + threshold2), -limit, limit);
        }
    });
    prepared->change = std::move(L);
    return prepared;
}

OkLab FineDetailKernel::at(const void* data, const Place& place, const OkLab& c) const
{
    const Plane& change = static_cast<const Prepared*>(data)->change;
    return {c.L + (change.values.empty() ? 0 : change.row(place.y)[place.x]), c.a, c.b};
}

}  // namespace amber
