#include "app/places/balance/crop_overlay.h"

#include "app/theme/theme.h"
#include "app/wall/picture_view.h"

#include <QtWidgets>

namespace amber {
namespace {
constexpr double kReach = 9, kLeast = 0.04;
}

CropOverlay::CropOverlay(PictureView& picture) : QWidget(&picture), m_picture(picture)
{
    setObjectName("cropOverlay");
    setAccessibleName(tr("Crop"));
    setAccessibleDescription(
        tr("Arrow keys slide it, with Shift they change its size; G changes the guide; Enter ends"));
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    picture.installEventFilter(this);
    setGeometry(picture.rect());
    hide();
}

bool CropOverlay::eventFilter(QObject*, QEvent* event)
{
    if (event->type() == QEvent::Resize)
        setGeometry(m_picture.rect());
    return false;
}

void CropOverlay::setCrop(const Region& crop)
{
    m_crop = crop;
    update();
}

void CropOverlay::setRatios(double held, double whole) { m_held = held, m_whole = whole; }

QRectF CropOverlay::cropArea() const
{
    const QRectF area = m_picture.pictureArea();
    return {area.left() + m_crop.left * area.width(), area.top() + m_crop.top * area.height(),
            (m_crop.right - m_crop.left) * area.width(), (m_crop.bottom - m_crop.top) * area.height()};
}

QPointF CropOverlay::placeOf(QPointF at) const
{
    const QRectF area = m_picture.pictureArea();
    return {std::clamp((at.x() - area.left()) / std::max(1.0, area.width()), 0.0, 1.0),
            std::clamp((at.y() - area.top()) / std::max(1.0, area.height()), 0.0, 1.0)};
}

int CropOverlay::edgesAt(QPointF at) const
{
    const QRectF r = cropArea();
    if (!r.adjusted(-kReach, -kReach, kReach, kReach).contains(at))
        return New;
    const int edges = (std::abs(at.x() - r.left()) <= kReach    ? Left
                       : std::abs(at.x() - r.right()) <= kReach ? Right
                                                                : 0) |
                      (std::abs(at.y() - r.top()) <= kReach      ? Top
                       : std::abs(at.y() - r.bottom()) <= kReach ? Bottom
                                                                 : 0);
    // A crop that is all of the picture cannot slide: one is drawn in it.
    return edges != 0 ? edges : m_crop.isWhole() ? New : Inside;
}

/// Held to its ratio: the side that is not dragged follows, about its middle for an edge, away from the corner that
/// stays for a corner.
Region CropOverlay::shaped(Region c, int edges) const
{
    if (m_held <= 0)
        return c;
    const double perWidth = m_whole / m_held;  // height of a width, in fractions
    if (edges & (Left | Right)) {
        const double height = (c.right - c.left) * perWidth;
        if (edges & Top)
            c.top = c.bottom - height;
        else if (edges & Bottom)
            c.bottom = c.top + height;
        else
            c.top = (c.top + c.bottom - height) / 2, c.bottom = c.top + height;
    } else if (edges & (Top | Bottom)) {
        const double width = (c.bottom - c.top) / perWidth;
        c.left = (c.left + c.right - width) / 2, c.right = c.left + width;
    }
    const double over = std::max(c.right - c.left, c.bottom - c.top);
    if (over > 1) {  // larger than the picture: smaller about its middle
        const double x = (c.left + c.right) / 2, y = (c.top + c.bottom) / 2, w = (c.right - c.left) / over / 2,
                     h = (c.bottom - c.top) / over / 2;
        c = {x - w, y - h, x + w, y + h};
    }
    return c;
}

Region CropOverlay::dragged(QPointF place) const
{
    Region c = m_begun;
    if (m_edges == Inside) {
        const QPointF from = placeOf(m_pressed);
        const double dx = std::clamp(place.x() - from.x(), -c.left, 1 - c.right),
                     dy = std::clamp(place.y() - from.y(), -c.top, 1 - c.bottom);
        return {c.left + dx, c.top + dy, c.right + dx, c.bottom + dy};
    }
    if (m_edges == New) {
        const QPointF from = placeOf(m_pressed);
        c = {std::min(from.x(), place.x()), std::min(from.y(), place.y()), std::max(from.x(), place.x()),
             std::max(from.y(), place.y())};
        if (c.right - c.left < kLeast || c.bottom - c.top < kLeast)
            return m_begun;
        return shaped(c, (place.x() < from.x() ? Left : Right) | (place.y() < from.y() ? Top : Bottom));
    }
    if (m_edges & Left)
        c.left = std::min(place.x(), c.right - kLeast);
    if (m_edges & Right)
        c.right = std::max(place.x(), c.left + kLeast);
    if (m_edges & Top)
        c.top = std::min(place.y(), c.bottom - kLeast);
    if (m_edges & Bottom)
        c.bottom = std::max(place.y(), c.top + kLeast);
    return shaped(c, m_edges);
}

void CropOverlay::move(const Region& crop)
{
    setCrop(crop);
    emit moved(crop);
}

void CropOverlay::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    m_pressed = event->position();
    m_begun = m_crop;
    m_edges = edgesAt(m_pressed);
}

