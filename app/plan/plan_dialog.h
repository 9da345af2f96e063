// The time plan: budgets, what was spent, when it will be done.
#pragma once

#include "core/job/time_plan.h"

#include <QDialog>
#include <functional>

class QGridLayout;
class QLabel;

namespace amber {

class NumberBox;

class TimeKeeper;

class PlanDialog : public QDialog {
    Q_OBJECT

public:
    PlanDialog(TimeKeeper& keeper, QWidget* parent = nullptr);

private:
    void addStages(QGridLayout* grid);
    NumberBox* addBudget(QGridLayout* grid, int row, const char* name, const QString& label, double value,
                         std::function<void(TimePlan&, double)> change);
    void refresh();

    TimeKeeper& m_keeper;
    QLabel *m_budget, *m_spent, *m_left, *m_over;
    QLabel* m_stage[3];
};

}  // namespace amber
