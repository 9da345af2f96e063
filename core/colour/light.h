// Lights by their colour: correlated colour temperature T and a distance along the isotherm (green - magenta), in the
// CIE 1960 (u, v) plane. On the daylight locus for T >= 4950 K (CIE 15:2004, 3.1), on Planck's up to 2900 K (M.
// Krystek, Color Res. Appl. 10(1), 1985), passing smoothly from one to the other between; `tint` is 1000 times the
// signed distance from the locus, positive towards green. And what adapts one to another: CAT16 in its one-step von
// Kries form with full adaptation (C. Li et al., Color Res. Appl. 42(6), 2017).
#pragma once

#include "core/colour/types.h"

#include <array>

namespace amber {

/// CIE 1931 (x, y) of a light.
struct Chromaticity {
    double x = 0, y = 0;
};
Chromaticity chromaticityOf(double kelvin, double tint);

/// A light's temperature and distance from the locus.
struct LightNumbersOf {
    double kelvin = 6504, tint = 0;
};
/// The inverse of chromaticityOf within 2500..15000 K and tints of 30.
LightNumbersOf lightNumbersOf(const Chromaticity& light);

/// The cones of CAT16: of XYZ, of a colour of the working space, and of a light with Y = 1.
const Matrix3& cat16();
const Matrix3& workingToCones();
std::array<double, 3> conesOf(const Chromaticity& light);

/// Working space to working space: what was white under one light becomes so under another; both with Y = 1.
Matrix3 adaptation(const Chromaticity& from, const Chromaticity& to);

}  // namespace amber
