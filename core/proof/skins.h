// Where skin lies on a frame: key colours whose names say so, roles of that kind, and, when neither is marked, faces.
#pragma once

#include "core/proof/check.h"

namespace amber {

struct Skin {
    std::string name;
    Region place;  ///< round a role: all of it
    LinearRgb before, after;
    const KeyColour* key = nullptr;
};
/// Whether a name says that it is skin: "Ada's skin", "left hand".
bool meansSkin(const std::string& name);
std::vector<Skin> skinsOf(const CheckedFrame& frame);

/// The rectangle round where a mask is more than half.
Region placeOf(const Plane& mask);

}  // namespace amber
