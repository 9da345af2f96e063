// The time plan: budgets, what was spent, when it will be done.
#pragma once

#include <QDialog>

class QLabel;

namespace amber {

class TimeKeeper;

class PlanDialog : public QDialog {
    Q_OBJECT

public:
    PlanDialog(TimeKeeper& keeper, QWidget* parent = nullptr);

private:
    void refresh();

    TimeKeeper& m_keeper;
    QLabel *m_budget, *m_spent, *m_left, *m_over;
    QLabel* m_stage[3];
};

}  // namespace amber
