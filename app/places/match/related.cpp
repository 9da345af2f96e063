#include "app/places/match/related.h"

#include "app/document/frame_model.h"
#include "core/frame/frame_masks.h"
#include "core/job/shoot_work.h"

namespace amber {

Related::Related(Document& document, ProxyStore& proxies, FrameModel& frames, QObject* parent)
    : QObject(parent), m_document(document), m_proxies(proxies), m_frames(frames), m_task(new Task(this)),
      m_smallSlot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this))
{
}

Related::Followed Related::follow(const Held& held)
{
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    const auto proxy = frame ? m_proxies.proxy(frame->id, frame->path) : nullptr;
    if (!proxy || proxy == m_outdated)
        return Followed::Waiting;
    m_outdated.reset();
    if (m_frame == frame->id && m_proxy == proxy)
        return Followed::Known;
    m_frame = frame->id, m_proxy = proxy;
    m_relation = {};
    m_small = {};
    makeSmall();
    if (held.kind != Held::Kind::Nothing && !held.isFit() && held.frame != frame->id)
        find(held);
    return Followed::Begun;
}

void Related::makeSmall()
{
    m_smallSlot->run(
        [proxy = m_proxy, areas = m_document.areasOf(m_frame, m_proxy->sourceRatio)](const CancelToken&) {
            std::vector<std::string> roles;
            if (areas)
                for (const auto& [role, area] : areas->byRole)
                    roles.push_back(role);
            OurPictures ours;
            ours.small.push_back(forMatching(proxy->image.view()));
            ours.masks.push_back(areas ? masksOf(*areas, roles, proxy->image.view()) : nullptr);
            return ours;
        },
        [this](OurPictures ours) {
            m_small = std::move(ours);
            emit changed();
        });
}

void Related::renewMasks()
{
    if (m_proxy && m_frame != 0)
        makeSmall();
}

void Related::forgetRelation() { m_frame = 0, m_relation = {}; }

void Related::forget()
{
    m_task->cancel();
    m_proxy.reset(), m_outdated.reset();
    m_small = {};
    forgetRelation();
}

void Related::outdate(FrameId frame)
{
    if (frame == m_frame)
        m_outdated = m_proxy;
}

bool Related::isReady() const
{
    return !m_small.small.empty() && !m_outdated && m_frame == m_document.selection().frameInHand();
}

/// What there is to see of the held frame and ours, in this order; none when something is not there yet.
std::vector<Related::Seen> Related::seenFrames(const Held& held) const
{
    std::vector<Seen> both;
    if (held.kind != Held::Kind::Frame)
        return both;
    for (const FrameId id : {held.frame, m_frame}) {
        const Frame* frame = m_document.frame(id);
        const auto untouched = frame ? m_proxies.untouched(id, frame->path) : nullptr;
        const FrameFacts* facts = m_frames.factsOf(id);
        if (!untouched || !facts)
            return {};
        SeenFrame seen{shootFrameOf(m_document.job(), *frame, -1), untouched->image.view(), facts->capture, {}};
        // Only how the two lie as they came is asked: what was locked of them plays no part.
        FrameBalance& current = seen.frame.current;
        current.response = m_document.job().responseNameOf(current, untouched->info.isRaw(), facts->capture.camera);
        current.exposureLocked = current.whiteLocked = false;
        current.keyStops = 0;
        seen.response = m_document.job().responseOf(current);
        both.push_back({untouched, std::move(seen)});
    }
    return both;
}

void Related::find(const Held& held)
{
    auto relation = std::make_shared<Relation>();
    const auto work = [relation, proxy = m_proxy, features = held.features,
                       seen = seenFrames(held)](const Task::Progress&, const CancelToken& cancel) {
        std::vector<SeenFrame> both;
        for (const Seen& one : seen)
            both.push_back(one.frame);
        *relation = relationOf(proxy->image.view(), features, both, cancel);
    };
    m_task->start(work, [this, relation, frame = m_frame, proxy = m_proxy](bool cancelled) {
        if (!cancelled && frame == m_frame && proxy == m_proxy)
            m_relation = std::move(*relation);
        emit changed();
        emit settled();
    });
}

}  // namespace amber
