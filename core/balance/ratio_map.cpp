#include "core/balance/ratio_map.h"

#include "core/colour/rgb_space.h"
#include "core/frame/balance.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace amber {
namespace {

constexpr int kAcross = RatioMap::kAcross, kDown = RatioMap::kDown;
constexpr double kBin = RatioMap::kBin;

int moved(std::size_t n, double u, double v)
{
    const int i = static_cast<int>(n) % kAcross + static_cast<int>(std::lround(u / kBin)),
              j = static_cast<int>(n) / kAcross + static_cast<int>(std::lround(v / kBin));
    return i >= 0 && i < kAcross && j >= 0 && j < kDown ? j * kAcross + i : -1;
}

std::vector<float> countedRatios(ImageView picture, const Response& response)
{
    std::vector<float> map(kAcross * kDown);
    for (int y = 0; y < picture.height; ++y)
        for (int x = y % 2; x < picture.width; x += 2) {
            const float* p = picture.row(y) + 3 * x;
            if (std::isnan(p[0]))
                continue;
            const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), {p[0], p[1], p[2]});
            if (std::min({own.r, own.g, own.b}) < 0.003 || std::max({own.r, own.g, own.b}) > 0.95)
                continue;
            if (const auto ratios = coneRatios(toSceneLight(response, {p[0], p[1], p[2]}))) {
                const int i = static_cast<int>(((*ratios)[0] + 1.2) / kBin),
                          j = static_cast<int>(((*ratios)[1] + 4) / kBin);
                if (i >= 0 && i < kAcross && j >= 0 && j < kDown)
                    map[static_cast<std::size_t>(j) * kAcross + i] += static_cast<float>(std::cbrt(own.g));
            }
        }
    return map;
}

std::vector<float> blurred(const std::vector<float>& map)
{
    std::vector<float> whole(map.size());
    constexpr float kKernel[5] = {0.06f, 0.24f, 0.4f, 0.24f, 0.06f};
    std::vector<float> half(map.size());
    for (int pass = 0; pass < 2; ++pass) {
        const std::vector<float>& from = pass ? half : map;
        std::vector<float>& to = pass ? whole : half;
        for (int j = 0; j < kDown; ++j)
            for (int i = 0; i < kAcross; ++i)
                for (int k = -2; k <= 2; ++k) {
                    const int u = pass ? i : std::clamp(i + k, 0, kAcross - 1),
                              v = pass ? std::clamp(j + k, 0, kDown - 1) : j;
                    to[static_cast<std::size_t>(j) * kAcross + i] +=
                        kKernel[k + 2] * from[static_cast<std::size_t>(v) * kAcross + u];
                }
    }
    return whole;
}

/// Where between three equally spaced values, the middle one highest, a parabola through them is highest.
double peakBetween(double a, double b, double c) { return a + c < 2 * b ? 0.5 * (a - c) / (a - 2 * b + c) : 0.0; }

}  // namespace

RatioMap::RatioMap(ImageView picture, const Response& response) : m_map(blurred(countedRatios(picture, response)))
{
    const double sum = std::accumulate(m_map.begin(), m_map.end(), 0.0);
    for (std::size_t n = 0; n < m_map.size(); ++n) {
        m_map[n] = sum > 0 ? static_cast<float>(std::sqrt(m_map[n] / sum)) : 0;
        if (m_map[n] > 0.003f)
            m_used.push_back(n);
    }
}

RatioMap::Foreign RatioMap::foreign(const Presence& all, double lm, double sm) const
{
    // Of all the frames' presence this one's own is taken away.
    const auto isCovered = [&](std::size_t n, double u, double v, bool own) {
        const int at = moved(n, u, v);
        return at >= 0 && all[static_cast<std::size_t>(at)] > (own ? 1 : 0);
    };
    Foreign found;
    double weight = 1e-9;
    std::vector<std::size_t> strange;
    for (const std::size_t n : m_used) {
        weight += m_map[n] * m_map[n];
        if (!isCovered(n, lm, sm, m_map[n] > kPresent))
            strange.push_back(n), found.share += m_map[n] * m_map[n];
    }
    const auto warm = coneGains({0, 4500, 0}), cool = coneGains({0, 8000, 0});
    const double dv = (warm[2] - warm[1]) - (cool[2] - cool[1]), du = ((warm[0] - warm[1]) - (cool[0] - cool[1])) / dv;
    for (double by = 0.25; by <= 1.6 && found.share > 0; by += 0.05)
        for (const double way : {-by, by}) {
            double covered = 0;
            for (const std::size_t n : strange)
                covered += isCovered(n, lm + du * way, sm + way, false) ? m_map[n] * m_map[n] : 0;
            found.coveredOtherwise = std::max(found.coveredOtherwise, covered / found.share);
        }
    found.share /= weight;
    return found;
}

void RatioMap::countIn(Presence& all, double lm, double sm) const
{
    all.resize(m_map.size());
    std::vector<bool> seen(m_map.size());
    for (const std::size_t n : m_used)
        if (const int at = moved(n, lm, sm); at >= 0 && m_map[n] > kPresent && !seen[static_cast<std::size_t>(at)])
            seen[static_cast<std::size_t>(at)] = true, ++all[static_cast<std::size_t>(at)];
}

double RatioMap::scoreOf(const RatioMap& other, int across, int down) const
{
    double score = 0;
    for (const std::size_t n : m_used) {
        const int i = static_cast<int>(n) % kAcross + across, j = static_cast<int>(n) / kAcross + down;
        if (i >= 0 && i < kAcross && j >= 0 && j < kDown)
            score += m_map[n] * other.m_map[static_cast<std::size_t>(j) * kAcross + i];
    }
    return score;
}

RatioMap::Shift RatioMap::onto(const RatioMap& other) const
{
    constexpr int kU = 8, kV = 34, kWide = 2 * kU + 1;
    std::vector<double> scores;
    for (int v = -kV; v <= kV; ++v)
        for (int u = -kU; u <= kU; ++u)
            scores.push_back(scoreOf(other, u, v));
    const auto best = static_cast<int>(std::max_element(scores.begin(), scores.end()) - scores.begin());
    const int u = best % kWide, v = best / kWide;
    const auto score = [&](int place) { return scores[static_cast<std::size_t>(place)]; };
    const auto between = [&](int at, int limit, int step) {
        return at <= 0 || at >= limit ? 0.0 : peakBetween(score(best - step), score(best), score(best + step));
    };
    return {(u - kU + between(u, 2 * kU, 1)) * kBin, (v - kV + between(v, 2 * kV, kWide)) * kBin, score(best)};
}

}  // namespace amber
