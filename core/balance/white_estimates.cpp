#include "core/balance/white_estimates.h"

#include "core/base/statistics.h"
#include "core/colour/rgb_space.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace amber {
namespace {

constexpr double kDark = 0.02, kBright = 0.9;

struct Colour {
    std::array<double, 2> ratios;  ///< log2 of L / M and S / M
};

std::vector<Colour> coloursOf(ImageView untouched, const Response& response)
{
    std::vector<Colour> colours;
    for (int y = 0; y < untouched.height; ++y)
        for (int x = 0; x < untouched.width; ++x) {
            const float* p = untouched.row(y) + 3 * x;
            const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), {p[0], p[1], p[2]});
            if (std::min({own.r, own.g, own.b}) < kDark || std::max({own.r, own.g, own.b}) > kBright)
                continue;
            if (const auto ratios = coneRatios(toSceneLight(response, {p[0], p[1], p[2]})))
                colours.push_back({*ratios});
        }
    return colours;
}

/// From the white the camera chose, closer and closer round where the greys lie; and how many lie there.
std::optional<std::pair<std::array<double, 2>, std::size_t>> greysOf(const std::vector<Colour>& colours)
{
    constexpr double kFirst = 0.5, kLast = 0.06;
    constexpr int kRounds = 12;
    constexpr std::size_t kEnough = 30;
    std::array<double, 2> at = *coneRatios({1, 1, 1});
    std::size_t count = 0;
    for (int round = 0; round < kRounds; ++round) {
        const double reach = kFirst * std::pow(kLast / kFirst, static_cast<double>(round) / (kRounds - 1));
        std::vector<double> l, s;
        for (const Colour& c : colours)
            if (std::hypot(c.ratios[0] - at[0], (c.ratios[1] - at[1]) / 3) < reach)
                l.push_back(c.ratios[0]), s.push_back(c.ratios[1]);
        count = l.size();
        if (count < kEnough)
            return std::nullopt;
        at = {median(l), median(s)};
    }
    return std::pair(at, count);
}

}  // namespace

std::optional<FoundNeutrals> findNeutrals(ImageView untouched, const Response& response)
{
    constexpr double kLeastShare = 0.01, kMiddle = 0.2;
    const auto greys = greysOf(coloursOf(untouched, response));
    if (!greys)
        return std::nullopt;
    const auto& [at, count] = *greys;
    FoundNeutrals found;
    found.share = static_cast<double>(count) / (static_cast<double>(untouched.width) * untouched.height);
    if (found.share < kLeastShare)
        return std::nullopt;
    // As one colour of middle light, taken back to how the file would show it.
    const LinearRgb scene = apply(inverse(workingToCones()), {std::exp2(at[0]), 1, std::exp2(at[1])});
    const double scale = kMiddle / luminanceOf(scene);
    found.colour = toPictureLight(response, {scene.r * scale, scene.g * scale, scene.b * scale});
    return found;
}

}  // namespace amber
