// The shortest ways over a picture from what was drawn on it.
#pragma once

#include "core/area/area.h"

#include <opencv2/core.hpp>

namespace amber {

/// How much gradient, and `colour` times how much of another colour than the seed's, lies on the shortest way from it
/// (E. Dijkstra, 1959, to eight neighbours). Without a seed all ways are long.
cv::Mat waysFrom(const cv::Mat& seed, const cv::Mat& colours, const cv::Mat& gradient, float colour);

/// A stroke as a mask of this size; at least a pixel wide.
cv::Mat drawn(const Stroke& stroke, cv::Size size);

}  // namespace amber
