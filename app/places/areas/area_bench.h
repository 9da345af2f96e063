// Under the frame in hand: of what parts its area is made, the numbers of the one in hand, and those of the whole area.
#pragma once

#include "core/area/area.h"

#include <QWidget>
#include <functional>
#include <optional>

class QCheckBox;
class QComboBox;
class QHBoxLayout;
class QLabel;
class QPushButton;

namespace amber {

class LineLabel;
class NumberBox;

class AreaBench : public QWidget {
    Q_OBJECT

public:
    explicit AreaBench(QWidget* parent = nullptr);

    /// Null: there is none. `part` is the index of the part in hand, -1 without.
    void show(const Area* area, int part);
    void setMeasures(const QString& words);

signals:
    void partChosen(int index);
    void partEdited(const AreaPart& part, const QString& action);
    void partRemoved();
    void areaEdited(const Area& area, const QString& action);
    void inBalanceChosen(Area::InBalance inBalance);

private:
    QWidget* makePartRow();
    QWidget* makeAreaRow();
    NumberBox* makeNumber(const char* name, const QString& words, double most, const std::function<void(double)>& act);
    void showNumbers();
    void makeNumbers();
    void editArea(const QString& action, const std::function<void(Area&)>& change);
    void editPart(const QString& action, const std::function<void(AreaPart&)>& change);
    AreaPart* part() { return m_index < 0 ? nullptr : &m_area->parts[static_cast<std::size_t>(m_index)]; }

    std::optional<Area> m_area;
    int m_index = -1;
    bool m_isShowing = false;
    QComboBox *m_parts, *m_join, *m_inBalance;
    QCheckBox *m_partInverted, *m_inverted, *m_flag;
    NumberBox *m_partDensity = nullptr, *m_density = nullptr, *m_feather = nullptr, *m_grow = nullptr;
    QPushButton* m_remove = nullptr;
    QWidget *m_numbers, *m_fields;
    std::size_t m_kind = 0;  ///< of the part for which there are fields: its variant's index and one
    std::vector<NumberBox*> m_boxes;
    QLabel* m_about;
    LineLabel* m_measures;
};

}  // namespace amber
