// What a treatment did by place and not by colour: local contrast, sharpening and grain, seen once its colours are
// known.
#pragma once

#include "core/image/image.h"
#include "core/look/look.h"

#include <optional>

namespace amber {

/// Both pictures lie on one another; `coloured` is the picture before under the steps of colour that were found,
/// `after` the treated one. What of their difference depends on colour alone is taken off first.
///
/// Of local contrast the size whose detail explains most, its amount by least squares; nothing when that is less than
/// 0.1, or explains less than a tenth of what is left.
std::optional<LocalContrast> fittedLocalContrast(ImageView coloured, ImageView after);

/// Of sharpening for output the radius that explains most, its amount by least squares, then once more about that
/// amount; nothing when that is less than 0.15 or explains less than a thirtieth of what is left. Pictures at their own
/// size: what is reduced afterwards hardly shows it.
std::optional<OutputSharpening> fittedSharpening(ImageView coloured, ImageView after);

/// Of grain what varies from pixel to pixel and does not follow the picture: its size by how fast it goes with
/// reduction, its amount by its deviation; nothing when that is little more than a file's own (0.006 of OKLab L).
/// Pictures of 1000 pixels or more.
std::optional<Grain> fittedGrain(ImageView coloured, ImageView after);

}  // namespace amber
