#include "app/stepline/step_line.h"

#include "app/theme/theme.h"

namespace amber {
namespace {

constexpr int kRampSteps = 24, kEndWidth = 92, kAddWidth = 40, kTileWidth = 150, kWideGap = 18, kNarrowGap = 10,
              kPlainTop = 6, kNamedTop = 24, kTiles = 88, kMany = 8;
/// Changes drawn as a full bar.
constexpr double kFullMeasure[] = {0.12, 0.12, 0.04}, kFullDifference = 10;

}  // namespace

StepLine::StepLine(Document& document, QWidget* parent) : QWidget(parent), m_document(document)
{
    setObjectName("stepLine");
    setAccessibleName(tr("Step line"));
    setAccessibleDescription(tr("The steps of the look in order. Left and right choose, Shift with left and right "
                                "moves, Space switches off and on, Insert adds, Delete removes."));
    setToolTip(tr("Click to edit a step, drag to reorder, click the mark to switch it off"));
    setFocusPolicy(Qt::StrongFocus);
    setFixedHeight(kTiles + 2 * kPlainTop);
    connect(&document.looks(), &LooksInHand::lookChanged, this, [this] { recompute(); });
    connect(&document.looks(), &LooksInHand::stepsChanged, this, [this] { recompute(); });
    connect(&document.looks(), &LooksInHand::selectionChanged, this, [this] {
        m_mark = -1;
        describe();
        update();
    });
}

int StepLine::gap() const { return stepCount() > kMany ? kNarrowGap : kWideGap; }

void StepLine::setTrace(const LookTrace& trace)
{
    m_trace = trace;
    describe();
    update();
}

int StepLine::markCount() const
{
    return m_trace && m_trace->steps() == stepCount() ? kMeasureMarks + static_cast<int>(m_trace->keys.size()) : 0;
}

QRect StepLine::markRect(int step, int mark) const
{
    const QRect tile = tileRect(step);
    const double width = std::min(16.0, (tile.width() - 8.0) / std::max(1, markCount()));
    const double left = tile.left() + 4 + mark * width;
    return {static_cast<int>(left), tile.top() + 48, static_cast<int>(left + width) - static_cast<int>(left),
            tile.height() - 50};
}

QString StepLine::markWords(int step, int mark) const
{
    const StepState &from = m_trace->before(step), &to = m_trace->after(step);
    const auto signed_ = [](double v, int digits) {
        return (v > 0 ? QStringLiteral("+") : QString()) + theme::number(v, digits);
    };
    switch (mark) {
    case 0:
        return tr("brightness %1").arg(signed_(to.meanL - from.meanL, 3));
    case 1:
        return tr("contrast %1").arg(signed_(to.contrast - from.contrast, 3));
    case 2:
        return tr("chroma %1").arg(signed_(to.meanChroma - from.meanChroma, 4));
    default:
        break;
    }
    const KeyMove move = m_trace->move(step, mark - kMeasureMarks);
    return tr("%1: ΔE %2 (lightness %3, chroma %4, hue %5)")
        .arg(keyColourTitle(m_trace->keys[static_cast<std::size_t>(mark - kMeasureMarks)]))
        .arg(theme::number(move.deltaE, 1), signed_(move.lightness, 1), signed_(move.chroma, 1), signed_(move.hue, 1));
}

void StepLine::describe()
{
    const int step = m_document.looks().selectedStep();
    QStringList words;
    for (int mark = 0; step < stepCount() && mark < markCount(); ++mark)
        if (m_mark < 0 || mark == m_mark)
            words << markWords(step, mark);
    setAccessibleDescription(
        tr("The steps of the look in order. Left and right choose, Shift with left and right moves, Space switches off "
           "and on, Insert adds, Delete removes, Down goes through what the step did, Enter shows it.") +
        QStringLiteral(" ") + words.join(QStringLiteral("; ")));
}

bool StepLine::event(QEvent* event)
{
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        for (const Group& group : groups())
            if (groupRect(group).contains(help->pos())) {
                QToolTip::showText(
                    help->globalPos(),
                    tr("%1: click to switch these steps off or on together (Ctrl+Space)").arg(group.name), this);
                return true;
            }
        const int step = tileAt(help->pos());
        for (int mark = 0; step >= 0 && mark < markCount(); ++mark)
            if (markRect(step, mark).contains(help->pos())) {
                QToolTip::showText(help->globalPos(),
                                   stepTitle(m_document.looks().look().steps[static_cast<std::size_t>(step)]) +
                                       QStringLiteral(": ") + markWords(step, mark) +
                                       tr("\nClick to see it before and after"),
                                   this);
                return true;
            }
    }
    return QWidget::event(event);
}

