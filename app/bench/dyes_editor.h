// The split toning editor: dyes on the tone axis, their hues on the hue axis.
#pragma once

#include "app/bench/axis_plot.h"
#include "app/bench/step_editor.h"

#include <functional>

class QCheckBox;
class QComboBox;
class QHBoxLayout;
class QLabel;
class QMenu;
class QToolButton;

namespace amber {

/// Dyes by position and chroma; behind each its reach. Handles: the dyes, then the right ends of their reaches.
class DyeTonePlot final : public AxisPlot {
public:
    explicit DyeTonePlot(QWidget* parent);
    void show(const SplitToning& step);
    /// How strong the tint is in the picture, in words.
    void setTintWords(const QString& words);
    int dyeOf(int handle) const { return m_step.dyes.empty() ? 0 : handle % static_cast<int>(m_step.dyes.size()); }
    std::function<void(const SplitToning&)> changed;

    QPointF handlePlace(int handle) const override;
    int handleCount() const override { return 2 * static_cast<int>(m_step.dyes.size()); }

protected:
    void moveHandle(int handle, QPointF to) override;
    void nudgeHandle(int handle, int across, int up, bool coarse) override;
    int addHandle(QPointF at) override;
    void removeHandle(int handle) override;
    void resetHandle(int handle) override;
    QString actionName() const override;
    void paintPlot(QPainter& painter) override;
    int bottomMargin() const override { return 24; }
    int topMargin() const override { return 20; }

private:
    void paintDye(QPainter& painter, std::size_t i) const;
    double toY(double chroma) const;
    void set(int dye, double position, double chroma, double reach);
    SplitToning m_step;
    QString m_tintWords;
    double m_top = 0.08;
};

/// The dyes' hues: one handle each.
class DyeHuePlot final : public AxisPlot {
public:
    explicit DyeHuePlot(QWidget* parent);
    void show(const SplitToning& step);
    std::function<void(const SplitToning&)> changed;

    QPointF handlePlace(int handle) const override;
    int handleCount() const override { return static_cast<int>(m_step.dyes.size()); }

protected:
    void moveHandle(int handle, QPointF to) override;
    void nudgeHandle(int handle, int across, int up, bool coarse) override;
    int addHandle(QPointF) override { return -1; }
    void removeHandle(int) override {}
    void resetHandle(int) override {}
    QString actionName() const override;
    void paintPlot(QPainter& painter) override;
    int topMargin() const override { return 4; }
    int bottomMargin() const override { return 20; }

private:
    void setHue(int dye, double degrees);
    SplitToning m_step;
};

class DyesEditor final : public StepEditor {
    Q_OBJECT

public:
    DyesEditor(Document& document, QWidget* parent);
    void refresh() override;
    void setEntering(const FrameMeasures& measures) override;
    QString setProbe(const Probe* probe) override;
    bool beginPictureDrag(const Probe& probe) override;
    void dragPicture(QPointF delta) override;
    void endPictureDrag() override;

private:
    void addHues(QHBoxLayout* row);
    void explainNumbers();
    void addNumbers(QHBoxLayout* row);
    void showDye();
    void showTint();
    void fillProposals(QMenu& menu);
    void addPicked(QMenu& menu);
    QCheckBox* addCheck(QHBoxLayout* row, const char* name, const QString& label, const QString& tip,
                        bool SplitToning::*member);
    DyeTonePlot* m_tone;
    DyeHuePlot* m_hue;
    QLabel* m_name;
    QDoubleSpinBox *m_position, *m_hueBox, *m_chroma, *m_reach, *m_balance;
    QComboBox* m_lock;
    QCheckBox *m_hold, *m_black, *m_white;
    std::array<double, kToneBins> m_tones{};
    int m_dragged = -1;
    double m_draggedFrom = 0;
};

}  // namespace amber
