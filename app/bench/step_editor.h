// What every editor of a step is: it reads the chosen step from the document, changes it there, and knows what a place
// in the picture means to it.
#pragma once

#include "app/document/document.h"
#include "app/render/render_service.h"

#include <QWidget>
#include <functional>
#include <map>

class QDoubleSpinBox;
class QHBoxLayout;

namespace amber {

class AxisPlot;

/// The pixel under the pointer: as the picture came in, as it enters the chosen step, and as it leaves the look.
struct Probe {
    LinearRgb in, entering, out;
    bool leavesOut = false;  ///< the look has spatial steps, which a single colour cannot tell
};

/// Asks for a colour of the picture.
using PickNext = std::function<void(const std::function<void(const Probe&)>& take)>;

class StepEditor : public QWidget {
    Q_OBJECT

public:
    StepEditor(Document& document, QWidget* parent) : QWidget(parent), m_document(document) {}

    /// Shows the chosen step; called only when it is of this editor's kind.
    virtual void refresh() = 0;
    virtual void setEntering(const FrameMeasures&) {}
    /// Marks the probe (or nothing) and returns, in words, what owns that colour.
    virtual QString setProbe(const Probe* probe) = 0;
    /// A drag on the picture: true when this editor takes it. `delta` is in pixels since the drag began.
    virtual bool beginPictureDrag(const Probe&) { return false; }
    virtual void dragPicture(QPointF) {}
    virtual void endPictureDrag() {}

    /// The frame in hand as it enters the chosen step, small; set by the bench.
    std::function<Image()> picture;
    /// Called when a control is pointed at or takes the focus: which field it is, what it is called, its limits; with
    /// nothing when left.
    std::function<void(const std::string& pointer, const QString& label, double low, double high)> explain;
    /// Called for the arrow keys in a number: one just noticeable difference up or down.
    std::function<void(QDoubleSpinBox* box, const std::string& pointer, bool up)> nudge;
    /// Called when a number's label is double-clicked: back to where a fresh step has it.
    std::function<void(QDoubleSpinBox* box, const std::string& pointer)> reset;
    /// Called when the step's role is to measure as another one does.
    std::function<void(const std::string& role, AreaMeasure measure)> level;
    /// Where pictures are read.
    RenderQueue* queue = nullptr;
    /// The next click on the picture, or Enter where the arrow keys point, is for `take`; set by the bench.
    PickNext pickNext;
    void say(const QString& words) { emit m_document.failed(words); }
    /// Called when something is to be laid over the picture.
    std::function<void(const RenderRequest::Overlay& overlay, const QString& words)> overlay;

protected:
    /// Lets a control explain itself; `pointer` names its field (a JSON pointer into the step's parameters).
    void explains(QWidget* control, const std::function<std::string()>& pointer, const QString& label, double low,
                  double high);
    bool eventFilter(QObject* control, QEvent* event) override;

    template <class T>
    T parameters() const
    {
        const Step* step = m_document.looks().step();
        const T* own = step ? std::get_if<T>(&step->parameters) : nullptr;
        return own ? *own : T{};
    }
    void put(const StepParameters& parameters)
    {
        m_document.looks().changeStep(m_document.looks().selectedStep(), parameters);
    }
    /// Adds a labelled number to a row of controls; `edited` is called with what was typed, nudged or scrolled.
    QDoubleSpinBox* addNumber(QHBoxLayout* row, const char* name, const QString& label, const QString& tip, double low,
                              double high, double step, int decimals, const std::function<void(double)>& edited);
    /// Commits what the plot's gestures and keys have changed.
    void follow(AxisPlot& plot);
    /// Shows a value without calling anything back.
    static void showNumber(QDoubleSpinBox* box, double value);
    Document& m_document;

private:
    struct Explained {
        std::function<std::string()> pointer;
        QString label;
        double low, high;
    };
    std::map<QObject*, Explained> m_explained;
    std::map<QObject*, QDoubleSpinBox*> m_labels;
};

}  // namespace amber
