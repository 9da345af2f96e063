// What a box on a picture holds, cut by its colours.
#pragma once

#include "core/area/thing_ground.h"

namespace amber {

/// How strong the gradient is along the rim of a region, against the picture's median; 1.5 at most.
double rimStrength(const cv::Mat& gradient, double usual, const cv::Mat& mask);

/// One cut of a box: what came of it, and how well it holds.
struct BoxCut {
    cv::Mat mask;
    RegionEdge edge;
    double fill = 0, reach = 0, score = 0;
};

/// Both starts of one box, the better first. `sure`: what is the thing, if that is known.
struct TwoCuts {
    BoxCut better, other;
    double agreement;
};
TwoCuts cutTwice(const CutGround& ground, const cv::Rect& box, const cv::Mat& sure, int rounds);

}  // namespace amber
