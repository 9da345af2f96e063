// The bench: the editor of the chosen step, full width, under a row with what every step has.
#pragma once

#include "app/bench/step_editor.h"

#include <optional>

class QCheckBox;
class QLabel;
class QLineEdit;
class QStackedWidget;
class QToolButton;

namespace amber {

class EffectPlot;
class GuardEditor;
class ScopeEditor;
class TableEditor;

class Bench : public QWidget {
    Q_OBJECT

public:
    explicit Bench(Document& document, QWidget* parent = nullptr);

    void setEntering(const FrameMeasures& measures);
    void setProbe(const std::optional<Probe>& probe);
    bool beginPictureDrag(const Probe& probe);
    void dragPicture(QPointF delta);
    void endPictureDrag();
    TableEditor& tableEditor() { return *m_tableEditor; }
    EffectPlot& effect() { return *m_effect; }
    /// Where editors get the frame in hand as it enters the chosen step.
    void setPictureSource(const std::function<Image()>& source);
    /// Some colours of the frame in hand as it came in: by them a just noticeable difference is measured.
    void setColourSource(const std::function<std::vector<LinearRgb>()>& source) { m_colours = source; }
    /// Where editors read pictures, and how they get a colour of the one on the wall.
    void setPicking(RenderQueue& queue, const PickNext& pickNext);
    void setLevel(const std::function<void(const std::string& role, AreaMeasure measure)>& level);
    /// The number in hand, or the strength when none is, at its upper (1) or lower (-1) end until let go (0).
    void holdExtreme(int way);
    bool isGuardShown() const;
    void showGuard(bool on);
    void showMask(bool on);
    /// Whose the values are.
    void showScope(bool on);

signals:
    /// The picture is to show where the chosen step works, or itself again.
    void overlayWanted(const RenderRequest::Overlay& overlay, const QString& words);
    /// The caption of the picture while a number is held at its end; empty when let go.
    void extremeHeld(const QString& words);
    /// Notes on what is said of the chosen step.
    void isItSoWanted();

protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void paintEvent(QPaintEvent*) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void showValues(const Step& step);
    void connectParts();
    void connectStep();
    void joinEditors();
    void layOutRow();
    void dressButtons();
    void dressValues();
    void nudge(QDoubleSpinBox* box, const std::string& pointer, bool up);
    void reset(QDoubleSpinBox* box, const std::string& pointer);
    void refresh();
    StepEditor* editorOf(const Step& step) const;
    void sayScope(const Step& shown);
    StepEditor* editor() const;

    Document& m_document;
    QWidget* m_row;
    QLabel *m_title, *m_owner, *m_empty;
    QCheckBox* m_enabled;
    QDoubleSpinBox* m_strength;
    QLineEdit* m_note;
    QToolButton *m_remove, *m_isItSo, *m_guard, *m_mask, *m_travels;
    QStackedWidget* m_pages;
    StepEditor *m_curve, *m_dyes, *m_hues, *m_parameters;
    TableEditor* m_tableEditor;
    GuardEditor* m_guardEditor;
    ScopeEditor* m_scopeEditor;
    EffectPlot* m_effect;
    std::function<std::vector<LinearRgb>()> m_colours;
    std::string m_pointer;  ///< the number in hand
    QString m_pointerLabel;
    std::optional<Look> m_beforeExtreme;
};

}  // namespace amber
