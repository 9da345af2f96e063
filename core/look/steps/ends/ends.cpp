#include "core/look/steps/ends/ends.h"

#include <algorithm>
#include <cmath>

namespace amber {

bool isIdentity(const Ends& step) { return step.black == 0 && step.white == 1 && step.floor == 0 && step.ceiling == 1; }

LinearRgb evaluate(const Ends& step, const LinearRgb& c)
{
    const double slope = (step.ceiling - step.floor) / (step.white - step.black);
    const auto one = [&](double channel) {
        const double v = step.floor + (std::cbrt(channel) - step.black) * slope;
        return v * v * v;
    };
    return {one(c.r), one(c.g), one(c.b)};
}

void solveEnds(Ends& step, const std::vector<LinearRgb>& pixels)
{
    if (pixels.empty())
        return;
    std::vector<double> lightest;
    for (const LinearRgb& c : pixels)
        lightest.push_back(std::cbrt(std::max({c.r, c.g, c.b})));
    std::sort(lightest.begin(), lightest.end());
    const auto n = static_cast<double>(lightest.size());
    const auto first = static_cast<std::size_t>(std::min(step.blackBudget / 100 * n, n - 1)),
               last = static_cast<std::size_t>(std::min(step.whiteBudget / 100 * n, n - 1));
    step.black = std::clamp(lightest[first], -0.2, 0.4);
    step.white = std::clamp(lightest[lightest.size() - 1 - last], 0.6, 1.6);
}

}  // namespace amber
