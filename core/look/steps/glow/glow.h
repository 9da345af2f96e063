// Glow: the bright parts of a picture spread over their surroundings, as in haze, on wet glass or in a tired eye. A
// spatial step.
//
// In linear light the bright part of a colour is B = c s(L), s a smoothstep over the tones from `from` to from + 0.25
// on the tone axis. Its spread G is 1/2, 1/3 and 1/6 of its means under Gaussians of a quarter, a half and the whole of
// the reach, a sum that falls off as glare does in the eye (narrow peak, long tail: J. J. Vos, CIE 135/1, 1999). Found
// on the picture reduced to at most 320 pixels. The result is
//   c + amount G max(0, 1 - Y(B) / Y(G)),  Y the luminance
// so a light keeps its own brightness, what lies round it takes on the light's colour, and an even area stays as it is.
#pragma once

#include "core/look/steps/fields.h"

namespace amber {

struct Glow {
    static constexpr const char* kType = "glow";
    static constexpr bool kIsSpatial = true;

    double amount = 0;  ///< share of the spread light that is added
    double reach = 6;   ///< deviation of the widest spread in per cent of the long edge
    double from = 0.7;  ///< on the tone axis: below it nothing glows
    std::string unknownFields;
    bool operator==(const Glow&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("amount", self.amount, 0, 2);
        visit.number("reach", self.reach, 0.5, 15);
        visit.number("from", self.from, 0.2, 1.2);
    }
};

inline constexpr double kGlowRise = 0.25;

inline bool isIdentity(const Glow& step) { return step.amount == 0; }

}  // namespace amber
