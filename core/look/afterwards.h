// What of a look had to be changed afterwards on the pictures of a batch: where pictures, or sets of them, hold other
// values than the one that travels. What many had to change is a fault of the look.
#pragma once

#include "core/look/scope.h"

namespace amber {

/// One value within a part of a step, and how it stands on the pictures.
struct ChangedAfterwards {
    std::size_t step = 0;
    std::string part;          ///< as scope.h names it: "families/Clay"
    std::string pointer;       ///< of the value within the part, as a JSON pointer: "/turn"; empty: the part itself
    std::size_t pictures = 0;  ///< on which it is another one
    Json travels, usual;  ///< what travels; what these pictures have: of numbers the median, else the most frequent
    bool operator==(const ChangedAfterwards&) const = default;
};

/// Those on most pictures first; of equal ones in the order of the look.
std::vector<ChangedAfterwards> changedAfterwards(const Look& look, const std::vector<PictureName>& pictures);
/// On how many of these pictures a step is not as it travels.
std::size_t picturesThatDiffer(const Step& step, const std::vector<PictureName>& pictures);
/// What was usual travels from now on; holders that held just that hold it no longer.
Look improved(Look look, const ChangedAfterwards& change);

}  // namespace amber
