// Edge darkening: a fall of light towards the corners, deep tones protected. A spatial step (by place only).
//
// `net` is the fall wanted in the finished picture, in stops at the corners; `existing` what the picture already brings
// (what its lens corrections left, or its light: less apparentFalloff() of it), of each picture its own. What is
// applied is net - existing, times smoothstep(begin, 1, r): r is the distance from the centre, 1 at the corners,
// measured by an ellipse of the frame's shape (roundness 0) up to a circle (roundness 1). Light is multiplied by
// 2^stops, which multiplies OKLab by 2^(stops / 3). Deep tones keep the share `protectDarks` of what they were: the
// stops are multiplied by 1 - protectDarks (1 - smoothstep(0.08, 0.38, L)).
#pragma once

#include "core/look/steps/fields.h"

namespace amber {

struct EdgeDarkening {
    static constexpr const char* kType = "edge-darkening";
    static constexpr bool kIsSpatial = true;

    double net = 0;        ///< stops at the corners in the finished picture
    double existing = 0;   ///< stops the picture brings
    double begin = 0.3;    ///< distance from the centre where it begins
    double roundness = 0;  ///< 0 the frame's shape, 1 a circle
    double protectDarks = 0.5;
    std::string unknownFields;
    bool operator==(const EdgeDarkening&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("net", self.net, -3, 1);
        visit.number("existing", self.existing, -3, 1);
        visit.number("begin", self.begin, 0, 0.9);
        visit.number("roundness", self.roundness, 0, 1);
        visit.number("protectDarks", self.protectDarks, 0, 1);
    }
};

inline bool isIdentity(const EdgeDarkening& step) { return step.net == step.existing; }

inline constexpr double kProtectedTones[2] = {0.08, 0.38};

}  // namespace amber
