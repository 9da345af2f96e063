// Sayings of the trade that measuring does not bear out, each with its figures on the picture in hand.
#pragma once

#include "core/look/look.h"
#include "core/measure/framing.h"

namespace amber {

/// "The same curve on every channel keeps colour": an S of slope 1.4, the same on red, green and blue.
struct EqualCurves {
    double chromaFactor = 1;   ///< mean chroma after over before
    double largestTurn = 0;    ///< degrees of hue, 95 % of coloured pixels turn less
    double lightnessOnly = 1;  ///< chroma factor of the same curve on lightness alone
};
EqualCurves measureEqualCurves(const std::vector<LinearRgb>& colours);

/// "A curve adds data": the number of different 8-bit codes of the green channel before and after that curve.
struct CodesKept {
    int before = 0, after = 0;
};
CodesKept measureCodes(ImageView picture);

/// "The same look gives the same result": the change of mean lightness it makes on each of several pictures.
struct SameLook {
    double smallest = 0, largest = 0;  ///< change of mean OKLab L
};
SameLook measureSameLook(const Look& look, const std::vector<std::vector<LinearRgb>>& pictures);

/// "Contrast leaves brightness alone": change of mean L by a slope of 1.3 about mid-grey, nothing held.
double measureContrastDarkens(const std::vector<LinearRgb>& colours);

/// "More chroma is the same for all colours": CIEDE2000 that an even factor of 1.3 gives the most muted and the
/// strongest third.
struct EvenChroma {
    double muted = 0, strong = 0;
};
EvenChroma measureEvenChroma(const std::vector<LinearRgb>& colours);

}  // namespace amber
