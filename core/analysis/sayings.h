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

/// "Reserved chroma hits the strongest colours": what `reserved` 0.5 makes of the chroma of the most muted and of the
/// strongest third, as factors.
EvenChroma measureReservedChroma(const std::vector<LinearRgb>& colours);

/// "Sharpening brings back detail": of the detail that a picture loses when it is halved and enlarged again, the share
/// that sharpening (fine detail, amount 1) brings back; below 0 it is farther off than without. And by how much
/// differences of places without edges, which are noise, grow.
struct Sharpened {
    double broughtBack = 0, noiseFactor = 1;
};
Sharpened measureSharpening(ImageView picture);

/// "A warmer white warms the skin": mean CIEDE2000 of 20 mired on colours of skin's hues (OKLCh 30 to 75 degrees) and
/// on all others. Without colours of skin that part is 0.
struct Warmed {
    double skin = 0, others = 0;
    int skins = 0;
};
Warmed measureWarmerWhite(const std::vector<LinearRgb>& colours);

/// "Split toning leaves the middle alone": mean chroma that a dye at each end (chroma 0.05) lays on greys of the middle
/// tones (L 0.45 to 0.6), and on those of the ends.
struct ToneTints {
    double middle = 0, ends = 0;
};
ToneTints measureSplitToning();

/// "A table carries any look": 33 points to the edge.
struct TableLoss {
    double mean = 0, maximum = 0;  ///< CIEDE2000 on these colours
    int leftOut = 0;               ///< steps that it cannot carry
};
Result<TableLoss> measureTableLoss(const Look& look, const std::vector<LinearRgb>& colours);

/// "Setting the ends costs nothing": shares of pixels with a channel at black or at white, before and after ends at the
/// half per cent points.
struct EndsCost {
    double before = 0, after = 0;
};
EndsCost measureEndsCost(ImageView picture);

/// "Eight bits are enough": of 256 greys, how many different ones a look leaves, and the widest step between
/// neighbours, in codes.
struct EightBits {
    int left = 256, widestStep = 1;
};
EightBits measureEightBits(const Look& look);

}  // namespace amber
