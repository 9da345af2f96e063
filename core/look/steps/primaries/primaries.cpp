#include "core/look/steps/primaries/primaries.h"

#include "core/colour/rgb_space.h"

#include <cmath>
#include <numbers>

namespace amber {
namespace {

struct UvPrime {
    double u, v;
};

UvPrime toUv(const double (&xy)[2])
{
    const double d = -2 * xy[0] + 12 * xy[1] + 3;
    return {4 * xy[0] / d, 9 * xy[1] / d};
}

/// XYZ of a chromaticity, with Y = v' so that no division can fail.
Xyz toXyz(UvPrime c) { return {9 * c.u / 4, c.v, (12 - 3 * c.u - 20 * c.v) / 4}; }

/// Columns are the primaries, scaled so that (1, 1, 1) is white.
Matrix3 normalised(const UvPrime (&primaries)[3], UvPrime white)
{
    Matrix3 n{};
    for (int j = 0; j < 3; ++j) {
        const Xyz p = toXyz(primaries[j]);
        n.m[0][j] = p.x, n.m[1][j] = p.y, n.m[2][j] = p.z;
    }
    const Xyz w = toXyz(white);
    const Matrix3 i = inverse(n);
    for (int j = 0; j < 3; ++j) {
        const double amount = (i.m[j][0] * w.x + i.m[j][1] * w.y + i.m[j][2] * w.z) / w.y;
        for (auto& row : n.m)
            row[j] *= amount;
    }
    return n;
}

}  // namespace

bool isIdentity(const Primaries& s)
{
    return s.redTurn == 0 && s.greenTurn == 0 && s.blueTurn == 0 && s.redPurity == 1 && s.greenPurity == 1 &&
           s.bluePurity == 1;
}

Matrix3 matrixOf(const Primaries& s)
{
    const Chromaticities& rec2020 = chromaticitiesOf(RgbSpace::Rec2020);
    const UvPrime white = toUv(rec2020.white), still[3] = {toUv(rec2020.red), toUv(rec2020.green), toUv(rec2020.blue)};
    const double turns[3] = {s.redTurn, s.greenTurn, s.blueTurn},
                 purities[3] = {s.redPurity, s.greenPurity, s.bluePurity};
    UvPrime moved[3];
    for (int j = 0; j < 3; ++j) {
        const double du = still[j].u - white.u, dv = still[j].v - white.v;
        const double angle = turns[j] * std::numbers::pi / 180, c = purities[j] * std::cos(angle),
                     n = purities[j] * std::sin(angle);
        moved[j] = {white.u + c * du - n * dv, white.v + n * du + c * dv};
    }
    Matrix3 m = inverse(normalised(still, white)) * normalised(moved, white);
    for (auto& row : m.m) {
        const double sum = row[0] + row[1] + row[2];
        for (double& v : row)
            v /= sum;
    }
    return m;
}

LinearRgb evaluate(const Primaries& step, const LinearRgb& c) { return apply(matrixOf(step), c); }

}  // namespace amber
