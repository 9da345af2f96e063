// A plot of how much lighter or darker each tone becomes: across, the tone axis; up, the change on it. The straight
// line of "no change" is level, so small moves can be seen in a wide, low plot. Above it the grey ramp as it leaves,
// below it as it comes in.
#pragma once

#include "app/bench/axis_plot.h"

#include <functional>

namespace amber {

class LiftPlot : public AxisPlot {
public:
    explicit LiftPlot(QWidget* parent = nullptr) : AxisPlot(Axis::Tone, parent) {}

protected:
    static constexpr double kSmallestRange = 0.24;

    double toY(double lift) const;
    double toLift(double y) const;
    /// Makes room for a change of this size, up or down.
    void makeRoom(double lift);
    void paintLevels(QPainter& painter) const;
    /// One curve y(x) on the tone axis, with a letter on it at `letterAt` of the width, so that colour is not all that
    /// tells it apart.
    void paintCurve(QPainter& painter, const std::function<double(double)>& curve, const QColor& colour, double width,
                    const QString& letter = {}, double letterAt = 0) const;
    void paintRamps(QPainter& painter, const std::function<QColor(double)>& leaving) const;
    int bottomMargin() const override { return 38; }
    int topMargin() const override { return 22; }

private:
    double m_range = kSmallestRange;
};

}  // namespace amber
