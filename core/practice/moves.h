// How pictures are changed for drills: by a known difference in a known direction.
#pragma once

#include "core/image/image.h"

#include <array>
#include <string>

namespace amber {

enum class Move { Warmer, Cooler, Greener, Pinker, Lighter, Darker, Stronger, Paler };
inline constexpr std::array<Move, 4> kCastMoves{Move::Warmer, Move::Cooler, Move::Greener, Move::Pinker};
inline constexpr std::array<Move, 8> kEveryMove{Move::Warmer,  Move::Cooler, Move::Greener,  Move::Pinker,
                                                Move::Lighter, Move::Darker, Move::Stronger, Move::Paler};
std::string wordOf(Move move);

/// Moved until the mean difference of its colours is so many CIEDE2000, as far as the picture allows.
Image movedBy(const Image& image, Move move, double deltaE);

/// Light times 2^stops.
Image exposed(const Image& image, double stops);

/// What can be moved by eye; 0 leaves the picture, -1 and 1 are the ends.
inline constexpr std::array<const char*, 5> kMovedAxes{"exposure", "warmth", "tint", "chroma", "contrast"};
Image movedAlong(const Image& image, const std::string& axis, double value);

}  // namespace amber
