#include "core/area/sky.h"

#include "core/area/area_mask.h"
#include "core/area/regions.h"
#include "core/base/long_call.h"
#include "core/base/statistics.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

constexpr int kChoiceWidth = 200, kWidth = 375, kFineWidth = 750;

/// The sky by one limit on the gradient: in each column all above the first place that exceeds it.
struct Skyline {
    double energy = 0, limit = 0;
    cv::Mat above;             ///< mask
    std::vector<int> heights;  ///< of each column, in pixels from the top
};

std::vector<int> firstEdges(const cv::Mat& gradient, double limit)
{
    constexpr int kHalfWindow = 12, kFrame = 3;  // the frame's own edge tells nothing
    std::vector<int> first(static_cast<std::size_t>(gradient.cols), gradient.rows), smooth(first);
    for (int x = 0; x < gradient.cols; ++x)
        for (int y = kFrame; y < gradient.rows; ++y)
            if (gradient.at<float>(y, x) > limit) {
                first[static_cast<std::size_t>(x)] = y;
                break;
            }
    for (int x = 0; x < gradient.cols; ++x) {
        std::vector<int> near;
        for (int k = -kHalfWindow; k <= kHalfWindow; ++k)
            near.push_back(first[static_cast<std::size_t>(std::clamp(x + k, 0, gradient.cols - 1))]);
        smooth[static_cast<std::size_t>(x)] = static_cast<int>(median(near));
    }
    return smooth;
}

/// Large where the colours of both parts spread little: by the determinants and the largest eigenvalues of their
/// covariances, the upper part counting twice (after Y. Shen, Q. Wang, "Sky region detection in a single image for
/// autonomous ground robot navigation", Int. J. Adv. Robotic Systems 10, 2013).
double energyOf(const cv::Mat& lab, const cv::Mat& above)
{
    const auto spread = [&](const cv::Mat& mask) {
        std::vector<cv::Vec3f> colours;
        for (int y = 0; y < lab.rows; ++y)
            for (int x = 0; x < lab.cols; ++x)
                if (mask.at<std::uint8_t>(y, x))
                    colours.push_back(lab.at<cv::Vec3f>(y, x));
        cv::Mat covariance, mean, values;
        const cv::Mat all(static_cast<int>(colours.size()), 3, CV_32F, colours.data());
        cv::calcCovarMatrix(all, covariance, mean, cv::COVAR_NORMAL | cv::COVAR_ROWS | cv::COVAR_SCALE, CV_64F);
        covariance = covariance * 16 + 1e-5 * cv::Mat::eye(3, 3, CV_64F);
        cv::eigen(covariance, values);
        return std::cbrt(cv::determinant(covariance)) + values.at<double>(0);
    };
    return 1 / (2 * spread(above) + spread(~above));
}

std::vector<Skyline> skylinesOf(const cv::Mat& lab)
{
    constexpr double kLowest = 0.0025, kHighest = 0.06, kLeast = 0.03, kMost = 0.95, kApart = 0.25;
    constexpr int kLimits = 22;
    constexpr std::size_t kTried = 4;
    const cv::Mat gradient = gradientOf(lab, 2);
    std::vector<Skyline> all, best;
    for (int i = 0; i < kLimits; ++i) {
        Skyline line;
        line.limit = kLowest * std::pow(kHighest / kLowest, static_cast<double>(i) / (kLimits - 1));
        line.heights = firstEdges(gradient, line.limit);
        line.above = cv::Mat::zeros(lab.size(), CV_8U);
        for (int x = 0; x < lab.cols; ++x)
            line.above.col(x).rowRange(0, line.heights[static_cast<std::size_t>(x)]) = 255;
        if (const double share = shareOf(line.above); share < kLeast || share > kMost)
            continue;
        line.energy = energyOf(lab, line.above);
        all.push_back(std::move(line));
    }
    std::stable_sort(all.begin(), all.end(), [](const auto& a, const auto& b) { return a.energy > b.energy; });
    for (const Skyline& line : all)
        if (best.size() < kTried && std::all_of(best.begin(), best.end(), [&](const Skyline& b) {
                return std::abs(std::log(shareOf(line.above) / shareOf(b.above))) > kApart;
            }))
            best.push_back(line);
    return best;
}

/// Pieces that reach the top, and patches of sky among leaves.
cv::Mat fromTheTop(const cv::Mat& mask, const cv::Mat& above)
{
    constexpr double kPatch = 0.0004;
    cv::Mat labels, stats, centres, kept = cv::Mat::zeros(mask.size(), CV_8U);
    const int count = cv::connectedComponentsWithStats(mask, labels, stats, centres, 4, CV_32S);
    for (int i = 1; i < count; ++i)
        if (stats.at<int>(i, cv::CC_STAT_TOP) <= 1)
            kept.setTo(255, labels == i);
        else if (stats.at<int>(i, cv::CC_STAT_AREA) > kPatch * static_cast<double>(mask.total()))
            kept |= (labels == i) & above;
    return kept;
}

