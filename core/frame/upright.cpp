#include "core/frame/upright.h"

#include "core/base/long_call.h"
#include "core/colour/oklab.h"
#include "core/frame/balance.h"
#include "core/frame/placement.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

std::vector<cv::Vec4f> segmentsOf(ImageView small)
{
    cv::Mat codes(small.height, small.width, CV_8U);
    for (int y = 0; y < small.height; ++y)
        for (int x = 0; x < small.width; ++x) {
            const float* p = small.row(y) + 3 * x;
            codes.at<std::uint8_t>(y, x) = static_cast<std::uint8_t>(
                std::lround(255 * std::cbrt(std::clamp(luminanceOf({p[0], p[1], p[2]}), 0.0, 1.0))));
        }
    std::vector<cv::Vec4f> lines;
    try {
        cv::createLineSegmentDetector(cv::LSD_REFINE_STD)->detect(codes, lines);
    } catch (const cv::Exception&) {
        return {};
    }
    return lines;
}

/// An angle against the level, in degrees, and its weight.
using Vote = std::pair<double, double>;

/// Long straight edges near the level vote, by the square of their length; those of round things are short and point
/// all ways.
std::vector<Vote> levelVotes(ImageView small)
{
    constexpr double kReach = 10, kLeast = 0.05;  // degrees; shares of the width
    std::vector<Vote> votes;
    for (const cv::Vec4f& l : segmentsOf(small)) {
        const double dx = l[2] - l[0], dy = l[3] - l[1], length = std::hypot(dx, dy) / small.width;
        double angle = std::atan2(dy, dx) / kDegree;
        angle = angle > 90 ? angle - 180 : angle < -90 ? angle + 180 : angle;
        if (length > kLeast && std::abs(angle) < kReach)
            votes.emplace_back(angle, length * length);
    }
    return votes;
}

/// A straight edge in half heights round the middle: its middle, its direction, its length.
struct Segment {
    double x, y, dx, dy, length;
};

std::vector<Segment> straightEdges(ImageView small)
{
    constexpr double kLeast = 0.06;  // half heights
    std::vector<Segment> all;
    const double half = small.height / 2.0;
    for (const cv::Vec4f& l : segmentsOf(small)) {
        const double dx = (l[2] - l[0]) / half, dy = (l[3] - l[1]) / half, length = std::hypot(dx, dy);
        if (length >= kLeast)
            all.push_back({((l[0] + l[2]) / 2.0 + 0.5 - small.width / 2.0) / half,
                           ((l[1] + l[3]) / 2.0 + 0.5 - small.height / 2.0) / half, dx / length, dy / length, length});
    }
    return all;
}

/// Where lines meet, in homogeneous terms, along the axis they are near: {0: across, 1: down} is its own 1.
struct Meeting {
    double x, y, w;
};

/// The sine of the angle between an edge and the direction from its middle to the meeting point.
double missOf(const Segment& s, const Meeting& m)
{
    const double tx = m.x - m.w * s.x, ty = m.y - m.w * s.y;
    return (s.dx * ty - s.dy * tx) / std::hypot(tx, ty);
}

struct Agreement {
    Meeting at{0, 1, 0};
    double weight = 0;  ///< summed length of the edges that agree
    double spread = 0;  ///< of their middles along the other axis, standard deviation
    int count = 0;
};

constexpr double kNear = 0.009;  // half a degree

Agreement agreementOf(const std::vector<Segment>& edges, const Meeting& m, bool down)
{
    Agreement a{m, 0, 0, 0};
    double sum = 0, squares = 0;
    for (const Segment& s : edges)
        if (std::abs(missOf(s, m)) < kNear) {
            const double across = down ? s.x : s.y;
            a.weight += s.length, ++a.count, sum += s.length * across, squares += s.length * across * across;
        }
    if (a.weight > 0)
        a.spread = std::sqrt(std::max(0.0, squares / a.weight - sum * sum / (a.weight * a.weight)));
    return a;
}

/// Every pair of the longest edges proposes where all meet; the proposal that most of the length agrees to wins.
Agreement proposed(const std::vector<Segment>& edges, bool down)
{
    constexpr std::size_t kLongest = 48;
    constexpr double kMostTurn = 0.27, kMostLean = 0.42;
    Agreement best = agreementOf(edges, down ? Meeting{0, 1, 0} : Meeting{1, 0, 0}, down);
    const std::size_t count = std::min(edges.size(), kLongest);
    for (std::size_t i = 0; i < count; ++i)
        for (std::size_t j = i + 1; j < count; ++j) {
            const Segment &a = edges[i], &b = edges[j];
            // Lines as cross products of their points; where they meet, as that of the lines.
            const double ax = -a.dy, ay = a.dx, aw = a.dy * a.x - a.dx * a.y, bx = -b.dy, by = b.dx,
                         bw = b.dy * b.x - b.dx * b.y;
            Meeting m{ay * bw - aw * by, aw * bx - ax * bw, ax * by - ay * bx};
            const double own = down ? m.y : m.x;
            if (std::abs(own) < 1e-9)
                continue;
            m = {m.x / own, m.y / own, m.w / own};
            if (std::abs(down ? m.x : m.y) > kMostTurn || std::abs(m.w) > kMostLean)
                continue;
            if (const Agreement now = agreementOf(edges, m, down); now.weight > best.weight)
                best = now;
        }
    return best;
}

