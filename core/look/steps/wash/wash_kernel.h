// What the fast engine needs of a wash, prepared once per change.
#pragma once

#include "core/colour/rgb_space.h"
#include "core/look/steps/kernel_domain.h"
#include "core/look/steps/lookup_table/lookup_table_kernel.h"
#include "core/look/steps/wash/wash.h"

namespace amber {

struct WashKernel {
    struct Passage {
        float low, scale, rise[3];
    };
    Wash::Blend blend;
    float amount, first[3], toSrgb[3][3], fromSrgb[3][3];
    std::vector<Passage> passages;
    TransferKernel transfer{RgbSpace::Srgb};

    Domain domain() const { return Domain::Rgb; }
};

inline WashKernel kernelOf(const Wash& step)
{
    const auto ramp = rampOf(step);
    WashKernel k{step.blend, static_cast<float>(step.amount), {}, {}, {}, {}};
    for (std::size_t i = 0; i < ramp.size(); ++i) {
        const double here[3] = {ramp[i].colour.r, ramp[i].colour.g, ramp[i].colour.b};
        if (i == 0) {
            std::copy_n(here, 3, k.first);
            continue;
        }
        const EncodedRgb& p = ramp[i - 1].colour;
        const double last[3] = {p.r, p.g, p.b};
        WashKernel::Passage passage{static_cast<float>(ramp[i - 1].position),
                                    static_cast<float>(1 / (ramp[i].position - ramp[i - 1].position)),
                                    {}};
        for (int c = 0; c < 3; ++c)
            passage.rise[c] = static_cast<float>(here[c] - last[c]);
        k.passages.push_back(passage);
    }
    for (int i = 0; i < 3; ++i)
        for (int j = 0; j < 3; ++j) {
            k.toSrgb[i][j] = static_cast<float>(fromWorking(RgbSpace::Srgb).m[i][j]);
            k.fromSrgb[i][j] = static_cast<float>(toWorking(RgbSpace::Srgb).m[i][j]);
        }
    return k;
}

}  // namespace amber
