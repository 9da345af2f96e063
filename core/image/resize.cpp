#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <tbb/parallel_for.h>

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
            span.weights.push_back(static_cast<float>((std::min<double>(high, k + 1) - std::max<double>(low, k)) / scale));
    }
    return all;
}

}  // namespace

Image reduceByArea(ImageView source, int width, int height)
{
    const auto columns = spans(source.width, width), rows = spans(source.height, height);
    Image result(width, height);
    const MutableImageView out = result.mutableView();
    tbb::parallel_for(0, height, [&](int y) {
        const Span& span = rows[static_cast<std::size_t>(y)];
        std::vector<float> line(static_cast<std::size_t>(source.width) * 3, 0.0f);
        for (std::size_t k = 0; k < span.weights.size(); ++k) {
            const float* in = source.row(span.begin + static_cast<int>(k));
            const float w = span.weights[k];
            for (std::size_t i = 0; i < line.size(); ++i)
                line[i] += w * in[i];
        }
        float* pixel = out.row(y);
        for (int x = 0; x < width; ++x, pixel += 3) {
            const Span& across = columns[static_cast<std::size_t>(x)];
            float r = 0, g = 0, b = 0;
            const float* in = line.data() + std::size_t{3} * static_cast<std::size_t>(across.begin);
            for (float w : across.weights) {
                r += w * in[0], g += w * in[1], b += w * in[2];
                in += 3;
            }
            pixel[0] = r, pixel[1] = g, pixel[2] = b;
        }
    });
    return result;
}

Image sampleGrid(ImageView source, int width, int height)
{
    Image result(width, height);
    const auto middle = [](int i, int from, int to) { return static_cast<int>((i + 0.5) * from / to); };
    for (int y = 0; y < height; ++y) {
        const float* in = source.row(middle(y, source.height, height));
        float* out = result.mutableView().row(y);
        for (int x = 0; x < width; ++x)
            std::copy_n(in + std::ptrdiff_t{3} * middle(x, source.width, width), 3, out + std::ptrdiff_t{3} * x);
    }
    return result;
}

Size fitted(Size size, int longEdge)
{
    const int edge = std::max(size.width, size.height);
    if (longEdge <= 0 || edge <= longEdge)
        return size;
    const double scale = static_cast<double>(longEdge) / edge;
    return {std::max(1, static_cast<int>(std::lround(size.width * scale))), std::max(1, static_cast<int>(std::lround(size.height * scale)))};
}

}  // namespace amber
