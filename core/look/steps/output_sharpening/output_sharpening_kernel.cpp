#include "core/look/steps/output_sharpening/output_sharpening_kernel.h"
#include "core/base/parallel.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

/// Smallest and largest of each pixel of a row and its eight neighbours.
struct RangeRow {
    std::vector<float> low, high;

    explicit RangeRow(int width) : low(static_cast<std::size_t>(width)), high(low), m_low(low), m_high(low) {}
    void read(const Plane& plane, int y)
    {
        const float *above = plane.row(std::max(0, y - 1)), *here = plane.row(y),
                    *below = plane.row(std::min(plane.height - 1, y + 1));
        const auto width = static_cast<std::size_t>(plane.width);
        for (std::size_t x = 0; x < width; ++x) {
            m_low[x] = std::min(std::min(above[x], here[x]), below[x]);
            m_high[x] = std::max(std::max(above[x], here[x]), below[x]);
        }
        for (std::size_t x = 1; x + 1 < width; ++x) {
            low[x] = std::min(std::min(m_low[x - 1], m_low[x]), m_low[x + 1]);
            high[x] = std::max(std::max(m_high[x - 1], m_high[x]), m_high[x + 1]);
        }
        for (const std::size_t x : {std::size_t{0}, width - 1}) {
            const std::size_t left = x == 0 ? 0 : x - 1, right = std::min(x + 1, width - 1);
            low[x] = std::min(std::min(m_low[left], m_low[x]), m_low[right]);
            high[x] = std::max(std::max(m_high[left], m_high[x]), m_high[right]);
        }
    }

private:
    std::vector<float> m_low, m_high;  // of each column's three pixels
};

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
        static thread_local RangeRow edge(0), around(0);
        if (edge.low.size() != static_cast<std::size_t>(L.width))
            edge = RangeRow(L.width), around = RangeRow(L.width);
        edge.read(mean, y), around.read(L, y);
        const float *v = L.row(y), *m = mean.row(y);
        float *change = prepared->change.row(y), *kept = keepsMask ? prepared->mask.row(y) : nullptr;
        for (int x = 0; x < L.width; ++x) {
            const float t = std::clamp((edge.high[x] - edge.low[x] - low) * scale, 0.0f, 1.0f),
                        mask = t * t * (3 - 2 * t);
            if (kept)
                kept[x] = mask;
            change[x] =
                std::clamp(v[x] + amount * mask * (v[x] - m[x]), around.low[x] - limit, around.high[x] + limit) - v[x];
        }
    });
    return prepared;
}

OkLab OutputSharpeningKernel::at(const void* data, const Place& place, const OkLab& c) const
{
    return {c.L + static_cast<const Prepared*>(data)->change.row(place.y)[place.x], c.a, c.b};
}

}  // namespace amber
