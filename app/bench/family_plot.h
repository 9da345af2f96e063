// The families of a hue shifts step over the hue axis.
#pragma once

#include "app/bench/axis_plot.h"
#include "core/look/steps/hue_shifts/hue_shifts.h"

#include <functional>

namespace amber {

/// One quantity of all families over the hue axis. Handles: the families' values, then their bars (centre), then the
/// right ends of the bars (width).
class FamilyPlot final : public AxisPlot {
public:
    enum class Quantity { Turn, Chroma, Lightness };

    explicit FamilyPlot(QWidget* parent);
    void show(const HueShifts& step, Quantity quantity);
    int familyCount() const { return static_cast<int>(m_step.families.size()); }
    int familyOf(int handle) const { return familyCount() == 0 ? 0 : handle % familyCount(); }
    static double valueOf(const HueMove& move, Quantity quantity);
    static void setValue(HueMove& move, Quantity quantity, double value);
    std::function<void(const HueShifts&)> changed;

    QPointF handlePlace(int handle) const override;
    int handleCount() const override { return 3 * familyCount(); }

protected:
    void moveHandle(int handle, QPointF to) override;
    void nudgeHandle(int handle, int across, int up, bool coarse) override;
    int addHandle(QPointF at) override;
    void removeHandle(int handle) override;
    void resetHandle(int handle) override;
    QString actionName() const override;
    void paintPlot(QPainter& painter) override;
    int topMargin() const override { return 20; }
    int bottomMargin() const override { return 62; }

private:
    double toY(double value) const;
    double bandY() const;
    void paintStrips(QPainter& painter) const;
    void paintLevels(QPainter& painter) const;
    void paintMove(QPainter& painter) const;
    void paintFamilies(QPainter& painter) const;
    void paintTear(QPainter& painter) const;
    HueShifts m_step;
    Quantity m_quantity = Quantity::Turn;
    double m_range = 1;
};

}  // namespace amber
