// The noise of a frame: measured in its flat places, and taken off. Both work on the values of sRGB's curve (with
// linear light below its toe) as a lightness y = (r + 2 g + b) / 4 and two colours r - g and b - g.
#pragma once

#include "core/image/image.h"

#include <array>
#include <vector>

namespace amber {

/// Standard deviations by tone, and how they spread over the scales of an à trous transform (J.-L. Starck, F. Murtagh,
/// PASP 106, 1994). All 0 when nothing of the picture is flat enough to tell.
struct Noise {
    static constexpr int kTones = 8, kScales = 5;
    std::array<double, kTones> lightness{}, colour{};  ///< at the middle of each eighth of the tone axis
    /// Of the detail at each scale, as a share of the whole.
    std::array<double, kScales> lightnessShare{}, colourShare{};
    int flatPlaces = 0;  ///< blocks of 16 x 16 pixels it was read from
    bool isKnown() const { return flatPlaces > 0; }
    /// Whether it spreads over the scales as noise does, most of it in the finest. Texture has more of the coarse and
    /// may be all that a picture without flat places shows.
    bool isSure() const
    {
        constexpr double kFinest = 0.55, kCoarse = 0.65;
        return isKnown() && lightnessShare[0] >= kFinest && lightnessShare[2] <= kCoarse * lightnessShare[0];
    }
    /// Of the whole picture, each tone by how often it was seen.
    double meanLightness = 0, meanColour = 0;
    bool operator==(const Noise&) const = default;
};
Noise measureNoise(ImageView picture);
/// Rows that stand for a picture of this height, each range a multiple of 16; all of them of one that is not large.
struct RowRange {
    int first, rows;
};
std::vector<RowRange> noiseRows(int height);
/// Of those rows alone, one range under another.
Noise measureNoiseOfRows(ImageView rows);

/// How many rows above and below a row its reduced noise depends on.
inline constexpr int kNoiseReach = 62;
/// In place. Detail is shrunk towards nothing by what the noise would have given it (the garrote of H.-Y. Gao, J.
/// Comput. Graph. Stat. 7(4), 1998, which leaves strong detail as it is), colour more than lightness; `strength` 0..1.
void reduceNoise(MutableImageView picture, const Noise& noise, double strength);

/// What is left of the contrast of a picture's edges in another of the same size: the median, over its strongest edges,
/// of the step across them after by that before. 1 when there are none.
double edgeContrastKept(ImageView before, ImageView after);

}  // namespace amber
