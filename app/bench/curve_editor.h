// The tone curve's editor.
#pragma once

#include "app/bench/lift_plot.h"
#include "app/bench/step_editor.h"

class QButtonGroup;
class QComboBox;
class QHBoxLayout;
class QLabel;

namespace amber {

class CurvePlot final : public LiftPlot {
public:
    explicit CurvePlot(QWidget* parent);

    /// The whole step, and which of its four curves the handles belong to (0 all, 1 red, 2 green, 3 blue).
    void show(const ToneCurve& step, int channel);
    /// Moves a point to (x, y) as far as its neighbours allow.
    void movePoint(int index, CurvePoint to);
    /// The point nearest to this tone, or a new one when none is near.
    int pointAt(double tone);
    const ToneCurve::Points& points() const;
    std::function<void(const ToneCurve&)> changed;

    QPointF handlePlace(int handle) const override;
    int handleCount() const override { return static_cast<int>(points().size()); }

protected:
    bool addsOnClick() const override { return true; }
    void moveHandle(int handle, QPointF to) override;
    void nudgeHandle(int handle, int across, int up, bool coarse) override;
    int addHandle(QPointF at) override;
    void removeHandle(int handle) override;
    void resetHandle(int handle) override;
    QString actionName() const override;
    void paintPlot(QPainter& painter) override;

private:
    ToneCurve::Points& mutablePoints();
    int insertPoint(double x);
    ToneCurve m_step;
    int m_channel = 0;
};

class CurveEditor final : public StepEditor {
    Q_OBJECT

public:
    CurveEditor(Document& document, QWidget* parent);
    void refresh() override;
    void setEntering(const FrameMeasures& measures) override;
    QString setProbe(const Probe* probe) override;
    bool beginPictureDrag(const Probe& probe) override;
    void dragPicture(QPointF delta) override;
    void endPictureDrag() override;

private:
    void dressMode();
    void addChannels(QHBoxLayout* row);
    void showPoint();
    CurvePlot* m_plot;
    QComboBox* m_mode;
    QButtonGroup* m_channels;
    QDoubleSpinBox *m_in, *m_out;
    QLabel* m_readout;
    int m_dragged = -1;
    CurvePoint m_draggedFrom;
};

}  // namespace amber
