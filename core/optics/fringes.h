// Lateral colour fringes measured on a frame: how much farther out (as a share of the distance from the middle) red and
// blue lie than green, by the shift that brings their edges onto green's.
#pragma once

#include "core/image/image.h"

namespace amber {

struct Fringes {
    double red = 0, blue = 0;  ///< shares; times half the diagonal: pixels in the corners
    int edges = 0;             ///< places that were read
    bool isSure = false;       ///< enough edges, and they agree
};
/// Of the whole picture at its own size, as the file has it.
Fringes measureFringes(ImageView picture);

}  // namespace amber
