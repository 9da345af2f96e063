#include "app/bench/family_plot.h"

#include "app/theme/theme.h"
#include "app/words/words.h"
#include "core/colour/oklab.h"

namespace amber {
namespace {

constexpr double kRanges[] = {40, 0.8, 0.12}, kNudges[] = {1, 0.02, 0.004};
constexpr double kTornSlope = 0.25;

double neutralOf(FamilyPlot::Quantity quantity) { return quantity == FamilyPlot::Quantity::Chroma ? 1 : 0; }
std::size_t at(FamilyPlot::Quantity quantity) { return static_cast<std::size_t>(quantity); }

}  // namespace

FamilyPlot::FamilyPlot(QWidget* parent) : AxisPlot(Axis::Hue, parent)
{
    setObjectName("familyPlot");
    setAccessibleName(tr("Hue families"));
    setToolTip(tr("Drag a family's ring up or down; drag its bar across to move it and the bar's right end to widen "
                  "it; double-click the plot to add one"));
}

double FamilyPlot::valueOf(const HueMove& move, Quantity quantity)
{
    return quantity == Quantity::Turn ? move.turnDegrees : quantity == Quantity::Chroma ? move.chroma : move.lightness;
}

void FamilyPlot::setValue(HueMove& move, Quantity quantity, double value)
{
    switch (quantity) {
    case Quantity::Turn:
        move.turnDegrees = std::clamp(value, -180.0, 180.0);
        break;
    case Quantity::Chroma:
        move.chroma = std::clamp(value, 0.0, 3.0);
        break;
    case Quantity::Lightness:
        move.lightness = std::clamp(value, -0.3, 0.3);
        break;
    }
}

void FamilyPlot::show(const HueShifts& step, Quantity quantity)
{
    const bool other = quantity != m_quantity;
    m_step = step;
    m_quantity = quantity;
    if (!isDragging() || other) {
        m_range = kRanges[at(quantity)];
        for (const HueFamily& f : m_step.families)
            m_range = std::max(m_range, 1.15 * std::abs(valueOf(f.move, quantity) - neutralOf(quantity)));
    }
    update();
}

QString FamilyPlot::actionName() const
{
    const int family = familyOf(selected());
    return family < familyCount() ? tr("%1 moved").arg(text(m_step.families[static_cast<std::size_t>(family)].name))
                                  : tr("Family moved");
}

double FamilyPlot::toY(double value) const
{
    return plot().center().y() - (value - neutralOf(m_quantity)) / m_range * plot().height() / 2;
}
double FamilyPlot::bandY() const { return plot().bottom() + 28; }

QPointF FamilyPlot::handlePlace(int handle) const
{
    const HueFamily& f = m_step.families[static_cast<std::size_t>(familyOf(handle))];
    if (handle < familyCount())
        return {toX(f.centreDegrees), toY(valueOf(f.move, m_quantity))};
    if (handle < 2 * familyCount())
        return {toX(f.centreDegrees), bandY()};
    return {toX(wrapDegrees(f.centreDegrees + f.widthDegrees / 2)), bandY()};
}

void FamilyPlot::moveHandle(int handle, QPointF to)
{
    HueFamily& f = m_step.families[static_cast<std::size_t>(familyOf(handle))];
    if (handle < familyCount())
        setValue(f.move, m_quantity,
                 neutralOf(m_quantity) + (plot().center().y() - to.y()) / (plot().height() / 2) * m_range);
    else if (handle < 2 * familyCount())
        f.centreDegrees = std::clamp(toAt(to.x()), 0.0, 360.0);
    else
        f.widthDegrees = std::clamp(2 * wrapDegrees(toAt(to.x()) - f.centreDegrees), 15.0, 180.0);
    changed(m_step);
}

void FamilyPlot::nudgeHandle(int handle, int across, int up, bool coarse)
{
    HueFamily& f = m_step.families[static_cast<std::size_t>(familyOf(handle))];
    const double times = coarse ? 10 : 1;
    if (up != 0)
        setValue(f.move, m_quantity, valueOf(f.move, m_quantity) + up * times * kNudges[at(m_quantity)]);
    else if (handle < 2 * familyCount())
        f.centreDegrees = wrapDegrees(f.centreDegrees + across * times);
    else
        f.widthDegrees = std::clamp(f.widthDegrees + across * times, 15.0, 180.0);
    changed(m_step);
}

int FamilyPlot::addHandle(QPointF place)
{
    if (m_step.families.size() >= kFamilyLimit)
        return -1;
    HueFamily f;
    f.centreDegrees = std::clamp(toAt(place.x()), 0.0, 360.0);
    f.widthDegrees = 40;
    f.name = tr("Family %1").arg(m_step.families.size() + 1).toStdString();
    m_step.families.push_back(f);
    changed(m_step);
    return familyCount() - 1;
}

void FamilyPlot::removeHandle(int handle)
{
    m_step.families.erase(m_step.families.begin() + familyOf(handle));
    changed(m_step);
}

void FamilyPlot::resetHandle(int handle)
{
    m_step.families[static_cast<std::size_t>(familyOf(handle))].move = HueMove{};
    changed(m_step);
}

void FamilyPlot::paintStrips(QPainter& painter) const
{
    const QRectF area = plot();
    painter.setRenderHint(QPainter::Antialiasing, false);
    for (double x = std::floor(area.left()); x < area.right(); x += 3) {
        const double hue = wrapDegrees(toAt(x + 1.5));
        const HueMove m = moveAtHue(m_step, hue);
        painter.fillRect(
            QRectF(x, area.top() - 15, 3, 11),
            hueColour(hue + m.turnDegrees, std::clamp(0.7 + m.lightness, 0.0, 1.0), 0.11 * std::max(0.0, m.chroma)));
        painter.fillRect(QRectF(x, area.bottom() + 3, 3, 11), hueColour(hue));
    }
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(theme::kQuietInk);
    painter.setFont(theme::font(13));
    painter.drawText(QRectF(0, area.top() - 17, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter, tr("out"));
    painter.drawText(QRectF(0, area.bottom() + 1, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter, tr("in"));
}

void FamilyPlot::paintLevels(QPainter& painter) const
{
    const QRectF area = plot();
    painter.setFont(theme::font(13));
    for (int i : {-1, 0, 1}) {
        const double value = neutralOf(m_quantity) + i * m_range * 0.75, y = std::round(toY(value)) + 0.5;
        painter.setPen(QPen(theme::kHairline, 1, i == 0 ? Qt::SolidLine : Qt::DotLine));
        painter.drawLine(QPointF(area.left(), y), QPointF(area.right(), y));
        painter.setPen(theme::kQuietInk);
        QString label = m_quantity == Quantity::Turn     ? QString::number(value, 'f', 0) + QStringLiteral("°")
                        : m_quantity == Quantity::Chroma ? QStringLiteral("×") + theme::decimal(value, 1)
                                                         : theme::decimal(value, 2);
        painter.drawText(QRectF(0, y - 8, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter,
                         label.replace('-', QStringLiteral("\u2212")));
    }
}

void FamilyPlot::paintMove(QPainter& painter) const
{
    const QRectF area = plot();
    QPolygonF line, share;
    const int chosen = familyOf(selected());
    share << QPointF(area.left(), area.bottom());
    for (double x = area.left(); x <= area.right() + 0.5; x += 2) {
        const double hue = toAt(x);
        const HueMove m = moveAtHue(m_step, hue);
        line << QPointF(x, toY(valueOf(m, m_quantity)));
        if (chosen < familyCount())
            share << QPointF(x,
                             area.bottom() -
                                 area.height() *
                                     weightsAt(m_step, toOkLab(OkLch{0.6, 10, hue}))[static_cast<std::size_t>(chosen)]);
    }
    share << QPointF(area.right(), area.bottom());
    painter.save();
    painter.setClipRect(area);
    painter.setPen(QPen(theme::kGhost, 1, Qt::DashLine));
    painter.setBrush(Qt::NoBrush);
    painter.drawPolyline(share);
    painter.setPen(QPen(theme::kInk, 2));
    painter.drawPolyline(line);
    painter.restore();
}

void FamilyPlot::paintFamilies(QPainter& painter) const
{
    const QRectF area = plot();
    for (int i = 0; i < familyCount(); ++i) {
        const HueFamily& f = m_step.families[static_cast<std::size_t>(i)];
        const bool chosen = familyOf(selected()) == i;
        const double half = f.widthDegrees / 2 / 360 * area.width(), x = toX(f.centreDegrees), y = bandY();
        painter.save();
        painter.setClipRect(QRectF(area.left(), y - 14, area.width(), 28));
        for (double shift : {-area.width(), 0.0, area.width()}) {
            const QRectF bar(x - half + shift, y - 7, 2 * half, 14);
            painter.setPen(QPen(chosen ? theme::kInk : theme::kGhost, chosen ? 1.6 : 1));
            painter.setBrush(chosen ? theme::kPaper : Qt::NoBrush);
            if (chosen)
                painter.drawRect(bar);
            painter.drawLine(QPointF(bar.left(), y + 7), QPointF(bar.left(), y - 7));
            painter.drawLine(QPointF(bar.right(), y + 7), QPointF(bar.right(), y - 7));
            if (chosen)
                painter.fillRect(QRectF(bar.right() - 2, y - 7, 4, 14),
                                 selected() >= 2 * familyCount() ? theme::kAmber : theme::kInk);
            painter.setPen(chosen ? theme::kInk : theme::kQuietInk);
            painter.setFont(theme::font(13, chosen));
            painter.drawText(
                bar.adjusted(2, -2, -2, 2), Qt::AlignCenter,
                painter.fontMetrics().elidedText(text(f.name), Qt::ElideRight, static_cast<int>(bar.width()) - 4));
        }
        painter.restore();
        if (chosen) {
            painter.setPen(QPen(theme::kGhost, 1));
            painter.drawLine(QPointF(x, handlePlace(i).y()), QPointF(x, area.bottom()));
        }
    }
    for (int i = 0; i < familyCount(); ++i)
        paintHandle(painter, handlePlace(i), familyOf(selected()) == i);
}

void FamilyPlot::paintTear(QPainter& painter) const
{
    const TearMeter tear = tearMeter(m_step);
    if (tear.smallestHueSlope > kTornSlope)
        return;
    const QRectF area = plot();
    const double x = toX(tear.atDegrees);
    painter.fillRect(QRectF(x - 14, area.top(), 28, area.height()), QBrush(theme::kQuietInk, Qt::BDiagPattern));
    const QString words = (tear.smallestHueSlope <= 0 ? tr("hues fold over between %1 (slope %2, keep above 0)")
                                                      : tr("hues nearly fold between %1 (slope %2)"))
                              .arg(text(tear.families))
                              .arg(theme::decimal(tear.smallestHueSlope, 2));
    painter.setFont(theme::font(13, true));
    const double width = painter.fontMetrics().horizontalAdvance(words) + 14;
    const QRectF box(std::clamp(x - width / 2, area.left(), area.right() - width), area.top() + 4, width, 20);
    painter.setPen(QPen(theme::kInk, 1));
    painter.setBrush(theme::kPaper);
    painter.drawRect(box);
    painter.drawText(box, Qt::AlignCenter, words);
}

void FamilyPlot::paintPlot(QPainter& painter)
{
    paintStrips(painter);
    paintLevels(painter);
    paintMove(painter);
    paintTear(painter);
    paintFamilies(painter);
}

}  // namespace amber
