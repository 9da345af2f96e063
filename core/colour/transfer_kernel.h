// Transfer functions as the vector code takes them; core/colour/transfer-inl.h evaluates them.
#pragma once

#include "core/colour/rgb_space.h"

namespace amber {

/// A transfer function of rgb_space.h in the shape  x <= split ? slope x : scale x^power - offset  (encoding
/// direction).
struct TransferKernel {
    float split, slope, scale, power, offset;

    explicit TransferKernel(RgbSpace space)
    {
        switch (space) {
        case RgbSpace::Srgb:
        case RgbSpace::DisplayP3:
            split = 0.0031308f, slope = 12.92f, scale = 1.055f, power = 1 / 2.4f, offset = 0.055f;
            break;
        case RgbSpace::OpRgb:
            split = 0, slope = 1, scale = 1, power = 256.0f / 563, offset = 0;
            break;
        case RgbSpace::ProPhoto:
            split = 1.0f / 512, slope = 16, scale = 1, power = 1 / 1.8f, offset = 0;
            break;
        case RgbSpace::Rec2020:
            split = 0.018053968510807f, slope = 4.5f, scale = 1.09929682680944f, power = 0.45f,
            offset = 0.09929682680944f;
            break;
        case RgbSpace::Linear:
            split = 1e30f, slope = 1, scale = 1, power = 1, offset = 0;
            break;
        }
    }
};

}  // namespace amber
