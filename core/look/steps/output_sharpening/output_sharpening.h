// Output sharpening: edges of the delivered file made crisper, flat areas left alone. A spatial step; its radius is in
// pixels of the file that is delivered, so it runs after the picture is reduced to its size, whatever its place in the
// look.
//
// With m the Gaussian mean of OKLab L, L becomes L + amount mask (L - m). mask = smoothstep(edgeLow, edgeHigh, g), g
// the range of m over 3 x 3 pixels: what a softened picture still shows as an edge. The result stays within the 3 x 3
// range of L, give or take 0.02.
#pragma once

#include "core/look/steps/fields.h"

namespace amber {

struct OutputSharpening {
    static constexpr const char* kType = "output-sharpening";
    static constexpr bool kIsSpatial = true;

    double amount = 0;       ///< 0..3
    double radius = 0.7;     ///< deviation in pixels of the delivered file
    double edgeLow = 0.015;  ///< on the tone axis
    double edgeHigh = 0.06;
    std::string unknownFields;
    bool operator==(const OutputSharpening&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("amount", self.amount, 0, 3);
        visit.number("radius", self.radius, 0.3, 3);
        visit.number("edgeLow", self.edgeLow, 0, 0.5);
        visit.number("edgeHigh", self.edgeHigh, 0.01, 0.6);
    }
};

inline bool isIdentity(const OutputSharpening& step) { return step.amount == 0; }

inline constexpr double kSharpenLimit = 0.02;

}  // namespace amber
