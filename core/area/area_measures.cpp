#include "core/area/area_measures.h"

#include "core/area/regions.h"
#include "core/base/statistics.h"
#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

OkLab labAt(ImageView picture, int x, int y)
{
    const float* p = picture.row(y) + 3 * x;
    return toOkLab(LinearRgb{p[0], p[1], p[2]});
}

double distance(const OkLab& a, const OkLab& b) { return std::hypot(a.L - b.L, a.a - b.a, a.b - b.b); }

cv::Mat weightsOf(const Plane& mask)
{
    return cv::Mat(mask.height, mask.width, CV_32F, const_cast<float*>(mask.values.data()));
}

/// A mean over the neighbourhood, of the pixels that count.
cv::Mat localMean(const cv::Mat& values, const cv::Mat& counts, int reach)
{
    constexpr double kNone = 1e-6;
    cv::Mat sum, count, all;
    counts.convertTo(all, CV_32F, 1.0 / 255);
    const cv::Size window(2 * reach + 1, 2 * reach + 1);
    cv::boxFilter(values.mul(all), sum, CV_32F, window, {-1, -1}, true, cv::BORDER_CONSTANT);
    cv::boxFilter(all, count, CV_32F, window, {-1, -1}, true, cv::BORDER_CONSTANT);
    cv::Mat mean = sum / (count + kNone);
    mean.setTo(std::nan(""), count < kNone);
    return mean;
}

int edgeWidth(const Plane& mask) { return std::max(3, std::max(mask.width, mask.height) / 100); }

}  // namespace

OkLab meanUnder(ImageView picture, const Plane& mask)
{
    OkLab mean;
    double sum = 0;
    for (int y = 0; y < mask.height; ++y)
        for (int x = 0; x < mask.width; ++x) {
            const double w = mask.row(y)[x];
            if (w <= 0)
                continue;
            const OkLab c = labAt(picture, x, y);
            mean.L += w * c.L, mean.a += w * c.a, mean.b += w * c.b, sum += w;
        }
    return sum > 0 ? OkLab{mean.L / sum, mean.a / sum, mean.b / sum} : OkLab{};
}

Separation separationOf(ImageView picture, const Plane& mask)
{
    constexpr double kNoHue = 0.01;
    constexpr int kShare = 50;
    const cv::Mat inside = weightsOf(mask) >= 0.5,
                  ring = grown(inside, std::max(2, std::max(mask.width, mask.height) / kShare)) & ~inside;
    Plane round(mask.width, mask.height);
    for (int y = 0; y < mask.height; ++y)
        for (int x = 0; x < mask.width; ++x)
            round.row(y)[x] = ring.at<std::uint8_t>(y, x) ? 1 - mask.row(y)[x] : 0;
    if (cv::countNonZero(inside) == 0 || cv::countNonZero(ring) == 0)
        return {};
    const OkLab in = meanUnder(picture, mask), out = meanUnder(picture, round);
    const double ours = std::hypot(in.a, in.b), theirs = std::hypot(out.a, out.b);
    Separation s{in.L - out.L, ours - theirs, 0};
    if (ours >= kNoHue && theirs >= kNoHue)
        s.hueDegrees = std::remainder((std::atan2(in.b, in.a) - std::atan2(out.b, out.a)) * 180 / CV_PI, 360.0);
    return s;
}

double haloOf(ImageView before, ImageView after, const Plane& mask)
{
    return haloOf(lightnessOf(before), lightnessOf(after), mask);
}

