// Strokes as they are kept.
#pragma once

#include "core/area/area.h"

namespace amber {

/// The same stroke with fewer points, at most kPointLimit: what is left out lies nowhere farther from it than a fifth
/// of its radius, and its pressure is nowhere off by more than a fifth (U. Ramer, 1972; D. Douglas, T. Peucker, 1973).
/// A stroke of more turns than that is followed less closely.
Stroke simplified(const Stroke& stroke);

}  // namespace amber
