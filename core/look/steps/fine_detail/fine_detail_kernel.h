// What the engines need of fine detail: one plane, added to lightness.
#pragma once

#include "core/look/steps/fine_detail/fine_detail.h"
#include "core/look/steps/spatial_kernel.h"

namespace amber {

struct FineDetailKernel {
    FineDetail step;

    using Prepared = LightnessChange;
    Domain domain() const { return Domain::OkLab; }
    bool needsPicture() const { return true; }
    std::shared_ptr<const void> prepare(ImageView picture, double pixelsPerDelivered) const;
    OkLab at(const void* prepared, const Place& place, const OkLab& c) const;
};

inline FineDetailKernel kernelOf(const FineDetail& step) { return {step}; }

}  // namespace amber
