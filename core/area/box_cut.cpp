#include "core/area/box_cut.h"

#include <algorithm>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

/// How much of the box's width and height a region takes up.
double reachOf(const cv::Mat& mask, const cv::Rect& box)
{
    if (cv::countNonZero(mask) == 0)
        return 0;
    const cv::Rect around = cv::boundingRect(mask);
    return std::min(1.0, static_cast<double>(around.width) / box.width * around.height / box.height);
}

/// `sure`: what is the thing, if that is known; else, with `knowsMiddle`, the middle of the box is.
BoxCut cutBox(const CutGround& ground, const cv::Rect& box, bool knowsMiddle, const cv::Mat& sure, int rounds)
{
    constexpr double kMargin = 0.35, kEmpty = 0.2;
    const cv::Mat& lab = ground.lab;
    const int aside = static_cast<int>(kMargin * box.width) + 8, down = static_cast<int>(kMargin * box.height) + 8;
    const cv::Rect round =
        cv::Rect(box.x - aside, box.y - down, box.width + 2 * aside, box.height + 2 * down) & cv::Rect({}, lab.size());
    const cv::Rect inside = box - round.tl();
    cv::Mat start = told(round.size(), Told::Outside);
    start(inside) = static_cast<int>(Told::LikelyInside);
    if (knowsMiddle) {  // the corners are likely not the thing, the middle is
        const cv::Point middle(inside.x + inside.width / 2, inside.y + inside.height / 2);
        cv::Mat oval = cv::Mat::zeros(round.size(), CV_8U), corners = cv::Mat::zeros(round.size(), CV_8U);
        cv::ellipse(oval, middle, {inside.width / 2, inside.height / 2}, 0, 0, 360, cv::Scalar(255), -1);
        corners(inside) = 255;
        start.setTo(static_cast<int>(Told::LikelyOutside), corners & ~oval);
        if (sure.empty())
            cv::ellipse(start, middle, {std::max(2, inside.width / 6), std::max(2, inside.height / 6)}, 0, 0, 360,
                        cv::Scalar(static_cast<int>(Told::Inside)), -1);
    }
    if (!sure.empty())
        start.setTo(static_cast<int>(Told::Inside), sure(round) & (start != static_cast<int>(Told::Outside)));
    BoxCut cut;
    cut.mask = cv::Mat::zeros(lab.size(), CV_8U);
    graphCutInShade(lab(round), start, rounds).copyTo(cut.mask(round));
    cut.mask = sure.empty() ? cleaned(cut.mask) : cleanedRound(cut.mask, sure);
    cut.edge = edgeOf(lab, ground.gradient, cut.mask);
    cut.fill = shareOf(cut.mask(box));
    cut.reach = reachOf(cut.mask, box);
    cut.score = rimStrength(ground.gradient, ground.usual, cut.mask) + cut.edge.separation + 0.6 * cut.reach -
                (cut.fill < kEmpty ? 1 : 0);
    return cut;
}

}  // namespace

double rimStrength(const cv::Mat& gradient, double usual, const cv::Mat& mask)
{
    constexpr int kFew = 8;
    constexpr double kMost = 1.5;
    cv::Mat rim = mask & ~shrunk(mask, 1), near;
    rim.row(0) = 0, rim.row(rim.rows - 1) = 0, rim.col(0) = 0, rim.col(rim.cols - 1) = 0;
    if (cv::countNonZero(rim) < kFew)
        return 0;
    cv::dilate(gradient, near, cv::Mat::ones(3, 3, CV_8U));
    near = cv::min(near / (4 * usual), kMost);
    return cv::mean(near, rim)[0];
}

TwoCuts cutTwice(const CutGround& ground, const cv::Rect& box, const cv::Mat& sure, int rounds)
{
    BoxCut a = cutBox(ground, box, false, sure, rounds), b = cutBox(ground, box, true, sure, rounds);
    const double agreement = overlap(a.mask, b.mask);
    if (b.score > a.score)
        std::swap(a, b);
    return {std::move(a), std::move(b), agreement};
}

}  // namespace amber
