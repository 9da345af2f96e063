// A range of colours as it is picked on a picture.
#pragma once

#include "core/area/area.h"
#include "core/image/image.h"
#include "core/measure/framing.h"

namespace amber {

/// What holds nearly all colours of a region of a picture (balanced): its tones, chroma and hues between their
/// twentieths, and a little more. Hues are left open where the region has none to speak of.
ColourRange rangeOf(ImageView picture, const Region& region);

/// What holds both.
ColourRange widened(const ColourRange& range, const ColourRange& by);

}  // namespace amber
