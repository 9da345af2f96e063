// The simulated camera's lens: where a ray lands and how much of it arrives.
#pragma once

#include "core/image/image.h"

namespace amber::demo {

struct Lens {
    double falloffStops = 0;               ///< light lost in the corners, as the square of the distance from the middle
    double distortion = 0;                 ///< r' = r (1 + distortion r^2), r = 1 in the corners; above 0 is pincushion
    double redFringe = 0, blueFringe = 0;  ///< red and blue see the scene this share farther out than green
    double rollDegrees = 0;                ///< the camera turned about its axis
    double zoom = 1;                       ///< above 1: a step nearer
    double shiftX = 0, shiftY = 0;         ///< of the view, in parts of the width and height
    double lowPass = 0;  ///< share of its light that the filter before the sensor gives to each neighbour along rows,
                         ///< then along columns
    bool hasFringes() const { return redFringe != 0 || blueFringe != 0; }
    bool isPlain() const
    {
        return distortion == 0 && !hasFringes() && rollDegrees == 0 && zoom == 1 && shiftX == 0 && shiftY == 0;
    }
};

/// Where in the scene (pixels, centres at .5) the picture's point lies, for a colour seen `fringe` farther out.
struct Point {
    double x, y;
};
Point sceneAt(const Lens& lens, int width, int height, Point picture, double fringe = 0);

/// The scene as the lens throws it on the sensor: same size, bicubic (Catmull-Rom) where it moves; edges repeat.
Image throughLens(ImageView scene, const Lens& lens);

}  // namespace amber::demo
