// What the fast engine needs of hue shifts, prepared once per change.
#pragma once

#include "core/look/steps/hue_shifts/hue_shifts.h"
#include "core/look/steps/kernel_domain.h"

#include <cmath>
#include <numbers>

namespace amber {

struct HueShiftsKernel {
    struct Move {
        float turn, chroma, lightness;  ///< radians, factor - 1, offset
        explicit Move(const HueMove& m)
            : turn(static_cast<float>(m.turnDegrees * std::numbers::pi / 180)),
              chroma(static_cast<float>(m.chroma - 1)), lightness(static_cast<float>(m.lightness))
        {
        }
    };
    /// The bump is 2^(cosine x + sine y - sharpness), (x, y) being the unit vector of the hue.
    struct Family {
        float sharpness, cosine, sine;
        Move move;
        bool moves;
        float knee, room;  ///< of its ceiling; no room: it has none
    };
    std::vector<Family> families;
    Move zones[3];
    bool zonesMove, hasCeilings = false;

    Domain domain() const { return Domain::OkLab; }

    explicit HueShiftsKernel(const HueShifts& step)
        : zones{Move(step.nearBlacks), Move(step.greys), Move(step.nearWhites)},
          zonesMove(!(step.nearBlacks == HueMove{} && step.greys == HueMove{} && step.nearWhites == HueMove{}))
    {
        for (const HueFamily& f : step.families) {
            const double centre = f.centreDegrees * std::numbers::pi / 180;
            const double k = familySharpness(f) * std::numbers::log2e;
            families.push_back(
                {static_cast<float>(k), static_cast<float>(k * std::cos(centre)),
                 static_cast<float>(k * std::sin(centre)), Move(f.move), !(f.move == HueMove{}),
                 static_cast<float>(kFamilyKnee * f.ceiling),
                 static_cast<float>(f.ceiling < HueFamily::kNoCeiling ? (1 - kFamilyKnee) * f.ceiling : 0)});
            hasCeilings = hasCeilings || f.ceiling < HueFamily::kNoCeiling;
        }
    }
};

inline HueShiftsKernel kernelOf(const HueShifts& step) { return HueShiftsKernel(step); }

}  // namespace amber
