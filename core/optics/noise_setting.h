// How much noise is taken off the frames of a set, by sensitivity.
#pragma once

#include <vector>

namespace amber {

/// What was set by hand on a frame of this sensitivity (ISO; 0: not known).
struct NoiseSetting {
    double sensitivity = 0, strength = 0;
};
/// What settings ask for at another sensitivity: by a straight line over stops between the nearest two, level beyond
/// the ends; the mean of those of one sensitivity. One alone falls to nothing at ISO 100. Sensitivities that are not
/// known tell nothing and get nothing.
double strengthAt(const std::vector<NoiseSetting>& settings, double sensitivity);

}  // namespace amber
