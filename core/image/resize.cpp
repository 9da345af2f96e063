#include "core/image/resize.h"

#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/image/four.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

struct Span {
    int begin = 0;
    std::vector<float> weights;
};

std::vector<Span> spans(int from, int to)
{
    std::vector<Span> all(static_cast<std::size_t>(to));
    const double scale = static_cast<double>(from) / to;
    for (int i = 0; i < to; ++i) {
        const double low = i * scale, high = (i + 1) * scale;
        Span& span = all[static_cast<std::size_t>(i)];
        span.begin = static_cast<int>(low);
        const int end = std::min(from, static_cast<int>(std::ceil(high - 1e-9)));
        for (int k = span.begin; k < end; ++k)
            span.weights.push_back(
                static_cast<float>((std::min<double>(high, k + 1) - std::max<double>(low, k)) / scale));
    }
    return all;
}

std::vector<float> emptyLine(int width) { return std::vector<float>(static_cast<std::size_t>(width) * 3 + 1, 0.0f); }

void addWeighted(const float* in, float weight, std::vector<float>& line)
{
    for (std::size_t i = 0; i + 1 < line.size(); ++i)
        line[i] += weight * in[i];
}

/// A line of the source's width and one number more to a row of the result. Pixels are taken with the first number of
/// the next one, which is dropped.
void reduceAcross(const float* line, const std::vector<Span>& columns, float* pixel)
{
    for (const Span& across : columns) {
        Four sum{};
        const float* in = line + std::size_t{3} * static_cast<std::size_t>(across.begin);
        for (float w : across.weights) {
            sum += w * fourAt(in);
            in += 3;
        }
        pixel = putThree(sum, pixel);
    }
}

}  // namespace

Image reduceByArea(ImageView source, int width, int height)
{
    constexpr int kFewPixels = 512 * 512;
    if (source.width * source.height > kFewPixels)
        longCall("reduceByArea");
    const auto columns = spans(source.width, width), rows = spans(source.height, height);
    Image result = Image::unset(width, height);
    const MutableImageView out = result.mutableView();
    inParallel(height, [&](int y) {
        const Span& span = rows[static_cast<std::size_t>(y)];
        std::vector<float> line = emptyLine(source.width);
        for (std::size_t k = 0; k < span.weights.size(); ++k)
            addWeighted(source.row(span.begin + static_cast<int>(k)), span.weights[k], line);
        reduceAcross(line.data(), columns, out.row(y));
    });
    return result;
}

struct AreaReducer::State {
    std::vector<Span> columns, rows;
    Image result;
    std::vector<float> line, next;  ///< of the row of the result that is being filled, and of the one after it
    int y = 0;                      ///< that row
    int source = 0;                 ///< rows taken
};

AreaReducer::AreaReducer(int sourceWidth, int sourceHeight, int width, int height)
    : m_state(new State{spans(sourceWidth, width), spans(sourceHeight, height), Image(width, height), {}, {}})
{
    m_state->line = m_state->next = emptyLine(sourceWidth);
}

AreaReducer::~AreaReducer() = default;

void AreaReducer::take(ImageView rows)
{
    State& s = *m_state;
    for (int i = 0; i < rows.height; ++i, ++s.source) {
        const float* in = rows.row(i);
        // A row of the source lies in one row of the result or across two: the source is not smaller.
        for (int k = 0; k < 2 && s.y + k < static_cast<int>(s.rows.size()); ++k) {
            const Span& span = s.rows[static_cast<std::size_t>(s.y + k)];
            if (const int at = s.source - span.begin; at >= 0 && at < static_cast<int>(span.weights.size()))
                addWeighted(in, span.weights[static_cast<std::size_t>(at)], k == 0 ? s.line : s.next);
        }
        if (s.y < static_cast<int>(s.rows.size()) &&
            s.source + 1 >= s.rows[static_cast<std::size_t>(s.y)].begin +
                                static_cast<int>(s.rows[static_cast<std::size_t>(s.y)].weights.size())) {
            reduceAcross(s.line.data(), s.columns, s.result.mutableView().row(s.y++));
            std::swap(s.line, s.next);
            std::fill(s.next.begin(), s.next.end(), 0.0f);
        }
    }
}

