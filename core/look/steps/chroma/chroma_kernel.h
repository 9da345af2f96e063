// What the fast engine needs of the chroma step, prepared once per change.
#pragma once

#include "core/look/steps/chroma/chroma.h"
#include "core/look/steps/kernel_domain.h"

#include <cmath>
#include <numbers>

namespace amber {

struct ChromaKernel {
    float even, reserved, shelter, sharpness, cosine, sine, knee, room;
    bool hasCeiling;

    Domain domain() const { return Domain::OkLab; }
};

inline ChromaKernel kernelOf(const Chroma& s)
{
    const double hue = s.shelterHue * std::numbers::pi / 180, half = s.shelterWidth * std::numbers::pi / 360,
                 knee = kCeilingKnee * s.ceiling;
    const auto f = [](double v) { return static_cast<float>(v); };
    const double sharpness = 1 / (1 - std::cos(half));  // of powers of two
    return {f(s.even),
            f(s.reserved),
            f(s.shelter),
            f(sharpness),
            f(sharpness * std::cos(hue)),
            f(sharpness * std::sin(hue)),
            f(knee),
            f(s.ceiling - knee),
            s.hasCeiling};
}

}  // namespace amber
