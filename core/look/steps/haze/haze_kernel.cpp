#include "core/look/steps/haze/haze_kernel.h"

#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace amber {
namespace {

constexpr double kVeilEpsilon = 0.002, kVeilShare = 0.001;

float darkestOf(const float* p, const LinearRgb& veil)
{
    return static_cast<float>(std::min({p[0] / veil.r, p[1] / veil.g, p[2] / veil.b}));
}

Plane darkestChannel(ImageView picture, const LinearRgb& veil)
{
    Plane dark(picture.width, picture.height);
    for (int y = 0; y < dark.height; ++y)
        for (int x = 0; x < dark.width; ++x)
            dark.row(y)[x] = std::clamp(darkestOf(picture.row(y) + 3 * x, veil), 0.0f, 1.0f);
    return dark;
}

LinearRgb veilOf(ImageView picture)
{
    std::vector<const float*> pixels;
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x)
            pixels.push_back(picture.row(y) + 3 * x);
    const auto count =
        std::max<std::size_t>(1, static_cast<std::size_t>(kVeilShare * static_cast<double>(pixels.size())));
    const LinearRgb even{1, 1, 1};
    std::nth_element(pixels.begin(), pixels.begin() + static_cast<std::ptrdiff_t>(count) - 1, pixels.end(),
                     [&](const float* p, const float* q) { return darkestOf(p, even) > darkestOf(q, even); });
    LinearRgb veil;
    for (std::size_t i = 0; i < count; ++i)
        veil.r += pixels[i][0], veil.g += pixels[i][1], veil.b += pixels[i][2];
    const auto n = static_cast<double>(count);
    return {std::max(veil.r / n, 0.05), std::max(veil.g / n, 0.05), std::max(veil.b / n, 0.05)};
}

}  // namespace

std::shared_ptr<const void> HazeKernel::prepare(ImageView picture, double) const
{
    const Image small = surroundings(picture);
    const int radius =
        std::max(1, static_cast<int>(std::lround(step.size / 100 * std::max(small.width(), small.height()))));
    auto prepared = std::make_shared<Prepared>();
    prepared->veil = veilOf(small.view());
    const Plane dark = localExtreme(darkestChannel(small.view(), prepared->veil), radius, false);
    GuidedMean mean = guidedMean(lightnessOf(small.view()), dark, 2 * radius, kVeilEpsilon);
    prepared->a = std::move(mean.a), prepared->b = std::move(mean.b);
    return prepared;
}

LinearRgb HazeKernel::at(const void* data, const Place& place, const LinearRgb& c) const
{
    const auto& p = *static_cast<const Prepared*>(data);
    const double share = std::clamp(sampleAt(p.a, place) * toOkLab(c).L + sampleAt(p.b, place), 0.0, 1.0);
    const double factor = step.amount > 0 ? 1 / std::max(1 - 0.95 * step.amount * share, kLeastTransmission)
                                          : 1 + step.amount * (0.25 + 0.6 * share);
    return {p.veil.r + (c.r - p.veil.r) * factor, p.veil.g + (c.g - p.veil.g) * factor,
            p.veil.b + (c.b - p.veil.b) * factor};
}

}  // namespace amber
