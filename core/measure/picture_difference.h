// The measured difference between two pictures of one size.
#pragma once

#include "core/base/result.h"
#include "core/image/image.h"

namespace amber {

struct PictureDifference {
    double mean = 0, percentile50 = 0, percentile95 = 0, percentile99 = 0, maximum = 0;  ///< CIEDE2000
    int x = 0, y = 0;  ///< the pixel with the largest difference
};

/// Both in linear working-space light. Fails when the sizes differ.
Result<PictureDifference> pictureDifference(ImageView one, ImageView two);

}  // namespace amber
