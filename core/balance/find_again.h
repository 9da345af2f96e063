// A key colour that was marked on one frame, found again on another.
#pragma once

#include "core/balance/registration.h"
#include "core/measure/key_colour.h"

#include <optional>

namespace amber {

struct FoundPlace {
    Region place;
    LinearRgb colour;
    double confidence = 0;     ///< 0 to 1; under kDoubtful it should be looked at
    bool bySameThing = false;  ///< the place was carried over by features; else found by its colour
};
inline constexpr double kDoubtful = 0.5;

/// Both pictures on one footing (balanced), linear light. Where the frames show one view the place is carried over and
/// its colour compared; else the patch of the same size whose colour and evenness lie nearest (OKLab, lightness counted
/// by half: things stand in other light) is taken. Nothing when no patch is near, or the place lies outside the
/// picture.
std::optional<FoundPlace> findAgain(const KeyColour& key, ImageView marked, ImageView other,
                                    const std::optional<Registration>& registration);

}  // namespace amber