void StepLine::paintMarks(QPainter& painter, int step) const
{
    const StepState &from = m_trace->before(step), &to = m_trace->after(step);
    const auto worst = m_trace->worst();
    const double measures[] = {to.meanL - from.meanL, to.contrast - from.contrast, to.meanChroma - from.meanChroma};
    static const QString kLetters[] = {tr("b"), tr("c"), tr("s")};
    const bool off = isIdentity(m_document.looks().look().steps[static_cast<std::size_t>(step)]);
    for (int mark = 0; mark < markCount(); ++mark) {
        const QRect area = markRect(step, mark);
        const bool labelled = area.width() >= 10;
        const int half = (area.height() - (labelled ? 14 : 2)) / 2, middle = area.top() + half;
        double share = 0;
        bool isWorst = false;
        if (mark < kMeasureMarks) {
            share = std::clamp(measures[mark] / kFullMeasure[mark], -1.0, 1.0);
        } else {
            const KeyMove move = m_trace->move(step, mark - kMeasureMarks);
            const double most = std::abs(move.lightness) >= std::abs(move.chroma) ? move.lightness : move.chroma;
            share = std::min(1.0, move.deltaE / kFullDifference) * (most < 0 ? -1 : 1);
            isWorst = worst == std::pair(step, mark - kMeasureMarks);
        }
        const double length = share * half;
        if (!off && std::abs(length) >= 0.5) {
            const QRectF bar(area.left() + 1, length > 0 ? middle - length : middle, std::max(2, area.width() - 4),
                             std::abs(length));
            painter.fillRect(bar, isWorst ? theme::kInk : mark < kMeasureMarks ? theme::kShape : theme::kGhost);
        }
        painter.fillRect(QRectF(area.left(), middle, area.width() - 1, 1), theme::kHairline);
        if (labelled) {
            painter.setFont(theme::font(13, isWorst));
            painter.setPen(isWorst || (mark == m_mark && step == m_document.looks().selectedStep()) ? theme::kInk
                                                                                                    : theme::kQuietInk);
            painter.drawText(QRect(area.left() - 2, area.bottom() - 13, area.width() + 2, 15), Qt::AlignCenter,
                             mark < kMeasureMarks ? kLetters[mark] : QString::number(mark - kMeasureMarks + 1));
        }
        if (isWorst && !labelled) {
            painter.setPen(Qt::NoPen);
            painter.setBrush(theme::kInk);
            const double x = area.center().x(), y = area.top() + 1;
            painter.drawPolygon(QPolygonF{QPointF(x - 4, y), QPointF(x + 4, y), QPointF(x, y + 5)});
        } else if (isWorst) {
            painter.setPen(QPen(theme::kInk, 1.4));
            painter.setBrush(Qt::NoBrush);
            painter.drawRect(QRectF(area.adjusted(-1, -1, -2, 1)).adjusted(0.5, 0.5, -0.5, -0.5));
        }
        if (mark == m_mark && step == m_document.looks().selectedStep() && hasFocus())
            painter.fillRect(QRect(area.left(), area.bottom(), area.width() - 1, 2), theme::kAmber);
    }
}

void StepLine::setColours(const std::vector<MainColour>& colours)
{
    m_colours = colours;
    recompute();
}

int StepLine::stepCount() const { return static_cast<int>(m_document.looks().look().steps.size()); }

std::vector<StepLine::Group> StepLine::groups() const
{
    std::vector<Group> all;
    const auto& steps = m_document.looks().look().steps;
    for (int i = 0; i < stepCount(); ++i) {
        const QString name = text(steps[static_cast<std::size_t>(i)].group);
        if (name.isEmpty())
            continue;
        if (!all.empty() && all.back().last == i - 1 && all.back().name == name)
            all.back().last = i;
        else
            all.push_back({i, i, name});
    }
    return all;
}

QRect StepLine::groupRect(const Group& group) const
{
    const QRect first = tileRect(group.first), last = tileRect(group.last);
    return {first.left(), 3, last.right() - first.left() + 1, m_top - 4};
}

QRect StepLine::groupRectOf(int step) const
{
    for (const Group& group : groups())
        if (step >= group.first && step <= group.last)
            return groupRect(group);
    return {};
}

