// Which of several looks comes nearest to a reference.
#pragma once

#include "core/match/ladder.h"

#include <optional>

namespace amber {

struct NearLook {
    std::size_t look = 0;  ///< index
    double leaves = 0;     ///< how far the reference and our picture under the look lie apart (Ladder::distance)
    std::optional<double>
        own;  ///< how far the reference the look was matched to lies from this one, where it keeps one
};

/// Nearest first. `ours` is before any look; `reference` at our places when both show the same.
std::vector<NearLook> nearestLooks(const std::vector<Look>& looks, const OurPictures& ours,
                                   const Fingerprint& reference, bool showsTheSame);

}  // namespace amber
