#include "tests/support/area_hand.h"

#include "core/area/regions.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber::test {
namespace {

/// Distances to what is not set; the picture's end is not set either.
cv::Mat roomIn(const FoundMask& mask)
{
    cv::Mat padded, room;
    cv::copyMakeBorder(matOf(mask) > 127, padded, 1, 1, 1, 1, cv::BORDER_CONSTANT, cv::Scalar(0));
    cv::distanceTransform(padded, room, cv::DIST_L2, cv::DIST_MASK_PRECISE);
    return room(cv::Rect(1, 1, mask.width, mask.height)).clone();
}

cv::Point widest(const cv::Mat& room)
{
    cv::Point place;
    cv::minMaxLoc(room, nullptr, nullptr, nullptr, &place);
    return place;
}

}  // namespace

Region boxOf(const FoundMask& mask)
{
    const cv::Rect box = cv::boundingRect(matOf(mask) > 127);
    const double w = mask.width, h = mask.height;
    return {box.x / w, box.y / h, (box.x + box.width) / w, (box.y + box.height) / h};
}

Stroke strokeOver(const FoundMask& mask)
{
    constexpr double kRoom = 0.4;  // of the widest
    constexpr int kDirections = 24;
    const cv::Mat room = roomIn(mask);
    const cv::Point middle = widest(room);
    const float least = static_cast<float>(kRoom) * room.at<float>(middle);
    cv::Point from = middle, to = middle;
    for (int d = 0; d < kDirections; ++d) {
        const double angle = CV_PI * d / kDirections, c = std::cos(angle), s = std::sin(angle);
        const auto end = [&](double sign) {
            cv::Point at = middle;
            for (int k = 1;; ++k) {
                const cv::Point next(middle.x + static_cast<int>(std::lround(sign * k * c)),
                                     middle.y + static_cast<int>(std::lround(sign * k * s)));
                if (!cv::Rect({}, room.size()).contains(next) || room.at<float>(next) < least)
                    return at;
                at = next;
            }
        };
        if (const cv::Point a = end(-1), b = end(1); cv::norm(a - b) > cv::norm(from - to))
            from = a, to = b;
    }
    Stroke stroke;
    const double edge = std::max(mask.width, mask.height);
    stroke.radius = std::max(0.0015, 0.5 * least / edge);
    for (int i = 0; i <= 8; ++i)
        stroke.points.push_back({{(from.x + (to.x - from.x) * i / 8.0 + 0.5) / mask.width,
                                  (from.y + (to.y - from.y) * i / 8.0 + 0.5) / mask.height},
                                 1});
    return stroke;
}

Stroke clickOn(const FoundMask& mask)
{
    const cv::Point at = widest(roomIn(mask));
    Stroke stroke;
    stroke.radius = 0.006;
    stroke.points.push_back({{(at.x + 0.5) / mask.width, (at.y + 0.5) / mask.height}, 1});
    return stroke;
}

Wrong worstOf(const FoundMask& found, const FoundMask& truth)
{
    cv::Mat there;
    const cv::Mat right = matOf(truth) > 127;
    cv::resize(matOf(found), there, right.size(), 0, 0, cv::INTER_LINEAR);
    there = there > 127;
    Wrong worst{{}, false};
    int most = -1;
    for (const bool isMissing : {true, false}) {
        cv::Mat labels, stats, centres;
        const int count = cv::connectedComponentsWithStats(isMissing ? right & ~there : there & ~right, labels, stats,
                                                           centres, 4, CV_32S);
        for (int i = 1; i < count; ++i)
            if (stats.at<int>(i, cv::CC_STAT_AREA) > most) {
                most = stats.at<int>(i, cv::CC_STAT_AREA);
                worst = {foundMaskOf(labels == i), isMissing};
            }
    }
    return worst;
}

}  // namespace amber::test
