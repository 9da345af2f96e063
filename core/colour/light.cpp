#include "core/colour/light.h"

#include "core/colour/rgb_space.h"

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

}  // namespace

Chromaticity chromaticityOf(double kelvin, double tint)
{
    const Uv at = locus(kelvin), n = normal(kelvin);
    return toXy({at.u + tint / 1000 * n.u, at.v + tint / 1000 * n.v});
}

namespace {

/// Newton's method on mired and tint from a start that is near: lines of one temperature lean where one locus passes
/// into the other, so that the foot of the perpendicular is not quite the light. Kept only when it lands.
LightNumbersOf exactly(const Uv& wanted, const LightNumbersOf& start)
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
            return {1e6 / mired, tint};
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

LightNumbersOf lightNumbersOf(const Chromaticity& light)
{
    const Uv wanted = toUv(light);
    // Along the locus the foot of the perpendicular; bisected in mired, where the locus runs evenly.
    double low = 40, high = 500;
    for (int i = 0; i < 60; ++i) {
        const double middle = (low + high) / 2, T = 1e6 / middle;
        const Uv at = locus(T), a = locus(T * 1.001), b = locus(T * 0.999);
        ((wanted.u - at.u) * (b.u - a.u) + (wanted.v - at.v) * (b.v - a.v) > 0 ? low : high) = middle;
    }
    LightNumbersOf found;
    found.kelvin = 2e6 / (low + high);
    const Uv at = locus(found.kelvin), n = normal(found.kelvin);
    found.tint = 1000 * ((wanted.u - at.u) * n.u + (wanted.v - at.v) * n.v);
    return exactly(wanted, found);
}

const Matrix3& cat16()
{
    static constexpr Matrix3 kMatrix{
        {{0.401288, 0.650173, -0.051461}, {-0.250268, 1.204414, 0.045854}, {-0.002079, 0.048952, 0.953127}}};
    return kMatrix;
}

const Matrix3& workingToCones()
{
    static const Matrix3 matrix = cat16() * rgbToXyz(RgbSpace::Rec2020);
    return matrix;
}

std::array<double, 3> conesOf(const Chromaticity& light)
{
    const LinearRgb c = apply(cat16(), {light.x / light.y, 1, (1 - light.x - light.y) / light.y});
    return {c.r, c.g, c.b};
}

Matrix3 adaptation(const Chromaticity& from, const Chromaticity& to)
{
    const auto a = conesOf(from), b = conesOf(to);
    const Matrix3 scale{{{b[0] / a[0], 0, 0}, {0, b[1] / a[1], 0}, {0, 0, b[2] / a[2]}}};
    return inverse(workingToCones()) * scale * workingToCones();
}

}  // namespace amber
