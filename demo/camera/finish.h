// A finish that looks cannot express exactly, for the demo's before/after pair and its reference: it depends on place,
// and it mixes channels.
#pragma once

#include "core/colour/types.h"
#include "core/image/image.h"

namespace amber::demo {

struct Finish {
    Matrix3 mix{{{1, 0, 0}, {0, 1, 0}, {0, 0, 1}}};  ///< linear channels into one another
    double relief = 0;  ///< strengthens lightness against its surroundings: L' = L + relief (L - mean L within radius)
    int radius = 60;    ///< pixels
    double cornerStops = 0;      ///< light lost in the corners
    double veil[3] = {0, 0, 0};  ///< linear light laid over everything: c' = veil + (1 - veil) c
};

/// Linear working-space light 0..1 in and out. L is the cube root of luminance.
Image finished(ImageView picture, const Finish& finish);

}  // namespace amber::demo