Image AreaReducer::result() { return std::move(m_state->result); }

struct BandReducer::State {
    Size from, to;
    std::vector<Span> columns, rows;
    Image result;
    int source = 0, y = 0;  ///< rows taken; the first row of the result that is not full
};

BandReducer::BandReducer(Size from, Size to)
    : m_state(
          new State{from, to, spans(from.width, to.width), spans(from.height, to.height), Image(to.width, to.height)})
{
}

BandReducer::~BandReducer() = default;

void BandReducer::makeNarrow(ImageView rows, std::vector<float>& narrow) const
{
    const State& s = *m_state;
    const std::size_t before = narrow.size(), wide = std::size_t{3} * static_cast<std::size_t>(s.from.width),
                      row = std::size_t{3} * static_cast<std::size_t>(s.to.width);
    narrow.resize(before + row * static_cast<std::size_t>(rows.height));
    std::vector<float> line(wide + 1, 0.0f);
    for (int y = 0; y < rows.height; ++y) {
        float* to = narrow.data() + before + row * static_cast<std::size_t>(y);
        if (row == wide) {
            std::copy_n(rows.row(y), row, to);
            continue;
        }
        std::copy_n(rows.row(y), wide, line.data());
        reduceAcross(line.data(), s.columns, to);
    }
}

void BandReducer::take(const std::vector<float>& narrow)
{
    State& s = *m_state;
    const std::size_t row = std::size_t{3} * static_cast<std::size_t>(s.to.width);
    const MutableImageView out = s.result.mutableView();
    for (std::size_t at = 0; at + row <= narrow.size(); at += row, ++s.source) {
        // A row of the source lies in one row of the result or across two: the source is not smaller.
        for (int y = s.y; y < std::min(s.to.height, s.y + 2); ++y) {
            const Span& span = s.rows[static_cast<std::size_t>(y)];
            const int k = s.source - span.begin;
            if (k < 0 || k >= static_cast<int>(span.weights.size()))
                continue;
            const float weight = span.weights[static_cast<std::size_t>(k)];
            float* to = out.row(y);
            for (std::size_t i = 0; i < row; ++i)
                to[i] += weight * narrow[at + i];
        }
        if (s.y < s.to.height) {
            const Span& span = s.rows[static_cast<std::size_t>(s.y)];
            s.y += s.source + 1 >= span.begin + static_cast<int>(span.weights.size()) ? 1 : 0;
        }
    }
}

Image BandReducer::result() { return std::move(m_state->result); }

int gridIndex(int i, int from, int to) { return static_cast<int>((i + 0.5) * from / to); }

Image sampleGrid(ImageView source, int width, int height)
{
    Image result(width, height);
    for (int y = 0; y < height; ++y) {
        const float* in = source.row(gridIndex(y, source.height, height));
        float* out = result.mutableView().row(y);
        for (int x = 0; x < width; ++x)
            std::copy_n(in + std::ptrdiff_t{3} * gridIndex(x, source.width, width), 3, out + std::ptrdiff_t{3} * x);
    }
    return result;
}

Size fitted(Size size, int longEdge)
{
    const int edge = std::max(size.width, size.height);
    if (longEdge <= 0 || edge <= longEdge)
        return size;
    const double scale = static_cast<double>(longEdge) / edge;
    return {std::max(1, static_cast<int>(std::lround(size.width * scale))),
            std::max(1, static_cast<int>(std::lround(size.height * scale)))};
}

Image reducedToFit(ImageView image, int width, int height)
{
    const double scale =
        std::min({1.0, static_cast<double>(width) / image.width, static_cast<double>(height) / image.height});
    return reduceByArea(image, std::max(1, static_cast<int>(image.width * scale)),
                        std::max(1, static_cast<int>(image.height * scale)));
}

}  // namespace amber