/// Least squares over what agrees, again and again: the miss is linear in the two unknown parts of the meeting point.
Agreement refined(const std::vector<Segment>& edges, Agreement a, bool down, bool turnIsKnown)
{
    for (int round = 0; round < 8; ++round) {
        double tt = 0, tw = 0, ww = 0, t = 0, w = 0;
        for (const Segment& s : edges) {
            const double miss = missOf(s, a.at);
            if (std::abs(miss) > kNear)
                continue;
            const double u = miss / kNear, weight = s.length * s.length * (1 - u * u) * (1 - u * u);
            // dx (y - w sy) - dy (x - w sx), with y = 1 (down) or x = 1.
            const double known = down ? s.dx : -s.dy, byTurn = down ? -s.dy : s.dx, byLean = -s.dx * s.y + s.dy * s.x;
            tt += weight * byTurn * byTurn, tw += weight * byTurn * byLean, ww += weight * byLean * byLean;
            t -= weight * byTurn * known, w -= weight * byLean * known;
        }
        double& turn = down ? a.at.x : a.at.y;
        if (turnIsKnown) {
            if (ww <= 0)
                break;
            a.at.w = (w - tw * turn) / ww;
        } else {
            const double det = tt * ww - tw * tw;
            if (det <= 1e-12 * tt * ww)
                break;
            turn = (t * ww - w * tw) / det, a.at.w = (tt * w - tw * t) / det;
        }
        a = agreementOf(edges, a.at, down);
    }
    return a;
}

/// Those within `reach` degrees of the upright (or the level), longest first.
std::vector<Segment> near(const std::vector<Segment>& edges, bool down, double reach)
{
    std::vector<Segment> some;
    for (const Segment& s : edges)
        if (std::abs(down ? s.dx : s.dy) < std::sin(reach * kDegree))
            some.push_back(s);
    std::sort(some.begin(), some.end(), [](const Segment& a, const Segment& b) { return a.length > b.length; });
    return some;
}

double lengthOf(const std::vector<Segment>& edges)
{
    double sum = 0;
    for (const Segment& s : edges)
        sum += s.length;
    return sum;
}

/// Whether edges at different heights point the same way: seen from aside they would not, and one edge alone may be
/// that of a table.
bool levelsAgree(const std::vector<Segment>& levels, double tilt)
{
    constexpr int kEnough = 4;
    constexpr double kLength = 1.5, kApart = 0.3;
    const Agreement a = agreementOf(levels, {1, -std::tan(tilt * kDegree), 0}, false);
    return a.count >= kEnough && a.weight > kLength && a.spread > kApart;
}

}  // namespace

Upright measureUpright(ImageView picture, const Optics& optics)
{
    longCall("measureUpright");
    constexpr int kEdge = 1500, kEnough = 6;
    constexpr double kReach = 24, kLength = 4.5, kShare = 0.4, kApart = 0.5;
    const Size size = fitted({picture.width, picture.height}, kEdge);
    Optics lens = optics;
    lens.noise = 0;
    const Image small = placed(reduceByArea(picture, size.width, size.height), lens, {});
    const std::vector<Segment> edges = straightEdges(small.view());
    Upright found;
    const std::vector<Segment> uprights = near(edges, true, kReach), levels = near(edges, false, kReach);
    const Agreement up = refined(uprights, proposed(uprights, true), true, false);
    found.uprights = up.count;
    if (up.count >= kEnough && up.weight > kLength && up.weight > kShare * lengthOf(uprights) && up.spread > kApart) {
        // The meeting point of uprights under a turn and a lean: (sin t, cos t, lean cos t).
        found.tiltDegrees = std::atan2(up.at.x, up.at.y) / kDegree;
        found.leanUp = up.at.w / up.at.y;
        found.isSure = true;
    } else {
        found.tiltDegrees = measuredTilt(small.view());
        found.isSure = found.tiltDegrees && levelsAgree(levels, *found.tiltDegrees);
        return found;
    }
    // That of levels: (cos t, -sin t, -lean up sin t - lean aside cos t).
    const double turn = std::tan(*found.tiltDegrees * kDegree);
    Agreement across = proposed(levels, false);
    across.at.y = -turn;
    across = refined(levels, agreementOf(levels, {1, -turn, across.at.w}, false), false, true);
    found.levels = across.count;
    if (across.count >= kEnough && across.weight > kLength && across.weight > kShare * lengthOf(levels) &&
        across.spread > kApart)
        found.leanAside = -across.at.w - *found.leanUp * turn;
    return found;
}

std::optional<double> measuredTilt(ImageView picture)
{
    longCall("measuredTilt");
    // What does not hold together is no tilt.
    constexpr double kEnough = 0.02, kTogether = 0.7, kShare = 0.45;  // shares of the width; degrees; of the votes
    constexpr int kEdge = 1000;
    const Size size = fitted({picture.width, picture.height}, kEdge);
    const std::vector<Vote> votes = levelVotes(reduceByArea(picture, size.width, size.height).view());
    double total = 0, best = 0, most = 0, sum = 0;
    const auto within = [&](double middle) {
        double weights = 0;
        for (const auto& [angle, weight] : votes)
            weights += std::abs(angle - middle) < kTogether ? weight : 0;
        return weights;
    };
    for (const auto& [angle, weight] : votes) {
        total += weight;
        if (const double w = within(angle); w > most)
            most = w, best = angle;
    }
    if (total < kEnough || most < kShare * total)
        return std::nullopt;
    for (const auto& [angle, weight] : votes)
        sum += std::abs(angle - best) < kTogether ? weight * angle : 0;
    return -sum / most;
}

}  // namespace amber
