// The sky of a picture, without any input: the smooth region that reaches down from its upper edge. Of a family of
// limits on the gradient each gives a first edge per column; the few that part the picture best (least spread of colour
// within both parts) are cut anew by colour, and the one that holds best is taken.
#pragma once

#include "core/area/proposal.h"
#include "core/image/image.h"

namespace amber {

/// Of a balanced picture; the finished picture's own places. Light, blue or grey, smooth, told from what is below it:
/// a sureness below 0.5 says there is none.
Proposal proposeSky(ImageView picture);

}  // namespace amber
