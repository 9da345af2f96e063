// The route: its stages with their ticks, frame by frame and for the shoot, what comes next, and the time it takes.
#pragma once

#include "app/plan/route_keeper.h"

#include <QAbstractTableModel>
#include <QStyledItemDelegate>
#include <QWidget>

class QComboBox;
class QLabel;
class QPushButton;
class QTableView;

namespace amber {

class PlanPanel;
class TimeKeeper;

/// A row for the shoot and one for every frame that counts; a column for every stage.
class RouteModel : public QAbstractTableModel {
    Q_OBJECT

public:
    enum Role { OnRole = Qt::UserRole + 1, ByHandRole, MattersRole };
    RouteModel(Document& document, RouteKeeper& keeper, QObject* parent = nullptr);
    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    /// 0: the shoot.
    FrameId frameAt(int row) const;
    int rowOf(FrameId frame) const;
    void renew();

private:
    Document& m_document;
    RouteKeeper& m_keeper;
    std::vector<FrameId> m_frames;
    std::size_t m_stages = 0;
};

class RouteTab : public QWidget {
    Q_OBJECT

public:
    RouteTab(Document& document, RouteKeeper& keeper, TimeKeeper& times, QWidget* parent = nullptr);
    /// The frame in hand and the stage that comes next are shown.
    void showNext();

signals:
    void nextWanted();

protected:
    void showEvent(QShowEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    QLayout* makeTop();
    void makeTable();
    void refresh();
    void fillRoutes();
    void chooseRoute(int index);
    void edit();
    void toggle(const QModelIndex& index);
    QString doneWords() const;

    Document& m_document;
    RouteKeeper& m_keeper;
    RouteModel* m_model;
    QComboBox* m_routes;
    QTableView* m_table;
    QLabel *m_next, *m_done;
    QPushButton* m_go;
    PlanPanel* m_plan;
};

}  // namespace amber
