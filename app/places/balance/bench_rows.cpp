#include "app/places/balance/bench_rows.h"

#include "app/theme/line_label.h"
#include "app/theme/number_box.h"
#include "app/theme/value_bar.h"

#include <QtWidgets>

namespace amber {

void NumberRow::show(double value) const
{
    const QSignalBlocker quietBar(bar), quietBox(box);
    bar->setValue(value);
    // What is being typed is not written over.
    if (!box->hasFocus() || box->value() != value)
        box->setValue(value);
}

void NumberRow::showHome(double value) const { bar->setHome(value); }

namespace {

ValueBar* makeBar(QWidget* parent, const NumberRowOf& of)
{
    auto* bar = new ValueBar(parent);
    bar->setObjectName(QString(of.name) + "Bar");
    bar->setAccessibleName(of.words);
    bar->setToolTip(of.tip);
    bar->setMinimumWidth(44);
    bar->setRange(of.barLow, of.barHigh, of.step,
                  of.isReciprocal ? ValueBar::Scale::Reciprocal : ValueBar::Scale::Even);
    return bar;
}

QDoubleSpinBox* makeBox(QWidget* parent, const NumberRowOf& of)
{
    auto* box = new NumberBox(parent);
    box->setObjectName(of.name);
    box->setAccessibleName(of.words);
    box->setToolTip(of.tip);
    box->setRange(of.low, of.high);
    box->setSingleStep(of.step);
    box->setDecimals(of.decimals);
    box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    box->setFixedWidth(60);
    box->setAlignment(Qt::AlignRight);
    box->setKeyboardTracking(false);
    return box;
}

}  // namespace

NumberRow addNumberRow(QGridLayout* grid, QWidget* parent, const NumberRowOf& of,
                       const std::function<void(double)>& changed, QWidget* beside)
{
    const int at = grid->count() == 0 ? 0 : grid->rowCount();
    const NumberRow row{new QLabel(of.words, parent), makeBar(parent, of), makeBox(parent, of)};
    row.words->setProperty("quiet", true);
    row.words->setBuddy(row.box);
    grid->addWidget(row.words, at, 0);
    grid->addWidget(row.bar, at, 1);
    grid->addWidget(row.box, at, 2);
    if (beside)
        grid->addWidget(beside, at, 3);
    QObject::connect(row.bar, &ValueBar::moved, parent, [row, changed](double v) {
        const QSignalBlocker quiet(row.box);
        row.box->setValue(v);
        changed(v);
    });
    QObject::connect(row.box, &QDoubleSpinBox::valueChanged, parent, [row, changed](double v) {
        row.bar->setValue(v);
        changed(v);
    });
    return row;
}

QGridLayout* addColumn(QWidget* parent, QHBoxLayout* to, const QString& title, int stretch)
{
    auto* box = new QVBoxLayout;
    box->setSpacing(2);
    auto* words = new QLabel(title, parent);
    words->setProperty("strong", true);
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(2);
    grid->setColumnStretch(1, 1);
    box->addWidget(words);
    box->addLayout(grid);
    box->addStretch(1);
    to->addLayout(box, stretch);
    return grid;
}

QCheckBox* makeLock(QWidget* parent, const char* name, const QString& tip)
{
    auto* box = new QCheckBox(QCoreApplication::translate("BenchRows", "lock"), parent);
    box->setObjectName(name);
    box->setAccessibleName(tip);
    box->setToolTip(tip);
    return box;
}

QLabel* makeQuiet(QWidget* parent, const char* name)
{
    auto* label = new LineLabel(parent);
    label->setObjectName(name);
    label->setProperty("quiet", true);
    return label;
}

}  // namespace amber
