#include "core/area/landmarks.h"

#include "core/area/regions.h"
#include "core/base/long_call.h"

#include <Eigen/Core>
#include <algorithm>
#include <cmath>
#include <cstdint>
#include <opencv2/features2d.hpp>
#include <opencv2/imgproc.hpp>

namespace amber {

using Descriptions = Eigen::Matrix<std::uint8_t, Eigen::Dynamic, Eigen::Dynamic, Eigen::RowMajor>;

struct LandmarkData {
    std::vector<cv::Point2f> points;  ///< in widths
    Descriptions descriptions;        ///< one a row, kScale for 1
};

namespace {

constexpr int kWidth = 1000, kMost = 2200, kLength = 128;
constexpr float kScale = 512;

/// Log light about its local mean, in local deviations, as 8-bit codes.
cv::Mat levelled(ImageView picture)
{
    constexpr double kReach = 40, kDark = 0.03, kMiddle = 128, kDeviation = 45;
    cv::Mat light, mean, spread, codes;
    cv::extractChannel(okLabOf(picture, kWidth), light, 0);
    light = cv::max(light, 0) + kDark;
    cv::log(light, light);
    cv::GaussianBlur(light, mean, {}, kReach);
    light -= mean;
    cv::GaussianBlur(light.mul(light), spread, {}, kReach);
    cv::sqrt(spread, spread);
    cv::divide(light, spread + kDark, light);
    light.convertTo(codes, CV_8U, kDeviation, kMiddle);
    return codes;
}

Descriptions rootsOf(const cv::Mat& descriptions)
{
    Descriptions roots(descriptions.rows, kLength);
    for (int i = 0; i < descriptions.rows; ++i) {
        const float sum = std::max(1e-6f, static_cast<float>(cv::sum(descriptions.row(i))[0]));
        for (int k = 0; k < kLength; ++k)
            roots(i, k) = static_cast<std::uint8_t>(
                std::min(255.0f, kScale * std::sqrt(descriptions.at<float>(i, k) / sum) + 0.5f));
    }
    return roots;
}

}  // namespace

Landmarks landmarksOf(ImageView picture)
{
    longCall("landmarksOf");
    constexpr int kSmallest = 32;
    constexpr double kContrast = 0.02;
    if (picture.width < kSmallest || picture.height < kSmallest)
        return nullptr;
    std::vector<cv::KeyPoint> points;
    cv::Mat descriptions;
    const cv::Mat codes = levelled(picture);
    try {
        cv::SIFT::create(kMost, 3, kContrast)->detectAndCompute(codes, cv::noArray(), points, descriptions);
    } catch (const cv::Exception&) {
        return nullptr;
    }
    if (points.empty())
        return nullptr;
    auto data = std::make_shared<LandmarkData>();
    for (const cv::KeyPoint& p : points)
        data->points.emplace_back(p.pt.x / static_cast<float>(codes.cols), p.pt.y / static_cast<float>(codes.cols));
    data->descriptions = rootsOf(descriptions);
    return data;
}

std::vector<LandmarkPair> pairsOf(const Landmarks& from, const Landmarks& to)
{
    longCall("pairsOf");
    constexpr float kBetter = 0.78f;  // the nearest must beat the second by so much
    constexpr Eigen::Index kAtOnce = 256;
    std::vector<LandmarkPair> pairs;
    if (!from || !to || to->points.size() < 2)
        return pairs;
    using Rows = Eigen::Matrix<float, Eigen::Dynamic, Eigen::Dynamic, Eigen::RowMajor>;
    const Rows there = to->descriptions.cast<float>() / kScale;
    const Eigen::Index count = from->descriptions.rows();
    for (Eigen::Index at = 0; at < count; at += kAtOnce) {
        const Eigen::Index rows = std::min(kAtOnce, count - at);
        const Rows likeness = (from->descriptions.middleRows(at, rows).cast<float>() / kScale) * there.transpose();
        for (Eigen::Index i = 0; i < rows; ++i) {
            Eigen::Index nearest = 0;
            const auto row = likeness.row(i);
            const float best = row.maxCoeff(&nearest);
            float second = -1;
            for (Eigen::Index k = 0; k < row.size(); ++k)
                if (k != nearest)
                    second = std::max(second, row(k));
            // Of unit lengths: the squared distance is 2 - 2 * likeness.
            if (1 - best < kBetter * kBetter * (1 - second)) {
                const cv::Point2f &p = from->points[static_cast<std::size_t>(at + i)],
                                  &q = to->points[static_cast<std::size_t>(nearest)];
                pairs.push_back({p.x, p.y, q.x, q.y});
            }
        }
    }
    return pairs;
}

}  // namespace amber
