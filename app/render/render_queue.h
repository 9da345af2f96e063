// Work for the screen, off the interface thread: one queue with priorities, one pool of threads. Reading, reducing,
// balancing, fitting and rendering for whatever is seen go through it; the kernels inside share the cores by
// themselves.
#pragma once

#include "core/base/cancel.h"

#include <QObject>
#include <QThreadPool>
#include <array>
#include <deque>
#include <functional>
#include <memory>
#include <mutex>
#include <optional>

namespace amber {

class RenderQueue : public QObject {
    Q_OBJECT

public:
    /// What is waited for most comes last here and first in the queue.
    enum class Priority { Thumbnail, Sheet, Companion, InHand };

    explicit RenderQueue(QObject* parent = nullptr);
    /// Waits for what is running; what waits is dropped.
    ~RenderQueue() override;
    /// `work` runs on a thread of the pool, after all that is more urgent. What it throws is said by broke().
    /// `isUrgent`: before the others of its priority.
    void start(Priority priority, std::function<void()> work, bool isUrgent = false);
    void waitForDone();
    /// Nothing waits and nothing runs; what was done may still have to be shown.
    bool isIdle();

signals:
    void broke(const QString& why);

private:
    static constexpr std::size_t kPriorities = 4;
    /// So many of each run at once: what is slow and not waited for never takes all threads.
    static constexpr std::array<int, kPriorities> kAtOnce{1, 1, 2, 3};
    struct Lane {
        std::deque<std::function<void()>> waiting;
        int running = 0;
    };
    void next();
    void run(std::size_t lane, const std::function<void()>& work);

    std::mutex m_mutex;
    std::array<Lane, kPriorities> m_lanes;
    QThreadPool m_pool;
};

/// One thing on screen that is worked for. Of several pieces of work put in for it only the newest is shown; those
/// before are given up.
class RenderSlot : public QObject {
    Q_OBJECT

public:
    RenderSlot(RenderQueue& queue, RenderQueue::Priority priority, QObject* parent);
    ~RenderSlot() override;

    /// `work` runs in the queue and may look at its token; then `show` runs on this thread with what it gave, unless
    /// something newer was put in or it was dropped.
    template <class Work, class Show>
    void run(Work work, Show show)
    {
        using Value = std::invoke_result_t<Work, const CancelToken&>;
        auto value = std::make_shared<std::optional<Value>>();
        begin([work, value](const CancelToken& cancel) { value->emplace(work(cancel)); },
              [show, value] {
                  if (*value)
                      show(std::move(**value));
              });
    }
    /// Gives up what waits or runs.
    void drop();
    bool isBusy() const { return m_busy; }

signals:
    void rested();  ///< the newest piece of work was shown

private:
    struct Link {
        std::mutex mutex;
        RenderSlot* slot = nullptr;
    };
    void begin(std::function<void(const CancelToken&)> work, std::function<void()> show);

    RenderQueue& m_queue;
    RenderQueue::Priority m_priority;
    std::shared_ptr<Link> m_link;  ///< work outlives the slot
    CancelToken m_cancel;
    std::uint64_t m_number = 0;
    bool m_busy = false;
};

}  // namespace amber
