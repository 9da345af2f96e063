// Warmth: the whole picture as under a warmer or cooler light, apart from the balance that makes frames alike.
//
// Neutral colours take on the colour of the light whose temperature in mired (a million by kelvin) is `warmth` more
// than that of 6504 K, and which lies `green` thousandths off the locus (core/colour/light.h); all others follow by
// CAT16 with full adaptation. Both lights have luminance 1, so that the luminance of every neutral is held. A matrix on
// linear light: colours outside 0..1 are treated alike.
#pragma once

#include "core/colour/types.h"
#include "core/look/steps/fields.h"

namespace amber {

struct Warmth {
    static constexpr const char* kType = "warmth";

    double warmth = 0;  ///< mired, above 0 warmer
    double green = 0;   ///< above 0 greener, below more magenta
    std::string unknownFields;
    bool operator==(const Warmth&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("warmth", self.warmth, -100, 150);
        visit.number("green", self.green, -30, 30);
    }
};

bool isIdentity(const Warmth& step);
LinearRgb evaluate(const Warmth& step, const LinearRgb& c);
/// On linear components of the working space; luminance of (1, 1, 1) held within 1e-12.
Matrix3 matrixOf(const Warmth& step);
/// The warmth that brings a colour that was to be neutral nearest to neutral: what undoes a tint on it.
Warmth neutralising(const LinearRgb& c);

}  // namespace amber
