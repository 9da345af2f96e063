// What there is to say of the area of a role on a frame, under a look.
#pragma once

#include "core/area/area_measures.h"

#include <map>
#include <string>

namespace amber {

struct AreaReading {
    double share = 0;                        ///< of the frame
    Separation before, after;                ///< from its surroundings, without and with the look
    double halo = 0;                         ///< what the role's steps do along its edge (area_measures.h)
    double leak = 0;                         ///< what they change outside it
    bool overlapsTooMuch = false;            ///< more than the look allows the role
    std::map<std::string, double> overlaps;  ///< with the other roles there: the share of this area that lies in them
};

/// `masks` are those of all roles on the picture, at its size.
AreaReading readArea(const std::string& role, const std::map<std::string, Plane>& masks, const Look& look,
                     ImageView picture);

/// In words, the numbers in hundredths: "12 % of the frame · stands out by lightness +8, chroma -2, hue 40° …".
std::string wordsOf(const AreaReading& reading);

}  // namespace amber
