#include "core/match/light_by_place.h"

#include "core/base/statistics.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"

#include <Eigen/Cholesky>
#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr int kGrid = 12;
using Shapes = Eigen::Vector4d;

/// The constant and the three shapes at a place in fractions of the picture: each falls by 1 from one side to the
/// other, about a mean of nothing.
Shapes shapesAt(double u, double v)
{
    const double x = 2 * u - 1, y = 2 * v - 1;
    return {1, 0.5 - v, 0.5 - u, 1.0 / 3 - (x * x + y * y) / 2};
}

struct Area {
    Shapes shapes;
    double star = 0;
};

double starAt(const float* p)
{
    return lightnessStar(
        toOkLab(LinearRgb{std::clamp(p[0], 0.0f, 1.0f), std::clamp(p[1], 0.0f, 1.0f), std::clamp(p[2], 0.0f, 1.0f)}).L);
}

std::vector<Area> areasOf(ImageView small)
{
    std::vector<Area> areas;
    for (int j = 0; j < kGrid; ++j)
        for (int i = 0; i < kGrid; ++i) {
            const int left = i * small.width / kGrid, right = (i + 1) * small.width / kGrid,
                      top = j * small.height / kGrid, bottom = (j + 1) * small.height / kGrid;
            std::vector<double> stars;
            for (int y = top; y < bottom; ++y)
                for (int x = left; x < right; ++x)
                    if (const float* p = small.row(y) + 3 * x; !std::isnan(p[0]))
                        stars.push_back(starAt(p));
            if (2 * static_cast<int>(stars.size()) > (right - left) * (bottom - top))
                areas.push_back({shapesAt((i + 0.5) / kGrid, (j + 0.5) / kGrid), median(stars)});
        }
    return areas;
}

}  // namespace

std::optional<Falls> lightByPlace(ImageView small)
{
    constexpr int kLeast = 48, kRounds = 12;
    constexpr double kScale = 8;  // L*: what lies so far off counts by half
    if (std::min(small.width, small.height) < kLeast)
        return std::nullopt;
    const std::vector<Area> areas = areasOf(small);
    if (2 * areas.size() < kGrid * kGrid)
        return std::nullopt;
    Shapes c = Shapes::Zero();
    for (int round = 0; round < kRounds; ++round) {
        Eigen::Matrix4d square = 1e-6 * Eigen::Matrix4d::Identity();
        Shapes along = Shapes::Zero();
        for (const Area& area : areas) {
            const double off = (area.star - c.dot(area.shapes)) / kScale, w = round == 0 ? 1 : 1 / (1 + off * off);
            square += w * area.shapes * area.shapes.transpose();
            along += w * area.star * area.shapes;
        }
        c = square.ldlt().solve(along);
    }
    return Falls{c[1], c[2], c[3]};
}

namespace {

/// A pixel of two pictures that lie on one another.
struct Beside {
    int bin = 0;
    Eigen::Vector3d shapes;
    double star = 0;
};

constexpr int kBins = 34;

std::vector<Beside> pixelsBeside(ImageView ours, ImageView laid)
{
    constexpr double kBin = 3;  // L*
    std::vector<Beside> pixels;
    for (int y = 0; y < laid.height; ++y)
        for (int x = 0; x < laid.width; ++x)
            if (const float* p = laid.row(y) + 3 * x; !std::isnan(p[0]))
                pixels.push_back({std::clamp(static_cast<int>(starAt(ours.row(y) + 3 * x) / kBin), 0, kBins - 1),
                                  shapesAt((x + 0.5) / laid.width, (y + 0.5) / laid.height).tail<3>(), starAt(p)});
    return pixels;
}

/// Each pixel less the weighted mean of its bin.
std::vector<Beside> lessBins(std::vector<Beside> pixels, const std::vector<double>& weights)
{
    std::array<Beside, kBins> mean;
    std::array<double, kBins> weight{};
    for (Beside& m : mean)
        m.shapes.setZero();
    for (std::size_t i = 0; i < pixels.size(); ++i) {
        const auto bin = static_cast<std::size_t>(pixels[i].bin);
        weight[bin] += weights[i], mean[bin].star += weights[i] * pixels[i].star;
        mean[bin].shapes += weights[i] * pixels[i].shapes;
    }
    for (Beside& p : pixels) {
        const auto bin = static_cast<std::size_t>(p.bin);
        p.star -= mean[bin].star / weight[bin], p.shapes -= mean[bin].shapes / weight[bin];
    }
    return pixels;
}

}  // namespace

std::optional<Falls> fallsBeside(ImageView ours, ImageView laid)
{
    constexpr int kRounds = 6;
    constexpr double kScale = 2, kWorth = 0.9;
    const std::vector<Beside> pixels = pixelsBeside(ours, laid);
    std::vector<double> weights(pixels.size(), 1);
    Eigen::Vector3d c = Eigen::Vector3d::Zero();
    double rest = 0, without = 0;
    for (int round = 0; round < kRounds && pixels.size() > 500; ++round) {
        const std::vector<Beside> own = lessBins(pixels, weights);
        Eigen::Matrix3d square = 1e-6 * Eigen::Matrix3d::Identity();
        Eigen::Vector3d along = Eigen::Vector3d::Zero();
        for (std::size_t i = 0; i < own.size(); ++i)
            square += weights[i] * own[i].shapes * own[i].shapes.transpose(),
                along += weights[i] * own[i].star * own[i].shapes;
        c = square.ldlt().solve(along);
        rest = without = 0;
        for (std::size_t i = 0; i < own.size(); ++i) {
            const double off = own[i].star - c.dot(own[i].shapes);
            rest += weights[i] * std::abs(off), without += weights[i] * std::abs(own[i].star);
            weights[i] = 1 / (1 + off * off / (kScale * kScale));
        }
    }
    if (!(rest < kWorth * without))
        return std::nullopt;
    return Falls{c[0], c[1], c[2]};
}

Image levelled(ImageView small, const Falls& falls)
{
    Image out(small.width, small.height);
    for (int y = 0; y < small.height; ++y)
        for (int x = 0; x < small.width; ++x) {
            const float* p = small.row(y) + 3 * x;
            float* q = out.mutableView().row(y) + 3 * x;
            const Shapes s = shapesAt((x + 0.5) / small.width, (y + 0.5) / small.height);
            const double star = starAt(p),
                         wanted = std::max(0.0, star - falls[0] * s[1] - falls[1] * s[2] - falls[2] * s[3]),
                         light = luminanceOfStar(star), gain = light > 1e-6 ? luminanceOfStar(wanted) / light : 1;
            for (int k = 0; k < 3; ++k)
                q[k] = static_cast<float>(p[k] * gain);
        }
    return out;
}

}  // namespace amber
