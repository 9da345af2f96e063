#include "core/analysis/leak.h"

#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber {

Leak leakOf(const Step& step, ImageView entering)
{
    Step everywhere = step;
    everywhere.guard.where = {};
    if (entering.width <= 0 || entering.height <= 0 || isSpatial(everywhere) || isIdentity(everywhere))
        return {};
    cv::Mat touched(entering.height, entering.width, CV_8U);
    int count = 0;
    for (int y = 0; y < entering.height; ++y)
        for (int x = 0; x < entering.width; ++x) {
            const float* p = entering.row(y) + 3 * x;
            const LinearRgb c{p[0], p[1], p[2]};
            const OkLab from = toOkLab(c), to = toOkLab(evaluate(everywhere, c));
            const bool isMoved = std::hypot(to.L - from.L, to.a - from.a, to.b - from.b) > kTouched;
            touched.at<std::uint8_t>(y, x) = isMoved;
            count += isMoved;
        }
    if (count == 0)
        return {};
    cv::Mat labels, areas, centres;
    const int patches = cv::connectedComponentsWithStats(touched, labels, areas, centres, 8);
    int largest = 0;
    for (int i = 1; i < patches; ++i)
        largest = std::max(largest, areas.at<int>(i, cv::CC_STAT_AREA));
    return {static_cast<double>(count) / (static_cast<double>(entering.width) * entering.height),
            static_cast<double>(count - largest) / count};
}

}  // namespace amber
