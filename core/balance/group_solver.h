// Where the frames of a group lie against their lead, all at once: a sparse least-squares problem in which what does
// not fit loses its say (losses of Cauchy, and of Geman and McClure), solved by Ceres (S. Agarwal, K. Mierle, The Ceres
// Solver Team).
#pragma once

#include "core/frame/balance.h"

#include <Eigen/Core>
#include <optional>
#include <vector>

namespace amber {

/// log2 gains: of the M cone, near enough luminance; then of L and S against it.
using GainVector = Eigen::Vector3d;
GainVector toGainVector(const Balance& balance);
Balance toBalance(const GainVector& gains);

/// Two frames, and the difference of their gains: from - to.
struct FrameLink {
    std::size_t from, to;
    GainVector difference;
    double deviation;
    double residual;
    int support;
    bool keys;
};

/// What one frame says of itself.
struct FrameHints {
    std::optional<double> stops;              ///< by the camera's settings
    GainVector colours = GainVector::Zero();  ///< by how its colours lie against the lead's: entries 1 and 2
    double likeness = 0;
    double tone = 0;                  ///< by its mean tone
    std::optional<GainVector> start;  ///< known in part, by hand
    bool isFixed = false;             ///< known, and held at `start`
};

struct PlacedFrames {
    std::vector<GainVector> gains;
    std::vector<bool> isLinked;  ///< hangs together with the lead
};
/// `links` join frames; those that no link joins to the lead are placed by whichever of them needs the least change.
PlacedFrames placeFrames(const std::vector<FrameHints>& frames, const std::vector<FrameLink>& links, std::size_t lead);

}  // namespace amber
