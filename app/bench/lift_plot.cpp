#include "app/bench/lift_plot.h"

#include "app/display/screen_view.h"
#include "app/theme/theme.h"

namespace amber {

double LiftPlot::toY(double lift) const { return plot().center().y() - lift / m_range * plot().height() / 2; }
double LiftPlot::toLift(double y) const { return (plot().center().y() - y) / (plot().height() / 2) * m_range; }
void LiftPlot::makeRoom(double lift) { m_range = std::max(kSmallestRange, std::abs(lift) * 1.15); }

void LiftPlot::paintLevels(QPainter& painter) const
{
    const QRectF area = plot();
    const double step = m_range > 0.7 ? 0.4 : m_range > 0.35 ? 0.2 : 0.1;
    painter.setFont(theme::font(13));
    for (int i = -10; i <= 10; ++i) {
        const double lift = i * step, y = std::round(toY(lift)) + 0.5;
        if (std::abs(lift) > m_range * 0.97)
            continue;
        painter.setPen(QPen(theme::kHairline, 1, i == 0 ? Qt::SolidLine : Qt::DotLine));
        painter.drawLine(QPointF(area.left(), y), QPointF(area.right(), y));
        painter.setPen(theme::kQuietInk);
        const QString label =
            i == 0 ? QStringLiteral("0")
                   : (lift > 0 ? QStringLiteral("+") : QStringLiteral("\u2212")) + theme::decimal(std::abs(lift), 1);
        painter.drawText(QRectF(0, y - 8, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter, label);
    }
    painter.drawText(QRectF(toX(0) + 8, area.top() + 1, 80, 15), Qt::AlignLeft | Qt::AlignVCenter, tr("lighter"));
    painter.drawText(QRectF(toX(0) + 8, area.bottom() - 16, 80, 15), Qt::AlignLeft | Qt::AlignVCenter, tr("darker"));
}

void LiftPlot::paintCurve(QPainter& painter, const std::function<double(double)>& curve, const QColor& colour,
                          double width, const QString& letter, double letterAt) const
{
    const QRectF area = plot();
    QPolygonF line;
    for (double x = area.left(); x <= area.right(); x += 2) {
        const double at = toAt(x);
        line << QPointF(x, toY(curve(at) - at));
    }
    painter.save();
    painter.setClipRect(area.adjusted(0, -1, 0, 1));
    painter.setPen(QPen(colour, width));
    painter.setBrush(Qt::NoBrush);
    painter.drawPolyline(line);
    painter.restore();
    if (letter.isEmpty())
        return;
    const double x = area.left() + letterAt * area.width(), at = toAt(x);
    const QRectF box(x - 8, std::clamp(toY(curve(at) - at), area.top() + 8, area.bottom() - 8) - 8, 16, 16);
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme::kPaper);
    painter.drawEllipse(box);
    painter.setPen(colour);
    painter.setFont(theme::font(13, true));
    painter.drawText(box, Qt::AlignCenter, letter);
}

void LiftPlot::paintRamps(QPainter& painter, const std::function<QColor(double)>& leaving) const
{
    const QRectF area = plot();
    painter.setRenderHint(QPainter::Antialiasing, false);
    for (double x = std::floor(area.left()); x < area.right(); x += 3) {
        const double at = std::clamp(toAt(x + 1.5), 0.0, 1.0), y = at * at * at;
        painter.fillRect(QRectF(x, area.top() - 14, 3, 11), leaving(at));
        painter.fillRect(QRectF(x, area.bottom() + 3, 3, 11), screenColour({y, y, y}));
    }
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(theme::kQuietInk);
    painter.setFont(theme::font(13));
    painter.drawText(QRectF(0, area.top() - 17, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter, tr("out"));
    painter.drawText(QRectF(0, area.bottom() + 1, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter, tr("in"));
}

}  // namespace amber
