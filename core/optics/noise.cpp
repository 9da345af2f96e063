#include "core/optics/noise.h"

#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/base/statistics.h"
#include "core/optics/noise_kernel.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace amber {
namespace {

constexpr int kBlock = 16;

struct Planes {
    int width = 0, height = 0;
    std::vector<float> y, r, b;
    const float* row(const std::vector<float>& plane, int at) const
    {
        return plane.data() + static_cast<std::size_t>(at) * width;
    }
    float* row(std::vector<float>& plane, int at) const { return plane.data() + static_cast<std::size_t>(at) * width; }
};

Planes planesOf(ImageView picture)
{
    Planes p{picture.width, picture.height, {}, {}, {}};
    const std::size_t size = static_cast<std::size_t>(p.width) * p.height;
    p.y.resize(size), p.r.resize(size), p.b.resize(size);
    inParallel(p.height, [&](int at) {
        toLightnessRow(picture.row(at), p.width, p.row(p.y, at), p.row(p.r, at), p.row(p.b, at));
    });
    return p;
}

/// One step of the transform: neighbours `step` apart, the edge's values outward.
std::vector<float> smoothed(const Planes& shape, const std::vector<float>& plane, int step)
{
    std::vector<float> out(plane.size());
    const int pad = 2 * step, w = shape.width, h = shape.height;
    inParallel(h, [&](int y) {
        thread_local std::vector<float> line;
        line.resize(static_cast<std::size_t>(w) + 2 * pad);
        const float* rows[5];
        for (int j = 0; j < 5; ++j)
            rows[j] = shape.row(plane, std::clamp(y + (j - 2) * step, 0, h - 1));
        float* middle = line.data() + pad;
        smoothRows(rows, w, middle);
        std::fill_n(line.data(), pad, middle[0]), std::fill_n(middle + w, pad, middle[w - 1]);
        const float* across[5];
        for (int j = 0; j < 5; ++j)
            across[j] = middle + (j - 2) * step;
        smoothRows(across, w, shape.row(out, y));
    });
    return out;
}

/// The value round which most lie: halves of the sorted values are kept where they lie closest (D. Bickel, Comput.
/// Stat. Data Anal. 39, 2002).
double mode(std::vector<double> values)
{
    std::sort(values.begin(), values.end());
    auto first = values.begin();
    std::size_t count = values.size();
    while (count > 3) {
        const std::size_t half = (count + 1) / 2;
        auto best = first;
        for (auto at = first; at + static_cast<std::ptrdiff_t>(half) <= first + static_cast<std::ptrdiff_t>(count);
             ++at)
            if (*(at + static_cast<std::ptrdiff_t>(half) - 1) - *at <
                *(best + static_cast<std::ptrdiff_t>(half) - 1) - *best)
                best = at;
        first = best, count = half;
    }
    return std::accumulate(first, first + static_cast<std::ptrdiff_t>(count), 0.0) / static_cast<double>(count);
}

/// A block: its mean and what is left round its best plane.
struct Block {
    int x, y;
    double tone, lightness, colour;    ///< the last two: standard deviations
    double coarseLight, coarseColour;  ///< these as multiples of that of the finest detail
};

/// Root mean square.
double strengthOf(const Planes& shape, const std::vector<float>& detail, int x0, int y0)
{
    double sum = 0;
    for (int y = 0; y < kBlock; ++y) {
        const float* p = shape.row(detail, y0 + y) + x0;
        for (int x = 0; x < kBlock; ++x)
            sum += static_cast<double>(p[x]) * p[x];
    }
    return std::sqrt(sum / (kBlock * kBlock));
}

double leftRoundPlane(const Planes& shape, const std::vector<float>& plane, int x0, int y0, double* mean)
{
    double sum = 0, sx = 0, sy = 0, squares = 0;
    constexpr double kMiddle = (kBlock - 1) / 2.0, kCount = kBlock * kBlock,
                     kSpread = kCount * (kBlock * kBlock - 1) / 12.0;
    for (int y = 0; y < kBlock; ++y) {
        const float* p = shape.row(plane, y0 + y) + x0;
        for (int x = 0; x < kBlock; ++x) {
            const double v = p[x];
            sum += v, sx += v * (x - kMiddle), sy += v * (y - kMiddle), squares += v * v;
        }
    }
    if (mean)
        *mean = sum / kCount;
    const double left = squares - sum * sum / kCount - (sx * sx + sy * sy) / kSpread;
    return std::sqrt(std::max(0.0, left / (kCount - 3)));
}

std::vector<float> finest(const Planes& shape, const std::vector<float>& plane)
{
    std::vector<float> detail = smoothed(shape, plane, 1);
    for (std::size_t i = 0; i < detail.size(); ++i)
        detail[i] = plane[i] - detail[i];
    return detail;
}

std::vector<Block> blocksOf(const Planes& p)
{
    constexpr double kTiny = 1e-7;
    const std::vector<float> fineY = finest(p, p.y), fineR = finest(p, p.r), fineB = finest(p, p.b);
    constexpr double kLow = 0.02, kHigh = 0.97;  // what may be cut off says nothing
    const int across = p.width / kBlock, down = p.height / kBlock;
    std::vector<Block> all(static_cast<std::size_t>(std::max(0, across)) * std::max(0, down));
    inParallel(down, [&](int j) {
        for (int i = 0; i < across; ++i) {
            Block& b = all[static_cast<std::size_t>(j) * across + i];
            b.x = i * kBlock, b.y = j * kBlock;
            b.lightness = leftRoundPlane(p, p.y, b.x, b.y, &b.tone);
            const double r = leftRoundPlane(p, p.r, b.x, b.y, nullptr), c = leftRoundPlane(p, p.b, b.x, b.y, nullptr);
            b.colour = std::sqrt((r * r + c * c) / 2);
            b.coarseLight = b.lightness / std::max(kTiny, strengthOf(p, fineY, b.x, b.y));
            b.coarseColour =
                b.colour / std::max(kTiny, std::hypot(strengthOf(p, fineR, b.x, b.y), strengthOf(p, fineB, b.x, b.y)) /
                                               std::sqrt(2));
        }
    });
    std::erase_if(all, [](const Block& b) { return b.tone < kLow || b.tone > kHigh || b.lightness <= 0; });
    return all;
}

struct Levels {
    std::vector<std::vector<float>> y, r, b;  ///< details of the finest scales
};

/// Robust: 1.4826 times the median size of the details in the flat blocks.
double deviation(const Planes& shape, const std::vector<float>& detail, const std::vector<Block>& flat)
{
    std::vector<float> sizes;
    sizes.reserve(flat.size() * kBlock * kBlock / 4);
    for (const Block& b : flat)
        for (int y = 0; y < kBlock; y += 2)
            for (int x = 0; x < kBlock; x += 2)
                sizes.push_back(std::abs(shape.row(detail, b.y + y)[b.x + x]));
    return sizes.empty() ? 0 : 1.4826 * median(sizes);
}

constexpr int kMeasuredScales = 3;

std::array<double, Noise::kScales> sharesOf(const Planes& shape, const std::vector<float>& plane,
                                            const std::vector<Block>& flat, double whole)
{
    std::array<double, Noise::kScales> shares{};
    std::vector<float> fine = plane;
    for (int j = 0; j < kMeasuredScales; ++j) {
        std::vector<float> coarse = smoothed(shape, fine, 1 << j);
        for (std::size_t i = 0; i < fine.size(); ++i)
            fine[i] -= coarse[i];
        shares[static_cast<std::size_t>(j)] = whole > 0 ? std::min(1.0, deviation(shape, fine, flat) / whole) : 0;
        fine = std::move(coarse);
    }
    // Coarser than a block the scene itself is seen: noise falls there as that of independent pixels does.
    for (std::size_t j = kMeasuredScales; j < shares.size(); ++j)
        shares[j] = std::min(shares[j - 1] / 2, shares[j - 1]);
    return shares;
}

int toneOf(const Block& b) { return std::clamp(static_cast<int>(b.tone * Noise::kTones), 0, Noise::kTones - 1); }

/// Tones that were not seen take after the nearest that were.
void fillIn(std::array<double, Noise::kTones>& values)
{
    std::array<double, Noise::kTones> filled = values;
    for (int i = 0; i < Noise::kTones; ++i)
        for (int far = 1; far < Noise::kTones && filled[static_cast<std::size_t>(i)] == 0; ++far)
            for (const int at : {i - far, i + far})
                if (at >= 0 && at < Noise::kTones && values[static_cast<std::size_t>(at)] > 0 &&
                    filled[static_cast<std::size_t>(i)] == 0)
                    filled[static_cast<std::size_t>(i)] = values[static_cast<std::size_t>(at)];
    values = filled;
}

}  // namespace

