// What the step line paints: tiles, groups and marks.
#include "app/stepline/step_line.h"

#include "app/theme/theme.h"
#include "app/words/words.h"

namespace amber {
namespace {

/// Changes drawn as a full bar.
constexpr double kFullMeasure[] = {0.12, 0.12, 0.04}, kFullSeparation[] = {0.12, 0.04, 30}, kFullDifference = 10;
constexpr int kNarrow = 70;

/// Colours side by side, as wide each.
void paintStrip(QPainter& painter, const QRectF& area, const std::vector<QColor>& colours)
{
    const auto edge = [&](std::size_t i) {
        return std::round(area.left() + area.width() * static_cast<double>(i) / static_cast<double>(colours.size()));
    };
    for (std::size_t i = 0; i < colours.size(); ++i)
        painter.fillRect(QRectF(edge(i), area.top(), edge(i + 1) - edge(i), area.height()), colours[i]);
}

}  // namespace

double StepLine::shareOf(int step, int mark) const
{
    if (mark < kMeasureMarks) {
        const StepState &from = m_trace->before(step), &to = m_trace->after(step);
        const double measures[] = {to.meanL - from.meanL, to.contrast - from.contrast, to.meanChroma - from.meanChroma};
        return std::clamp(measures[mark] / kFullMeasure[mark], -1.0, 1.0);
    }
    if (!isOfKey(mark)) {
        // Up: it stands out more.
        const std::string role = roleInHand();
        const Separation from = m_trace->before(step).separations.at(role),
                         to = m_trace->after(step).separations.at(role);
        const double more[] = {std::abs(to.lightness) - std::abs(from.lightness),
                               std::abs(to.chroma) - std::abs(from.chroma),
                               std::abs(to.hueDegrees) - std::abs(from.hueDegrees)};
        const int part = mark - kMeasureMarks - keyCount();
        return std::clamp(more[part] / kFullSeparation[part], -1.0, 1.0);
    }
    const KeyMove move = m_trace->move(step, mark - kMeasureMarks);
    const double most = std::abs(move.lightness) >= std::abs(move.chroma) ? move.lightness : move.chroma;
    return std::min(1.0, move.deltaE / kFullDifference) * (most < 0 ? -1 : 1);
}

void StepLine::paintWorst(QPainter& painter, const QRect& area, bool labelled) const
{
    if (labelled) {
        painter.setPen(QPen(theme::kInk, 1.4));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(QRectF(area.adjusted(-1, -1, -2, 1)).adjusted(0.5, 0.5, -0.5, -0.5));
        return;
    }
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme::kInk);
    const double x = area.center().x(), y = area.top() + 1;
    painter.drawPolygon(QPolygonF{QPointF(x - 4, y), QPointF(x + 4, y), QPointF(x, y + 5)});
}

void StepLine::paintMark(QPainter& painter, int step, int mark) const
{
    const QString kLetters[] = {tr("b"), tr("c"), tr("s")}, kParts[] = {tr("L"), tr("C"), tr("h")};
    const QRect area = markRect(step, mark);
    constexpr double kLabelled = 9.5;
    const bool labelled = std::min(16.0, (tileRect(step).width() - 8.0) / std::max(1, markCount())) >= kLabelled,
               isMeasure = mark < kMeasureMarks, isKey = isOfKey(mark),
               isWorst = isKey && m_trace->worst() == std::pair(step, mark - kMeasureMarks),
               isChosen = mark == m_mark && step == m_document.looks().selectedStep();
    const int half = (area.height() - (labelled ? 14 : 2)) / 2, middle = area.top() + half;
    const double length = shareOf(step, mark) * half;
    const bool off = isIdentity(m_shown.steps[static_cast<std::size_t>(step)]);
    if (!off && std::abs(length) >= 0.5) {
        const double thick = std::clamp(area.width() - 4, 2, 12);
        const double left = area.width() > 16 ? area.left() + (area.width() - thick) / 2 : area.left() + 1;
        const QRectF bar(left, length > 0 ? middle - length : middle, thick, std::abs(length));
        painter.fillRect(bar, isWorst ? theme::kInk : isKey ? theme::kGhost : theme::kShape);
    }
    painter.fillRect(QRectF(area.left(), middle, area.width() - 1, 1), theme::kHairline);
    if (labelled) {
        painter.setFont(theme::font(13, isWorst));
        painter.setPen(isWorst || isChosen ? theme::kInk : theme::kQuietInk);
        painter.drawText(QRect(area.left() - 2, area.bottom() - 13, area.width() + 2, 15), Qt::AlignCenter,
                         isMeasure ? (isSpelled(step) ? measureNames()[mark] : kLetters[mark])
                         : isKey   ? QString::number(mark - kMeasureMarks + 1)
                                   : kParts[mark - kMeasureMarks - keyCount()]);
    }
    if (isWorst)
        paintWorst(painter, area, labelled);
    if (isChosen && hasFocus())
        painter.fillRect(QRect(area.left(), area.bottom(), area.width() - 1, 2), theme::kAmber);
}

