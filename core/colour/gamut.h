// Bringing colours into an output space.
#pragma once

#include "core/colour/rgb_space.h"

namespace amber {

/// How far outside 0..1 a component may lie and still count as inside: half a 16-bit code of an encoded value.
inline constexpr double kGamutTolerance = 5e-7;

/// True when the linear components of `space` lie within 0..1, give or take kGamutTolerance.
bool isInside(const LinearRgb& own);

/// Colours inside `space` come back untouched. Others are brought to its boundary in OKLCh: lightness is limited to
/// 0..1, hue is held, and chroma is lowered to where the boundary is first reached (share to 1e-9). Argument and result
/// are linear components of `space` itself. NaN counts as 0.
LinearRgb reduceToGamut(RgbSpace space, const LinearRgb& own);

}  // namespace amber
