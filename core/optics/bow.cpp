#include "core/optics/bow.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

/// Squared distances of the points from their best straight line, and their spread along it.
std::pair<double, double> offLine(const DrawnLine& line, double bow)
{
    double sx = 0, sy = 0, xx = 0, yy = 0, xy = 0;
    const auto n = static_cast<double>(line.size());
    for (const ThrownPoint& p : line) {
        const double by = 1 + bow * (p.x * p.x + p.y * p.y), x = p.x * by, y = p.y * by;
        sx += x, sy += y, xx += x * x, yy += y * y, xy += x * y;
    }
    xx -= sx * sx / n, yy -= sy * sy / n, xy -= sx * sy / n;
    const double middle = (xx + yy) / 2, apart = std::hypot((xx - yy) / 2, xy);
    return {std::max(0.0, middle - apart), middle + apart};
}

}  // namespace

std::optional<SolvedBow> solveBow(const std::vector<DrawnLine>& drawn)
{
    constexpr double kMost = 0.3;
    std::vector<DrawnLine> lines;
    std::copy_if(drawn.begin(), drawn.end(), std::back_inserter(lines),
                 [](const DrawnLine& l) { return l.size() > 2; });
    if (lines.empty())
        return std::nullopt;
    double points = 0;
    for (const DrawnLine& line : lines)
        points += static_cast<double>(line.size());
    // The share of a line's spread, so that a bow that shrinks everything gains nothing by it.
    const auto cost = [&](double bow) {
        double sum = 0;
        for (const DrawnLine& line : lines) {
            const auto [off, along] = offLine(line, bow);
            sum += along > 0 ? off / along * offLine(line, 0).second : 0;
        }
        return sum / points;
    };
    // Golden section: the cost has one valley.
    const double golden = (std::sqrt(5.0) - 1) / 2;
    double low = -kMost, high = kMost, a = high - golden * (high - low), b = low + golden * (high - low);
    for (int i = 0; i < 80; ++i) {
        if (cost(a) < cost(b))
            high = b, b = a, a = high - golden * (high - low);
        else
            low = a, a = b, b = low + golden * (high - low);
    }
    SolvedBow solved;
    solved.bow = (low + high) / 2;
    solved.bentBefore = std::sqrt(cost(0)), solved.bentAfter = std::sqrt(cost(solved.bow));
    // How much a hundredth more bends the lines: what a point drawn a thousandth beside must not hide.
    constexpr double kStep = 0.02, kSeen = 2e-4, kStraight = 4e-3;
    solved.isSure = std::sqrt(std::max(0.0, cost(solved.bow + kStep) - cost(solved.bow))) > kSeen &&
                    solved.bentAfter < kStraight && std::abs(solved.bow) < kMost * 0.99;
    return solved;
}

}  // namespace amber
