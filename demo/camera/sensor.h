// The simulated camera's sensor: scene light to a Bayer mosaic of 14-bit numbers.
//
// The scene is linear light with BT.709 primaries and D65 white; 1.0 is a white surface at the nominal exposure.
// Each photosite sees  c = S * rgb  (one row of S for its colour), and counts
//   electrons = Poisson(fullWell * min(1, gain * c / headroom)) + Normal(0, readNoise)
//   number    = clamp(round(black + electrons / fullWell * (white - black)), 0, white)
// with fullWell in inverse proportion to the ISO speed. Model after EMVA 1288, release 4.0, section 2.
#pragma once

#include "core/colour/types.h"
#include "core/image/image.h"

#include <cstdint>
#include <vector>

namespace amber::demo {

struct Sensor {
    /// Linear BT.709 to the sensor's red, green and blue; green sees a white surface as 1.
    Matrix3 fromScene{{{0.52, 0.13, 0.03}, {0.20, 0.72, 0.08}, {0.03, 0.17, 0.50}}};
    double headroom = 4;             ///< how many times a white surface fits under saturation at the nominal exposure
    int black = 512, white = 16383;  ///< 14 bits
    double fullWellAtIso100 = 240000, readNoise = 3;  ///< electrons

    /// XYZ relative to D65 into the sensor's colours: what DNG calls ColorMatrix. The response is linear, so it is one
    /// for every light.
    Matrix3 fromXyz() const;
    /// The sensor's answer to a white under the light of the given XYZ, largest component 1 (DNG: AsShotNeutral).
    void neutral(const Xyz& white, double out[3]) const;
};

struct Exposure {
    double stops = 0;  ///< away from the nominal exposure
    int iso = 100;
    std::uint64_t seed = 1;  ///< of the noise
    bool noise = true;
};

/// A mosaic: red at (0, 0), then green, green, blue (rows of `width`). Width and height are even.
struct Mosaic {
    int width = 0, height = 0;
    std::vector<std::uint16_t> numbers;
};

/// Exposes a scene; an odd last row or column is left out.
Mosaic expose(ImageView scene, const Sensor& sensor, const Exposure& exposure);

/// XYZ (Y = 1) of a light of correlated colour temperature `kelvin`: daylight (CIE 15:2018, 3.1) from 4000 K, below it
/// the Planckian locus (Kim et al., US patent 7024034 B2, cubic approximation).
Xyz lightOf(double kelvin);

/// The same scene under a light that changed from one white to another (Bradford), in place.
void changeLight(Image& scene, const Xyz& from, const Xyz& to);

}  // namespace amber::demo
