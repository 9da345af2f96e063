#include "core/area/strokes.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

/// How far a point lies from the way between two others, in radii; its pressure counts as much as its place.
double away(const Stroke::Point& p, const Stroke::Point& a, const Stroke::Point& b, double radius)
{
    const double dx = b.at.x - a.at.x, dy = b.at.y - a.at.y, length = dx * dx + dy * dy;
    const double t = length > 0 ? std::clamp(((p.at.x - a.at.x) * dx + (p.at.y - a.at.y) * dy) / length, 0.0, 1.0) : 0;
    return std::max(std::hypot(p.at.x - a.at.x - t * dx, p.at.y - a.at.y - t * dy) / radius,
                    std::abs(p.pressure - a.pressure - t * (b.pressure - a.pressure)));
}

Stroke within(const Stroke& stroke, double most)
{
    const auto& points = stroke.points;
    std::vector<bool> kept(points.size(), false);
    kept.front() = kept.back() = true;
    std::vector<std::pair<std::size_t, std::size_t>> open{{0, points.size() - 1}};
    while (!open.empty()) {
        const auto [from, to] = open.back();
        open.pop_back();
        std::size_t farthest = from;
        double distance = most;
        for (std::size_t i = from + 1; i < to; ++i)
            if (const double d = away(points[i], points[from], points[to], stroke.radius); d > distance)
                distance = d, farthest = i;
        if (farthest == from)
            continue;
        kept[farthest] = true;
        open.emplace_back(from, farthest), open.emplace_back(farthest, to);
    }
    Stroke simple{{}, stroke.radius, stroke.softness, stroke.flow};
    for (std::size_t i = 0; i < points.size(); ++i)
        if (kept[i])
            simple.points.push_back(points[i]);
    return simple;
}

}  // namespace

Stroke simplified(const Stroke& stroke)
{
    constexpr double kShare = 0.2;
    if (stroke.points.size() < 3 || stroke.radius <= 0)
        return stroke;
    double share = kShare;
    Stroke simple = within(stroke, share);
    while (simple.points.size() > kPointLimit)
        simple = within(stroke, share *= 2);
    return simple;
}

}  // namespace amber
