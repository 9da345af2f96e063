// Where the roles of a look lie on the finished picture of a frame.
#pragma once

#include "core/area/area.h"
#include "core/engine/render_plan.h"
#include "core/frame/frame_balance.h"

#include <map>

namespace amber {

/// What a frame's masks come of, beside its pixels.
struct FrameAreas {
    std::map<std::string, Area> byRole;
    FrameBalance balance;    ///< by which the finished picture lies in its source
    double sourceRatio = 1;  ///< width / height of the source
    bool operator==(const FrameAreas&) const = default;
};

/// The masks of these roles on the finished picture (balanced, turned, cut), which is reduced to kMaskLongEdge when it
/// is larger. A role without an area that counts has none. Null when there are none at all.
std::shared_ptr<const RoleMasks> masksOf(const FrameAreas& areas, const std::vector<std::string>& roles,
                                         ImageView finished);

/// The masks that a plan needs on a finished picture; `areas` may be null.
std::shared_ptr<const RoleMasks> masksOf(const std::shared_ptr<const FrameAreas>& areas, const RenderPlan& plan,
                                         ImageView finished);

}  // namespace amber
