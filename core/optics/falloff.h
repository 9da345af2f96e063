// The falloff of a lens measured over frames: in a picture without it slopes of brightness outward and inward are as
// common as each other, so that where the two do not balance the lens is seen (Y. Zheng, J. Yu, S. B. Kang, S. Lin,
// C. Kambhamettu, "Single-image vignetting correction using radial gradient symmetry", CVPR 2008).
#pragma once

#include "core/image/image.h"

#include <optional>
#include <vector>

namespace amber {

/// Slopes of one frame along the rays from the middle.
struct RadialSlopes {
    struct Slope {
        float length;  ///< half diagonals
        float stops;   ///< per half diagonal, of scene light
    };
    std::vector<Slope> slopes;
};
/// Of scene light.
RadialSlopes radialSlopes(ImageView scene);

struct MeasuredFalloff {
    double stops = 0;  ///< that the corners lack: light left is 2^(-stops r^2)
    double error = 0;  ///< standard error
    int frames = 0;
    bool isSure() const { return frames > 0 && error < 0.15; }
};
/// Over the frames of one lens; nothing without slopes.
std::optional<MeasuredFalloff> measureFalloff(const std::vector<RadialSlopes>& frames);

}  // namespace amber
