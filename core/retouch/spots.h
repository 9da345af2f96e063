// Dust on a sensor and small blemishes, proposed; and a view of a picture in which they and unevenness are seen.
#pragma once

#include "core/image/image.h"
#include "core/image/spot.h"

#include <vector>

namespace amber {

struct DustSpot {
    Spot at;              ///< fractions of the picture
    double radius = 0;    ///< fraction of its longer edge
    double strength = 0;  ///< OKLab L by which its middle is darker than its surroundings
    bool operator==(const DustSpot&) const = default;
};

/// Small, round, dark and alone on an even ground: extrema in place and size of differences of Gaussians of OKLab L
/// (T. Lindeberg, IJCV 30(2), 1998), held against what varies in the ring round them. The strongest first, at most 200.
std::vector<DustSpot> spotsOf(ImageView picture);

/// Grey, of the picture's size when that is at most `longEdge`: what OKLab L differs from its wide surroundings by,
/// eightfold where little varies round it, less where much does (by its deviation there). Small marks and slow changes
/// of light both show.
Image stretchedView(ImageView picture, int longEdge);

}  // namespace amber
