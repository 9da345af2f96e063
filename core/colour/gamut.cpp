#include "core/colour/gamut.h"

#include "core/colour/oklab.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace amber {

namespace {

struct Cubic {
    double c[4];
    double at(double t) const { return ((c[3] * t + c[2]) * t + c[1]) * t + c[0]; }
    double slope(double t) const { return (3 * c[3] * t + 2 * c[2]) * t + c[1]; }

    /// The smallest t of 0..end at which the cubic comes to `level`, or `end`. It is monotone between its turning
    /// points, and on each such piece Newton's method is kept inside the bracket.
    double firstReach(double level, double end) const
    {
        double pieces[4] = {0, end, end, end};
        int count = 1;
        const double a = 3 * c[3], b = c[2], root = b * b - a * c[1];
        if (root > 0) {
            const double q = -(b + std::copysign(std::sqrt(root), b));
            double turns[2] = {a != 0 ? q / a : -1, q != 0 ? c[1] / q : -1};
            if (turns[0] > turns[1])
                std::swap(turns[0], turns[1]);
            for (const double t : turns)
                if (t > 0 && t < end)
                    pieces[count++] = t;
        }
        pieces[count] = end;
        for (int i = 0; i < count; ++i) {
            double low = pieces[i], high = pieces[i + 1];
            const bool above = at(low) > level;
            if ((at(high) > level) == above)
                continue;
            double t = (low + high) / 2;
            for (int step = 0; step < 60 && high - low > 1e-9; ++step) {
                const double off = at(t) - level;
                ((off > 0) == above ? low : high) = t;
                const double newton = t - off / slope(t);
                if (std::abs(newton - t) < 1e-10)
                    return std::max(low, std::min(newton, high) - 1e-10);
                t = newton > low && newton < high ? newton : (low + high) / 2;
            }
            return low;
        }
        return end;
    }
};

/// Cone responses to the linear components of each space.
const Matrix3& lmsToOwn(RgbSpace space)
{
    static const std::array<Matrix3, 6> all = [] {
        std::array<Matrix3, 6> matrices;
        for (std::size_t i = 0; i < matrices.size(); ++i)
            matrices[i] = fromWorking(static_cast<RgbSpace>(i)) * lmsToWorking();
        return matrices;
    }();
    return all[static_cast<std::size_t>(space)];
}

}  // namespace

bool isInside(const LinearRgb& c)
{
    const auto within = [](double v) { return v >= -kGamutTolerance && v <= 1 + kGamutTolerance; };
    return within(c.r) && within(c.g) && within(c.b);
}

LinearRgb reduceToGamut(RgbSpace space, const LinearRgb& own)
{
    if (isInside(own))
        return own;
    if (!std::isfinite(own.r) || !std::isfinite(own.g) || !std::isfinite(own.b))
        return reduceToGamut(space, {std::isfinite(own.r) ? own.r : 0, std::isfinite(own.g) ? own.g : 0,
                                     std::isfinite(own.b) ? own.b : 0});
    const OkLab lab = toOkLab(apply(toWorking(space), own));
    const double L = std::clamp(lab.L, 0.0, 1.0);
    // Along the line from the grey of this lightness to the colour, cone roots are straight, so components are cubics
    // in the share t.
    const Matrix3& roots = okLabToLmsRoot();
    const Matrix3& cones = lmsToOwn(space);
    Cubic components[3]{};
    for (int j = 0; j < 3; ++j) {
        const double p = roots.m[j][0] * L, q = roots.m[j][1] * lab.a + roots.m[j][2] * lab.b;
        const double terms[4] = {p * p * p, 3 * p * p * q, 3 * p * q * q, q * q * q};
        for (int k = 0; k < 3; ++k)
            for (int n = 0; n < 4; ++n)
                components[k].c[n] += cones.m[k][j] * terms[n];
    }
    double share = 1;
    for (const Cubic& component : components)
        for (const double bound : {-kGamutTolerance, 1 + kGamutTolerance})
            share = std::min(share, component.firstReach(bound, share));
    const auto within = [&](const Cubic& component) { return std::clamp(component.at(share), 0.0, 1.0); };
    return {within(components[0]), within(components[1]), within(components[2])};
}

}  // namespace amber
