#include "core/job/area_work.h"

#include "core/area/area_measures.h"
#include "core/area/faces.h"
#include "core/area/sky.h"
#include "core/area/thing.h"
#include "core/image/read.h"

#include <algorithm>

namespace amber {

Result<Image> groundOf(const Job& job, const Frame& frame, int longEdge)
{
    Image image;
    if (longEdge > 0) {
        auto picture = readReduced(frame.own(), longEdge, false);
        if (!picture)
            return tl::make_unexpected(picture.error());
        image = std::move(picture->image);
    } else {
        auto picture = readPicture(frame.own());
        if (!picture)
            return tl::make_unexpected(picture.error());
        image = std::move(picture->image);
    }
    FrameBalance light = job.frame(frame.id).balance;
    if (const auto layers = InPicture::layers(light); !layers.empty())
        light = FrameBalance(*layers.back()->balance);
    light.optics = {}, light.geometry = {};
    return balancedPicture(std::move(image), light, job.responseOf(light));
}

namespace {

/// Below the sky, less what other roles have there.
Result<Proposal> groundBelow(const Job& job, const Frame& frame, const Image& picture)
{
    constexpr double kOfSky = 0.9;
    Proposal ground = proposeSky(picture.view());
    if (!ground.isOffered()) {
        ground.sureness = 0;
        ground.from = "no horizon: there is no sky above it";
        return ground;
    }
    FoundMask& mask = ground.mask;
    for (int x = 0; x < mask.width; ++x) {
        int horizon = 0;
        const auto at = [&](int y) -> std::uint8_t& {
            return mask.weights[static_cast<std::size_t>(y) * mask.width + static_cast<std::size_t>(x)];
        };
        for (int y = 0; y < mask.height; ++y)
            horizon = at(y) > 0 ? y + 1 : horizon;
        for (int y = 0; y < mask.height; ++y)
            at(y) = y >= horizon ? 255 : 0;
    }
    const MaskGround places(picture.view());
    for (const auto& [role, area] : job.areasOf(frame.id)) {
        if (!area.counts() || area.state == Area::State::NotHere)
            continue;
        const Plane other = places.maskOf(area);
        for (int y = 0; y < mask.height; ++y)
            for (int x = 0; x < mask.width; ++x)
                if (other.row(y * other.height / mask.height)[x * other.width / mask.width] > 0.5f)
                    mask.weights[static_cast<std::size_t>(y) * mask.width + static_cast<std::size_t>(x)] = 0;
    }
    ground.sureness *= kOfSky;
    ground.from = "below the sky, without what other roles have";
    return ground;
}

/// What draws the eye most, away from what other roles have there.
Proposal strongestDistraction(const Job& job, const Frame& frame, const Image& picture)
{
    constexpr double kSure = 0.5, kMore = 0.3, kStrong = 0.02;
    Plane others(picture.width(), picture.height());
    const MaskGround places(picture.view());
    for (const auto& [role, area] : job.areasOf(frame.id))
        if (area.counts() && area.state != Area::State::NotHere) {
            const Plane other = places.maskOf(area);
            std::transform(other.values.begin(), other.values.end(), others.values.begin(), others.values.begin(),
                           [](float a, float b) { return std::max(a, b); });
        }
    Proposal best;
    best.mask = {1, 1, {0}};
    best.from = "nothing small stands out";
    const auto all = distractorsOf(picture.view(), others);
    const ThingPicture ground = all.empty() ? nullptr : thingPictureOf(picture.view());
    if (!ground)
        return best;
    const Distractor& first = all.front();
    const auto offers = proposeThing(ground, Region{first.left, first.top, first.right, first.bottom});
    if (offers.empty())
        return best;
    best.mask = offers.front().mask;
    best.sureness = kSure + kMore * std::min(1.0, first.weight / kStrong);
    best.from = first.lightness > 0 ? "the strongest bright patch away from other roles"
                                    : "the strongest dark or coloured patch away from other roles";
    return best;
}

}  // namespace

Result<Proposal> proposeArea(const Job& job, const Frame& frame, Role::Kind kind)
{
    using Kind = Role::Kind;
    if (kind != Kind::Sky && kind != Kind::Ground && kind != Kind::Skin && kind != Kind::Distraction) {
        Proposal none;
        none.from = "nothing is proposed for this kind unseen: mark it on one frame";
        return none;
    }
    const auto picture = groundOf(job, frame, kProposalEdge);
    if (!picture)
        return tl::make_unexpected(picture.error());
    switch (kind) {
    case Kind::Sky:
        return proposeSky(picture->view());
    case Kind::Skin:
        return proposeFaces(picture->view());
    case Kind::Distraction:
        return strongestDistraction(job, frame, *picture);
    default:
        return groundBelow(job, frame, *picture);
    }
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
