#include "core/measure/picture_difference.h"

#include "core/base/parallel.h"
#include "core/base/statistics.h"
#include "core/colour/difference.h"

#include <algorithm>
#include <numeric>

namespace amber {

Result<PictureDifference> pictureDifference(ImageView one, ImageView two)
{
    const auto size = [](ImageView v) { return std::to_string(v.width) + " x " + std::to_string(v.height); };
    if (one.width != two.width || one.height != two.height)
        return fail("the pictures differ in size", {}, size(one), size(two));
    const std::size_t width = static_cast<std::size_t>(one.width);
    std::vector<float> differences(width * static_cast<std::size_t>(one.height));
    inParallel(one.height, [&](int y) {
        for (std::size_t x = 0; x < width; ++x) {
            const float *p = one.row(y) + x * 3, *q = two.row(y) + x * 3;
            const bool equal = p[0] == q[0] && p[1] == q[1] && p[2] == q[2];
            differences[static_cast<std::size_t>(y) * width + x] =
                equal ? 0 : static_cast<float>(ciede2000(LinearRgb{p[0], p[1], p[2]}, LinearRgb{q[0], q[1], q[2]}));
        }
    });
    PictureDifference result;
    const auto worst =
        static_cast<std::size_t>(std::max_element(differences.begin(), differences.end()) - differences.begin());
    result.x = static_cast<int>(worst % width), result.y = static_cast<int>(worst / width);
    result.maximum = differences[worst];
    result.mean =
        std::accumulate(differences.begin(), differences.end(), 0.0) / static_cast<double>(differences.size());
    const std::vector<double> found = quantiles(differences, std::array{0.5, 0.95, 0.99});
    result.percentile50 = found[0], result.percentile95 = found[1], result.percentile99 = found[2];
    return result;
}

}  // namespace amber
