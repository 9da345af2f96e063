// What the fast engine needs of tone bands, prepared once per change.
#pragma once

#include "core/look/steps/kernel_domain.h"
#include "core/look/steps/tone_bands/tone_bands.h"

namespace amber {

struct ToneBandsKernel {
    float first, rises[4];  ///< the exponent of two: of the deepest band, then what each passage to the next adds

    Domain domain() const { return Domain::OkLab; }
};

inline ToneBandsKernel kernelOf(const ToneBands& step)
{
    const auto gains = step.gains();
    ToneBandsKernel kernel{static_cast<float>(gains[0] / 3), {}};
    for (std::size_t i = 0; i < 4; ++i)
        kernel.rises[i] = static_cast<float>((gains[i + 1] - gains[i]) / 3);
    return kernel;
}

}  // namespace amber
