// A face that is drawn, for what looks for faces: no picture of a person is kept here.
#pragma once

#include "core/image/image.h"

#include <algorithm>
#include <opencv2/imgproc.hpp>

namespace amber::test {

/// A face as light falls on one: an oval of skin, dark hollows of eyes with brows, a bright nose, a mouth; its edges
/// have a deviation of `soft` of its height.
inline Image drawnFace(cv::Size size, cv::Point middle, int high, double soft = 1.0 / 90)
{
    const auto part = [&](double x, double y) {
        return cv::Point(middle.x + static_cast<int>(x * high), middle.y + static_cast<int>(y * high));
    };
    const auto reach = [&](double x, double y) {
        return cv::Size(static_cast<int>(x * high), static_cast<int>(y * high));
    };
    cv::Mat picture(size, CV_32FC3, cv::Scalar(0.12, 0.16, 0.12));
    const cv::Scalar skin(0.5, 0.32, 0.22), shade(0.25, 0.15, 0.1), dark(0.03, 0.02, 0.02), lips(0.3, 0.1, 0.08);
    cv::ellipse(picture, part(0, -0.05), reach(0.44, 0.6), 0, 0, 360, cv::Scalar(0.05, 0.03, 0.02), cv::FILLED);
    cv::ellipse(picture, middle, reach(0.38, 0.5), 0, 0, 360, skin, cv::FILLED);
    for (const double side : {-1.0, 1.0}) {
        cv::ellipse(picture, part(side * 0.16, -0.1), reach(0.1, 0.06), 0, 0, 360, shade, cv::FILLED);
        cv::ellipse(picture, part(side * 0.16, -0.1), reach(0.06, 0.03), 0, 0, 360, cv::Scalar(0.6, 0.55, 0.5),
                    cv::FILLED);
        cv::circle(picture, part(side * 0.16, -0.1), std::max(1, high / 34), dark, cv::FILLED);
        cv::ellipse(picture, part(side * 0.16, -0.19), reach(0.11, 0.02), 0, 0, 360, dark, cv::FILLED);
    }
    cv::ellipse(picture, part(0, 0.05), reach(0.05, 0.12), 0, 0, 360, cv::Scalar(0.58, 0.38, 0.27), cv::FILLED);
    cv::ellipse(picture, part(0, 0.16), reach(0.08, 0.02), 0, 0, 360, shade, cv::FILLED);
    cv::ellipse(picture, part(0, 0.28), reach(0.14, 0.04), 0, 0, 360, lips, cv::FILLED);
    cv::GaussianBlur(picture, picture, {}, soft * high);
    Image image(picture.cols, picture.rows);
    for (int y = 0; y < picture.rows; ++y)
        std::copy_n(picture.ptr<float>(y), 3 * picture.cols, image.mutableView().row(y));
    return image;
}

}  // namespace amber::test
