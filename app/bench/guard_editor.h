// The guard of the chosen step: ranges of tone, chroma and hue, on both axes at once.
#pragma once

#include "app/bench/axis_plot.h"
#include "app/bench/step_editor.h"

class QCheckBox;
class QLabel;
class QComboBox;
class QHBoxLayout;
class QMenu;
class QToolButton;
class QVBoxLayout;

namespace amber {

class ShelterRow;

/// The range on one axis. Handles: its two ends (tone), or its middle and its right end (hue).
class GuardPlot final : public AxisPlot {
public:
    GuardPlot(Axis axis, QWidget* parent);
    void show(const Guard& guard);
    std::function<void(const Guard&)> changed;

    QPointF handlePlace(int handle) const override;
    int handleCount() const override { return 2; }

protected:
    void moveHandle(int handle, QPointF to) override;
    void nudgeHandle(int handle, int across, int up, bool coarse) override;
    int addHandle(QPointF) override { return -1; }
    void removeHandle(int handle) override { resetHandle(handle); }
    void resetHandle(int handle) override;
    QString actionName() const override { return tr("Guard moved"); }
    void paintPlot(QPainter& painter) override;

private:
    double handleAt(int handle) const;
    void set(int handle, double at);
    Axis m_axis;
    Guard m_guard;
};

class GuardEditor final : public StepEditor {
    Q_OBJECT

public:
    GuardEditor(Document& document, QWidget* parent);
    void refresh() override;
    void setEntering(const FrameMeasures& measures) override;
    QString setProbe(const Probe* probe) override;
    /// A drag on the picture takes the tone under it as the range; up and down make it wider and narrower.
    bool beginPictureDrag(const Probe& probe) override;
    void dragPicture(QPointF delta) override;
    void endPictureDrag() override;

private:
    void showShare();
    void takeColour(const LinearRgb& colour);
    void askTones();
    void addButtons(QHBoxLayout* row);
    void connectShelters();
    void addWhere(QVBoxLayout* to);
    void bindTo(const std::string& role);
    void makeRole();
    void setWhere(const RoleBinding& where, const QString& action);
    void showWhere(const RoleBinding& where);
    Guard guard() const;
    void set(const Guard& guard);
    GuardPlot *m_tone, *m_hue;
    std::vector<std::pair<QDoubleSpinBox*, double Guard::*>> m_numbers;
    QCheckBox* m_inverted;
    void makeLevel();
    void fillLevel(QMenu& menu);
    QComboBox *m_role, *m_side;
    QToolButton* m_level;
    ShelterRow* m_shelters;
    QLabel* m_share;
    double m_draggedTone = 0.5;
    std::vector<std::pair<KeyColour, LinearRgb>> keysEntering() const;
    QDoubleSpinBox *m_density, *m_elsewhere;
};

}  // namespace amber
