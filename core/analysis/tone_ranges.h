// A picture cut into ranges of tone, each to be looked at alone: which colours a guard would touch.
#pragma once

#include "core/image/image.h"
#include "core/look/guard.h"

#include <array>

namespace amber {

struct ToneRange {
    Guard guard;       ///< its tones; the ends of the scale are open
    double share = 0;  ///< of the picture: the mean weight of the guard, 0..1
    Image picture;     ///< what it touches, the rest a mid grey; working-space light
};

/// Deep, dark, middle, light, bright: the five regions of tone bands (kBandCentres), each reaching half a spacing to
/// either side. Their shares add up to the whole.
std::array<ToneRange, 5> toneRanges(ImageView picture);

}  // namespace amber
