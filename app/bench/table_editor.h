// The lookup table's editor: which table, how its values are encoded, how much of it, and how sane it is.
#pragma once

#include "app/bench/lift_plot.h"
#include "app/bench/step_editor.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace amber {

/// What the step does to greys: each channel's way along the tone axis. Nothing in it can be moved.
class TablePlot final : public LiftPlot {
public:
    explicit TablePlot(QWidget* parent);
    void show(const LookupTable& step);
    QPointF handlePlace(int) const override { return {}; }
    int handleCount() const override { return 0; }

protected:
    void moveHandle(int, QPointF) override {}
    void nudgeHandle(int, int, int, bool) override {}
    int addHandle(QPointF) override { return -1; }
    void removeHandle(int) override {}
    void resetHandle(int) override {}
    QString actionName() const override { return {}; }
    void paintPlot(QPainter& painter) override;

private:
    static constexpr int kSamples = 128;
    double channelAt(int channel, double tone) const;
    bool m_hasTable = false;
    std::vector<double> m_channels[3];  ///< cube roots of what greys become, kSamples + 1 over the axis
};

class TableEditor final : public StepEditor {
    Q_OBJECT

public:
    TableEditor(Document& document, QWidget* parent);
    void refresh() override;
    void setEntering(const FrameMeasures& measures) override;
    QString setProbe(const Probe* probe) override;
    /// Reads a table file into the step; says in the window what is wrong with it.
    void load(const QString& path);

private:
    QComboBox* addSpace(QHBoxLayout* row, const char* name, const QString& label, const QString& tip,
                        RgbSpace LookupTable::*member);
    TablePlot* m_plot;
    QPushButton* m_open;
    QComboBox *m_input, *m_output;
    QDoubleSpinBox* m_mix;
    QLabel* m_report;
    std::string m_reportedHash;
};

}  // namespace amber
