// All measures of one picture that the screen shows, at once.
#pragma once

#include "core/measure/framing.h"
#include "core/measure/tone.h"

namespace amber {

struct FrameMeasures {
    ToneMeasures tone;  ///< at the output encoding of sRGB
    HueMeasures hue;
    ClipPlaces clips;
};
/// Of what counts in the picture. One thread: the picture that was just rendered is being painted on another.
FrameMeasures measureFrame(ImageView picture, const Framing& framing);

}  // namespace amber
