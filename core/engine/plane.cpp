#include "core/engine/plane.h"

#include "core/base/parallel.h"
#include "core/engine/weighted_sum.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

Plane transposed(const Plane& plane)
{
    Plane result = Plane::unset(plane.height, plane.width);
    for (int y = 0; y < plane.height; ++y)
        for (int x = 0; x < plane.width; ++x)
            result.row(x)[y] = plane.row(y)[x];
    return result;
}

/// Does `change(from, to, count)` to all rows, then to all columns.
template <class Change>
Plane separably(const Plane& plane, const Change& change)
{
    const auto rows = [&](const Plane& in) {
        Plane out = Plane::unset(in.width, in.height);
        inParallel(in.height, [&](int y) { change(in.row(y), out.row(y), in.width); });
        return out;
    };
    return transposed(rows(transposed(rows(plane))));
}

}  // namespace

Image surroundings(ImageView picture)
{
    const Size size = fitted({picture.width, picture.height}, kSurroundingsEdge);
    return reduceByArea(picture, size.width, size.height);
}

Plane boxMean(const Plane& plane, int radius)
{
    return separably(plane, [radius](const float* in, float* out, int count) {
        double sum = 0, share = 0;
        int held = 0, shared = 0;
        for (int x = 0; x < std::min(radius, count); ++x, ++held)
            sum += in[x];
        for (int x = 0; x < count; ++x) {
            if (x + radius < count)
                sum += in[x + radius], ++held;
            if (x - radius > 0)
                sum -= in[x - radius - 1], --held;
            if (held != shared)
                share = 1.0 / held, shared = held;  // the same all along the middle: no division there
            out[x] = static_cast<float>(sum * share);
        }
    });
}

Plane localExtreme(const Plane& plane, int radius, bool largest)
{
    // M. van Herk, Pattern Recognition Letters 13(7), 1992: running extremes from both ends of blocks as long as the
    // window.
    return separably(plane, [radius, largest](const float* in, float* out, int count) {
        const auto pick = [largest](float a, float b) { return largest ? std::max(a, b) : std::min(a, b); };
        const int window = 2 * radius + 1, padded = (count + 2 * radius + window - 1) / window * window;
        static thread_local std::vector<float> forward, backward;
        forward.resize(static_cast<std::size_t>(padded)), backward.resize(static_cast<std::size_t>(padded));
        const auto at = [&](int i) { return in[std::clamp(i - radius, 0, count - 1)]; };
        for (int block = 0; block < padded; block += window) {
            const int last = block + window - 1;
            forward[block] = at(block), backward[last] = at(last);
            for (int i = block + 1; i <= last; ++i)
                forward[i] = pick(forward[i - 1], at(i));
            for (int i = last - 1; i >= block; --i)
                backward[i] = pick(backward[i + 1], at(i));
        }
        for (int x = 0; x < count; ++x)
            out[x] = pick(backward[x], forward[x + window - 1]);
    });
}

GaussianRows::GaussianRows(int width, int height, double deviation)
    : m_reach(std::max(1, static_cast<int>(std::ceil(3 * deviation)))), m_along(Plane::unset(width, height))
{
    double sum = 0;
    for (int i = -m_reach; i <= m_reach; ++i)
        sum += std::exp(-0.5 * i * i / (deviation * deviation));
    for (int i = -m_reach; i <= m_reach; ++i)
        m_weights.push_back(static_cast<float>(std::exp(-0.5 * i * i / (deviation * deviation)) / sum));
}

void GaussianRows::sumAlong(const float* from, int y)
{
    static thread_local std::vector<float> line;
    static thread_local std::vector<const float*> shifted;
    const auto width = static_cast<std::size_t>(m_along.width), reach = static_cast<std::size_t>(m_reach);
    line.resize(width + 2 * reach), shifted.resize(m_weights.size());
    std::fill_n(line.begin(), m_reach, from[0]);
    std::copy_n(from, width, line.begin() + m_reach);
    std::fill_n(line.begin() + m_reach + m_along.width, m_reach, from[width - 1]);
    for (std::size_t k = 0; k < m_weights.size(); ++k)
        shifted[k] = line.data() + k;
    weightedSum(shifted.data(), m_weights.data(), m_weights.size(), width, m_along.row(y));
}

GaussianRows::GaussianRows(const Plane& plane, double deviation) : GaussianRows(plane.width, plane.height, deviation)
{
    inParallel(plane.height, [&](int y) { sumAlong(plane.row(y), y); });
}

GaussianRows::GaussianRows(ImageView picture, double deviation, Plane& lightness)
    : GaussianRows(picture.width, picture.height, deviation)
{
    lightness = Plane::unset(picture.width, picture.height);
    inParallel(picture.height, [&](int y) {
        lightnessOfRow(picture.row(y), static_cast<std::size_t>(picture.width), lightness.row(y));
        sumAlong(lightness.row(y), y);
    });
}

