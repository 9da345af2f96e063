// Tone bands: gain in stops for five regions of the tone axis.
//
// From each band to the next the share passes over by  0.5 + t - t |t| / 2,  t = (L - middle between the centres) / 0.2
// limited to -1..1 (a quadratic B-spline, C1), so the five shares are a partition of unity and a band reaches one and a
// half spacings from its centre: opening darks cannot move lights. Light is multiplied by 2^(sum of share times gain),
// which in OKLab multiplies L, a and b by 2^(stops / 3): colours keep hue and C / L.
#pragma once

#include "core/colour/types.h"
#include "core/look/steps/fields.h"

#include <array>

namespace amber {

struct ToneBands {
    static constexpr const char* kType = "tone-bands";

    double deep = 0, dark = 0, middle = 0, light = 0, bright = 0;  ///< stops
    std::string unknownFields;
    bool operator==(const ToneBands&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("deep", self.deep, -1.5, 1.5);
        visit.number("dark", self.dark, -1.5, 1.5);
        visit.number("middle", self.middle, -1.5, 1.5);
        visit.number("light", self.light, -1.5, 1.5);
        visit.number("bright", self.bright, -1.5, 1.5);
    }
    std::array<double, 5> gains() const { return {deep, dark, middle, light, bright}; }
};

/// Centres on the tone axis, evenly spaced.
inline constexpr std::array<double, 5> kBandCentres{0.12, 0.32, 0.52, 0.72, 0.92};
inline constexpr double kBandSpacing = 0.2;

bool isIdentity(const ToneBands& step);
LinearRgb evaluate(const ToneBands& step, const LinearRgb& c);
/// Shares of the five bands at a tone; they sum to one.
std::array<double, 5> bandShares(double L);
/// The smallest slope of tone out against tone in over 0..1, and where: at or below 0 tones change places.
struct ToneSlope {
    double smallest = 1, at = 0;
};
ToneSlope smallestSlope(const ToneBands& step);

}  // namespace amber
