#include "core/measure/trial_frames.h"

#include "core/image/oklab_picture.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace amber {

FrameSketch sketchOf(ImageView small)
{
    FrameSketch sketch;
    std::vector<OkLab> all = okLabsOf(small);
    if (all.empty())
        return sketch;
    const auto squareOf = [](const OkLab& c) { return c.a * c.a + c.b * c.b; };
    double chroma = 0;
    for (const OkLab& c : all) {
        const double own = std::sqrt(squareOf(c));
        const float turns =
            std::atan2(static_cast<float>(c.b), static_cast<float>(c.a)) / (2 * std::numbers::pi_v<float>);
        sketch.meanL += c.L;
        sketch.hues[static_cast<std::size_t>(12 * (turns < 0 ? turns + 1 : turns)) % 12] += own;
        chroma += own;
    }
    sketch.meanL /= static_cast<double>(all.size());
    for (double& h : sketch.hues)
        h /= std::max(chroma, 1e-9);
    const auto half = all.begin() + static_cast<std::ptrdiff_t>((all.size() + 1) / 2);
    std::nth_element(all.begin(), half - 1, all.end(),
                     [&](const OkLab& p, const OkLab& q) { return squareOf(p) < squareOf(q); });
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
