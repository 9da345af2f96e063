// What the fast engine needs of contrast, prepared once per change.
#pragma once

#include "core/look/steps/contrast/contrast.h"
#include "core/look/steps/kernel_domain.h"

#include <cmath>

namespace amber {

struct ContrastKernel {
    float slope, inverseSlope, pivot, below, above, inverseBelow, inverseAbove, gain, chromaFollows;

    Domain domain() const { return Domain::OkLab; }
};

inline ContrastKernel kernelOf(const Contrast& s)
{
    const auto f = [](double v) { return static_cast<float>(v); };
    return {f(s.slope),        f(1 / s.slope), f(s.pivot),           f(s.pivot),
            f(1 - s.pivot),    f(1 / s.pivot), f(1 / (1 - s.pivot)), f(std::exp2(s.exposure / 3)),
            f(s.chromaFollows)};
}

}  // namespace amber
