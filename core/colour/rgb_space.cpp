#include "core/colour/rgb_space.h"

#include <array>
#include <cmath>
#include <string>

namespace amber {
namespace {

constexpr int kSpaces = 6;

struct Entry {
    std::string_view name, title;
    Chromaticities chromaticities;
};

constexpr double kD65x = 0.3127, kD65y = 0.3290;

constexpr std::array<Entry, kSpaces> kEntries{{
    {"srgb", "sRGB", {{0.64, 0.33}, {0.30, 0.60}, {0.15, 0.06}, {kD65x, kD65y}}},
    {"p3", "Display P3", {{0.680, 0.320}, {0.265, 0.690}, {0.150, 0.060}, {kD65x, kD65y}}},
    {"oprgb", "opRGB", {{0.64, 0.33}, {0.21, 0.71}, {0.15, 0.06}, {kD65x, kD65y}}},
    {"prophoto", "ProPhoto", {{0.734699, 0.265301}, {0.159597, 0.840403}, {0.036598, 0.000105}, {0.345704, 0.358540}}},
    {"rec2020", "Rec.2020", {{0.708, 0.292}, {0.170, 0.797}, {0.131, 0.046}, {kD65x, kD65y}}},
    {"linear", "linear Rec.2020", {{0.708, 0.292}, {0.170, 0.797}, {0.131, 0.046}, {kD65x, kD65y}}},
}};

const Entry& entry(RgbSpace space) { return kEntries[static_cast<std::size_t>(space)]; }

Xyz xyzOf(const double (&xy)[2]) { return {xy[0] / xy[1], 1.0, (1 - xy[0] - xy[1]) / xy[1]}; }

Matrix3 primaryMatrix(const Chromaticities& c)
{
    const Xyz r = xyzOf(c.red), g = xyzOf(c.green), b = xyzOf(c.blue), w = xyzOf(c.white);
    const Matrix3 p{{{r.x, g.x, b.x}, {r.y, g.y, b.y}, {r.z, g.z, b.z}}};
    const LinearRgb s = apply(inverse(p), {w.x, w.y, w.z});
    return p * Matrix3{{{s.r, 0, 0}, {0, s.g, 0}, {0, 0, s.b}}};
}

struct Matrices {
    std::array<Matrix3, kSpaces> toXyz, toWorking, fromWorking;
    Matrices()
    {
        for (int i = 0; i < kSpaces; ++i)
            toXyz[i] = primaryMatrix(kEntries[i].chromaticities);
        const auto working = static_cast<std::size_t>(RgbSpace::Linear);
        const Xyz d65 = xyzOf(kEntries[working].chromaticities.white);
        const Matrix3 xyzToWorking = inverse(toXyz[working]);
        for (int i = 0; i < kSpaces; ++i) {
            const Xyz white = xyzOf(kEntries[i].chromaticities.white);
            const bool sameWhite = kEntries[i].chromaticities.white[0] == kD65x;
            toWorking[i] = sameWhite ? xyzToWorking * toXyz[i] : xyzToWorking * (bradford(white, d65) * toXyz[i]);
            // Rows sum to one, so that white stays white to the last bit of a float.
            for (auto& row : toWorking[i].m) {
                const double sum = row[0] + row[1] + row[2];
                for (double& v : row)
                    v /= sum;
            }
            fromWorking[i] = inverse(toWorking[i]);
        }
    }
};

const Matrices& matrices()
{
    static const Matrices all;
    return all;
}

// BT.2020-2 table 4, with the constants to the precision that makes the two branches meet.
constexpr double kAlpha2020 = 1.09929682680944, kBeta2020 = 0.018053968510807;

double encodePositive(RgbSpace space, double x)
{
    switch (space) {
    case RgbSpace::Srgb:
    case RgbSpace::DisplayP3:
        return x <= 0.0031308 ? 12.92 * x : 1.055 * std::pow(x, 1 / 2.4) - 0.055;
    case RgbSpace::OpRgb:
        return std::pow(x, 256.0 / 563.0);
    case RgbSpace::ProPhoto:
        return x < 1.0 / 512 ? 16 * x : std::pow(x, 1 / 1.8);
    case RgbSpace::Rec2020:
        return x < kBeta2020 ? 4.5 * x : kAlpha2020 * std::pow(x, 0.45) - (kAlpha2020 - 1);
    case RgbSpace::Linear:
        return x;
    }
    return x;
}

double decodePositive(RgbSpace space, double v)
{
    switch (space) {
    case RgbSpace::Srgb:
    case RgbSpace::DisplayP3:
        return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
    case RgbSpace::OpRgb:
        return std::pow(v, 563.0 / 256.0);
    case RgbSpace::ProPhoto:
        return v < 16.0 / 512 ? v / 16 : std::pow(v, 1.8);
    case RgbSpace::Rec2020:
        return v < 4.5 * kBeta2020 ? v / 4.5 : std::pow((v + (kAlpha2020 - 1)) / kAlpha2020, 1 / 0.45);
    case RgbSpace::Linear:
        return v;
    }
    return v;
}

}  // namespace

std::string_view nameOf(RgbSpace space) { return entry(space).name; }
std::string_view titleOf(RgbSpace space) { return entry(space).title; }

Result<RgbSpace> rgbSpaceFromName(std::string_view name)
{
    for (int i = 0; i < kSpaces; ++i)
        if (kEntries[i].name == name)
            return static_cast<RgbSpace>(i);
    return fail("unknown colour space", {}, "srgb, p3, oprgb, prophoto, rec2020 or linear", std::string(name));
}

const Chromaticities& chromaticitiesOf(RgbSpace space) { return entry(space).chromaticities; }
const Matrix3& rgbToXyz(RgbSpace space) { return matrices().toXyz[static_cast<std::size_t>(space)]; }
const Matrix3& toWorking(RgbSpace space) { return matrices().toWorking[static_cast<std::size_t>(space)]; }
const Matrix3& fromWorking(RgbSpace space) { return matrices().fromWorking[static_cast<std::size_t>(space)]; }
Matrix3 toWorking(const Chromaticities& c)
{
    const RgbSpace working = RgbSpace::Linear;
    return inverse(rgbToXyz(working)) * (bradford(xyzOf(c.white), whiteOf(working)) * primaryMatrix(c));
}
Xyz whiteOf(RgbSpace space) { return xyzOf(entry(space).chromaticities.white); }

Matrix3 workingToD50() { return bradford(whiteOf(RgbSpace::Linear), kD50) * rgbToXyz(RgbSpace::Linear); }

Matrix3 bradford(const Xyz& from, const Xyz& to)
{
    constexpr Matrix3 cone{{{0.8951, 0.2664, -0.1614}, {-0.7502, 1.7135, 0.0367}, {0.0389, -0.0685, 1.0296}}};
    const LinearRgb a = apply(cone, {from.x, from.y, from.z}), b = apply(cone, {to.x, to.y, to.z});
    const Matrix3 scale{{{b.r / a.r, 0, 0}, {0, b.g / a.g, 0}, {0, 0, b.b / a.b}}};
    return inverse(cone) * scale * cone;
}

double encodeComponent(RgbSpace space, double x)
{
    return x < 0 ? -encodePositive(space, -x) : encodePositive(space, x);
}
double decodeComponent(RgbSpace space, double v)
{
    return v < 0 ? -decodePositive(space, -v) : decodePositive(space, v);
}

LinearRgb decode(RgbSpace space, const EncodedRgb& c)
{
    return apply(toWorking(space),
                 {decodeComponent(space, c.r), decodeComponent(space, c.g), decodeComponent(space, c.b)});
}

EncodedRgb encode(RgbSpace space, const LinearRgb& c)
{
    const LinearRgb own = apply(fromWorking(space), c);
    return {encodeComponent(space, own.r), encodeComponent(space, own.g), encodeComponent(space, own.b)};
}

}  // namespace amber
