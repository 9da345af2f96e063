// What is in hand: one frame, its companions, and the frames put aside for a second look. No gestures; kept with the
// job.
#pragma once

#include "core/job/job.h"

#include <QObject>

namespace amber {

class Document;

class Selection : public QObject {
    Q_OBJECT

public:
    explicit Selection(Document& document);

    FrameId frameInHand() const { return m_frameInHand; }
    void setFrameInHand(FrameId id);
    const std::vector<FrameId>& companions() const { return m_companions; }
    static constexpr std::size_t kCompanionLimit = 5;
    /// Adds or removes a companion. False when five are chosen already.
    bool toggleCompanion(FrameId id);
    void setCompanions(const std::vector<FrameId>& chosen);

    static constexpr qint64 kSecondLookSeconds = 20 * 60;
    void putAside();
    std::vector<Aside> aside() const;
    /// Takes the frame and the look of the first one put aside in hand and forgets that it was aside.
    std::optional<Aside> takeSecondLook();

    /// The document's job is another one.
    void reload();

signals:
    void frameChosen();
    void companionsChanged();
    void asideChanged();

private:
    void proposeCompanions();

    Document& m_document;
    FrameId m_frameInHand = 0;
    std::vector<FrameId> m_companions;
};

}  // namespace amber