/// Without pieces whose colour is not that of the largest one in the rows where they lie: dark hair before an evening
/// sky is smooth and reaches the top as well.
cv::Mat ofOneColour(const cv::Mat& lab, const cv::Mat& mask)
{
    constexpr double kUnlike = 0.15;
    cv::Mat labels, stats, centres, kept = mask.clone();
    const int count = cv::connectedComponentsWithStats(mask, labels, stats, centres, 4, CV_32S);
    int main = 1;
    for (int i = 2; i < count; ++i)
        if (stats.at<int>(i, cv::CC_STAT_AREA) > stats.at<int>(main, cv::CC_STAT_AREA))
            main = i;
    for (int i = 1; i < count; ++i) {
        const cv::Range rows(stats.at<int>(i, cv::CC_STAT_TOP),
                             stats.at<int>(i, cv::CC_STAT_TOP) + stats.at<int>(i, cv::CC_STAT_HEIGHT));
        const cv::Mat beside = labels.rowRange(rows) == main;
        if (i == main || cv::countNonZero(beside) == 0)
            continue;
        if (cv::norm(cv::mean(lab, labels == i), cv::mean(lab.rowRange(rows), beside)) > kUnlike)
            kept.setTo(0, labels == i);
    }
    return kept;
}

/// Columns that are far darker down to their first edge than most are no sky there: hair, a roof, a trunk that reach
/// the top are smooth as well.
cv::Mat withoutDarkColumns(const cv::Mat& lab, const cv::Mat& above)
{
    constexpr double kDarker = 0.22;
    std::vector<double> all;
    std::map<int, double> lightness;
    for (int x = 0; x < lab.cols; ++x)
        if (cv::countNonZero(above.col(x)) > 0) {
            lightness[x] = cv::mean(lab.col(x), above.col(x))[0];
            all.push_back(lightness[x]);
        }
    cv::Mat kept = above.clone();
    if (all.empty())
        return kept;
    const double usual = quantile(all, 0.5);
    for (const auto& [x, l] : lightness)
        if (usual - l > kDarker)
            kept.col(x) = 0;
    return kept;
}

/// One skyline cut anew by colour.
struct Cut {
    cv::Mat mask;
    int low = 0;  ///< row below which there is none of it
    RegionEdge edge;
    double agreement = 0, score = -1;
};

Cut cutOf(const cv::Mat& lab, const cv::Mat& fine, const cv::Mat& coarse, const Skyline& line, double bestEnergy,
          int rounds)
{
    constexpr double kBelow = 0.06, kLowestRow = 0.92, kLeast = 0.01, kMostColumns = 0.85;
    const int high = lab.rows;
    std::vector<int> heights = line.heights;
    const int low = std::min(high, static_cast<int>(quantile(heights, kMostColumns) + kBelow * high));
    const cv::Mat above = withoutDarkColumns(lab, line.above);
    cv::Mat told(lab.size(), CV_8U, cv::Scalar(static_cast<int>(Told::LikelyOutside)));
    told.setTo(static_cast<int>(Told::LikelyInside), above);
    told.setTo(static_cast<int>(Told::Inside), shrunk(above, 4) & (coarse < line.limit));
    told.rowRange(std::min(low, static_cast<int>(kLowestRow * high)), high) = static_cast<int>(Told::Outside);
    Cut cut;
    cut.low = low;
    cut.mask = graphCut(lab, told, rounds);
    cut.mask.rowRange(low, high) = 0;
    cut.mask = ofOneColour(lab, fromTheTop(cut.mask, above));
    if (shareOf(cut.mask) < kLeast)
        return cut;
    cut.edge = edgeOf(lab, fine, cut.mask);
    cut.agreement = overlap(cut.mask, above);
    cut.score = cut.agreement + 0.5 * cut.edge.strength + 0.5 * cut.edge.separation + 0.5 * line.energy / bestEnergy;
    return cut;
}

double rising(double value, double from, double to) { return std::clamp((value - from) / (to - from), 0.0, 1.0); }

Image fineOf(ImageView picture)
{
    const int width = std::min(kFineWidth, picture.width);
    return reduceByArea(
        picture, width,
        std::clamp(static_cast<int>(std::lround(static_cast<double>(picture.height) * width / picture.width)), 1,
                   picture.height));
}

