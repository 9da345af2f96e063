// A picture between its pixels.
#pragma once

#include "core/image/image.h"

#include <algorithm>
#include <cmath>

namespace amber {

/// The colour at (x, y) in pixels, pixel centres at whole numbers: the cubic of E. Catmull and R. Rom (Computer Aided
/// Geometric Design, 1974) through the four nearest along each axis; pixels of the edge repeat outward.
inline void sampleBicubic(ImageView picture, double x, double y, float* colour)
{
    const auto weights = [](double place, float* w) {
        const auto t = static_cast<float>(place - std::floor(place));
        w[0] = ((-t + 2) * t - 1) * t / 2;
        w[1] = ((3 * t - 5) * t * t + 2) / 2;
        w[2] = ((-3 * t + 4) * t + 1) * t / 2;
        w[3] = (t - 1) * t * t / 2;
    };
    float across[4], down[4], sum[3] = {};
    weights(x, across), weights(y, down);
    const int left = static_cast<int>(std::floor(x)) - 1, top = static_cast<int>(std::floor(y)) - 1;
    for (int j = 0; j < 4; ++j) {
        const float* row = picture.row(std::clamp(top + j, 0, picture.height - 1));
        for (int i = 0; i < 4; ++i) {
            const float* p = row + 3 * std::clamp(left + i, 0, picture.width - 1);
            for (int k = 0; k < 3; ++k)
                sum[k] += across[i] * down[j] * p[k];
        }
    }
    std::copy_n(sum, 3, colour);
}

}  // namespace amber
