#include "core/measure/trial_frames.h"

#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>

namespace amber {

FrameSketch sketchOf(ImageView small)
{
    FrameSketch sketch;
    std::vector<OkLab> all;
    double chroma = 0;
    for (int y = 0; y < small.height; ++y)
        for (int x = 0; x < small.width; ++x) {
            const float* p = small.row(y) + 3 * x;
            all.push_back(toOkLab(LinearRgb{p[0], p[1], p[2]}));
            sketch.meanL += all.back().L;
            const OkLch c = toOkLch(all.back());
            sketch.hues[static_cast<std::size_t>(c.hueDegrees / 30) % 12] += c.chroma;
            chroma += c.chroma;
        }
    if (all.empty())
        return sketch;
    sketch.meanL /= static_cast<double>(all.size());
    for (double& h : sketch.hues)
        h /= std::max(chroma, 1e-9);
    const auto half = all.begin() + static_cast<std::ptrdiff_t>((all.size() + 1) / 2);
    std::nth_element(all.begin(), half - 1, all.end(),
                     [](const OkLab& p, const OkLab& q) { return std::hypot(p.a, p.b) < std::hypot(q.a, q.b); });
    for (auto it = all.begin(); it != half; ++it)
        sketch.a += it->a, sketch.b += it->b;
    sketch.a /= static_cast<double>(half - all.begin()), sketch.b /= static_cast<double>(half - all.begin());
    return sketch;
}

namespace {

double lightApart(const FrameSketch& p, const FrameSketch& q) { return std::hypot(p.a - q.a, p.b - q.b); }

double coloursApart(const FrameSketch& p, const FrameSketch& q)
{
    double sum = 0;
    for (std::size_t i = 0; i < 12; ++i)
        sum += std::abs(p.hues[i] - q.hues[i]);
    return sum;
}

}  // namespace

std::vector<TrialFrame> trialFrames(const std::vector<FrameSketch>& all, std::size_t inHand, std::size_t count)
{
    using Reason = TrialFrame::Reason;
    std::vector<TrialFrame> chosen;
    const auto taken = [&](std::size_t i) {
        return i == inHand ||
               std::any_of(chosen.begin(), chosen.end(), [&](const TrialFrame& t) { return t.frame == i; });
    };
    const auto farthest = [&](std::size_t i, auto&& distance) {
        double nearest = distance(all[i], all[inHand]);
        for (const TrialFrame& t : chosen)
            nearest = std::min(nearest, distance(all[i], all[t.frame]));
        return nearest;
    };
    const auto take = [&](Reason reason, auto&& worth) {
        std::size_t best = all.size();
        double most = 0;
        for (std::size_t i = 0; i < all.size(); ++i)
            if (!taken(i))
                if (const double w = worth(i); best == all.size() || w > most)
                    most = w, best = i;
        if (best < all.size() && chosen.size() < count)
            chosen.push_back({best, reason});
    };
    if (inHand >= all.size())
        return chosen;
    take(Reason::Darkest, [&](std::size_t i) { return -all[i].meanL; });
    take(Reason::Brightest, [&](std::size_t i) { return all[i].meanL; });
    while (chosen.size() < std::min(count, all.size() - 1)) {
        take(Reason::OtherLight, [&](std::size_t i) { return farthest(i, lightApart); });
        take(Reason::OtherColours, [&](std::size_t i) { return farthest(i, coloursApart); });
    }
    return chosen;
}

}  // namespace amber
