// How far a fitted look can be trusted on a picture that it was not fitted to.
#pragma once

#include "core/image/image.h"
#include "core/match/fit_look.h"

#include <vector>

namespace amber {

/// Which pixels of a picture have colours near ones that were fitted (within about 0.06 of OKLab): elsewhere the look
/// is a guess.
std::vector<bool> coveredPixels(const std::vector<LinearRgb>& fitted, ImageView picture);
/// Their share.
double coverage(const std::vector<LinearRgb>& fitted, ImageView picture);

/// How far a look will end from what the treatment itself would make of a picture.
struct ForetoldError {
    double mean = 0;   ///< CIEDE2000, the most likely
    double bound = 0;  ///< of nine pictures in ten the true mean lies below
};

/// Of about 400 pixels of an even grid: the look's difference from the model's colour, and the model's own spread about
/// it, as one (root of the sum of squares). The bound is a fixed multiple, set by independent treatments on
/// photographs.
ForetoldError foretoldError(const FittedLook& fit, ImageView picture);

}  // namespace amber
