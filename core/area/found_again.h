// A thing that was marked on some pictures, found on another: laid over by the landmarks of the whole scene, or of the
// thing alone; else looked for by its colours and its shape.
#pragma once

#include "core/area/landmarks.h"
#include "core/area/thing.h"

#include <map>
#include <vector>

namespace amber {

/// A picture (balanced: light must be equal first) as things are found again in it.
struct AgainPicture {
    ThingPicture ground;
    Landmarks landmarks;
    /// With which other pictures it was compared: several things are looked for in it. One thread at a time.
    std::shared_ptr<std::map<Landmarks, std::vector<LandmarkPair>>> pairs;
};
/// From a picture of 1000 pixels across, or fewer. What takes longest, the landmarks, may be known.
AgainPicture againPictureOf(ImageView picture, Landmarks known = nullptr);

struct MarkedThing {
    AgainPicture picture;
    FoundMask mask;
};

/// Where the thing may lie, the best first, at most three; each says by what. Nothing when it is nowhere. Those marked
/// are tried in their order, until one is sure.
std::vector<Proposal> findAgain(const std::vector<MarkedThing>& marked, const AgainPicture& picture);

}  // namespace amber
