#include "app/theme/value_bar.h"

#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {
namespace {
constexpr double kEdge = 7, kReach = 12;
}

ValueBar::ValueBar(QWidget* parent) : QWidget(parent)
{
    setFocusPolicy(Qt::StrongFocus);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setFixedHeight(22);
    setCursor(Qt::SizeHorCursor);
}

void ValueBar::setRange(double low, double high, double step, Scale scale)
{
    m_low = low, m_high = high, m_step = step, m_scale = scale;
    update();
}

void ValueBar::setHome(double value)
{
    m_home = value;
    update();
}

void ValueBar::setValue(double value)
{
    if (m_value == value)
        return;
    m_value = value;
    setAccessibleDescription(QLocale().toString(value, 'g', 5));
    update();
}

double ValueBar::placeOf(double value) const
{
    const auto even = [&](double v) { return m_scale == Scale::Even ? v : -1 / v; };
    const double t = (even(std::clamp(value, m_low, m_high)) - even(m_low)) / (even(m_high) - even(m_low));
    return kEdge + t * (width() - 2 * kEdge);
}

double ValueBar::valueAt(double x) const
{
    const double t = std::clamp((x - kEdge) / std::max(1.0, width() - 2 * kEdge), 0.0, 1.0);
    return m_scale == Scale::Even ? m_low + t * (m_high - m_low) : 1 / (1 / m_low + t * (1 / m_high - 1 / m_low));
}

void ValueBar::move(double value)
{
    value = std::clamp(value, m_low, m_high);
    if (value == m_value)
        return;
    setValue(value);
    emit moved(value);
}

void ValueBar::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const double middle = height() / 2.0, home = placeOf(m_home), at = placeOf(m_value);
    painter.setPen(QPen(theme::kHairline, 1));
    painter.drawLine(QPointF(kEdge, middle), QPointF(width() - kEdge, middle));
    painter.setPen(QPen(theme::kQuietInk, 1));
    painter.drawLine(QPointF(home, middle - 5), QPointF(home, middle + 5));
    // What was done: from home to the mark.
    painter.setPen(QPen(isEnabled() ? theme::kInk : theme::kHairline, 2));
    painter.drawLine(QPointF(home, middle), QPointF(at, middle));
    painter.setPen(Qt::NoPen);
    painter.setBrush(isEnabled() ? theme::kInk : theme::kHairline);
    painter.drawPolygon(QPolygonF{QPointF(at - 5, middle + 9), QPointF(at + 5, middle + 9), QPointF(at, middle + 1)});
    if (hasFocus() && m_focusSeen)
        theme::paintFocus(painter, QRectF(rect()).adjusted(1, 1, -1, -1));
}

void ValueBar::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    // Taken by its mark it does not jump; a click beside it brings it there.
    const double at = placeOf(m_value), x = event->position().x();
    m_grip = std::abs(x - at) <= kReach ? x - at : 0;
    move(valueAt(x - m_grip));
}

void ValueBar::mouseMoveEvent(QMouseEvent* event)
{
    if (event->buttons() & Qt::LeftButton)
        move(valueAt(event->position().x() - m_grip));
}

void ValueBar::mouseReleaseEvent(QMouseEvent*) { emit ended(); }

void ValueBar::mouseDoubleClickEvent(QMouseEvent*) { move(m_home); }

void ValueBar::wheelEvent(QWheelEvent* event)
{
    if (!hasFocus()) {
        event->ignore();
        return;
    }
    move(m_value + (event->angleDelta().y() > 0 ? m_step : -m_step));
}

void ValueBar::keyPressEvent(QKeyEvent* event)
{
    const double step = m_step * (event->modifiers() & Qt::ShiftModifier ? 10 : 1);
    switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Down:
        return move(m_value - step);
    case Qt::Key_Right:
    case Qt::Key_Up:
        return move(m_value + step);
    case Qt::Key_Home:
        return move(m_home);
    default:
        QWidget::keyPressEvent(event);
    }
}

void ValueBar::focusInEvent(QFocusEvent* event)
{
    m_focusSeen = theme::isVisibleFocus(*event);
    update();
}

}  // namespace amber
