// What a picture shows by its finest structure and not by its colours, and the steps that bring ours to it.
#pragma once

#include "core/base/cancel.h"
#include "core/base/result.h"
#include "core/image/image.h"
#include "core/look/look.h"

#include <array>
#include <memory>

namespace amber {

class RoleMasks;

enum class Texture { LocalContrast, Edges, Grain, Noise };
inline constexpr std::size_t kTextures = 4;
/// A picture is measured with this long edge, or with its reference's where that is less.
inline constexpr int kTextureEdge = 1600;

/// - local contrast: 100 times the mean of |L - surroundings|, surroundings as those of LocalContrast at 3 %, of the
///   picture reduced to 320 pixels;
/// - edges: the median, over places where OKLab L ranges over more than 0.12 within three pixels to each side, of the
///   greatest difference between neighbours against that range: 1 is a step from one pixel to the next;
/// - grain and noise: 100 times the deviation of L, and of a and b together, of what passes no plane from pixel to
///   pixel, in the tenth part of small blocks at mid tones that vary least.
/// 0 where there is nothing to tell.
using Textures = std::array<double, kTextures>;
Textures texturesOf(ImageView picture);
/// The picture as large as it is compared with a reference of this long edge.
Image forTexture(ImageView picture, double referenceEdge);

/// Brings one of them to `wanted`: the amount of the group's step of local contrast, fine detail or grain, by halving;
/// the step is made when it is missing, after the group's other steps, grain at the look's end. As near as its limits
/// allow. Fails when the look has no room.
Result<Look> takeTexture(const Look& look, ImageView picture, Texture texture, double wanted, const std::string& group,
                         const std::shared_ptr<const RoleMasks>& masks = {}, const CancelToken& cancel = {});

}  // namespace amber
