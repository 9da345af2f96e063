#include "core/area/regions.h"

#include "core/base/parallel.h"
#include "core/base/statistics.h"
#include "core/colour/oklab.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

/// A cut on three 8-bit channels.
cv::Mat cut(const cv::Mat& channels, const cv::Mat& told, int rounds)
{
    const auto isLikely = [&](Told one, Told other) {
        return cv::countNonZero(told == static_cast<int>(one)) + cv::countNonZero(told == static_cast<int>(other));
    };
    cv::Mat labels = told.clone(), background, foreground;
    if (isLikely(Told::Inside, Told::LikelyInside) > 0 && isLikely(Told::Outside, Told::LikelyOutside) > 0)
        try {
            // Isolated: another cut that this thread took up while it waits would draw from the same random numbers.
            isolated([&] {
                cv::setRNGSeed(1);
                cv::grabCut(channels, labels, {}, background, foreground, rounds, cv::GC_INIT_WITH_MASK);
            });
        } catch (const cv::Exception&) {
            labels = told.clone();  // too few pixels for its models
        }
    return (labels & 1) * 255;
}

cv::Mat disc(int radius) { return cv::getStructuringElement(cv::MORPH_ELLIPSE, {2 * radius + 1, 2 * radius + 1}); }

/// Counts of colours in even bins, a little blurred; sums to 1.
cv::Mat histogramOf(const cv::Mat& lab, const cv::Mat& mask)
{
    constexpr int kTones = 12, kColours = 24;
    cv::Mat counts = cv::Mat::zeros(kTones, kColours * kColours, CV_32F);
    for (int y = 0; y < lab.rows; ++y)
        for (int x = 0; x < lab.cols; ++x) {
            if (!mask.at<std::uint8_t>(y, x))
                continue;
            const auto& c = lab.at<cv::Vec3f>(y, x);
            const int l = static_cast<int>(std::floor(c[0] * 10)), a = static_cast<int>(std::floor(c[1] * 40)) + 12,
                      b = static_cast<int>(std::floor(c[2] * 40)) + 12;
            if (l >= 0 && l < kTones && a >= 0 && a < kColours && b >= 0 && b < kColours)
                counts.at<float>(l, a * kColours + b) += 1;
        }
    cv::GaussianBlur(counts, counts, {}, 0.7);
    return counts / std::max(cv::sum(counts)[0], 1e-9);
}

/// The pixels of a region that touch what is outside, but not where the picture ends.
cv::Mat rimOf(const cv::Mat& mask)
{
    cv::Mat rim = mask & ~shrunk(mask, 1);
    rim.row(0) = 0, rim.row(rim.rows - 1) = 0, rim.col(0) = 0, rim.col(rim.cols - 1) = 0;
    return rim;
}

}  // namespace

cv::Mat okLabOf(ImageView picture, int width)
{
    const int to = std::min(width, picture.width),
              high =
                  std::max(1, static_cast<int>(std::lround(static_cast<double>(picture.height) * to / picture.width)));
    const Image small = reduceByArea(picture, to, std::min(high, picture.height));
    cv::Mat lab(small.height(), small.width(), CV_32FC3);
    for (int y = 0; y < small.height(); ++y)
        for (int x = 0; x < small.width(); ++x) {
            const float* p = small.view().row(y) + 3 * x;
            const OkLab c = toOkLab(LinearRgb{p[0], p[1], p[2]});
            lab.at<cv::Vec3f>(y, x) = {static_cast<float>(c.L), static_cast<float>(c.a), static_cast<float>(c.b)};
        }
    return lab;
}

cv::Mat gradientOf(const cv::Mat& lab, double deviation)
{
    constexpr double kChroma = 2, kSobel = 1.0 / 8;
    cv::Mat blurred, channels[3], sum = cv::Mat::zeros(lab.size(), CV_32F);
    cv::GaussianBlur(lab, blurred, {}, deviation);
    cv::split(blurred, channels);
    for (int k = 0; k < 3; ++k)
        for (const bool along : {true, false}) {
            cv::Mat slope;
            cv::Sobel(channels[k], slope, CV_32F, along, !along, 3, kSobel * (k == 0 ? 1 : kChroma));
            sum += slope.mul(slope);
        }
    cv::sqrt(sum, sum);
    return sum;
}

cv::Mat graphCut(const cv::Mat& lab, const cv::Mat& told, int rounds)
{
    cv::Mat channels;
    cv::Mat scaled = lab.clone();
    scaled.forEach<cv::Vec3f>([](cv::Vec3f& c, const int*) { c = {c[0] * 255, c[1] * 450 + 128, c[2] * 450 + 128}; });
    scaled.convertTo(channels, CV_8UC3);
    return cut(channels, told, rounds);
}

cv::Mat graphCutInShade(const cv::Mat& lab, const cv::Mat& told, int rounds)
{
    cv::Mat channels;
    cv::Mat scaled = lab.clone();
    scaled.forEach<cv::Vec3f>([](cv::Vec3f& c, const int*) {
        const float light = std::max(c[0], 0.12f);
        c = {c[0] * 255, c[1] / light * 300 + 128, c[2] / light * 300 + 128};
    });
    scaled.convertTo(channels, CV_8UC3);
    return cut(channels, told, rounds);
}

cv::Mat grown(const cv::Mat& mask, int radius)
{
    cv::Mat to;
    cv::dilate(mask, to, disc(radius), {-1, -1}, 1, cv::BORDER_CONSTANT, cv::Scalar(0));
    return to;
}

