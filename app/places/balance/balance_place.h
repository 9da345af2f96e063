// The Balance place: every frame onto the footing of its light's lead, seen before it is taken; and by hand, live, with
// the instruments beside the picture.
#pragma once

#include "app/places/balance/balance_model.h"
#include "app/places/balance/balance_pictures.h"
#include "app/places/balance/base_measures.h"
#include "app/task/task.h"
#include "core/optics/bow.h"

#include <QWidget>
#include <cmath>

class QButtonGroup;
class QComboBox;
class QHBoxLayout;
class QLabel;
class QPushButton;
class QStackedWidget;
class QTableView;
class QToolButton;

namespace amber {

class FrameModel;
class FramingBench;
class Instruments;
class LensBench;
class LightBench;

/// What is set by a measure is kept to two decimals.
inline double hundredth(double v) { return std::round(v * 100) / 100; }

class BalancePlace : public QWidget {
    Q_OBJECT

public:
    BalancePlace(Document& document, ProxyStore& proxies, FrameModel& frames, QWidget* parent = nullptr);

    BalanceModel& model() { return *m_model; }
    QTableView& table() { return *m_table; }
    Task& task() { return *m_task; }
    PictureView& after() { return m_pictures->inHand(); }
    BalancePictures& pictures() { return *m_pictures; }
    LightHand& hand() { return *m_hand; }
    bool isMeasuring() const { return m_measures->isBusy(); }
    enum class Bench { Light, Lens, Framing };
    void showBench(Bench bench);
    /// Solves the lights shown; proposals follow.
    void solve();
    void showProposals(const struct FramesToBalance& asked, const struct ShootBalance& solved);
    void take();
    void undo();
    void redo();
    /// What waits for a pause of the hand.
    void commitPending() { m_hand->commit(); }
    void toggleLook();
    void toggleSplit();
    void toggleClipping();

signals:
    void workRequested();

protected:
    void showEvent(QShowEvent*) override;

private:
    void makeTable();
    void makeButtons();
    QLayout* makeHeader();
    QWidget* makeBenches();
    void layOut();
    void connectDocument();
    void connectHand();
    void connectLight();
    void connectLens();
    void connectFraming();
    void connectMeasures();
    void refresh();
    void refreshGroups();
    void refreshBenches();
    void refreshEstimates();
    void chooseRow();
    FrameId inHand() const { return m_document.selection().frameInHand(); }
    std::vector<FrameId> chosenFrames() const;
    std::vector<FrameId> framesOfLight() const;
    std::vector<FrameId> allFrames() const;
    BaseMeasures::Work workOf(FrameId frame) const;
    std::vector<BaseMeasures::Work> worksOf(const std::vector<FrameId>& frames) const;
    void chooseWhite(WhiteEstimate::By by);
    void setLock(LightPart part, bool on);
    void takeLine(const std::vector<QPointF>& places);
    void takeCrop(const Region& crop);
    void copyTo(const QString& action, const std::function<void(FrameBalance&, const FrameBalance&)>& part);
    void takeUpright(FrameId frame, const Upright& upright);
    void takeLens(FrameId frame, const std::optional<FoundLens>& lens);
    void takeFringes(FrameId frame, const Fringes& found);
    void takeStrengths(const std::map<FrameId, double>& strengths);
    void takeFalloff(const std::vector<FrameId>& frames, const std::optional<MeasuredFalloff>& found);
    LinearRgb pickedColour(FrameId frame) const;
    void endsOfFrame();
    FrameBalance under(FrameId frame) const;
    void probeAt(std::optional<QPointF> place);

    Document& m_document;
    ProxyStore& m_proxies;
    FrameModel& m_frames;
    BalanceModel* m_model;
    Task* m_task;
    QTableView* m_table;
    LightHand* m_hand;
    BalancePictures* m_pictures;
    BaseMeasures* m_measures;
    Instruments* m_instruments;
    LightBench* m_light;
    LensBench* m_lens;
    FramingBench* m_framing;
    QStackedWidget* m_benches;
    QButtonGroup* m_tabs;
    QComboBox* m_groups;
    QPushButton *m_solve, *m_take;
    QToolButton *m_undo, *m_redo, *m_look, *m_split, *m_clips;
    QLabel* m_state;
    std::map<FrameId, std::vector<LinearRgb>> m_picked;
    std::map<FrameId, FoundNeutrals> m_neutrals;
    std::map<FrameId, std::optional<BaseMeasures::CardFound>> m_cards;
    FrameId m_cardAsked = 0;
    std::optional<FrameBalance> whiteBy(WhiteEstimate::By by, const FrameBalance& balance) const;
    void sayCard();
    FrameId m_neutralsAsked = 0;
    std::vector<DrawnLine> m_lines;
    bool m_onlyTilt = false;
};

}  // namespace amber
