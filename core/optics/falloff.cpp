#include "core/optics/falloff.h"

#include "core/base/long_call.h"
#include "core/base/statistics.h"
#include "core/colour/rgb_space.h"
#include "core/image/resize.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace amber {
namespace {

constexpr double kLeast = -1, kMost = 3;

/// Log light of pixels and the squares of their distances from the middle, 1 in the corners.
struct Rays {
    std::vector<float> stops, squares;
};

Rays raysOf(ImageView scene, double white)
{
    constexpr int kEdge = 400;
    constexpr double kDark = 0.004, kBright = 0.97;
    const Size size = fitted({scene.width, scene.height}, kEdge);
    const Image small = reduceByArea(scene, size.width, size.height);
    const auto& weights = rgbToXyz(RgbSpace::Rec2020).m[1];
    const double corner = size.width * size.width + size.height * size.height;
    Rays rays;
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            const float* p = small.view().row(y) + 3 * x;
            const double light = weights[0] * p[0] + weights[1] * p[1] + weights[2] * p[2];
            if (light < kDark || light > kBright * white)
                continue;
            const double dx = 2 * x + 1 - size.width, dy = 2 * y + 1 - size.height;
            rays.stops.push_back(static_cast<float>(std::log2(light)));
            rays.squares.push_back(static_cast<float>((dx * dx + dy * dy) / corner));
        }
    return rays;
}

/// Of the histogram of log light once `falloff` stops are given back to the corners: 32 bins a stop, each pixel between
/// two, blurred by a tenth of a stop.
double entropyAfter(const Rays& rays, double falloff)
{
    constexpr int kBinsPerStop = 32, kLowest = -10, kHighest = 4, kSigma = 3, kReach = 3 * kSigma;
    constexpr auto kBins = static_cast<std::size_t>((kHighest - kLowest) * kBinsPerStop + 1);
    std::array<double, kBins + 1> bins{};
    for (std::size_t i = 0; i < rays.stops.size(); ++i) {
        const double at = (rays.stops[i] + falloff * rays.squares[i] - kLowest) * kBinsPerStop;
        const auto bin = static_cast<std::size_t>(at);
        bins[bin] += 1 - (at - static_cast<double>(bin)), bins[bin + 1] += at - static_cast<double>(bin);
    }
    std::array<double, 2 * kReach + 1> bell{};
    double whole = 0;
    for (int k = -kReach; k <= kReach; ++k)
        whole += bell[static_cast<std::size_t>(k + kReach)] = std::exp(-k * k / (2.0 * kSigma * kSigma));
    double entropy = 0;
    for (int i = 0; i < static_cast<int>(bins.size()); ++i) {
        double share = 0;
        for (int k = std::max(-kReach, -i); k <= std::min(kReach, static_cast<int>(bins.size()) - 1 - i); ++k)
            share += bell[static_cast<std::size_t>(k + kReach)] * bins[static_cast<std::size_t>(i + k)];
        share /= whole * static_cast<double>(rays.stops.size());
        entropy -= share > 0 ? share * std::log(share) : 0;
    }
    return entropy;
}

}  // namespace

std::optional<double> apparentFalloff(ImageView scene, double white)
{
    longCall("apparentFalloff");
    constexpr std::size_t kEnough = 5000;
    constexpr double kCoarse = 0.1, kFine = 0.01;
    const Rays rays = raysOf(scene, white);
    if (rays.stops.size() < kEnough)
        return std::nullopt;
    double best = kLeast, least = entropyAfter(rays, kLeast);
    const auto search = [&](double from, double to, double step) {
        for (double stops = from; stops < to + step / 2; stops += step)
            if (const double entropy = entropyAfter(rays, stops); entropy < least)
                least = entropy, best = stops;
    };
    search(kLeast, kMost, kCoarse);
    search(std::max(kLeast, best - kCoarse), std::min(kMost, best + kCoarse), kFine);
    return best;
}

std::optional<MeasuredFalloff> measureFalloff(const std::vector<double>& apparent)
{
    if (apparent.empty())
        return std::nullopt;
    std::vector<double> each = apparent, apart;
    MeasuredFalloff found;
    found.frames = static_cast<int>(each.size());
    const double middle = median(each);
    found.stops = std::max(0.0, middle);
    for (const double stops : each)
        apart.push_back(std::abs(stops - middle));
    // Few frames may agree by chance: what frames of one lens are usually apart is in it too.
    constexpr double kUsual = 0.15, kToSigma = 1.4826, kOfMedian = 1.2533;
    const double spread = std::hypot(kUsual, kToSigma * median(apart));
    found.error = kOfMedian * spread / std::sqrt(static_cast<double>(each.size()));
    return found;
}

}  // namespace amber
