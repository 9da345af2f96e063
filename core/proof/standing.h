// How a frame stands, told fast from few pixels: for checks of many frames. What sets a frame upright is measured more
// finely by core/frame/upright.h.
#pragma once

#include "core/image/image.h"

#include <optional>

namespace amber {

/// Straight edges by R. Grompone von Gioi, J. Jakubowicz, J.-M. Morel, G. Randall, "LSD", Image Processing On Line 2,
/// 2012. Uprights of the scene lean by t + k x at x half heights from the middle: t is the tilt, k the lean. A level is
/// one straight line across the picture, of pieces that lie on it.
struct Standing {
    std::optional<double> uprightTilt, lean;  ///< degrees clockwise; k in radians
    std::optional<double> levelTilt;          ///< degrees clockwise
};
Standing measureStanding(ImageView picture);

}  // namespace amber
