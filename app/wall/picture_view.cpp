#include "app/wall/picture_view.h"

#include "app/theme/theme.h"

namespace amber {
namespace {
constexpr int kCaptionHeight = 22;
constexpr double kSplitGrip = 6;
}  // namespace

PictureView::PictureView(QWidget* parent) : QWidget(parent)
{
    setMouseTracking(true);
    setFocusPolicy(Qt::TabFocus);
    setMinimumSize(60, 60);
}

void PictureView::setCaption(const QString& caption)
{
    if (m_caption == caption)
        return;
    m_caption = caption;
    setAccessibleName(caption);
    update();
}

void PictureView::setMessage(const QString& message)
{
    m_message = message;
    update();
}

void PictureView::setImages(std::uint64_t number, const QImage& after, const QImage& before)
{
    m_number = number;
    m_after = after;
    m_before = before;
    m_message.clear();
    update();
}

void PictureView::clear()
{
    m_after = m_before = QImage();
    update();
}

void PictureView::setHeld(const QString& label)
{
    m_held = label;
    update();
}

void PictureView::setSplit(bool on)
{
    m_split = on;
    update();
}

void PictureView::setInteractive(bool on)
{
    m_interactive = on;
    setAccessibleDescription(
        tr("The arrow keys point at the picture, Shift makes small steps; Enter marks while marking."));
}

void PictureView::setMarks(const std::vector<Mark>& marks, const Framing& framing)
{
    m_marks = marks;
    m_framing = framing;
    update();
}

void PictureView::setMarking(bool on)
{
    m_marking = on;
    if (on) {
        m_pointer = m_part.center();
        setFocus(Qt::ShortcutFocusReason);
    } else {
        m_pointer.reset();
    }
    update();
}

void PictureView::setPart(const QRectF& part)
{
    m_part = part;
    update();
}

QRectF PictureView::onScreen(const Region& place) const
{
    const QRectF area = pictureArea();
    const auto x = [&](double v) { return area.left() + (v - m_part.left()) / m_part.width() * area.width(); };
    const auto y = [&](double v) { return area.top() + (v - m_part.top()) / m_part.height() * area.height(); };
    return {QPointF(x(place.left), y(place.top)), QPointF(x(place.right), y(place.bottom))};
}

void PictureView::paintFraming(QPainter& painter, const QRectF& area) const
{
    // Left out and outside the crop: hatched, so that what lies below can be seen.
    const QBrush hatch(QColor(0, 0, 0, 150), Qt::BDiagPattern);
    if (!m_framing.crop.isWhole()) {
        QPainterPath outside;
        outside.addRect(area);
        QPainterPath crop;
        crop.addRect(onScreen(m_framing.crop));
        painter.fillPath(outside.subtracted(crop), hatch);
        painter.setPen(QPen(theme::kPaper, 1));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(onScreen(m_framing.crop));
    }
    for (const Region& r : m_framing.leftOut)
        painter.fillRect(onScreen(r), hatch);
}

void PictureView::paintMark(QPainter& painter, const Mark& mark) const
{
    QRectF place = onScreen(mark.place);
    if (place.width() < 14)
        place = QRectF(place.center() - QPointF(7, 7), QSizeF(14, 14));
    painter.setBrush(Qt::NoBrush);
    for (const auto& [ink, width] : {std::pair(QColor(0, 0, 0, 200), 3.0), std::pair(QColor(0xFA, 0xFA, 0xFA), 1.3)}) {
        painter.setPen(QPen(ink, width));
        place.width() > 15 ? painter.drawRect(place) : painter.drawEllipse(place);
    }
    const QRectF tag(place.right() + 3, place.top() - 2, painter.fontMetrics().horizontalAdvance(mark.label) + 8, 18);
    painter.fillRect(tag, mark.named ? theme::kPaper : QColor(0, 0, 0, 120));
    painter.setPen(mark.named ? theme::kInk : QColor(0xFA, 0xFA, 0xFA));
    painter.drawText(tag, Qt::AlignCenter, mark.label);
}

void PictureView::paintPointer(QPainter& painter) const
{
    const QPointF at = onScreen({m_pointer->x(), m_pointer->y(), m_pointer->x(), m_pointer->y()}).topLeft();
    for (const auto& [ink, width] : {std::pair(QColor(0, 0, 0, 200), 3.0), std::pair(QColor(0xFA, 0xFA, 0xFA), 1.2)}) {
        painter.setPen(QPen(ink, width));
        painter.drawLine(at - QPointF(9, 0), at + QPointF(9, 0));
        painter.drawLine(at - QPointF(0, 9), at + QPointF(0, 9));
    }
}

void PictureView::paintMarks(QPainter& painter, const QRectF& area) const
{
    painter.save();
    painter.setClipRect(area);
    painter.setRenderHint(QPainter::Antialiasing);
    paintFraming(painter, area);
    painter.setFont(theme::font(13));
    for (const Mark& mark : m_marks)
        paintMark(painter, mark);
    if (m_drag == Drag::Mark) {
        painter.setPen(QPen(theme::kPaper, 1, Qt::DashLine));
        painter.drawRect(QRectF(m_pressed, m_moved).normalized());
    }
    if (m_pointer && (m_marking || hasFocus()))
        paintPointer(painter);
    painter.restore();
}

void PictureView::point(QPointF place)
{
    m_pointer = QPointF(std::clamp(place.x(), 0.0, 1.0), std::clamp(place.y(), 0.0, 1.0));
    emit hovered(*m_pointer);
    update();
}

QSize PictureView::pictureSpace() const
{
    return (QSizeF(width(), std::max(1, height() - kCaptionHeight)) * devicePixelRatioF()).toSize();
}

QRectF PictureView::pictureArea() const
{
    if (m_after.isNull())
        return {};
    const QSizeF size = QSizeF(m_after.size()) / devicePixelRatioF();
    const QSizeF space(width(), height() - kCaptionHeight);
    return {QPointF(std::floor((space.width() - size.width()) / 2),
                    kCaptionHeight + std::floor((space.height() - size.height()) / 2)),
            size};
}

QPointF PictureView::placeOf(QPointF position) const
{
    const QRectF area = pictureArea();
    return {m_part.left() + (position.x() - area.left()) / area.width() * m_part.width(),
            m_part.top() + (position.y() - area.top()) / area.height() * m_part.height()};
}

void PictureView::paintSplit(QPainter& painter, const QRectF& area) const
{
    const double x = area.left() + std::round(m_splitAt * area.width());
    painter.save();
    painter.setClipRect(QRectF(area.left(), area.top(), x - area.left(), area.height()));
    painter.drawImage(area, m_before);
    painter.restore();
    painter.fillRect(QRectF(x - 1, area.top(), 2, area.height()), theme::kPaper);
    const auto tag = [&](const QString& words, double left) {
        const QRectF box(left, area.bottom() - 24, painter.fontMetrics().horizontalAdvance(words) + 12, 20);
        painter.fillRect(box, theme::kPaper);
        painter.setPen(theme::kInk);
        painter.drawText(box, Qt::AlignCenter, words);
    };
    const QString left = m_splitWords.first.isEmpty() ? tr("before") : m_splitWords.first,
                  right = m_splitWords.second.isEmpty() ? tr("after") : m_splitWords.second;
    tag(left, area.left() + 6);
    tag(right, area.right() - painter.fontMetrics().horizontalAdvance(right) - 18);
}

void PictureView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::kWall);
    const QRectF area = pictureArea();
    painter.setPen(theme::kWallInk);
    painter.setFont(theme::font(13));
    const double captionLeft = m_after.isNull() ? 4 : area.left();
    const double captionTop = m_after.isNull() ? 0 : area.top() - kCaptionHeight;
    const QString caption = m_held.isEmpty() ? m_caption : m_caption + QStringLiteral(" · ") + m_held;
    painter.drawText(
        QRectF(captionLeft, captionTop, width() - captionLeft, kCaptionHeight), Qt::AlignVCenter | Qt::AlignLeft,
        painter.fontMetrics().elidedText(caption, Qt::ElideRight, static_cast<int>(width() - captionLeft)));
    if (m_after.isNull()) {
        painter.drawText(rect().adjusted(8, 8, -8, -8), Qt::AlignCenter | Qt::TextWordWrap, m_message);
    } else {
        painter.drawImage(area, m_after);
        if (m_split && !m_before.isNull())
            paintSplit(painter, area);
        if (m_interactive)
            paintMarks(painter, area);
        m_paintedNumber = m_number;
    }
    if (hasFocus() && m_focusSeen)
        theme::paintFocus(painter, m_after.isNull() ? QRectF(rect()) : area.adjusted(-2, -2, 2, 2));
}

