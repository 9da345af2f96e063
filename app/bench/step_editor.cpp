#include "app/bench/step_editor.h"

#include "app/bench/axis_plot.h"
#include "app/theme/number_box.h"

namespace amber {

QDoubleSpinBox* StepEditor::addNumber(QHBoxLayout* row, const char* name, const QString& label, const QString& tip,
                                      double low, double high, double step, int decimals,
                                      const std::function<void(double)>& edited)
{
    auto* words = new QLabel(label, this);
    words->setProperty("quiet", true);
    auto* box = new NumberBox(this);
    box->setObjectName(name);
    box->setAccessibleName(label);
    box->setToolTip(tip);
    box->setRange(low, high);
    box->setDecimals(decimals);
    box->setSingleStep(step);
    box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    box->setAlignment(Qt::AlignRight);
    box->setFixedWidth(53);
    words->setBuddy(box);
    connect(box, &QDoubleSpinBox::valueChanged, this, [this, edited, label](double value) {
        edited(value);
        m_document.looks().commitSoon(tr("%1 set").arg(label));
    });
    row->addWidget(words);
    row->addWidget(box);
    row->addSpacing(6);
    return box;
}

void StepEditor::explains(QWidget* control, const std::function<std::string()>& pointer, const QString& label,
                          double low, double high)
{
    m_explained[control] = {pointer, label, low, high};
    control->installEventFilter(this);
    for (auto* words : findChildren<QLabel*>())
        if (words->buddy() == control) {
            m_labels[words] = qobject_cast<QDoubleSpinBox*>(control);
            words->installEventFilter(this);
            words->setToolTip(tr("Double-click: back to the start"));
        }
}

bool StepEditor::eventFilter(QObject* control, QEvent* event)
{
    if (const auto label = m_labels.find(control);
        label != m_labels.end() && event->type() == QEvent::MouseButtonDblClick && reset) {
        reset(label->second, m_explained[label->second].pointer());
        return true;
    }
    if (event->type() == QEvent::KeyPress && nudge) {
        const auto* key = static_cast<QKeyEvent*>(event);
        const auto found = m_explained.find(control);
        auto* box = qobject_cast<QDoubleSpinBox*>(control);
        if (box && found != m_explained.end() && (key->key() == Qt::Key_Up || key->key() == Qt::Key_Down) &&
            key->modifiers() == Qt::NoModifier) {
            nudge(box, found->second.pointer(), key->key() == Qt::Key_Up);
            return true;
        }
    }
    if (const auto found = m_explained.find(control); explain && found != m_explained.end()) {
        const Explained& e = found->second;
        if (event->type() == QEvent::Enter || event->type() == QEvent::FocusIn)
            explain(e.pointer(), e.label, e.low, e.high);
        else if (event->type() == QEvent::FocusOut ||
                 (event->type() == QEvent::Leave && !static_cast<QWidget*>(control)->hasFocus()))
            explain({}, {}, 0, 1);
    }
    return QWidget::eventFilter(control, event);
}

void StepEditor::follow(AxisPlot& plot)
{
    connect(&plot, &AxisPlot::finished, &m_document.looks(), &LooksInHand::commit);
    connect(&plot, &AxisPlot::nudged, &m_document.looks(), &LooksInHand::commitSoon);
}

void StepEditor::showNumber(QDoubleSpinBox* box, double value)
{
    const QSignalBlocker blocker(box);
    if (std::abs(box->value() - value) > 0.5 * std::pow(10.0, -box->decimals()))
        box->setValue(value);
}

}  // namespace amber
