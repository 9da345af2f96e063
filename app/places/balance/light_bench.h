// The light of the frame in hand: exposure, white, ends on bars; the whites that evidence proposes as tiles; the ends
// for a use; and whether the chosen frames change alike or together.
#pragma once

#include "app/places/balance/bench_rows.h"
#include "core/balance/white_estimates.h"
#include "core/measure/clip_map.h"

#include <QWidget>
#include <array>
#include <map>

class QHBoxLayout;
class QPushButton;
class QComboBox;

namespace amber {

class LightBench : public QWidget {
    Q_OBJECT

public:
    explicit LightBench(QWidget* parent = nullptr);
    void show(const FrameBalance& balance, const AsShot& asShot, std::size_t chosen);
    /// What each evidence says of the white; nothing: it says nothing.
    void setEstimates(const std::map<WhiteEstimate::By, WhiteEstimate>& estimates, const AsShot& asShot);
    void setPicking(bool on);
    void sayCard(const QString& words);
    /// What of the bright pixels the file still holds.
    void sayHeadroom(const Headroom& headroom, bool isRaw);
    bool shiftsTogether() const;

signals:
    void moved(LightPart part, double value);
    void lockWanted(LightPart part, bool on);
    void whiteChosen(WhiteEstimate::By by);
    void pickingWanted(bool on);
    void endsWanted();         ///< of this frame
    void endsForUse(int use);  ///< of the whole light, by its place in endsUses()
    void togetherChanged();

private:
    void makeRows(QHBoxLayout* to);
    void makeEnds(QHBoxLayout* to);
    void makeWhites(QHBoxLayout* to);

    std::map<LightPart, NumberRow> m_rows;
    QCheckBox *m_lockExposure, *m_lockWhite, *m_lockEnds;
    std::map<WhiteEstimate::By, QPushButton*> m_tiles;
    QPushButton* m_pick;
    QLabel *m_shot, *m_card, *m_headroom;
    QComboBox* m_together;
};

}  // namespace amber
