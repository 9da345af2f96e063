// The light of frames in the artist's hand: numbers that are being moved, on one frame or on several, until a pause of
// the hand makes them a gesture.
#pragma once

#include "app/document/document.h"
#include "core/job/edits.h"

#include <QTimer>

namespace amber {

class FrameModel;

class LightHand : public QObject {
    Q_OBJECT

public:
    LightHand(Document& document, FrameModel& frames, QObject* parent);

    /// As the artist sees it: in the hand, else as `under` says (proposed, or kept).
    FrameBalance of(FrameId frame) const;
    void setUnder(std::function<FrameBalance(FrameId)> under) { m_under = std::move(under); }
    AsShot asShotOf(FrameId frame) const;
    /// Frames that change with the one in hand, and how.
    void setChosen(const std::vector<FrameId>& frames) { m_chosen = frames; }
    const std::vector<FrameId>& chosen() const { return m_chosen; }
    void setTogether(Together how) { m_together = how; }

    /// One number of light; kept after a pause.
    void move(FrameId inHand, LightPart part, double value);
    /// A frame's whole balance; kept after a pause.
    void change(FrameId frame, const FrameBalance& balance, const QString& action);
    /// At once, as one gesture.
    void keep(const std::map<FrameId, FrameBalance>& balances, const QString& action);
    /// What waits is kept now.
    void commit();
    void drop();
    bool isHolding() const { return !m_held.empty(); }
    static QString actionOf(LightPart part, std::size_t frames);

signals:
    void changed(FrameId frame);
    void taken(const std::vector<FrameId>& frames);  ///< what was proposed for them is settled

private:
    void hold(const std::map<FrameId, FrameBalance>& balances, const QString& action);

    Document& m_document;
    FrameModel& m_frames;
    std::function<FrameBalance(FrameId)> m_under;
    std::vector<FrameId> m_chosen;
    Together m_together = Together::Set;
    std::map<FrameId, FrameBalance> m_held;
    QString m_action;
    std::optional<LightPart> m_part;  ///< that was moved last
    /// Where the frames stood when the hand began: a shift is from there.
    std::map<FrameId, FrameBalance> m_begun;
    QTimer m_pause;
};

}  // namespace amber
