#include "core/proof/frame_evidence.h"

#include "core/base/caught.h"
#include "core/base/statistics.h"
#include "core/engine/plane.h"
#include "core/image/resize.h"

#include <cmath>
#include <numbers>

namespace amber {
namespace {

struct Edge {
    double width, overshoot;
};

constexpr double kBlur = 1.2;    // pixels, by which edges are blurred again
constexpr double kSteep = 0.02;  // L in a pixel: flatter ones are no edges

constexpr int kReach = 7, kFlat = 3;  // pixels to either side; of which the outer ones have to be flat

/// The edge whose middle lies between `at` and the next of a line of values, `stride` apart.
std::optional<Edge> edgeAt(const float* at, std::ptrdiff_t stride)
{
    constexpr double kStep = 0.12, kUneven = 0.12;
    std::array<double, 2 * kReach> line{};
    for (int i = 0; i < 2 * kReach; ++i)
        line[static_cast<std::size_t>(i)] = at[(i - kReach + 1) * stride];
    const auto side = [&](int from) {
        double sum = 0, low = 1e9, high = -1e9;
        for (int i = from; i < from + kFlat; ++i) {
            const double v = line[static_cast<std::size_t>(i)];
            sum += v, low = std::min(low, v), high = std::max(high, v);
        }
        return std::pair(sum / kFlat, high - low);
    };
    const auto [before, unevenBefore] = side(0);
    const auto [after, unevenAfter] = side(2 * kReach - kFlat);
    const double step = after - before;
    if (std::abs(step) < kStep || std::max(unevenBefore, unevenAfter) > kUneven * std::abs(step))
        return std::nullopt;
    double beyond = 0, under = 0, last = 0;
    double from = -1, to = -1;
    for (int i = 0; i < 2 * kReach; ++i) {
        const double share = (line[static_cast<std::size_t>(i)] - before) / step;
        beyond = std::max(beyond, share - 1), under = std::max(under, -share);
        const auto crossed = [&](double level) { return i - 1 + (level - last) / (share - last); };
        if (from < 0 && share >= 0.1)
            from = i > 0 ? crossed(0.1) : 0;
        if (to < 0 && share >= 0.9)
            to = i > 0 ? crossed(0.9) : 0;
        last = share;
    }
    if (from < 0 || to <= from)
        return std::nullopt;
    return Edge{to - from, (beyond + under) / 2};
}

/// Across rows and columns, at the steepest places alone.
std::vector<Edge> edgesIn(ImageView pixels)
{
    const Plane light = lightnessOf(pixels);
    std::vector<Edge> edges;
    constexpr float kSteepEdge = 0.025F;
    for (int y = kReach; y < light.height - kReach; ++y)
        for (int x = kReach; x < light.width - kReach; ++x)
            for (const std::ptrdiff_t stride : {std::ptrdiff_t{1}, static_cast<std::ptrdiff_t>(light.width)}) {
                const float* at = light.row(y) + x;
                const float here = std::abs(at[stride] - at[0]);
                if (here < kSteepEdge || here < std::abs(at[0] - at[-stride]) ||
                    here <= std::abs(at[2 * stride] - at[stride]))
                    continue;
                if (const auto edge = edgeAt(at, stride))
                    edges.push_back(*edge);
            }
    return edges;
}

double sharpWidth(const std::vector<Edge>& edges)
{
    std::vector<double> widths;
    for (const Edge& edge : edges)
        widths.push_back(edge.width);
    return widths.empty() ? 0 : quantile(widths, 0.25);
}

}  // namespace

namespace {

EdgeFacts factsOf(const std::vector<Edge>& all)
{
    EdgeFacts facts;
    facts.edges = static_cast<int>(all.size());
    if (all.empty())
        return facts;
    facts.width = sharpWidth(all);
    // Only sharp edges can have been sharpened; wide ones are out of focus.
    std::vector<double> overshoots;
    for (const Edge& edge : all)
        if (edge.width <= 1.5 * facts.width)
            overshoots.push_back(edge.overshoot);
    facts.overshoot = median(overshoots);
    return facts;
}

}  // namespace

EdgeFacts edgesOf(const std::vector<DetailTile>& tiles)
{
    std::vector<Edge> all;
    for (const DetailTile& tile : tiles) {
        const std::vector<Edge> own = edgesIn(tile.pixels.view());
        all.insert(all.end(), own.begin(), own.end());
    }
    return factsOf(all);
}

double softnessOf(const Plane& light, const Plane& blurred, const Region& place)
{
    constexpr double kOfStrongest = 0.25;
    constexpr std::size_t kEnough = 30;
    const int left = std::max(1, static_cast<int>(place.left * light.width)),
              right = std::min(light.width - 1, static_cast<int>(place.right * light.width)),
              top = std::max(1, static_cast<int>(place.top * light.height)),
              bottom = std::min(light.height - 1, static_cast<int>(place.bottom * light.height));
    // The square of the gradient, in fours.
    const auto steepness = [](const Plane& p, int x, int y) {
        const float across = p.row(y)[x + 1] - p.row(y)[x - 1], down = p.row(y + 1)[x] - p.row(y - 1)[x];
        return across * across + down * down;
    };
    if (right - left <= 0 || bottom - top <= 0 ||
        static_cast<std::size_t>(right - left) * static_cast<std::size_t>(bottom - top) < kEnough)
        return 0;
    std::vector<float> all(static_cast<std::size_t>(right - left) * static_cast<std::size_t>(bottom - top));
    float* to = all.data();
    for (int y = top; y < bottom; ++y)
        for (int x = left; x < right; ++x)
            *to++ = steepness(light, x, y);
    std::vector<float> sorted = all;
    const auto strongest = sorted.begin() + static_cast<std::ptrdiff_t>(0.998 * static_cast<double>(sorted.size() - 1));
    std::nth_element(sorted.begin(), strongest, sorted.end());
    const double least = kOfStrongest * std::sqrt(*strongest) / 2;
    if (least < kSteep * kOfStrongest)
        return 0;
    const auto least4 = static_cast<float>(4 * least * least);
    // Of edges of deviation s:  sum(g blurred) / sum(g g) = sqrt(2 s^2 / (2 s^2 + b^2)).
    double own = 0, both = 0;
    std::size_t i = 0;
    for (int y = top; y < bottom; ++y)
        for (int x = left; x < right; ++x, ++i)
            if (all[i] > least4)
                own += all[i], both += std::sqrt(all[i] * steepness(blurred, x, y));
    const double r = std::clamp(both / own, 0.05, 0.995);
    return kBlur * r / std::sqrt(2 * (1 - r * r));
}

namespace {

/// The deviation of L in the flattest blocks of a tile, what changes slowly in them taken off.
double flatNoiseOf(ImageView pixels)
{
    constexpr int kBlock = 12;
    const Plane light = lightnessOf(pixels);
    std::vector<double> deviations;
    for (int top = 1; top + kBlock < light.height; top += kBlock)
        for (int left = 1; left + kBlock < light.width; left += kBlock) {
            double sum = 0;
            for (int y = top; y < top + kBlock; ++y)
                for (int x = left; x < left + kBlock; ++x) {
                    // The Laplacian that lets no ramp through (J. Immerkaer, CVIU 64(2), 1996).
                    const float *u = light.row(y - 1) + x, *m = light.row(y) + x, *d = light.row(y + 1) + x;
                    const double l = u[-1] - 2 * u[0] + u[1] - 2 * (m[-1] - 2 * m[0] + m[1]) + d[-1] - 2 * d[0] + d[1];
                    sum += l * l;
                }
            deviations.push_back(std::sqrt(sum / (kBlock * kBlock)) / 6);
        }
    return deviations.empty() ? 0 : quantile(deviations, 0.25);
}

void lookAtTiles(FrameEvidence& evidence, const std::vector<DetailTile>& tiles)
{
    std::vector<Edge> all;
    for (const DetailTile& tile : tiles) {
        const std::vector<Edge> edges = edgesIn(tile.pixels.view());
        all.insert(all.end(), edges.begin(), edges.end());
        const double w = evidence.width, h = evidence.height;
        evidence.flatNoise.emplace_back(Region{tile.left / w, tile.top / h, (tile.left + tile.pixels.width()) / w,
                                               (tile.top + tile.pixels.height()) / h},
                                        flatNoiseOf(tile.pixels.view()));
    }
    evidence.edges = factsOf(all);
    if (tiles.empty())
        return;
    constexpr std::size_t kEvery = 2;
    int rows = 0;
    for (std::size_t i = 0; i < tiles.size(); i += kEvery)
        rows += tiles[i].pixels.height();
    Image together(tiles.front().pixels.width(), rows);
    int at = 0;
    for (std::size_t i = 0; i < tiles.size(); i += kEvery)
        for (int y = 0; y < tiles[i].pixels.height(); ++y)
            std::copy_n(tiles[i].pixels.view().row(y), std::ptrdiff_t{3} * together.width(),
                        together.mutableView().row(at++));
    evidence.noise = measureNoiseOfRows(together.view());
}

/// Of a face without any edge that tells: at least half of what an edge across its whole range of lightness would need
/// to be that flat. A face in which everything is dark says nothing.
double softnessOfFace(const Plane& light, const Plane& blurred, const Region& place)
{
    constexpr double kRange = 0.2;
    const double softness = softnessOf(light, blurred, place);
    if (softness > 0)
        return softness;
    std::vector<float> tones;
    for (int y = static_cast<int>(place.top * light.height); y < place.bottom * light.height && y < light.height; ++y)
        for (int x = static_cast<int>(place.left * light.width); x < place.right * light.width && x < light.width; ++x)
            tones.push_back(light.row(std::max(0, y))[std::max(0, x)]);
    if (tones.empty())
        return 0;
    constexpr std::array kEnds{0.05, 0.95};
    const auto ends = quantiles(tones, std::span<const double>(kEnds));
    const double range = ends[1] - ends[0];
    return range < kRange ? 0 : range / 2 / (kSteep * std::sqrt(2 * std::numbers::pi));
}

void lookForSoftness(FrameEvidence& evidence, ImageView picture)
{
    constexpr int kAcross = 9, kDown = 6;
    const Plane light = lightnessOf(picture), blurred = gaussianMean(light, kBlur);
    for (int row = 0; row < kDown; ++row)
        for (int column = 0; column < kAcross; ++column) {
            const Region place{column / double(kAcross), row / double(kDown), (column + 1) / double(kAcross),
                               (row + 1) / double(kDown)};
            evidence.parts.push_back({place, softnessOf(light, blurred, place)});
        }
    for (const Face& face : evidence.faces)
        evidence.faceSoftness.push_back(softnessOfFace(light, blurred, face.place));
}

Image reducedTo(ImageView picture, int edge)
{
    const Size size = fitted({picture.width, picture.height}, edge);
    return reduceByArea(picture, size.width, size.height);
}

}  // namespace

FrameEvidence frameEvidence(std::int64_t frame, ReducedPicture picture)
{
    FrameEvidence evidence;
    evidence.frame = frame;
    evidence.width = picture.info.width, evidence.height = picture.info.height, evidence.bits = picture.info.bits;
    const Image small = reducedTo(picture.image.view(), kFaceEdge);
    evidence.faces = facesOf(small.view(), FaceSearch::Large);
    evidence.standing = measureStanding(small.view());
    // Surest first: without one that is sure enough nothing asks how soft the picture is.
    if (!evidence.faces.empty() && evidence.faces.front().sureness >= kFaceForFocus)
        lookForSoftness(evidence, picture.image.view());
    evidence.source = HalfImage(reducedTo(small.view(), kCheckEdge).view());
    lookAtTiles(evidence, picture.details);
    return evidence;
}

FrameEvidence readEvidence(const ReadFrame& frame)
{
    FrameEvidence failed;
    failed.frame = frame.frame, failed.fault = frame.fault;
    if (!frame.fault.empty())
        return failed;
    auto read = caught(frame.path.string(), [&]() -> Result<FrameEvidence> {
        auto picture = readReducedWithDetails(frame.path, kLookEdge, kDetailEdge);
        if (!picture)
            return tl::make_unexpected(picture.error());
        return frameEvidence(frame.frame, std::move(*picture));
    });
    if (read)
        return std::move(*read);
    failed.fault = read.error().message();
    return failed;
}

}  // namespace amber
