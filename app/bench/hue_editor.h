// The hue shifts' editor: families on the hue axis.
#pragma once

#include "app/bench/family_plot.h"
#include "app/bench/step_editor.h"

#include <functional>

class QButtonGroup;
class QComboBox;
class QLabel;
class QToolButton;

class QHBoxLayout;

namespace amber {

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
    void addTaper();
    void addCeiling(QHBoxLayout* row);
    void setNumberVisible(QDoubleSpinBox* box, bool on);
    void explainNumbers();
    void addNumbers(QHBoxLayout* row);
    void dressFamily();
    void addQuantities(QHBoxLayout* row);
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
    QDoubleSpinBox *m_turn, *m_chroma, *m_lightness, *m_ceiling, *m_centre, *m_width;
    QToolButton* m_taper;  ///< while hues nearly fold
    int m_shown = -1;      ///< the family in hand when the numbers were last shown
    double m_draggedFrom = 0;
};

}  // namespace amber