double haloOf(const Plane& before, const Plane& after, const Plane& mask)
{
    constexpr float kDark = 0.02F;
    constexpr double kClear = 0.02, kSeen = 0.95;
    const int width = edgeWidth(mask);
    const cv::Mat weights = weightsOf(mask), inside = weights >= 0.5,
                  band = grown(inside, width) & ~shrunk(inside, width);
    cv::Mat change(mask.height, mask.width, CV_32F);
    for (int y = 0; y < mask.height; ++y)
        for (int x = 0; x < mask.width; ++x)
            change.at<float>(y, x) = std::log((after.row(y)[x] + kDark) / (before.row(y)[x] + kDark));
    // What is usual: clear of the edge, so that an overshoot is not its own measure.
    const cv::Mat in = localMean(change, (weights > 1 - kClear) & ~band, 3 * width),
                  out = localMean(change, (weights < kClear) & ~band, 3 * width);
    std::vector<double> over;
    for (int y = 0; y < mask.height; ++y)
        for (int x = 0; x < mask.width; ++x) {
            const double a = in.at<float>(y, x), b = out.at<float>(y, x), c = change.at<float>(y, x);
            if (band.at<std::uint8_t>(y, x) && std::isfinite(a) && std::isfinite(b))
                over.push_back(std::max({0.0, c - std::max(a, b), std::min(a, b) - c}));
        }
    return over.empty() ? 0 : quantile(over, kSeen);
}

double leakOf(ImageView before, ImageView after, const Plane& mask)
{
    const cv::Mat clear = ~grown(weightsOf(mask) > 0, edgeWidth(mask));
    double sum = 0;
    for (int y = 0; y < mask.height; ++y)
        for (int x = 0; x < mask.width; ++x)
            if (clear.at<std::uint8_t>(y, x))
                sum += distance(labAt(before, x, y), labAt(after, x, y));
    const int count = cv::countNonZero(clear);
    return count > 0 ? sum / count : 0;
}

double shareOf(const Plane& mask)
{
    double sum = 0;
    for (const float w : mask.values)
        sum += w;
    return mask.values.empty() ? 0 : sum / static_cast<double>(mask.values.size());
}

double overlapOf(const Plane& mask, const Plane& other)
{
    double both = 0, all = 0;
    for (std::size_t i = 0; i < std::min(mask.values.size(), other.values.size()); ++i)
        both += std::min(mask.values[i], other.values[i]), all += mask.values[i];
    return all > 0 ? both / all : 0;
}

std::optional<double> strengthThatEquals(const Look& look, std::size_t step, ImageView picture,
                                         const RenderOptions& options, const Plane& here, const Plane& there,
                                         AreaMeasure measure)
{
    constexpr double kMost = 2;
    constexpr int kHalvings = 24;
    if (step >= look.steps.size())
        return std::nullopt;
    const auto difference = [&](double strength) {
        Look tried = look;
        tried.steps[step].strength = strength;
        Image out(picture.width, picture.height);
        if (const auto plan = RenderPlan::compile(tried))
            render(*plan, picture, out.mutableView(), {}, options);
        const OkLab a = meanUnder(out.view(), here), b = meanUnder(out.view(), there);
        return measure == AreaMeasure::Lightness ? a.L - b.L : std::hypot(a.a, a.b) - std::hypot(b.a, b.b);
    };
    double low = 0, high = kMost, atLow = difference(low);
    const double atHigh = difference(high);
    if (atLow == 0 || (atLow < 0) == (atHigh < 0))
        return atLow == 0 ? std::optional(0.0) : std::nullopt;
    for (int i = 0; i < kHalvings; ++i) {
        const double middle = (low + high) / 2, at = difference(middle);
        if ((at < 0) == (atLow < 0))
            low = middle, atLow = at;
        else
            high = middle;
    }
    return (low + high) / 2;
}

