#include "core/frame/balance.h"

#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"
#include "core/frame/light_plan.h"

#include <algorithm>
#include <cmath>

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
    return {(0.860117757 + 1.54118254e-4 * T + 1.28641212e-7 * T * T) / (1 + 8.42420235e-4 * T + 7.08145163e-7 * T * T),
            (0.317398726 + 4.22806245e-5 * T + 4.20481691e-8 * T * T) /
                (1 - 2.89741816e-5 * T + 1.61456053e-7 * T * T)};
}

Uv daylight(double T)
{
    const double x = T <= 7000 ? -4.6070e9 / (T * T * T) + 2.9678e6 / (T * T) + 0.09911e3 / T + 0.244063
                               : -2.0064e9 / (T * T * T) + 1.9018e6 / (T * T) + 0.24748e3 / T + 0.237040;
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

constexpr Matrix3 kCat16{
    {{0.401288, 0.650173, -0.051461}, {-0.250268, 1.204414, 0.045854}, {-0.002079, 0.048952, 0.953127}}};
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

Vector gainsOf(const Balance& balance)
{
    // Relative to where the locus itself passes at 6504 K, so that the neutral setting changes exactly nothing.
    const Vector from = times(kCat16, lightXyz(chromaticityOf(balance.kelvin, balance.tint))),
                 to = times(kCat16, lightXyz(chromaticityOf(Balance{}.kelvin, 0)));
    const double gain = std::exp2(balance.exposureStops);
    return {{gain * to.v[0] / from.v[0], gain * to.v[1] / from.v[1], gain * to.v[2] / from.v[2]}};
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

double luminanceOf(const LinearRgb& c)
{
    const auto& y = toXyz().m[1];
    return y[0] * c.r + y[1] * c.g + y[2] * c.b;
}

LinearRgb toSceneLight(const Response& response, const LinearRgb& c) { return through(response, c, true); }
LinearRgb toPictureLight(const Response& response, const LinearRgb& c) { return through(response, c, false); }

std::array<double, 3> coneGains(const Balance& balance)
{
    const Vector g = gainsOf(balance);
    return {std::log2(g.v[0]), std::log2(g.v[1]), std::log2(g.v[2])};
}

Balance fromConeGains(const std::array<double, 3>& log2Gains)
{
    // The light that these gains make white: D65's cones divided by them.
    const Vector d65 = times(kCat16, lightXyz(chromaticityOf(Balance{}.kelvin, 0)));
    const Vector light = times(
        inverse(kCat16),
        {{d65.v[0] / std::exp2(log2Gains[0]), d65.v[1] / std::exp2(log2Gains[1]), d65.v[2] / std::exp2(log2Gains[2])}});
    const double sum = light.v[0] + light.v[1] + light.v[2];
    Balance found = lightOf({light.v[0] / sum, light.v[1] / sum});
    // The light's own luminance is what is left: lights of equal luminance need no exposure.
    found.exposureStops = -std::log2(light.v[1]);
    return found;
}

namespace {
Balance withGainsOf(const Balance& one, const Balance& other, double way)
{
    if (other.isIdentity())
        return one;
    const auto a = coneGains(one), b = coneGains(other);
    return fromConeGains({a[0] + way * b[0], a[1] + way * b[1], a[2] + way * b[2]});
}
}  // namespace

Balance added(const Balance& one, const Balance& other) { return withGainsOf(one, other, 1); }
Balance without(const Balance& whole, const Balance& part) { return withGainsOf(whole, part, -1); }

std::optional<std::array<double, 2>> coneRatios(const LinearRgb& scene)
{
    static const Matrix3 toCones = kCat16 * toXyz();
    const LinearRgb c = apply(toCones, scene);
    if (c.r <= 0 || c.g <= 0 || c.b <= 0)
        return std::nullopt;
    return std::array{std::log2(c.r / c.g), std::log2(c.b / c.g)};
}

Chromaticity chromaticityOf(double kelvin, double tint)
{
    const Uv at = locus(kelvin), n = normal(kelvin);
    return toXy({at.u + tint / 1000 * n.u, at.v + tint / 1000 * n.v});
}

namespace {

/// Newton's method on mired and tint from a start that is near: lines of one temperature lean where one locus passes
/// into the other, so that the foot of the perpendicular is not quite the light. Kept only when it lands.
Balance exactly(const Uv& wanted, const Balance& start)
{
    constexpr double kNear = 1e-10, kStep = 0.01;
    double mired = 1e6 / start.kelvin, tint = start.tint;
    const auto miss = [&](double m, double t) {
        const Uv at = toUv(chromaticityOf(1e6 / m, t));
        return std::pair(at.u - wanted.u, at.v - wanted.v);
    };
    for (int i = 0; i < 20; ++i) {
        const auto [u, v] = miss(mired, tint);
        if (std::hypot(u, v) < kNear) {
            Balance found;
            found.kelvin = 1e6 / mired, found.tint = tint;
            return found;
        }
        const auto [mu, mv] = miss(mired + kStep, tint);
        const auto [tu, tv] = miss(mired, tint + kStep);
        const double a = (mu - u) / kStep, b = (tu - u) / kStep, c = (mv - v) / kStep, e = (tv - v) / kStep,
                     det = a * e - b * c;
        mired = std::clamp(mired - (e * u - b * v) / det, 20.0, 1000.0);
        tint -= (a * v - c * u) / det;
        if (!std::isfinite(mired) || !std::isfinite(tint))
            break;
    }
    return start;
}

}  // namespace

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
    return exactly(wanted, found);
}

Matrix3 balanceMatrix(const Balance& balance)
{
    const Vector g = gainsOf(balance);
    const Matrix3 scale{{{g.v[0], 0, 0}, {0, g.v[1], 0}, {0, 0, g.v[2]}}};
    return inverse(toXyz()) * inverse(kCat16) * scale * kCat16 * toXyz();
}

LinearRgb balanced(const Balance& balance, const Response& response, const LinearRgb& c)
{
    return balance.isIdentity() ? c
                                : through(response, apply(balanceMatrix(balance), through(response, c, true)), false);
}

void applyBalance(const Balance& balance, const Response& response, MutableImageView picture)
{
    LightPlan(balance, response, 0, 1, false).run(picture, nullptr, 0);
}

BalanceFit fitBalance(const std::vector<LinearRgb>& from, const std::vector<LinearRgb>& to, const Response& response)
{
    return fitBalance(from, response, to, response);
}

namespace {

/// One thing in two pictures, as scene light.
struct LitPair {
    LinearRgb from, to;
    double weight;
};
using Weighted = std::vector<std::pair<double, double>>;

bool isUsable(const LinearRgb& c)
{
    constexpr double kDark = 0.004, kBright = 0.92;
    const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), c);
    return std::min({own.r, own.g, own.b}) > kDark && std::max({own.r, own.g, own.b}) < kBright;
}