void CropOverlay::mouseMoveEvent(QMouseEvent* event)
{
    if (m_edges != None)
        return move(dragged(placeOf(event->position())));
    const int edges = edgesAt(event->position());
    setCursor(edges == Inside                                      ? Qt::SizeAllCursor
              : edges == New                                       ? Qt::CrossCursor
              : edges == (Left | Top) || edges == (Right | Bottom) ? Qt::SizeFDiagCursor
              : edges == (Right | Top) || edges == (Left | Bottom) ? Qt::SizeBDiagCursor
              : edges & (Left | Right)                             ? Qt::SizeHorCursor
                                                                   : Qt::SizeVerCursor);
}

void CropOverlay::mouseReleaseEvent(QMouseEvent*)
{
    if (std::exchange(m_edges, None) != None)
        emit ended();
}

void CropOverlay::keyPressEvent(QKeyEvent* event)
{
    constexpr double kStep = 0.005;
    const double dx = event->key() == Qt::Key_Left    ? -kStep
                      : event->key() == Qt::Key_Right ? kStep
                                                      : 0,
                 dy = event->key() == Qt::Key_Up     ? -kStep
                      : event->key() == Qt::Key_Down ? kStep
                                                     : 0;
    if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter || event->key() == Qt::Key_Escape)
        return emit left();
    if (event->key() == Qt::Key_G) {
        m_diagonals = !m_diagonals;
        return update();
    }
    if (dx == 0 && dy == 0)
        return QWidget::keyPressEvent(event);
    Region c = m_crop;
    if (event->modifiers() & Qt::ShiftModifier) {
        c.right = std::clamp(c.right + dx, c.left + kLeast, 1.0),
        c.bottom = std::clamp(c.bottom + dy, c.top + kLeast, 1.0);
        c = shaped(c, dx != 0 ? Right : Bottom);
    } else {
        const double x = std::clamp(dx, -c.left, 1 - c.right), y = std::clamp(dy, -c.top, 1 - c.bottom);
        c = {c.left + x, c.top + y, c.right + x, c.bottom + y};
    }
    move(c);
    emit ended();
}

void CropOverlay::paintGuide(QPainter& painter, const QRectF& r) const
{
    const auto line = [&](QPointF a, QPointF b) {
        for (const auto& [ink, width] :
             {std::pair(QColor(0, 0, 0, 90), 2.0), std::pair(QColor(255, 255, 255, 130), 0.8)}) {
            painter.setPen(QPen(ink, width));
            painter.drawLine(a, b);
        }
    };
    if (m_diagonals) {
        const double side = std::min(r.width(), r.height());
        line(r.topLeft(), r.topLeft() + QPointF(side, side)), line(r.topRight(), r.topRight() + QPointF(-side, side));
        line(r.bottomLeft(), r.bottomLeft() + QPointF(side, -side));
        line(r.bottomRight(), r.bottomRight() + QPointF(-side, -side));
        return;
    }
    for (const double third : {1.0 / 3, 2.0 / 3}) {
        line({r.left() + third * r.width(), r.top()}, {r.left() + third * r.width(), r.bottom()});
        line({r.left(), r.top() + third * r.height()}, {r.right(), r.top() + third * r.height()});
    }
}

void CropOverlay::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const QRectF area = m_picture.pictureArea(), r = cropArea();
    if (area.isEmpty())
        return;
    QPainterPath outside, inside;
    outside.addRect(area), inside.addRect(r);
    painter.fillPath(outside.subtracted(inside), QColor(0, 0, 0, 140));
    painter.setClipRect(area.adjusted(-4, -4, 4, 4));
    paintGuide(painter, r);
    painter.setBrush(Qt::NoBrush);
    for (const auto& [ink, width] : {std::pair(QColor(0, 0, 0, 190), 3.0), std::pair(theme::kPaper, 1.2)}) {
        painter.setPen(QPen(ink, width));
        painter.drawRect(r);
    }
    painter.setPen(QPen(QColor(0, 0, 0, 190), 1));
    painter.setBrush(theme::kPaper);
    for (const QPointF corner : {r.topLeft(), r.topRight(), r.bottomLeft(), r.bottomRight()})
        painter.drawRect(QRectF(corner - QPointF(4, 4), QSizeF(8, 8)));
    if (hasFocus())
        theme::paintFocus(painter, r.adjusted(-3, -3, 3, 3));
}

}  // namespace amber