void StepLine::paintGroups(QPainter& painter) const
{
    painter.setFont(theme::font(13));
    for (const Group& group : groups()) {
        const QRect area = groupRect(group);
        const auto& steps = m_document.looks().look().steps;
        const bool isOn = std::any_of(steps.begin() + group.first, steps.begin() + group.last + 1,
                                      [](const Step& s) { return s.enabled; });
        const QString words = painter.fontMetrics().elidedText(isOn ? group.name : tr("%1, off").arg(group.name),
                                                               Qt::ElideRight, area.width() - 12);
        painter.setPen(isOn ? theme::kInk : theme::kQuietInk);
        painter.drawText(area.adjusted(0, 0, 0, -3), Qt::AlignLeft | Qt::AlignVCenter, words);
        // A line to the end of the group, and down at both ends.
        const double from = area.left() + painter.fontMetrics().horizontalAdvance(words) + 7, y = area.center().y();
        painter.setPen(QPen(theme::kShape, 1));
        if (from < area.right() - 4) {
            painter.drawLine(QPointF(from, y), QPointF(area.right(), y));
            painter.drawLine(QPointF(area.right(), y), QPointF(area.right(), area.bottom()));
        }
    }
}

void StepLine::toggleGroup(const Group& group)
{
    Look look = m_document.looks().look();
    const auto first = look.steps.begin() + group.first, end = look.steps.begin() + group.last + 1;
    const bool isOn = std::any_of(first, end, [](const Step& s) { return s.enabled; });
    std::for_each(first, end, [&](Step& s) { s.enabled = !isOn; });
    m_document.looks().change(look);
    m_document.looks().commit((isOn ? tr("%1 switched off") : tr("%1 switched on")).arg(group.name));
}

void StepLine::recompute()
{
    if (const int top = groups().empty() ? kPlainTop : kNamedTop; top != m_top) {
        m_top = top;
        setFixedHeight(kTiles + m_top + kPlainTop);
        updateGeometry();
    }
    std::vector<LinearRgb> ramp, colours;
    for (int i = 0; i < kRampSteps; ++i) {
        const double L = i / (kRampSteps - 1.0), y = L * L * L;
        ramp.push_back({y, y, y});
    }
    for (const MainColour& c : m_colours)
        colours.push_back(c.colour);
    const auto keep = [&] {
        Swatches s;
        for (const LinearRgb& c : ramp)
            s.ramp.push_back(theme::screenColour(c));
        for (const LinearRgb& c : colours)
            s.colours.push_back(theme::screenColour(c));
        m_swatches.push_back(std::move(s));
    };
    m_swatches.clear();
    keep();
    for (const Step& step : m_document.looks().look().steps) {
        for (auto* list : {&ramp, &colours})
            for (LinearRgb& c : *list)
                c = evaluate(step, c);
        keep();
    }
    update();
}

QRect StepLine::tileRect(int index) const
{
    const int count = stepCount();
    const int space = width() - 28 - 2 * (kEndWidth + gap()) - kAddWidth - gap();
    const int tile = count == 0 ? 0 : std::min(kTileWidth, std::max(24, space / count - gap()));
    const int left = 14, h = kTiles;
    if (index < 0)
        return {left, m_top, kEndWidth, h};
    if (index >= count)
        return {left + kEndWidth + gap() + count * (tile + gap()), m_top, kEndWidth, h};
    return {left + kEndWidth + gap() + index * (tile + gap()), m_top, tile, h};
}

QRect StepLine::addRect() const
{
    const QRect last = tileRect(stepCount());
    return {last.right() + gap(), last.top() + (last.height() - 30) / 2, kAddWidth, 30};
}

QRect StepLine::switchRect(int index) const
{
    const QRect tile = tileRect(index);
    return {tile.left() + 4, tile.top() + 3, 16, 16};
}

int StepLine::tileAt(QPoint position) const
{
    for (int i = 0; i < stepCount(); ++i)
        if (tileRect(i).contains(position))
            return i;
    return -1;
}

