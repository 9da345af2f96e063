// Colour values, one type per encoding so that they cannot be mixed up. All components are double; nothing is clamped.
#pragma once

namespace amber {

/// Linear light in the working space: Rec.2020 primaries, D65, 1.0 = output white. Below 0 and above 1 are legal.
struct LinearRgb {
    double r = 0, g = 0, b = 0;
    bool operator==(const LinearRgb&) const = default;
};

/// A colour encoded with the transfer function of some RgbSpace (0..1 inside that space).
struct EncodedRgb {
    double r = 0, g = 0, b = 0;
    bool operator==(const EncodedRgb&) const = default;
};

/// CIE 1931 XYZ relative to the white it is used with (D65 or D50, see the function), Y of white = 1.
struct Xyz {
    double x = 0, y = 0, z = 0;
};

/// CIELAB, D50 white, L* 0..100.
struct Lab {
    double l = 0, a = 0, b = 0;
};

/// OKLab: L is the product's tone axis (for a neutral, the cube root of Y).
struct OkLab {
    double L = 0, a = 0, b = 0;
};

/// OKLCh: hue in degrees, 0 <= hueDegrees < 360.
struct OkLch {
    double L = 0, chroma = 0, hueDegrees = 0;
};

struct Matrix3 {
    double m[3][3];
};
/// In single precision, for kernels.
inline void copyMatrix(float (&to)[3][3], const Matrix3& from)
{
    for (int i = 0; i < 3; ++i)
        for (int k = 0; k < 3; ++k)
            to[i][k] = static_cast<float>(from.m[i][k]);
}

constexpr Matrix3 operator*(const Matrix3& p, const Matrix3& q)
{
    Matrix3 r{};
    for (int i = 0; i < 3; ++i)
        for (int j = 0; j < 3; ++j)
            for (int k = 0; k < 3; ++k)
                r.m[i][j] += p.m[i][k] * q.m[k][j];
    return r;
}

constexpr Matrix3 inverse(const Matrix3& a)
{
    const auto& m = a.m;
    Matrix3 r{};
    for (int i = 0; i < 3; ++i)
        for (int j = 0; j < 3; ++j) {
            const int i1 = (i + 1) % 3, i2 = (i + 2) % 3, j1 = (j + 1) % 3, j2 = (j + 2) % 3;
            r.m[j][i] = m[i1][j1] * m[i2][j2] - m[i1][j2] * m[i2][j1];
        }
    const double determinant = m[0][0] * r.m[0][0] + m[0][1] * r.m[1][0] + m[0][2] * r.m[2][0];
    for (auto& row : r.m)
        for (double& v : row)
            v /= determinant;
    return r;
}

}  // namespace amber
