#include "core/area/thing_ground.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

/// Half as many pixels each way.
cv::Mat halved(const cv::Mat& lab)
{
    cv::Mat blurred, small;
    cv::GaussianBlur(lab, blurred, {}, 0.8);
    cv::resize(blurred, small, {std::max(1, lab.cols / 2), std::max(1, lab.rows / 2)}, 0, 0, cv::INTER_AREA);
    return small;
}

/// OKLab as ways are measured in it: chroma over lightness, and half of lightness.
cv::Mat wayColoursOf(const cv::Mat& lab)
{
    cv::Mat colours = lab.clone();
    colours.forEach<cv::Vec3f>([](cv::Vec3f& c, const int*) {
        const float light = std::max(c[0], 0.12f);
        c = {c[0] * 0.5f, c[1] / light * 0.6f, c[2] / light * 0.6f};
    });
    return colours;
}

}  // namespace

cv::Mat told(cv::Size size, Told all) { return cv::Mat(size, CV_8U, cv::Scalar(static_cast<int>(all))); }

double rising(double value, double from, double to) { return std::clamp((value - from) / (to - from), 0.0, 1.0); }

std::string inHundred(double share) { return std::to_string(static_cast<int>(std::lround(100 * share))) + " of 100"; }

CutGround::CutGround(cv::Mat of)
    : lab(std::move(of)), gradient(gradientOf(lab, 0.8)),
      usual(medianWhere(gradient, told(lab.size(), Told::Inside)) + kFloor)
{
}

ThingGround::ThingGround(ImageView picture)
    : whole(okLabOf(picture, kWidth)), half(halved(whole.lab)), fine(okLabOf(picture, kFineWidth)),
      wayColours(wayColoursOf(half.lab)), wayGradient(gradientOf(wayColours, 0.8))
{
}

cv::Mat ThingGround::sharpened(const cv::Mat& mask, int band) const
{
    cv::Mat large;
    cv::resize(mask, large, fine.size(), 0, 0, cv::INTER_LINEAR);
    large = large > 127;
    const cv::Rect near = cv::boundingRect(grown(large, 3 * band));
    if (near.empty())
        return large;
    cv::Mat start = told(fine.size(), Told::Outside);
    start.setTo(static_cast<int>(Told::LikelyOutside), grown(large, band));
    start.setTo(static_cast<int>(Told::LikelyInside), large);
    start.setTo(static_cast<int>(Told::Inside), shrunk(large, band));
    cv::Mat sharp = cv::Mat::zeros(fine.size(), CV_8U);
    graphCut(fine(near), start(near), 1).copyTo(sharp(near));
    return cleaned(sharp);
}

}  // namespace amber
