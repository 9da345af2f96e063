// Wash: a colour for each lightness, laid over the picture.
//
// The ramp runs through its stops, each a colour at a place on the tone axis; between two stops each sRGB-encoded
// channel passes over by a smoothstep, beyond the ends it stays. The ramp's colour at the pixel's OKLab L is the source
// Cs, the pixel in sRGB-encoded values limited to 0..1 is the backdrop Cb, and per channel (W3C Compositing and
// Blending Level 1, section 10.1):
//   normal      B = Cs
//   multiply    B = Cb Cs
//   screen      B = Cb + Cs - Cb Cs
//   soft light  B = Cb - (1 - 2 Cs) Cb (1 - Cb)          for Cs <= 0.5
//               B = Cb + (2 Cs - 1) (D(Cb) - Cb)         above, D = ((16 Cb - 12) Cb + 4) Cb up to 0.25, sqrt(Cb)
//               beyond
// The result is Cb + amount (B - Cb), plus what the pixel had beyond 0..1, so that nothing is cut off.
#pragma once

#include "core/colour/types.h"
#include "core/look/steps/fields.h"

namespace amber {

struct WashStop {
    double position = 0.5;   ///< on the tone axis
    double lightness = 0.5;  ///< OKLCh of the colour laid on; what sRGB cannot hold is brought to its edge
    double chroma = 0.05;
    double hue = 60;
    std::string unknownFields;
    bool operator==(const WashStop&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("position", self.position, 0, 1);
        visit.number("lightness", self.lightness, 0, 1);
        visit.number("chroma", self.chroma, 0, 0.3);
        visit.number("hue", self.hue, 0, 360);
    }
};

struct Wash {
    static constexpr const char* kType = "wash";
    enum class Blend { Normal, Multiply, Screen, SoftLight };
    static constexpr std::array<std::string_view, 4> kBlends{"normal", "multiply", "screen", "soft-light"};

    Blend blend = Blend::SoftLight;
    double amount = 0;  ///< 0..1
    std::vector<WashStop> stops{{0.1, 0.25, 0.06, 265, {}}, {0.9, 0.9, 0.06, 80, {}}};
    std::string unknownFields;
    bool operator==(const Wash&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.choice("blend", self.blend, kBlends);
        visit.number("amount", self.amount, 0, 1);
        visit.list("stops", self.stops, 8);
    }
};

inline constexpr std::size_t kWashStopLimit = 8;

bool isIdentity(const Wash& step);
LinearRgb evaluate(const Wash& step, const LinearRgb& c);
/// The ramp: its stops in order of position, as sRGB-encoded colours within 0..1.
struct RampColour {
    double position;
    EncodedRgb colour;
};
std::vector<RampColour> rampOf(const Wash& step);
EncodedRgb rampAt(const std::vector<RampColour>& ramp, double L);
/// One channel of the blend, both within 0..1.
double blended(Wash::Blend blend, double backdrop, double source);

}  // namespace amber
