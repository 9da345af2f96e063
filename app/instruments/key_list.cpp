#include "app/instruments/key_list.h"

#include "app/bench/colour_actions.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/colour/typed_colour.h"

namespace amber {
namespace {
constexpr int kRow = 17;
}

KeyList::KeyList(Document& document, QWidget* parent) : QWidget(parent), m_document(document)
{
    setObjectName("keyList");
    setAccessibleName(tr("Key colours"));
    setFocusPolicy(Qt::StrongFocus);
    setToolTip(tr("Target, now, difference (ΔE00). A key colour without a target is held against what it was when it "
                  "came in. Enter or a right click changes it."));
}

int KeyList::rowsShown() const { return std::max(1, height() / kRow); }

void KeyList::setTrace(const LookTrace& trace)
{
    m_trace = trace;
    const int count = static_cast<int>(trace.keys.size());
    m_first = std::clamp(m_first, 0, std::max(0, count - rowsShown()));
    if (m_selected >= count)
        select(-1);
    QStringList words;
    for (int row = 0; row < count; ++row)
        words << tr("%1 %2")
                     .arg(keyColourTitle(trace.keys[static_cast<std::size_t>(row)]))
                     .arg(theme::decimal(differenceAt(row), 1));
    setAccessibleDescription(words.join(QStringLiteral("; ")));
    update();
}

void KeyList::clear()
{
    m_trace.reset();
    update();
}

Lab KeyList::targetOf(int row) const
{
    const auto index = static_cast<std::size_t>(row);
    return m_trace->keys[index].target.value_or(m_trace->states.front().keys[index].lab);
}

double KeyList::differenceAt(int row) const
{
    return ciede2000(targetOf(row), m_trace->states.back().keys[static_cast<std::size_t>(row)].lab);
}

QRect KeyList::rowRect(int row) const { return {0, (row - m_first) * kRow, width(), kRow}; }

void KeyList::select(int row)
{
    if (row == m_selected)
        return;
    m_selected = row;
    if (row >= 0)
        m_first = std::clamp(m_first, row - rowsShown() + 1, row);
    emit chosen(row);
    update();
}

namespace {

/// A CIELAB colour on the screen.
QColor onScreen(const Lab& lab)
{
    const LinearRgb c = apply(fromWorking(RgbSpace::Srgb), fromLab(lab));
    const auto code = [](double v) {
        return std::clamp(static_cast<int>(encodeComponent(RgbSpace::Srgb, v) * 255 + 0.5), 0, 255);
    };
    return {code(c.r), code(c.g), code(c.b)};
}

}  // namespace

void KeyList::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::kDesk);
    painter.setFont(theme::font(13));
    if (!m_trace)
        return;
    const int count = static_cast<int>(m_trace->keys.size());
    const bool more = count - m_first > rowsShown();
    for (int row = m_first; row < count && row - m_first < rowsShown(); ++row) {
        const QRect area = rowRect(row);
        const KeyColour& key = m_trace->keys[static_cast<std::size_t>(row)];
        if (row == m_selected) {
            painter.fillRect(area, theme::kPaper);
            painter.fillRect(QRect(area.left(), area.top(), 3, area.height()), theme::kAmber);
        }
        painter.fillRect(QRect(area.left() + 6, area.top() + 2, 12, 13), onScreen(targetOf(row)));
        painter.fillRect(QRect(area.left() + 18, area.top() + 2, 12, 13),
                         onScreen(m_trace->states.back().keys[static_cast<std::size_t>(row)].lab));
        const double difference = differenceAt(row);
        const bool over = key.kind == KeyColour::Kind::Marked && difference > key.tolerance;
        painter.setFont(theme::font(13, over));
        painter.setPen(theme::kInk);
        const QString figure = (over ? QStringLiteral("! ") : QString()) + theme::number(difference, 1);
        painter.drawText(area.adjusted(0, 0, -4, 0), Qt::AlignRight | Qt::AlignVCenter, figure);
        painter.setFont(theme::font(13));
        painter.setPen(key.kind == KeyColour::Kind::Marked ? theme::kInk : theme::kQuietInk);
        const QRect words = area.adjusted(35, 0, -46, 0);
        painter.drawText(words, Qt::AlignLeft | Qt::AlignVCenter,
                         painter.fontMetrics().elidedText(QStringLiteral("%1 %2").arg(row + 1).arg(keyColourTitle(key)),
                                                          Qt::ElideRight, words.width()));
    }
    if (more) {
        painter.fillRect(QRect(width() - 30, height() - 3, 30, 2), theme::kGhost);
    }
    if (hasFocus() && m_focusSeen)
        theme::paintFocus(painter, rect());
}

void KeyList::mousePressEvent(QMouseEvent* event)
{
    const int row = m_first + static_cast<int>(event->position().y()) / kRow;
    select(m_trace && row < static_cast<int>(m_trace->keys.size()) ? row : -1);
}

void KeyList::wheelEvent(QWheelEvent* event)
{
    if (m_trace)
        m_first = std::clamp(m_first - event->angleDelta().y() / 120, 0,
                             std::max(0, static_cast<int>(m_trace->keys.size()) - rowsShown()));
    update();
}

