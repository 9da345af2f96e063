// What in a look is bound to one subject though it is marked as travelling.
#pragma once

#include "core/look/look.h"

namespace amber {

struct SubjectBound {
    std::size_t step = 0;
    enum class What { MovedFamily, NarrowGuard, ShelteredHue } what = What::MovedFamily;
    std::string name;  ///< of the family
    double hueDegrees = 0;
};
/// A family that was moved, added or renamed and that does something; a guard round less than 120 degrees of hue; a
/// sheltered hue away from where skin lies. Steps that are off and parameters kept per picture are passed over.
std::vector<SubjectBound> subjectBound(const Look& look);

}  // namespace amber
