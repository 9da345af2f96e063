#include "core/area/ways.h"

#include "core/area/regions.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>
#include <queue>
#include <tuple>

namespace amber {

cv::Mat waysFrom(const cv::Mat& seed, const cv::Mat& lab, const cv::Mat& gradient, float colour)
{
    constexpr float kStep = 0.0006f;
    cv::Mat channels[3];
    cv::split(lab, channels);
    const float own[3] = {static_cast<float>(medianWhere(channels[0], seed)),
                          static_cast<float>(medianWhere(channels[1], seed)),
                          static_cast<float>(medianWhere(channels[2], seed))};
    cv::Mat cost(lab.size(), CV_32F), ways(lab.size(), CV_32F, cv::Scalar(1e9));
    for (int y = 0; y < lab.rows; ++y)
        for (int x = 0; x < lab.cols; ++x) {
            const auto& c = lab.at<cv::Vec3f>(y, x);
            cost.at<float>(y, x) =
                kStep + gradient.at<float>(y, x) +
                colour * std::hypot(0.5f * (c[0] - own[0]), 2 * (c[1] - own[1]), 2 * (c[2] - own[2]));
        }
    using Node = std::tuple<float, int, int>;
    std::priority_queue<Node, std::vector<Node>, std::greater<>> open;
    for (int y = 0; y < lab.rows; ++y)
        for (int x = 0; x < lab.cols; ++x)
            if (seed.at<std::uint8_t>(y, x))
                ways.at<float>(y, x) = 0, open.emplace(0.0f, y, x);
    while (!open.empty()) {
        const auto [way, y, x] = open.top();
        open.pop();
        if (way > ways.at<float>(y, x))
            continue;
        for (int dy = -1; dy <= 1; ++dy)
            for (int dx = -1; dx <= 1; ++dx) {
                const int v = y + dy, u = x + dx;
                if (v < 0 || u < 0 || v >= lab.rows || u >= lab.cols)
                    continue;
                const float step =
                    0.5f * (cost.at<float>(y, x) + cost.at<float>(v, u)) * (dy != 0 && dx != 0 ? 1.4142136f : 1);
                if (way + step < ways.at<float>(v, u))
                    ways.at<float>(v, u) = way + step, open.emplace(way + step, v, u);
            }
    }
    return ways;
}

cv::Mat drawn(const Stroke& stroke, cv::Size size)
{
    cv::Mat mask = cv::Mat::zeros(size, CV_8U);
    const int thick = std::max(1, static_cast<int>(std::lround(2 * stroke.radius * std::max(size.width, size.height))));
    const auto at = [&](const Stroke::Point& p) {
        return cv::Point(static_cast<int>(p.at.x * size.width), static_cast<int>(p.at.y * size.height));
    };
    for (std::size_t i = 0; i < stroke.points.size(); ++i)
        cv::line(mask, at(stroke.points[i]), at(stroke.points[i + 1 < stroke.points.size() ? i + 1 : i]),
                 cv::Scalar(255), thick);
    return mask;
}

}  // namespace amber
