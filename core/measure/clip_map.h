// Which pixels lie at the ends, and in which channels; of raw files also what of the light can be brought back.
#pragma once

#include "core/image/image.h"

#include <cstdint>
#include <vector>

namespace amber {

/// One byte for a pixel: bits 0 to 2 red, green, blue at black, bits 3 to 5 at white.
struct ClipMap {
    int width = 0, height = 0;
    std::vector<std::uint8_t> pixels;
    static int darkChannels(std::uint8_t p) { return (p & 1) + (p >> 1 & 1) + (p >> 2 & 1); }
    static int brightChannels(std::uint8_t p) { return darkChannels(static_cast<std::uint8_t>(p >> 3)); }
};
/// Linear sRGB components within `margin`, in encoded values, of an end or beyond it.
ClipMap clipMap(ImageView picture, double margin);

/// Of the pixels that are white in a picture as it is balanced: how many the sensor still held in every channel, in
/// some, in none. Shares of all pixels.
struct Headroom {
    double recoverable = 0, partly = 0, lost = 0;
    bool isAny() const { return recoverable + partly + lost > 0; }
};
/// `scene` is the same picture's light as the raw file has it, before any balance: a channel of linear sRGB at or over
/// `saturation` was at the sensor's end.
Headroom headroomOf(ImageView balanced, ImageView scene, double saturation);

}  // namespace amber
