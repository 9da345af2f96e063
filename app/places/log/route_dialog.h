// Which stages a route has, and in which order.
#pragma once

#include "app/plan/route_keeper.h"

#include <QDialog>

class QLabel;
class QLineEdit;
class QListWidget;

namespace amber {

class RouteDialog : public QDialog {
    Q_OBJECT

public:
    RouteDialog(const RouteKeeper& keeper, QWidget* parent = nullptr);
    const Route& route() const { return m_route; }

private:
    QLayout* makeSide();
    void fill(int current);
    void move(int way);
    void addStage();
    void take();

    const RouteKeeper& m_keeper;
    Route m_route;
    QListWidget* m_list;
    QLineEdit* m_name;
    QLabel* m_words;
};

}  // namespace amber
