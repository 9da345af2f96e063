// The flat program of the fast engine. Registration: one include per kind of step; its kernelOf() says which kernel it
// has.
#pragma once

#include "core/engine/render_plan.h"
#include "core/look/steps/chroma/chroma_kernel.h"
#include "core/look/steps/contrast/contrast_kernel.h"
#include "core/look/steps/edge_darkening/edge_darkening_kernel.h"
#include "core/look/steps/ends/ends_kernel.h"
#include "core/look/steps/even_towards/even_towards_kernel.h"
#include "core/look/steps/fine_detail/fine_detail_kernel.h"
#include "core/look/steps/glow/glow_kernel.h"
#include "core/look/steps/grain/grain_kernel.h"
#include "core/look/steps/haze/haze_kernel.h"
#include "core/look/steps/hue_shifts/hue_shifts_kernel.h"
#include "core/look/steps/local_contrast/local_contrast_kernel.h"
#include "core/look/steps/lookup_table/lookup_table_kernel.h"
#include "core/look/steps/output_sharpening/output_sharpening_kernel.h"
#include "core/look/steps/primaries/primaries_kernel.h"
#include "core/look/steps/split_toning/split_toning_kernel.h"
#include "core/look/steps/tone_bands/tone_bands_kernel.h"
#include "core/look/steps/tone_curve/tone_curve_kernel.h"
#include "core/look/steps/warmth/warmth_kernel.h"
#include "core/look/steps/wash/wash_kernel.h"

namespace amber {

struct NoKernel {
    Domain domain() const { return Domain::Rgb; }
};
inline NoKernel kernelOf(const UnknownStep&) { return {}; }

template <class Parameters>
struct KernelVariant;
template <class... S>
struct KernelVariant<std::variant<S...>> {
    using Type = std::variant<decltype(kernelOf(std::declval<const S&>()))...>;
};
using StepKernel = KernelVariant<StepKinds>::Type;

/// The guard as the fast engine takes it: ranges as  (v - low) scale  to be smoothstepped.
struct GuardKernel {
    bool isOpen, tone, chroma, hue, inverted;
    float toneRise[2], toneFall[2], chromaRise[2], chromaFall[2], cosine, sine, hueRise[2];
    struct ShelterKernel {
        float amount;
        NearColoursKernel colours;
    };
    std::vector<ShelterKernel> shelters;
    explicit GuardKernel(const Guard& guard);
};

struct RenderPlan::Program {
    struct Instruction {
        StepKernel kernel;
        float strength;
        GuardKernel guard;
        bool needsPicture;  ///< must be prepared from the whole picture as it enters
        RoleBinding where;
    };
    std::vector<Instruction> look,
        output;  ///< as the steps come; output sharpening, which waits for the delivered size
    bool isEmpty() const { return look.empty() && output.empty(); }
};

}  // namespace amber
