// The few colours a picture is made of.
#pragma once

#include "core/colour/types.h"
#include "core/image/image.h"

#include <vector>

namespace amber {

struct MainColour {
    LinearRgb colour;
    double share = 0;
    double x = 0, y = 0;  ///< a place in the picture (fractions) that has this colour
};

/// At most `count` colours by k-means in OKLab with chroma weighted double (what tells colours apart is mostly not
/// lightness), started farthest-first from the mean: the same picture always gives the same colours. Largest share
/// first.
std::vector<MainColour> mainColours(ImageView image, int count);

}  // namespace amber
