// Beside the ladder: what is held, how far it may be trusted and why, how far ours lies from it, and the buttons that
// take.
#pragma once

#include "app/places/match/held.h"

#include <QWidget>

class QCheckBox;
class QLabel;
class QPushButton;
class QStackedWidget;

namespace amber {

class MatchPanel : public QWidget {
    Q_OBJECT

public:
    explicit MatchPanel(QWidget* parent = nullptr);

    void showNothing();
    /// `anyAtOnce`: some rows are sure enough to be taken together.
    void showLadder(const Fingerprint& reference, const Ladder& now, const Ladder& start, bool anyAtOnce);
    /// `covered`: how much of the frame in hand's colours the pair has seen.
    void showFit(const Held& held, std::optional<double> covered);
    /// Of a frame of the job: the light that would bring the frame in hand to it, `now` being what it has.
    void showLight(const SolvedBalance& solved, const Balance& now, const Balance& wanted);
    void hideLight();
    void setTakeable(bool row, bool toHere, bool all, bool fit);
    /// `lights`: a match was taken and the shoot has other lights; `looks`: there are looks to compare.
    void setFurther(bool lights, bool looks);
    void setWithTable(bool on);

signals:
    void takeThis();
    void takeToHere();
    void takeAll();
    void lightsWanted();
    void nearestWanted();
    void pairWanted();
    void takeLight();
    void takeFit(bool asNew);
    void tableWanted(bool on);

private:
    QLabel* label(const char* name, bool strong, bool quiet);
    void makeButtons();
    void stackButtons();
    static QString sureWords(const Confidence& c, bool anyAtOnce);
    QLabel *m_title, *m_facts, *m_sure, *m_score, *m_lightWords;
    QPushButton *m_takeLight, *m_takeThis, *m_takeTo, *m_takeAll, *m_takeNew, *m_takeHere, *m_addPair, *m_toLights,
        *m_nearest;
    QCheckBox* m_withTable;
    QStackedWidget* m_buttons;
};

}  // namespace amber
