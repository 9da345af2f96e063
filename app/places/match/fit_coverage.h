// How far a fitted look can be trusted on each frame of the job: a strip of tiles with state, number and words.
#pragma once

#include "app/document/document.h"
#include "app/render/render_queue.h"
#include "core/match/certainty.h"
#include "core/match/pair_fit.h"

#include <QAbstractListModel>
#include <QListView>
#include <QPixmap>
#include <QStyledItemDelegate>
#include <map>
#include <memory>

namespace amber {

class FrameModel;

/// What is known of a fit on one frame.
struct FrameCertainty {
    double covered = 0;  ///< share of its colours that were seen
    ForetoldError error;
    enum class State { Covered, InPart, Guess };
    State state() const;
    QString words() const;
};

class CoverageModel : public QAbstractListModel {
    Q_OBJECT

public:
    CoverageModel(Document& document, FrameModel& frames, RenderQueue& queue, QObject* parent);
    /// Works through the frames, one after another; what is known of the same fit is kept.
    void show(const std::shared_ptr<const PairFit>& fit);
    const FrameCertainty* of(int row) const;
    QPixmap picture(int row) const;
    FrameId frameAt(int row) const;
    bool isInHand(int row) const;
    bool isAtRest() const { return !m_slot->isBusy(); }
    bool isAllTold() const { return isAtRest() && static_cast<int>(m_known.size()) >= rowCount(); }

    int rowCount(const QModelIndex& = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;

signals:
    void told();

private:
    void next();
    Image seen(const Frame& frame) const;
    Document& m_document;
    FrameModel& m_frames;
    RenderSlot* m_slot;
    std::shared_ptr<const PairFit> m_fit;
    std::map<FrameId, FrameCertainty> m_known;
};

class CoverageDelegate : public QStyledItemDelegate {
    Q_OBJECT

public:
    explicit CoverageDelegate(CoverageModel& model, QObject* parent) : QStyledItemDelegate(parent), m_model(model) {}
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {kWide, kHigh}; }
    static constexpr int kWide = 124, kHigh = 112;

private:
    CoverageModel& m_model;
};

/// The strip: a frame chosen here is taken in hand.
class FitCoverage : public QWidget {
    Q_OBJECT

public:
    FitCoverage(Document& document, FrameModel& frames, RenderQueue& queue, QWidget* parent);
    void show(const std::shared_ptr<const PairFit>& fit) { m_model->show(fit); }
    CoverageModel& model() { return *m_model; }

private:
    CoverageModel* m_model;
};

}  // namespace amber
