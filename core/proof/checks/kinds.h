// Registration: every kind of check once. The order is that of the table.
#pragma once

#include "core/proof/check.h"

namespace amber {

extern const CheckKind kBarePaper, kBlockedBlacks, kNearClipping, kCasts, kMixedLight, kRunawayChroma, kSkin, kTornHues,
    kOffPlan, kSeparation, kDistractors, kContrastPrice, kBrightness, kBanding, kHalo, kDoubledSharpening, kTilt,
    kNoise, kFocus, kConsistent, kSwatch, kSamePerson, kSameBackdrop;

}  // namespace amber
