// The editor of every step that describes its fields: a row of controls made from the description, over a plot on the
// step's axis.
#pragma once

#include "app/bench/parameter_plot.h"
#include "app/bench/step_editor.h"

class QCheckBox;
class QComboBox;
class QGridLayout;
class QHBoxLayout;
class QLabel;
class QPushButton;
class QStackedWidget;

namespace amber {

class ParameterEditor final : public StepEditor {
    Q_OBJECT

public:
    ParameterEditor(Document& document, QWidget* parent);
    void refresh() override;
    void setEntering(const FrameMeasures& measures) override;
    QString setProbe(const Probe* probe) override;
    bool beginPictureDrag(const Probe& probe) override;
    void dragPicture(QPointF delta) override;
    void endPictureDrag() override;

private:
    struct FieldControl;
    struct Page;
    void addField(Page& page, std::size_t index, const Step& step, QHBoxLayout* row);
    QDoubleSpinBox* addNumberField(const FieldControl& control, const std::string& kind, const std::string& list,
                                   QHBoxLayout* row);
    QCheckBox* addCheckField(const FieldControl& control, QHBoxLayout* row);
    QComboBox* addChoiceField(const FieldControl& control, QHBoxLayout* row);
    Page& page();
    void build(Page& page, const Step& step);
    void edit(const std::function<void(Json&)>& change, const QString& action, bool now);
    void write(const StepParameters& parameters);
    void solve();
    void addMeasure(QHBoxLayout* row, const std::string& kind);
    void addColour(QHBoxLayout* row, const std::string& kind);
    void takeColour(const LinearRgb& colour);
    void showLeak();

    QStackedWidget* m_pages;
    std::map<std::string, std::unique_ptr<Page>> m_byKind;
    std::vector<double> m_tones;  ///< of the frame as it enters the step
    Json m_dragged;
    int m_draggedHandle = -1;
    QLabel* m_leak = nullptr;

public:
    ~ParameterEditor() override;
};

}  // namespace amber
