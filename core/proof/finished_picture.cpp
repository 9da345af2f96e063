#include "core/proof/finished_picture.h"

#include "core/engine/render_plan.h"
#include "core/image/read.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>

namespace amber {

Result<Image> finishedFrom(Image read, int sourceEdge, double ratio, const ReadFrame& frame, const Look& lookForAll,
                           bool isWithLook)
{
    Image picture = balancedPicture(std::move(read), frame.balance, frame.response);
    if (!isWithLook)
        return picture;
    const auto plan = RenderPlan::compile(lookFor(frame.look ? *frame.look : lookForAll, frame.name));
    if (!plan)
        return tl::make_unexpected(plan.error());
    RenderOptions options{RenderOptions::Stage::All, sourceEdge};
    if (!plan->roles().empty())
        options.masks = masksOf(FrameAreas{frame.areas, frame.balance, ratio}, plan->roles(), picture.view());
    render(*plan, picture.view(), picture.mutableView(), {}, options);
    return picture;
}

Result<Image> finishedPicture(const ReadFrame& frame, const Look& lookForAll, int longEdge, bool isWithLook)
{
    if (!frame.fault.empty())
        return fail(frame.fault, frame.path.string());
    const Region& crop = frame.balance.geometry.crop;
    const double kept = std::clamp(std::min(crop.right - crop.left, crop.bottom - crop.top), 0.25, 1.0);
    auto read = readReduced(frame.path, static_cast<int>(std::lround(longEdge / kept)), true);
    if (!read)
        return tl::make_unexpected(read.error());
    const double ratio = static_cast<double>(read->info.width) / std::max(1, read->info.height);
    const auto picture = finishedFrom(std::move(read->image), std::max(read->info.width, read->info.height), ratio,
                                      frame, lookForAll, isWithLook);
    return picture ? Result<Image>(reducedToFit(picture->view(), longEdge, longEdge)) : picture;
}

}  // namespace amber
