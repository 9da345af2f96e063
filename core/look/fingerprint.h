// The fingerprint of a reference: what is measured of one or several finished pictures, so that a look can be held
// against them when the pictures themselves are gone. Plain numbers; measured by core/match/fingerprint.h.
#pragma once

#include "core/base/copied_apart.h"
#include "core/look/steps/fields.h"

#include <string>
#include <vector>

namespace amber {

/// A tone on the axis of OKLab L.
struct ToneTrait {
    double tone = 0;
    double spread = 0;  ///< half the range over several references
    std::string unknownFields;
    bool operator==(const ToneTrait&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("tone", self.tone, -1, 3);
        visit.number("spread", self.spread, 0, 3);
    }
};

/// The mean colour (OKLab) of some of the pixels, and how many they are.
struct ColourTrait {
    double L = 0, a = 0, b = 0;
    double share = 0;   ///< of the picture
    double spread = 0;  ///< OKLab distance in a and b over several references: half the range
    std::string unknownFields;
    bool operator==(const ColourTrait&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("L", self.L, -1, 3);
        visit.number("a", self.a, -2, 2);
        visit.number("b", self.b, -2, 2);
        visit.number("share", self.share, 0, 1);
        visit.number("spread", self.spread, 0, 2);
    }
};

/// A plain number.
struct ValueTrait {
    double value = 0;
    double spread = 0;  ///< half the range over several references
    std::string unknownFields;
    bool operator==(const ValueTrait&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("value", self.value, -1e4, 1e4);
        visit.number("spread", self.spread, 0, 1e4);
    }
};

struct Fingerprint {
    AMBER_COPIED_APART(Fingerprint)

    std::string name;                     ///< of the picture, or of the pictures
    double references = 1;                ///< how many pictures it was measured on
    std::vector<ToneTrait> tones;         ///< at kQuantiles (core/measure/tone.h): floor, ceiling and the shape between
    std::vector<ColourTrait> casts;       ///< where neutrals lie in darks, middles and lights: the trail
    std::vector<ColourTrait> otherCasts;  ///< the same found in other ways: by edges, then by powers (three each)
    std::vector<ColourTrait> families;    ///< of HueShifts::defaultFamilies(), each against the cast at its tone
    std::vector<ValueTrait> frame;        ///< width / height, and where the eye goes: across and down, 0..1
    std::vector<ValueTrait> falls;     ///< of smooth light, L*: top less bottom, left less right, middle less corners
    std::vector<ValueTrait> textures;  ///< local contrast, edges, grain, noise (core/match/texture.h)
    double grain = 0;        ///< deviation of OKLab L from pixel to pixel where the picture is even, at mid tones
    double cornerStops = 0;  ///< light in the corners against the middle; below 0 the edges fall off
    double longEdge = 0;     ///< pixels, of the smallest
    double quality = 100;    ///< JPEG quality 1..100 of the worst; 100 when it was not compressed
    std::string unknownFields;

    static void fields(auto& visit, auto& self)
    {
        visit.text("name", self.name);
        visit.number("references", self.references, 1, 1e6);
        visit.list("tones", self.tones, 16);
        visit.list("casts", self.casts, 8);
        visit.list("otherCasts", self.otherCasts, 8);
        visit.list("families", self.families, 16);
        visit.list("frame", self.frame, 3);
        visit.list("falls", self.falls, 3);
        visit.list("textures", self.textures, 4);
        visit.number("grain", self.grain, 0, 1);
        visit.number("cornerStops", self.cornerStops, -20, 20);
        visit.number("longEdge", self.longEdge, 0, 1e9);
        visit.number("quality", self.quality, 0, 100);
    }
};

}  // namespace amber
