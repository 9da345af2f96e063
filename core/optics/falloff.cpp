#include "core/optics/falloff.h"

#include "core/base/long_call.h"
#include "core/base/statistics.h"
#include "core/colour/rgb_space.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>

namespace amber {

RadialSlopes radialSlopes(ImageView scene)
{
    longCall("radialSlopes");
    constexpr int kEdge = 360, kReach = 2;
    constexpr double kInner = 0.15, kSteep = 6, kDark = 0.004, kBright = 0.92;
    const Size size = fitted({scene.width, scene.height}, kEdge);
    const Image small = reduceByArea(scene, size.width, size.height);
    const auto& weights = rgbToXyz(RgbSpace::Rec2020).m[1];
    const auto light = [&](int x, int y) {
        const float* p = small.view().row(y) + 3 * x;
        return weights[0] * p[0] + weights[1] * p[1] + weights[2] * p[2];
    };
    RadialSlopes found;
    const double half = std::hypot(size.width, size.height) / 2;
    for (int y = kReach; y < size.height - kReach; ++y)
        for (int x = kReach; x < size.width - kReach; ++x) {
            const double dx = x + 0.5 - size.width / 2.0, dy = y + 0.5 - size.height / 2.0, r = std::hypot(dx, dy);
            const double here = light(x, y);
            if (r < kInner * half || here < kDark || here > kBright)
                continue;
            const auto slope = [&](double low, double high) {
                return low > kDark && high > kDark ? std::log2(high / low) / (2 * kReach) : 1e9;
            };
            const double along = slope(light(x - kReach, y), light(x + kReach, y)),
                         down = slope(light(x, y - kReach), light(x, y + kReach));
            const double outward = (along * dx + down * dy) / r * half;
            // Steep slopes are edges of things.
            if (std::abs(along) < 1e6 && std::abs(down) < 1e6 && std::hypot(along, down) * half < kSteep)
                found.slopes.push_back({static_cast<float>(r / half), static_cast<float>(outward)});
        }
    return found;
}

namespace {

/// stops for which slopes + 2 stops r balance, ring by ring weighted by r: the median of -slope / 2r is robust, and
/// nearly all of its spread is the scene's.
double balancePoint(const std::vector<RadialSlopes::Slope>& slopes)
{
    // Each slope votes with a weight of its length, so that the corners, where falloff is steep, count most.
    std::vector<std::pair<double, double>> votes;
    votes.reserve(slopes.size());
    double half = 0, sum = 0;
    for (const auto& s : slopes) {
        votes.emplace_back(-s.stops / (2 * s.length), s.length * s.length);
        half += s.length * s.length / 2;
    }
    std::sort(votes.begin(), votes.end());
    for (const auto& [vote, weight] : votes)
        if ((sum += weight) >= half)
            return vote;
    return 0;
}

}  // namespace

std::optional<MeasuredFalloff> measureFalloff(const std::vector<RadialSlopes>& frames)
{
    constexpr std::size_t kEnough = 500;
    std::vector<RadialSlopes::Slope> all;
    std::vector<double> each;
    for (const RadialSlopes& f : frames) {
        if (f.slopes.size() < kEnough)
            continue;
        all.insert(all.end(), f.slopes.begin(), f.slopes.end());
        each.push_back(balancePoint(f.slopes));
    }
    if (each.empty())
        return std::nullopt;
    MeasuredFalloff found;
    found.frames = static_cast<int>(each.size());
    found.stops = median(each);
    std::vector<double> apart;
    for (const double stops : each)
        apart.push_back(std::abs(stops - found.stops));
    // One frame alone has no spread to tell its error by: that of frames as they are.
    constexpr double kUsual = 0.15;
    const double spread = each.size() < 3 ? kUsual : std::max(0.03, 1.4826 * median(apart));
    found.error = 1.2533 * spread / std::sqrt(static_cast<double>(each.size()));
    return found;
}

}  // namespace amber
