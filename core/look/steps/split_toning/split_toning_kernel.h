// What the fast engine needs of split toning, prepared once per change.
#pragma once

#include "core/colour/oklab.h"
#include "core/look/steps/kernel_domain.h"
#include "core/look/steps/split_toning/split_toning.h"

namespace amber {

struct SplitToningKernel {
    struct DyeKernel {
        float centre, inverseReach, a, b;
    };
    std::vector<DyeKernel> dyes;
    bool holdLightness, tintBlack, tintWhite;

    Domain domain() const { return Domain::OkLab; }

    explicit SplitToningKernel(const SplitToning& step)
        : holdLightness(step.holdLightness), tintBlack(step.tintBlack), tintWhite(step.tintWhite)
    {
        for (const Dye& dye : step.dyes) {
            const OkLab tint = toOkLab(OkLch{0, dye.chroma, dye.hueDegrees});
            dyes.push_back({static_cast<float>(dye.position + step.balance), static_cast<float>(1 / dye.reach),
                            static_cast<float>(tint.a), static_cast<float>(tint.b)});
        }
    }
};

inline SplitToningKernel kernelOf(const SplitToning& step) { return SplitToningKernel(step); }

}  // namespace amber
