// Grain: the same seeded grain at every render size. A spatial step (by place only).
//
// Grain is a field over the picture's plane, one random value to a cell of half the grain's size, Gaussian, smoothed to
// the grain's size, repeating after 1024 cells. A pixel shows the mean of the field over its own area (by a summed-area
// table), so a small render is the reduction of a full-size one. With n the grain and w = amount (1 - midtones (1 - 4 L
// (1 - L))), light gains 3 L^2 w n:
//   L' = cbrt(L^2 (L + 3 w n)),  about L + w n
// so that the mean of light stays, at any size. With `colour` two further fields n add w n colour / 2 to a and b.
#pragma once

#include "core/look/steps/fields.h"

namespace amber {

struct Grain {
    static constexpr const char* kType = "grain";
    static constexpr bool kIsSpatial = true;

    double amount = 0;      ///< standard deviation of L of a single grain, 0..0.12
    double size = 0.5;      ///< of a grain, thousandths of the long edge
    double midtones = 0.7;  ///< 0 alike in all tones, 1 none in black and white
    double colour = 0;      ///< 0..1
    double seed = 1;        ///< whole number
    std::string unknownFields;
    bool operator==(const Grain&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("amount", self.amount, 0, 0.12);
        visit.number("size", self.size, 0.2, 4);
        visit.number("midtones", self.midtones, 0, 1);
        visit.number("colour", self.colour, 0, 1);
        visit.number("seed", self.seed, 0, 65535);
    }
};

inline bool isIdentity(const Grain& step) { return step.amount == 0; }

}  // namespace amber