std::vector<RowRange> noiseRows(int height)
{
    constexpr int kRanges = 12, kRows = 128, kLarge = 2 * kRanges * kRows / 2;
    if (height <= kLarge)
        return {{0, height}};
    std::vector<RowRange> ranges;
    for (int i = 0; i < kRanges; ++i)
        ranges.push_back({static_cast<int>(static_cast<long long>(height - kRows) * i / (kRanges - 1)), kRows});
    return ranges;
}

Noise measureNoise(ImageView picture)
{
    const auto ranges = noiseRows(picture.height);
    if (ranges.size() == 1)
        return measureNoiseOfRows(picture);
    Image rows(picture.width, static_cast<int>(ranges.size()) * ranges.front().rows);
    int to = 0;
    for (const RowRange& range : ranges)
        for (int y = 0; y < range.rows; ++y)
            std::copy_n(picture.row(range.first + y), 3 * picture.width, rows.mutableView().row(to++));
    return measureNoiseOfRows(rows.view());
}

namespace {

constexpr std::size_t kEnough = 24;

/// Noise has the same mixture of fine and coarse wherever it is; texture has more of the coarse.
struct Mixture {
    double light, colour;
    explicit Mixture(const std::vector<Block>& blocks)
    {
        constexpr double kFinest = 0.1, kMost = 1.3;
        std::vector<double> coarseLight, coarseColour;
        for (const Block& b : blocks)
            coarseLight.push_back(b.coarseLight), coarseColour.push_back(b.coarseColour);
        light = kMost * quantile(coarseLight, kFinest), colour = kMost * quantile(coarseColour, kFinest);
    }
};

/// The flat blocks of one tone: texture only adds, so the noise is where most of the calmer blocks lie.
std::vector<Block> flatOf(const std::vector<Block>& blocks, int tone, const Mixture& mixture)
{
    constexpr double kStillFlat = 1.25;
    std::vector<Block> some;
    std::vector<double> sizes;
    for (const Block& b : blocks)
        if (toneOf(b) == tone && b.coarseLight < mixture.light)
            some.push_back(b), sizes.push_back(std::log(b.lightness));
    if (sizes.size() < kEnough)
        return {};
    std::sort(sizes.begin(), sizes.end());
    sizes.resize(sizes.size() * 8 / 10);
    const double most = kStillFlat * std::exp(mode(std::move(sizes)));
    std::erase_if(some, [&](const Block& b) { return b.lightness >= most; });
    return some;
}

/// A mean of tones, each by how often it was seen.
struct Mean {
    double sum = 0, weight = 0;
    void add(double value, double by)
    {
        if (value > 0)
            sum += by * value, weight += by;
    }
    double value() const { return weight > 0 ? sum / weight : 0; }
};

}  // namespace

