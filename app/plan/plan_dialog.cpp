#include "app/plan/plan_dialog.h"

#include "app/plan/time_keeper.h"
#include "app/theme/number_box.h"

#include <QtWidgets>

namespace amber {

NumberBox* PlanDialog::addBudget(QGridLayout* grid, int row, const char* name, const QString& label, double value,
                                 std::function<void(TimePlan&, double)> change)
{
    auto* box = new NumberBox(this);
    box->setObjectName(name);
    box->setAccessibleName(label);
    box->setDecimals(1);
    box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    box->setMaximum(600);
    box->setValue(value);
    connect(box, &QDoubleSpinBox::valueChanged, this, [this, change = std::move(change)](double v) {
        TimePlan plan = m_keeper.plan();
        change(plan, v);
        m_keeper.setPlan(plan);
        refresh();
    });
    grid->addWidget(box, row, 1);
    return box;
}

void PlanDialog::addStages(QGridLayout* grid)
{
    const QString names[] = {tr("Balance"), tr("Look"), tr("Proof")};
    const char* ids[] = {"planBalance", "planLook", "planProof"};
    const TimePlan plan = m_keeper.plan();
    for (int i = 0; i < kStages; ++i) {
        const auto stage = static_cast<std::size_t>(i);
        grid->addWidget(new QLabel(names[i], this), i + 1, 0);
        NumberBox* box = addBudget(grid, i + 1, ids[i], tr("Budget, %1").arg(names[i]), plan.minutesPerFrame[stage],
                                   [stage](TimePlan& changed, double v) { changed.minutesPerFrame[stage] = v; });
        box->setSuffix(tr(" min"));
        m_stage[i] = new QLabel(this);
        grid->addWidget(m_stage[i], i + 1, 2, Qt::AlignRight);
    }
    grid->addWidget(new QLabel(tr("Working day"), this), kStages + 1, 0);
    NumberBox* day = addBudget(grid, kStages + 1, "planDay", tr("Hours a day"), plan.hoursPerDay,
                               [](TimePlan& changed, double v) { changed.hoursPerDay = v; });
    day->setRange(0.5, 24);
    day->setSuffix(tr(" h"));
}

PlanDialog::PlanDialog(TimeKeeper& keeper, QWidget* parent)
    : QDialog(parent), m_keeper(keeper), m_budget(new QLabel(this)), m_spent(new QLabel(this)),
      m_left(new QLabel(this)), m_over(new QLabel(this))
{
    setObjectName("planDialog");
    setWindowTitle(tr("Time plan"));
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(18);
    grid->setVerticalSpacing(8);
    const auto head = [&](int column, const QString& words) {
        auto* label = new QLabel(words, this);
        label->setProperty("quiet", true);
        grid->addWidget(label, 0, column, column > 0 ? Qt::AlignRight : Qt::AlignLeft);
    };
    head(0, tr("Stage")), head(1, tr("Budget per frame")), head(2, tr("Spent, all frames"));
    addStages(grid);
    m_left->setObjectName("planLeft");
    m_left->setProperty("strong", true);
    m_left->setWordWrap(true);
    for (QLabel* label : {m_budget, m_spent, m_over})
        label->setWordWrap(true);
    auto* said = new QLabel(tr("Only active time counts: a pause of more than a minute is left out. Hard frames "
                               "(unsure, clipped, bracketed) have more of the budget; the order Hardest first brings "
                               "them to the front. D in the contact sheet ticks a frame off."),
                            this);
    said->setProperty("quiet", true);
    said->setWordWrap(true);
    auto* close = new QPushButton(tr("Close"), this);
    connect(close, &QPushButton::clicked, this, &QDialog::accept);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(20, 18, 20, 16);
    layout->setSpacing(10);
    layout->addLayout(grid);
    for (QLabel* label : {m_left, m_budget, m_spent, m_over, said})
        layout->addWidget(label);
    layout->addWidget(close, 0, Qt::AlignRight);
    setMinimumWidth(460);
    m_keeper.flush();
    refresh();
}

void PlanDialog::refresh()
{
    const TimeForecast f = m_keeper.forecastNow();
    const auto hours = [](double h) {
        return h < 1 ? tr("%1 min").arg(std::lround(h * 60)) : tr("%1 h").arg(QLocale().toString(h, 'f', 1));
    };
    for (int i = 0; i < kStages; ++i)
        m_stage[i]->setText(tr("%1 min").arg(QLocale().toString(f.spentMinutes[static_cast<std::size_t>(i)], 'f', 1)));
    m_budget->setText(tr("Budget for %1 frames: %2").arg(f.frames).arg(hours(f.budgetHours)));
    m_spent->setText(
        tr("Active time so far: %1; %2 of %3 frames done").arg(hours(f.spentHours)).arg(f.done).arg(f.frames));
    const QDate day = QDate::currentDate().addDays(std::max(0, static_cast<int>(std::ceil(f.daysLeft)) - 1));
    m_left->setText(f.done == f.frames && f.frames > 0
                        ? tr("All frames are done.")
                        : tr("%1 to go: done on %2 at this pace")
                              .arg(hours(f.leftHours), QLocale().toString(day, QLocale::LongFormat)));
    m_over->setText(f.overBudget == 0 ? tr("No frame is over its budget.")
                                      : tr("%1 frames are over their budget.").arg(f.overBudget));
}

}  // namespace amber
