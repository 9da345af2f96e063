// Taking rows of a ladder as they are asked for, the same for the window and the command.
#pragma once

#include "core/base/cancel.h"
#include "core/match/ladder.h"

#include <memory>

namespace amber {

struct RowsAsked {
    Look look;
    OurPictures ours;
    std::shared_ptr<const Image> large;  ///< the first of ours as large as there is; without it no texture is taken
    Fingerprint reference;
    std::set<std::size_t> rows;  ///< of the ladder
    std::string group;
    bool showsTheSame = false;
    /// Only as far as the difference is likely the look's; else all the way.
    bool asIsLikely = false;
    /// When both show the same: the reference at our places, by who is who in ours.
    std::function<Fingerprint(const Membership&)> atOurPlaces = {};
};

/// takeRows or takeLikely, then takeFall for falls across the frame of which our pictures know where they lie
/// (fallRole), then takeTexture for rows of texture. Other rows that are not for steps are left out; fails when nothing
/// else was asked for, and as these do.
Result<Taken> take(const RowsAsked& asked, const CancelToken& cancel = {});

}  // namespace amber
