// Regions of a small picture: what proposals of areas are made of. Masks are 8 bit, 0 or 255; pictures OKLab.
#pragma once

#include "core/area/area.h"
#include "core/image/image.h"

#include <opencv2/core.hpp>

namespace amber {

/// OKLab of a picture reduced to this width (never enlarged), three floats a pixel.
cv::Mat okLabOf(ImageView picture, int width);
/// The length of the gradient of OKLab blurred by `deviation`, chroma counted twice.
cv::Mat gradientOf(const cv::Mat& lab, double deviation);

/// What a graph cut is told of each pixel, by OpenCV's own numbers.
enum class Told : std::uint8_t { Outside = 0, Inside = 1, LikelyOutside = 2, LikelyInside = 3 };
/// A graph cut between two colour models that are fitted in turn with it (C. Rother, V. Kolmogorov, A. Blake, ACM TOG
/// 23(3), 2004). The same for the same input.
cv::Mat graphCut(const cv::Mat& lab, const cv::Mat& told, int rounds);
/// The same with colour over lightness, which shade leaves as it is, and a little lightness.
cv::Mat graphCutInShade(const cv::Mat& lab, const cv::Mat& told, int rounds);

cv::Mat grown(const cv::Mat& mask, int radius);
/// The edge of the picture is no edge of the region.
cv::Mat shrunk(const cv::Mat& mask, int radius);
/// Specks and small holes go: what is smaller than `keep` of the largest piece, holes smaller than a hundredth of all.
cv::Mat cleaned(const cv::Mat& mask, double keep = 0.08);
/// The same, but only the pieces that touch `seed` stay, if any does.
cv::Mat cleanedRound(const cv::Mat& mask, const cv::Mat& seed);
/// Without holes: what is outside and is shut in.
cv::Mat filled(const cv::Mat& mask);
double shareOf(const cv::Mat& mask);
/// Intersection over union; 1 for two empty ones.
double overlap(const cv::Mat& a, const cv::Mat& b);

/// How well a region is told from what lies round it.
struct RegionEdge {
    double separation = 0;  ///< of the colours inside its edge and outside: 1 less Bhattacharyya's likeness
    double strength = 0;    ///< share of its edge where the gradient is twice the picture's median
};
RegionEdge edgeOf(const cv::Mat& lab, const cv::Mat& gradient, const cv::Mat& mask);

/// The median of a channel where `mask` is set; 0 when it is nowhere.
double medianWhere(const cv::Mat& values, const cv::Mat& mask);

FoundMask foundMaskOf(const cv::Mat& mask);
cv::Mat matOf(const FoundMask& mask);

}  // namespace amber
