// Roles at single places, and in parts of a picture.
#pragma once

#include "core/engine/role_masks.h"
#include "core/look/look.h"

namespace amber {

/// The masks of a part of a picture: `part` is where its first pixel lies in the whole, and how large that is.
RoleMasks partOf(const RoleMasks& masks, const Place& part, int width, int height);

/// The weight of every role at a place, in fractions of the picture.
std::map<std::string, double> weightsAt(const RoleMasks& masks, double x, double y);

/// The look as it is where its roles have these weights: its steps are bound to none, and weaker where they work less.
/// One whose role has no weight given does nothing.
Look lookAt(Look look, const std::map<std::string, double>& weights);

}  // namespace amber
