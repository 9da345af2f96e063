// What the fast engine needs of primaries, prepared once per change.
#pragma once

#include "core/look/steps/kernel_domain.h"
#include "core/look/steps/primaries/primaries.h"

namespace amber {

struct PrimariesKernel {
    float matrix[3][3];

    Domain domain() const { return Domain::Rgb; }
};

inline PrimariesKernel kernelOf(const Primaries& step)
{
    const Matrix3 m = matrixOf(step);
    PrimariesKernel kernel;
    for (int i = 0; i < 3; ++i)
        for (int j = 0; j < 3; ++j)
            kernel.matrix[i][j] = static_cast<float>(m.m[i][j]);
    return kernel;
}

}  // namespace amber
