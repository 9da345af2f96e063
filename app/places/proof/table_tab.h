// Proof, table: whether the shoot holds together. Frames by key colours, what stands out, why, and one cure for it.
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

class CellPanel;

class TableTab : public QWidget {
    Q_OBJECT

public:
    TableTab(Document& document, ProxyStore& proxies, std::function<QPixmap(std::int64_t)> thumbnail,
             QWidget* parent = nullptr);

    ConsistencyModel& model() { return *m_model; }
    QTableView& table() { return *m_table; }
    Task& task() { return *m_task; }
    void measure();
    /// What was measured, when nothing has changed since; else empty.
    std::vector<FrameReading> readingsNow() const;
    /// Writes the table as CSV.
    Status saveTable(const QString& path) const;

signals:
    /// The artist should mark key colours first.
    void markingWanted();

protected:
    void showEvent(QShowEvent*) override;

private:
    void finishAnew();
    std::vector<ReadFrame> toRead() const;
    Look lookForAll() const;
    void makeTable();
    void connectParts();
    QLayout* makeHeader();
    void refresh();
    void confirmPlace();
    void setPlace(const Region& place);
    void takeCure();

    Document& m_document;
    ProxyStore& m_proxies;
    ConsistencyModel* m_model;
    Task* m_task;
    QTableView* m_table;
    QListWidget* m_outliers;
    QLabel *m_number, *m_state;
    CellPanel* m_cell;
    QPushButton *m_measure, *m_save;
    std::vector<ReadFrame> m_read;
    bool m_isStale = false;
    RenderSlot* m_finishing;
};

}  // namespace amber
