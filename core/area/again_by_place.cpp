#include "core/area/again_by_place.h"

#include "core/area/thing_ground.h"

#include <algorithm>
#include <cmath>
#include <opencv2/calib3d.hpp>
#include <opencv2/imgproc.hpp>
#include <set>

namespace amber {
namespace {

/// A thing's mask warped onto another picture.
struct Laid {
    cv::Mat view;  ///< 3 x 3, in pixels of the fine grounds
    int agreeing = 0;
    bool isScene = false;
};

struct Points {
    std::vector<cv::Point2f> from, to;
};

/// Pairs in pixels of both fine grounds; `near`: only those on the thing or close to it.
Points pointsOf(const std::vector<LandmarkPair>& pairs, int fromWidth, int toWidth, const cv::Mat* near)
{
    Points points;
    for (const LandmarkPair& p : pairs) {
        const cv::Point2f from(p.fromX * static_cast<float>(fromWidth), p.fromY * static_cast<float>(fromWidth));
        if (near && !near->at<std::uint8_t>(std::clamp(static_cast<int>(from.y), 0, near->rows - 1),
                                            std::clamp(static_cast<int>(from.x), 0, near->cols - 1)))
            continue;
        points.from.push_back(from);
        points.to.emplace_back(p.toX * static_cast<float>(toWidth), p.toY * static_cast<float>(toWidth));
    }
    return points;
}

/// How many different places agree: one place may have several features.
int agreeing(const Points& points, const std::vector<std::uint8_t>& agree)
{
    std::set<std::pair<long, long>> places;
    for (std::size_t i = 0; i < agree.size(); ++i)
        if (agree[i])
            places.emplace(std::lround(points.to[i].x), std::lround(points.to[i].y));
    return static_cast<int>(places.size());
}

std::optional<Laid> byScene(const Points& all, const cv::Mat& near)
{
    constexpr std::size_t kFew = 8;
    constexpr double kReach = 3, kShare = 0.35;
    constexpr int kLeast = 40, kLeastOnThing = 3;
    if (all.from.size() < kFew)
        return std::nullopt;
    std::vector<std::uint8_t> agree;
    cv::setRNGSeed(1);
    const cv::Mat view = cv::findHomography(all.from, all.to, cv::RANSAC, kReach, agree);
    if (view.empty())
        return std::nullopt;
    const int count = agreeing(all, agree);
    int onThing = 0;
    for (std::size_t i = 0; i < agree.size(); ++i)
        onThing += agree[i] && near.at<std::uint8_t>(std::clamp(static_cast<int>(all.from[i].y), 0, near.rows - 1),
                                                     std::clamp(static_cast<int>(all.from[i].x), 0, near.cols - 1));
    if (count < kLeast || count < kShare * static_cast<double>(all.from.size()) || onThing < kLeastOnThing)
        return std::nullopt;
    return Laid{view, count, true};
}

std::optional<Laid> byThing(const Points& on)
{
    constexpr std::size_t kFew = 8;
    constexpr double kReach = 4, kShare = 0.3;
    constexpr int kLeast = 10;
    if (on.from.size() < kFew)
        return std::nullopt;
    std::vector<std::uint8_t> agree;
    cv::setRNGSeed(1);
    const cv::Mat similar = cv::estimateAffinePartial2D(on.from, on.to, agree, cv::RANSAC, kReach);
    if (similar.empty())
        return std::nullopt;
    const int count = agreeing(on, agree);
    if (count < kLeast || count < kShare * static_cast<double>(on.from.size()))
        return std::nullopt;
    Laid laid{cv::Mat::eye(3, 3, CV_64F), count, false};
    similar.copyTo(laid.view.rowRange(0, 2));
    return laid;
}

/// The warped mask with its edge cut anew; empty when hardly anything of it is in the picture.
struct Settled {
    cv::Mat mask;
    double agreement = 0;
};

Settled settled(const Laid& laid, const cv::Mat& mask, const ThingGround& ground)
{
    constexpr double kVisible = 0.0008, kHalf = 0.5;
    constexpr int kRounds = 2;
    cv::Mat warped;
    cv::warpPerspective(mask, warped, laid.view, ground.fine.size(), cv::INTER_LINEAR);
    warped = warped > 127;
    if (shareOf(warped) < kVisible)
        return {};
    const int band = laid.isScene ? 4 : 7,
              round = band + static_cast<int>(0.25 * std::sqrt(static_cast<double>(cv::countNonZero(warped))));
    cv::Mat start = told(warped.size(), Told::Outside);
    start.setTo(static_cast<int>(Told::LikelyOutside), grown(warped, band));
    start.setTo(static_cast<int>(Told::LikelyInside), warped);
    start.setTo(static_cast<int>(Told::Inside), shrunk(warped, band));
    const cv::Rect near = cv::boundingRect(grown(warped, round));
    cv::Mat cut = cv::Mat::zeros(warped.size(), CV_8U);
    graphCut(ground.fine(near), start(near), kRounds).copyTo(cut(near));
    cut = cleaned(cut);
    if (cv::countNonZero(cut) < kHalf * cv::countNonZero(warped))
        cut = warped;
    return {cut, overlap(cut, warped)};
}

std::vector<LandmarkPair> pairsWith(const Landmarks& from, const AgainPicture& picture)
{
    if (!picture.pairs)
        return pairsOf(from, picture.landmarks);
    const auto [entry, isNew] = picture.pairs->try_emplace(from);
    if (isNew)
        entry->second = pairsOf(from, picture.landmarks);
    return entry->second;
}

}  // namespace

std::optional<Proposal> againByPlace(const MarkedThing& marked, const AgainPicture& picture)
{
    constexpr double kAlike = 0.75, kNoSureness = 0.5, kFullSureness = 0.95;
    constexpr int kClose = 12;
    if (!marked.picture.ground || !picture.ground)
        return std::nullopt;
    const std::vector<LandmarkPair> pairs = pairsWith(marked.picture.landmarks, picture);
    const cv::Size from = marked.picture.ground->fine.size(), to = picture.ground->fine.size();
    cv::Mat mask;
    cv::resize(matOf(marked.mask), mask, from, 0, 0, cv::INTER_LINEAR);
    const cv::Mat near = grown(mask > 127, kClose);
    const Points all = pointsOf(pairs, from.width, to.width, nullptr);
    std::optional<Laid> laid = byScene(all, near);
    if (!laid)
        laid = byThing(pointsOf(pairs, from.width, to.width, &near));
    if (!laid)
        return std::nullopt;
    const Settled found = settled(*laid, mask, *picture.ground);
    if (found.mask.empty() || (!laid->isScene && found.agreement < kAlike))
        return std::nullopt;
    return Proposal{foundMaskOf(found.mask), rising(found.agreement, kNoSureness, kFullSureness),
                    (laid->isScene ? "the same scene: " : "the thing itself: ") + std::to_string(laid->agreeing) +
                        " places agree"};
}

}  // namespace amber
