// How ours would be cut to be framed as a reference is.
#pragma once

#include "core/balance/registration.h"
#include "core/image/spot.h"
#include "core/measure/framing.h"

namespace amber {

/// Where the eye goes first: the middle of what stands out from its surroundings, in fractions of the picture. What
/// stands out is the spectral residual (X. Hou, L. Zhang, "Saliency detection: a spectral residual approach", CVPR
/// 2007) of OKLab L and of a and b, its square as weight.
Spot eyeGoesTo(ImageView small);

/// The largest crop of `ratio` (width / height) of a picture of `ownRatio`, laid so that `subject` comes as near as it
/// can to `wanted` of the crop. Fractions of the picture.
Region croppedLike(double ownRatio, double ratio, Spot subject, Spot wanted);

/// Of one scene: what the reference shows, as far as ours shows it, in the reference's ratio. Nothing where that is
/// less than a tenth of ours.
std::optional<Region> framedAs(const Registration& oursToReference);

}  // namespace amber
