// How the canvas of the Areas place is painted.
#include "app/places/areas/area_canvas.h"
#include "app/theme/theme.h"

#include <QtWidgets>
#include <cmath>

namespace amber {
namespace {

constexpr double kHandle = 7;

}  // namespace

void AreaCanvas::paintDrawing(QPainter& painter) const
{
    if (!m_isDrawing || m_handle != kNoHandle || m_stroke.points.empty())
        return;
    if (m_tool == Tool::Box || m_tool == Tool::Range) {
        painter.setPen(QPen(theme::kAmber, 1.5));
        painter.drawRect(QRectF(onScreen(m_begun), onScreen(m_stroke.points.back().at)).normalized());
        return;
    }
    QColor ink = m_isOpposite ? QColor(0, 0, 0) : theme::kAmber;
    ink.setAlpha(120);
    painter.setBrush(Qt::NoBrush);
    QPainterPath path(onScreen(m_stroke.points.front().at));
    double pressure = 0;
    for (const Stroke::Point& p : m_stroke.points) {
        path.lineTo(onScreen(p.at) + QPointF(0.01, 0));
        pressure = std::max(pressure, p.pressure);
    }
    painter.setPen(QPen(ink, 2 * m_stroke.radius * pressure * longEdge(), Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    painter.drawPath(path);
}

/// One that is not closed yet, with a line to the pointer.
void AreaCanvas::paintOutline(QPainter& painter) const
{
    if (m_outline.empty())
        return;
    QPolygonF line;
    for (const Spot& p : m_outline)
        line << onScreen(p);
    if (m_pointer)
        line << *m_pointer;
    painter.setBrush(Qt::NoBrush);
    for (const auto& [colour, width] : {std::pair(QColor(0, 0, 0, 160), 3.0), std::pair(theme::kAmber, 1.4)}) {
        painter.setPen(QPen(colour, width));
        painter.drawPolyline(line);
    }
    painter.setPen(QPen(QColor(0, 0, 0, 200), 1.5));
    painter.setBrush(theme::kRaised);
    painter.drawEllipse(onScreen(m_outline.front()), kHandle / 2 + 1, kHandle / 2 + 1);
}

namespace {

/// The lines of a shape, from where its handles are.
QPainterPath linesOf(const AreaPart& part, const std::vector<QPointF>& at)
{
    QPainterPath path;
    if (std::holds_alternative<Ramp>(part.shape)) {
        const QLineF way(at[0], at[1]);
        const QPointF across = way.length() > 0.5 ? QPointF(-way.dy(), way.dx()) * 60 / way.length() : QPointF(60, 0);
        path.moveTo(at[0]), path.lineTo(at[1]);
        path.moveTo(at[0] - across), path.lineTo(at[0] + across);
        path.moveTo(at[1] - across * 0.5), path.lineTo(at[1] + across * 0.5);
    } else if (std::holds_alternative<Ellipse>(part.shape)) {
        const QLineF across(at[0], at[1]), down(at[0], at[2]);
        QPainterPath round;
        round.addEllipse(QPointF(), across.length(), down.length());
        path = QTransform().translate(at[0].x(), at[0].y()).rotate(-across.angle()).map(round);
    } else if (!at.empty()) {
        path.addPolygon(QPolygonF(QVector<QPointF>(at.begin(), at.end())));
        path.closeSubpath();
    }
    return path;
}

}  // namespace

void AreaCanvas::paintShape(QPainter& painter) const
{
    if (!isShown())
        return;
    const std::vector<QPointF> places = handlePlaces();
    const QPainterPath lines = linesOf(*m_shape, places);
    painter.setBrush(Qt::NoBrush);
    for (const auto& [colour, width] : {std::pair(QColor(0, 0, 0, 160), 3.0), std::pair(theme::kRaised, 1.2)}) {
        painter.setPen(QPen(colour, width));
        painter.drawPath(lines);
    }
    painter.setPen(QPen(QColor(0, 0, 0, 200), 1.5));
    painter.setBrush(theme::kRaised);
    const bool isOutline = std::holds_alternative<Outline>(m_shape->shape);
    for (std::size_t i = 0; i < places.size(); ++i)
        if (i == 0 && !isOutline)
            painter.drawRect(QRectF(places[i].x() - kHandle / 2, places[i].y() - kHandle / 2, kHandle, kHandle));
        else
            painter.drawEllipse(places[i], kHandle / 2 + 1, kHandle / 2 + 1);
}

void AreaCanvas::paintPointer(QPainter& painter) const
{
    if (!m_pointer)
        return;
    const bool isStroke = m_tool == Tool::Thing || m_tool == Tool::Brush;
    const double radius = isStroke ? m_radius * longEdge() : 9;
    if (!isStroke && !m_isKeyboard)
        return;
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(QColor(0, 0, 0, 170), 2.4));
    painter.drawEllipse(*m_pointer, radius, radius);
    painter.setPen(QPen(theme::kRaised, 1));
    painter.drawEllipse(*m_pointer, radius, radius);
}

void AreaCanvas::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillRect(rect(), theme::kWall);
    if (!m_picture.isNull()) {
        const QRectF area = pictureArea();
        const qreal ratio = devicePixelRatioF();
        if (const QSize size = (area.size() * ratio).toSize(); m_scaled.size() != size) {
            m_scaled = QPixmap::fromImage(m_picture.scaled(size, Qt::IgnoreAspectRatio, Qt::SmoothTransformation));
            m_scaled.setDevicePixelRatio(ratio);
        }
        painter.drawPixmap(area.topLeft(), m_scaled);
        if (!m_veil.isNull())
            painter.drawImage(area, m_veil);
        painter.setClipRect(area.adjusted(-2, -2, 2, 2));
        paintDrawing(painter);
        paintShape(painter);
        paintOutline(painter);
        paintPointer(painter);
        painter.setClipping(false);
    }
    m_veilPainted = true;
    if (!m_message.isEmpty()) {
        painter.setPen(theme::kWallInk);
        painter.setFont(theme::font(14));
        painter.drawText(rect().adjusted(20, 20, -20, -20), Qt::AlignCenter | Qt::TextWordWrap, m_message);
    }
    if (hasFocus() && m_isKeyboard)
        theme::paintFocus(painter, QRectF(rect()).adjusted(1, 1, -1, -1));
}

}  // namespace amber
