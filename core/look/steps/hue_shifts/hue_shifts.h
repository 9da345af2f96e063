// Hue shifts: families of colours on the hue axis, each with a turn, a chroma factor and a lightness offset.
//
// A family at centre c with full width w (where its bump falls to one half) has the bump
//   r(h) = exp(k (cos(h - c) - 1)),  k = ln 2 / (1 - cos(w / 2))      (von Mises shape: periodic, smooth)
// and the weight r / (sum of all bumps + rest), rest = 0.02 being everything no family claims: a partition of unity.
// The families act on colours, three zones act on what is nearly neutral: with f = C^2 / (C^2 + 0.03^2) a family's
// weight is multiplied by f and the zones share 1 - f along the tone axis (near-blacks below about 0.3, near-whites
// above about 0.8, greys between). Weights of all families, zones and the rest sum to one for every colour. Result: hue
// + sum(w turn), chroma * (1 + sum(w (factor - 1))), L + sum(w lightness). A neutral has no hue and no chroma, so it
// stays neutral; families leave its L alone, zones may move it.
//
// A family may have a ceiling c that its colours do not pass: the chroma C that the moves leave becomes
//   C - sum(w (C - bent(C))),  bent(C) = C up to the knee k = 0.7 c, then k + (c - k) t / (1 + t), t = (C - k) / (c -
//   k)
// (the bend of the chroma step), so a colour is held as far as the family owns it.
#pragma once

#include "core/base/result.h"
#include "core/colour/types.h"
#include "core/look/steps/json_fields.h"

#include <array>
#include <string>

namespace amber {

struct HueMove {
    double turnDegrees = 0;  ///< -180..180
    double chroma = 1;       ///< factor, 0..3
    double lightness = 0;    ///< added to L, -0.3..0.3
    bool operator==(const HueMove&) const = default;
};

struct HueFamily {
    std::string name;
    double centreDegrees = 0;  ///< OKLCh hue
    double widthDegrees = 52;  ///< full width at half height, 15..180
    HueMove move;
    std::string unknownFields;
    double ceiling = kNoCeiling;  ///< OKLCh chroma, 0.02..kNoCeiling: none
    static constexpr double kNoCeiling = 0.4;
    bool operator==(const HueFamily&) const = default;
};

struct HueShifts {
    static constexpr const char* kType = "hue-shifts";
    std::vector<HueFamily> families = defaultFamilies();
    HueMove nearBlacks, greys, nearWhites;
    std::array<std::string, 3> zoneUnknownFields;  ///< of near-blacks, greys, near-whites
    std::string unknownFields;
    bool operator==(const HueShifts&) const = default;

    /// Seven families named after what wears them, spread over the circle.
    static std::vector<HueFamily> defaultFamilies();
};

inline constexpr std::size_t kFamilyLimit = 16;
inline constexpr double kFamilyKnee = 0.7;
inline constexpr double kRestWeight = 0.02, kNeutralChroma = 0.03;
/// Ends of the smoothsteps that part near-blacks from greys and greys from near-whites.
inline constexpr double kBlackZone[2] = {0.18, 0.42}, kWhiteZone[2] = {0.68, 0.92};

Status validate(const HueShifts& step, const std::string& where);
bool isIdentity(const HueShifts& step);
LinearRgb evaluate(const HueShifts& step, const LinearRgb& c);
/// Sharpness k of the bump of a family.
double familySharpness(const HueFamily& family);
/// How a colour is shared out: one weight per family, then near-blacks, greys, near-whites, then the rest; they sum to
/// one.
std::vector<double> weightsAt(const HueShifts& step, const OkLab& c);
/// The summed move for a fully chromatic colour of this hue.
HueMove moveAtHue(const HueShifts& step, double hueDegrees);

/// How close the step comes to tearing hues.
struct TearMeter {
    double smallestHueSlope = 1;       ///< minimum over the circle of 1 + d(turn)/d(hue); at or below 0 hues fold over
    double atDegrees = 0;              ///< where
    double largestChromaSlope = 0;     ///< largest |d(factor)/d(hue)| per 10 degrees
    double largestLightnessSlope = 0;  ///< largest |d(L)/d(hue)| per 10 degrees
    std::string families;              ///< the two families it happens between
};
TearMeter tearMeter(const HueShifts& step);
/// The same with its hues no longer near folding (slope 0.35 and more): where they come nearest to it, the neighbour
/// that is turned less goes along with the one that is turned more, step by step; what is left is turned less
/// altogether.
inline constexpr double kSafeHueSlope = 0.35;
HueShifts tapered(HueShifts step);

Json toJson(const HueShifts& step);
template <>
Result<HueShifts> parse(const Json& json, const std::string& where);

}  // namespace amber
