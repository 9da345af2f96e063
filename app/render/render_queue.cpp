#include "app/render/render_queue.h"

#include "app/task/post.h"
#include "core/base/log.h"

#include <algorithm>
#include <numeric>

namespace amber {

RenderQueue::RenderQueue(QObject* parent) : QObject(parent)
{
    m_pool.setMaxThreadCount(std::accumulate(kAtOnce.begin(), kAtOnce.end(), 0));
}

RenderQueue::~RenderQueue()
{
    {
        const std::lock_guard lock(m_mutex);
        for (Lane& lane : m_lanes)
            lane.waiting.clear();
    }
    waitForDone();
}

void RenderQueue::start(Priority priority, std::function<void()> work, bool isUrgent)
{
    {
        const std::lock_guard lock(m_mutex);
        auto& waiting = m_lanes[static_cast<std::size_t>(priority)].waiting;
        if (isUrgent)
            waiting.push_front(std::move(work));
        else
            waiting.push_back(std::move(work));
    }
    next();
}

void RenderQueue::next()
{
    const std::lock_guard lock(m_mutex);
    for (std::size_t i = kPriorities; i-- > 0;)
        for (Lane& lane = m_lanes[i]; lane.running < kAtOnce[i] && !lane.waiting.empty(); ++lane.running) {
            std::function<void()> taken = [this, i, work = std::move(lane.waiting.front())] {
                takeOver(Carrier::Pool);
                run(i, work);
            };
            lane.waiting.pop_front();
            // Whole before it is handed over, and moved, not copied: nothing of it is written afterwards.
            handOver(Carrier::Pool);
            m_pool.start(std::move(taken), static_cast<int>(i));
        }
}

void RenderQueue::run(std::size_t lane, const std::function<void()>& work)
{
    try {
        work();
    } catch (const std::bad_alloc&) {
        logWarning("not enough memory for work for the screen");
        handOver(Carrier::Events);
        emit broke(tr("There is not enough memory to show this picture."));
    } catch (const std::exception& error) {
        logWarning(std::string("work for the screen broke: ") + error.what());
        handOver(Carrier::Events);
        emit broke(tr("This picture cannot be shown: %1").arg(QString::fromUtf8(error.what())));
    }
    {
        const std::lock_guard lock(m_mutex);
        --m_lanes[lane].running;
    }
    next();
    handOver(Carrier::Pool);
}

bool RenderQueue::isIdle()
{
    const std::lock_guard lock(m_mutex);
    return std::all_of(m_lanes.begin(), m_lanes.end(),
                       [](const Lane& lane) { return lane.running == 0 && lane.waiting.empty(); });
}

void RenderQueue::waitForDone()
{
    m_pool.waitForDone();
    takeOver(Carrier::Pool);
}

RenderSlot::RenderSlot(RenderQueue& queue, RenderQueue::Priority priority, QObject* parent)
    : QObject(parent), m_queue(queue), m_priority(priority), m_link(std::make_shared<Link>())
{
    m_link->slot = this;
}

RenderSlot::~RenderSlot()
{
    m_cancel.cancel();
    const std::lock_guard lock(m_link->mutex);
    m_link->slot = nullptr;
}

void RenderSlot::drop()
{
    m_cancel.cancel();
    ++m_number;
    m_busy = false;
}

void RenderSlot::begin(std::function<void(const CancelToken&)> work, std::function<void()> show)
{
    drop();
    m_cancel = CancelToken();
    m_busy = true;
    const auto tell = [link = m_link, number = m_number, show = std::move(show)] {
        const std::lock_guard lock(link->mutex);
        if (link->slot)
            post(link->slot, [slot = link->slot, number, show] {
                if (number != slot->m_number)
                    return;
                slot->m_busy = false;
                show();
                if (!slot->m_busy)
                    emit slot->rested();
            });
    };
    m_queue.start(m_priority, [tell, cancel = m_cancel, work = std::move(work)] {
        // Told also when it broke, so that nobody waits for it.
        struct AtEnd {
            const std::function<void()> tell;
            ~AtEnd() { tell(); }
        } atEnd{tell};
        if (!cancel.isCancelled())
            work(cancel);
    });
}

}  // namespace amber
