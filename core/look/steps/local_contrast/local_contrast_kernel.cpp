#include "core/look/steps/local_contrast/local_contrast_kernel.h"

#include <algorithm>
#include <cmath>

namespace amber {

constexpr double kEpsilon = 0.01;

std::shared_ptr<const void> LocalContrastKernel::prepare(ImageView picture, double) const
{
    const Plane L = lightnessOf(surroundings(picture).view());
    const int radius = std::max(1, static_cast<int>(std::lround(step.size / 100 * std::max(L.width, L.height))));
    auto prepared = std::make_shared<Prepared>();
    GuidedMean mean = guidedMean(L, L, radius, kEpsilon);
    prepared->a = std::move(mean.a), prepared->b = std::move(mean.b);
    // A plateau beside an edge is its own extreme for as far as the smoothing reaches.
    prepared->darkest = boxMean(localExtreme(L, 2 * radius, false), radius);
    prepared->lightest = boxMean(localExtreme(L, 2 * radius, true), radius);
    return prepared;
}

OkLab LocalContrastKernel::at(const void* data, const Place& place, const OkLab& c) const
{
    const auto& p = *static_cast<const Prepared*>(data);
    const double low = sampleAt(p.darkest, place), high = sampleAt(p.lightest, place),
                 margin = kHaloLimit * (high - low);
    const double base = sampleAt(p.a, place) * c.L + sampleAt(p.b, place), L = c.L + step.amount * (c.L - base);
    return {std::clamp(L, std::min(c.L, low - margin), std::max(c.L, high + margin)), c.a, c.b};
}

}  // namespace amber
