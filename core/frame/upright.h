// How a frame stands, measured: by long straight edges near the upright and the level, and where they meet.
#pragma once

#include "core/frame/geometry.h"
#include "core/optics/optics.h"

#include <optional>

namespace amber {

/// What would set the frame upright, and by what it is known. Uprights of the scene meet at one point; that it lies at
/// infinity, straight up, is what tilt and lean up bring about. Likewise levels, by the lean aside.
struct Upright {
    std::optional<double> tiltDegrees;        ///< Geometry::straightenDegrees; nothing: no edge tells
    std::optional<double> leanUp, leanAside;  ///< only when they are sure
    bool isSure = false;           ///< the tilt rests on uprights that meet, or on levels at different heights
    int uprights = 0, levels = 0;  ///< edges that agree
};
/// Of the source as it was read; the lens is corrected first.
Upright measureUpright(ImageView picture, const Optics& optics = {});

/// The turn, within 10 degrees, that would set level what runs across the picture: a horizon, the edge of a table.
/// Nothing when no edge is clear.
std::optional<double> measuredTilt(ImageView picture);

}  // namespace amber
