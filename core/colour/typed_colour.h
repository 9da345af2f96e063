// Colours as people type them.
//
//   #d2691e or d2691e       sRGB, hexadecimal (IEC 61966-2-1)
//   lab 60 20 35            CIELAB of D50
//   lch 60 40 60            the same as L*, C*, h in degrees
//   oklch 0.65 0.1 55       OKLCh
//   +0.5 stops              of a given colour's lightness only: stops from mid-grey (0.18), for skin
// Numbers have a point, and are parted by spaces, commas, semicolons or slashes; brackets and letter case do not
// matter.
#pragma once

#include "core/base/result.h"
#include "core/colour/types.h"

#include <string>

namespace amber {

/// Fails for what is none of these, and for numbers outside of their scale.
Result<LinearRgb> colourFromText(const std::string& text);
/// A target for a colour that is `now`: a colour as above, or its lightness in stops with a* and b* kept.
Result<Lab> targetFromText(const std::string& text, const Lab& now);
/// "#d2691e": the nearest sRGB code.
std::string hexOf(const LinearRgb& c);

}  // namespace amber
