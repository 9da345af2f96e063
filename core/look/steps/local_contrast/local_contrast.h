// Local contrast: differences from the surroundings made larger or smaller, edges left alone. A spatial step.
//
// The surroundings are an edge-preserving mean of OKLab L, the guided filter with L as its own guide (K. He, J. Sun, X.
// Tang, IEEE TPAMI 35(6), 2013): in a window of radius r, base = a L + b with a = variance / (variance + 0.01). L
// becomes L + amount (L - base), and never leaves the range from the darkest to the lightest tone within about 2 r by
// more than a hundredth of that range: no halo. Means are taken on the picture reduced to at most 320 pixels (He and
// Sun, "Fast guided filter", 2015), so that a small and a full-size render agree. Hue and chroma are held.
#pragma once

#include "core/look/steps/fields.h"

namespace amber {

struct LocalContrast {
    static constexpr const char* kType = "local-contrast";
    static constexpr bool kIsSpatial = true;

    double amount = 0;  ///< -1..2
    double size = 3;    ///< radius of the surroundings in per cent of the long edge
    std::string unknownFields;
    bool operator==(const LocalContrast&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("amount", self.amount, -1, 2);
        visit.number("size", self.size, 0.5, 10);
    }
};

inline bool isIdentity(const LocalContrast& step) { return step.amount == 0; }

/// Part of the local range by which a result may leave it.
inline constexpr double kHaloLimit = 0.01;

}  // namespace amber
