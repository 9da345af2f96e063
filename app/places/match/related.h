// The frame in hand against what is held: its small picture, the same things seen in both, and their light. What takes
// longer than a moment is found in the background.
#pragma once

#include "app/document/document.h"
#include "app/places/match/held.h"
#include "app/render/proxy_store.h"
#include "app/task/task.h"
#include "core/match/relation.h"

namespace amber {

class FrameModel;

class Related : public QObject {
    Q_OBJECT

public:
    Related(Document& document, ProxyStore& proxies, FrameModel& frames, QObject* parent);

    enum class Followed { Waiting, Known, Begun };
    /// Looks at the frame in hand against `held`. Waiting: its picture is not there yet; known: nothing is new.
    Followed follow(const Held& held);
    /// Something else is held, or the key colours moved: the relation is found anew.
    void forgetRelation();
    /// Areas were drawn or changed: where the roles lie on ours is looked at anew.
    void renewMasks();
    /// Another job.
    void forget();
    /// The picture of this frame is being balanced anew: what is known of the old one does not count.
    void outdate(FrameId frame);

    /// The small picture is that of the frame in hand.
    bool isReady() const;
    bool isRunning() const { return m_task->isRunning(); }
    bool isRenewing() const { return m_smallSlot->isBusy(); }
    Task& task() { return *m_task; }
    const OurPictures& small() const { return m_small; }  ///< ours; empty until it was made
    const std::shared_ptr<const Proxy>& picture() const { return m_proxy; }
    const std::optional<Registration>& registration() const { return m_relation.registration; }
    const std::optional<SolvedBalance>& solved() const { return m_relation.solved; }

signals:
    void changed();
    /// The search has ended; another frame may have been taken meanwhile.
    void settled();

private:
    struct Seen {
        std::shared_ptr<const Proxy> proxy;  ///< keeps what is seen
        SeenFrame frame;
    };
    std::vector<Seen> seenFrames(const Held& held) const;
    void find(const Held& held);
    void makeSmall();

    Document& m_document;
    ProxyStore& m_proxies;
    FrameModel& m_frames;
    Task* m_task;
    RenderSlot* m_smallSlot;
    FrameId m_frame = 0;
    std::shared_ptr<const Proxy> m_proxy, m_outdated;
    OurPictures m_small;
    Relation m_relation;
};

}  // namespace amber