void StepLine::paintTile(QPainter& painter, int index) const
{
    const QRect tile = tileRect(index);
    const bool isStep = index >= 0 && index < stepCount();
    const auto& swatches =
        m_swatches[static_cast<std::size_t>(std::clamp(index + 1, 0, static_cast<int>(m_swatches.size()) - 1))];
    const bool chosen = isStep && index == m_document.looks().selectedStep();
    painter.setPen(Qt::NoPen);
    if (isStep)
        painter.fillRect(tile, chosen ? theme::kRaised : theme::kPaper);
    int left = tile.left() + 4;
    QString title = index < 0 ? tr("Picture in") : tr("Picture out");
    if (isStep) {
        const Step& step = m_document.looks().look().steps[static_cast<std::size_t>(index)];
        constexpr int kNarrow = 70;
        title = tile.width() < kNarrow ? QString::number(index + 1)
                                       : QStringLiteral("%1 %2").arg(index + 1).arg(stepTitle(step));
        const QRect mark = switchRect(index).adjusted(3, 3, -3, -3);
        painter.setPen(QPen(theme::kInk, 1.4));
        painter.setBrush(step.enabled ? QBrush(theme::kInk) : Qt::NoBrush);
        painter.drawEllipse(mark);
        left += tile.width() < kNarrow ? 15 : 18;
        painter.setPen(step.enabled ? theme::kInk : theme::kQuietInk);
        if (!step.enabled && tile.width() >= kNarrow)
            title = tr("%1, off").arg(title);
    } else {
        painter.setPen(theme::kQuietInk);
    }
    painter.setFont(theme::font(13, chosen));
    painter.drawText(QRect(left, tile.top(), tile.right() - left, 22), Qt::AlignVCenter | Qt::AlignLeft,
                     tile.width() < 40 ? title
                                       : painter.fontMetrics().elidedText(title, Qt::ElideRight, tile.right() - left));
    painter.setRenderHint(QPainter::Antialiasing, false);
    const QRectF ramp(tile.left() + 4, tile.top() + 22, tile.width() - 8, 11),
        colours(ramp.left(), ramp.bottom() + 1, ramp.width(), 11);
    const auto strip = [&](const QRectF& area, const std::vector<QColor>& list) {
        for (std::size_t i = 0; i < list.size(); ++i) {
            const double x0 = std::round(area.left() +
                                         area.width() * static_cast<double>(i) / static_cast<double>(list.size())),
                         x1 = std::round(area.left() +
                                         area.width() * static_cast<double>(i + 1) / static_cast<double>(list.size()));
            painter.fillRect(QRectF(x0, area.top(), x1 - x0, area.height()), list[i]);
        }
    };
    strip(ramp, swatches.ramp);
    strip(colours, swatches.colours);
    if (isStep && markCount() > 0)
        paintMarks(painter, index);
    if (index < 0 && markCount() > 0 && stepCount() > 0) {
        painter.setPen(theme::kQuietInk);
        painter.setFont(theme::font(13));
        painter.drawText(QRect(tile.left() + 4, tile.top() + 48, tile.width() - 4, 34),
                         Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, tr("what each step did"));
    }
    painter.setRenderHint(QPainter::Antialiasing);
    if (isStep) {
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(theme::kHairline, 1));
        painter.drawRect(QRectF(tile).adjusted(0.5, 0.5, -0.5, -0.5));
        if (chosen)
            painter.fillRect(QRect(tile.left(), tile.bottom() - 2, tile.width(), 3), theme::kAmber);
    }
}

void StepLine::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::kDesk);
    painter.fillRect(0, 0, width(), 1, theme::kHairline);
    if (m_swatches.empty())
        return;
    painter.setRenderHint(QPainter::Antialiasing);
    for (int i = -1; i <= stepCount(); ++i) {
        paintTile(painter, i);
        if (i < stepCount()) {
            const QRect tile = tileRect(i);
            painter.setPen(QPen(theme::kQuietInk, 1.2));
            const QPointF tip(tile.right() + gap() / 2.0 + 4, tile.center().y());
            painter.drawPolyline(QPolygonF{tip + QPointF(-5, -5), tip, tip + QPointF(-5, 5)});
        }
    }
    paintGroups(painter);
    const QRect add = addRect();
    painter.setPen(QPen(theme::kQuietInk, 1));
    painter.setBrush(theme::kPaper);
    painter.drawRect(QRectF(add).adjusted(0.5, 0.5, -0.5, -0.5));
    painter.setPen(QPen(theme::kInk, 1.6));
    painter.drawLine(add.center() + QPoint(-6, 0), add.center() + QPoint(7, 0));
    painter.drawLine(add.center() + QPoint(0, -6), add.center() + QPoint(0, 7));
    if (stepCount() == 0) {
        painter.setPen(theme::kQuietInk);
        painter.setFont(theme::font(13));
        painter.drawText(QRect(add.right() + 14, 0, width() - add.right() - 20, height()),
                         Qt::AlignVCenter | Qt::AlignLeft,
                         m_document.looks().fault().isEmpty() ? tr("The look is empty: add its first step.")
                                                              : tr("The look cannot be read."));
    }
    if (m_dragTo >= 0 && m_dragFrom >= 0 && m_dragTo != m_dragFrom) {
        const QRect target = tileRect(m_dragTo);
        const int x = m_dragTo > m_dragFrom ? target.right() + gap() / 2 : target.left() - gap() / 2;
        painter.fillRect(x - 1, target.top(), 3, target.height(), theme::kAmber);
    }
    if (hasFocus() && m_focusSeen)
        theme::paintFocus(painter, rect());
}

