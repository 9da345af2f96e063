#include "core/frame/frame_masks.h"

#include "core/area/area_mask.h"
#include "core/image/resize.h"

#include <cmath>

namespace amber {

std::shared_ptr<const RoleMasks> masksOf(const FrameAreas& areas, const std::vector<std::string>& roles,
                                         ImageView finished)
{
    std::vector<std::pair<std::string, const Area*>> wanted;
    for (const std::string& role : roles)
        if (const auto found = areas.byRole.find(role); found != areas.byRole.end() && found->second.counts())
            wanted.emplace_back(role, &found->second);
    if (wanted.empty() || finished.width < 1 || finished.height < 1)
        return nullptr;
    Image small;
    if (const Size size = fitted({finished.width, finished.height}, kMaskLongEdge);
        size.width != finished.width || size.height != finished.height) {
        small = reduceByArea(finished, size.width, size.height);
        finished = small.view();
    }
    constexpr int kHeight = 20000;  // any size serves: places are fractions
    const Placement placement =
        areas.balance.placement(static_cast<int>(std::lround(kHeight * areas.sourceRatio)), kHeight);
    // Areas lie in the frame's own picture, whatever stands for it.
    std::vector<std::pair<const InPicture*, Placement>> before;
    for (const InPicture* in : InPicture::layers(areas.balance))
        before.emplace_back(in, in->placement());
    const double ownRatio = before.empty() ? areas.sourceRatio : before.back().first->sourceRatio;
    const MaskGround ground(finished, ownRatio, [&](Spot place) {
        Spot spot = placement.sourceOf(place);
        for (const auto& [in, to] : before)
            spot = to.sourceOf(in->whole(spot));
        return spot;
    });
    auto masks = std::make_shared<RoleMasks>();
    for (const auto& [role, area] : wanted)
        masks->set(role, ground.maskOf(*area));
    return masks;
}

std::shared_ptr<const RoleMasks> masksOf(const std::shared_ptr<const FrameAreas>& areas, const RenderPlan& plan,
                                         ImageView finished)
{
    return areas ? masksOf(*areas, plan.roles(), finished) : nullptr;
}

}  // namespace amber
