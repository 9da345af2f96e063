// What the engines need of grain.
#pragma once

#include "core/look/steps/grain/grain.h"
#include "core/look/steps/spatial_kernel.h"

namespace amber {

struct GrainKernel {
    Grain step;

    Domain domain() const { return Domain::OkLab; }
    bool needsPicture() const { return false; }
    std::shared_ptr<const void> prepare(ImageView, double) const { return nullptr; }
    OkLab at(const void*, const Place& place, const OkLab& c) const;
    /// Mean grain over `count` pixels' areas, of standard deviation 1 for a single grain. Layer 0 is lightness, 1 and 2
    /// are a and b.
    void grainRow(int layer, const Place& place, int count, float* grain) const;
};

inline GrainKernel kernelOf(const Grain& step) { return {step}; }

}  // namespace amber
