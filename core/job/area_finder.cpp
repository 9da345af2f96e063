#include "core/job/area_finder.h"

#include "core/area/area_mask.h"
#include "core/area/sky.h"
#include "core/base/parallel.h"
#include "core/job/area_work.h"
#include "core/job/edits.h"
#include "core/look/role_kind.h"

#include <algorithm>
#include <atomic>
#include <cmath>
#include <cstdlib>

namespace amber {
namespace {

constexpr int kEdge = 1000;

FoundMask maskOf(ImageView ground, const Area& area)
{
    const Plane plane = MaskGround(ground).maskOf(area);
    FoundMask mask{plane.width, plane.height, {}};
    mask.weights.reserve(plane.values.size());
    for (const float w : plane.values)
        mask.weights.push_back(static_cast<std::uint8_t>(std::lround(255 * w)));
    return mask;
}

/// Where somebody said a role lies, the frames nearest in the shoot to those wanted first.
std::vector<std::size_t> markedFrames(const Job& job, const std::vector<Frame>& frames, const std::string& role)
{
    std::vector<std::size_t> marked;
    for (std::size_t i = 0; i < frames.size(); ++i)
        if (const Area* area = job.areaOf(frames[i].id, role);
            area && area->counts() && area->state != Area::State::NotHere)
            marked.push_back(i);
    return marked;
}

}  // namespace

bool isDecided(const Job& job, FrameId frame, const std::string& role)
{
    const Area* area = job.areaOf(frame, role);
    return area && area->state != Area::State::Proposed;
}

/// Marked things of each role, and where in the shoot.
struct AreaFinder::Seeds {
    std::map<std::string, std::vector<std::pair<std::size_t, MarkedThing>>> byRole;
    /// The few that are nearest in the shoot: they are likely of the same scene.
    std::vector<MarkedThing> near(const std::string& role, std::size_t place) const
    {
        constexpr std::size_t kMost = 4;
        const auto found = byRole.find(role);
        if (found == byRole.end())
            return {};
        auto all = found->second;
        const auto away = [&](const auto& seed) {
            return std::abs(static_cast<long>(seed.first) - static_cast<long>(place));
        };
        std::stable_sort(all.begin(), all.end(), [&](const auto& a, const auto& b) { return away(a) < away(b); });
        std::vector<MarkedThing> nearest;
        for (std::size_t i = 0; i < std::min(kMost, all.size()); ++i)
            nearest.push_back(all[i].second);
        return nearest;
    }
};

Result<AgainPicture> AreaFinder::pictureOf(const Job& job, const Frame& frame)
{
    const auto ground = groundOf(job, frame, kEdge);
    if (!ground)
        return tl::make_unexpected(ground.error());
    Landmarks known;
    {
        const std::lock_guard lock(m_mutex);
        if (const auto found = m_landmarks.find(frame.id);
            found != m_landmarks.end() && found->second.first == frame.path.string())
            known = found->second.second;
    }
    AgainPicture picture = againPictureOf(ground->view(), known);
    const std::lock_guard lock(m_mutex);
    m_landmarks[frame.id] = {frame.path.string(), picture.landmarks};
    return picture;
}

AreaFinder::Seeds AreaFinder::seedsOf(const Job& job, const std::vector<Frame>& frames,
                                      const std::vector<FrameId>& wanted, const std::vector<AreaWish>& wishes,
                                      const CancelToken& cancel)
{
    Seeds seeds;
    std::map<std::size_t, std::vector<std::string>> rolesOf;
    for (const AreaWish& wish : wishes)
        for (const std::size_t i : markedFrames(job, frames, wish.role))
            rolesOf[i].push_back(wish.role);
    const std::vector<std::pair<std::size_t, std::vector<std::string>>> marked(rolesOf.begin(), rolesOf.end());
    std::mutex mutex;
    inParallel(wanted.empty() ? 0 : marked.size(), [&](std::size_t k) {
        const Frame& frame = frames[marked[k].first];
        if (cancel.isCancelled())
            return;
        const auto picture = pictureOf(job, frame);
        const auto ground = groundOf(job, frame, kProposalEdge);
        if (!picture || !ground)
            return;
        for (const std::string& role : marked[k].second) {
            MarkedThing thing{*picture, maskOf(ground->view(), *job.areaOf(frame.id, role))};
            const std::lock_guard lock(mutex);
            seeds.byRole[role].emplace_back(marked[k].first, std::move(thing));
        }
    });
    // In the order of the shoot, whichever was ready first.
    for (auto& [role, things] : seeds.byRole)
        std::stable_sort(things.begin(), things.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    return seeds;
}

/// `picture` is read when it is needed for the first time.
AreaOffers AreaFinder::offersOf(const Job& job, const Frame& frame, const AreaWish& wish,
                                const std::vector<MarkedThing>& marked, std::optional<AgainPicture>& picture)
{
    AreaOffers offers{frame.id, wish.role, {}, {}};
    // What somebody marked elsewhere says more of a face or a distraction than what is found unseen.
    const bool isUnseen = wish.kind == Role::Kind::Sky || wish.kind == Role::Kind::Ground,
               isUnseenLast =
                   wish.kind == Role::Kind::Distraction || (wish.kind == Role::Kind::Skin && meansFaces(wish.role));
    const auto lookUnseen = [&] {
        if (const auto unseen = proposeArea(job, frame, wish.kind); !unseen)
            offers.fault = unseen.error().message();
        else if (unseen->isOffered())
            offers.proposals.insert(offers.proposals.begin(), *unseen);
    };
    if (isUnseen)
        lookUnseen();
    if (offers.fault.empty() && offers.proposals.empty() && !marked.empty()) {
        if (!picture)
            if (auto made = pictureOf(job, frame))
                picture = std::move(*made);
        if (picture)
            offers.proposals = findAgain(marked, *picture);
    }
    if (isUnseenLast && !offers.isOffered())
        lookUnseen();
    return offers;
}

std::vector<AreaOffers> AreaFinder::find(const Job& job, const std::vector<Frame>& frames,
                                         const std::vector<FrameId>& wanted, const std::vector<AreaWish>& wishes,
                                         const Progress& progress, const CancelToken& cancel)
{
    const Seeds seeds = seedsOf(job, frames, wanted, wishes, cancel);
    std::vector<std::vector<AreaOffers>> found(wanted.size());
    std::atomic<int> done = 0;
    inParallel(wanted.size(), [&](std::size_t k) {
        const auto at = std::find_if(frames.begin(), frames.end(), [&](const Frame& f) { return f.id == wanted[k]; });
        const auto place = static_cast<std::size_t>(at - frames.begin());
        std::optional<AgainPicture> picture;
        for (const AreaWish& wish : wishes) {
            if (cancel.isCancelled() || at == frames.end() || isDecided(job, wanted[k], wish.role))
                continue;
            found[k].push_back(offersOf(job, *at, wish, seeds.near(wish.role, place), picture));
        }
        if (progress && !cancel.isCancelled())
            progress(++done, static_cast<int>(wanted.size()));
    });
    std::vector<AreaOffers> all;
    for (auto& offers : found)
        all.insert(all.end(), std::make_move_iterator(offers.begin()), std::make_move_iterator(offers.end()));
    return all;
}

std::vector<FrameId> framesToMark(const Job& job, const std::vector<Frame>& frames, const Look& look)
{
    const std::vector<std::string> roles = rolesInUse(look);
    std::vector<FrameId> open;
    for (const Frame& frame : frames)
        if (std::any_of(roles.begin(), roles.end(), [&](const auto& role) { return !isDecided(job, frame.id, role); }))
            open.push_back(frame.id);
    return open;
}

Job withOffers(Job job, const std::vector<AreaOffers>& offers, double confirmFrom)
{
    std::map<std::string, Area::InBalance> inBalance;
    for (const AreaOffers& o : offers)
        inBalance.try_emplace(o.role, inBalanceOf(job, o.role));
    for (const AreaOffers& o : offers) {
        if (isDecided(job, o.frame, o.role) || !o.fault.empty())
            continue;
        if (!o.isOffered()) {
            job.areas.erase({o.frame, o.role});
            continue;
        }
        Area area = areaOf(o.proposals.front(), o.proposals.front().sureness >= confirmFrom);
        area.inBalance = inBalance[o.role];
        job.areas[{o.frame, o.role}] = std::move(area);
    }
    return job;
}

}  // namespace amber
