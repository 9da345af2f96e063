// A marked thing looked for by its colours and its shape. Only for the room's own code.
#pragma once

#include "core/area/found_again.h"

namespace amber {

std::vector<Proposal> againByColour(const std::vector<MarkedThing>& marked, const ThingGround& ground);

}  // namespace amber
