// Primaries: turn and purity of the three primaries, as one matrix that leaves white exactly white.
//
// Each primary of Rec.2020 is moved in CIE 1976 (u', v') about D65: its angle by `turn`, its distance by the factor
// `purity`. The picture's linear components are then read as amounts of the moved primaries (normalised primary matrix,
// SMPTE RP 177):
//   M = inverse(N) N_moved,  both N with D65 white, so that every row of M sums to one.
#pragma once

#include "core/colour/types.h"
#include "core/look/steps/fields.h"

namespace amber {

struct Primaries {
    static constexpr const char* kType = "primaries";

    double redTurn = 0, greenTurn = 0, blueTurn = 0;        ///< degrees, positive towards larger hue
    double redPurity = 1, greenPurity = 1, bluePurity = 1;  ///< factors
    std::string unknownFields;
    bool operator==(const Primaries&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("redTurn", self.redTurn, -30, 30);
        visit.number("redPurity", self.redPurity, 0.6, 1.4);
        visit.number("greenTurn", self.greenTurn, -30, 30);
        visit.number("greenPurity", self.greenPurity, 0.6, 1.4);
        visit.number("blueTurn", self.blueTurn, -30, 30);
        visit.number("bluePurity", self.bluePurity, 0.6, 1.4);
    }
};

bool isIdentity(const Primaries& step);
LinearRgb evaluate(const Primaries& step, const LinearRgb& c);
/// On linear components of the working space; rows sum to one within 1e-15.
Matrix3 matrixOf(const Primaries& step);

}  // namespace amber
