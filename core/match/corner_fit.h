// Light that falls off towards the corners of a treated picture, told from what the treatment did to colours.
#pragma once

#include "core/balance/registration.h"
#include "core/look/look.h"

#include <optional>

namespace amber {

/// Stops at the corners (below 0 darker), and the distance from the middle where they begin (EdgeDarkening).
struct Corners {
    double stops = 0, begin = 0;
};

/// Among colours that were alike before, those farther out are darker after. A straight line through the log of light
/// against the profile of edge darkening, each small cell of colours about its own mean, together with what is left of
/// their own difference in light; reweighted (Cauchy). Nothing when it explains little.
std::optional<Corners> cornersOf(const SeenTwice& seen, double ratio);

/// The colours after, without it.
std::vector<LinearRgb> withoutCorners(const SeenTwice& seen, const Corners& corners, double ratio);

/// The step that does it.
Step edgeStep(const Corners& corners);

}  // namespace amber
