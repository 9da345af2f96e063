#include "core/job/area_work.h"

#include "core/area/area_mask.h"
#include "core/area/sky.h"
#include "core/image/read.h"

namespace amber {

Result<Image> groundOf(const Job& job, const Frame& frame, int longEdge)
{
    Image image;
    if (longEdge > 0) {
        auto picture = readReduced(frame.path, longEdge, false);
        if (!picture)
            return tl::make_unexpected(picture.error());
        image = std::move(picture->image);
    } else {
        auto picture = readPicture(frame.path);
        if (!picture)
            return tl::make_unexpected(picture.error());
        image = std::move(picture->image);
    }
    FrameBalance light = job.frame(frame.id).balance;
    light.optics = {}, light.geometry = {};
    return balancedPicture(std::move(image), light, job.responseOf(light));
}

Result<Proposal> proposeArea(const Job& job, const Frame& frame, Role::Kind kind)
{
    if (kind != Role::Kind::Sky) {
        Proposal none;
        none.from = "nothing is proposed for this kind unseen: mark it on one frame";
        return none;
    }
    const auto ground = groundOf(job, frame, kProposalEdge);
    if (!ground)
        return tl::make_unexpected(ground.error());
    return proposeSky(ground->view());
}

Area areaOf(const Proposal& proposal, bool isConfirmed)
{
    Area area;
    area.state = isConfirmed ? Area::State::Confirmed : Area::State::Proposed;
    area.parts.push_back({AreaPart::Join::Add, foundOf(proposal.mask, proposal.from, proposal.sureness), false, 1});
    return area;
}

Result<Plane> maskOfSource(const Job& job, const Frame& frame, const Area& area, int longEdge)
{
    const auto ground = groundOf(job, frame, longEdge);
    if (!ground)
        return tl::make_unexpected(ground.error());
    return MaskGround(ground->view()).maskOf(area);
}

}  // namespace amber
