// What the fast engine needs of warmth, prepared once per change.
#pragma once

#include "core/look/steps/kernel_domain.h"
#include "core/look/steps/warmth/warmth.h"

namespace amber {

struct WarmthKernel {
    float matrix[3][3];

    Domain domain() const { return Domain::Rgb; }
};

inline WarmthKernel kernelOf(const Warmth& step)
{
    const Matrix3 m = matrixOf(step);
    WarmthKernel kernel;
    for (int i = 0; i < 3; ++i)
        for (int j = 0; j < 3; ++j)
            kernel.matrix[i][j] = static_cast<float>(m.m[i][j]);
    return kernel;
}

}  // namespace amber
