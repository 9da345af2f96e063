// The balance of a frame: what brings it onto the same footing as its light group before any look is applied. Stored
// with the frame, never with the look.
//
// White: the light that is to become white, by its temperature and tint (core/colour/light.h), adapted to that for
// which the picture came balanced. Exposure multiplies light by 2^stops. Both act on scene light: a picture that came
// through a camera's rendering is taken back through its response (response.h) first, and forward again after.
#pragma once

#include "core/colour/light.h"
#include "core/colour/types.h"
#include "core/frame/response.h"
#include "core/image/metadata.h"

#include <array>
#include <optional>

namespace amber {

struct Balance {
    double exposureStops = 0;
    double kelvin = 6504;  ///< the light that is to become white, 2000..25000
    double tint = 0;       ///< -50..50
    /// The light that the picture came balanced for: when these are the same, nothing changes.
    double fromKelvin = 6504, fromTint = 0;
    bool operator==(const Balance&) const = default;
    bool isIdentity() const { return exposureStops == 0 && kelvin == fromKelvin && tint == fromTint; }
};

/// The kelvin and tint of a light: the inverse of chromaticityOf within 2500..15000 K and tints of 30.
Balance lightOf(const Chromaticity& light);

/// The light that a frame was taken in, as its camera balanced it away: what of the frame is neutral was of this light.
struct AsShot {
    Balance light;  ///< no exposure; 6504 K where the file does not say
    CaptureFacts::WhiteFrom from = CaptureFacts::WhiteFrom::Nowhere;
    bool operator==(const AsShot&) const = default;
};
AsShot asShotOf(const CaptureFacts& facts);
/// The same balance in numbers of the light itself, for a picture that came balanced for `asShot`: one number means one
/// light on all frames of a camera.
Balance absoluteOf(const Balance& balance, const AsShot& asShot);

/// A balance as what it does to the cones of CAT16: log2 of the gain of each. Gains of one balance after another add
/// up.
std::array<double, 3> coneGains(const Balance& balance);
/// The balance with these gains, exposure counted in luminance of a grey; the inverse of coneGains. It is told from a
/// light near 6504 K where it can be, else from one that leaves room for it.
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
