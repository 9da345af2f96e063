#include "core/balance/light_groups.h"

#include "core/base/statistics.h"
#include "core/colour/gamut.h"
#include "core/colour/oklab.h"
#include "core/image/read.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>

namespace amber {
namespace {

constexpr int kSmallEdge = 64;
constexpr double kPause = 15 * 60, kPauses = 4, kLightChange = 0.045, kBracketStep = 0.7, kBracketReach = 1.4,
                 kOneThing = 0.9, kExposureInLight = 0.02;
constexpr std::size_t kWindow = 3, kBracketLimit = 9;

std::vector<std::size_t> inTime(const std::vector<FrameFacts>& frames)
{
    std::vector<std::size_t> order(frames.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    // A frame without a time stands where the one before it stands.
    std::vector<std::int64_t> time(frames.size());
    for (std::size_t i = 0; i < frames.size(); ++i)
        time[i] = frames[i].capture.seconds > 0 ? frames[i].capture.seconds : i > 0 ? time[i - 1] : 0;
    std::stable_sort(order.begin(), order.end(), [&](std::size_t p, std::size_t q) { return time[p] < time[q]; });
    return order;
}

double apart(const FrameSketch& p, const FrameSketch& q) { return std::hypot(p.a - q.a, p.b - q.b); }

FrameSketch meanLight(const std::vector<FrameFacts>& frames, const std::size_t* from, std::size_t count)
{
    FrameSketch mean;
    for (std::size_t i = 0; i < count; ++i)
        mean.a += frames[from[i]].sketch.a / static_cast<double>(count),
            mean.b += frames[from[i]].sketch.b / static_cast<double>(count);
    return mean;
}

/// Whether the light has changed for good before the frame at `at` of the order.
bool lightChanges(const std::vector<FrameFacts>& frames, const std::vector<std::size_t>& order, std::size_t begin,
                  std::size_t at)
{
    if (at - begin < kWindow || order.size() - at < kWindow)
        return false;
    const std::size_t *before = &order[at - kWindow], *after = &order[at];
    const FrameSketch one = meanLight(frames, before, kWindow), two = meanLight(frames, after, kWindow);
    double spread = 0;
    for (std::size_t i = 0; i < kWindow; ++i)
        spread = std::max({spread, apart(frames[before[i]].sketch, one), apart(frames[after[i]].sketch, two)});
    const double d = apart(one, two);
    return d > kLightChange && d > 2 * spread;
}

std::size_t leadOf(const std::vector<FrameFacts>& frames, const std::vector<std::size_t>& group)
{
    const auto medianOf = [&](auto&& of) {
        std::vector<double> values;
        for (std::size_t i : group)
            values.push_back(of(frames[i]));
        return median(values);
    };
    const auto stops = [](const FrameFacts& f) { return f.capture.hasExposure() ? f.capture.exposureStops() : 0.0; };
    const double exposure = medianOf(stops), a = medianOf([](const FrameFacts&f) { return f.sketch.a; }),
                 b = medianOf([](const FrameFacts&f) { return f.sketch.b; }),
                 L = medianOf([](const FrameFacts&f) { return f.sketch.meanL; });
    return *std::min_element(group.begin(), group.end(), [&](std::size_t p, std::size_t q) {
        const auto far = [&](const FrameFacts& f) {
            return std::hypot(f.sketch.a - a, f.sketch.b - b) + kExposureInLight * std::abs(stops(f) - exposure) +
                   0.1 * std::abs(f.sketch.meanL - L);
        };
        return far(frames[p]) < far(frames[q]);
    });
}

/// Ranks of tones, ties sharing their mean rank.
std::vector<double> ranks(const std::vector<double>& values)
{
    std::vector<std::size_t> order(values.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::sort(order.begin(), order.end(), [&](std::size_t p, std::size_t q) { return values[p] < values[q]; });
    std::vector<double> result(values.size());
    for (std::size_t i = 0; i < order.size();) {
        std::size_t end = i;
        while (end < order.size() && values[order[end]] == values[order[i]])
            ++end;
        for (std::size_t k = i; k < end; ++k)
            result[order[k]] = static_cast<double>(i + end - 1) / 2;
        i = end;
    }
    return result;
}

}  // namespace

FrameFacts frameFacts(ImageView picture, const CaptureFacts& capture)
{
    FrameFacts facts;
    facts.capture = capture;
    facts.sketch = sketchOf(picture);
    const Size size = fitted({picture.width, picture.height}, kSmallEdge);
    facts.small = reduceByArea(picture, size.width, size.height);
    const double share = 1.0 / (static_cast<double>(picture.width) * picture.height);
    constexpr double kNearWhite = 0.985, kNearBlack = 0.0008;  // a thumbnail's mean hides the last code
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            const float* p = picture.row(y) + 3 * x;
            const LinearRgb c = apply(fromWorking(RgbSpace::Srgb), {p[0], p[1], p[2]});
            facts.clippedHigh += std::max({c.r, c.g, c.b}) >= kNearWhite ? share : 0;
            facts.clippedLow += std::max({c.r, c.g, c.b}) <= kNearBlack ? share : 0;
        }
    return facts;
}

Result<FrameFacts> readFacts(const std::filesystem::path& path)
{
    const auto picture = readReduced(path, kFactsEdge, true);
    if (!picture)
        return tl::make_unexpected(picture.error());
    return frameFacts(picture->image.view(), captureFacts(path));
}

std::vector<LightGroup> lightGroups(const std::vector<FrameFacts>& frames)
{
    const std::vector<std::size_t> order = inTime(frames);
    std::vector<double> pauses;
    for (std::size_t i = 1; i < order.size(); ++i)
        if (const auto& p = frames[order[i - 1]].capture, &q = frames[order[i]].capture; p.seconds > 0 && q.seconds > 0)
            pauses.push_back(static_cast<double>(q.seconds - p.seconds));
    const double usual = pauses.empty() ? 0 : median(pauses);
    std::vector<LightGroup> groups;
    std::size_t begin = 0;
    for (std::size_t i = 0; i < order.size(); ++i) {
        bool parted = i == 0;
        if (i > 0) {
            const CaptureFacts &p = frames[order[i - 1]].capture, &q = frames[order[i]].capture;
            const double pause = p.seconds > 0 && q.seconds > 0 ? static_cast<double>(q.seconds - p.seconds) : 0;
            parted = p.camera != q.camera || (pause > kPause && pause > kPauses * usual) ||
                     lightChanges(frames, order, begin, i);
        }
        if (parted) {
            groups.emplace_back();
            begin = i;
        }
        groups.back().frames.push_back(order[i]);
    }
    for (LightGroup& group : groups)
        group.lead = leadOf(frames, group.frames);
    return groups;
}

double likeness(ImageView one, ImageView two)
{
    if (one.width != two.width || one.height != two.height)
        return 0;
    std::vector<double> p, q;
    for (int y = 0; y < one.height; ++y)
        for (int x = 0; x < one.width; ++x) {
            const auto tone = [&](ImageView image) {
                const float* v = image.row(y) + 3 * x;
                return toOkLab(LinearRgb{v[0], v[1], v[2]}).L;
            };
            const double a = tone(one), b = tone(two);
            if (a > 0.06 && b > 0.06 && a < 0.985 && b < 0.985)
                p.push_back(a), q.push_back(b);
        }
    const auto least = static_cast<std::size_t>(one.width) * static_cast<std::size_t>(one.height) / 5;
    if (p.size() < std::max<std::size_t>(16, least))
        return 0;
    const std::vector<double> rp = ranks(p), rq = ranks(q);
    const double mean = (static_cast<double>(rp.size()) - 1) / 2;
    double pq = 0, pp = 0, qq = 0;
    for (std::size_t i = 0; i < rp.size(); ++i)
        pq += (rp[i] - mean) * (rq[i] - mean), pp += (rp[i] - mean) * (rp[i] - mean),
            qq += (rq[i] - mean) * (rq[i] - mean);
    return pp > 0 && qq > 0 ? pq / std::sqrt(pp * qq) : 0;
}

std::vector<Bracket> findBrackets(const std::vector<FrameFacts>& frames)
{
    const std::vector<std::size_t> order = inTime(frames);
    const auto continues = [&](std::size_t p, std::size_t q) {
        const CaptureFacts &a = frames[p].capture, &b = frames[q].capture;
        return a.hasExposure() && b.hasExposure() && a.camera == b.camera &&
               std::abs(a.fNumber - b.fNumber) < 0.05 * a.fNumber && a.sensitivity == b.sensitivity &&
               std::abs(a.exposureStops() - b.exposureStops()) >= kBracketStep &&
               likeness(frames[p].small.view(), frames[q].small.view()) >= kOneThing;
    };
    std::vector<Bracket> found;
    for (std::size_t i = 0; i < order.size();) {
        std::size_t end = i + 1;
        while (end < order.size() && end - i < kBracketLimit && continues(order[end - 1], order[end]))
            ++end;
        double low = 1e9, high = -1e9;
        Bracket bracket;
        for (std::size_t k = i; k < end; ++k) {
            const double stops = frames[order[k]].capture.hasExposure() ? frames[order[k]].capture.exposureStops() : 0;
            low = std::min(low, stops), high = std::max(high, stops);
            bracket.frames.push_back(order[k]);
        }
        if (end - i >= 2 && high - low >= kBracketReach) {
            bracket.proposed =
                *std::min_element(bracket.frames.begin(), bracket.frames.end(), [&](std::size_t p, std::size_t q) {
                    const auto cost = [&](const FrameFacts& f) {
                        return f.clippedHigh + 0.5 * f.clippedLow +
                               0.02 * std::abs(f.capture.exposureStops() - (low + high) / 2);
                    };
                    return cost(frames[p]) < cost(frames[q]);
                });
            found.push_back(std::move(bracket));
        }
        i = end;
    }
    return found;
}

}  // namespace amber
