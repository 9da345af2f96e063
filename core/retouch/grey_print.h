// A small grey picture by which a file is known again when its name and its metadata are gone, also when its edges are.
#pragma once

#include "core/base/result.h"
#include "core/image/image.h"
#include "core/measure/framing.h"

#include <cstdint>
#include <string>
#include <vector>

namespace amber {

/// sRGB-encoded luminance of a picture reduced to 192 pixels along its longer edge.
struct GreyPrint {
    int width = 0, height = 0;
    std::vector<std::uint8_t> grey;
};
inline constexpr int kGreyPrintEdge = 192;
GreyPrint greyPrintOf(ImageView picture);

std::string greyPrintToText(const GreyPrint& print);
/// An empty one for a text that is none.
GreyPrint greyPrintFromText(const std::string& text);

/// Where a print lies in another as a whole or a part of it, and how well: correlation (zero-mean, normalised), -1..1.
struct GreyPlace {
    double likeness = -1;
    Region place;  ///< of `whole`, in fractions
};
/// Looked for at sizes from all of `whole` down to 0.35 of its width.
GreyPlace placeIn(const GreyPrint& whole, const GreyPrint& part);

}  // namespace amber
