// Ends: which tones become black and white, and where pure black and pure white then land (the fade).
//
// Each channel of the working space, as its signed cube root v (for a neutral, the tone axis), becomes
//   v' = floor + (v - black) / (white - black) (ceiling - floor)
// a straight line: monotone, greys stay grey. The channels move together, as in a print whose paper and ink end them.
#pragma once

#include "core/colour/types.h"
#include "core/look/steps/fields.h"

namespace amber {

struct Ends {
    static constexpr const char* kType = "ends";

    double black = 0, white = 1;    ///< tones that become black and white
    double floor = 0, ceiling = 1;  ///< where these land
    double blackBudget =
        0;  ///< per cent of the picture that may be black, when `black` is solved; 0: up to the first pixel
    double whiteBudget = 0;  ///< the same for white
    std::string unknownFields;
    bool operator==(const Ends&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("black", self.black, -0.2, 0.4);
        visit.number("white", self.white, 0.6, 1.6);
        visit.number("floor", self.floor, 0, 0.4);
        visit.number("ceiling", self.ceiling, 0.6, 1);
        visit.number("blackBudget", self.blackBudget, 0, 10);
        visit.number("whiteBudget", self.whiteBudget, 0, 10);
    }
};

bool isIdentity(const Ends& step);
LinearRgb evaluate(const Ends& step, const LinearRgb& c);

/// Sets `black` and `white` so that no more than the budgets' shares of these pixels are clipped: a pixel is clipped
/// black when its lightest channel falls to black, white when its lightest channel reaches white. Limits of the step
/// apply. No pixels: no change.
void solveEnds(Ends& step, const std::vector<LinearRgb>& pixels);

}  // namespace amber
