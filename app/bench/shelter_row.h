// The colours that a step is held back from: one button each, with how much, and a menu to add key colours and
// families.
#pragma once

#include "core/look/guard.h"
#include "core/measure/key_colour.h"

#include <QWidget>
#include <functional>

class QHBoxLayout;
class QMenu;
class QToolButton;

namespace amber {

class ShelterRow : public QWidget {
    Q_OBJECT

public:
    explicit ShelterRow(QWidget* parent);
    void show(const std::vector<Shelter>& shelters);
    /// The key colours there are, each with its colour as it enters the step.
    std::function<std::vector<std::pair<KeyColour, LinearRgb>>()> keys;
    std::function<void(const std::vector<Shelter>& shelters, const QString& action)> changed;

private:
    void fillAdd(QMenu& menu);
    void fillShelter(QMenu& menu, std::size_t index);
    void add(Shelter shelter);

    QHBoxLayout* m_row;
    QToolButton* m_add;
    std::vector<Shelter> m_shelters;
    std::vector<QToolButton*> m_buttons;
};

}  // namespace amber
