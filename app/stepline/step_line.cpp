#include "app/stepline/step_line.h"

#include "app/display/screen_view.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "core/look/afterwards.h"

namespace amber {
namespace {

constexpr int kRampSteps = 24, kEndWidth = 92, kAddWidth = 40, kTileWidth = 150, kMarkWidth = 16, kMarkEdges = 8,
              kWideGap = 18, kNarrowGap = 10, kPlainTop = 6, kNamedTop = 24, kTiles = 88, kMany = 8;

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
    connect(&document.selection(), &Selection::frameChosen, this, [this] { recompute(); });
    connect(&document, &Document::chosenLooksChanged, this, [this] { recompute(); });
    connect(&document.looks(), &LooksInHand::selectionChanged, this, [this] {
        m_mark = -1, m_rangeTo = -1;
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
    return m_trace && m_trace->steps() == stepCount()
               ? kMeasureMarks + keyCount() + (roleInHand().empty() ? 0 : kMeasureMarks)
               : 0;
}

bool StepLine::isOfKey(int mark) const { return mark >= kMeasureMarks && mark < kMeasureMarks + keyCount(); }

/// The role of the chosen step, when it is known where it lies.
std::string StepLine::roleInHand() const
{
    const Step* step = m_document.looks().step();
    const std::string role = step ? step->guard.where.role : std::string();
    return m_trace && !m_trace->states.empty() && m_trace->states.front().separations.contains(role) ? role
                                                                                                     : std::string();
}

QString StepLine::separationWords(int step, int part) const
{
    const std::string role = roleInHand();
    const Separation from = m_trace->before(step).separations.at(role), to = m_trace->after(step).separations.at(role);
    switch (part) {
    case 0:
        return tr("%1 stands out by lightness %2, before %3")
            .arg(text(role), theme::number(to.lightness, 3), theme::number(from.lightness, 3));
    case 1:
        return tr("%1 stands out by chroma %2, before %3")
            .arg(text(role), theme::number(to.chroma, 3), theme::number(from.chroma, 3));
    default:
        return tr("%1 stands out by hue %2°, before %3°")
            .arg(text(role), theme::number(to.hueDegrees, 0), theme::number(from.hueDegrees, 0));
    }
}

QStringList StepLine::measureNames() { return {tr("brightness"), tr("contrast"), tr("chroma")}; }

int StepLine::measureWidth()
{
    constexpr int kBetween = 8;
    const QFontMetrics metrics(theme::font(13));
    int widest = 0;
    for (const QString& name : measureNames())
        widest = std::max(widest, metrics.horizontalAdvance(name) + kBetween);
    return widest;
}

int StepLine::spelledTile() const
{
    return kMeasureMarks * measureWidth() + std::max(0, markCount() - kMeasureMarks) * kMarkWidth + kMarkEdges;
}

QRect StepLine::markRect(int step, int mark) const
{
    const QRect tile = tileRect(step);
    const double usual = std::min<double>(kMarkWidth, (tile.width() - kMarkEdges) / std::max(1.0, 1.0 * markCount())),
                 measure = isSpelled(step) ? measureWidth() : usual;
    const double left = tile.left() + kMarkEdges / 2 + std::min(mark, kMeasureMarks) * measure +
                        std::max(0, mark - kMeasureMarks) * usual,
                 width = mark < kMeasureMarks ? measure : usual;
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
    if (!isOfKey(mark))
        return separationWords(step, mark - kMeasureMarks - keyCount());
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

void StepLine::toggleGroup(const Group& group)
{
    Look look = m_document.looks().look();
    const Look shown = m_document.looks().shown();
    const auto first = shown.steps.begin() + group.first, end = shown.steps.begin() + group.last + 1;
    const bool isOn = std::any_of(first, end, [](const Step& s) { return s.enabled; });
    for (auto i = static_cast<std::size_t>(group.first); i <= static_cast<std::size_t>(group.last); ++i) {
        Step changed = shown.steps[i];
        changed.enabled = !isOn;
        look.steps[i] = edited(look.steps[i], m_document.looks().pictureInHand(), changed);
    }
    m_document.looks().change(look);
    m_document.looks().commit((isOn ? tr("%1 switched off") : tr("%1 switched on")).arg(group.name));
}

void StepLine::countDiffering()
{
    std::vector<PictureName> pictures;
    if (std::any_of(m_shown.steps.begin(), m_shown.steps.end(), [](const Step& s) { return !s.held.empty(); }))
        for (const FrameId frame : m_document.looks().framesOfLook())
            pictures.push_back(m_document.looks().pictureName(frame));
    m_differ.clear();
    for (const Step& step : m_document.looks().look().steps)
        m_differ.push_back(picturesThatDiffer(step, pictures));
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
            s.ramp.push_back(screenColour(c));
        for (const LinearRgb& c : colours)
            s.colours.push_back(screenColour(c));
        m_swatches.push_back(std::move(s));
    };
    m_swatches.clear();
    keep();
    m_shown = m_document.isOpen() ? m_document.looks().shown() : Look{};
    countDiffering();
    for (const Step& step : m_shown.steps) {
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
    const int room = count == 0 ? 0 : std::max(24, space / count - gap());
    const int tile = room >= spelledTile() ? std::max(kTileWidth, spelledTile()) : std::min(kTileWidth, room);
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

void StepLine::toggle(int index)
{
    if (index < 0 || index >= stepCount())
        return;
    Step step = m_document.looks().shown().steps[static_cast<std::size_t>(index)];
    step.enabled = !step.enabled;
    m_document.looks().changeShown(index, step);
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
            addHeading(menu, tr("By place: not in a lookup table"));
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
    if (event->modifiers() & Qt::ShiftModifier)
        return chooseTo(index);
    if (event->button() == Qt::RightButton) {
        if (const auto [first, last] = range(); index < first || index > last)
            m_document.looks().selectStep(index);
        return;
    }
    m_rangeTo = -1;
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
    if (constexpr int kOut = 30; at.y() < -kOut || at.y() > height() + kOut)
        return dragOut();
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

void StepLine::toggleGroupOf(int step)
{
    for (const Group& group : groups())
        if (step >= group.first && step <= group.last)
            return toggleGroup(group);
}

void StepLine::keyPressEvent(QKeyEvent* event)
{
    m_focusSeen = true;
    if (takePartKey(*event))
        return;
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
        event->modifiers() & Qt::ControlModifier ? toggleGroupOf(chosen) : toggle(chosen);
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