cv::Mat shrunk(const cv::Mat& mask, int radius)
{
    cv::Mat to;
    cv::erode(mask, to, disc(radius), {-1, -1}, 1, cv::BORDER_CONSTANT, cv::Scalar(255));
    return to;
}

namespace {

cv::Mat opened(const cv::Mat& mask)
{
    cv::Mat open;
    cv::morphologyEx(mask, open, cv::MORPH_OPEN, cv::getStructuringElement(cv::MORPH_CROSS, {3, 3}));
    return open;
}

/// Calls `act` with every piece of a mask: its pixels, and its row of statistics.
template <class Act>
void forPieces(const cv::Mat& mask, Act act)
{
    cv::Mat labels, stats, centres;
    const int count = cv::connectedComponentsWithStats(mask, labels, stats, centres, 4, CV_32S);
    for (int i = 1; i < count; ++i)
        act(labels == i, stats.row(i));
}

/// Holes of at most `most` pixels are filled.
void fillHoles(cv::Mat& mask, double most)
{
    const cv::Mat outside = ~mask;
    forPieces(outside, [&](const cv::Mat& piece, const cv::Mat& stats) {
        const int left = stats.at<int>(cv::CC_STAT_LEFT), top = stats.at<int>(cv::CC_STAT_TOP);
        const bool touches = left == 0 || top == 0 || left + stats.at<int>(cv::CC_STAT_WIDTH) == mask.cols ||
                             top + stats.at<int>(cv::CC_STAT_HEIGHT) == mask.rows;
        if (!touches && stats.at<int>(cv::CC_STAT_AREA) < most)
            mask.setTo(255, piece);
    });
}

constexpr double kSmallHole = 0.01;

}  // namespace

cv::Mat cleaned(const cv::Mat& mask, double keep)
{
    cv::Mat open = opened(mask);
    int largest = 0;
    forPieces(open, [&](const cv::Mat&, const cv::Mat& stats) {
        largest = std::max(largest, stats.at<int>(cv::CC_STAT_AREA));
    });
    const cv::Mat all = open.clone();
    forPieces(all, [&](const cv::Mat& piece, const cv::Mat& stats) {
        if (stats.at<int>(cv::CC_STAT_AREA) < keep * largest)
            open.setTo(0, piece);
    });
    fillHoles(open, kSmallHole * cv::countNonZero(open));
    return open;
}

cv::Mat cleanedRound(const cv::Mat& mask, const cv::Mat& seed)
{
    const cv::Mat open = opened(mask);
    if (cv::countNonZero(open & seed) == 0)
        return cleaned(mask);
    cv::Mat kept = cv::Mat::zeros(mask.size(), CV_8U);
    forPieces(open, [&](const cv::Mat& piece, const cv::Mat&) {
        if (cv::countNonZero(piece & seed) > 0)
            kept.setTo(255, piece);
    });
    fillHoles(kept, kSmallHole * cv::countNonZero(kept));
    return kept;
}

cv::Mat filled(const cv::Mat& mask)
{
    cv::Mat whole = mask.clone();
    fillHoles(whole, static_cast<double>(mask.total()));
    return whole;
}

double shareOf(const cv::Mat& mask)
{
    return static_cast<double>(cv::countNonZero(mask)) / static_cast<double>(mask.total());
}

double overlap(const cv::Mat& a, const cv::Mat& b)
{
    const int both = cv::countNonZero(a & b), any = cv::countNonZero(a | b);
    return any == 0 ? 1 : static_cast<double>(both) / any;
}

RegionEdge edgeOf(const cv::Mat& lab, const cv::Mat& gradient, const cv::Mat& mask)
{
    constexpr int kEnough = 20;
    const int reach = std::max(6, mask.cols / 50);
    const cv::Mat inside = mask & ~shrunk(mask, reach), outside = grown(mask, reach) & ~mask;
    RegionEdge edge;
    if (cv::countNonZero(inside) < kEnough || cv::countNonZero(outside) < kEnough)
        return edge;
    cv::Mat product = histogramOf(lab, inside).mul(histogramOf(lab, outside)), strongest;
    cv::sqrt(product, product);
    edge.separation = 1 - cv::sum(product)[0];
    cv::dilate(gradient, strongest, cv::Mat::ones(3, 3, CV_8U));
    const cv::Mat rim = rimOf(mask);
    const double twice = 2 * (medianWhere(gradient, cv::Mat(gradient.size(), CV_8U, cv::Scalar(255))) + 0.002);
    const int all = cv::countNonZero(rim), strong = cv::countNonZero(rim & (strongest > twice));
    edge.strength = all > 0 ? static_cast<double>(strong) / all : 0;
    return edge;
}

double medianWhere(const cv::Mat& values, const cv::Mat& mask)
{
    std::vector<float> all;
    for (int y = 0; y < values.rows; ++y)
        for (int x = 0; x < values.cols; ++x)
            if (mask.at<std::uint8_t>(y, x))
                all.push_back(values.at<float>(y, x));
    return all.empty() ? 0 : median(all);
}

FoundMask foundMaskOf(const cv::Mat& mask)
{
    FoundMask found{mask.cols, mask.rows, {}};
    for (int y = 0; y < mask.rows; ++y)
        found.weights.insert(found.weights.end(), mask.ptr(y), mask.ptr(y) + mask.cols);
    return found;
}

cv::Mat matOf(const FoundMask& mask)
{
    return cv::Mat(mask.height, mask.width, CV_8U, const_cast<std::uint8_t*>(mask.weights.data())).clone();
}

}  // namespace amber
