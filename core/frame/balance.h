// The balance of a frame: what brings it onto the same footing as its light group before any look is applied. Stored
// with the frame, never with the look.
//
// White: the light that is to become white, as correlated colour temperature T and a distance along the isotherm (green
// - magenta), in the CIE 1960 (u, v) plane. On the daylight locus for T >= 4950 K (CIE 15:2004, 3.1), on Planck's up to
// 2900 K (M. Krystek, Color Res. Appl. 10(1), 1985), passing smoothly from one to the other between; `tint` is 1000
// times the signed distance from the locus, positive towards green. It is adapted to D65 by CAT16 in its one-step von
// Kries form with full adaptation (C. Li et al., Color Res. Appl. 42(6), 2017). Exposure multiplies light by 2^stops.
// Both act on scene light: a picture that came through a camera's rendering is taken back through its response
// (response.h) first, and forward again after.
#pragma once

#include "core/colour/types.h"
#include "core/frame/response.h"

#include <array>
#include <optional>

namespace amber {

struct Balance {
    double exposureStops = 0;
    double kelvin = 6504;  ///< 2000..25000; at 6504 and tint 0 nothing changes
    double tint = 0;       ///< -50..50
    bool operator==(const Balance&) const = default;
    bool isIdentity() const { return *this == Balance{}; }
};

/// CIE 1931 (x, y) of a light.
struct Chromaticity {
    double x = 0, y = 0;
};
Chromaticity chromaticityOf(double kelvin, double tint);
/// The kelvin and tint of a light: the inverse of chromaticityOf within 2500..15000 K and tints of 30.
Balance lightOf(const Chromaticity& light);

/// A balance as what it does to the cones of CAT16: log2 of the gain of each. Gains of one balance after another add
/// up.
std::array<double, 3> coneGains(const Balance& balance);
/// The balance with these gains, exposure counted in luminance of a grey; inverse of coneGains as far as lightOf is.
Balance fromConeGains(const std::array<double, 3>& log2Gains);
/// One balance after another, and what is left of `whole` when `part` came first: their gains are added, taken away.
Balance added(const Balance& one, const Balance& other);
Balance without(const Balance& whole, const Balance& part);
/// log2 of L / M and of S / M of a colour of scene light: a change of light moves all colours alike. Nothing for
/// colours with a cone at zero or below.
std::optional<std::array<double, 2>> coneRatios(const LinearRgb& scene);
/// A picture's colour as scene light and back, by the camera's response.
LinearRgb toSceneLight(const Response& response, const LinearRgb& c);
LinearRgb toPictureLight(const Response& response, const LinearRgb& c);
double luminanceOf(const LinearRgb& c);

/// Working space to working space: adaptation and exposure.
Matrix3 balanceMatrix(const Balance& balance);
LinearRgb balanced(const Balance& balance, const Response& response, const LinearRgb& c);
/// In place, rows shared out over the cores.
void applyBalance(const Balance& balance, const Response& response, MutableImageView picture);

/// The balance with which `from` colours come nearest to `to` (colours of the same things, scene light): exposure by
/// the median of the ratios of luminance, white by the median of the chromaticity a neutral would need, both weighted
/// by how far a colour is from black and clipping.
struct BalanceFit {
    Balance balance;
    double residual = 0;  ///< median CIEDE2000 after it
    int support = 0;      ///< colours that took part
};
BalanceFit fitBalance(const std::vector<LinearRgb>& from, const std::vector<LinearRgb>& to, const Response& response);
/// The same for pictures that came to be in different ways.
BalanceFit fitBalance(const std::vector<LinearRgb>& from, const Response& fromResponse,
                      const std::vector<LinearRgb>& to, const Response& toResponse);

}  // namespace amber
