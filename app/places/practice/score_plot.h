// How well somebody saw, sitting after sitting: the level at which three of four answers are right, with its own error.
#pragma once

#include "core/practice/history.h"

#include <QWidget>

namespace amber {

class ScorePlot : public QWidget {
    Q_OBJECT

public:
    explicit ScorePlot(QWidget* parent = nullptr);
    void show(Drill drill, const std::vector<PracticeHistory::Sitting>& sittings);

protected:
    void paintEvent(QPaintEvent*) override;

private:
    void paintScale(QPainter& painter) const;
    double yOf(double level) const;
    QRectF plot() const;

    Drill m_drill = Drill::Family;
    std::vector<PracticeHistory::Sitting> m_sittings;
};

/// "4.2 ΔE00" of a drill, as its levels are said.
QString levelWords(Drill drill, double level);

}  // namespace amber
