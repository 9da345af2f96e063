#include "core/measure/main_colours.h"

#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace amber {
namespace {

constexpr double kChromaWeight = 2;
constexpr int kSamples = 4096, kRounds = 12;

struct Sample {
    double v[3];
    int x, y;
};

double distance(const double (&a)[3], const double (&b)[3])
{
    return (a[0] - b[0]) * (a[0] - b[0]) + (a[1] - b[1]) * (a[1] - b[1]) + (a[2] - b[2]) * (a[2] - b[2]);
}

std::vector<Sample> samples(ImageView image)
{
    const int step =
        std::max(1, static_cast<int>(std::sqrt(static_cast<double>(image.width) * image.height / kSamples)));
    std::vector<Sample> all;
    const auto first = [&](int size) { return std::min(step, size) / 2; };
    for (int y = first(image.height); y < image.height; y += step)
        for (int x = first(image.width); x < image.width; x += step) {
            const float* p = image.row(y) + x * 3;
            const OkLab c = toOkLab(LinearRgb{p[0], p[1], p[2]});
            all.push_back({{c.L, kChromaWeight * c.a, kChromaWeight * c.b}, x, y});
        }
    return all;
}

struct Cluster {
    double v[3] = {0, 0, 0};
    std::size_t size = 0;
};

std::size_t nearest(const std::vector<Cluster>& clusters, const Sample& s)
{
    std::size_t best = 0;
    for (std::size_t i = 1; i < clusters.size(); ++i)
        if (distance(s.v, clusters[i].v) < distance(s.v, clusters[best].v))
            best = i;
    return best;
}

/// The mean, then always the sample farthest from all that are chosen.
std::vector<Cluster> farApart(const std::vector<Sample>& all, int count)
{
    std::vector<Cluster> clusters(1);
    for (const Sample& s : all)
        for (int k = 0; k < 3; ++k)
            clusters[0].v[k] += s.v[k] / static_cast<double>(all.size());
    std::vector<double> gap(all.size(), std::numeric_limits<double>::max());
    while (clusters.size() < static_cast<std::size_t>(count)) {
        std::size_t farthest = 0;
        for (std::size_t i = 0; i < all.size(); ++i) {
            gap[i] = std::min(gap[i], distance(all[i].v, clusters.back().v));
            if (gap[i] > gap[farthest])
                farthest = i;
        }
        if (gap[farthest] < 1e-6)
            break;
        clusters.push_back({{all[farthest].v[0], all[farthest].v[1], all[farthest].v[2]}, 0});
    }
    return clusters;
}

/// One round of k-means: every cluster to the mean of the samples nearest to it.
void gather(std::vector<Cluster>& clusters, const std::vector<Sample>& all)
{
    std::vector<Cluster> sums(clusters.size());
    for (const Sample& s : all) {
        Cluster& sum = sums[nearest(clusters, s)];
        ++sum.size;
        for (int k = 0; k < 3; ++k)
            sum.v[k] += s.v[k];
    }
    for (std::size_t i = 0; i < clusters.size(); ++i) {
        if (sums[i].size > 0)
            for (int k = 0; k < 3; ++k)
                clusters[i].v[k] = sums[i].v[k] / static_cast<double>(sums[i].size);
        clusters[i].size = sums[i].size;
    }
}

}  // namespace

std::vector<MainColour> mainColours(ImageView image, int count)
{
    const std::vector<Sample> all = samples(image);
    std::vector<Cluster> clusters = farApart(all, count);
    for (int round = 0; round < kRounds; ++round)
        gather(clusters, all);
    std::vector<MainColour> result;
    for (const Cluster& c : clusters) {
        if (c.size == 0)
            continue;
        const Sample& at = *std::min_element(all.begin(), all.end(), [&](const Sample& p, const Sample& q) {
            return distance(p.v, c.v) < distance(q.v, c.v);
        });
        result.push_back({toLinearRgb(OkLab{c.v[0], c.v[1] / kChromaWeight, c.v[2] / kChromaWeight}),
                          static_cast<double>(c.size) / static_cast<double>(all.size()), (at.x + 0.5) / image.width,
                          (at.y + 0.5) / image.height});
    }
    std::stable_sort(result.begin(), result.end(),
                     [](const MainColour& a, const MainColour& b) { return a.share > b.share; });
    return result;
}

}  // namespace amber
