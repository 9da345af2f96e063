// Light that falls across the frame, from top to bottom or from left to right, as a step of a look: a curve for a role
// that lies over the upper or the left part of each frame.
#pragma once

#include "core/area/area.h"
#include "core/match/ladder.h"
#include "core/measure/framing.h"

namespace amber {

/// Top to bottom, or left to right.
bool isAcross(Rung rung);
/// The role of that step.
Role fallRole(Rung rung);
/// Where it lies on a frame that shows this part of its source: full at the top (left), nothing at the bottom (right).
Area fallArea(Rung rung, const Region& shown);

/// Brings the fall of our pictures to `wanted` (L*): the height of the group's curve for the role, by halving. Step and
/// role are made when they are missing, the step before the group's others. As near as lifting or lowering middle tones
/// by 0.3 brings it. Fails when the look has no room, and where the role lies nowhere on our pictures.
Result<Look> takeFall(const Look& look, const OurPictures& ours, Rung rung, double wanted, const std::string& group);

}  // namespace amber
