// Areas of a job's frames: proposed, and laid over their pictures. The window and the command line both come through
// here.
#pragma once

#include "core/area/proposal.h"
#include "core/engine/plane.h"
#include "core/job/job.h"

namespace amber {

/// A frame's picture as areas lie on it: its own light and ends, but neither lens, turn nor crop, so that its places
/// are those of the source. `longEdge` 0: at its own size.
Result<Image> groundOf(const Job& job, const Frame& frame, int longEdge);

/// The pixels that proposals are made from.
inline constexpr int kProposalEdge = 750;
/// What the program offers for a kind of role without any input; for kinds that need one, why there is nothing.
Result<Proposal> proposeArea(const Job& job, const Frame& frame, Role::Kind kind);
/// A proposal as an area, of which somebody (or a limit that somebody set) said that it holds, or nobody yet.
Area areaOf(const Proposal& proposal, bool isConfirmed);

/// The mask of an area at the size of its source (or reduced to `longEdge`).
Result<Plane> maskOfSource(const Job& job, const Frame& frame, const Area& area, int longEdge = 0);

}  // namespace amber
