// A marked thing laid over another picture by landmarks. Only for the room's own code.
#pragma once

#include "core/area/found_again.h"

#include <optional>

namespace amber {

std::optional<Proposal> againByPlace(const MarkedThing& marked, const AgainPicture& picture);

}  // namespace amber