/// Ratios in the sharpened cone space of CAT16: they are what von Kries scales.
std::array<double, 3> coneRatiosOf(const std::vector<LitPair>& pairs)
{
    Weighted ratios[3];
    const Matrix3 toCones = kCat16 * toXyz();
    for (const LitPair& p : pairs) {
        const Vector a = times(toCones, {{p.from.r, p.from.g, p.from.b}}),
                     b = times(toCones, {{p.to.r, p.to.g, p.to.b}});
        for (int k = 0; k < 3; ++k)
            if (a.v[k] > 0 && b.v[k] > 0)
                ratios[k].emplace_back(std::log2(b.v[k] / a.v[k]), p.weight);
    }
    return {median(ratios[0]), median(ratios[1]), median(ratios[2])};
}

}  // namespace

BalanceFit fitBalance(const std::vector<LinearRgb>& from, const Response& fromResponse,
                      const std::vector<LinearRgb>& to, const Response& toResponse)
{
    BalanceFit fit;
    const std::size_t count = std::min(from.size(), to.size());
    std::vector<LitPair> pairs;
    for (std::size_t i = 0; i < count; ++i)
        if (isUsable(from[i]) && isUsable(to[i]))
            pairs.push_back({through(fromResponse, from[i], true), through(toResponse, to[i], true),
                             std::cbrt(luminanceOf(to[i]))});
    fit.support = static_cast<int>(pairs.size());
    if (pairs.empty())
        return fit;
    fit.balance = fromConeGains(coneRatiosOf(pairs));
    fit.balance.exposureStops = 0;
    // Exposure is what is left once white is put right.
    const Matrix3 matrix = balanceMatrix(fit.balance);
    Weighted stops, left;
    for (const LitPair& p : pairs)
        if (const double y = luminanceOf(apply(matrix, p.from)); y > 0 && luminanceOf(p.to) > 0)
            stops.emplace_back(std::log2(luminanceOf(p.to) / y), p.weight);
    fit.balance.exposureStops = median(stops);
    const Matrix3 whole = balanceMatrix(fit.balance);
    for (std::size_t i = 0; i < count; ++i)
        left.emplace_back(
            ciede2000(through(toResponse, apply(whole, through(fromResponse, from[i], true)), false), to[i]), 1);
    fit.residual = median(left);
    return fit;
}

}  // namespace amber
