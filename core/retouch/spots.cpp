#include "core/retouch/spots.h"

#include "core/image/oklab_picture.h"
#include "core/image/resize.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

constexpr int kEdge = 2400;  // spots are looked for at this size or less
constexpr std::size_t kMost = 200;
constexpr std::array<double, 6> kSizes{1.4, 2.0, 2.8, 4.0, 5.6, 8.0};  // deviations, pixels
constexpr double kWider = 2.2, kLeastStrength = 0.008, kSure = 7, kRound = 0.5;

cv::Mat lightnessOf(ImageView picture, int longEdge)
{
    Image reduced;
    if (const Size size = fitted({picture.width, picture.height}, longEdge);
        size.width != picture.width || size.height != picture.height) {
        reduced = reduceByArea(picture, size.width, size.height);
        picture = reduced.view();
    }
    const std::vector<OkLab> labs = okLabsOf(picture);
    cv::Mat lightness(picture.height, picture.width, CV_32F);
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x)
            lightness.at<float>(y, x) =
                static_cast<float>(labs[static_cast<std::size_t>(y) * picture.width + static_cast<std::size_t>(x)].L);
    return lightness;
}

cv::Mat blurred(const cv::Mat& from, double deviation)
{
    cv::Mat to;
    cv::GaussianBlur(from, to, {}, deviation, deviation, cv::BORDER_REFLECT_101);
    return to;
}

/// By how much each place is darker than round it, at one size.
struct Level {
    double deviation;
    cv::Mat darker;
};

bool isHighest(const std::vector<Level>& levels, std::size_t level, int x, int y)
{
    const float own = levels[level].darker.at<float>(y, x);
    for (std::size_t k = level > 0 ? level - 1 : 0; k <= std::min(level + 1, levels.size() - 1); ++k)
        for (int dy = -1; dy <= 1; ++dy)
            for (int dx = -1; dx <= 1; ++dx)
                if ((k != level || dx != 0 || dy != 0) && levels[k].darker.at<float>(y + dy, x + dx) >= own)
                    return false;
    return true;
}

/// The smaller curvature as a share of the larger.
double roundness(const cv::Mat& m, int x, int y, int step)
{
    const auto at = [&](int dx, int dy) {
        return m.at<float>(std::clamp(y + dy * step, 0, m.rows - 1), std::clamp(x + dx * step, 0, m.cols - 1));
    };
    const double xx = at(1, 0) - 2 * at(0, 0) + at(-1, 0), yy = at(0, 1) - 2 * at(0, 0) + at(0, -1),
                 xy = (at(1, 1) - at(1, -1) - at(-1, 1) + at(-1, -1)) / 4;
    const double half = (xx + yy) / 2, turn = std::hypot((xx - yy) / 2, xy);
    const double flat = std::min(std::abs(half + turn), std::abs(half - turn)),
                 steep = std::max(std::abs(half + turn), std::abs(half - turn));
    return half < 0 && steep > 0 ? flat / steep : 0;
}

/// What varies in the ring round a place, as a deviation that half its pixels are within.
double unrest(const cv::Mat& darker, int x, int y, double inner, double outer)
{
    std::vector<float> ring;
    const int reach = static_cast<int>(std::ceil(outer));
    for (int dy = -reach; dy <= reach; ++dy)
        for (int dx = -reach; dx <= reach; ++dx) {
            const double far = std::hypot(dx, dy);
            if (far < inner || far > outer || x + dx < 0 || y + dy < 0 || x + dx >= darker.cols ||
                y + dy >= darker.rows)
                continue;
            ring.push_back(std::abs(darker.at<float>(y + dy, x + dx)));
        }
    if (ring.size() < 8)
        return 1;
    // Nine tenths: an edge or a line through the ring counts.
    const auto at = ring.begin() + static_cast<std::ptrdiff_t>(ring.size() * 9 / 10);
    std::nth_element(ring.begin(), at, ring.end());
    return *at / 1.645;
}

}  // namespace

std::vector<DustSpot> spotsOf(ImageView picture)
{
    const cv::Mat lightness = lightnessOf(picture, kEdge);
    std::vector<Level> levels;
    for (const double deviation : kSizes)
        levels.push_back({deviation, blurred(lightness, kWider * deviation) - blurred(lightness, deviation)});
    std::vector<DustSpot> found;
    const double width = lightness.cols, height = lightness.rows, edge = std::max(width, height);
    for (std::size_t l = 0; l < levels.size(); ++l) {
        const double deviation = levels[l].deviation;
        const int margin = static_cast<int>(std::ceil(3 * deviation)) + 1;
        for (int y = margin; y < lightness.rows - margin; ++y)
            for (int x = margin; x < lightness.cols - margin; ++x) {
                const float own = levels[l].darker.at<float>(y, x);
                if (own < kLeastStrength || !isHighest(levels, l, x, y) ||
                    roundness(levels[l].darker, x, y, std::max(1, static_cast<int>(deviation))) < kRound ||
                    own < kSure * unrest(levels[l].darker, x, y, 4 * deviation, 8 * deviation + 2))
                    continue;
                found.push_back({{(x + 0.5) / width, (y + 0.5) / height}, 1.5 * deviation / edge, own});
            }
    }
    std::sort(found.begin(), found.end(), [](const auto& p, const auto& q) { return p.strength > q.strength; });
    if (found.size() > kMost)
        found.resize(kMost);
    return found;
}

Image stretchedView(ImageView picture, int longEdge)
{
    constexpr double kTimes = 8, kWide = 0.06, kMiddle = 0.5, kSpread = 0.2;
    const cv::Mat lightness = lightnessOf(picture, longEdge);
    const double wideness = kWide * std::max(lightness.cols, lightness.rows);
    const cv::Mat wide = blurred(lightness, wideness), off = lightness - wide, varies = blurred(off.mul(off), wideness);
    Image view(lightness.cols, lightness.rows);
    for (int y = 0; y < view.height(); ++y)
        for (int x = 0; x < view.width(); ++x) {
            const double times =
                std::min(kTimes, kSpread / std::sqrt(std::max(1e-9, static_cast<double>(varies.at<float>(y, x)))));
            const double L = std::clamp(kMiddle + times * off.at<float>(y, x), 0.0, 1.0);
            std::fill_n(view.mutableView().row(y) + std::ptrdiff_t{3} * x, 3, static_cast<float>(L * L * L));
        }
    return view;
}

}  // namespace amber
