// The Proof place: whether the shoot holds together. Frames by key colours, what stands out, why, and one cure for it.
#pragma once

#include "app/places/proof/consistency_model.h"
#include "app/render/proxy_store.h"
#include "app/task/task.h"
#include "core/proof/readings.h"

#include <QWidget>

class QLabel;
class QListWidget;
class QPushButton;
class QTableView;

namespace amber {

class PictureView;

class ProofPlace : public QWidget {
    Q_OBJECT

public:
    ProofPlace(Document& document, ProxyStore& proxies, std::function<QPixmap(std::int64_t)> thumbnail,
               QWidget* parent = nullptr);

    ConsistencyModel& model() { return *m_model; }
    QTableView& table() { return *m_table; }
    Task& task() { return *m_task; }
    void measure();
    /// Writes the table as CSV.
    Status saveTable(const QString& path) const;

signals:
    /// The artist should mark key colours first.
    void markingWanted();

protected:
    void showEvent(QShowEvent*) override;

private:
    void connectParts();
    class Patches;
    QLayout* makeHeader();
    QWidget* makeCellPanel();
    void refresh();
    void showCell();
    void confirmPlace();
    void correctPlace(const QRectF& place);
    void setPlace(const Region& place);
    void takeCure();
    const Outlier* outlierOfCell() const;
    QString causeWords(const Outlier& outlier) const;
    QString cureWords(const Outlier& outlier) const;
    /// A frame through the look, as large as the view, a moment later. False while it is not read.
    bool render(PictureView& view, RenderSlot& slot, FrameId frame, const Balance& cure);

    Document& m_document;
    ProxyStore& m_proxies;
    ConsistencyModel* m_model;
    Task* m_task;
    QTableView* m_table;
    QListWidget* m_outliers;
    PictureView *m_here, *m_lead;
    Patches* m_patches;
    QLabel *m_number, *m_state, *m_cellWords, *m_cause;
    QPushButton *m_measure, *m_save, *m_confirm, *m_correct, *m_cure;
    std::vector<ReadFrame> m_read;
    bool m_isStale = false;
    std::uint64_t m_shown = 0;
    RenderSlot *m_hereSlot, *m_leadSlot, *m_finishing;
};

}  // namespace amber
