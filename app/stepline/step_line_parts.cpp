// Steps and groups of the step line as parts: chosen, named, copied, pasted, dragged into another look.
#include "app/stepline/step_line.h"
#include "app/theme/controls.h"

#include <QtWidgets>

namespace amber {

std::pair<int, int> StepLine::range() const
{
    const int chosen = m_document.looks().selectedStep();
    const int to = m_rangeTo < 0 || m_rangeTo >= stepCount() ? chosen : m_rangeTo;
    return std::minmax(chosen, to);
}

void StepLine::chooseTo(int step)
{
    m_rangeTo = std::clamp(step, 0, std::max(0, stepCount() - 1));
    update();
}

void StepLine::copy() const
{
    const auto [first, last] = range();
    const QString part = m_document.looks().copySteps(first, last);
    if (part.isEmpty())
        return;
    auto* data = new QMimeData;
    data->setData(kPartType, part.toUtf8());
    data->setText(part);
    QApplication::clipboard()->setMimeData(data);
}

void StepLine::paste()
{
    const QMimeData* data = QApplication::clipboard()->mimeData();
    if (!data)
        return;
    const QString part = data->hasFormat(kPartType) ? QString::fromUtf8(data->data(kPartType)) : data->text();
    m_document.looks().pasteSteps(part, m_document.looks().lookId(), stepCount() == 0 ? 0 : range().second + 1);
}

void StepLine::askGroup()
{
    const auto [first, last] = range();
    if (first < 0 || last >= stepCount())
        return;
    const QString now = text(m_document.looks().look().steps[static_cast<std::size_t>(first)].group);
    const auto name = askLine(this, {"groupNameDialog", tr("Group of steps"), tr("A name; none parts the group"), now});
    if (name)
        m_document.looks().groupSteps(first, last, *name);
}

void StepLine::dragOut()
{
    if (m_dragFrom < 0)
        return;
    auto [first, last] = range();
    if (m_dragFrom < first || m_dragFrom > last)
        first = last = m_dragFrom;
    m_dragFrom = m_dragTo = -1;
    update();
    auto* data = new QMimeData;
    data->setData(kPartType, m_document.looks().copySteps(first, last).toUtf8());
    auto* drag = new QDrag(this);
    drag->setMimeData(data);
    drag->setPixmap(grab(tileRect(first) | tileRect(last)));
    drag->exec(Qt::CopyAction);
}

bool StepLine::takePartKey(const QKeyEvent& event)
{
    const int chosen = m_document.looks().selectedStep(), end = m_rangeTo < 0 ? chosen : m_rangeTo;
    const bool isWithControl = event.modifiers() & Qt::ControlModifier;
    if (event.matches(QKeySequence::Copy))
        return copy(), true;
    if (event.matches(QKeySequence::Paste))
        return paste(), true;
    if (isWithControl && event.key() == Qt::Key_G)
        return askGroup(), true;
    if (isWithControl && (event.modifiers() & Qt::ShiftModifier) &&
        (event.key() == Qt::Key_Left || event.key() == Qt::Key_Right))
        return chooseTo(end + (event.key() == Qt::Key_Left ? -1 : 1)), true;
    return false;
}

void StepLine::contextMenuEvent(QContextMenuEvent* event)
{
    QMenu menu(this);
    menu.setObjectName("stepMenu");
    const bool isAny = stepCount() > 0;
    const auto add = [&](const QString& words, const QString& keys, auto&& act, bool isOn) {
        menu.addAction(keys.isEmpty() ? words : words + QLatin1Char('\t') + keys, this, act)->setEnabled(isOn);
    };
    const auto [first, last] = range();
    add(
        first == last ? tr("Copy step") : tr("Copy %1 steps").arg(last - first + 1), tr("Ctrl+C"), [this] { copy(); },
        isAny);
    add(
        tr("Paste after it"), tr("Ctrl+V"), [this] { paste(); }, m_document.isOpen());
    add(
        tr("Name as a group…"), tr("Ctrl+G"), [this] { askGroup(); }, isAny);
    add(
        tr("Keep in the library"), QString(), [this] { emit keepWanted(range().first, range().second); }, isAny);
    add(
        tr("Set a pin on it…"), QString(), [this] { emit pinWanted(m_document.looks().selectedStep()); },
        isAny && first == last);
    add(
        tr("Is it so?"), tr("Shift+F1"), [this] { emit isItSoWanted(); }, isAny);
    menu.addSeparator();
    add(
        tr("Remove"), tr("Delete"), [this] { m_document.looks().removeStep(m_document.looks().selectedStep()); },
        isAny && first == last);
    menu.exec(event->globalPos());
}

}  // namespace amber
