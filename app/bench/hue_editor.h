// The hue shifts' editor: families on the hue axis.
#pragma once

#include "app/bench/axis_plot.h"
#include "app/bench/step_editor.h"

#include <functional>

class QButtonGroup;
class QComboBox;
class QLabel;
class QToolButton;

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

class HueEditor final : public StepEditor {
    Q_OBJECT

public:
    HueEditor(Document& document, QWidget* parent);
    void refresh() override;
    void setEntering(const FrameMeasures& measures) override;
    QString setProbe(const Probe* probe) override;
    bool beginPictureDrag(const Probe& probe) override;
    void dragPicture(QPointF delta) override;
    void endPictureDrag() override;

protected:
    void hideEvent(QHideEvent*) override;

private:
    /// The move in hand: of a family, or of a zone of near-neutrals (index from the number of families on).
    HueMove* moveInHand(HueShifts& step) const;
    int inHand() const;
    void take(int index);
    void showMove();
    FamilyPlot::Quantity quantity() const;
    FamilyPlot* m_plot;
    void showOverlay();
    QToolButton* m_show;
    QButtonGroup* m_quantities;
    QComboBox* m_family;
    QDoubleSpinBox *m_turn, *m_chroma, *m_lightness, *m_centre, *m_width;
    int m_shown = -1;  ///< the family in hand when the numbers were last shown
    double m_draggedFrom = 0;
};

}  // namespace amber
