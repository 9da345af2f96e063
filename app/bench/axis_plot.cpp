#include "app/bench/axis_plot.h"

#include "app/display/screen_view.h"
#include "app/theme/theme.h"
#include "core/colour/gamut.h"
#include "core/colour/oklab.h"
#include "core/measure/tone.h"

namespace amber {
namespace {

constexpr double kGripRadius = 11;
constexpr int kLeftMargin = 52, kRightMargin = 18;

/// OKLab L of a neutral that lies this many stops from mid-grey.
double lightnessOfStops(double stops) { return std::cbrt(0.18 * std::exp2(stops)); }

}  // namespace

QColor hueColour(double hueDegrees, double lightness, double chroma)
{
    return screenColour(toLinearRgb(toOkLab(OkLch{lightness, chroma, hueDegrees})));
}

AxisPlot::AxisPlot(Axis axis, QWidget* parent) : QWidget(parent), m_axis(axis)
{
    setFocusPolicy(Qt::StrongFocus);
    setMinimumHeight(110);
    setMouseTracking(true);
    setAccessibleDescription(tr("Arrows move the chosen handle, with Shift by ten steps. Page Up and Page Down choose "
                                "another, Insert adds, Delete removes, Home resets."));
}

QRectF AxisPlot::plot() const
{
    return QRectF(rect()).adjusted(kLeftMargin, topMargin(), -kRightMargin, -bottomMargin());
}

double AxisPlot::toX(double at) const
{
    const QRectF area = plot();
    return m_axis == Axis::Tone ? area.left() + (at - kToneLeft) / (kToneRight - kToneLeft) * area.width()
                                : area.left() + at / 360 * area.width();
}

double AxisPlot::toAt(double x) const
{
    const QRectF area = plot();
    const double t = (x - area.left()) / area.width();
    return m_axis == Axis::Tone ? kToneLeft + t * (kToneRight - kToneLeft) : t * 360;
}

void AxisPlot::setDistribution(const std::vector<double>& shares)
{
    m_shares = shares;
    update();
}

void AxisPlot::setProbe(std::optional<double> at)
{
    if (m_probe == at)
        return;
    m_probe = at;
    update();
}

void AxisPlot::select(int handle)
{
    handle = std::clamp(handle, 0, std::max(0, handleCount() - 1));
    if (handle != m_selected) {
        m_selected = handle;
        emit selectionMoved(handle);
    }
    update();
}

int AxisPlot::handleNear(QPointF at) const
{
    int best = -1;
    double least = kGripRadius;
    for (int i = 0; i < handleCount(); ++i)
        if (const double d = QLineF(at, handlePlace(i)).length(); d < least)
            best = i, least = d;
    return best;
}

void AxisPlot::paintDistribution(QPainter& painter) const
{
    if (m_shares.empty())
        return;
    const QRectF area = plot();
    const double top = *std::max_element(m_shares.begin() + 1, m_shares.end() - 1);
    if (top <= 0)
        return;
    const double low = m_axis == Axis::Tone ? toX(0) : area.left(), high = m_axis == Axis::Tone ? toX(1) : area.right();
    QPolygonF outline;
    outline << QPointF(low, area.bottom());
    for (std::size_t i = 0; i < m_shares.size(); ++i)
        outline << QPointF(low + (static_cast<double>(i) + 0.5) / static_cast<double>(m_shares.size()) * (high - low),
                           area.bottom() - std::min(1.0, m_shares[i] / top) * area.height() * 0.72);
    outline << QPointF(high, area.bottom());
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme::kFaintShape);
    painter.drawPolygon(outline);
}

void AxisPlot::paintAxis(QPainter& painter) const
{
    const QRectF area = plot();
    painter.setFont(theme::font(13));
    const auto tick = [&](double at, const QString& label, bool strong) {
        const double x = std::round(toX(at)) + 0.5;
        painter.setPen(QPen(theme::kHairline, 1, strong ? Qt::SolidLine : Qt::DotLine));
        painter.drawLine(QPointF(x, area.top()), QPointF(x, area.bottom()));
        painter.setPen(theme::kQuietInk);
        painter.drawText(QRectF(x - 40, height() - 18, 80, 16), Qt::AlignCenter, label);
    };
    if (m_axis == Axis::Tone) {
        tick(0, tr("black"), true);
        for (int stops = -5; stops <= 2; ++stops)
            tick(lightnessOfStops(stops),
                 stops == 0 ? tr("mid grey") : tr("%1%2").arg(stops > 0 ? "+" : "\u2212").arg(std::abs(stops)),
                 stops == 0);
        tick(1, tr("white"), true);
        if (area.width() > 600)
            painter.drawText(QRectF(2, height() - 18, kLeftMargin - 8, 16), Qt::AlignRight | Qt::AlignVCenter,
                             tr("stops"));
    } else {
        for (int hue = 0; hue <= 360; hue += 30)
            tick(hue, QString::number(hue) + QStringLiteral("°"), hue % 90 == 0);
        painter.setFont(theme::font(11));
        painter.drawText(QRectF(0, height() - 18, kLeftMargin - 10, 16), Qt::AlignRight | Qt::AlignVCenter, tr("hue"));
    }
}

