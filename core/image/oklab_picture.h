// OKLab of whole pictures, for measures that need every pixel's.
#pragma once

#include "core/colour/types.h"
#include "core/image/image.h"

#include <vector>

namespace amber {

/// toOkLab() of every pixel, row by row; in single precision, within 2e-6 of it for light from -1 to 16 (black is
/// within 1e-9 of 0). By Highway with run-time dispatch.
std::vector<OkLab> okLabsOf(ImageView picture);

}  // namespace amber
