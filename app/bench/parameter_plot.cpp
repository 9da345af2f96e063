#include "app/bench/parameter_plot.h"

#include "app/display/screen_view.h"
#include "app/document/document.h"
#include "app/theme/theme.h"
#include "core/colour/oklab.h"
#include "core/look/steps/smoothstep.h"

namespace amber {
namespace {

LinearRgb grey(double L) { return {L * L * L, L * L * L, L * L * L}; }
LinearRgb coloured(double hue) { return toLinearRgb(toOkLab(OkLch{0.65, 0.1, hue})); }
double toneOf(const LinearRgb& c) { return toOkLab(c).L; }

/// A field held to its limits when it is read back; limits are those of the field itself.
void put(Json& parameters, const char* name, double value, double low, double high)
{
    parameters[name] = std::clamp(value, low, high);
}

PlotModel lift(double most)
{
    PlotModel m;
    m.low = -most, m.high = most;
    m.unit = QCoreApplication::translate("Plot", "lighter");
    m.levels = {-most / 2, 0, most / 2};
    return m;
}

PlotModel modelOf(const Contrast& s)
{
    PlotModel m = lift(0.24);
    m.lines.push_back({[s](double L) { return toneAt(s, L) - L; }});
    m.handles.push_back({s.pivot, toneAt(s, s.pivot) - s.pivot,
                         [](Json& p, double at, double) { put(p, "pivot", at, 0.1, 0.9); },
                         QCoreApplication::translate("Plot", "pivot")});
    constexpr double kArm = 0.16;
    Contrast unexposed = s;
    unexposed.exposure = 0;
    const double at = s.pivot + kArm * (s.pivot > 0.7 ? -1 : 1);
    m.handles.push_back({at, toneAt(unexposed, at) - at,
                         [s, at](Json& p, double, double up) {
                             // f(u) solved for the slope: where the handle is drawn to is where its tone lands.
                             const double side = at < s.pivot ? s.pivot : 1 - s.pivot,
                                          u = std::abs(at - s.pivot) / side,
                                          f = std::clamp(std::abs(at + up - s.pivot) / side, 1e-3, 0.999);
                             put(p, "slope", f * (1 - u) / (u * (1 - f)), 0.3, 3);
                         },
                         QCoreApplication::translate("Plot", "slope")});
    return m;
}

PlotModel modelOf(const ToneBands& s)
{
    PlotModel m;
    m.low = -1.6, m.high = 1.6;
    m.unit = QCoreApplication::translate("Plot", "stops");
    m.levels = {-1, 0, 1};
    const auto gains = s.gains();
    static const char* const kNames[] = {"deep", "dark", "middle", "light", "bright"};
    const QString words[] = {QCoreApplication::translate("Plot", "deep"), QCoreApplication::translate("Plot", "dark"),
                             QCoreApplication::translate("Plot", "middle"),
                             QCoreApplication::translate("Plot", "light"),
                             QCoreApplication::translate("Plot", "bright")};
    m.lines.push_back({[s](double L) { return L > 0.01 ? 3 * std::log2(toneOf(evaluate(s, grey(L))) / L) : s.deep; }});
    for (std::size_t i = 0; i < 5; ++i)
        m.handles.push_back({kBandCentres[i], gains[i],
                             [i](Json& p, double, double up) { put(p, kNames[i], up, -1.5, 1.5); }, words[i]});
    if (const ToneSlope slope = smallestSlope(s); slope.smallest <= 0.02)
        m.warning = QCoreApplication::translate("Plot", "tones change places near %1 (slope %2, keep above 0)")
                        .arg(theme::decimal(slope.at, 2))
                        .arg(theme::decimal(slope.smallest, 2));
    return m;
}

PlotModel modelOf(const Ends& s)
{
    PlotModel m = lift(0.24);
    m.lines.push_back({[s](double L) { return std::cbrt(evaluate(s, grey(L)).g) - L; }});
    m.handles.push_back(
        {s.black, s.floor - s.black,
         [](Json& p, double at, double up) { put(p, "black", at, -0.2, 0.4), put(p, "floor", at + up, 0, 0.4); },
         QCoreApplication::translate("Plot", "black")});
    m.handles.push_back(
        {s.white, s.ceiling - s.white,
         [](Json& p, double at, double up) { put(p, "white", at, 0.6, 1.6), put(p, "ceiling", at + up, 0.6, 1); },
         QCoreApplication::translate("Plot", "white")});
    return m;
}

PlotModel modelOf(const Chroma& s)
{
    PlotModel m;
    m.axis = AxisPlot::Axis::Hue;
    m.low = 0, m.high = 2.5;
    m.unit = QCoreApplication::translate("Plot", "chroma ×");
    m.levels = {0.5, 1, 1.5, 2};
    m.lines.push_back(
        {[s](double hue) { return chromaFactor(s, 0.06, hue); }, false, QCoreApplication::translate("Plot", "muted")});
    m.lines.push_back(
        {[s](double hue) { return chromaFactor(s, 0.16, hue); }, true, QCoreApplication::translate("Plot", "strong")});
    const double far = wrapDegrees(s.shelterHue + 180);
    m.handles.push_back({far, s.even, [](Json& p, double, double up) { put(p, "even", up, 0, 2.5); },
                         QCoreApplication::translate("Plot", "all")});
    m.handles.push_back({s.shelterHue, 1 + (s.even * (1 + s.reserved / 2.78) - 1) * (1 - s.shelter),
                         [s](Json& p, double at, double up) {
                             put(p, "shelterHue", wrapDegrees(at), 0, 360);
                             const double open = s.even * (1 + s.reserved / 2.78) - 1;
                             if (std::abs(open) > 0.02)
                                 put(p, "shelter", 1 - (up - 1) / open, 0, 1);
                         },
                         QCoreApplication::translate("Plot", "shelter")});
    return m;
}

PlotModel modelOf(const Primaries& s)
{
    PlotModel m;
    m.axis = AxisPlot::Axis::Hue;
    m.low = -32, m.high = 32;
    m.unit = QCoreApplication::translate("Plot", "turn °");
    m.levels = {-20, 0, 20};
    m.lines.push_back(
        {[s](double hue) { return hueDifference(hue, toOkLch(toOkLab(evaluate(s, coloured(hue)))).hueDegrees); }});
    const QString words[] = {QCoreApplication::translate("Plot", "red"), QCoreApplication::translate("Plot", "green"),
                             QCoreApplication::translate("Plot", "blue")};
    static const char* const kTurns[] = {"redTurn", "greenTurn", "blueTurn"};
    const double turns[] = {s.redTurn, s.greenTurn, s.blueTurn};
    for (int i = 0; i < 3; ++i) {
        const LinearRgb primary{i == 0 ? 1.0 : 0, i == 1 ? 1.0 : 0, i == 2 ? 1.0 : 0};
        m.handles.push_back({toOkLch(toOkLab(primary)).hueDegrees, turns[i],
                             [i](Json& p, double, double up) { put(p, kTurns[i], up, -30, 30); }, words[i]});
    }
    return m;
}

/// The value of a field in low..high at which what is read of the step becomes `wanted`; it must rise with the field.
template <class Read>
double solved(double low, double high, double wanted, const Read& read)
{
    for (int i = 0; i < 40; ++i) {
        const double middle = (low + high) / 2;
        (read(middle) < wanted ? low : high) = middle;
    }
    return (low + high) / 2;
}

PlotModel modelOf(const Warmth& s)
{
    constexpr double kWarmAt = 0.7, kGreenAt = 0.45;
    PlotModel m;
    m.low = -0.09, m.high = 0.09;
    m.unit = QCoreApplication::translate("Plot", "cast of greys");
    m.levels = {-0.05, 0, 0.05};
    const auto warm = [](const Warmth& w, double L) { return toOkLab(evaluate(w, grey(L))).b; };
    const auto green = [](const Warmth& w, double L) { return -toOkLab(evaluate(w, grey(L))).a; };
    m.lines.push_back({[s, warm](double L) { return warm(s, L); }, false, QCoreApplication::translate("Plot", "warm")});
    m.lines.push_back(
        {[s, green](double L) { return green(s, L); }, true, QCoreApplication::translate("Plot", "green")});
    m.handles.push_back(
        {kWarmAt, warm(s, kWarmAt),
         [s, warm](Json& p, double, double up) {
             p["warmth"] = solved(-100, 150, up, [&](double v) { return warm({v, s.green, {}}, kWarmAt); });
         },
         QCoreApplication::translate("Plot", "warmth")});
    m.handles.push_back(
        {kGreenAt, green(s, kGreenAt),
         [s, green](Json& p, double, double up) {
             p["green"] = solved(-30, 30, up, [&](double v) { return green({s.warmth, v, {}}, kGreenAt); });
         },
         QCoreApplication::translate("Plot", "green")});
    return m;
}

/// How strongly colours of each hue are drawn, at the lightness and chroma of the sampled one.
PlotModel modelOf(const EvenTowards& s)
{
    PlotModel m;
    m.axis = AxisPlot::Axis::Hue;
    m.low = 0, m.high = 1;
    m.unit = QCoreApplication::translate("Plot", "drawn");
    m.levels = {0.5};
    const auto drawn = [s](double pull) {
        return [s, pull](double hue) {
            return pull * weightAt(s.range, toOkLab(OkLch{s.range.lightness, s.range.chroma, hue}));
        };
    };
    m.lines.push_back({drawn(s.towardsHue), false, QCoreApplication::translate("Plot", "hue")});
    m.lines.push_back({drawn(s.towardsChroma), true, QCoreApplication::translate("Plot", "chroma")});
    m.lines.push_back({drawn(s.towardsLightness), true, QCoreApplication::translate("Plot", "lightness")});
    m.handles.push_back(
        {s.range.hue, s.towardsHue,
         [](Json& p, double at, double up) { put(p, "hue", wrapDegrees(at), 0, 360), put(p, "towardsHue", up, 0, 1); },
         QCoreApplication::translate("Plot", "sampled")});
    m.handles.push_back({wrapDegrees(s.range.hue + s.range.hueReach), 0,
                         [hue = s.range.hue](Json& p, double at, double) {
                             put(p, "hueReach", std::abs(hueDifference(hue, at)), 8, 180);
                         },
                         QCoreApplication::translate("Plot", "reach")});
    return m;
}

PlotModel modelOf(const Wash& s)
{
    PlotModel m;
    m.low = 0, m.high = 1;
    m.unit = QCoreApplication::translate("Plot", "lightness");
    m.levels = {0.25, 0.5, 0.75};
    if (!s.stops.empty()) {
        const auto ramp = rampOf(s);
        m.lines.push_back({[ramp](double L) { return toneOf(decode(RgbSpace::Srgb, rampAt(ramp, L))); }});
    }
    for (std::size_t i = 0; i < s.stops.size(); ++i)
        m.handles.push_back({s.stops[i].position, s.stops[i].lightness,
                             [i](Json& p, double at, double up) {
                                 put(p["stops"][i], "position", at, 0, 1), put(p["stops"][i], "lightness", up, 0, 1);
                             },
                             QString::number(i + 1),
                             toLinearRgb(toOkLab(OkLch{s.stops[i].lightness, s.stops[i].chroma, s.stops[i].hue}))});
    m.add = [](Json& p, double at, double up) {
        if (p["stops"].size() < kWashStopLimit) {
            WashStop stop;
            stop.position = std::clamp(at, 0.0, 1.0), stop.lightness = std::clamp(up, 0.0, 1.0);
            p["stops"].push_back(toJson(stop));
        }
    };
    m.remove = [](Json& p, int handle) { p["stops"].erase(static_cast<std::size_t>(handle)); };
    return m;
}

/// How strongly a spatial step works at each tone: its amount, times what guards it by tone.
PlotModel spatialModel(const char* field, double amount, double low, double high,
                       const std::function<double(double)>& share)
{
    PlotModel m;
    m.low = low, m.high = high;
    m.unit = QCoreApplication::translate("Plot", "strength");
    m.levels = {low / 2, 0, high / 2};
    m.lines.push_back({[amount, share](double L) { return amount * share(L); }});
    m.handles.push_back({0.5, amount * share(0.5),
                         [field, low, high, share](Json& p, double, double up) {
                             put(p, field, up / std::max(0.05, share(0.5)), low, high);
                         },
                         QCoreApplication::translate("Plot", "amount")});
    return m;
}

const auto kEverywhere = [](double) { return 1.0; };
PlotModel modelOf(const LocalContrast& s) { return spatialModel("amount", s.amount, -1, 2, kEverywhere); }
PlotModel modelOf(const FineDetail& s) { return spatialModel("amount", s.amount, -1, 3, kEverywhere); }
PlotModel modelOf(const Haze& s) { return spatialModel("amount", s.amount, -1, 1, kEverywhere); }
PlotModel modelOf(const OutputSharpening& s) { return spatialModel("amount", s.amount, 0, 3, kEverywhere); }
PlotModel modelOf(const Glow& s)
{
    PlotModel m = spatialModel("amount", s.amount, 0, 2, [from = s.from](double at) {
        return smoothstep(from, from + kGlowRise, std::clamp(at, 0.0, 1.5));
    });
    m.handles[0] = {
        std::min(0.98, s.from + kGlowRise), s.amount,
        [](Json& p, double at, double up) { put(p, "from", at - kGlowRise, 0.2, 1.2), put(p, "amount", up, 0, 2); },
        QCoreApplication::translate("Plot", "amount")};
    return m;
}
PlotModel modelOf(const Grain& s)
{
    return spatialModel("amount", s.amount, 0, 0.12, [midtones = s.midtones](double at) {
        const double L = std::clamp(at, 0.0, 1.0);
        return 1 - midtones * (1 - 4 * L * (1 - L));
    });
}
PlotModel modelOf(const EdgeDarkening& s)
{
    const auto share = [protect = s.protectDarks](double L) {
        const double t = std::clamp((L - kProtectedTones[0]) / (kProtectedTones[1] - kProtectedTones[0]), 0.0, 1.0);
        return 1 - protect * (1 - t * t * (3 - 2 * t));
    };
    PlotModel m = spatialModel("net", s.net, -3, 1, share);
    m.unit = QCoreApplication::translate("Plot", "stops");
    m.levels = {-2, -1, 0};
    m.handles[0].label = QCoreApplication::translate("Plot", "net");
    m.lines.push_back({[s, share](double L) { return (s.net - s.existing) * share(L); }, false,
                       QCoreApplication::translate("Plot", "added")});
    return m;
}

}  // namespace

PlotModel plotModelOf(const Step& step)
{
    return std::visit(
        [](const auto& s) {
            if constexpr (requires { modelOf(s); })
                return modelOf(s);
            return PlotModel{};
        },
        step.parameters);
}

ParameterPlot::ParameterPlot(Axis axis, QWidget* parent) : AxisPlot(axis, parent)
{
    setObjectName(axis == Axis::Tone ? "parameterTonePlot" : "parameterHuePlot");
    setAccessibleName(axis == Axis::Tone ? tr("What the step does along the tone axis")
                                         : tr("What the step does along the hue axis"));
    setToolTip(tr("Drag a handle; double-click it to reset it"));
}

void ParameterPlot::show(const Step& step)
{
    m_step = step;
    m_model = plotModelOf(step);
    if (selected() >= handleCount())
        select(std::max(0, handleCount() - 1));
    update();
}

double ParameterPlot::toY(double up) const
{
    return plot().bottom() - (up - m_model.low) / (m_model.high - m_model.low) * plot().height();
}
double ParameterPlot::toUp(double y) const
{
    return m_model.low + (plot().bottom() - y) / plot().height() * (m_model.high - m_model.low);
}

QPointF ParameterPlot::handlePlace(int handle) const
{
    const auto& h = m_model.handles[static_cast<std::size_t>(handle)];
    return {std::clamp(toX(h.at), plot().left(), plot().right()), std::clamp(toY(h.up), plot().top(), plot().bottom())};
}

void ParameterPlot::change(const std::function<void(Json&)>& edit)
{
    Json parameters = parametersOf(m_step);
    edit(parameters);
    if (auto fresh = withParameters(m_step, parameters); fresh && changed)
        changed(*fresh);
}

void ParameterPlot::moveHandle(int handle, QPointF to)
{
    const auto move = m_model.handles[static_cast<std::size_t>(handle)].move;
    change([&](Json& p) { move(p, toAt(to.x()), toUp(to.y())); });
}

void ParameterPlot::nudgeHandle(int handle, int across, int up, bool coarse)
{
    const auto h = m_model.handles[static_cast<std::size_t>(handle)];
    const double step = coarse ? 0.05 : 0.005, width = toAt(plot().right()) - toAt(plot().left());
    change([&](Json& p) { h.move(p, h.at + across * step * width, h.up + up * step * (m_model.high - m_model.low)); });
}

int ParameterPlot::addHandle(QPointF at)
{
    if (!m_model.add)
        return -1;
    const int before = handleCount();
    change([&](Json& p) { m_model.add(p, toAt(at.x()), toUp(at.y())); });
    return handleCount() > before ? handleCount() - 1 : -1;
}

void ParameterPlot::removeHandle(int handle)
{
    if (const auto remove = m_model.remove)
        change([&](Json& p) { remove(p, handle); });
}

void ParameterPlot::resetHandle(int handle)
{
    // To where the handle stands in a step at its defaults.
    Step fresh = m_step;
    fresh.parameters = std::visit([]<class T>(const T&) { return StepParameters(T{}); }, m_step.parameters);
    const PlotModel defaults = plotModelOf(fresh);
    if (handle >= static_cast<int>(defaults.handles.size()))
        return;
    const auto to = defaults.handles[static_cast<std::size_t>(handle)];
    change([&](Json& p) { m_model.handles[static_cast<std::size_t>(handle)].move(p, to.at, to.up); });
}

QString ParameterPlot::actionName() const
{
    const QString label =
        selected() < handleCount() ? m_model.handles[static_cast<std::size_t>(selected())].label : QString();
    return tr("%1: %2 moved").arg(stepTitle(m_step), label);
}

void ParameterPlot::paintStrips(QPainter& painter) const
{
    const QRectF area = plot();
    painter.setRenderHint(QPainter::Antialiasing, false);
    const bool tone = m_model.axis == Axis::Tone;
    for (double x = std::floor(area.left()); x < area.right(); x += 3) {
        const double at = toAt(x + 1.5);
        const LinearRgb in = tone ? grey(std::clamp(at, 0.0, 1.0)) : coloured(at);
        painter.fillRect(QRectF(x, area.top() - 14, 3, 11), screenColour(evaluate(m_step, in)));
        painter.fillRect(QRectF(x, area.bottom() + 3, 3, 11), screenColour(in));
    }
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(theme::kQuietInk);
    painter.setFont(theme::font(13));
    painter.drawText(QRectF(0, area.top() - 17, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter, tr("out"));
    painter.drawText(QRectF(0, area.bottom() + 1, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter, tr("in"));
}

void ParameterPlot::paintLabelled(QPainter& painter, int i) const
{
    const QRectF area = plot();
    const QPointF at = handlePlace(i);
    paintHandle(painter, at, i == selected());
    if (const auto& colour = m_model.handles[static_cast<std::size_t>(i)].colour) {
        painter.setPen(Qt::NoPen);
        painter.setBrush(screenColour(*colour));
        painter.drawRect(QRectF(at.x() + 11, at.y() - 6, 12, 12));
    }
    painter.setPen(theme::kInk);
    painter.setFont(theme::font(13, i == selected()));
    const bool below = at.y() < area.top() + 26;
    painter.drawText(
        QRectF(std::clamp(at.x() - 40, area.left(), area.right() - 80), below ? at.y() + 9 : at.y() - 26, 80, 16),
        Qt::AlignCenter, m_model.handles[static_cast<std::size_t>(i)].label);
}

void ParameterPlot::paintLines(QPainter& painter) const
{
    const QRectF area = plot();
    painter.save();
    painter.setClipRect(area.adjusted(0, -1, 0, 1));
    painter.setBrush(Qt::NoBrush);
    for (const auto& line : m_model.lines) {
        QPolygonF points;
        for (double x = area.left(); x <= area.right() + 0.5; x += 2)
            points << QPointF(x, toY(line.up(toAt(x))));
        painter.setPen(line.strong ? QPen(theme::kInk, 2) : QPen(theme::kQuietInk, 1.2, Qt::DashLine));
        painter.drawPolyline(points);
        painter.setFont(theme::font(13));
        painter.drawText(QRectF(area.right() - 86, points.last().y() - (line.strong ? -2 : 18), 80, 16),
                         Qt::AlignRight | Qt::AlignVCenter, line.label);
    }
    painter.restore();
}

void ParameterPlot::paintPlot(QPainter& painter)
{
    if (m_model.lines.empty() && m_model.handles.empty())
        return;
    const QRectF area = plot();
    paintStrips(painter);
    for (double level : m_model.levels) {
        const double y = std::round(toY(level)) + 0.5;
        painter.setPen(QPen(theme::kHairline, 1, level == 0 ? Qt::SolidLine : Qt::DotLine));
        painter.drawLine(QPointF(area.left(), y), QPointF(area.right(), y));
        painter.setPen(theme::kQuietInk);
        if (y < area.bottom() - 10)  // the strip below has its own word
            painter.drawText(QRectF(0, y - 8, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter,
                             QLocale().toString(level, 'g', 2).replace('-', QStringLiteral("\u2212")));
    }
    painter.drawText(QRectF(area.left() + 6, area.top() + 1, 120, 15), Qt::AlignLeft | Qt::AlignVCenter, m_model.unit);
    paintLines(painter);
    for (int i = 0; i < handleCount(); ++i)
        paintLabelled(painter, i);
    if (!m_model.warning.isEmpty()) {
        painter.setFont(theme::font(13, true));
        const double width = painter.fontMetrics().horizontalAdvance(m_model.warning) + 14;
        const QRectF box(area.right() - width - 6, area.top() + 4, width, 20);
        painter.setPen(QPen(theme::kInk, 1));
        painter.setBrush(theme::kPaper);
        painter.drawRect(box);
        painter.drawText(box, Qt::AlignCenter, m_model.warning);
    }
}

}  // namespace amber
