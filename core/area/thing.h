// A thing of a picture, from a box round it, a rough stroke over it or a click on it; and set right by further strokes.
// Cut by its colours (graph cut: C. Rother, V. Kolmogorov, A. Blake, ACM TOG 23(3), 2004), near a stroke by the
// shortest ways over the gradient (X. Bai, G. Sapiro, IJCV 82(2), 2009).
#pragma once

#include "core/area/proposal.h"
#include "core/image/image.h"
#include "core/measure/framing.h"

#include <memory>

namespace amber {

/// A picture (balanced) as things are cut from it, made once for all that is asked of it; null when it is smaller than
/// 32 pixels either way. 750 pixels across are enough.
struct ThingGround;
using ThingPicture = std::shared_ptr<const ThingGround>;
ThingPicture thingPictureOf(ImageView picture);

/// What a box may hold, the best first; at most two, and none for a box without size. In the picture's own places.
std::vector<Proposal> proposeThing(const ThingPicture& picture, const Region& box);

/// What a stroke may mean, the best first; at most three. Points in the picture's own places, the radius in fractions
/// of its longer edge. A click is a stroke of one point.
std::vector<Proposal> proposeThing(const ThingPicture& picture, const Stroke& stroke);
inline constexpr double kClickRadius = 0.006;

/// A stroke over what belongs to a thing, or over what does not.
struct Said {
    Stroke stroke;
    bool isInside;
};
/// A region that somebody saw, set right by what was said of it, in that order: pixels nearer to a stroke than to the
/// other side change sides, and the edge is cut anew. The last stroke only adds, or only takes away. What is under a
/// stroke stays as it was said.
FoundMask correctedThing(const ThingPicture& picture, const FoundMask& mask, const std::vector<Said>& said);

}  // namespace amber
