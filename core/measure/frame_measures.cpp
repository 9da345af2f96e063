#include "core/measure/frame_measures.h"

namespace amber {

FrameMeasures measureFrame(ImageView picture, const Framing& framing)
{
    const Image inside = counted(picture, framing);
    return {measureTone(inside.view(), RgbSpace::Srgb), measureHue(inside.view()), clipPlaces(picture, framing)};
}

}  // namespace amber
