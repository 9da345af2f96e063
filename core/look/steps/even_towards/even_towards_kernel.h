// What the fast engine needs of even towards, prepared once per change.
#pragma once

#include "core/look/steps/even_towards/even_towards.h"
#include "core/look/steps/kernel_domain.h"

namespace amber {

struct EvenTowardsKernel {
    NearColoursKernel range;
    float hue, chroma, lightness;

    Domain domain() const { return Domain::OkLab; }
};

inline EvenTowardsKernel kernelOf(const EvenTowards& step)
{
    return {NearColoursKernel(step.range), static_cast<float>(step.towardsHue), static_cast<float>(step.towardsChroma),
            static_cast<float>(step.towardsLightness)};
}

}  // namespace amber