void GaussianRows::row(int y, float* values) const
{
    static thread_local std::vector<const float*> rows;
    rows.resize(m_weights.size());
    for (int k = -m_reach; k <= m_reach; ++k)
        rows[static_cast<std::size_t>(k + m_reach)] = m_along.row(std::clamp(y + k, 0, m_along.height - 1));
    weightedSum(rows.data(), m_weights.data(), m_weights.size(), static_cast<std::size_t>(m_along.width), values);
}

Plane gaussianMean(const Plane& plane, double deviation)
{
    const GaussianRows mean(plane, deviation);
    Plane result = Plane::unset(plane.width, plane.height);
    inParallel(plane.height, [&](int y) { mean.row(y, result.row(y)); });
    return result;
}

GuidedMean guidedMean(const Plane& guide, const Plane& input, int radius, double epsilon)
{
    const auto product = [](const Plane& p, const Plane& q) {
        Plane result = Plane::unset(p.width, p.height);
        for (std::size_t i = 0; i < result.values.size(); ++i)
            result.values[i] = p.values[i] * q.values[i];
        return result;
    };
    const Plane guideMean = boxMean(guide, radius), inputMean = boxMean(input, radius),
                square = boxMean(product(guide, guide), radius), both = boxMean(product(guide, input), radius);
    GuidedMean result{Plane::unset(guide.width, guide.height), Plane::unset(guide.width, guide.height)};
    for (std::size_t i = 0; i < guide.values.size(); ++i) {
        const float m = guideMean.values[i], variance = std::max(0.0f, square.values[i] - m * m),
                    covariance = both.values[i] - m * inputMean.values[i];
        const float a = covariance / (variance + static_cast<float>(epsilon));
        result.a.values[i] = a;
        result.b.values[i] = inputMean.values[i] - a * m;
    }
    result.a = boxMean(result.a, radius);
    result.b = boxMean(result.b, radius);
    return result;
}

namespace {

/// The first pixel from `least` on that lies at `column` or after it.
template <class PositionOf>
int firstAt(float column, const PositionOf& positionOf, float across, int start, int least, int count)
{
    int end = std::clamp(static_cast<int>((column + 0.5f) / across - 0.5f) - start, least, count);
    while (end > least && positionOf(end - 1) >= column)
        --end;
    while (end < count && positionOf(end) < column)
        ++end;
    return end;
}

struct Line {
    float from, slope, across;
};

/// The pixels from `i` to `end` on the line that begins at the column `origin`; beyond the outermost centres it is
/// level. Returns `end`.
template <class PositionOf>
int fillLine(const Line& line, const PositionOf& positionOf, float origin, float last, int i, int end, float* values)
{
    for (; i < end && positionOf(i) < 0; ++i)
        values[i] = line.from;
    int inside = end;
    while (inside > i && positionOf(inside - 1) > last)
        values[--inside] = line.from + (last - origin) * line.slope;
    const float first = line.from + (positionOf(i) - origin) * line.slope, more = line.across * line.slope;
    for (int k = 0; k < inside - i; ++k)
        values[i + k] = first + static_cast<float>(k) * more;
    return end;
}

}  // namespace

void sampleRow(const Plane& small, const Place& place, int count, float* values)
{
    const float across = static_cast<float>(small.width) / static_cast<float>(place.width),
                down = static_cast<float>(small.height) / static_cast<float>(place.height);
    const float y =
        std::clamp((static_cast<float>(place.y) + 0.5f) * down - 0.5f, 0.0f, static_cast<float>(small.height - 1));
    const int top = std::min(static_cast<int>(y), std::max(0, small.height - 2)),
              bottom = std::min(top + 1, small.height - 1);
    const float *upper = small.row(top), *lower = small.row(bottom), t = y - static_cast<float>(top),
                last = static_cast<float>(small.width - 1);
    // Masks are 0 or 1 nearly everywhere.
    const auto columnOf = [&](int x) {
        return std::clamp(static_cast<int>((static_cast<float>(x) + 0.5f) * across - 0.5f), 0, small.width - 1);
    };
    const int from = columnOf(place.x), to = std::min(columnOf(place.x + count - 1) + 1, small.width - 1);
    const auto isEven = [&](const float* row) {
        return std::all_of(row + from, row + to + 1, [&](float w) { return w == upper[from]; });
    };
    if (isEven(upper) && isEven(lower)) {
        std::fill_n(values, count, upper[from]);
        return;
    }
    // Between two columns the values lie on a line: the columns are blended once for all pixels between them.
    const auto positionOf = [&](int i) { return (static_cast<float>(place.x + i) + 0.5f) * across - 0.5f; };
    const int lastLeft = std::max(0, small.width - 2);
    for (int i = 0; i < count;) {
        const int left = std::min(static_cast<int>(std::clamp(positionOf(i), 0.0f, last)), lastLeft),
                  right = std::min(left + 1, small.width - 1);
        const auto origin = static_cast<float>(left);
        const int end = left < lastLeft ? firstAt(origin + 1, positionOf, across, place.x, i + 1, count) : count;
        const float a = upper[left] + t * (lower[left] - upper[left]),
                    slope = upper[right] + t * (lower[right] - upper[right]) - a;
        i = fillLine({a, slope, across}, positionOf, origin, last, i, end, values);
    }
}

}  // namespace amber
