// The plot of the steps that describe their fields: handles and lines on the tone axis or the hue axis, made from the
// step itself.
#pragma once

#include "app/bench/axis_plot.h"
#include "core/look/look.h"

#include <functional>
#include <optional>

namespace amber {

/// What a plot shows of one step.
struct PlotModel {
    struct Handle {
        double at, up;
        /// Moves it there, as far as the fields' limits allow.
        std::function<void(Json& parameters, double at, double up)> move;
        QString label;
        std::optional<LinearRgb> colour = {};  ///< shown beside the handle
    };
    struct Line {
        std::function<double(double at)> up;
        bool strong = true;
        QString label = {};
    };
    AxisPlot::Axis axis = AxisPlot::Axis::Tone;
    double low = 0, high = 1;  ///< of the scale up
    QString unit;              ///< what the scale up measures
    std::vector<double> levels;
    std::vector<Handle> handles;
    std::vector<Line> lines;
    QString warning;  ///< quiet words over the plot
    /// Adds a handle, where there can be more; removes one.
    std::function<void(Json& parameters, double at, double up)> add;
    std::function<void(Json& parameters, int handle)> remove;
};

PlotModel plotModelOf(const Step& step);

class ParameterPlot final : public AxisPlot {
public:
    ParameterPlot(Axis axis, QWidget* parent);
    void show(const Step& step);
    std::function<void(const StepParameters&)> changed;

    QPointF handlePlace(int handle) const override;
    int handleCount() const override { return static_cast<int>(m_model.handles.size()); }

protected:
    bool addsOnClick() const override { return false; }
    void moveHandle(int handle, QPointF to) override;
    void nudgeHandle(int handle, int across, int up, bool coarse) override;
    int addHandle(QPointF at) override;
    void removeHandle(int handle) override;
    void resetHandle(int handle) override;
    QString actionName() const override;
    void paintPlot(QPainter& painter) override;
    int topMargin() const override { return 20; }
    int bottomMargin() const override { return 38; }

private:
    void paintLines(QPainter& painter) const;
    void paintLabelled(QPainter& painter, int i) const;
    double toY(double up) const;
    double toUp(double y) const;
    void change(const std::function<void(Json&)>& edit);
    void paintStrips(QPainter& painter) const;
    Step m_step;
    PlotModel m_model;
};

}  // namespace amber
