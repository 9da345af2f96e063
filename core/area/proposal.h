// What the program offers as an area: a mask, how sure it is of it, and on what it rests.
#pragma once

#include "core/area/area.h"

namespace amber {

struct Proposal {
    FoundMask mask;
    double sureness = 0;  ///< 0..1; below kProposeFrom it is not offered
    std::string from;     ///< in words; or why there is nothing
    bool isOffered() const { return sureness >= kProposeFrom; }
    static constexpr double kProposeFrom = 0.5;
};

}  // namespace amber