void StepLine::toggle(int index)
{
    if (index < 0 || index >= stepCount())
        return;
    Look look = m_document.looks().look();
    Step& step = look.steps[static_cast<std::size_t>(index)];
    step.enabled = !step.enabled;
    m_document.looks().change(look);
    m_document.looks().commit((step.enabled ? tr("%1 switched on") : tr("%1 switched off")).arg(stepTitle(step)));
}

void StepLine::showAddMenu()
{
    if (!m_document.isOpen())
        return;
    QMenu menu(this);
    menu.setObjectName("addStepMenu");
    bool spatial = false;
    for (const StepParameters& parameters : everyKindOfStep()) {
        Step step;
        step.parameters = parameters;
        if (isSpatial(step) && !spatial) {
            spatial = true;
            menu.addSection(tr("By place: not in a lookup table"));
        }
        menu.addAction(stepTitle(step), this, [this, parameters] { m_document.looks().addStep(parameters); });
    }
    menu.exec(mapToGlobal(addRect().bottomLeft()));
}

void StepLine::mousePressEvent(QMouseEvent* event)
{
    const QPoint at = event->position().toPoint();
    if (addRect().contains(at))
        return showAddMenu();
    for (const Group& group : groups())
        if (groupRect(group).contains(at))
            return toggleGroup(group);
    const int index = tileAt(at);
    if (index < 0)
        return;
    if (switchRect(index).contains(at))
        return toggle(index);
    m_document.looks().selectStep(index);
    for (int mark = 0; mark < markCount(); ++mark)
        if (markRect(index, mark).contains(at)) {
            emit markChosen(index, mark);
            return;
        }
    m_dragFrom = index;
    m_pressed = at;
}

void StepLine::mouseMoveEvent(QMouseEvent* event)
{
    if (m_dragFrom < 0)
        return;
    const QPoint at = event->position().toPoint();
    if (std::abs(at.x() - m_pressed.x()) < QApplication::startDragDistance()) {
        m_dragTo = -1;
    } else {
        m_dragTo = 0;
        for (int i = 0; i < stepCount(); ++i)
            if (at.x() > tileRect(i).left())
                m_dragTo = i;
    }
    update();
}

void StepLine::mouseReleaseEvent(QMouseEvent*)
{
    const int from = m_dragFrom, to = m_dragTo;
    m_dragFrom = m_dragTo = -1;
    if (from >= 0 && to >= 0)
        m_document.looks().moveStep(from, to);
    update();
}

void StepLine::keyPressEvent(QKeyEvent* event)
{
    m_focusSeen = true;
    const int chosen = m_document.looks().selectedStep(), way = event->key() == Qt::Key_Left ? -1 : 1;
    switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Right:
        if (event->modifiers() & Qt::ShiftModifier)
            m_document.looks().moveStep(chosen, chosen + way);
        else
            m_document.looks().selectStep(chosen + way);
        break;
    case Qt::Key_Down:
    case Qt::Key_Up:
        if (markCount() > 0)
            m_mark = (m_mark + (event->key() == Qt::Key_Down ? 1 : markCount() - (m_mark < 0 ? 0 : 1))) % markCount();
        describe();
        update();
        break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        if (m_mark >= 0 && m_mark < markCount())
            emit markChosen(chosen, m_mark);
        break;
    case Qt::Key_Space:
        if (event->modifiers() & Qt::ControlModifier) {
            for (const Group& group : groups())
                if (chosen >= group.first && chosen <= group.last)
                    return toggleGroup(group);
        } else {
            toggle(chosen);
        }
        break;
    case Qt::Key_Insert:
        showAddMenu();
        break;
    case Qt::Key_Delete:
        m_document.looks().removeStep(chosen);
        break;
    default:
        QWidget::keyPressEvent(event);
    }
}

void StepLine::focusInEvent(QFocusEvent* event)
{
    m_focusSeen = theme::isVisibleFocus(*event);
    update();
}

}  // namespace amber
