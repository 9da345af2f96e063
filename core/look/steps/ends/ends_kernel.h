// What the fast engine needs of ends, prepared once per change.
#pragma once

#include "core/look/steps/ends/ends.h"
#include "core/look/steps/kernel_domain.h"

namespace amber {

struct EndsKernel {
    float slope, offset;

    Domain domain() const { return Domain::Roots; }
};

inline EndsKernel kernelOf(const Ends& step)
{
    const double slope = (step.ceiling - step.floor) / (step.white - step.black);
    return {static_cast<float>(slope), static_cast<float>(step.floor - step.black * slope)};
}

}  // namespace amber
