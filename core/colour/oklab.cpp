#include "core/colour/oklab.h"

#include "core/colour/rgb_space.h"

#include <cmath>
#include <numbers>

namespace amber {
namespace {

constexpr Matrix3 kXyzToLms{{{0.8189330101, 0.3618667424, -0.1288597137},
                             {0.0329845436, 0.9293118715, 0.0361456387},
                             {0.0482003018, 0.2643662691, 0.6338517070}}};
constexpr Matrix3 kLmsRootToOkLab{{{0.2104542553, 0.7936177850, -0.0040720468},
                                   {1.9779984951, -2.4285922050, 0.4505937099},
                                   {0.0259040371, 0.7827717662, -0.8086757660}}};

struct OkMatrices {
    Matrix3 toLms = kXyzToLms * rgbToXyz(RgbSpace::Linear);
    Matrix3 toLab = kLmsRootToOkLab;
    Matrix3 fromLms, fromLab;
    OkMatrices()
    {
        for (auto& row : toLms.m) {
            const double sum = row[0] + row[1] + row[2];
            for (double& v : row)
                v /= sum;
        }
        const double lightness = toLab.m[0][0] + toLab.m[0][1] + toLab.m[0][2];
        for (double& v : toLab.m[0])
            v /= lightness;
        for (int i : {1, 2})  // neutrals have no a and no b
            toLab.m[i][2] -= toLab.m[i][0] + toLab.m[i][1] + toLab.m[i][2];
        fromLms = inverse(toLms);
        fromLab = inverse(toLab);
    }
};

const OkMatrices& ok()
{
    static const OkMatrices all;
    return all;
}

}  // namespace

const Matrix3& workingToLms() { return ok().toLms; }
const Matrix3& lmsToWorking() { return ok().fromLms; }
const Matrix3& lmsRootToOkLab() { return ok().toLab; }
const Matrix3& okLabToLmsRoot() { return ok().fromLab; }

OkLab toOkLab(const LinearRgb& c)
{
    const LinearRgb lms = apply(ok().toLms, c);
    const LinearRgb lab = apply(ok().toLab, {std::cbrt(lms.r), std::cbrt(lms.g), std::cbrt(lms.b)});
    return {lab.r, lab.g, lab.b};
}

LinearRgb toLinearRgb(const OkLab& c)
{
    const LinearRgb root = apply(ok().fromLab, {c.L, c.a, c.b});
    return apply(ok().fromLms, {root.r * root.r * root.r, root.g * root.g * root.g, root.b * root.b * root.b});
}

OkLch toOkLch(const OkLab& c)
{
    return {c.L, std::hypot(c.a, c.b), wrapDegrees(std::atan2(c.b, c.a) * 180 / std::numbers::pi)};
}

OkLab toOkLab(const OkLch& c)
{
    const double h = c.hueDegrees * std::numbers::pi / 180;
    return {c.L, c.chroma * std::cos(h), c.chroma * std::sin(h)};
}

double wrapDegrees(double degrees)
{
    const double h = std::fmod(degrees, 360.0);
    const double wrapped = h < 0 ? h + 360.0 : h;
    return wrapped >= 360.0 ? 0.0 : wrapped;
}

double hueDifference(double from, double to)
{
    const double d = wrapDegrees(to - from);
    return d > 180 ? d - 360 : d;
}

}  // namespace amber
