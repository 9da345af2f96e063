// What the engines need of local contrast.
#pragma once

#include "core/look/steps/local_contrast/local_contrast.h"
#include "core/look/steps/spatial_kernel.h"

namespace amber {

struct LocalContrastKernel {
    LocalContrast step;

    /// On the reduced picture: base = a L + b, and the smoothed darkest and lightest tone nearby.
    struct Prepared {
        Plane a, b, darkest, lightest;
    };
    Domain domain() const { return Domain::OkLab; }
    bool needsPicture() const { return true; }
    std::shared_ptr<const void> prepare(ImageView picture, double pixelsPerDelivered) const;
    OkLab at(const void* prepared, const Place& place, const OkLab& c) const;
};

inline LocalContrastKernel kernelOf(const LocalContrast& step) { return {step}; }

}  // namespace amber
