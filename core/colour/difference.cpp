#include "core/colour/difference.h"

#include "core/base/statistics.h"
#include "core/colour/rgb_space.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <numeric>

namespace amber {
namespace {

double labFunction(double t)
{
    constexpr double kEpsilon = 216.0 / 24389, kKappa = 24389.0 / 27;
    return t > kEpsilon ? std::cbrt(t) : (kKappa * t + 16) / 116;
}

double inverseLabFunction(double f)
{
    constexpr double kBend = 6.0 / 29;
    return f > kBend ? f * f * f : 3 * kBend * kBend * (f - 4.0 / 29);
}

constexpr double radians(double degrees) { return degrees * std::numbers::pi / 180; }

double hueOf(double a, double b)
{
    if (a == 0 && b == 0)
        return 0;
    const double h = std::atan2(b, a) * 180 / std::numbers::pi;
    return h < 0 ? h + 360 : h;
}

}  // namespace

double lightnessStar(double okL) { return 116 * labFunction(okL * okL * okL) - 16; }

double luminanceOfStar(double star) { return inverseLabFunction((star + 16) / 116); }

LinearRgb fromLab(const Lab& lab)
{
    static const Matrix3 fromD50 = inverse(rgbToXyz(RgbSpace::Linear)) * bradford(kD50, whiteOf(RgbSpace::Linear));
    const double y = (lab.l + 16) / 116;
    return apply(fromD50, {kD50.x * inverseLabFunction(y + lab.a / 500), inverseLabFunction(y),
                           kD50.z * inverseLabFunction(y - lab.b / 200)});
}

Lab toLab(const Xyz& c)
{
    const double x = labFunction(c.x / kD50.x), y = labFunction(c.y / kD50.y), z = labFunction(c.z / kD50.z);
    return {116 * y - 16, 500 * (x - y), 200 * (y - z)};
}

Lab toLab(const LinearRgb& c)
{
    static const Matrix3 toD50 = bradford(whiteOf(RgbSpace::Linear), kD50) * rgbToXyz(RgbSpace::Linear);
    const LinearRgb xyz = apply(toD50, c);
    return toLab(Xyz{xyz.r, xyz.g, xyz.b});
}

double ciede2000(const Lab& one, const Lab& two)
{
    const double meanChroma = (std::hypot(one.a, one.b) + std::hypot(two.a, two.b)) / 2;
    const double chroma7 = std::pow(meanChroma, 7), k25to7 = 6103515625.0;
    const double g = 0.5 * (1 - std::sqrt(chroma7 / (chroma7 + k25to7)));
    const double a1 = (1 + g) * one.a, a2 = (1 + g) * two.a;
    const double c1 = std::hypot(a1, one.b), c2 = std::hypot(a2, two.b);
    const double h1 = hueOf(a1, one.b), h2 = hueOf(a2, two.b);

    const double dL = two.l - one.l, dC = c2 - c1;
    double dh = 0, hSum = h1 + h2;
    if (c1 * c2 != 0) {
        dh = h2 - h1;
        if (dh > 180)
            dh -= 360;
        else if (dh < -180)
            dh += 360;
        if (std::abs(h1 - h2) > 180)
            hSum += hSum < 360 ? 360 : -360;
        hSum /= 2;
    }
    const double dH = 2 * std::sqrt(c1 * c2) * std::sin(radians(dh) / 2);

    const double l = (one.l + two.l) / 2, c = (c1 + c2) / 2, h = hSum;
    const double t = 1 - 0.17 * std::cos(radians(h - 30)) + 0.24 * std::cos(radians(2 * h)) +
                     0.32 * std::cos(radians(3 * h + 6)) - 0.20 * std::cos(radians(4 * h - 63));
    const double l50 = (l - 50) * (l - 50);
    const double sL = 1 + 0.015 * l50 / std::sqrt(20 + l50), sC = 1 + 0.045 * c, sH = 1 + 0.015 * c * t;
    const double c7 = std::pow(c, 7);
    const double turn = 30 * std::exp(-std::pow((h - 275) / 25, 2));
    const double rT = -std::sin(radians(2 * turn)) * 2 * std::sqrt(c7 / (c7 + k25to7));
    const double x = dL / sL, y = dC / sC, z = dH / sH;
    return std::sqrt(std::max(0.0, x * x + y * y + z * z + rT * y * z));
}

double ciede2000(const LinearRgb& one, const LinearRgb& two) { return ciede2000(toLab(one), toLab(two)); }

DifferenceSummary summarise(std::vector<double> differences)
{
    if (differences.empty())
        return {};
    const double sum = std::accumulate(differences.begin(), differences.end(), 0.0);
    const std::vector<double> found = quantiles(differences, std::array{0.95, 1.0});
    return {sum / static_cast<double>(differences.size()), found[0], found[1]};
}

}  // namespace amber
