// What the engines need of haze.
#pragma once

#include "core/look/steps/haze/haze.h"
#include "core/look/steps/spatial_kernel.h"

namespace amber {

struct HazeKernel {
    Haze step;

    /// The veil's colour, and on the reduced picture its share as a L + b.
    struct Prepared {
        LinearRgb veil;
        Plane a, b;
    };
    Domain domain() const { return Domain::Rgb; }
    bool needsPicture() const { return true; }
    std::shared_ptr<const void> prepare(ImageView picture, double pixelsPerDelivered) const;
    LinearRgb at(const void* prepared, const Place& place, const LinearRgb& c) const;
};

inline HazeKernel kernelOf(const Haze& step) { return {step}; }

inline constexpr double kLeastTransmission = 0.2;

}  // namespace amber
