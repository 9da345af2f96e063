// A thing of a picture, from a box that was drawn round it or one rough stroke along it: graph cut between colour
// models of the box and of what lies round it, from two starts that know differently much of the box (C. Rother, V.
// Kolmogorov, A. Blake, ACM TOG 23(3), 2004). Colours are taken over lightness, so that shade on the thing does not
// part it. From a stroke the box comes of the geodesic distance: how much gradient lies on the way (after X. Bai, G.
// Sapiro, IJCV 82(2), 2009).
#pragma once

#include "core/area/proposal.h"
#include "core/image/image.h"
#include "core/measure/framing.h"

namespace amber {

/// What a box may hold, the best first; at most two, and none for a box without size. In the picture's own places.
std::vector<Proposal> proposeThing(ImageView picture, const Region& box);

/// What a stroke may mean, the best first; at most three. Points in the picture's own places, the radius in fractions
/// of its longer edge.
std::vector<Proposal> proposeThing(ImageView picture, const Stroke& stroke);

}  // namespace amber
