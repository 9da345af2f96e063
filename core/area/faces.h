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
/// How far faces are sought: all from 6 % of the picture's width, or those from 8 %, in coarse steps of size first, in
/// two thirds of the time.
enum class FaceSearch { All, Large };
/// By a cascade of simple features (P. Viola, M. Jones, IJCV 57(2), 2004; the cascades of Debian's opencv-data), the
/// surest first; frontal and upright ones only. Empty too when no cascade is installed.
std::vector<Face> facesOf(ImageView picture, FaceSearch search = FaceSearch::All);

/// The skin of all faces that are seen: never so sure that nobody needs to look.
Proposal proposeFaces(ImageView picture);

}  // namespace amber
