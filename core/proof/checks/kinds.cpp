#include "core/proof/checks/kinds.h"

namespace amber {

std::span<const CheckKind* const> checkKinds()
{
    static constexpr std::array kAll{&kBarePaper,  &kBlockedBlacks, &kNearClipping,  &kCasts,
                                     &kMixedLight, &kSkin,          &kRunawayChroma, &kTornHues,
                                     &kOffPlan,    &kSeparation,    &kDistractors,   &kContrastPrice,
                                     &kBrightness, &kBanding,       &kHalo,          &kDoubledSharpening,
                                     &kTilt,       &kNoise,         &kFocus,         &kConsistent,
                                     &kSwatch,     &kSamePerson,    &kSameBackdrop};
    return kAll;
}

}  // namespace amber