void PictureView::resizeEvent(QResizeEvent*) { emit resized(); }

void PictureView::mousePressEvent(QMouseEvent* event)
{
    const QRectF area = pictureArea();
    if (event->button() != Qt::LeftButton || !area.contains(event->position()))
        return;
    m_pressed = event->position();
    if (m_split && std::abs(event->position().x() - (area.left() + m_splitAt * area.width())) <= kSplitGrip) {
        m_drag = Drag::Split;
    } else if (m_marking) {
        m_drag = Drag::Mark;
        m_moved = m_pressed;
    } else if (m_interactive && isPart()) {
        m_drag = Drag::Pan;
        m_moved = m_pressed;
    } else if (m_interactive) {
        m_drag = Drag::Picture;
        emit dragBegun(placeOf(event->position()));
    }
}

void PictureView::mouseMoveEvent(QMouseEvent* event)
{
    const QRectF area = pictureArea();
    if (m_drag == Drag::Split) {
        m_splitAt = std::clamp((event->position().x() - area.left()) / area.width(), 0.0, 1.0);
        update();
    } else if (m_drag == Drag::Picture) {
        emit dragMoved(event->position() - m_pressed);
    } else if (m_drag == Drag::Mark) {
        m_moved = QPointF(std::clamp(event->position().x(), area.left(), area.right()),
                          std::clamp(event->position().y(), area.top(), area.bottom()));
        update();
    } else if (m_drag == Drag::Pan) {
        const QPointF by = m_moved - event->position();
        m_moved = event->position();
        emit panned({by.x() / area.width() * m_part.width(), by.y() / area.height() * m_part.height()});
    } else if (m_interactive && area.contains(event->position())) {
        emit hovered(placeOf(event->position()));
    } else {
        emit left();
    }
    const bool onSplit = m_split && area.contains(event->position()) &&
                         std::abs(event->position().x() - (area.left() + m_splitAt * area.width())) <= kSplitGrip;
    setCursor(onSplit                                             ? Qt::SplitHCursor
              : m_interactive && area.contains(event->position()) ? Qt::CrossCursor
                                                                  : Qt::ArrowCursor);
}

