#include "core/match/framing_offer.h"

#include "core/colour/oklab.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <opencv2/core.hpp>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

constexpr int kSide = 64;

/// The amplitude of a plane's spectrum less its mean over neighbours, back in place and squared.
cv::Mat residualOf(const cv::Mat& plane)
{
    cv::Mat spectrum;
    cv::dft(plane, spectrum, cv::DFT_COMPLEX_OUTPUT);
    std::vector<cv::Mat> parts;
    cv::split(spectrum, parts);
    cv::Mat amplitude, angle, log, mean;
    cv::cartToPolar(parts[0], parts[1], amplitude, angle);
    cv::log(amplitude + 1e-6f, log);
    cv::blur(log, mean, {3, 3});
    cv::exp(log - mean, amplitude);
    cv::polarToCart(amplitude, angle, parts[0], parts[1]);
    cv::merge(parts, spectrum);
    cv::Mat back, square;
    cv::idft(spectrum, back, cv::DFT_REAL_OUTPUT | cv::DFT_SCALE);
    cv::GaussianBlur(back.mul(back), square, {}, 2.5);
    return square;
}

std::array<cv::Mat, 3> planesOf(ImageView small)
{
    const Image even = reduceByArea(small, std::min(kSide, small.width), std::min(kSide, small.height));
    std::array<cv::Mat, 3> planes;
    for (cv::Mat& plane : planes)
        plane = cv::Mat(even.height(), even.width(), CV_32F);
    for (int y = 0; y < even.height(); ++y)
        for (int x = 0; x < even.width(); ++x) {
            const float* p = even.view().row(y) + 3 * x;
            const OkLab lab = toOkLab(
                LinearRgb{std::clamp(p[0], 0.0f, 1.0f), std::clamp(p[1], 0.0f, 1.0f), std::clamp(p[2], 0.0f, 1.0f)});
            planes[0].at<float>(y, x) = static_cast<float>(lab.L);
            planes[1].at<float>(y, x) = static_cast<float>(lab.a),
                                   planes[2].at<float>(y, x) = static_cast<float>(lab.b);
        }
    return planes;
}

}  // namespace

Spot eyeGoesTo(ImageView small)
{
    const auto planes = planesOf(small);
    cv::Mat all = cv::Mat::zeros(planes[0].size(), CV_32F);
    for (const cv::Mat& plane : planes) {
        const cv::Mat residual = residualOf(plane);
        if (const double sum = cv::sum(residual)[0]; sum > 0)
            all += residual / sum;
    }
    double weight = 0, x = 0, y = 0;
    for (int v = 0; v < all.rows; ++v)
        for (int u = 0; u < all.cols; ++u) {
            const double w = std::pow(all.at<float>(v, u), 2);
            weight += w, x += w * (u + 0.5) / all.cols, y += w * (v + 0.5) / all.rows;
        }
    return weight > 0 ? Spot{x / weight, y / weight} : Spot{0.5, 0.5};
}

Region croppedLike(double ownRatio, double ratio, Spot subject, Spot wanted)
{
    const double width = std::min(1.0, ratio / ownRatio), height = std::min(1.0, ownRatio / ratio),
                 left = std::clamp(subject.x - wanted.x * width, 0.0, 1 - width),
                 top = std::clamp(subject.y - wanted.y * height, 0.0, 1 - height);
    return {left, top, left + width, top + height};
}

std::optional<Region> framedAs(const Registration& oursToReference)
{
    constexpr double kLeast = 0.1;
    const Registration back = inverse(oursToReference);
    // The upright rectangle whose sides lie midway between the corners of what the reference shows.
    Registration::Place at[4];
    constexpr double kCorners[4][2] = {{0, 0}, {1, 0}, {1, 1}, {0, 1}};
    for (int i = 0; i < 4; ++i)
        at[i] = back.map({kCorners[i][0], kCorners[i][1]});
    double left = (at[0].x + at[3].x) / 2, right = (at[1].x + at[2].x) / 2, top = (at[0].y + at[1].y) / 2,
           bottom = (at[2].y + at[3].y) / 2;
    const double x = (left + right) / 2, y = (top + bottom) / 2;
    // As much of it as ours shows round its middle, in the reference's ratio.
    double width = right - left, height = width * oursToReference.fromRatio / oursToReference.toRatio;
    const double share =
        std::min({1.0, 2 * std::min(x, 1 - x) / width, 2 * std::min(y, 1 - y) / std::max(1e-9, height)});
    width *= share, height *= share;
    if (!(width > 0) || !(height > 0) || width * height < kLeast)
        return std::nullopt;
    return Region{x - width / 2, y - height / 2, x + width / 2, y + height / 2};
}

}  // namespace amber
