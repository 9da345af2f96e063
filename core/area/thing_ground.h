// A picture as things are cut from it: made once, asked often. Only for the room's own code.
#pragma once

#include "core/area/regions.h"

namespace amber {

/// OKLab of some pixels, and how much it changes.
struct CutGround {
    cv::Mat lab, gradient;
    double usual;  ///< gradient
    explicit CutGround(cv::Mat lab);
    static constexpr double kFloor = 0.002;
};

/// Few pixels to choose among cuts, more to cut, most for the edge; for ways, chroma over lightness on the fewest.
struct ThingGround {
    CutGround whole, half;
    cv::Mat fine, wayColours, wayGradient;
    explicit ThingGround(ImageView picture);
    /// The edge of a region of fewer pixels decided anew on the most, in a band along it, its half width in pixels.
    cv::Mat sharpened(const cv::Mat& mask, int band = 4) const;
    static constexpr int kWidth = 500, kFineWidth = 750;
};

cv::Mat told(cv::Size size, Told all);
/// A linear rise from 0 at `from` to 1 at `to`.
double rising(double value, double from, double to);
/// "87 of 100".
std::string inHundred(double share);

}  // namespace amber
