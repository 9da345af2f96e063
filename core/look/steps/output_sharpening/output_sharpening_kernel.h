// What the engines need of output sharpening: one plane, added to lightness.
#pragma once

#include "core/look/steps/output_sharpening/output_sharpening.h"
#include "core/look/steps/spatial_kernel.h"

namespace amber {

struct OutputSharpeningKernel {
    OutputSharpening step;
    bool keepsMask = false;  ///< to be looked at; a render has no use for it

    using Prepared = LightnessChange;
    Domain domain() const { return Domain::OkLab; }
    bool needsPicture() const { return true; }
    std::shared_ptr<const void> prepare(ImageView picture, double pixelsPerDelivered) const;
    OkLab at(const void* prepared, const Place& place, const OkLab& c) const;
};

inline OutputSharpeningKernel kernelOf(const OutputSharpening& step) { return {step, false}; }

}  // namespace amber
