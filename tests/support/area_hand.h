// A hand that marks things as a person would: roughly, from what is seen. For tests only.
#pragma once

#include "core/area/area.h"
#include "core/measure/framing.h"

#include <opencv2/core.hpp>

namespace amber::test {

/// The box round what is set.
Region boxOf(const FoundMask& mask);
/// A stroke along the longest way through the widest part of what is set, as thick as half the room there.
Stroke strokeOver(const FoundMask& mask);
/// The place that is farthest from what is not set, as a stroke of one point.
Stroke clickOn(const FoundMask& mask);
/// The largest piece of what is wrong with a mask.
struct Wrong {
    FoundMask where;
    bool isMissing;  ///< else it is too much
};
Wrong worstOf(const FoundMask& found, const FoundMask& truth);

}  // namespace amber::test
