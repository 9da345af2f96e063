// Monotone piecewise cubic interpolation (F. Fritsch, R. Carlson, SIAM J. Numer. Anal. 17(2), 1980).
#pragma once

#include <vector>

namespace amber {

struct CurvePoint {
    double x = 0, y = 0;
    bool operator==(const CurvePoint&) const = default;
};

/// y(x) through the points: C1, monotone wherever the points are, never overshooting; beyond the ends straight on with
/// the end slope. Inner slopes start as the mean of the neighbouring secants and are shortened to the circle of radius
/// 3 in (alpha, beta); end slopes are the secants.
class MonotoneCurve {
public:
    /// One cubic: y = c0 + t (c1 + t (c2 + t c3)), t = x - begin, used from `begin` up to the next segment.
    struct Segment {
        double begin, c0, c1, c2, c3;
    };

    /// Two points or more, x strictly rising, y not falling.
    explicit MonotoneCurve(const std::vector<CurvePoint>& points);
    double operator()(double x) const;
    double slope(double x) const;
    /// The straight lead-in, the cubics, the straight lead-out. The first segment's `begin` is where it ends: t may be
    /// negative there.
    const std::vector<Segment>& segments() const { return m_segments; }

private:
    const Segment& segmentAt(double x) const;
    std::vector<Segment> m_segments;
};

}  // namespace amber
