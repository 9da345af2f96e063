#include "core/optics/fringes.h"

#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/base/statistics.h"
#include "core/optics/noise_kernel.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace amber {
namespace {

constexpr int kWindow = 20;

struct Channels {
    int width, height;
    std::vector<float> red, green, blue;  ///< encoded
    float at(const std::vector<float>& c, int x, int y) const { return c[static_cast<std::size_t>(y) * width + x]; }
};

/// The weights 1 4 6 4 1 both ways, over and over: what mosaics and compressed colour leave of fine fringes is less
/// than what is there, and coarser ones come through whole.
void smooth(std::vector<float>& plane, int width, int height, int times)
{
    std::vector<float> line(plane.size());
    const auto row = [&](std::vector<float>& of, int y) { return of.data() + static_cast<std::size_t>(y) * width; };
    for (int n = 0; n < times; ++n) {
        inParallel(height, [&](int y) {
            const float* rows[5];
            for (int j = 0; j < 5; ++j)
                rows[j] = row(plane, std::clamp(y + j - 2, 0, height - 1));
            smoothRows(rows, width, row(line, y));
        });
        inParallel(height, [&](int y) {
            const float* in = row(line, y);
            float* out = row(plane, y);
            for (int x = 0; x < width; ++x) {
                const auto at = [&](int i) { return in[std::clamp(x + i, 0, width - 1)]; };
                out[x] = 0.0625F * (at(-2) + at(2)) + 0.25F * (at(-1) + at(1)) + 0.375F * in[x];
            }
        });
    }
}

Channels channelsOf(ImageView picture)
{
    constexpr int kSmooth = 3;
    Channels c{picture.width, picture.height, {}, {}, {}};
    const std::size_t size = static_cast<std::size_t>(c.width) * c.height;
    c.red.resize(size), c.green.resize(size), c.blue.resize(size);
    inParallel(c.height, [&](int y) {
        const std::size_t from = static_cast<std::size_t>(y) * c.width;
        float *r = c.red.data() + from, *g = c.green.data() + from, *b = c.blue.data() + from;
        toLightnessRow(picture.row(y), c.width, g, r, b);
        for (int x = 0; x < c.width; ++x) {
            g[x] -= (r[x] + b[x]) / 4;
            r[x] += g[x], b[x] += g[x];
        }
    });
    for (auto* plane : {&c.red, &c.green, &c.blue})
        smooth(*plane, c.width, c.height, kSmooth);
    return c;
}

/// One place's word: the share of its distance, and how much it weighs.
struct Vote {
    double share, weight;
};

/// Between pixels: the cubic of bicubic.h.
double between(const Channels& c, const std::vector<float>& channel, double x, double y)
{
    const auto weights = [](double t, double* w) {
        w[0] = ((-t + 2) * t - 1) * t / 2, w[1] = ((3 * t - 5) * t * t + 2) / 2;
        w[2] = ((-3 * t + 4) * t + 1) * t / 2, w[3] = (t - 1) * t * t / 2;
    };
    const double fx = std::floor(x), fy = std::floor(y);
    double across[4], down[4], sum = 0;
    weights(x - fx, across), weights(y - fy, down);
    for (int j = 0; j < 4; ++j)
        for (int i = 0; i < 4; ++i)
            sum += across[i] * down[j] *
                   c.at(channel, std::clamp(static_cast<int>(fx) + i - 1, 0, c.width - 1),
                        std::clamp(static_cast<int>(fy) + j - 1, 0, c.height - 1));
    return sum;
}

/// channel = a green + b - a s (green's slope outward), by least squares over a window; s is what the shift outward is
/// more than `known`.
struct Shift {
    double pixels = 0, weight = 0;
};
Shift shiftOf(const Channels& c, const std::vector<float>& channel, int x0, int y0, double ux, double uy, double known)
{
    constexpr double kLeastSlope = 0.008, kLeastGain = 0.3, kMostShift = 4;
    double n = 0, g = 0, gg = 0, d = 0, dd = 0, gd = 0, v = 0, vg = 0, vd = 0, vv = 0;
    for (int y = y0; y < y0 + kWindow; ++y)
        for (int x = x0; x < x0 + kWindow; ++x) {
            const double green = c.at(c.green, x, y),
                         value = known == 0 ? c.at(channel, x, y) : between(c, channel, x + known * ux, y + known * uy),
                         slope = ux * (c.at(c.green, x + 1, y) - c.at(c.green, x - 1, y)) / 2 +
                                 uy * (c.at(c.green, x, y + 1) - c.at(c.green, x, y - 1)) / 2;
            if (green > 0.97 || value > 0.97)  // an edge to what is cut off lies anywhere
                return {};
            n += 1, g += green, gg += green * green, d += slope, dd += slope * slope, gd += green * slope;
            v += value, vg += value * green, vd += value * slope, vv += value * value;
        }
    if (dd / n < kLeastSlope * kLeastSlope)
        return {};
    // The mean taken out, two unknowns are left.
    const double sgg = gg - g * g / n, sdd = dd - d * d / n, sgd = gd - g * d / n, svg = vg - v * g / n,
                 svd = vd - v * d / n, svv = vv - v * v / n, det = sgg * sdd - sgd * sgd;
    if (det < 1e-3 * sgg * sdd || det <= 0)
        return {};
    const double gain = (svg * sdd - svd * sgd) / det, bent = (svd * sgg - svg * sgd) / det;
    const double shift = -bent / gain, left = std::max(0.0, svv - gain * svg - bent * svd) / n;
    if (gain < kLeastGain || std::abs(shift) > kMostShift || left > 0.1 * svv / n)
        return {};
    return {known + shift, gain * gain * det / sgg / (left + 1e-5)};
}

double weightedMedian(std::vector<Vote> votes)
{
    std::sort(votes.begin(), votes.end(), [](const Vote& a, const Vote& b) { return a.share < b.share; });
    double half = 0, sum = 0;
    for (const Vote& v : votes)
        half += v.weight / 2;
    for (const Vote& v : votes)
        if ((sum += v.weight) >= half)
            return v.share;
    return 0;
}

struct Agreed {
    double share = 0, error = 1;
};
/// The median first, then the mean of those near it (J. Tukey's biweight).
Agreed agreed(const std::vector<Vote>& votes)
{
    Agreed found{weightedMedian(votes), 1};
    std::vector<Vote> apart;
    for (const Vote& v : votes)
        apart.push_back({std::abs(v.share - found.share), v.weight});
    const double reach = std::max(1e-5, 6 * weightedMedian(apart));
    for (int i = 0; i < 10; ++i) {
        double sum = 0, weights = 0, squares = 0, all = 0;
        for (const Vote& v : votes) {
            const double t = (v.share - found.share) / reach, u = 1 - t * t;
            const double w = std::abs(t) < 1 ? v.weight * u * u : 0;
            sum += w * v.share, weights += w, squares += w * w * t * t * reach * reach, all += w;
        }
        if (all <= 0)
            break;
        found.share = sum / weights, found.error = std::sqrt(squares) / weights;
    }
    return found;
}

}  // namespace

