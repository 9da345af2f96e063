// Single-channel pictures for spatial steps: means, ranges and samples of lightness.
#pragma once

#include "core/image/image.h"

#include <vector>

namespace amber {

/// One value to a pixel, rows without gaps.
struct Plane {
    int width = 0, height = 0;
    std::vector<float> values;

    Plane() = default;
    Plane(int w, int h) : width(w), height(h), values(static_cast<std::size_t>(w) * h) {}
    const float* row(int y) const { return values.data() + static_cast<std::size_t>(y) * width; }
    float* row(int y) { return values.data() + static_cast<std::size_t>(y) * width; }
};

/// Where a run of pixels lies in its picture.
struct Place {
    int x = 0, y = 0, width = 0, height = 0;
};

/// The long edge to which spatial steps reduce a picture to find means of wide surroundings.
inline constexpr int kSurroundingsEdge = 320;
/// The picture reduced to at most kSurroundingsEdge.
Image surroundings(ImageView picture);

/// OKLab L of every pixel; runs on all threads.
Plane lightnessOf(ImageView picture);
/// Mean over (2 radius + 1)^2 pixels, fewer at the edges.
Plane boxMean(const Plane& plane, int radius);
/// Smallest (or largest) over (2 radius + 1)^2 pixels.
Plane localExtreme(const Plane& plane, int radius, bool largest);
/// Gaussian mean, kernel cut at three deviations, the edge pixels continued. `plane` is used up: at most one further
/// plane is held.
Plane gaussianMean(Plane plane, double deviation);

/// Guided filter: the planes a and b of  mean = a guide + b  (K. He, J. Sun, X. Tang, 2013, equations 5, 6 and 8).
struct GuidedMean {
    Plane a, b;
};
GuidedMean guidedMean(const Plane& guide, const Plane& input, int radius, double epsilon);

/// `count` values of a smaller plane, bilinear between its pixel centres, where the pixels of a picture from `place` on
/// lie.
void sampleRow(const Plane& small, const Place& place, int count, float* values);
inline float sampleAt(const Plane& small, const Place& place)
{
    float value;
    sampleRow(small, place, 1, &value);
    return value;
}

}  // namespace amber
