#include "core/area/thing.h"
#include "core/area/thing_ground.h"
#include "core/area/ways.h"
#include "core/base/long_call.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

/// Of each place the last word counts.
cv::Mat drawn(const std::vector<Said>& said, bool isInside, cv::Size size)
{
    cv::Mat all = cv::Mat::zeros(size, CV_8U);
    for (const Said& s : said)
        if (s.isInside == isInside)
            all |= drawn(s.stroke, size);
        else
            all &= ~drawn(s.stroke, size);
    return all;
}

cv::Mat resized(const cv::Mat& mask, cv::Size size)
{
    cv::Mat to;
    cv::resize(mask, to, size, 0, 0, mask.cols > size.width ? cv::INTER_AREA : cv::INTER_LINEAR);
    return to > 127;
}

/// The shortest ways from a region of the few pixels to all of them.
cv::Mat wayTo(const ThingGround& ground, const cv::Mat& seed)
{
    cv::Mat small, ways;
    cv::resize(seed, small, ground.wayColours.size(), 0, 0, cv::INTER_AREA);
    cv::resize(waysFrom(small > 40, ground.wayColours, ground.wayGradient, 0), ways, ground.whole.lab.size(), 0, 0,
               cv::INTER_LINEAR);
    return ways;
}

/// A stroke speaks of what is near it, measured by its own length.
cv::Mat spokenOf(const Stroke& stroke, cv::Size size)
{
    constexpr double kLeast = 0.02, kLengths = 3;
    const cv::Mat mask = drawn(stroke, size);
    const cv::Rect box = cv::boundingRect(mask);
    cv::Mat far;
    cv::distanceTransform(~mask, far, cv::DIST_L2, cv::DIST_MASK_5);
    return far < std::max(kLeast * size.width, kLengths * std::hypot(box.width, box.height));
}

/// Where nothing was said of the inside: the middle of the mask, as far as it lies from what was said of the outside.
cv::Mat coreOf(const cv::Mat& mask, const cv::Mat& outside)
{
    constexpr double kDeep = 0.4, kFarther = 1.5;
    cv::Mat depth, away;
    cv::distanceTransform(mask, depth, cv::DIST_L2, cv::DIST_MASK_5);
    cv::distanceTransform(~outside, away, cv::DIST_L2, cv::DIST_MASK_5);
    double most = 0;
    cv::minMaxIdx(depth, nullptr, &most);
    return (depth >= kDeep * most) & (away > kFarther * most) & mask;
}

/// What each pixel is taken for before the cut. `reach`: what may change at all.
cv::Mat relabelled(const ThingGround& ground, const cv::Mat& mask, const cv::Mat& inside, const cv::Mat& outside,
                   const cv::Mat& reach)
{
    cv::Mat far = ~reach;
    far.row(0) = 0, far.row(far.rows - 1) = 0, far.col(0) = 0, far.col(far.cols - 1) = 0;
    const cv::Mat known = cv::countNonZero(inside) > 0 ? inside : coreOf(mask, outside);
    const cv::Mat in = wayTo(ground, cv::countNonZero(known) > 0 ? known : mask & ~outside),
                  out = wayTo(ground, outside), beyond = wayTo(ground, outside | far);
    cv::Mat labels = told(mask.size(), Told::LikelyOutside);
    labels.setTo(static_cast<int>(Told::LikelyInside), mask);
    labels.setTo(static_cast<int>(Told::LikelyInside), ~mask & reach & (in < 0.5 * beyond));
    labels.setTo(static_cast<int>(Told::LikelyOutside), mask & (out < in));
    labels.setTo(static_cast<int>(Told::Outside), ~reach);
    labels.setTo(static_cast<int>(Told::Inside), inside);
    labels.setTo(static_cast<int>(Told::Outside), outside);
    return labels;
}

}  // namespace

FoundMask correctedThing(const ThingPicture& picture, const FoundMask& mask, const std::vector<Said>& said)
{
    longCall("correctedThing");
    constexpr int kRounds = 3, kLeastReach = 8;
    constexpr double kReach = 0.35, kLeast = 400, kSpeck = 0.01;
    if (!picture || mask.width < 1 || mask.height < 1 || said.empty())
        return mask;
    const cv::Size size = picture->whole.lab.size();
    const cv::Mat known = resized(matOf(mask), size), in = drawn(said, true, size), out = drawn(said, false, size);
    const int radius =
        static_cast<int>(kReach * std::sqrt(std::max(kLeast, static_cast<double>(cv::countNonZero(known))))) +
        kLeastReach;
    const cv::Mat reach = grown(known | in, radius);
    const cv::Rect near = cv::boundingRect(reach);
    if (near.empty())
        return mask;
    cv::Mat cut = cv::Mat::zeros(size, CV_8U);
    graphCutInShade(picture->whole.lab(near), relabelled(*picture, known, in, out, reach)(near), kRounds)
        .copyTo(cut(near));
    const cv::Mat sharp = picture->sharpened(cleaned(cut) | cleanedRound(cut, in)),
                  before = resized(matOf(mask), sharp.size()), spoken = spokenOf(said.back().stroke, sharp.size());
    cv::Mat after = said.back().isInside ? before | (sharp & spoken) : before & (sharp | ~spoken);
    after |= drawn(said, true, sharp.size());
    after &= ~drawn(said, false, sharp.size());
    return foundMaskOf(cleaned(after, kSpeck));
}

}  // namespace amber