void AxisPlot::paintHandle(QPainter& painter, QPointF at, bool chosen) const
{
    painter.setBrush(chosen ? theme::kInk : theme::kPaper);
    painter.setPen(QPen(theme::kInk, 1.5));
    painter.drawEllipse(at, 5, 5);
    if (chosen) {
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(theme::kAmber, 2.2));
        painter.drawEllipse(at, 8.5, 8.5);
    }
}

void AxisPlot::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::kDesk);
    painter.fillRect(plot(), theme::kPaper);
    painter.setRenderHint(QPainter::Antialiasing);
    paintDistribution(painter);
    paintAxis(painter);
    paintPlot(painter);
    if (m_probe) {
        const QRectF area = plot();
        const double x = std::clamp(toX(*m_probe), area.left(), area.right());
        painter.setPen(QPen(theme::kInk, 1.2));
        painter.drawLine(QPointF(x, area.top()), QPointF(x, area.bottom()));
        painter.setBrush(theme::kInk);
        painter.drawPolygon(QPolygonF{QPointF(x, area.bottom() - 6), QPointF(x - 5, area.bottom() + 1),
                                      QPointF(x + 5, area.bottom() + 1)});
    }
    if (hasFocus() && m_focusSeen)
        theme::paintFocus(painter, rect());
}

void AxisPlot::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    m_held = handleNear(event->position());
    m_grip = m_held >= 0 ? event->position() - handlePlace(m_held) : QPointF();
    m_dragging = true;
    if (m_held < 0 && addsOnClick() && plot().contains(event->position())) {
        m_held = addHandle(event->position());
        m_grip = QPointF();
    }
    if (m_held >= 0)
        select(m_held);
    else
        m_dragging = false;
}

void AxisPlot::mouseMoveEvent(QMouseEvent* event)
{
    if (m_held >= 0)
        moveHandle(m_held, event->position() - m_grip);
    else
        setCursor(handleNear(event->position()) >= 0 ? Qt::SizeAllCursor : Qt::ArrowCursor);
}

void AxisPlot::mouseReleaseEvent(QMouseEvent*)
{
    const bool done = m_held >= 0;
    m_held = -1;
    m_dragging = false;
    if (done)
        emit finished(actionName());
    update();
}

void AxisPlot::mouseDoubleClickEvent(QMouseEvent* event)
{
    int handle = handleNear(event->position());
    if (handle >= 0)
        resetHandle(handle);
    else if (plot().contains(event->position()))
        handle = addHandle(event->position());
    if (handle >= 0) {
        select(handle);
        emit finished(actionName());
    }
}

bool AxisPlot::changeHandle(int key)
{
    if (key == Qt::Key_Insert) {
        if (const int added = addHandle(plot().center()); added >= 0) {
            select(added);
            emit finished(actionName());
        }
        return true;
    }
    const bool removes = key == Qt::Key_Delete || key == Qt::Key_Backspace;
    if (!removes && key != Qt::Key_Home)
        return false;
    if (m_selected < handleCount()) {
        removes ? removeHandle(m_selected) : resetHandle(m_selected);
        if (removes)
            select(m_selected);
        emit finished(actionName());
    }
    return true;
}

void AxisPlot::keyPressEvent(QKeyEvent* event)
{
    m_focusSeen = true;
    const bool coarse = event->modifiers() & Qt::ShiftModifier;
    const auto nudge = [&](int across, int up) {
        if (m_selected < handleCount()) {
            nudgeHandle(m_selected, across, up, coarse);
            emit nudged(actionName());
        }
    };
    switch (event->key()) {
    case Qt::Key_Left:
        return nudge(-1, 0);
    case Qt::Key_Right:
        return nudge(1, 0);
    case Qt::Key_Up:
        return nudge(0, 1);
    case Qt::Key_Down:
        return nudge(0, -1);
    case Qt::Key_PageUp:
        return select(m_selected - 1);
    case Qt::Key_PageDown:
        return select(m_selected + 1);
    default:
        if (!changeHandle(event->key()))
            QWidget::keyPressEvent(event);
    }
}

void AxisPlot::focusInEvent(QFocusEvent* event)
{
    m_focusSeen = theme::isVisibleFocus(*event);
    update();
}

}  // namespace amber