Noise measureNoiseOfRows(ImageView picture)
{
    longCall("measureNoise");
    constexpr double kCalm = 0.4, kCalmColour = 0.65;
    Noise noise;
    const Planes planes = planesOf(picture);
    const std::vector<Block> blocks = blocksOf(planes);
    if (blocks.size() < kEnough)
        return noise;
    const Mixture mixture(blocks);
    std::vector<Block> flat;
    Mean lightness, colour;
    for (std::size_t tone = 0; tone < Noise::kTones; ++tone) {
        const std::vector<Block> here = flatOf(blocks, static_cast<int>(tone), mixture);
        if (here.empty())
            continue;
        std::vector<double> l, c;
        for (const Block& b : here) {
            l.push_back(b.lightness);
            if (b.coarseColour < mixture.colour)
                c.push_back(b.colour);
        }
        noise.lightness[tone] = quantile(l, kCalm);
        noise.colour[tone] = c.size() < kEnough ? 0 : quantile(c, kCalmColour);
        lightness.add(noise.lightness[tone], static_cast<double>(here.size()));
        colour.add(noise.colour[tone], static_cast<double>(here.size()));
        flat.insert(flat.end(), here.begin(), here.end());
    }
    if (flat.empty())
        return {};
    noise.flatPlaces = static_cast<int>(flat.size());
    noise.meanLightness = lightness.value(), noise.meanColour = colour.value();
    noise.lightnessShare = sharesOf(planes, planes.y, flat, noise.meanLightness);
    const auto r = sharesOf(planes, planes.r, flat, noise.meanColour),
               b = sharesOf(planes, planes.b, flat, noise.meanColour);
    for (std::size_t j = 0; j < r.size(); ++j)
        noise.colourShare[j] = std::hypot(r[j], b[j]) / std::sqrt(2);
    fillIn(noise.lightness), fillIn(noise.colour);
    return noise;
}

