// Colours near one: how near a colour is to it, 0..1. Shelters of a guard and *even towards* use it.
//
//   weight = T C H,  T = b((L - L0) / reach),  C = b((C - C0) / reach),  b(u) = (1 - u^2)^2 for |u| < 1, else 0
//   H = b(u) with u^2 = (1 - cos(h - h0)) / (1 - cos reach), times C^2 / (C^2 + 0.03^2), as neutrals have no hue
// on OKLab L and OKLCh chroma and hue. A reach at the end of its scale (1, 0.4, 180) is open: that factor is 1. C1
// everywhere.
#pragma once

#include "core/colour/types.h"
#include "core/look/steps/fields.h"

namespace amber {

struct NearColours {
    double lightness = 0.65, chroma = 0.1, hue = 55;  ///< OKLCh, hue in degrees
    double lightnessReach = 0.5, chromaReach = 0.15, hueReach = 40;
    bool operator==(const NearColours&) const = default;

    static constexpr double kOpenLightness = 1, kOpenChroma = 0.4, kOpenHue = 180, kNeutral = 0.03;
    static void fields(auto& visit, auto& self)
    {
        visit.number("lightness", self.lightness, 0, 1);
        visit.number("chroma", self.chroma, 0, 0.4);
        visit.number("hue", self.hue, 0, 360);
        visit.number("lightnessReach", self.lightnessReach, 0.05, kOpenLightness);
        visit.number("chromaReach", self.chromaReach, 0.02, kOpenChroma);
        visit.number("hueReach", self.hueReach, 8, kOpenHue);
    }
    bool limitsLightness() const { return lightnessReach < kOpenLightness; }
    bool limitsChroma() const { return chromaReach < kOpenChroma; }
    bool limitsHue() const { return hueReach < kOpenHue; }
};

/// Round one colour, as wide as things of one material vary; round a hue, half as near at the edges of a family of this
/// width, whatever the lightness and chroma.
NearColours nearColour(const OkLab& c);
NearColours nearHue(double centreDegrees, double widthDegrees);
double weightAt(const NearColours& range, const OkLab& c);

/// What the fast engine needs of a range.
struct NearColoursKernel {
    bool lightness, chroma, hue;
    float lightnessAt, chromaAt, cosine, sine;    ///< its middle; its hue as a unit vector
    float lightnessScale, chromaScale, hueScale;  ///< 1 / reach; 1 / (1 - cos reach)
    explicit NearColoursKernel(const NearColours& range);
};

}  // namespace amber
