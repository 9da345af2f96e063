#include "core/frame/balance.h"

#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"
#include "core/frame/light_plan.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

const Matrix3& kCat16 = cat16();
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
    const Vector from = times(kCat16, lightXyz(chromaticityOf(balance.kelvin, balance.tint))),
                 to = times(kCat16, lightXyz(chromaticityOf(balance.fromKelvin, balance.fromTint)));
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

namespace {

/// The light that these gains make the same as `from`, and how far its numbers lie beside it.
struct ToldLight {
    Balance balance;
    double miss;
};
ToldLight told(const std::array<double, 3>& log2Gains, double fromKelvin, double fromTint)
{
    const Vector from = times(kCat16, lightXyz(chromaticityOf(fromKelvin, fromTint)));
    const Vector light =
        times(inverse(kCat16), {{from.v[0] / std::exp2(log2Gains[0]), from.v[1] / std::exp2(log2Gains[1]),
                                 from.v[2] / std::exp2(log2Gains[2])}});
    const double sum = light.v[0] + light.v[1] + light.v[2];
    const Chromaticity wanted{light.v[0] / sum, light.v[1] / sum};
    ToldLight found{lightOf(wanted), 0};
    found.balance.fromKelvin = fromKelvin, found.balance.fromTint = fromTint;
    // The light's own luminance is what is left: lights of equal luminance need no exposure.
    found.balance.exposureStops = -std::log2(light.v[1]);
    const Chromaticity got = chromaticityOf(found.balance.kelvin, found.balance.tint);
    constexpr double kWarmest = 2000, kCoolest = 25000, kMostTint = 50;
    const bool isInRange = found.balance.kelvin >= kWarmest && found.balance.kelvin <= kCoolest &&
                           std::abs(found.balance.tint) <= kMostTint;
    found.miss = isInRange ? std::hypot(got.x - wanted.x, got.y - wanted.y) : 1;
    return found;
}

}  // namespace

Balance fromConeGains(const std::array<double, 3>& log2Gains)
{
    constexpr double kExact = 1e-7;
    ToldLight best = told(log2Gains, Balance{}.kelvin, 0);
    for (const double from : {3200.0, 15000.0, 2200.0})
        if (best.miss > kExact)
            if (const ToldLight other = told(log2Gains, from, 0); other.miss < best.miss)
                best = other;
    return best.balance;
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

AsShot asShotOf(const CaptureFacts& facts)
{
    AsShot found;
    found.from = facts.whiteFrom;
    if (facts.whiteXy)
        found.light = lightOf({(*facts.whiteXy)[0], (*facts.whiteXy)[1]});
    else if (facts.whiteKelvin > 0)
        found.light.kelvin = std::clamp(facts.whiteKelvin, 2000.0, 25000.0);
    found.light.exposureStops = 0;
    return found;
}

Balance absoluteOf(const Balance& balance, const AsShot& asShot)
{
    const double kelvin = asShot.light.kelvin, tint = asShot.light.tint;
    if (balance.fromKelvin == kelvin && balance.fromTint == tint)
        return balance;
    Balance absolute = asShot.light;
    if (balance.kelvin != balance.fromKelvin || balance.tint != balance.fromTint)
        absolute = told(coneGains(balance), kelvin, tint).balance;
    absolute.fromKelvin = kelvin, absolute.fromTint = tint;
    absolute.exposureStops = balance.exposureStops;
    return absolute;
}

std::optional<std::array<double, 2>> coneRatios(const LinearRgb& scene)
{
    static const Matrix3 toCones = kCat16 * toXyz();
    const LinearRgb c = apply(toCones, scene);
    if (c.r <= 0 || c.g <= 0 || c.b <= 0)
        return std::nullopt;
    return std::array{std::log2(c.r / c.g), std::log2(c.b / c.g)};
}

Balance lightOf(const Chromaticity& light)
{
    const LightNumbersOf numbers = lightNumbersOf(light);
    Balance found;
    found.kelvin = numbers.kelvin, found.tint = numbers.tint;
    return found;
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
