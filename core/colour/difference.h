// Colour difference on D50 CIELAB.
#pragma once

#include "core/colour/types.h"

#include <vector>

namespace amber {

/// CIELAB (CIE 15:2004) of XYZ relative to D50.
Lab toLab(const Xyz& d50);
/// CIELAB of a working-space colour, adapted from D65 to D50 with Bradford.
Lab toLab(const LinearRgb& c);

/// The working-space colour of a CIELAB colour; the inverse.
LinearRgb fromLab(const Lab& lab);

/// L* (CIE 15:2004) of the grey whose OKLab lightness is `okL`: its luminance is okL cubed.
double lightnessStar(double okL);
/// The luminance, of a white of 1, that has this L*; the inverse.
double luminanceOfStar(double star);

/// CIEDE2000 with kL = kC = kH = 1 (CIE 142-2001; G. Sharma, W. Wu, E. Dalal, Color Res. Appl. 30(1), 2005).
double ciede2000(const Lab& one, const Lab& two);
double ciede2000(const LinearRgb& one, const LinearRgb& two);

/// Many differences in three numbers.
struct DifferenceSummary {
    double mean = 0, percentile95 = 0, maximum = 0;
};
/// All zero for no differences.
DifferenceSummary summarise(std::vector<double> differences);

}  // namespace amber
