#include "core/measure/frame_measures.h"

namespace amber {

FrameMeasures measureFrame(ImageView picture, const Framing& framing)
{
    const Image inside = counted(picture, framing);
    auto [tone, hue] = measureToneAndHue(inside.view(), RgbSpace::Srgb);
    return {std::move(tone), std::move(hue), clipPlaces(picture, framing)};
}

}  // namespace amber
