// Light groups: the frames of a shoot that were lit alike. Looks are judged, and frames evened out, within them.
#pragma once

#include "core/image/metadata.h"
#include "core/measure/trial_frames.h"

#include <filesystem>
#include <vector>

namespace amber {

/// What is known of a frame before anything is done to it.
struct FrameFacts {
    CaptureFacts capture;
    FrameSketch sketch;
    Image small;                             ///< about 64 pixels long, linear: to tell pictures of one thing
    double clippedLow = 0, clippedHigh = 0;  ///< shares of pixels with a clipped channel
};
/// From a small picture (a thumbnail does) in linear light.
FrameFacts frameFacts(ImageView picture, const CaptureFacts& capture);

/// The long edge of the picture that facts are read from.
inline constexpr int kFactsEdge = 320;
/// Of a file.
Result<FrameFacts> readFacts(const std::filesystem::path& path);

struct LightGroup {
    std::vector<std::size_t> frames;  ///< indices, in the order they were taken
    std::size_t lead =
        0;  ///< index of the frame that stands for the group: nearest to its middle in exposure and light
};
/// Frames in the order of their time (those without keep their place) are parted where the camera changes, where the
/// pause is longer than a quarter of an hour and than four usual pauses, and where the measured light changes for good:
/// the mean light of the three frames before and the three after lies more than 0.045 apart in OKLab (a, b), and more
/// than twice as far as either three among themselves.
std::vector<LightGroup> lightGroups(const std::vector<FrameFacts>& frames);

/// Frames of one scene taken one after another with different exposures.
struct Bracket {
    std::vector<std::size_t> frames;  ///< indices, in the order they were taken
    std::size_t proposed = 0;         ///< the frame with the least clipping; black counts half of white
};
/// Runs of two to nine frames with the same camera, aperture and sensitivity, whose exposures differ from one to the
/// next by 0.7 stops or more and over all by 1.4 or more, and that show one thing: the ranks of their small pictures'
/// tones correlate by 0.9 or more.
std::vector<Bracket> findBrackets(const std::vector<FrameFacts>& frames);

/// Spearman's rank correlation of the tones of two small pictures of one size, over pixels clipped in neither; 0 for
/// other sizes. A change of exposure or of any rising curve leaves it as it is.
double likeness(ImageView one, ImageView two);

}  // namespace amber
