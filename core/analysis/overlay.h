// What a step, or a family of hue shifts, touches, laid over a picture.
#pragma once

#include "core/engine/render_plan.h"

namespace amber {

/// Lays `colour` over `shown` (any rendering of `picture`, of its size) where the step works: by its guard or the edges
/// it takes when it has such, else by how far it moves a colour (OKLab distance, in full from 0.02). Lightness shows
/// through by 0.35. `picture` is the untouched picture.
void layOverStep(const Look& look, std::size_t step, const LinearRgb& colour, ImageView picture, MutableImageView shown,
                 const RenderOptions& options = {});
/// The same for one family, or, from the number of families on, near-blacks, greys and near-whites, of the hue shifts
/// that are this step.
void layOverFamily(const Look& look, std::size_t step, std::size_t family, const LinearRgb& colour, ImageView picture,
                   MutableImageView shown, const RenderOptions& options = {});

/// Multiplies light so that the mean OKLab L becomes that of `like`: L is homogeneous of degree 1/3 in light.
void equaliseBrightness(ImageView like, MutableImageView picture);

}  // namespace amber