void KeyList::keyPressEvent(QKeyEvent* event)
{
    m_focusSeen = true;
    const int count = m_trace ? static_cast<int>(m_trace->keys.size()) : 0;
    if (event->key() == Qt::Key_Up || event->key() == Qt::Key_Down)
        select(count == 0 ? -1 : std::clamp(m_selected + (event->key() == Qt::Key_Up ? -1 : 1), 0, count - 1));
    else if ((event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter || event->key() == Qt::Key_Menu) &&
             m_selected >= 0)
        showMenu(m_selected, mapToGlobal(rowRect(m_selected).bottomLeft()));
    else if (event->key() == Qt::Key_Delete && m_selected >= 0)
        change(m_selected, nullptr);
    else
        QWidget::keyPressEvent(event);
}

void KeyList::contextMenuEvent(QContextMenuEvent* event)
{
    const int row = m_first + event->pos().y() / kRow;
    if (m_trace && row < static_cast<int>(m_trace->keys.size())) {
        select(row);
        showMenu(row, event->globalPos());
    }
}

void KeyList::change(int row, const std::function<void(KeyColour&)>& change)
{
    auto keys = m_document.job().keys;
    if (row < 0 || row >= static_cast<int>(keys.size()))
        return;
    if (change)
        change(keys[static_cast<std::size_t>(row)]);
    else
        keys.erase(keys.begin() + row);
    m_document.setKeyColours(keys, change ? tr("Key colour changed") : tr("Key colour taken off"));
}

QString KeyList::askName(const QString& start)
{
    return askLine(this, {"keyNameDialog", tr("Key colour"), tr("Name"), start}).value_or(QString());
}

void KeyList::keep(const KeyColour& key)
{
    const QString name = askName(keyColourTitle(key));
    if (name.isEmpty())
        return;
    auto keys = m_document.job().keys;
    keys.push_back(key);
    keys.back().kind = KeyColour::Kind::Marked;
    keys.back().name = name.toStdString();
    m_document.setKeyColours(keys, tr("Key colour kept"));
}

void KeyList::setTarget(const std::string& key, const LinearRgb& colour)
{
    auto keys = m_document.job().keys;
    for (KeyColour& k : keys)
        if (k.name == key)
            k.target = toLab(colour);
    m_document.setKeyColours(keys, tr("Key colour changed"));
}

void KeyList::askTarget(int row)
{
    const auto index = static_cast<std::size_t>(row);
    const auto typed =
        askLine(this, {"targetDialog", tr("Target of %1").arg(text(m_trace->keys[index].name)),
                       tr("#RRGGBB, lab L a b, lch L C h, oklch L C h, or stops from mid-grey: +0.5 stops")});
    if (!typed || typed->isEmpty())
        return;
    const auto target = targetFromText(typed->toStdString(), m_trace->states.back().keys[index].lab);
    if (!target)
        emit m_document.failed(text(target.error().message()));
    else
        change(row, [&](KeyColour& k) { k.target = *target; });
}

void KeyList::addTargets(QMenu& menu, int row)
{
    const auto index = static_cast<std::size_t>(row);
    menu.addAction(tr("Target: as it is now"), this, [this, row, now = m_trace->states.back().keys[index].lab] {
        change(row, [&](KeyColour& k) { k.target = now; });
    });
    menu.addAction(tr("Target: as it came in"), this,
                   [this, row] { change(row, [](KeyColour& k) { k.target.reset(); }); });
    const std::string name = m_trace->keys[index].name;
    menu.addAction(tr("Target: from the picture, the next click"), this,
                   [this, name] { m_pickNext([this, name](const Probe& probe) { setTarget(name, probe.out); }); });
    menu.addAction(tr("Target: from another picture…"), this, [this, name] {
        if (const auto colour = askOtherPicture(*m_queue, this))
            setTarget(name, *colour);
    });
    menu.addAction(tr("Target: typed…"), this, [this, row] { askTarget(row); });
}

void KeyList::showMenu(int row, QPoint at)
{
    const auto index = static_cast<std::size_t>(row);
    const KeyColour key = m_trace->keys[index];
    QMenu menu(this);
    menu.setObjectName("keyMenu");
    if (key.kind != KeyColour::Kind::Marked) {
        menu.addAction(tr("Keep it under a name…"), this, [&] { keep(key); });
        menu.exec(at);
        return;
    }
    addTargets(menu, row);
    QMenu* tolerance = menu.addMenu(tr("Tolerance, ΔE %1").arg(key.tolerance, 0, 'g', 3));
    for (const double value : {1.0, 2.0, 3.0, 5.0, 8.0})
        tolerance->addAction(QString::number(value), this,
                             [this, row, value] { change(row, [value](KeyColour& k) { k.tolerance = value; }); });
    menu.addAction(tr("Rename…"), this, [&] {
        if (const QString name = askName(text(key.name)); !name.isEmpty())
            change(row, [&](KeyColour& k) { k.name = name.toStdString(); });
    });
    menu.addSeparator();
    menu.addAction(tr("Take off the list"), this, [&] { change(row, nullptr); });
    menu.exec(at);
}

void KeyList::focusInEvent(QFocusEvent* event)
{
    m_focusSeen = theme::isVisibleFocus(*event);
    update();
}

}  // namespace amber
