// Contrast: slope about a pivot on the tone axis.
//
// With u = (L - p) / p below the pivot p and (L - p) / (1 - p) above it, u becomes
//   f(u) = s u / (1 + (s - 1) |u|)   for |u| <= 1,   sign(u) (1 + (|u| - 1) / s) beyond
// so the slope at the pivot is s, black and white stay where they are, and the curve is C1 and strictly rising for
// every s > 0. Before it, light is multiplied by 2^exposure: raising contrast moves a picture's mean, and `exposure` is
// what brings it back (exposureHoldingMean solves it; the look keeps the number). Chroma follows lightness by the share
// `chromaFollows`:
//   a, b multiplied by 1 + share (L' / L - 1);  1 keeps C / L, 0 keeps C.
#pragma once

#include "core/colour/types.h"
#include "core/look/steps/fields.h"

namespace amber {

struct Contrast {
    static constexpr const char* kType = "contrast";

    double slope = 1;            ///< at the pivot
    double pivot = 0.56;         ///< on the tone axis; mid-grey is 0.565
    double chromaFollows = 0;    ///< 0..1
    bool holdBrightness = true;  ///< the editor keeps the mean of the picture in hand by solving `exposure`
    double exposure = 0;         ///< stops
    std::string unknownFields;
    bool operator==(const Contrast&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("slope", self.slope, 0.3, 3);
        visit.number("pivot", self.pivot, 0.1, 0.9);
        visit.number("chromaFollows", self.chromaFollows, 0, 1);
        visit.boolean("holdBrightness", self.holdBrightness);
        visit.number("exposure", self.exposure, -2, 2);
    }
};

bool isIdentity(const Contrast& step);
LinearRgb evaluate(const Contrast& step, const LinearRgb& c);
/// Where a tone lands, exposure included.
double toneAt(const Contrast& step, double L);
/// The exposure with which the mean L of these tones is what it was, within the step's limits; to 1e-6 stops.
double exposureHoldingMean(Contrast step, const std::vector<double>& tones);

}  // namespace amber
