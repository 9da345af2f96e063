// The Balance place: every frame onto the footing of its light's lead, seen before it is taken.
#pragma once

#include "app/places/balance/balance_model.h"
#include "app/render/proxy_store.h"
#include "app/task/task.h"

#include <QWidget>

class QComboBox;
class QLabel;
class QPushButton;
class QTableView;
class QTimer;
class QToolButton;

namespace amber {

class BalanceBench;
class FrameModel;
class PictureView;

class BalancePlace : public QWidget {
    Q_OBJECT

public:
    BalancePlace(Document& document, ProxyStore& proxies, FrameModel& frames, QWidget* parent = nullptr);

    BalanceModel& model() { return *m_model; }
    QTableView& table() { return *m_table; }
    Task& task() { return *m_task; }
    PictureView& after() { return *m_after; }
    /// Solves the lights shown; proposals follow.
    void solve();
    void showProposals(const struct FramesToBalance& asked, const struct ShootBalance& solved);
    void take();
    void undo();
    void redo();
    /// What waits for a pause of the hand.
    void commitPending();

signals:
    void workRequested();

protected:
    void showEvent(QShowEvent*) override;

private:
    void makeButtons();
    void connectDocument();
    void connectParts();
    QLayout* makeHeader();
    void refresh();
    void refreshGroups();
    void showPictures();
    void showPicture(PictureView& view, RenderSlot& slot, const Frame* of, bool balanced, const QString& caption);
    void takeTilt(FrameId frame, const Proxy& proxy, const std::optional<double>& tilt);
    void edited(const FrameBalance& balance, const QString& action);
    void measureTilt();
    void solveEnds();
    void setFrame(const FrameBalance& balance, const QString& action);
    FrameBalance shown(std::int64_t frame) const;
    std::int64_t leadOf(std::int64_t frame) const;

    Document& m_document;
    ProxyStore& m_proxies;
    FrameModel& m_frames;
    BalanceModel* m_model;
    Task* m_task;
    QTableView* m_table;
    PictureView *m_after, *m_before, *m_lead;
    BalanceBench* m_bench;
    QComboBox* m_groups;
    QPushButton *m_solve, *m_take;
    QToolButton *m_undo, *m_redo;
    QLabel* m_state;
    QTimer* m_pause;
    RenderSlot *m_afterSlot, *m_beforeSlot, *m_leadSlot, *m_measuring;
    std::int64_t m_pendingFrame = 0;
    FrameBalance m_pending;
    QString m_pendingAction;
    std::uint64_t m_number = 0;
};

}  // namespace amber
