// A reference that shows the same things as ours, also from another side: what became of their colours decides, as in a
// fit to a pair, and the rows only report.
#pragma once

#include "core/balance/registration.h"
#include "core/match/fit_look.h"
#include "core/match/ladder.h"

namespace amber {

/// One of our pictures, untouched, and where the reference shows its things.
struct SameThings {
    ImageView ours, reference;
    Registration registration;                    ///< from ours to the reference
    std::shared_ptr<const RoleMasks> masks = {};  ///< of ours
};

/// The reference's fingerprint with tones, casts and families of those of its pixels that lie where ours do, each
/// belonging to what our pixel there belongs to: then every row compares the same things. `small` is one picture of
/// ours; with less than half of it covered the fingerprint stays as it is.
Fingerprint printAtOurPlaces(const Fingerprint& print, const SameThings& things, const Image& small,
                             const Membership& members);

struct TakenScene {
    Taken taken;
    int colours = 0;                    ///< small cells of colour seen in both
    DifferenceSummary untouched, left;  ///< of these, before the match and after it
};

/// The steps of the group are fitted anew (fitLook) to the colours seen in both, ours under the look without them, and
/// put at its end, before output sharpening and grain. `small` are our pictures for the ladder. Fails as fitLook does.
Result<TakenScene> takeScene(const Look& look, const std::vector<SameThings>& things, const OurPictures& small,
                             const Fingerprint& reference, const std::string& group, const CancelToken& cancel = {});

}  // namespace amber
