// A match that was taken on one frame, carried to the other lights of its shoot: the same rows, solved again for each.
#pragma once

#include "core/match/take_asked.h"

namespace amber {

/// Some frames of one light, balanced.
struct LightPictures {
    std::string name;
    OurPictures ours;
};

struct CarriedLight {
    std::string name;
    Look look;  ///< the group's steps as this light needs them
    Ladder asItStands,
        solved;  ///< the light under the look as it is in hand, and under its own; frame and texture apart
    std::vector<std::size_t> rows;  ///< that were solved for it
};

/// Rows that were taken: those for which the group has a step of their kind, and that it brought nearer by more than a
/// tenth of their tolerance.
std::set<std::size_t> rowsTaken(const Look& look, const std::string& group, const Ladder& now, const Ladder& start);

/// `asked` is the frame in hand, its look with the match, and the rows that were taken there; the reference is what all
/// lights are brought to, row by row as far as the frame in hand was: its own numbers under the look take the
/// reference's place. A row that a light has too little of is left out for it; texture stays as it is. Fails as
/// takeRows does. `progress` counts lights.
Result<std::vector<CarriedLight>> carriedToLights(const RowsAsked& asked, const std::vector<LightPictures>& lights,
                                                  const std::function<void(std::size_t)>& progress = {},
                                                  const CancelToken& cancel = {});

}  // namespace amber