void PictureView::mouseReleaseEvent(QMouseEvent*)
{
    const Drag drag = std::exchange(m_drag, Drag::None);
    if (drag == Drag::Picture)
        emit dragEnded();
    if (drag == Drag::Mark) {
        constexpr double kRegion = 8;
        const QRectF drawn = QRectF(m_pressed, m_moved).normalized();
        const bool region = drawn.width() >= kRegion && drawn.height() >= kRegion;
        update();
        emit marked(region ? QRectF(placeOf(drawn.topLeft()), placeOf(drawn.bottomRight()))
                           : QRectF(placeOf(m_pressed), QSizeF()));
    }
}

void PictureView::mouseDoubleClickEvent(QMouseEvent*) { emit activated(); }
void PictureView::leaveEvent(QEvent*) { emit left(); }

void PictureView::keyPressEvent(QKeyEvent* event)
{
    m_focusSeen = true;
    if (m_split && (event->key() == Qt::Key_Left || event->key() == Qt::Key_Right)) {
        m_splitAt = std::clamp(m_splitAt + (event->key() == Qt::Key_Left ? -0.02 : 0.02), 0.0, 1.0);
        update();
    } else if (m_interactive && (event->key() == Qt::Key_Left || event->key() == Qt::Key_Right ||
                                 event->key() == Qt::Key_Up || event->key() == Qt::Key_Down)) {
        const double step = (event->modifiers() & Qt::ShiftModifier ? 0.002 : 0.02);
        const QPointF from = m_pointer.value_or(m_part.center());
        point(from + QPointF(event->key() == Qt::Key_Left    ? -step
                             : event->key() == Qt::Key_Right ? step
                                                             : 0,
                             event->key() == Qt::Key_Up     ? -step
                             : event->key() == Qt::Key_Down ? step
                                                            : 0));
    } else if (m_marking && event->key() == Qt::Key_Escape) {
        emit markingEnded();
    } else if (m_marking && (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)) {
        emit marked(QRectF(m_pointer.value_or(m_part.center()), QSizeF()));
    } else if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
        emit activated();
    } else {
        QWidget::keyPressEvent(event);
    }
}

void PictureView::focusInEvent(QFocusEvent* event)
{
    m_focusSeen = theme::isVisibleFocus(*event);
    update();
}

}  // namespace amber
