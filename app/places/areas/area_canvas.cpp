#include "app/places/areas/area_canvas.h"

#include "app/theme/theme.h"

#include <QtWidgets>
#include <cmath>

namespace amber {
namespace {

constexpr double kMargin = 14;

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
    leaveDrawing();
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
    m_scaled = {};
    m_message.clear();
    leaveDrawing();
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

bool AreaCanvas::isShown() const
{
    return m_shape && ((m_tool == Tool::Ramp && std::holds_alternative<Ramp>(m_shape->shape)) ||
                       (m_tool == Tool::Ellipse && std::holds_alternative<Ellipse>(m_shape->shape)) ||
                       (m_tool == Tool::Outline && std::holds_alternative<Outline>(m_shape->shape)));
}

namespace {

/// The ends of an ellipse's axes from its middle, for one of longer edge 1.
std::pair<QPointF, QPointF> axesOf(const Ellipse& e)
{
    const double turn = e.turnDegrees * M_PI / 180;
    return {e.halfWidth * QPointF(std::cos(turn), std::sin(turn)),
            e.halfHeight * QPointF(-std::sin(turn), std::cos(turn))};
}

}  // namespace

std::vector<QPointF> AreaCanvas::handlePlaces() const
{
    std::vector<QPointF> places;
    if (const auto* ramp = std::get_if<Ramp>(&m_shape->shape)) {
        places = {onScreen(ramp->full), onScreen(ramp->none)};
    } else if (const auto* ellipse = std::get_if<Ellipse>(&m_shape->shape)) {
        const QPointF middle = onScreen(ellipse->middle);
        const auto [across, down] = axesOf(*ellipse);
        places = {middle, middle + longEdge() * across, middle + longEdge() * down};
    } else if (const auto* outline = std::get_if<Outline>(&m_shape->shape)) {
        for (const Spot& p : outline->points)
            places.push_back(onScreen(p));
    }
    return places;
}

int AreaCanvas::handleAt(QPointF at) const
{
    constexpr double kReach = 12;
    if (!isShown())
        return kNoHandle;
    const std::vector<QPointF> places = handlePlaces();
    int nearest = kNoHandle;
    double least = kReach;
    // Of two in one place the later: the end of an axis before the middle.
    for (int i = 0; i < static_cast<int>(places.size()); ++i)
        if (const double far = QLineF(at, places[static_cast<std::size_t>(i)]).length(); far <= least)
            least = far, nearest = i;
    return nearest;
}

void AreaCanvas::begin(QPointF at, double pressure, bool isOpposite)
{
    if (m_picture.isNull())
        return;
    m_handle = m_outline.empty() ? handleAt(at) : kNoHandle;
    if (m_tool == Tool::Outline && m_handle == kNoHandle)
        return addPoint(at, isOpposite);
    m_isDrawing = true;
    m_isOpposite = isOpposite;
    m_begun = spotOf(at);
    m_stroke = Stroke{{{m_begun, pressure}}, m_radius, m_softness, 1};
    if (m_handle == kNoHandle && (m_tool == Tool::Ramp || m_tool == Tool::Ellipse)) {
        AreaPart part;
        part.join = isOpposite ? AreaPart::Join::Cut : AreaPart::Join::Add;
        if (m_tool == Tool::Ramp)
            part.shape = Ramp{m_begun, m_begun, false};
        else
            part.shape = Ellipse{m_begun, 0.001, 0.001, 0, 0.3};
        m_shape = part;
        m_handle = m_tool == Tool::Ramp ? 1 : kCorner;
        emit shapeMoved(*m_shape, true);
    }
    update();
}

void AreaCanvas::placeEllipse(Ellipse& ellipse, Spot at)
{
    constexpr double kLeast = 0.002;
    const QPointF from = (onScreen(at) - onScreen(ellipse.middle)) / longEdge();
    const double far = std::max(kLeast, std::hypot(from.x(), from.y()));
    switch (m_handle) {
    case kMiddle:
        ellipse.middle = at;
        break;
    case kAcross:
        ellipse.halfWidth = far;
        ellipse.turnDegrees = std::atan2(from.y(), from.x()) * 180 / M_PI;
        break;
    case kDown:
        ellipse.halfHeight = far;
        ellipse.turnDegrees = std::atan2(-from.x(), from.y()) * 180 / M_PI;
        break;
    default:
        ellipse.halfWidth = std::max(kLeast, std::abs(from.x()) * std::sqrt(2.0));
        ellipse.halfHeight = std::max(kLeast, std::abs(from.y()) * std::sqrt(2.0));
    }
}

/// Moves the handle under the hand.
void AreaCanvas::place(Spot at)
{
    if (auto* ramp = std::get_if<Ramp>(&m_shape->shape))
        (m_handle == 0 ? ramp->full : ramp->none) = at;
    else if (auto* ellipse = std::get_if<Ellipse>(&m_shape->shape))
        placeEllipse(*ellipse, at);
    else if (auto* outline = std::get_if<Outline>(&m_shape->shape))
        outline->points.at(static_cast<std::size_t>(m_handle)) = at;
    emit shapeMoved(*m_shape, false);
}

void AreaCanvas::move(QPointF at, double pressure)
{
    m_pointer = at;
    if (m_isDrawing && m_shape && m_handle != kNoHandle)
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
    const int handle = std::exchange(m_handle, kNoHandle);
    update();
    if (handle != kNoHandle)
        emit shapeEnded();
    else if (m_tool == Tool::Box || m_tool == Tool::Range)
        endBox();
    else if (m_tool == Tool::Thing || m_tool == Tool::Brush)
        emit strokeDrawn(m_stroke, m_isOpposite);
}

void AreaCanvas::endBox()
{
    const Spot to = m_stroke.points.back().at;
    Region box{std::min(m_begun.x, to.x), std::min(m_begun.y, to.y), std::max(m_begun.x, to.x),
               std::max(m_begun.y, to.y)};
    if (m_tool == Tool::Box) {
        emit boxDrawn(box, m_isOpposite);
        return;
    }
    // A click is a small box.
    const QRectF area = pictureArea();
    const double across = 3 / std::max(1.0, area.width()), down = 3 / std::max(1.0, area.height());
    box = {box.left - across, box.top - down, box.right + across, box.bottom + down};
    emit coloursPicked(box, m_isOpposite);
}

// ---- outlines, point by point ----

void AreaCanvas::addPoint(QPointF at, bool isOpposite)
{
    constexpr double kNear = 12;
    constexpr std::size_t kLeast = 3;
    if (m_outline.empty())
        m_isOpposite = isOpposite;
    if (m_outline.size() >= kLeast && QLineF(at, onScreen(m_outline.front())).length() <= kNear)
        return closeOutline();
    if (m_outline.size() < kPointLimit)
        m_outline.push_back(spotOf(at));
    update();
}

void AreaCanvas::closeOutline()
{
    constexpr std::size_t kLeast = 3;
    if (m_outline.size() >= kLeast) {
        AreaPart part;
        part.join = m_isOpposite ? AreaPart::Join::Cut : AreaPart::Join::Add;
        part.shape = Outline{std::exchange(m_outline, {}), false};
        m_shape = part;
        emit shapeMoved(*m_shape, true);
        emit shapeEnded();
    }
    update();
}

void AreaCanvas::leaveDrawing()
{
    m_outline.clear();
    m_isDrawing = false;
    if (std::exchange(m_handle, kNoHandle) != kNoHandle)
        emit shapeLeft();
    update();
}

/// While one is drawn Enter closes it, and the backspace takes its last point away.
bool AreaCanvas::keyOfOutline(QKeyEvent* event)
{
    if (m_outline.empty())
        return false;
    if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)
        closeOutline();
    else if (event->key() == Qt::Key_Backspace || event->key() == Qt::Key_Delete)
        m_outline.pop_back();
    else
        return false;
    update();
    return true;
}

bool AreaCanvas::event(QEvent* event)
{
    // Keys that are shortcuts of the place otherwise.
    if (event->type() == QEvent::ShortcutOverride && !m_outline.empty()) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Return || key == Qt::Key_Enter || key == Qt::Key_Delete || key == Qt::Key_Backspace) {
            event->accept();
            return true;
        }
    }
    return QWidget::event(event);
}

void AreaCanvas::mouseDoubleClickEvent(QMouseEvent* event)
{
    if (m_tool == Tool::Outline && !m_outline.empty())
        closeOutline();
    else
        mousePressEvent(event);
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
    } else if (event->key() == Qt::Key_Escape && (m_isDrawing || !m_outline.empty())) {
        leaveDrawing();
    } else if (keyOfOutline(event)) {
        return;
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

}  // namespace amber
