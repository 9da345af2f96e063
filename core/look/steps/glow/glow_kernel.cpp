#include "core/look/steps/glow/glow_kernel.h"

#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/look/steps/smoothstep.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

/// Deviations in parts of the reach, and their shares.
constexpr double kSpreads[][2] = {{0.25, 1 / 2.0}, {0.5, 1 / 3.0}, {1, 1 / 6.0}};

double brightShare(const Glow& step, double L) { return smoothstep(step.from, step.from + kGlowRise, L); }

/// A Gaussian mean. A wide one is three box means, whose deviations add up to it (variance of a box of 2 r + 1 pixels:
/// ((2 r + 1)^2 - 1) / 12), for the time it takes does not grow with its width.
Plane wideMean(Plane plane, double deviation)
{
    constexpr double kWide = 4;
    if (deviation < kWide)
        return gaussianMean(std::move(plane), deviation);
    const int radius = std::max(1, static_cast<int>(std::lround((std::sqrt(4 * deviation * deviation + 1) - 1) / 2)));
    for (int i = 0; i < 3; ++i)
        plane = boxMean(plane, radius);
    return plane;
}

}  // namespace

GlowKernel kernelOf(const Glow& step)
{
    const Matrix3& m = rgbToXyz(RgbSpace::Linear);
    return {step, {static_cast<float>(m.m[1][0]), static_cast<float>(m.m[1][1]), static_cast<float>(m.m[1][2])}};
}

std::shared_ptr<const void> GlowKernel::prepare(ImageView picture, double) const
{
    const Image small = surroundings(picture);
    const double reach = step.reach / 100 * std::max(small.width(), small.height());
    auto prepared = std::make_shared<Prepared>();
    std::array<Plane, 3> bright;
    for (Plane& plane : bright)
        plane = Plane(small.width(), small.height());
    for (int y = 0; y < small.height(); ++y)
        for (int x = 0; x < small.width(); ++x) {
            const float* p = small.view().row(y) + 3 * x;
            const double share = brightShare(step, toOkLab(LinearRgb{p[0], p[1], p[2]}).L);
            for (std::size_t k = 0; k < 3; ++k)
                bright[k].row(y)[x] = static_cast<float>(share * std::max(0.0f, p[k]));
        }
    for (std::size_t k = 0; k < 3; ++k) {
        prepared->spread[k] = Plane(small.width(), small.height());
        for (const auto& [part, share] : kSpreads) {
            const Plane mean = wideMean(bright[k], part * reach);
            for (std::size_t i = 0; i < mean.values.size(); ++i)
                prepared->spread[k].values[i] += static_cast<float>(share) * mean.values[i];
        }
    }
    return prepared;
}

LinearRgb GlowKernel::at(const void* data, const Place& place, const LinearRgb& c) const
{
    const auto& spread = static_cast<const Prepared*>(data)->spread;
    const LinearRgb g{sampleAt(spread[0], place), sampleAt(spread[1], place), sampleAt(spread[2], place)};
    const auto luminanceOf = [&](const LinearRgb& v) {
        return luminance[0] * v.r + luminance[1] * v.g + luminance[2] * v.b;
    };
    const double around = luminanceOf(g), own = brightShare(step, toOkLab(c).L) * luminanceOf(c);
    if (around <= 0)
        return c;
    const double share = step.amount * std::clamp(1 - own / around, 0.0, 1.0);
    return {c.r + share * g.r, c.g + share * g.g, c.b + share * g.b};
}

}  // namespace amber
