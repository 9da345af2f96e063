#include "core/match/corner_fit.h"

#include "core/colour/oklab.h"
#include "core/look/steps/smoothstep.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <tuple>

namespace amber {
namespace {

double radiusOf(const Registration::Place& at, double ratio)
{
    return std::hypot((at.x - 0.5) * ratio, at.y - 0.5) / (std::hypot(ratio, 1.0) / 2);
}

/// One colour seen twice: what it was, where, and its light before and after in stops. Colours of one cell are taken
/// for one colour.
struct LightSample {
    std::tuple<int, int, int> cell;
    double r, own, y;
};

std::vector<LightSample> lightSamples(const SeenTwice& seen, double ratio)
{
    constexpr double kCell = 0.025, kDark = 0.004;
    std::vector<LightSample> samples;
    for (std::size_t i = 0; i < seen.from.size(); ++i) {
        const OkLab from = toOkLab(seen.from[i]);
        const double before = from.L * from.L * from.L, after = std::pow(toOkLab(seen.to[i]).L, 3);
        if (before > kDark && after > kDark && after < 0.9)
            samples.push_back(
                {{static_cast<int>(std::floor(from.L / kCell)), static_cast<int>(std::floor(from.a / kCell)),
                  static_cast<int>(std::floor(from.b / kCell))},
                 radiusOf(seen.places[i], ratio),
                 std::log2(before),
                 std::log2(after)});
    }
    return samples;
}

/// How far a profile goes along with what became of the light: its stops, what is left with it and without it, and the
/// weight of all that had a say.
struct CornerFit {
    double stops = 0, rest = 0, without = 0, weight = 0;
};

/// Of a sample: the profile, its own light and what became of it, each against the mean of its cell.
struct AgainstCell {
    double p, o, y;
};

std::vector<AgainstCell> againstCells(const std::vector<LightSample>& samples, const std::vector<double>& weights,
                                      double begin)
{
    const auto profile = [&](const LightSample& s) { return smoothstep(begin, 1, s.r); };
    std::map<std::tuple<int, int, int>, std::array<double, 4>> means;
    for (std::size_t i = 0; i < samples.size(); ++i) {
        const LightSample& s = samples[i];
        auto& m = means[s.cell];
        m[0] += weights[i], m[1] += weights[i] * profile(s), m[2] += weights[i] * s.own, m[3] += weights[i] * s.y;
    }
    std::vector<AgainstCell> all;
    for (const LightSample& s : samples) {
        const auto& m = means[s.cell];
        all.push_back({profile(s) - m[1] / m[0], s.own - m[2] / m[0], s.y - m[3] / m[0]});
    }
    return all;
}

/// Light after as light before times a gain plus the profile times stops, iteratively reweighted. Nothing when the
/// samples do not tell the two apart.
std::optional<CornerFit> fitCorners(const std::vector<LightSample>& samples, double begin)
{
    constexpr int kRounds = 4;
    constexpr double kScale = 0.1;
    std::vector<double> weights(samples.size(), 1);
    CornerFit fit;
    for (int round = 0; round < kRounds; ++round) {
        const std::vector<AgainstCell> all = againstCells(samples, weights, begin);
        double pp = 0, po = 0, oo = 0, py = 0, oy = 0;
        for (std::size_t i = 0; i < all.size(); ++i) {
            const auto& [p, o, y] = all[i];
            const double w = weights[i];
            pp += w * p * p, po += w * p * o, oo += w * o * o, py += w * p * y, oy += w * o * y;
        }
        const double d = pp * oo - po * po;
        if (d <= 1e-9)
            return std::nullopt;
        fit = {(py * oo - oy * po) / d, 0, 0, 0};
        const double gain = (oy * pp - py * po) / d, alone = oy / oo;
        for (std::size_t i = 0; i < all.size(); ++i) {
            const auto& [p, o, y] = all[i];
            const double off = y - fit.stops * p - gain * o;
            fit.rest += weights[i] * std::abs(off), fit.without += weights[i] * std::abs(y - alone * o);
            fit.weight += weights[i];
            weights[i] = 1 / (1 + off * off / (kScale * kScale));
        }
    }
    return fit;
}

}  // namespace

std::optional<Corners> cornersOf(const SeenTwice& seen, double ratio)
{
    constexpr double kLeast = 0.08, kWorth = 0.9;
    const std::vector<LightSample> samples = lightSamples(seen, ratio);
    std::optional<Corners> best;
    double least = 0;
    for (const double begin : {0.0, 0.15, 0.3, 0.45}) {
        const auto fit = fitCorners(samples, begin);
        if (!fit)
            return std::nullopt;
        if (fit->weight > 0 && std::abs(fit->stops) > kLeast && fit->rest < kWorth * fit->without &&
            (!best || fit->rest / fit->weight < least))
            best = {fit->stops, begin}, least = fit->rest / fit->weight;
    }
    return best;
}

std::vector<LinearRgb> withoutCorners(const SeenTwice& seen, const Corners& corners, double ratio)
{
    std::vector<LinearRgb> to;
    for (std::size_t i = 0; i < seen.to.size(); ++i) {
        const double light = std::exp2(-corners.stops * smoothstep(corners.begin, 1, radiusOf(seen.places[i], ratio)));
        to.push_back({seen.to[i].r * light, seen.to[i].g * light, seen.to[i].b * light});
    }
    return to;
}

Step edgeStep(const Corners& corners)
{
    EdgeDarkening edges;
    edges.net = std::clamp(corners.stops, -3.0, 1.0), edges.begin = corners.begin, edges.roundness = 1,
    edges.protectDarks = 0;
    Step step;
    step.parameters = edges;
    step.note = "fitted";
    return step;
}

}  // namespace amber
