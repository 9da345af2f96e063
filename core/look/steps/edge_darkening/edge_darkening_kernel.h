// What the engines need of edge darkening.
#pragma once

#include "core/look/steps/edge_darkening/edge_darkening.h"
#include "core/look/steps/spatial_kernel.h"

namespace amber {

struct EdgeDarkeningKernel {
    EdgeDarkening step;

    Domain domain() const { return Domain::OkLab; }
    bool needsPicture() const { return false; }
    std::shared_ptr<const void> prepare(ImageView, double) const { return nullptr; }
    OkLab at(const void*, const Place& place, const OkLab& c) const;
    /// The exponent of two by which OKLab is multiplied, before darks are protected.
    float powerAt(int x, const Place& place) const;
};

inline EdgeDarkeningKernel kernelOf(const EdgeDarkening& step) { return {step}; }

}  // namespace amber
