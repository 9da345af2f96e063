// Parts of looks: single steps, groups, taken out of one look and put into another.
#pragma once

#include "core/look/look.h"

namespace amber {

/// Steps `first` to `last` as a look of their own, with the roles they are bound to; named by their group, else by
/// their kinds. What single pictures hold is left behind.
Look partOf(const Look& look, std::size_t first, std::size_t last);

/// A part that has arrived in a look, and what of it does not fit there by itself.
struct ArrivedPart {
    Look look;
    std::size_t first = 0, count = 0;      ///< where its steps are now
    std::vector<std::string> newRoles;     ///< that the look did not have: frames must be marked for them
    std::vector<std::string> unknownSets;  ///< sets that hold values of it and that the job does not have
};
/// `part`'s steps put before step `at`. Fails when the look would have more steps or roles than it may.
Result<ArrivedPart> withPart(const Look& look, const Look& part, std::size_t at,
                             const std::vector<std::string>& knownSets);

/// These steps under one group name; an empty name parts the group.
Look grouped(Look look, std::size_t first, std::size_t last, const std::string& name);

}  // namespace amber