namespace {

constexpr int kFewPixels = 240;

/// How unlike its wide surroundings each pixel is, and by what.
struct Conspicuity {
    cv::Mat unlike, lightness, chroma;
};

Conspicuity contrastOf(const cv::Mat& lab)
{
    constexpr double kShare = 8, kChroma = 1.5;
    cv::Mat wide;
    cv::GaussianBlur(lab, wide, {}, lab.cols / kShare / 2);
    Conspicuity contrast{cv::Mat(lab.size(), CV_32F), cv::Mat(lab.size(), CV_32F), cv::Mat(lab.size(), CV_32F)};
    for (int y = 0; y < lab.rows; ++y)
        for (int x = 0; x < lab.cols; ++x) {
            const auto &c = lab.at<cv::Vec3f>(y, x), &w = wide.at<cv::Vec3f>(y, x);
            contrast.lightness.at<float>(y, x) = c[0] - w[0];
            contrast.chroma.at<float>(y, x) = std::hypot(c[1], c[2]) - std::hypot(w[1], w[2]);
            contrast.unlike.at<float>(y, x) =
                static_cast<float>(std::hypot(c[0] - w[0], kChroma * (c[1] - w[1]), kChroma * (c[2] - w[2])));
        }
    return contrast;
}

/// Patches that stand out by more than this and are neither too small nor too large; those too large go to `again`.
void addDistractors(const Conspicuity& contrast, const cv::Mat& looked, double unlike, const cv::Mat& away,
                    cv::Mat& again, std::vector<Distractor>& all)
{
    constexpr double kSmallest = 0.0004, kLargest = 0.05;
    cv::Mat labels, stats, centres;
    const cv::Mat odd = (contrast.unlike > unlike) & looked;
    const int count = cv::connectedComponentsWithStats(odd, labels, stats, centres, 8, CV_32S);
    const auto total = static_cast<double>(looked.total());
    const double w = looked.cols, h = looked.rows;
    again = cv::Mat::zeros(looked.size(), CV_8U);
    for (int i = 1; i < count; ++i) {
        const cv::Mat patch = labels == i;
        const int area = stats.at<int>(i, cv::CC_STAT_AREA);
        if (area > kLargest * total)
            again |= patch;
        if (area < kSmallest * total || area > kLargest * total)
            continue;
        const double left = stats.at<int>(i, cv::CC_STAT_LEFT), top = stats.at<int>(i, cv::CC_STAT_TOP);
        all.push_back({left / w, top / h, (left + stats.at<int>(i, cv::CC_STAT_WIDTH)) / w,
                       (top + stats.at<int>(i, cv::CC_STAT_HEIGHT)) / h,
                       cv::mean(contrast.unlike, patch)[0] * std::sqrt(area / total) * cv::mean(away, patch)[0] / w,
                       cv::mean(contrast.lightness, patch)[0], cv::mean(contrast.chroma, patch)[0]});
    }
}

}  // namespace

std::vector<Distractor> distractorsOf(ImageView picture, const Plane& subject)
{
    constexpr double kUnlike = 0.08, kMore = 1.4;
    constexpr std::size_t kMost = 8;
    const cv::Mat lab = okLabOf(picture, kFewPixels);
    const Conspicuity contrast = contrastOf(lab);
    cv::Mat own, away;
    cv::resize(weightsOf(subject), own, lab.size(), 0, 0, cv::INTER_AREA);
    const cv::Mat outside = own < 0.5;
    if (cv::countNonZero(~outside) > 0)
        cv::distanceTransform(outside, away, cv::DIST_L2, cv::DIST_MASK_5);
    else
        away = cv::Mat(lab.size(), CV_32F, cv::Scalar(lab.cols));
    // What stands out most makes its surroundings stand out as well: a patch that is too large is looked at again for
    // what in it stands out by more.
    cv::Mat looked = outside.clone(), again;
    std::vector<Distractor> all;
    for (double unlike = kUnlike; unlike < 1 && cv::countNonZero(looked) > 0; unlike *= kMore, looked = again.clone())
        addDistractors(contrast, looked, unlike, away, again, all);
    std::stable_sort(all.begin(), all.end(), [](const auto& a, const auto& b) { return a.weight > b.weight; });
    all.resize(std::min(all.size(), kMost));
    return all;
}

Plane conspicuityOf(ImageView picture)
{
    const cv::Mat unlike = contrastOf(okLabOf(picture, kFewPixels)).unlike;
    Plane plane(unlike.cols, unlike.rows);
    std::copy_n(unlike.ptr<float>(), plane.values.size(), plane.values.data());
    return plane;
}

}  // namespace amber