namespace {

struct Votes {
    std::vector<Vote> red, blue;
};

/// Every window's word, when red and blue are already known to be thrown by these shares.
Votes votesOf(const Channels& c, double knownRed, double knownBlue)
{
    constexpr double kInner = 0.25;
    const double half = std::hypot(c.width, c.height) / 2;
    const int across = (c.width - 2) / kWindow, down = (c.height - 2) / kWindow;
    std::vector<std::vector<Vote>> red(static_cast<std::size_t>(down)), blue(red.size());
    inParallel(down, [&](int j) {
        for (int i = 0; i < across; ++i) {
            const int x0 = 1 + i * kWindow, y0 = 1 + j * kWindow;
            const double x = x0 + kWindow / 2.0 - c.width / 2.0, y = y0 + kWindow / 2.0 - c.height / 2.0,
                         r = std::hypot(x, y);
            if (r < kInner * half)
                continue;
            const auto vote = [&](const std::vector<float>& channel, double known, std::vector<Vote>& to) {
                if (const Shift s = shiftOf(c, channel, x0, y0, x / r, y / r, known * r); s.weight > 0)
                    to.push_back({s.pixels / r, s.weight * r * r});
            };
            vote(c.red, knownRed, red[static_cast<std::size_t>(j)]);
            vote(c.blue, knownBlue, blue[static_cast<std::size_t>(j)]);
        }
    });
    Votes all;
    for (std::size_t j = 0; j < red.size(); ++j) {
        all.red.insert(all.red.end(), red[j].begin(), red[j].end());
        all.blue.insert(all.blue.end(), blue[j].begin(), blue[j].end());
    }
    return all;
}

}  // namespace

Fringes measureFringes(ImageView picture)
{
    longCall("measureFringes");
    constexpr double kMostError = 1.2e-4;
    constexpr int kEnough = 30, kRounds = 3;
    Fringes found;
    if (picture.width < 4 * kWindow || picture.height < 4 * kWindow)
        return found;
    const Channels c = channelsOf(picture);
    // Slopes tell small shifts: what was found is taken off, and the rest is looked at again.
    Agreed r, b;
    for (int round = 0; round < kRounds; ++round) {
        const Votes votes = votesOf(c, found.red, found.blue);
        found.edges = static_cast<int>(std::min(votes.red.size(), votes.blue.size()));
        if (found.edges == 0)
            return {};
        r = agreed(votes.red), b = agreed(votes.blue);
        found.red = r.share, found.blue = b.share;
    }
    found.isSure = found.edges >= kEnough && r.error < kMostError && b.error < kMostError;
    return found;
}

}  // namespace amber
