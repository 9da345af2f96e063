// The time plan: budgets, what was spent, what is left, when it will be done.
#pragma once

#include "core/job/time_plan.h"

#include <QWidget>
#include <functional>

class QGridLayout;
class QLabel;

namespace amber {

class NumberBox;

class TimeKeeper;

class PlanPanel : public QWidget {
    Q_OBJECT

public:
    PlanPanel(TimeKeeper& keeper, QWidget* parent = nullptr);
    void refresh();

protected:
    void showEvent(QShowEvent* event) override;

private:
    void addStages(QGridLayout* grid);
    NumberBox* addBudget(QGridLayout* grid, int row, const char* name, const QString& label,
                         std::function<double&(TimePlan&)> part);

    TimeKeeper& m_keeper;
    QLabel *m_left, *m_sums;
    QLabel *m_spent[kStages], *m_ahead[kStages];
    std::vector<std::pair<NumberBox*, std::function<double&(TimePlan&)>>> m_boxes;
};

}  // namespace amber