namespace {

/// Thresholds at the edges of the tones' parts, for one scale.
std::array<float, Noise::kTones + 1> thresholds(const std::array<double, Noise::kTones>& tones, double factor)
{
    std::array<float, Noise::kTones + 1> all{};
    for (std::size_t i = 0; i <= Noise::kTones; ++i) {
        const double below = tones[i == 0 ? 0 : i - 1], above = tones[std::min<std::size_t>(i, Noise::kTones - 1)];
        all[i] = static_cast<float>(factor * (below + above) / 2);
    }
    return all;
}

void reducePlane(const Planes& shape, std::vector<float>& plane, const std::vector<float>& tone,
                 const std::array<double, Noise::kTones>& deviations, const std::array<double, Noise::kScales>& shares,
                 const std::array<double, Noise::kScales>& strengths)
{
    std::vector<float> sum(plane.size(), 0.0f);
    for (std::size_t j = 0; j < shares.size(); ++j) {
        if (strengths[j] <= 0)
            continue;
        const std::vector<float> coarse = smoothed(shape, plane, 1 << j);
        const auto limits = thresholds(deviations, strengths[j] * shares[j]);
        inParallel(shape.height, [&](int y) {
            shrinkRow(shape.row(plane, y), shape.row(coarse, y), shape.row(tone, y), limits.data(),
                      static_cast<int>(limits.size()), shape.width, shape.row(sum, y));
        });
        plane = coarse;
    }
    inParallel(shape.height, [&](int y) {
        float* p = shape.row(plane, y);
        const float* s = shape.row(sum, y);
        for (int x = 0; x < shape.width; ++x)
            p[x] += s[x];
    });
}

}  // namespace

void reduceNoise(MutableImageView picture, const Noise& noise, double strength)
{
    if (!noise.isKnown() || strength <= 0)
        return;
    longCall("reduceNoise");
    // Of the deviation at each scale; the finest hold most of the noise and the least of what is seen.
    constexpr std::array<double, Noise::kScales> kLightness{2.6, 2.2, 1.8, 1.2, 0}, kColour{3.2, 3.2, 3.0, 2.6, 2.2};
    std::array<double, Noise::kScales> light = kLightness, colour = kColour;
    for (double& v : light)
        v *= strength;
    for (double& v : colour)
        v *= strength;
    Planes planes = planesOf(picture);
    const std::vector<float> tone = smoothed(planes, planes.y, 1);
    reducePlane(planes, planes.r, tone, noise.colour, noise.colourShare, colour);
    reducePlane(planes, planes.b, tone, noise.colour, noise.colourShare, colour);
    reducePlane(planes, planes.y, tone, noise.lightness, noise.lightnessShare, light);
    inParallel(planes.height, [&](int at) {
        fromLightnessRow(planes.row(planes.y, at), planes.row(planes.r, at), planes.row(planes.b, at), planes.width,
                         picture.row(at));
    });
}

double edgeContrastKept(ImageView before, ImageView after)
{
    constexpr int kAcross = 3;  // pixels on either side
    constexpr double kStrongest = 0.995;
    const Planes a = planesOf(before), b = planesOf(after);
    const auto step = [](const Planes& p, int x, int y, bool down) {
        const auto mean = [&](int from) {
            double sum = 0;
            for (int i = 0; i < kAcross - 1; ++i)
                for (int side = -1; side <= 1; ++side)
                    sum += down ? p.row(p.y, y + from + i)[x + side] : p.row(p.y, y + side)[x + from + i];
            return sum;
        };
        return (mean(2) - mean(-kAcross)) / (3 * (kAcross - 1));
    };
    struct Edge {
        int x, y;
        bool down;
        double size;
    };
    std::vector<Edge> edges;
    for (int y = kAcross; y < a.height - kAcross - 1; y += 2)
        for (int x = kAcross; x < a.width - kAcross - 1; x += 2) {
            const double across = step(a, x, y, false), down = step(a, x, y, true);
            const bool isDown = std::abs(down) > std::abs(across);
            edges.push_back({x, y, isDown, std::abs(isDown ? down : across)});
        }
    if (edges.size() < 100)
        return 1;
    std::vector<double> sizes;
    for (const Edge& e : edges)
        sizes.push_back(e.size);
    const double least = quantile(sizes, kStrongest);
    std::vector<double> kept;
    for (const Edge& e : edges)
        if (e.size >= least && e.size > 0)
            kept.push_back(std::abs(step(b, e.x, e.y, e.down)) / e.size);
    return kept.empty() ? 1 : median(kept);
}

}  // namespace amber
