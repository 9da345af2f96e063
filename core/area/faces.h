// Faces, found without any input: seeds for skin. Colour alone finds clay and wood as well.
#pragma once

#include "core/area/proposal.h"
#include "core/image/image.h"
#include "core/measure/framing.h"

#include <vector>

namespace amber {

struct Face {
    Region place;
    double sureness = 0;  ///< 0..1
};
/// By a cascade of simple features (P. Viola, M. Jones, IJCV 57(2), 2004; the cascades of Debian's opencv-data), the
/// surest first; frontal and upright ones only, and none narrower than `leastWidth` of the picture. Empty too when no
/// cascade is installed.
inline constexpr double kLeastFace = 36.0 / 640;
std::vector<Face> facesOf(ImageView picture, double leastWidth = kLeastFace);

/// The skin of all faces that are seen: never so sure that nobody needs to look.
Proposal proposeFaces(ImageView picture);

}  // namespace amber
