// Single-channel pictures for spatial steps: means, ranges and samples of lightness.
#pragma once

#include "core/base/unset_floats.h"
#include "core/image/image.h"

#include <vector>

namespace amber {

/// One value to a pixel, rows without gaps.
struct Plane {
    int width = 0, height = 0;
    UnsetFloats values;

    Plane() = default;
    /// Of zeros.
    Plane(int w, int h) : width(w), height(h), values(static_cast<std::size_t>(w) * h, 0.0f) {}
    /// Of whatever lies there: for those that write every value.
    static Plane unset(int w, int h)
    {
        Plane plane;
        plane.width = w, plane.height = h, plane.values.resize(static_cast<std::size_t>(w) * h);
        return plane;
    }
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
/// The same of one row.
void lightnessOfRow(const float* rgb, std::size_t count, float* lightness);
/// Mean over (2 radius + 1)^2 pixels, fewer at the edges.
Plane boxMean(const Plane& plane, int radius);
/// Smallest (or largest) over (2 radius + 1)^2 pixels.
Plane localExtreme(const Plane& plane, int radius, bool largest);
/// Gaussian mean, kernel cut at three deviations, the edge pixels continued: along the rows when it is made, down the
/// columns row by row as they are asked for. Holds one plane.
class GaussianRows {
public:
    GaussianRows(const Plane& plane, double deviation);
    /// The same of lightnessOf(picture), which is left in `lightness`.
    GaussianRows(ImageView picture, double deviation, Plane& lightness);
    /// The mean of row `y`, `width` values. Any thread.
    void row(int y, float* values) const;

private:
    GaussianRows(int width, int height, double deviation);
    void sumAlong(const float* from, int y);
    int m_reach;
    std::vector<float> m_weights;
    Plane m_along;
};
/// All rows of it.
Plane gaussianMean(const Plane& plane, double deviation);

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
