// Haze: lifts a veil of scattered light, or lays one. A spatial step.
//
// A hazed picture is I = J t + A (1 - t) (H. Koschmieder, 1924). A, the colour of the veil, is the mean of the pixels
// whose darkest channel is among the lightest thousandth; the veil's share at a place is v = min over a patch of min
// over channels of I / A
// ("dark channel", K. He, J. Sun, X. Tang, IEEE TPAMI 33(12), 2011), smoothed by a guided filter on the picture's
// lightness. Both are found on the picture reduced to at most 320 pixels. amount > 0: J = A + (I - A) / max(1 - 0.95
// amount v, 0.2). amount < 0: J = A + (I - A) (1 + amount (0.25 + 0.6 v)). Works in linear light.
#pragma once

#include "core/look/steps/fields.h"

namespace amber {

struct Haze {
    static constexpr const char* kType = "haze";
    static constexpr bool kIsSpatial = true;

    double amount = 0;  ///< -1 lays haze, 1 lifts it
    double size = 1.5;  ///< radius of the patch in per cent of the long edge
    std::string unknownFields;
    bool operator==(const Haze&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("amount", self.amount, -1, 1);
        visit.number("size", self.size, 0.5, 5);
    }
};

inline bool isIdentity(const Haze& step) { return step.amount == 0; }

}  // namespace amber
