#include "app/instruments/instruments.h"

#include "app/bench/axis_plot.h"
#include "app/display/screen_view.h"
#include "app/instruments/key_list.h"
#include "app/theme/theme.h"
#include "core/analysis/tint.h"
#include "core/colour/gamut.h"
#include "core/colour/oklab.h"

namespace amber {
namespace {

constexpr int kMargin = 14;

QString percent(double share)
{
    if (theme::isBlind())
        return QStringLiteral("·");
    const double p = share * 100;
    return p == 0     ? QStringLiteral("0")
           : p < 0.01 ? QStringLiteral("<") + theme::decimal(0.01, 2)
                      : theme::decimal(p, p < 10 ? 2 : 1);
}

template <class Values>
QPolygonF outline(const Values& values, double top, const QRectF& area)
{
    QPolygonF line;
    line << area.bottomLeft();
    for (std::size_t i = 0; i < values.size(); ++i)
        line << QPointF(area.left() +
                            (static_cast<double>(i) + 0.5) / static_cast<double>(values.size()) * area.width(),
                        area.bottom() - std::min(1.0, top > 0 ? values[i] / top : 0.0) * area.height());
    line << area.bottomRight();
    return line;
}

template <class Values>
double highest(const Values& values)
{
    return *std::max_element(values.begin(), values.end());
}

}  // namespace

Instruments::Instruments(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_keys(new KeyList(document, this))
{
    setObjectName("instruments");
    setAccessibleName(tr("Instruments"));
    connect(&document.looks(), &LooksInHand::lookChanged, this, &Instruments::renewTrail);
    connect(&document.looks(), &LooksInHand::selectionChanged, this, &Instruments::renewTrail);
    connect(&document.selection(), &Selection::frameChosen, this, &Instruments::renewTrail);
}

void Instruments::resizeEvent(QResizeEvent*)
{
    m_keys->setGeometry(kMargin, keysTop() + 20, width() - 2 * kMargin,
                        std::max(20, height() - kProbeHeight - keysTop() - 26));
}

void Instruments::setTrace(const LookTrace& trace)
{
    m_trace = trace;
    m_keys->setTrace(trace);
    update();
}

void Instruments::renewTrail()
{
    constexpr int kGreys = 41;
    constexpr double kNearlyFolded = 0.25;
    m_trail =
        neutralTrail(m_withLook ? m_document.looks().lookOf(m_document.selection().frameInHand()) : Look{}, kGreys);
    m_families.clear();
    m_torn = -1;
    if (const Step* step = m_withLook ? m_document.looks().step() : nullptr)
        if (const auto* shifts = std::get_if<HueShifts>(&step->parameters)) {
            m_families = shifts->families;
            if (const TearMeter tear = tearMeter(*shifts); tear.smallestHueSlope <= kNearlyFolded)
                m_torn = tear.atDegrees;
        }
    update();
}

void Instruments::setWithLook(bool on)
{
    m_withLook = on;
    renewTrail();
}

void Instruments::setMeasures(const MeasuredFrame& frame)
{
    m_frame = frame;
    describe();
    update();
}

void Instruments::setProbe(const std::optional<Probe>& probe)
{
    m_probe = probe;
    update();
}

void Instruments::clear()
{
    m_frame.reset();
    m_probe.reset();
    m_trace.reset();
    m_keys->clear();
    update();
}

void Instruments::describe()
{
    const ToneMeasures& t = m_frame->after.tone;
    setAccessibleDescription(tr("Mean tone %1, contrast %2. Clipped at black: red %3 %, green %4 %, blue %5 %. Clipped "
                                "at white: red %6 %, green %7 %, blue %8 %.")
                                 .arg(theme::decimal(t.meanL, 3))
                                 .arg(theme::decimal(t.contrast, 3))
                                 .arg(percent(t.clippedLow[0]), percent(t.clippedLow[1]), percent(t.clippedLow[2]),
                                      percent(t.clippedHigh[0]), percent(t.clippedHigh[1]), percent(t.clippedHigh[2])));
}

QRectF Instruments::column(double top, double height) const { return {kMargin, top, width() - 2.0 * kMargin, height}; }

double Instruments::paintHeading(QPainter& painter, double top, const QString& words) const
{
    painter.setFont(theme::font(13, true));
    painter.setPen(theme::kInk);
    painter.drawText(column(top, 20), Qt::AlignLeft | Qt::AlignVCenter, words);
    return top + 22;
}

double Instruments::paintSkyline(QPainter& painter, double top) const
{
    const QRectF area = column(top, 64);
    painter.fillRect(area, theme::kPaper);
    if (m_frame) {
        const auto &after = m_frame->after.tone.tone, &before = m_frame->before.tone.tone;
        const auto inner = [](const auto& v) { return *std::max_element(v.begin() + 1, v.end() - 1); };
        const double most = std::max(inner(after), inner(before)) * 1.05;
        painter.setPen(Qt::NoPen);
        painter.setBrush(theme::kShape);
        painter.drawPolygon(outline(after, most, area));
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(theme::kGhost, 1.2));
        painter.drawPolyline(outline(before, most, area));
        paintTargets(painter, area);
    }
    const double mid = area.left() + std::cbrt(0.18) * area.width();
    painter.setPen(QPen(theme::kHairline, 1));
    painter.drawLine(QPointF(mid, area.top()), QPointF(mid, area.bottom()));
    painter.drawLine(area.bottomLeft(), area.bottomRight());
    painter.setFont(theme::font(13));
    painter.setPen(theme::kQuietInk);
    const QRectF labels = column(area.bottom() + 1, 17);
    painter.drawText(labels, Qt::AlignLeft, tr("black"));
    painter.drawText(labels, Qt::AlignRight, tr("white"));
    painter.drawText(QRectF(mid - 45, labels.top(), 90, 17), Qt::AlignHCenter, tr("mid grey"));
    return labels.bottom() + 4;
}

void Instruments::paintTargets(QPainter& painter, const QRectF& area) const
{
    // What the intent card asks for, as ticks on the axis: where the mean should lie, and where black should land.
    const IntentCard& card = m_document.looks().look().card;
    const auto tick = [&](double from, double to) {
        painter.fillRect(
            QRectF(area.left() + from * area.width(), area.top(), std::max(2.0, (to - from) * area.width()), 3),
            theme::kInk);
    };
    if (card.key != IntentCard::Key::Unsaid)
        card.key == IntentCard::Key::Dark     ? tick(0, 0.45)
        : card.key == IntentCard::Key::Middle ? tick(0.45, 0.62)
                                              : tick(0.62, 1);
    if (card.fade != IntentCard::Level::Unsaid)
        tick(card.fade == IntentCard::Level::Little   ? 0
             : card.fade == IntentCard::Level::Medium ? 0.03
                                                      : 0.12,
             card.fade == IntentCard::Level::Little ? 0.03 : 0.12);
    if (m_frame && card.key != IntentCard::Key::Unsaid) {
        const double x = area.left() + m_frame->after.tone.meanL * area.width();
        painter.setPen(Qt::NoPen);
        painter.setBrush(theme::kInk);
        painter.drawPolygon(
            QPolygonF{QPointF(x - 4, area.top() + 9), QPointF(x + 4, area.top() + 9), QPointF(x, area.top() + 3)});
    }
}

void Instruments::paintClipPlaces(QPainter& painter, const QRectF& area, const std::array<double, 9>& places) const
{
    const double most = *std::max_element(places.begin(), places.end());
    for (int i = 0; i < 9; ++i) {
        QColor ink = theme::kInk;
        ink.setAlphaF(most > 0 ? static_cast<float>(places[static_cast<std::size_t>(i)] / most) : 0.0F);
        const QRectF cell(area.left() + (i % 3) * area.width() / 3, area.top() + (i / 3) * area.height() / 3,
                          area.width() / 3, area.height() / 3);
        painter.fillRect(cell, theme::kPaper);
        painter.fillRect(cell, ink);
    }
}

void Instruments::paintNeutrals(QPainter& painter, const QRectF& area, const std::function<double(double)>& y) const
{
    for (std::size_t i = 0; i < m_trace->keys.size(); ++i)
        if (m_trace->keys[i].kind == KeyColour::Kind::Neutral) {
            const OkLab in = toOkLab(m_trace->states.front().keys[i].okLch),
                        out = toOkLab(m_trace->states.back().keys[i].okLch);
            const double x = area.left() + std::clamp(in.L, 0.0, 1.0) * area.width();
            painter.setPen(QPen(theme::kGhost, 1));
            painter.setBrush(theme::kPaper);
            painter.drawEllipse(QPointF(x, y(in.b)), 3, 3);
            painter.setBrush(theme::kInk);
            painter.drawEllipse(QPointF(x, y(out.b)), 3, 3);
        }
}

void Instruments::paintTrail(QPainter& painter, double top) const
{
    // Warm to cool, greys from black at the left: how far the look carries them from neutral (OKLab b, then a), and the
    // picture's own neutrals as dots, ringed where they came in.
    const QRectF area = column(top, 44);
    painter.fillRect(area, theme::kPaper);
    painter.setPen(QPen(theme::kHairline, 1));
    painter.drawLine(QPointF(area.left(), area.center().y()), QPointF(area.right(), area.center().y()));
    double reach = 0.02;
    for (const OkLab& c : m_trail)
        reach = std::max({reach, std::abs(c.a) * 1.15, std::abs(c.b) * 1.15});
    const auto y = [&](double v) {
        return area.center().y() - std::clamp(v / reach, -1.0, 1.0) * (area.height() / 2 - 1);
    };
    const auto line = [&](double OkLab::*part, const QPen& pen) {
        QPolygonF points;
        for (std::size_t i = 0; i < m_trail.size(); ++i)
            points << QPointF(area.left() +
                                  static_cast<double>(i) / static_cast<double>(m_trail.size() - 1) * area.width(),
                              y(m_trail[i].*part));
        painter.setPen(pen);
        painter.setBrush(Qt::NoBrush);
        painter.drawPolyline(points);
    };
    line(&OkLab::a, QPen(theme::kQuietInk, 1.2, Qt::DashLine));
    line(&OkLab::b, QPen(theme::kInk, 1.8));
    if (m_trace)
        paintNeutrals(painter, area, y);
    painter.setFont(theme::font(13));
    painter.setPen(theme::kQuietInk);
    painter.drawText(area.adjusted(3, 0, 0, 0), Qt::AlignLeft | Qt::AlignTop, tr("warm"));
    painter.drawText(area.adjusted(3, 0, 0, 0), Qt::AlignLeft | Qt::AlignBottom, tr("cool"));
    painter.drawText(column(top - 22, 20), Qt::AlignRight | Qt::AlignVCenter,
                     theme::isBlind() ? QString() : QStringLiteral("±") + theme::decimal(reach, 3));
}

double Instruments::paintClipping(QPainter& painter, double top) const
{
    painter.setFont(theme::font(13));
    const double step = (width() - 2.0 * kMargin - 62 - 20) / 3;
    const auto cell = [&](int c, double y, const QString& words, bool strong, const QColor& ink) {
        painter.setFont(theme::font(13, strong));
        painter.setPen(ink);
        painter.drawText(c < 0 ? QRectF(kMargin, y, 62, 17) : QRectF(kMargin + 62 + c * step, y, step, 17),
                         (c < 0 ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter, words);
    };
    cell(-1, top, tr("clipped %"), false, theme::kQuietInk);
    const QString letters[] = {tr("R"), tr("G"), tr("B")};
    for (int c = 0; c < 3; ++c)
        cell(c, top, letters[c], false, theme::kQuietInk);
    const auto row = [&](double y, const QString& name, const std::array<double, 3>& shares) {
        cell(-1, y, name, false, theme::kQuietInk);
        for (int c = 0; c < 3; ++c)
            cell(c, y, m_frame ? percent(shares[static_cast<std::size_t>(c)]) : QStringLiteral("–"),
                 m_frame && shares[static_cast<std::size_t>(c)] > 0.001, theme::kInk);
    };
    if (m_frame) {
        paintClipPlaces(painter, QRectF(width() - kMargin - 14, top + 20, 14, 12), m_frame->after.clips.high);
        paintClipPlaces(painter, QRectF(width() - kMargin - 14, top + 37, 14, 12), m_frame->after.clips.low);
    }
    row(top + 17, tr("white"), m_frame ? m_frame->after.tone.clippedHigh : std::array<double, 3>{});
    row(top + 34, tr("black"), m_frame ? m_frame->after.tone.clippedLow : std::array<double, 3>{});
    return top + 54;
}

void Instruments::paintHues(QPainter& painter, const QRectF& area) const
{
    const auto &after = m_frame->after.hue.chroma, &before = m_frame->before.hue.chroma;
    const double most = std::max({0.12, highest(after), highest(before)}) * 1.05;
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme::kShape);
    const double bar = area.width() / kHueBins;
    for (int i = 0; i < kHueBins; ++i) {
        const double share = std::min(1.0, m_frame->after.hue.share[static_cast<std::size_t>(i)] * 12);
        QColor ink = theme::kShape;
        ink.setAlphaF(static_cast<float>(0.25 + 0.75 * share));
        const double h = after[static_cast<std::size_t>(i)] / most * area.height();
        painter.fillRect(QRectF(area.left() + i * bar, area.bottom() - h, bar, h), ink);
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(theme::kGhost, 1.2));
    painter.drawPolyline(outline(before, most, area));
}

void Instruments::paintPlan(QPainter& painter, const QRectF& area) const
{
    // The colour plan: a line below the strip where colour is meant to be.
    for (const PlanHue& plan : m_document.looks().look().card.plan)
        for (double shift : {-360.0, 0.0, 360.0}) {
            const double left = std::clamp((plan.hue + shift - plan.width / 2) / 360, 0.0, 1.0),
                         right = std::clamp((plan.hue + shift + plan.width / 2) / 360, 0.0, 1.0);
            if (right > left)
                painter.fillRect(
                    QRectF(area.left() + left * area.width(), area.bottom() + 9, (right - left) * area.width(), 2),
                    theme::kInk);
        }
}

double Instruments::paintHueMap(QPainter& painter, double top) const
{
    const QRectF area = column(top, 44);
    painter.fillRect(area, theme::kPaper);
    if (m_frame)
        paintHues(painter, area);
    painter.setRenderHint(QPainter::Antialiasing, false);
    for (double x = area.left(); x < area.right(); x += 2)
        painter.fillRect(QRectF(x, area.bottom() + 2, 2, 6), hueColour((x - area.left()) / area.width() * 360));
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(theme::kQuietInk, 1));
    for (const HueFamily& f : m_families) {
        const double x = area.left() + f.centreDegrees / 360 * area.width();
        painter.drawLine(QPointF(x, area.top()), QPointF(x, area.top() + (f.move == HueMove{} ? 4 : 9)));
    }
    paintPlan(painter, area);
    if (m_torn >= 0)
        painter.fillRect(QRectF(area.left() + m_torn / 360 * area.width() - 5, area.top(), 10, area.height()),
                         QBrush(theme::kInk, Qt::BDiagPattern));
    if (m_probe) {
        const OkLch c = toOkLch(toOkLab(m_probe->out));
        if (c.chroma > 0.01) {
            const double x = area.left() + c.hueDegrees / 360 * area.width();
            painter.setPen(QPen(theme::kInk, 1.2));
            painter.drawLine(QPointF(x, area.top()), QPointF(x, area.bottom() + 8));
        }
    }
    return area.bottom() + 14;
}

