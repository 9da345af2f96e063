// Where a step that is meant for one thing works besides it.
#pragma once

#include "core/image/image.h"
#include "core/look/look.h"

namespace amber {

struct Leak {
    double touched = 0;  ///< share of the picture that the step changes
    double apart = 0;    ///< of this, the share that does not hang together with the largest patch of it
};
/// A pixel is touched when the step moves it by more than kTouched in OKLab; patches hang together over edges and
/// corners. Roles are left out of account: what a mask holds back cannot leak.
inline constexpr double kTouched = 0.004;
Leak leakOf(const Step& step, ImageView entering);

}  // namespace amber
