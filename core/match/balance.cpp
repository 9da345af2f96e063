#include "core/match/balance.h"

#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"

#include <algorithm>
#include <cmath>
#include <tbb/parallel_for.h>

namespace amber {
namespace {

struct Uv {
    double u, v;
};

Uv toUv(const Chromaticity& c)
{
    const double d = -2 * c.x + 12 * c.y + 3;
    return {4 * c.x / d, 6 * c.y / d};
}

Chromaticity toXy(const Uv& c)
{
    const double d = 2 * c.u - 8 * c.v + 4;
    return {3 * c.u / d, 2 * c.v / d};
}

Uv planck(double T)
{
    return {(0.860117757 + 1.54118254e-4 * T + 1.28641212e-7 * T * T) / (1 + 8.42420235e-4 * T + 7.08145163e-7 * T * T), (0.317398726 + 4.22806245e-5 * T + 4.20481691e-8 * T * T) / (1 - 2.89741816e-5 * T + 1.61456053e-7 * T * T)};
}

Uv daylight(double T)
{
    const double x = T <= 7000 ? -4.6070e9 / (T * T * T) + 2.9678e6 / (T * T) + 0.09911e3 / T + 0.244063 : -2.0064e9 / (T * T * T) + 1.9018e6 / (T * T) + 0.24748e3 / T + 0.237040;
    return toUv({x, -3 * x * x + 2.870 * x - 0.275});
}

Uv locus(double T)
{
    // Daylight lies beside Planck's locus; the way over is long, so that lines of one temperature do not cross near it.
    constexpr double kFrom = 2900, kTo = 4950, kDaylight = 4000;
    const double t = std::clamp((T - kFrom) / (kTo - kFrom), 0.0, 1.0), w = t * t * t * (t * (6 * t - 15) + 10);
    const Uv p = planck(T);
    if (w == 0)
        return p;
    const double from = std::max(T, kDaylight);
    const Uv d = daylight(from), beside = planck(from);
    return {p.u + w * (d.u - beside.u), p.v + w * (d.v - beside.v)};
}

/// The unit normal of the locus, towards green.
Uv normal(double T)
{
    const Uv a = locus(T * 0.999), b = locus(T * 1.001);
    const double du = b.u - a.u, dv = b.v - a.v, length = std::hypot(du, dv);
    Uv n{-dv / length, du / length};
    if (n.v < 0)
        n = {-n.u, -n.v};
    return n;
}

constexpr Matrix3 kCat16{{{0.401288, 0.650173, -0.051461}, {-0.250268, 1.204414, 0.045854}, {-0.002079, 0.048952, 0.953127}}};
const Matrix3& toXyz() { return rgbToXyz(RgbSpace::Rec2020); }

struct Vector {
    double v[3];
};
Vector times(const Matrix3& m, const Vector& a)
{
    Vector r{};
    for (int i = 0; i < 3; ++i)
        for (int j = 0; j < 3; ++j)
            r.v[i] += m.m[i][j] * a.v[j];
    return r;
}
Vector lightXyz(const Chromaticity& c) { return {{c.x / c.y, 1, (1 - c.x - c.y) / c.y}}; }

double luminance(const LinearRgb& c)
{
    const auto& y = toXyz().m[1];
    return y[0] * c.r + y[1] * c.g + y[2] * c.b;
}

double median(std::vector<std::pair<double, double>> values)
{
    std::sort(values.begin(), values.end());
    double sum = 0, half = 0;
    for (const auto& [value, weight] : values)
        half += weight / 2;
    for (const auto& [value, weight] : values)
        if ((sum += weight) >= half)
            return value;
    return 0;
}

LinearRgb through(const Response& response, const LinearRgb& c, bool toScene)
{
    if (response.isIdentity())
        return c;
    LinearRgb own = apply(fromWorking(RgbSpace::Srgb), c);
    for (double* v : {&own.r, &own.g, &own.b})
        *v = toScene ? response.toScene(*v) : response.toPicture(*v);
    return apply(toWorking(RgbSpace::Srgb), own);
}

}  // namespace

Chromaticity chromaticityOf(double kelvin, double tint)
{
    const Uv at = locus(kelvin), n = normal(kelvin);
    return toXy({at.u + tint / 1000 * n.u, at.v + tint / 1000 * n.v});
}

Balance lightOf(const Chromaticity& light)
{
    const Uv wanted = toUv(light);
    // Along the locus the foot of the perpendicular; bisected in mired, where the locus runs evenly.
    double low = 40, high = 500;
    for (int i = 0; i < 60; ++i) {
        const double middle = (low + high) / 2, T = 1e6 / middle;
        const Uv at = locus(T), a = locus(T * 1.001), b = locus(T * 0.999);
        ((wanted.u - at.u) * (b.u - a.u) + (wanted.v - at.v) * (b.v - a.v) > 0 ? low : high) = middle;
    }
    Balance found;
    found.kelvin = 2e6 / (low + high);
    const Uv at = locus(found.kelvin), n = normal(found.kelvin);
    found.tint = 1000 * ((wanted.u - at.u) * n.u + (wanted.v - at.v) * n.v);
    return found;
}

Matrix3 balanceMatrix(const Balance& balance)
{
    // Relative to where the locus itself passes at 6504 K, so that the neutral setting changes exactly nothing.
    const Vector from = times(kCat16, lightXyz(chromaticityOf(balance.kelvin, balance.tint))), to = times(kCat16, lightXyz(chromaticityOf(Balance{}.kelvin, 0)));
    const double gain = std::exp2(balance.exposureStops);
    const Matrix3 scale{{{gain * to.v[0] / from.v[0], 0, 0}, {0, gain * to.v[1] / from.v[1], 0}, {0, 0, gain * to.v[2] / from.v[2]}}};
    return inverse(toXyz()) * inverse(kCat16) * scale * kCat16 * toXyz();
}

LinearRgb balanced(const Balance& balance, const Response& response, const LinearRgb& c) { return balance.isIdentity() ? c : through(response, apply(balanceMatrix(balance), through(response, c, true)), false); }

void applyBalance(const Balance& balance, const Response& response, MutableImageView picture)
{
    if (balance.isIdentity())
        return;
    const Matrix3 matrix = balanceMatrix(balance);
    tbb::parallel_for(0, picture.height, [&](int y) {
        float* p = picture.row(y);
        for (int x = 0; x < picture.width; ++x, p += 3) {
            const LinearRgb c = through(response, apply(matrix, through(response, {p[0], p[1], p[2]}, true)), false);
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
    });
}

BalanceFit fitBalance(const std::vector<LinearRgb>& from, const std::vector<LinearRgb>& to, const Response& response)
{
    constexpr double kDark = 0.004, kBright = 0.92;
    BalanceFit fit;
    struct Pair {
        LinearRgb from, to;
        double weight;
    };
    std::vector<Pair> pairs;
    for (std::size_t i = 0; i < std::min(from.size(), to.size()); ++i) {
        const auto usable = [&](const LinearRgb& c) {
            const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), c);
            return std::min({own.r, own.g, own.b}) > kDark && std::max({own.r, own.g, own.b}) < kBright;
        };
        if (usable(from[i]) && usable(to[i]))
            pairs.push_back({through(response, from[i], true), through(response, to[i], true), std::cbrt(luminance(to[i]))});
    }
    fit.support = static_cast<int>(pairs.size());
    if (pairs.empty())
        return fit;
    // Ratios in the sharpened cone space of CAT16: they are what von Kries scales.
    std::vector<std::pair<double, double>> ratios[3];
    const Matrix3 toCones = kCat16 * toXyz();
    for (const Pair& p : pairs) {
        const Vector a = times(toCones, {{p.from.r, p.from.g, p.from.b}}), b = times(toCones, {{p.to.r, p.to.g, p.to.b}});
        for (int k = 0; k < 3; ++k)
            if (a.v[k] > 0 && b.v[k] > 0)
                ratios[k].emplace_back(std::log2(b.v[k] / a.v[k]), p.weight);
    }
    Vector gain{};
    for (int k = 0; k < 3; ++k)
        gain.v[k] = std::exp2(median(ratios[k]));
    // The light that these gains make white: D65's cones divided by them.
    const Vector d65 = times(kCat16, lightXyz(chromaticityOf(Balance{}.kelvin, 0)));
    const Vector light = times(inverse(kCat16), {{d65.v[0] / gain.v[0], d65.v[1] / gain.v[1], d65.v[2] / gain.v[2]}});
    const double sum = light.v[0] + light.v[1] + light.v[2];
    fit.balance = lightOf({light.v[0] / sum, light.v[1] / sum});
    // Exposure is what is left once white is put right.
    const Matrix3 matrix = balanceMatrix(fit.balance);
    std::vector<std::pair<double, double>> stops;
    for (const Pair& p : pairs)
        if (const double y = luminance(apply(matrix, p.from)); y > 0 && luminance(p.to) > 0)
            stops.emplace_back(std::log2(luminance(p.to) / y), p.weight);
    fit.balance.exposureStops = median(stops);
    std::vector<std::pair<double, double>> left;
    for (std::size_t i = 0; i < std::min(from.size(), to.size()); ++i)
        left.emplace_back(ciede2000(balanced(fit.balance, response, from[i]), to[i]), 1);
    fit.residual = median(left);
    return fit;
}

}  // namespace amber
