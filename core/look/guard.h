// The guard of a step: which colours it may touch, by tone, chroma and hue of the colour as it enters the step.
//
// Weight = T C H, each 1 inside its range and falling by a smoothstep over its feather outside it; inverted: 1 -
// weight.
//   T on OKLab L, C on OKLCh chroma; a bound at the end of its scale (0 or 1, 0 or 0.4) is open: no limit on that side.
//   H in the cosine of the distance from the centre: 1 for cos d >= cos(width / 2), 0 from cos(width / 2 + feather) on,
//   times C^2 / (C^2 + 0.01^2), as neutrals have no hue. A width of 360 is open.
// Shelters hold colours back, a family or a key colour, whatever the ranges say: each takes  weight (1 - amount near),
// near being how near the colour is to the sheltered one (near_colours.h).
// The step's result is blended in OKLab with the weight as further strength. A guard can also be bound to a role: then
// the weight of the place (RoleBinding) is one more factor.
#pragma once

#include "core/base/copied_apart.h"
#include "core/colour/types.h"
#include "core/look/near_colours.h"
#include "core/look/role.h"

namespace amber {

/// Colours that a step is held back from.
struct Shelter {
    std::string name;  ///< of the family or the key colour
    double amount = 1;
    NearColours colours;
    std::string unknownFields;
    bool operator==(const Shelter&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.text("name", self.name);
        visit.number("amount", self.amount, 0, 1);
        NearColours::fields(visit, self.colours);
    }
};
inline constexpr std::size_t kShelterLimit = 8;

struct Guard {
    AMBER_COPIED_APART(Guard)

    double toneLow = 0, toneHigh = 1, toneFeather = 0.1;
    double chromaLow = 0, chromaHigh = 0.4, chromaFeather = 0.03;
    double hueCentre = 0, hueWidth = 360, hueFeather = 20;  ///< degrees
    bool inverted = false;
    std::vector<Shelter> shelters = {};
    RoleBinding where = {};
    std::string unknownFields;

    static void fields(auto& visit, auto& self)
    {
        visit.number("toneLow", self.toneLow, 0, 1);
        visit.number("toneHigh", self.toneHigh, 0, 1);
        visit.number("toneFeather", self.toneFeather, 0.01, 1);
        visit.number("chromaLow", self.chromaLow, 0, 0.4);
        visit.number("chromaHigh", self.chromaHigh, 0, 0.4);
        visit.number("chromaFeather", self.chromaFeather, 0.005, 0.4);
        visit.number("hueCentre", self.hueCentre, 0, 360);
        visit.number("hueWidth", self.hueWidth, 2, 360);
        visit.number("hueFeather", self.hueFeather, 2, 180);
        visit.boolean("inverted", self.inverted);
        visit.list("shelters", self.shelters, kShelterLimit);
    }
    bool limitsTone() const { return toneLow > 0 || toneHigh < 1; }
    bool limitsChroma() const { return chromaLow > 0 || chromaHigh < 0.4; }
    bool limitsHue() const { return hueWidth < 360; }
    /// True when every colour has the weight 1; it may be bound to a role all the same.
    bool isOpen() const { return !limitsTone() && !limitsChroma() && !limitsHue() && !inverted && shelters.empty(); }
};

inline constexpr double kGuardNeutral = 0.01;

/// 0..1 for any colour, whatever the place.
double weightAt(const Guard& guard, const OkLab& c);
/// The cosines between which the hue range falls off: at its edge, and at the end of its feather.
struct HueFall {
    double inside, outside;
};
HueFall hueFall(const Guard& guard);

}  // namespace amber
