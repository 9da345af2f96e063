#include "core/balance/counted_parts.h"

#include "core/area/area_mask.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace amber {
namespace {

using InBalance = Area::InBalance;

/// Fewer pixels than this share say nothing.
constexpr double kLeastShare = 0.001;

LinearRgb meanUnder(ImageView picture, const Plane& mask)
{
    LinearRgb mean;
    double sum = 0;
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            const double w = mask.row(y)[x];
            const float* p = picture.row(y) + 3 * x;
            mean.r += w * p[0], mean.g += w * p[1], mean.b += w * p[2], sum += w;
        }
    return {mean.r / sum, mean.g / sum, mean.b / sum};
}

bool isEnough(const Plane& mask)
{
    double sum = 0;
    for (const float w : mask.values)
        sum += w;
    return sum >= kLeastShare * static_cast<double>(mask.values.size());
}

}  // namespace

std::map<std::string, Area> areasThatCount(std::map<std::string, Area> areas)
{
    std::erase_if(areas, [](const auto& entry) {
        const Area& area = entry.second;
        return area.inBalance == InBalance::Counts || !area.counts() || area.state == Area::State::NotHere;
    });
    return areas;
}

std::optional<CountedParts> countedParts(ImageView untouched, const std::map<std::string, Area>& areas)
{
    const auto some = areasThatCount(areas);
    if (some.empty())
        return std::nullopt;
    const MaskGround ground(untouched);
    CountedParts parts;
    Plane out(untouched.width, untouched.height);
    for (const auto& [role, area] : some) {
        const Plane mask = ground.maskOf(area);
        if (!isEnough(mask))
            continue;
        const bool isAlone = area.inBalance == InBalance::AloneCounts;
        if (isAlone)
            parts.alone[role] = meanUnder(untouched, mask);
        if (isAlone && parts.weights.values.empty())
            parts.weights = Plane(untouched.width, untouched.height);
        Plane& to = isAlone ? parts.weights : out;
        std::transform(mask.values.begin(), mask.values.end(), to.values.begin(), to.values.begin(),
                       [](float a, float b) { return std::max(a, b); });
    }
    if (parts.weights.values.empty()) {
        parts.weights = Plane(untouched.width, untouched.height);
        std::fill(parts.weights.values.begin(), parts.weights.values.end(), 1.0f);
    }
    std::transform(out.values.begin(), out.values.end(), parts.weights.values.begin(), parts.weights.values.begin(),
                   [](float left, float w) { return std::min(w, 1 - left); });
    return isEnough(parts.weights) ? std::optional(std::move(parts)) : std::nullopt;
}

void leaveOut(MutableImageView picture, const Plane& weights)
{
    constexpr float kCounts = 0.5f;
    for (int y = 0; y < picture.height; ++y) {
        const float* w = weights.row(y * weights.height / picture.height);
        for (int x = 0; x < picture.width; ++x)
            if (w[x * weights.width / picture.width] < kCounts)
                std::fill_n(picture.row(y) + 3 * x, 3, std::numeric_limits<float>::quiet_NaN());
    }
}

}  // namespace amber
