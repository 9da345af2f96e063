#include "core/proof/patches.h"

#include "core/base/phrase.h"

#include <algorithm>
#include <opencv2/imgproc.hpp>

namespace amber {

double PixelSet::share() const
{
    const auto count = in.size() - static_cast<std::size_t>(std::count(in.begin(), in.end(), 0));
    return in.empty() ? 0 : static_cast<double>(count) / static_cast<double>(in.size());
}

std::vector<Patch> patchesOf(const PixelSet& set)
{
    std::vector<Patch> patches;
    if (set.in.empty())
        return patches;
    const cv::Mat mask(set.height, set.width, CV_8U, const_cast<std::uint8_t*>(set.in.data()));
    cv::Mat labels, stats, middles;
    const int count = cv::connectedComponentsWithStats(mask, labels, stats, middles, 8, CV_32S);
    patches.resize(static_cast<std::size_t>(std::max(0, count - 1)));
    const double w = set.width, h = set.height;
    for (int i = 1; i < count; ++i) {
        Patch& patch = patches[static_cast<std::size_t>(i - 1)];
        const int left = stats.at<int>(i, cv::CC_STAT_LEFT), top = stats.at<int>(i, cv::CC_STAT_TOP);
        patch.place = {left / w, top / h, (left + stats.at<int>(i, cv::CC_STAT_WIDTH)) / w,
                       (top + stats.at<int>(i, cv::CC_STAT_HEIGHT)) / h};
        patch.share = stats.at<int>(i, cv::CC_STAT_AREA) / (w * h);
        patch.pixels.reserve(static_cast<std::size_t>(stats.at<int>(i, cv::CC_STAT_AREA)));
    }
    for (int y = 0; y < set.height; ++y)
        for (int x = 0; x < set.width; ++x)
            if (const int label = labels.at<int>(y, x); label > 0)
                patches[static_cast<std::size_t>(label - 1)].pixels.push_back(y * set.width + x);
    std::stable_sort(patches.begin(), patches.end(), [](const Patch& a, const Patch& b) { return a.share > b.share; });
    return patches;
}

std::vector<int> ringOf(const Patch& patch, int radius, int width, int height)
{
    PixelSet near(width, height);
    for (const int pixel : patch.pixels)
        for (int y = std::max(0, pixel / width - radius); y <= std::min(height - 1, pixel / width + radius); ++y)
            for (int x = std::max(0, pixel % width - radius); x <= std::min(width - 1, pixel % width + radius); ++x)
                near.at(x, y) = 1;
    for (const int pixel : patch.pixels)
        near.in[static_cast<std::size_t>(pixel)] = 0;
    std::vector<int> ring;
    for (std::size_t i = 0; i < near.in.size(); ++i)
        if (near.in[i] != 0)
            ring.push_back(static_cast<int>(i));
    return ring;
}

std::string whereabouts(const Region& place)
{
    const double x = (place.left + place.right) / 2, y = (place.top + place.bottom) / 2;
    switch (3 * std::clamp(static_cast<int>(3 * y), 0, 2) + std::clamp(static_cast<int>(3 * x), 0, 2)) {
    case 0:
        return phrase("in the upper left");
    case 1:
        return phrase("at the top");
    case 2:
        return phrase("in the upper right");
    case 3:
        return phrase("at the left");
    case 4:
        return phrase("in the middle");
    case 5:
        return phrase("at the right");
    case 6:
        return phrase("in the lower left");
    case 7:
        return phrase("at the bottom");
    default:
        return phrase("in the lower right");
    }
}

double overlapOf(const Region& one, const Region& other)
{
    const double w = std::min(one.right, other.right) - std::max(one.left, other.left);
    const double h = std::min(one.bottom, other.bottom) - std::max(one.top, other.top);
    return w > 0 && h > 0 ? w * h : 0;
}

}  // namespace amber
