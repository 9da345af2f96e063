// The falloff of a lens measured over frames: light that falls off towards the corners spreads each brightness of a
// scene over many, so that of all falloffs that could be taken off, the right one leaves the fewest: the least entropy
// of the histogram of log light (after L. Lopez-Fuentes, G. Oliver, S. Massanet, "Revisiting image vignetting
// correction by constrained minimization of log-intensity entropy", IWANN 2015).
#pragma once

#include "core/image/image.h"

#include <optional>
#include <vector>

namespace amber {

/// Stops that the corners of one frame lack by that measure, of scene light: -1..3. A picture lit brighter at its edges
/// gives less than its lens took. `white` is the light of what the file clipped, which tells nothing. Nothing when the
/// frame is too small, dark or white to tell.
std::optional<double> apparentFalloff(ImageView scene, double white = 1);

struct MeasuredFalloff {
    double stops = 0;  ///< that the corners lack: light left is 2^(-stops r^2); never below 0, which no lens does
    double error = 0;  ///< standard error
    int frames = 0;
    bool isSure() const { return frames >= 3 && error < 0.2; }
};
/// The median of the frames of one lens; nothing without any.
std::optional<MeasuredFalloff> measureFalloff(const std::vector<double>& apparent);

}  // namespace amber
