#include "demo/camera/sensor.h"

#include "core/colour/rgb_space.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace amber::demo {
namespace {

/// Numbers from a counter (SplitMix64, G. Steele, D. Lea, C. Flood, OOPSLA 2014): every photosite has its own stream,
/// on any machine.
struct Stream {
    std::uint64_t state;
    double uniform()
    {
        std::uint64_t z = (state += 0x9E3779B97F4A7C15ull);
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9ull;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EBull;
        return (static_cast<double>((z ^ (z >> 31)) >> 11) + 0.5) * 0x1.0p-53;
    }
    double normal() { return std::sqrt(-2 * std::log(uniform())) * std::cos(2 * std::numbers::pi * uniform()); }
    double poisson(double mean)
    {
        if (mean > 60)
            return std::max(0.0, std::round(mean + std::sqrt(mean) * normal()));
        double product = uniform(), count = 0;
        for (const double limit = std::exp(-mean); product > limit; ++count)
            product *= uniform();
        return count;
    }
};

}  // namespace

Matrix3 Sensor::fromXyz() const { return fromScene * inverse(rgbToXyz(RgbSpace::Srgb)); }

void Sensor::neutral(const Xyz& white, double out[3]) const
{
    const Matrix3 m = fromXyz();
    double top = 0;
    for (int k = 0; k < 3; ++k) {
        out[k] = m.m[k][0] * white.x + m.m[k][1] * white.y + m.m[k][2] * white.z;
        top = std::max(top, out[k]);
    }
    for (int k = 0; k < 3; ++k)
        out[k] /= top;
}

Mosaic expose(ImageView scene, const Sensor& sensor, const Exposure& exposure)
{
    Mosaic mosaic{scene.width & ~1, scene.height & ~1, {}};
    mosaic.numbers.resize(static_cast<std::size_t>(mosaic.width) * mosaic.height);
    const double gain = std::exp2(exposure.stops) / sensor.headroom,
                 fullWell = sensor.fullWellAtIso100 * 100 / exposure.iso;
    for (int y = 0; y < mosaic.height; ++y)
        for (int x = 0; x < mosaic.width; ++x) {
            const int colour = (x & 1) + (y & 1);
            const float* rgb = scene.row(y) + 3 * x;
            const double* s = sensor.fromScene.m[colour];
            const double light = std::clamp(gain * (s[0] * rgb[0] + s[1] * rgb[1] + s[2] * rgb[2]), 0.0, 1.0);
            const std::size_t site = static_cast<std::size_t>(y) * mosaic.width + x;
            double electrons = fullWell * light;
            if (exposure.noise) {
                Stream stream{exposure.seed * 0xD1342543DE82EF95ull + site * 0x2545F4914F6CDD1Dull};
                electrons = stream.poisson(electrons) + sensor.readNoise * stream.normal();
            }
            const double number = std::round(sensor.black + electrons / fullWell * (sensor.white - sensor.black));
            mosaic.numbers[site] =
                static_cast<std::uint16_t>(std::clamp(number, 0.0, static_cast<double>(sensor.white)));
        }
    return mosaic;
}

Xyz lightOf(double kelvin)
{
    const double t = 1000 / kelvin;
    double x, y;
    if (kelvin >= 4000) {
        x = kelvin <= 7000 ? ((-4.6070 * t + 2.9678) * t + 0.09911) * t + 0.244063
                           : ((-2.0064 * t + 1.9018) * t + 0.24748) * t + 0.237040;
        y = (-3 * x + 2.870) * x - 0.275;
    } else {
        x = ((-0.2661239 * t - 0.2343589) * t + 0.8776956) * t + 0.179910;
        y = kelvin < 2222 ? ((-1.1063814 * x - 1.34811020) * x + 2.18555832) * x - 0.20219683
                          : ((-0.9549476 * x - 1.37418593) * x + 2.09137015) * x - 0.16748867;
    }
    return {x / y, 1, (1 - x - y) / y};
}

void changeLight(Image& scene, const Xyz& from, const Xyz& to)
{
    const Matrix3 m = inverse(rgbToXyz(RgbSpace::Srgb)) * bradford(from, to) * rgbToXyz(RgbSpace::Srgb);
    const MutableImageView view = scene.mutableView();
    for (int y = 0; y < view.height; ++y)
        for (float* p = view.row(y); p != view.row(y) + 3 * view.width; p += 3) {
            const LinearRgb c = apply(m, {p[0], p[1], p[2]});
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
}

}  // namespace amber::demo
