// Clipped pixels marked on a picture: which end, and in which channels, by shape and letter as well as by colour.
#pragma once

#include "core/image/image.h"

#include <QImage>

namespace amber {

/// Marks pixels whose linear sRGB components lie within `margin` (of encoded values) of black or white. White ends are
/// hatched upward, black ends downward; one channel at its end: thin lines, two: doubled, all three: filled.
void layOverClipping(ImageView linear, double margin, QImage& picture);

/// Dots where the picture is no longer at its white end but the file was (`source`: the same view before its light,
/// `saturation`: where a channel of its linear sRGB was at the end): balance and look make it grey, not whole.
void layOverLost(ImageView linear, ImageView source, double saturation, QImage& picture);

}  // namespace amber