void StepLine::paintGroups(QPainter& painter) const
{
    painter.setFont(theme::font(13));
    for (const Group& group : groups()) {
        const QRect area = groupRect(group);
        const auto& steps = m_shown.steps;
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

/// Its name, and the switch of a step.
void StepLine::paintTitle(QPainter& painter, const QRect& tile, int index) const
{
    const bool isStep = index >= 0 && index < stepCount(), isNarrow = tile.width() < kNarrow;
    int left = tile.left() + 4;
    QString title = index < 0 ? tr("Picture in") : tr("Picture out");
    painter.setPen(theme::kQuietInk);
    if (isStep) {
        const Step& step = m_shown.steps[static_cast<std::size_t>(index)];
        title = isNarrow ? QString::number(index + 1) : QStringLiteral("%1 %2").arg(index + 1).arg(stepTitle(step));
        if (const RoleBinding& where = step.guard.where; where.isBound() && !isNarrow)
            title += (where.isOutside ? tr(" · not %1") : tr(" · %1")).arg(text(where.role));
        painter.setPen(QPen(theme::kInk, 1.4));
        painter.setBrush(step.enabled ? QBrush(theme::kInk) : Qt::NoBrush);
        painter.drawEllipse(switchRect(index).adjusted(3, 3, -3, -3));
        left += isNarrow ? 15 : 18;
        painter.setPen(step.enabled ? theme::kInk : theme::kQuietInk);
        if (!step.enabled && !isNarrow)
            title = tr("%1, off").arg(title);
    }
    int right = tile.right();
    if (const std::size_t differ = isStep && !isNarrow ? m_differ.at(static_cast<std::size_t>(index)) : 0; differ > 0) {
        // On how many frames it is not as it travels.
        const QString words = QStringLiteral("≠ %1").arg(differ);
        painter.setFont(theme::font(13));
        painter.setPen(theme::kQuietInk);
        painter.drawText(QRect(left, tile.top(), right - left - 3, 22), Qt::AlignVCenter | Qt::AlignRight, words);
        right -= painter.fontMetrics().horizontalAdvance(words) + 8;
        painter.setPen(m_shown.steps[static_cast<std::size_t>(index)].enabled ? theme::kInk : theme::kQuietInk);
    }
    painter.setFont(theme::font(13, isStep && index == m_document.looks().selectedStep()));
    const int room = right - left;
    painter.drawText(QRect(left, tile.top(), room, 22), Qt::AlignVCenter | Qt::AlignLeft,
                     tile.width() < 40 ? title : painter.fontMetrics().elidedText(title, Qt::ElideRight, room));
}

void StepLine::paintTile(QPainter& painter, int index) const
{
    const QRect tile = tileRect(index);
    const bool isStep = index >= 0 && index < stepCount();
    const auto [first, last] = range();
    const bool chosen = isStep && index >= first && index <= last;
    const auto& swatches =
        m_swatches[static_cast<std::size_t>(std::clamp(index + 1, 0, static_cast<int>(m_swatches.size()) - 1))];
    painter.setPen(Qt::NoPen);
    if (isStep)
        painter.fillRect(tile, chosen ? theme::kRaised : theme::kPaper);
    paintTitle(painter, tile, index);
    painter.setRenderHint(QPainter::Antialiasing, false);
    const QRectF ramp(tile.left() + 4, tile.top() + 22, tile.width() - 8, 11);
    paintStrip(painter, ramp, swatches.ramp);
    paintStrip(painter, QRectF(ramp.left(), ramp.bottom() + 1, ramp.width(), 11), swatches.colours);
    for (int mark = 0; mark < markCount() && isStep; ++mark)
        paintMark(painter, index, mark);
    if (index < 0 && markCount() > 0 && stepCount() > 0) {
        painter.setPen(theme::kQuietInk);
        painter.setFont(theme::font(13));
        painter.drawText(QRect(tile.left() + 4, tile.top() + 48, tile.width() - 4, 34),
                         Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, tr("what each step did"));
    }
    painter.setRenderHint(QPainter::Antialiasing);
    if (!isStep)
        return;
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(theme::kHairline, 1));
    painter.drawRect(QRectF(tile).adjusted(0.5, 0.5, -0.5, -0.5));
    if (chosen)
        painter.fillRect(QRect(tile.left(), tile.bottom() - 2, tile.width(), 3), theme::kAmber);
}

void StepLine::paintAdd(QPainter& painter) const
{
    const QRect add = addRect();
    painter.setPen(QPen(theme::kQuietInk, 1));
    painter.setBrush(theme::kPaper);
    painter.drawRect(QRectF(add).adjusted(0.5, 0.5, -0.5, -0.5));
    painter.setPen(QPen(theme::kInk, 1.6));
    painter.drawLine(add.center() + QPoint(-6, 0), add.center() + QPoint(7, 0));
    painter.drawLine(add.center() + QPoint(0, -6), add.center() + QPoint(0, 7));
    if (stepCount() > 0)
        return;
    painter.setPen(theme::kQuietInk);
    painter.setFont(theme::font(13));
    painter.drawText(QRect(add.right() + 14, 0, width() - add.right() - 20, height()), Qt::AlignVCenter | Qt::AlignLeft,
                     m_document.looks().fault().isEmpty() ? tr("The look is empty: add its first step.")
                                                          : tr("The look cannot be read."));
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
    paintAdd(painter);
    if (m_dragTo >= 0 && m_dragFrom >= 0 && m_dragTo != m_dragFrom) {
        const QRect target = tileRect(m_dragTo);
        const int x = m_dragTo > m_dragFrom ? target.right() + gap() / 2 : target.left() - gap() / 2;
        painter.fillRect(x - 1, target.top(), 3, target.height(), theme::kAmber);
    }
    if (hasFocus() && m_focusSeen)
        theme::paintFocus(painter, rect());
}

}  // namespace amber
