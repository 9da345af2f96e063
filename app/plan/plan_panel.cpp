#include "app/plan/plan_panel.h"

#include "app/plan/time_keeper.h"
#include "app/theme/number_box.h"

#include <QtWidgets>

namespace amber {

NumberBox* PlanPanel::addBudget(QGridLayout* grid, int row, const char* name, const QString& label,
                                std::function<double&(TimePlan&)> part)
{
    auto* box = new NumberBox(this);
    box->setObjectName(name);
    box->setAccessibleName(label);
    box->setDecimals(1);
    box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    box->setMaximum(600);
    box->setFixedWidth(84);
    connect(box, &QDoubleSpinBox::valueChanged, this, [this, part](double v) {
        TimePlan plan = m_keeper.plan();
        part(plan) = v;
        m_keeper.setPlan(plan);
        refresh();
    });
    grid->addWidget(box, row, 1);
    m_boxes.emplace_back(box, std::move(part));
    return box;
}

void PlanPanel::addStages(QGridLayout* grid)
{
    const QString names[] = {tr("Balance"), tr("Look, areas, match"), tr("Proof")};
    const char* ids[] = {"planBalance", "planLook", "planProof"};
    for (int i = 0; i < kStages; ++i) {
        const auto stage = static_cast<std::size_t>(i);
        grid->addWidget(new QLabel(names[i], this), i + 1, 0);
        addBudget(grid, i + 1, ids[i], tr("Budget, %1").arg(names[i]), [stage](TimePlan& plan) -> double& {
            return plan.minutesPerFrame[stage];
        })->setSuffix(tr(" min"));
        for (QLabel** label : {&m_spent[i], &m_ahead[i]}) {
            *label = new QLabel(this);
            grid->addWidget(*label, i + 1, label == &m_spent[i] ? 2 : 3, Qt::AlignRight);
        }
    }
    grid->addWidget(new QLabel(tr("Working day"), this), kStages + 1, 0);
    NumberBox* day = addBudget(grid, kStages + 1, "planDay", tr("Hours a day"),
                               [](TimePlan& plan) -> double& { return plan.hoursPerDay; });
    day->setRange(0.5, 24);
    day->setSuffix(tr(" h"));
}

PlanPanel::PlanPanel(TimeKeeper& keeper, QWidget* parent)
    : QWidget(parent), m_keeper(keeper), m_left(new QLabel(this)), m_sums(new QLabel(this))
{
    setObjectName("planPanel");
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(18);
    grid->setVerticalSpacing(5);
    const auto head = [&](int column, const QString& words) {
        auto* label = new QLabel(words, this);
        label->setProperty("quiet", true);
        grid->addWidget(label, 0, column, column > 1 ? Qt::AlignRight : Qt::AlignLeft);
    };
    head(0, tr("Time")), head(1, tr("Budget a frame")), head(2, tr("Spent")), head(3, tr("Ahead"));
    addStages(grid);
    m_left->setObjectName("planLeft");
    m_left->setProperty("strong", true);
    m_sums->setObjectName("planSums");
    auto* said =
        new QLabel(tr("Only active time counts: a pause of more than a minute is left out. Hard frames (unsure, "
                      "clipped, bracketed) have more of the budget."),
                   this);
    said->setProperty("quiet", true);
    for (QLabel* label : {m_left, m_sums, said})
        label->setWordWrap(true);
    auto* words = new QVBoxLayout;
    words->setSpacing(6);
    words->addWidget(m_left), words->addWidget(m_sums), words->addWidget(said), words->addStretch(1);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(32);
    layout->addLayout(grid);
    layout->addLayout(words, 1);
    connect(&m_keeper, &TimeKeeper::changed, this, [this] {
        if (isVisible())
            refresh();
    });
    refresh();
}

void PlanPanel::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    m_keeper.flush();
    refresh();
}

void PlanPanel::refresh()
{
    TimePlan plan = m_keeper.plan();
    for (const auto& [box, part] : m_boxes) {
        const QSignalBlocker blocker(box);
        if (!box->hasFocus())
            box->setValue(part(plan));
    }
    const TimeForecast f = m_keeper.forecastNow();
    const StageTimes ahead = m_keeper.minutesAhead();
    const auto time = [](double minutes) {
        return minutes < 60 ? tr("%1 min").arg(QLocale().toString(minutes, 'f', minutes < 10 ? 1 : 0))
                            : tr("%1 h").arg(QLocale().toString(minutes / 60, 'f', 1));
    };
    for (int i = 0; i < kStages; ++i) {
        m_spent[i]->setText(time(f.spentMinutes[static_cast<std::size_t>(i)]));
        m_ahead[i]->setText(time(ahead[static_cast<std::size_t>(i)]));
    }
    const QDate day = QDate::currentDate().addDays(std::max(0, static_cast<int>(std::ceil(f.daysLeft)) - 1));
    m_left->setText(f.frames == 0 ? tr("No frames yet.")
                    : f.done == f.frames
                        ? tr("All frames are done.")
                        : tr("%1 to go: done on %2 at this pace.")
                              .arg(time(60 * f.leftHours), QLocale().toString(day, QLocale::LongFormat)));
    m_sums->setText(tr("%1 of %2 frames done. Spent %3 of a budget of %4; %5.")
                        .arg(f.done)
                        .arg(f.frames)
                        .arg(time(60 * f.spentHours), time(60 * f.budgetHours),
                             f.overBudget == 0 ? tr("no frame is over its budget")
                                               : tr("%n frames are over their budget", nullptr, f.overBudget)));
}

}  // namespace amber
