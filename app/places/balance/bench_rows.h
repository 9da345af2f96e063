// Rows of a bench in the Balance place: what it is called, its number on a line and typed, its lock.
#pragma once

#include <QGridLayout>
#include <functional>

class QCheckBox;
class QDoubleSpinBox;
class QHBoxLayout;
class QLabel;
class QPushButton;

namespace amber {

class ValueBar;

struct NumberRow {
    QLabel* words = nullptr;
    ValueBar* bar = nullptr;
    QDoubleSpinBox* box = nullptr;
    /// Shown without saying that it changed.
    void show(double value) const;
    void showHome(double value) const;
};

struct NumberRowOf {
    const char* name;
    QString words, tip;
    double low, high, step;
    int decimals;
    double barLow, barHigh;  ///< of the line: what is typed may lie beyond it
    bool isReciprocal = false;
};
/// `changed` is called while the bar is dragged and when a number is typed.
NumberRow addNumberRow(QGridLayout* grid, QWidget* parent, const NumberRowOf& of,
                       const std::function<void(double)>& changed, QWidget* beside = nullptr);
/// A column of a bench under its title, at the end of a row; its second column takes what is left.
QGridLayout* addColumn(QWidget* parent, QHBoxLayout* to, const QString& title, int stretch);
QCheckBox* makeLock(QWidget* parent, const char* name, const QString& tip);
QLabel* makeQuiet(QWidget* parent, const char* name);

}  // namespace amber