/// Whether its colours are a sky's: blue in its upper half, or bright with some blue. Bright alone is a white wall as
/// often, and is not offered unseen.
double skyColours(const cv::Mat& lab, const Cut& cut, double& green)
{
    int upper = 0, blue = 0, bright = 0, all = 0, greens = 0;
    const cv::Mat& mask = cut.mask;
    const int half = cut.low / 2;
    for (int y = 0; y < lab.rows; ++y)
        for (int x = 0; x < lab.cols; ++x) {
            if (!mask.at<std::uint8_t>(y, x))
                continue;
            const auto& c = lab.at<cv::Vec3f>(y, x);
            const double chroma = std::hypot(c[1], c[2]), degrees = std::atan2(c[2], c[1]) * 180 / CV_PI,
                         hue = degrees < 0 ? degrees + 360 : degrees;
            ++all, greens += hue > 95 && hue < 190 && chroma > 0.03, bright += c[0] > 0.86 && chroma < 0.05;
            if (y < half)
                ++upper, blue += hue > 225 && hue < 310 && chroma > 0.02;
        }
    green = all > 0 ? static_cast<double>(greens) / all : 0;
    const double b = upper > 0 ? static_cast<double>(blue) / upper : 0,
                 w = all > 0 ? static_cast<double>(bright) / all : 0;
    return std::max({rising(b, 0.2, 0.45), rising(b + w, 0.7, 0.9) * rising(b, 0.08, 0.2), 0.4 * rising(w, 0.4, 0.8)});
}

double surenessOf(const cv::Mat& lab, const cv::Mat& fine, const Cut& cut)
{
    double green = 0;
    const double colours = skyColours(lab, cut, green);
    const double top = shareOf(cut.mask.row(1)), texture = medianWhere(fine, cut.mask);
    return colours * rising(shareOf(cut.mask), 0.02, 0.05) * rising(top, 0.15, 0.4) * rising(-texture, -0.02, -0.01) *
           (1 - rising(green, 0.15, 0.4)) * rising(cut.edge.separation, 0.1, 0.25) *
           rising(cut.edge.strength, 0.3, 0.55) * rising(cut.agreement, 0.5, 0.65);
}

/// The edge found anew on more pixels, by the colours along it.
FoundMask sharpened(ImageView picture, const cv::Mat& mask)
{
    constexpr int kReach = 6;
    constexpr double kEpsilon = 1e-4;
    const Image small = fineOf(picture);
    cv::Mat large;
    cv::resize(mask, large, {small.width(), small.height()}, 0, 0, cv::INTER_LINEAR);
    Plane weights(small.width(), small.height());
    for (std::size_t i = 0; i < weights.values.size(); ++i)
        weights.values[i] = static_cast<float>(large.data[i]) / 255;
    weights = guidedByColour(small.view(), weights, kReach, kEpsilon);
    FoundMask found{small.width(), small.height(), {}};
    for (const float w : weights.values)
        found.weights.push_back(w > 0.5f ? 255 : 0);
    return found;
}

Skyline reduced(const Skyline& line, cv::Size to)
{
    Skyline small{line.energy, line.limit, {}, {}};
    cv::resize(line.above, small.above, to, 0, 0, cv::INTER_AREA);
    small.above = small.above > 127;
    for (int x = 0; x < to.width; ++x)
        small.heights.push_back(line.heights[static_cast<std::size_t>(x * line.above.cols / to.width)] * to.height /
                                line.above.rows);
    return small;
}

/// Which skyline holds best is seen on few pixels; it alone is cut on more.
Cut bestCut(ImageView picture, const cv::Mat& lab, const cv::Mat& fine, const cv::Mat& coarse,
            const std::vector<Skyline>& lines)
{
    const cv::Mat small = okLabOf(picture, kChoiceWidth), smallFine = gradientOf(small, 1),
                  smallCoarse = gradientOf(small, 1);
    Cut best;
    const Skyline* chosen = nullptr;
    for (const Skyline& line : lines)
        if (Cut cut = cutOf(small, smallFine, smallCoarse, reduced(line, small.size()), lines.front().energy, 2);
            cut.score > best.score)
            best = std::move(cut), chosen = &line;
    return chosen ? cutOf(lab, fine, coarse, *chosen, lines.front().energy, 2) : best;
}

}  // namespace

Proposal proposeSky(ImageView picture)
{
    longCall("proposeSky");
    constexpr int kSmallest = 32;
    Proposal sky;
    sky.mask = {1, 1, {0}};
    sky.from = "no smooth light region at the top";
    if (picture.width < kSmallest || picture.height < kSmallest)
        return sky;
    const cv::Mat lab = okLabOf(picture, kWidth), fine = gradientOf(lab, 1), coarse = gradientOf(lab, 2);
    const std::vector<Skyline> lines = skylinesOf(lab);
    const Cut best = bestCut(picture, lab, fine, coarse, lines);
    if (best.score < 0)
        return sky;
    sky.sureness = surenessOf(lab, fine, best);
    sky.mask = sharpened(picture, best.mask);
    sky.from = "smooth, light, down from the top; its edge holds in " +
               std::to_string(static_cast<int>(std::lround(100 * best.edge.strength))) + " of 100";
    return sky;
}

}  // namespace amber
