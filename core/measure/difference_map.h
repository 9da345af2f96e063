// Where and how two pictures differ, as a grey picture: middle grey where they agree.
#pragma once

#include "core/base/result.h"
#include "core/image/image.h"

namespace amber {

enum class MapAspect { Lightness, Chroma, Hue };
/// The difference that is shown as full white (two over one) or black: OKLab L, OKLCh chroma, and the hue part of the
/// distance 2 sqrt(C1 C2) sin(dh / 2), signed.
inline constexpr double kMapReach[3] = {0.1, 0.05, 0.05};
/// Linear light, R = G = B; even in OKLab L. Fails when the sizes differ.
Result<Image> differenceMap(ImageView one, ImageView two, MapAspect aspect);

}  // namespace amber
