// Even towards: a range of colours drawn towards a sampled one, by hue, chroma and lightness apart.
//
// The range lies round the sampled colour (core/look/near_colours.h); with its weight w, f = C^2 / (C^2 + 0.03^2) and
// pulls p of 0..1:
//   hue        the unit vector n of the hue becomes that of (1 - q) n + q n0,  q = p w f
//   chroma     C becomes C (1 + p w (C0 - C) C / (C^2 + 0.03^2)), so that a grey stays grey and C comes to C0 all but f
//   lightness  L becomes L + p w (L0 - L)
// Order is kept: as w falls with the distance, a colour farther off stays farther off, for every p of 0..1 (for b(u) of
// the range, d/du [u (1 - p b)] >= 0). What is not in the range is left exactly as it is.
#pragma once

#include "core/look/near_colours.h"

namespace amber {

struct EvenTowards {
    static constexpr const char* kType = "even-towards";

    double towardsHue = 0, towardsChroma = 0, towardsLightness = 0;  ///< pulls
    NearColours range;
    std::string unknownFields;
    bool operator==(const EvenTowards&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("towardsHue", self.towardsHue, 0, 1);
        visit.number("towardsChroma", self.towardsChroma, 0, 1);
        visit.number("towardsLightness", self.towardsLightness, 0, 1);
        NearColours::fields(visit, self.range);
    }
};

bool isIdentity(const EvenTowards& step);
LinearRgb evaluate(const EvenTowards& step, const LinearRgb& c);

}  // namespace amber
