// What the engines need of glow.
#pragma once

#include "core/look/steps/glow/glow.h"
#include "core/look/steps/spatial_kernel.h"

#include <array>

namespace amber {

struct GlowKernel {
    Glow step;
    float luminance[3];  ///< Y of the working space's components

    /// The spread light on the reduced picture, channel by channel.
    struct Prepared {
        std::array<Plane, 3> spread;
    };
    Domain domain() const { return Domain::Rgb; }
    bool needsPicture() const { return true; }
    std::shared_ptr<const void> prepare(ImageView picture, double pixelsPerDelivered) const;
    LinearRgb at(const void* prepared, const Place& place, const LinearRgb& c) const;
};

GlowKernel kernelOf(const Glow& step);

}  // namespace amber
