// Treatments of pictures by mathematics that has nothing to do with our steps: what other hands, laboratories and
// printers do to sRGB codes. Five families, by seed.
#pragma once

#include "core/image/image.h"

#include <array>
#include <cmath>
#include <functional>

#include "core/colour/rgb_space.h"
#include "tests/support/random_look.h"

namespace amber::test {

using Codes = std::array<double, 3>;
using CodeTreatment = std::function<Codes(const Codes&)>;

inline double lightOf(double code) { return decodeComponent(RgbSpace::Srgb, std::clamp(code, 0.0, 1.0)); }
inline double codeOf(double light) { return encodeComponent(RgbSpace::Srgb, std::clamp(light, 0.0, 1.0)); }

/// From 0 to 1, steepest at `middle`.
inline double slope(double x, double steepness, double middle)
{
    const auto at = [&](double t) { return 1 / (1 + std::exp(-steepness * (t - middle))); };
    return (at(x) - at(0)) / (at(1) - at(0));
}

inline Codes codesOfHexcone(double hue, double saturation, double value)
{
    Codes out;
    for (int k = 0; k < 3; ++k) {
        const double n = std::fmod(hue / 60 + 5 - 2 * k + 12, 6.0), t = std::clamp(std::min(n, 4 - n), 0.0, 1.0);
        out[static_cast<std::size_t>(k)] = value * (1 - saturation * t);
    }
    return out;
}

/// Hue turned, all of it and in part; saturation and value by powers; a lifted floor.
inline CodeTreatment hexcone(Random random)
{
    const double power = random.between(0.7, 1.3), saturation = random.between(0.6, 1.15), turn = random.between(-8, 8),
                 swing = random.between(-14, 14), phase = random.between(0, 360), gamma = random.between(0.8, 1.25),
                 floor = random.between(0, 0.08), top = random.between(0.92, 1);
    return [=](const Codes& c) {
        const double high = std::max({c[0], c[1], c[2]}), range = high - std::min({c[0], c[1], c[2]});
        double hue = range <= 1e-9  ? 0
                     : high == c[0] ? std::fmod((c[1] - c[2]) / range + 6, 6.0)
                     : high == c[1] ? (c[2] - c[0]) / range + 2
                                    : (c[0] - c[1]) / range + 4;
        hue *= 60;
        hue += turn + swing * std::sin((hue - phase) * M_PI / 180);
        const double s = high > 0 ? std::clamp(saturation * std::pow(range / high, power), 0.0, 1.0) : 0;
        return codesOfHexcone(std::fmod(hue + 720, 360.0), s, floor + (top - floor) * std::pow(high, gamma));
    };
}

/// A curve and two ends for each channel, on codes.
inline CodeTreatment channelCurves(Random random)
{
    const double steepness = random.between(1, 5), middle = random.between(0.4, 0.6);
    Codes power, low, high;
    for (std::size_t k = 0; k < 3; ++k)
        power[k] = random.between(0.85, 1.18), low[k] = random.between(0, 0.09), high[k] = random.between(0.88, 1);
    return [=](const Codes& c) {
        Codes out;
        for (std::size_t k = 0; k < 3; ++k)
            out[k] = low[k] + (high[k] - low[k]) * slope(std::pow(c[k], power[k]), steepness, middle);
        return out;
    };
}

/// Rows near the unit rows that keep greys but for a gain.
inline std::array<Codes, 3> mixing(Random& random, double low, double high)
{
    std::array<Codes, 3> rows;
    for (std::size_t i = 0; i < 3; ++i) {
        double sum = 0;
        for (std::size_t j = 0; j < 3; ++j)
            sum += rows[i][j] = i == j ? 1 : random.between(low, high);
        for (double& v : rows[i])
            v /= sum;
    }
    return rows;
}

inline double mixed(const Codes& row, const Codes& v) { return row[0] * v[0] + row[1] * v[1] + row[2] * v[2]; }

/// Channels mixed in light, gains, another exposure, a curve on codes.
inline CodeTreatment crosstalk(Random random)
{
    const auto rows = mixing(random, -0.12, 0.16);
    const double exposure = std::exp2(random.between(-0.3, 0.3)), steepness = random.between(0.5, 3.5);
    Codes gain;
    for (double& g : gain)
        g = exposure * random.between(0.93, 1.07);
    return [=](const Codes& c) {
        const Codes light{lightOf(c[0]), lightOf(c[1]), lightOf(c[2])};
        Codes out;
        for (std::size_t k = 0; k < 3; ++k)
            out[k] = slope(codeOf(gain[k] * mixed(rows[k], light)), steepness, 0.5);
        return out;
    };
}

/// Densities mixed, a response with toe and shoulder for each layer.
inline CodeTreatment densities(Random random)
{
    const auto rows = mixing(random, -0.1, 0.15);
    const double most = random.between(1.6, 2.4), least = random.between(0, 0.06);
    Codes gamma, offset;
    for (std::size_t k = 0; k < 3; ++k)
        gamma[k] = random.between(0.75, 1.15), offset[k] = random.between(-0.1, 0.1);
    return [=](const Codes& c) {
        Codes density, out;
        for (std::size_t k = 0; k < 3; ++k)
            density[k] = -std::log10(std::max(1e-3, lightOf(c[k])));
        for (std::size_t k = 0; k < 3; ++k) {
            const double x = gamma[k] * (mixed(rows[k], density) - 0.75) + 0.75 + offset[k],
                         printed = (most - least) * std::clamp(slope(x / 3, 6.6, 1.1 / 3), 0.0, 1.2);
            out[k] = codeOf(std::pow(10, -printed));
        }
        return out;
    };
}

/// Three dyes on paper, each absorbing some of what the others should; the paper's own tint and black.
inline CodeTreatment dyeOverlap(Random random)
{
    const double cyan[2] = {random.between(0.02, 0.12), random.between(0, 0.06)},
                 magenta[2] = {random.between(0.08, 0.25), random.between(0.05, 0.16)},
                 yellow[2] = {random.between(0.02, 0.1), random.between(0.1, 0.3)};
    const std::array<Codes, 3> absorbs{Codes{1, cyan[0], cyan[1]}, Codes{magenta[0], 1, magenta[1]},
                                       Codes{yellow[0], yellow[1], 1}};
    const double amount = random.between(0.75, 1.05), black = random.between(0.01, 0.03);
    const Codes paper{1, random.between(0.95, 1), random.between(0.88, 1)};
    return [=](const Codes& c) {
        Codes out;
        for (std::size_t k = 0; k < 3; ++k) {
            double density = 0;
            for (std::size_t dye = 0; dye < 3; ++dye)
                density -= absorbs[dye][k] * amount * std::log10(std::max(2e-3, lightOf(c[dye])));
            out[k] = codeOf(paper[k] * (black + (1 - black) * std::pow(10, -0.9 * density)));
        }
        return out;
    };
}

inline constexpr const char* kIndependentFamilies[] = {"hexcone", "channel curves", "crosstalk", "densities",
                                                       "dye overlap"};
inline CodeTreatment independentTreatment(std::size_t family, std::uint64_t seed)
{
    CodeTreatment (*const make[])(Random) = {hexcone, channelCurves, crosstalk, densities, dyeOverlap};
    return make[family](Random(1000 * family + seed));
}

/// As a file of 8 bits would hold it.
inline Image treated(const Image& picture, const CodeTreatment& treatment)
{
    Image out = picture;
    for (int i = 0; i < picture.width() * picture.height(); ++i) {
        float* p = out.mutableView().data + 3 * static_cast<std::ptrdiff_t>(i);
        const EncodedRgb e = encode(RgbSpace::Srgb, LinearRgb{p[0], p[1], p[2]});
        Codes c = treatment({std::clamp(e.r, 0.0, 1.0), std::clamp(e.g, 0.0, 1.0), std::clamp(e.b, 0.0, 1.0)});
        for (double& v : c)
            v = std::round(255 * std::clamp(v, 0.0, 1.0)) / 255;
        const LinearRgb done = decode(RgbSpace::Srgb, {c[0], c[1], c[2]});
        p[0] = static_cast<float>(done.r), p[1] = static_cast<float>(done.g), p[2] = static_cast<float>(done.b);
    }
    return out;
}

}  // namespace amber::test
