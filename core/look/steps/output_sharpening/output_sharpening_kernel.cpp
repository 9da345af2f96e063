#include "core/look/steps/output_sharpening/output_sharpening_kernel.h"
#include "core/base/parallel.h"
#include "core/look/steps/output_sharpening/sharpen_row.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace amber {
namespace {

/// Rows of a mean, the last three kept.
class LastRows {
public:
    LastRows(const GaussianRows& mean, int width) : m_mean(mean)
    {
        for (std::vector<float>& row : m_rows)
            row.resize(static_cast<std::size_t>(width));
    }
    const float* row(int y)
    {
        const auto slot = static_cast<std::size_t>(y % 3);
        if (m_at[slot] != y)
            m_mean.row(y, m_rows[slot].data()), m_at[slot] = y;
        return m_rows[slot].data();
    }

private:
    const GaussianRows& m_mean;
    std::array<std::vector<float>, 3> m_rows;
    std::array<int, 3> m_at{-1, -1, -1};
};

}  // namespace

std::shared_ptr<const void> OutputSharpeningKernel::prepare(ImageView picture, double pixelsPerDelivered) const
{
    auto prepared = std::make_shared<Prepared>();
    const double deviation = std::max(step.radius * pixelsPerDelivered, 0.05);
    Plane L;
    const GaussianRows mean(picture, deviation, L);
    prepared->change = Plane::unset(L.width, L.height);
    if (keepsMask)
        prepared->mask = Plane::unset(L.width, L.height);
    const SharpenNumbers numbers{static_cast<float>(step.amount), static_cast<float>(kSharpenLimit),
                                 static_cast<float>(step.edgeLow),
                                 static_cast<float>(1 / std::max(1e-3, step.edgeHigh - step.edgeLow))};
    constexpr int kBand = 64;
    inParallel((L.height + kBand - 1) / kBand, [&](int band) {
        LastRows means(mean, L.width);
        SharpenScratch scratch(static_cast<std::size_t>(L.width));
        for (int y = band * kBand; y < std::min(L.height, (band + 1) * kBand); ++y) {
            const int above = std::max(0, y - 1), below = std::min(L.height - 1, y + 1);
            sharpenRow({L.row(above), L.row(y), L.row(below)}, {means.row(above), means.row(y), means.row(below)},
                       static_cast<std::size_t>(L.width), numbers, scratch, prepared->change.row(y),
                       keepsMask ? prepared->mask.row(y) : nullptr);
        }
    });
    return prepared;
}

OkLab OutputSharpeningKernel::at(const void* data, const Place& place, const OkLab& c) const
{
    return {c.L + static_cast<const Prepared*>(data)->change.row(place.y)[place.x], c.a, c.b};
}

}  // namespace amber
