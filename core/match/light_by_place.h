// How light falls over a picture as a whole, whatever lies in it: from top to bottom, from left to right, and from the
// middle to the corners.
#pragma once

#include "core/image/image.h"

#include <array>
#include <optional>
#include <vector>

namespace amber {

inline constexpr std::size_t kFalls = 3;
/// L* of top less bottom, left less right, middle less corners.
using Falls = std::array<double, kFalls>;

/// Medians of L* over a grid of large areas as a constant and three smooth shapes (straight across, straight down, and
/// 1 less the square of the distance from the middle, 1 at the corners), least squares reweighted (Cauchy weights: P.
/// Holland, R. Welsch, Communications in Statistics A6(9), 1977), so that a single thing does not count. Pixels that
/// are no numbers are left out; nothing for less than 48 pixels across or down, or where less than half has any.
std::optional<Falls> lightByPlace(ImageView small);

/// What of the falls of `laid`, which shows what `ours` shows pixel by pixel, comes of its place and not of its tone:
/// L* of `laid` against the mean of all pixels that are of one tone in `ours`, on the same shapes, reweighted. Nothing
/// where that explains little.
std::optional<Falls> fallsBeside(ImageView ours, ImageView laid);

/// The picture with L* less these falls, its mean light kept.
Image levelled(ImageView small, const Falls& falls);

}  // namespace amber