void Instruments::paintProbe(QPainter& painter, double top) const
{
    painter.setFont(theme::font(13));
    if (!m_probe) {
        painter.setPen(theme::kQuietInk);
        painter.drawText(column(top, 40), Qt::TextWordWrap, tr("Point at the picture to read it."));
        return;
    }
    const auto line = [&](double y, const QString& name, const QString& in, const QString& out) {
        painter.setPen(theme::kQuietInk);
        painter.drawText(QRectF(kMargin, y, 62, 17), Qt::AlignLeft | Qt::AlignVCenter, name);
        painter.setPen(theme::kInk);
        painter.drawText(QRectF(kMargin + 58, y, 60, 17), Qt::AlignRight | Qt::AlignVCenter, in);
        painter.drawText(QRectF(kMargin + 118, y, width() - 2.0 * kMargin - 118, 17), Qt::AlignRight | Qt::AlignVCenter,
                         out);
    };
    const OkLch in = toOkLch(toOkLab(m_probe->in)), out = toOkLch(toOkLab(m_probe->out));
    const auto n = [](double v, int digits) { return theme::number(v, digits); };
    const auto hue = [&](const OkLch& c) {
        return c.chroma > 0.005 ? n(c.hueDegrees, 0) + QStringLiteral("°") : QStringLiteral("–");
    };
    const auto code = [](const LinearRgb& c) {
        const QColor s = screenColour(c);
        if (theme::isBlind())
            return QStringLiteral("·");
        return QStringLiteral("%1 %2 %3").arg(s.red()).arg(s.green()).arg(s.blue());
    };
    painter.fillRect(QRectF(kMargin + 90, top - 18, 28, 14), screenColour(m_probe->in));
    painter.fillRect(QRectF(width() - kMargin - 28, top - 18, 28, 14), screenColour(m_probe->out));
    line(top, tr("tone"), n(in.L, 3), n(out.L, 3));
    line(top + 17, tr("stops"), n(stopsOf(in.L), 1), n(stopsOf(out.L), 1));
    line(top + 34, tr("chroma"), n(in.chroma, 3), n(out.chroma, 3));
    line(top + 51, tr("hue"), hue(in), hue(out));
    line(top + 68, tr("sRGB in"), {}, code(m_probe->in));
    line(top + 85, m_probe->leavesOut ? tr("colour out") : tr("out"), {}, code(m_probe->out));
}

void Instruments::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::kDesk);
    painter.fillRect(0, 0, 1, height(), theme::kHairline);
    painter.setRenderHint(QPainter::Antialiasing);
    paintClipping(painter, paintSkyline(painter, paintHeading(painter, kSkyline, tr("Tone skyline"))));
    paintTrail(painter, paintHeading(painter, kTrail, tr("Neutral trail")));
    if (keysTop() == kKeys)
        paintHueMap(painter, paintHeading(painter, kHueMap, tr("Hue map")));
    paintHeading(painter, keysTop(), tr("Key colours"));
    paintProbe(painter,
               paintHeading(painter, height() - kProbeHeight - 6, m_probe ? tr("Pointer") : tr("Under the pointer")));
}

}  // namespace amber
