// What a printer makes of a picture: how much ink lies where, and the ends of its paper and ink.
#pragma once

#include "core/display/view_transform.h"

namespace amber {

/// How a picture is sent to a printer.
struct PrintChoices {
    ViewIntent intent = ViewIntent::Relative;
    bool blackPoint = true;
    bool operator==(const PrintChoices&) const = default;
};

/// L* of what the paper shows, relative to the paper itself (100).
struct PrintEnds {
    double deepestBlack = 0;   ///< of the picture's black, as it is sent
    double lightestInk = 100;  ///< the lightest grey that carries kLeastInk
    /// The same as tones of an Ends step (cube root of light): where black and white of a picture should land so that
    /// all of its steps can be told apart on paper.
    double floor = 0, ceiling = 1;
    static constexpr double kLeastInk = 0.03;  ///< of all inks together: the least that holds as a dot
};

class PrintMeasures {
public:
    /// Fails for a profile that is no printer's, or that LittleCMS finds no way through.
    static Result<std::shared_ptr<const PrintMeasures>> make(const DeviceProfile& printer, const PrintChoices& choices);
    virtual ~PrintMeasures() = default;
    /// Of each pixel, in per cent: the sum of the device values that the profile gives it (four inks: 0..400). Empty
    /// for a profile of RGB, which does not say its inks.
    virtual std::vector<float> inkSums(ImageView linear) const = 0;
    virtual const PrintEnds& ends() const = 0;
};

/// What of a picture takes more ink than a limit.
struct InkPast {
    double most = 0;                  ///< per cent, of the pixel that takes most
    double share = 0;                 ///< of the pixels past the limit
    std::vector<std::uint8_t> marks;  ///< 1 where it is passed
};
InkPast inkPast(const std::vector<float>& sums, double limit);

}  // namespace amber
