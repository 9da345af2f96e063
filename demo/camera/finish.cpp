#include "demo/camera/finish.h"

#include "core/colour/rgb_space.h"
#include "demo/camera/lens.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace amber::demo {
namespace {

/// The mean over a line of 2 radius + 1 values, `step` apart; edges repeat.
void meanAlong(std::vector<float>& values, int count, int lines, std::ptrdiff_t step, std::ptrdiff_t line, int radius)
{
    std::vector<float> from(static_cast<std::size_t>(count));
    for (int l = 0; l < lines; ++l) {
        float* first = values.data() + l * line;
        for (int i = 0; i < count; ++i)
            from[static_cast<std::size_t>(i)] = first[i * step];
        const auto at = [&](int i) {
            return static_cast<double>(from[static_cast<std::size_t>(std::clamp(i, 0, count - 1))]);
        };
        double sum = 0;
        for (int i = -radius; i <= radius; ++i)
            sum += at(i);
        for (int i = 0; i < count; ++i) {
            first[i * step] = static_cast<float>(sum / (2 * radius + 1));
            sum += at(i + radius + 1) - at(i - radius);
        }
    }
}

}  // namespace

Image finished(ImageView picture, const Finish& finish)
{
    Lens corners;
    corners.falloffStops = finish.cornerStops;
    Image out = throughLens(picture, corners);
    const int w = out.width(), h = out.height();
    const double* luminance = rgbToXyz(RgbSpace::Rec2020).m[1];
    std::vector<float> tones(static_cast<std::size_t>(w) * h);
    float* p = out.mutableView().data;
    for (std::size_t i = 0; i < tones.size(); ++i, p += 3) {
        const LinearRgb c = apply(finish.mix, {p[0], p[1], p[2]});
        p[0] = static_cast<float>(std::max(0.0, c.r)), p[1] = static_cast<float>(std::max(0.0, c.g)),
        p[2] = static_cast<float>(std::max(0.0, c.b));
        tones[i] = static_cast<float>(std::cbrt(luminance[0] * p[0] + luminance[1] * p[1] + luminance[2] * p[2]));
    }
    std::vector<float> around = tones;
    for (int twice = 0; twice < 2; ++twice) {
        meanAlong(around, w, h, 1, w, finish.radius / 2);
        meanAlong(around, h, w, w, 1, finish.radius / 2);
    }
    p = out.mutableView().data;
    for (std::size_t i = 0; i < tones.size(); ++i, p += 3) {
        const double tone = std::max(1e-4, static_cast<double>(tones[i])),
                     raised = std::max(0.0, tone + finish.relief * (tone - around[i]));
        for (int k = 0; k < 3; ++k)
            p[k] = static_cast<float>(
                std::clamp(finish.veil[k] + (1 - finish.veil[k]) * p[k] * std::pow(raised / tone, 3), 0.0, 1.0));
    }
    return out;
}

}  // namespace amber::demo
