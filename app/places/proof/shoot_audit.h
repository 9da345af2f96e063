// The checks of the open shoot, made in the background and made again where something has changed; cures for what they
// find, tried and taken; what is let stand.
#pragma once

#include "app/document/document.h"
#include "app/render/render_queue.h"
#include "app/task/task.h"
#include "core/proof/shoot_checker.h"

#include <mutex>

class QTimer;

namespace amber {

class ShootAudit : public QObject {
    Q_OBJECT

public:
    ShootAudit(Document& document, RenderQueue& queue, QObject* parent);
    ~ShootAudit() override;

    Task& task() { return *m_task; }
    /// Checks all frames; of those that were checked before only what has changed.
    void check();
    /// What has changed is checked again by itself a moment later, while somebody sees it.
    void setShown(bool on);
    bool isChecked() const { return !m_shoot.frames.empty(); }
    /// Something has changed since the frames were checked.
    bool isStale() const { return m_isStale; }
    const CheckedShoot& shoot() const { return m_shoot; }

    const CheckUse& use() const;
    void chooseUse(const std::string& name);
    /// The checker and what it knows, for whoever measures with it on another thread; used by one thread at a time.
    struct Shared {
        std::mutex mutex;
        ShootChecker checker;
    };
    std::shared_ptr<Shared> borrow() const { return m_shared; }
    /// What is past its limit for the use, the worst first; open ones before those that were let stand.
    const std::vector<Finding>& findings() const { return m_findings; }
    const Acceptance* acceptanceOf(const Finding& finding) const;
    int openCount() const { return m_open; }

    /// A cure for a finding, tried in the background; null while it is being tried. cureTried() follows.
    const CureTried* cureOf(const Finding& finding);
    bool isTrying() const { return m_trying->isBusy(); }
    void take(const Finding& finding, const Cure& cure);
    void accept(const Finding& finding, const QString& reason);
    /// It is let stand no more.
    void reopen(const Finding& finding);

signals:
    void changed();    ///< other findings, another use, or how they stand
    void cureTried();  ///< of the finding that was asked for last

private:
    void follow();
    void soil();
    /// Also those that are being tried: they were for what is no more.
    void forgetCures();
    void tell();
    std::vector<ReadFrame> framesNow() const;
    Look lookForAll() const;
    /// What a finding is of and what it measures, as text.
    std::string nameOf(const Finding& finding) const;

    Document& m_document;
    Task* m_task;
    RenderSlot* m_trying;
    QTimer* m_again;
    std::shared_ptr<Shared> m_shared;
    CheckedShoot m_shoot;
    std::vector<ReadFrame> m_frames;  ///< that were checked
    std::vector<KeyColour> m_keys;
    Look m_look;
    std::vector<Finding> m_findings;
    std::map<std::string, CureTried> m_cures;
    std::string m_tried;  ///< the finding for which a cure is being tried
    int m_open = 0;
    bool m_isStale = false, m_isShown = false, m_isLeft = false;
};

}  // namespace amber
