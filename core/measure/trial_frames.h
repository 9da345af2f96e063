// Trial frames: the frames of a shoot that differ most from the one in hand, on which a look should be tried.
#pragma once

#include "core/image/image.h"

#include <array>
#include <vector>

namespace amber {

/// What is told apart between frames, from a small picture.
struct FrameSketch {
    double meanL = 0;               ///< OKLab
    double a = 0, b = 0;            ///< mean of OKLab a and b of the less coloured half: the light
    std::array<double, 12> hues{};  ///< shares of chroma by hue: the subject
};
FrameSketch sketchOf(ImageView small);

struct TrialFrame {
    std::size_t frame = 0;  ///< index into the sketches
    enum class Reason { Darkest, Brightest, OtherLight, OtherColours } reason = Reason::Darkest;
};
/// Up to `count` frames, none twice and never `inHand`: darkest, brightest, then by turns the one whose light and the
/// one whose colours lie farthest from all chosen so far.
std::vector<TrialFrame> trialFrames(const std::vector<FrameSketch>& all, std::size_t inHand, std::size_t count);

}  // namespace amber
