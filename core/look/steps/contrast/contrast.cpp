#include "core/look/steps/contrast/contrast.h"

#include "core/colour/oklab.h"

#include <cmath>
#include <numeric>

namespace amber {

bool isIdentity(const Contrast& step) { return step.slope == 1 && step.exposure == 0; }

double toneAt(const Contrast& step, double L)
{
    const double exposed = L * std::exp2(step.exposure / 3), p = step.pivot, s = step.slope;
    const double side = exposed < p ? p : 1 - p, u = (exposed - p) / side, size = std::abs(u);
    return p + side * std::copysign(size <= 1 ? s * size / (1 + (s - 1) * size) : 1 + (size - 1) / s, u);
}

LinearRgb evaluate(const Contrast& step, const LinearRgb& c)
{
    OkLab lab = toOkLab(c);
    const double gain = std::exp2(step.exposure / 3), L = toneAt(step, lab.L), exposed = lab.L * gain;
    // At and below black the curve is a straight line through it, so the ratio there is its slope.
    const double ratio = exposed > 1e-6 ? L / exposed : 1 / step.slope;
    const double chroma = gain * (1 + step.chromaFollows * (ratio - 1));
    return toLinearRgb(OkLab{L, lab.a * chroma, lab.b * chroma});
}

double exposureHoldingMean(Contrast step, const std::vector<double>& tones)
{
    if (tones.empty())
        return step.exposure;
    const double wanted = std::accumulate(tones.begin(), tones.end(), 0.0);
    double low = -2, high = 2;
    while (high - low > 1e-6) {
        step.exposure = (low + high) / 2;
        double sum = 0;
        for (double L : tones)
            sum += toneAt(step, L);
        (sum < wanted ? low : high) = step.exposure;
    }
    return step.exposure;
}

}  // namespace amber
