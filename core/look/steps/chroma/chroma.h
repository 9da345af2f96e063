// Chroma: even and reserved scaling, a sheltered family, a ceiling. Lightness and hue are held.
//
// Chroma C becomes C f with  f = even (1 + reserved / (1 + (C / 0.12)^2)):  `reserved` lifts (or, below 0, drains)
// muted colours more than strong ones; the product rises with C for every reserved of -1..1. A sheltered family at hue
// h with full width w holds f near 1: f = 1 + (f - 1)(1 - shelter b), b = exp(k (cos(hue - h) - 1)) as in hue shifts,
// times C^2 / (C^2 + 0.03^2). A ceiling c bends the strongest colours: above the knee k = 0.7 c, C becomes k + (c - k)
// t / (1 + t), t = (C - k) / (c - k); C1, rising, never beyond c.
#pragma once

#include "core/colour/types.h"
#include "core/look/steps/fields.h"

namespace amber {

struct Chroma {
    static constexpr const char* kType = "chroma";

    double even = 1;           ///< factor
    double reserved = 0;       ///< -1..1
    double shelter = 0;        ///< 0..1: how far the sheltered family is held
    double shelterHue = 55;    ///< OKLCh degrees; skin of any tone lies near 55
    double shelterWidth = 40;  ///< full width at half height, degrees
    bool hasCeiling = false;
    double ceiling = 0.2;  ///< OKLCh chroma
    std::string unknownFields;
    bool operator==(const Chroma&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("even", self.even, 0, 2.5);
        visit.number("reserved", self.reserved, -1, 1);
        visit.number("shelter", self.shelter, 0, 1);
        visit.number("shelterHue", self.shelterHue, 0, 360);
        visit.number("shelterWidth", self.shelterWidth, 15, 180);
        visit.boolean("hasCeiling", self.hasCeiling);
        visit.number("ceiling", self.ceiling, 0.02, 0.4);
    }
};

inline constexpr double kMutedChroma = 0.12, kShelterNeutral = 0.03, kCeilingKnee = 0.7;

bool isIdentity(const Chroma& step);
LinearRgb evaluate(const Chroma& step, const LinearRgb& c);
/// The factor on chroma of a colour with this chroma and hue.
double chromaFactor(const Chroma& step, double chroma, double hueDegrees);
/// How much of a colour of this hue the sheltered family owns, 0..1, for a fully chromatic colour.
double shelterAt(const Chroma& step, double hueDegrees);

}  // namespace amber
