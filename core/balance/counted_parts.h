// What of a frame its balance rests on, where areas say so: one thing alone, or all but what lies in another light or
// will be cut off.
#pragma once

#include "core/area/area.h"
#include "core/colour/types.h"
#include "core/engine/plane.h"
#include "core/image/image.h"

#include <map>
#include <optional>

namespace amber {

struct CountedParts {
    Plane weights;                           ///< 0..1: how far a pixel counts
    std::map<std::string, LinearRgb> alone;  ///< the mean of each thing that alone counts, by its role
};
/// Of an untouched picture; nothing when all of it counts, or next to nothing would.
std::optional<CountedParts> countedParts(ImageView untouched, const std::map<std::string, Area>& areas);

/// Those of a frame's areas that say what counts.
std::map<std::string, Area> areasThatCount(std::map<std::string, Area> areas);

/// Pixels that do not count become NaN; `picture` may be of another size than the weights.
void leaveOut(MutableImageView picture, const Plane& weights);

}  // namespace amber
