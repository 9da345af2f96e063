#include "app/places/areas/area_canvas.h"

#include "app/theme/theme.h"

#include <QtWidgets>
#include <cmath>

namespace amber {
namespace {

constexpr double kMargin = 14, kHandle = 7;

}  // namespace

AreaCanvas::AreaCanvas(QWidget* parent) : QWidget(parent)
{
    setObjectName("areaCanvas");
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setTabletTracking(true);
    setCursor(Qt::CrossCursor);
    setAccessibleName(tr("The frame in hand: draw on it; arrows point, Space draws, Shift takes away"));
}

void AreaCanvas::setTool(Tool tool)
{
    m_tool = tool;
    m_isDrawing = false;
    update();
}

void AreaCanvas::setRadius(double radius)
{
    m_radius = std::clamp(radius, kLeastRadius, kMostRadius);
    update();
    emit radiusChanged(m_radius);
}

void AreaCanvas::setPicture(const QImage& picture)
{
    m_picture = picture;
    m_message.clear();
    update();
}

void AreaCanvas::setVeil(const QImage& veil)
{
    m_veil = veil;
    m_veilPainted = false;
    update();
}

void AreaCanvas::setMessage(const QString& words)
{
    m_message = words;
    update();
}

void AreaCanvas::setShape(const std::optional<AreaPart>& part)
{
    m_shape = part;
    update();
}

QRectF AreaCanvas::pictureArea() const
{
    if (m_picture.isNull())
        return {};
    const QRectF room = QRectF(rect()).adjusted(kMargin, kMargin, -kMargin, -kMargin);
    const QSizeF size = QSizeF(m_picture.size()).scaled(room.size(), Qt::KeepAspectRatio);
    return {room.left() + (room.width() - size.width()) / 2, room.top() + (room.height() - size.height()) / 2,
            size.width(), size.height()};
}

Spot AreaCanvas::spotOf(QPointF position) const
{
    const QRectF area = pictureArea();
    return {std::clamp((position.x() - area.left()) / std::max(1.0, area.width()), 0.0, 1.0),
            std::clamp((position.y() - area.top()) / std::max(1.0, area.height()), 0.0, 1.0)};
}

QPointF AreaCanvas::onScreen(Spot spot) const
{
    const QRectF area = pictureArea();
    return {area.left() + spot.x * area.width(), area.top() + spot.y * area.height()};
}

double AreaCanvas::longEdge() const { return std::max(pictureArea().width(), pictureArea().height()); }

// ---- drawing ----

QPointF AreaCanvas::handlePlace(Handle handle) const
{
    if (const auto* ramp = std::get_if<Ramp>(&m_shape->shape))
        return onScreen(handle == Handle::First ? ramp->full : ramp->none);
    const auto& ellipse = std::get<Ellipse>(m_shape->shape);
    const QPointF middle = onScreen(ellipse.middle);
    return handle == Handle::First
               ? middle
               : middle + longEdge() * QPointF(ellipse.halfWidth, ellipse.halfHeight) / std::sqrt(2.0);
}

AreaCanvas::Handle AreaCanvas::handleAt(QPointF at) const
{
    constexpr double kReach = 12;
    const bool isShape = m_shape && ((m_tool == Tool::Ramp && std::holds_alternative<Ramp>(m_shape->shape)) ||
                                     (m_tool == Tool::Ellipse && std::holds_alternative<Ellipse>(m_shape->shape)));
    if (isShape)
        for (const Handle handle : {Handle::Second, Handle::First})
            if (QLineF(at, handlePlace(handle)).length() <= kReach)
                return handle;
    return Handle::None;
}

void AreaCanvas::begin(QPointF at, double pressure, bool isOpposite)
{
    if (m_picture.isNull())
        return;
    m_isDrawing = true;
    m_isOpposite = isOpposite;
    m_begun = spotOf(at);
    m_handle = handleAt(at);
    m_stroke = Stroke{{{m_begun, pressure}}, m_radius, m_softness, 1};
    if (m_handle == Handle::None && (m_tool == Tool::Ramp || m_tool == Tool::Ellipse)) {
        AreaPart part;
        part.join = isOpposite ? AreaPart::Join::Cut : AreaPart::Join::Add;
        if (m_tool == Tool::Ramp)
            part.shape = Ramp{m_begun, m_begun, false};
        else
            part.shape = Ellipse{m_begun, 0.001, 0.001, 0, 0.3};
        m_shape = part;
        m_handle = Handle::Second;
        emit shapeMoved(*m_shape, true);
    }
    update();
}

/// Moves the handle under the hand.
void AreaCanvas::place(Spot at)
{
    if (auto* ramp = std::get_if<Ramp>(&m_shape->shape)) {
        (m_handle == Handle::First ? ramp->full : ramp->none) = at;
    } else {
        auto& ellipse = std::get<Ellipse>(m_shape->shape);
        if (m_handle == Handle::First) {
            ellipse.middle = at;
        } else {
            const QPointF from = onScreen(at) - onScreen(ellipse.middle);
            ellipse.halfWidth = std::max(0.002, std::abs(from.x()) * std::sqrt(2.0) / longEdge());
            ellipse.halfHeight = std::max(0.002, std::abs(from.y()) * std::sqrt(2.0) / longEdge());
        }
    }
    emit shapeMoved(*m_shape, false);
}

void AreaCanvas::move(QPointF at, double pressure)
{
    m_pointer = at;
    if (m_isDrawing && m_shape && m_handle != Handle::None)
        place(spotOf(at));
    else if (m_isDrawing)
        m_stroke.points.push_back({spotOf(at), pressure});
    update();
}

void AreaCanvas::end()
{
    if (!m_isDrawing)
        return;
    m_isDrawing = false;
    const Handle handle = std::exchange(m_handle, Handle::None);
    update();
    if (handle != Handle::None)
        emit shapeEnded();
    else if (m_tool == Tool::Box) {
        const Spot to = m_stroke.points.back().at;
        emit boxDrawn({std::min(m_begun.x, to.x), std::min(m_begun.y, to.y), std::max(m_begun.x, to.x),
                       std::max(m_begun.y, to.y)});
    } else if (m_tool == Tool::Thing || m_tool == Tool::Brush)
        emit strokeDrawn(m_stroke, m_isOpposite);
}

void AreaCanvas::mousePressEvent(QMouseEvent* event)
{
    m_isKeyboard = false;
    begin(event->position(), 1, event->button() == Qt::RightButton || event->modifiers().testFlag(Qt::ShiftModifier));
}

void AreaCanvas::mouseMoveEvent(QMouseEvent* event)
{
    m_isKeyboard = false;
    move(event->position(), 1);
}

void AreaCanvas::mouseReleaseEvent(QMouseEvent*) { end(); }

void AreaCanvas::tabletEvent(QTabletEvent* event)
{
    m_isKeyboard = false;
    event->accept();
    if (event->type() == QEvent::TabletPress)
        begin(event->position(), event->pressure(),
              event->pointerType() == QPointingDevice::PointerType::Eraser ||
                  event->modifiers().testFlag(Qt::ShiftModifier));
    else if (event->type() == QEvent::TabletRelease)
        end();
    else
        move(event->position(), event->pressure());
}

void AreaCanvas::wheelEvent(QWheelEvent* event)
{
    constexpr double kNotch = 120, kStep = 1.15;
    setRadius(m_radius * std::pow(kStep, event->angleDelta().y() / kNotch));
    event->accept();
}

/// The arrows move a pointer, Space presses and lets go, Escape gives up what is being drawn; Shift takes away.
void AreaCanvas::keyPressEvent(QKeyEvent* event)
{
    const double step = event->modifiers().testFlag(Qt::ControlModifier) ? 40 : 8;
    const QPointF way = event->key() == Qt::Key_Left    ? QPointF(-step, 0)
                        : event->key() == Qt::Key_Right ? QPointF(step, 0)
                        : event->key() == Qt::Key_Up    ? QPointF(0, -step)
                        : event->key() == Qt::Key_Down  ? QPointF(0, step)
                                                        : QPointF();
    const bool isOpposite = event->modifiers().testFlag(Qt::ShiftModifier);
    const QPointF at = m_pointer && pictureArea().contains(*m_pointer) ? *m_pointer : pictureArea().center();
    if (!way.isNull() && !event->modifiers().testFlag(Qt::AltModifier)) {
        m_isKeyboard = true;
        const QRectF area = pictureArea();
        move({std::clamp(at.x() + way.x(), area.left(), area.right()),
              std::clamp(at.y() + way.y(), area.top(), area.bottom())},
             1);
    } else if (event->key() == Qt::Key_Space) {
        m_isKeyboard = true;
        m_pointer = at;
        m_isDrawing ? end() : begin(at, 1, isOpposite);
    } else if (event->key() == Qt::Key_Escape && m_isDrawing) {
        m_isDrawing = false;
        if (std::exchange(m_handle, Handle::None) != Handle::None)
            emit shapeLeft();
        update();
    } else if (event->key() == Qt::Key_BracketLeft || event->key() == Qt::Key_BracketRight) {
        setRadius(m_radius * (event->key() == Qt::Key_BracketLeft ? 1 / 1.15 : 1.15));
    } else {
        QWidget::keyPressEvent(event);
    }
}

void AreaCanvas::leaveEvent(QEvent*)
{
    if (!m_isKeyboard)
        m_pointer.reset();
    update();
}

// ---- painting ----

void AreaCanvas::paintDrawing(QPainter& painter) const
{
    if (!m_isDrawing || m_handle != Handle::None || m_stroke.points.empty())
        return;
    if (m_tool == Tool::Box) {
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

void AreaCanvas::paintShape(QPainter& painter) const
{
    const bool isRamp = m_shape && std::holds_alternative<Ramp>(m_shape->shape),
               isEllipse = m_shape && std::holds_alternative<Ellipse>(m_shape->shape);
    if ((!isRamp || m_tool != Tool::Ramp) && (!isEllipse || m_tool != Tool::Ellipse))
        return;
    const QPointF first = handlePlace(Handle::First), second = handlePlace(Handle::Second);
    painter.setBrush(Qt::NoBrush);
    for (const auto& [colour, width] : {std::pair(QColor(0, 0, 0, 160), 3.0), std::pair(theme::kRaised, 1.2)}) {
        painter.setPen(QPen(colour, width));
        if (isRamp) {
            const QLineF way(first, second);
            painter.drawLine(way);
            QPointF across = way.length() > 0.5 ? QPointF(-way.dy(), way.dx()) * 60 / way.length() : QPointF(60, 0);
            painter.drawLine(QLineF(first - across, first + across));
            painter.drawLine(QLineF(second - across * 0.5, second + across * 0.5));
        } else {
            const auto& e = std::get<Ellipse>(m_shape->shape);
            painter.drawEllipse(first, e.halfWidth * longEdge(), e.halfHeight * longEdge());
        }
    }
    painter.setPen(QPen(QColor(0, 0, 0, 200), 1.5));
    painter.setBrush(theme::kRaised);
    painter.drawRect(QRectF(first.x() - kHandle / 2, first.y() - kHandle / 2, kHandle, kHandle));
    painter.drawEllipse(second, kHandle / 2 + 1, kHandle / 2 + 1);
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
        painter.drawImage(area, m_picture);
        if (!m_veil.isNull())
            painter.drawImage(area, m_veil);
        painter.setClipRect(area.adjusted(-2, -2, 2, 2));
        paintDrawing(painter);
        paintShape(painter);
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
