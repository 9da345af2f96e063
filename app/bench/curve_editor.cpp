#include "app/bench/curve_editor.h"

#include "app/display/screen_view.h"
#include "app/theme/line_label.h"
#include "app/theme/theme.h"
#include "core/colour/oklab.h"

namespace amber {
namespace {

constexpr double kNudge = 0.004, kCoarseNudge = 0.02, kPictureGain = 0.0012, kNear = 0.06;
QColor inkOf(int channel) { return channel == 0 ? theme::kInk : theme::kChannelInk[channel - 1]; }

template <class Step>
auto& pointsOf(Step& step, int channel)
{
    return channel == 1 ? step.red : channel == 2 ? step.green : channel == 3 ? step.blue : step.all;
}

}  // namespace

CurvePlot::CurvePlot(QWidget* parent) : LiftPlot(parent)
{
    setObjectName("curvePlot");
    setAccessibleName(tr("Tone curve: change of each tone"));
    setToolTip(tr(
        "Click to add a point, drag it up for lighter and down for darker, double-click to put it back on the line"));
}

void CurvePlot::show(const ToneCurve& step, int channel)
{
    m_step = step;
    m_channel = channel;
    if (!isDragging()) {
        double most = 0;
        for (int c = 0; c < 4; ++c)
            for (const CurvePoint& p : pointsOf(m_step, c))
                most = std::max(most, std::abs(p.y - p.x));
        makeRoom(most);
    }
    update();
}

const ToneCurve::Points& CurvePlot::points() const { return pointsOf(m_step, m_channel); }
ToneCurve::Points& CurvePlot::mutablePoints() { return pointsOf(m_step, m_channel); }
QString CurvePlot::actionName() const { return tr("Curve point moved"); }

QPointF CurvePlot::handlePlace(int handle) const
{
    const CurvePoint p = points()[static_cast<std::size_t>(handle)];
    return {toX(p.x), toY(p.y - p.x)};
}

void CurvePlot::movePoint(int index, CurvePoint to)
{
    auto& all = mutablePoints();
    const std::size_t i = static_cast<std::size_t>(index);
    const double left = i == 0 ? kToneLeft : all[i - 1].x + kCurveGap,
                 right = i + 1 == all.size() ? kToneRight : all[i + 1].x - kCurveGap;
    const double low = i == 0 ? -0.5 : all[i - 1].y, high = i + 1 == all.size() ? 1.5 : all[i + 1].y;
    all[i] = {std::clamp(to.x, left, std::max(left, right)), std::clamp(to.y, low, std::max(low, high))};
    changed(m_step);
}

void CurvePlot::moveHandle(int handle, QPointF to)
{
    const double x = toAt(to.x());
    movePoint(handle, {x, x + toLift(to.y())});
}

void CurvePlot::nudgeHandle(int handle, int across, int up, bool coarse)
{
    const double step = coarse ? kCoarseNudge : kNudge;
    const CurvePoint p = points()[static_cast<std::size_t>(handle)];
    movePoint(handle, {p.x + across * step, p.y + (across + up) * step});
}

int CurvePlot::insertPoint(double x)
{
    auto& all = mutablePoints();
    if (all.size() >= kCurvePointLimit)
        return -1;
    const auto after = std::find_if(all.begin(), all.end(), [&](const CurvePoint& p) { return p.x > x; });
    const double left = after == all.begin() ? -2 : std::prev(after)->x, right = after == all.end() ? 4 : after->x;
    if (x - left < kCurveGap * 2 || right - x < kCurveGap * 2)
        return -1;
    const double y = MonotoneCurve(all)(x);
    const auto index = after - all.begin();
    all.insert(after, {x, y});
    changed(m_step);
    return static_cast<int>(index);
}

int CurvePlot::addHandle(QPointF at)
{
    const int index = insertPoint(std::clamp(toAt(at.x()), kToneLeft, kToneRight));
    if (index >= 0)
        moveHandle(index, at);
    return index;
}

int CurvePlot::pointAt(double tone)
{
    const auto& all = points();
    const auto nearest = std::min_element(all.begin(), all.end(), [&](const CurvePoint& p, const CurvePoint& q) {
        return std::abs(p.x - tone) < std::abs(q.x - tone);
    });
    if (std::abs(nearest->x - tone) <= kNear)
        return static_cast<int>(nearest - all.begin());
    const int added = insertPoint(std::clamp(tone, kToneLeft, kToneRight));
    return added >= 0 ? added : static_cast<int>(nearest - all.begin());
}

void CurvePlot::removeHandle(int handle)
{
    auto& all = mutablePoints();
    if (all.size() <= 2)
        return;
    all.erase(all.begin() + handle);
    changed(m_step);
}

void CurvePlot::resetHandle(int handle)
{
    const double x = points()[static_cast<std::size_t>(handle)].x;
    movePoint(handle, {x, x});
}

void CurvePlot::paintPlot(QPainter& painter)
{
    paintLevels(painter);
    const MonotoneCurve curves[4] = {MonotoneCurve(m_step.all), MonotoneCurve(m_step.red), MonotoneCurve(m_step.green),
                                     MonotoneCurve(m_step.blue)};
    paintRamps(painter, [&](double at) {
        const double v = curves[0](at), r = curves[1](v), g = curves[2](v), b = curves[3](v);
        return screenColour({r * r * r, g * g * g, b * b * b});
    });
    const QString letters[4] = {{}, tr("R"), tr("G"), tr("B")};
    for (int c = 0; c < 4; ++c)
        if (c != m_channel && (c == 0 || pointsOf(m_step, c) != ToneCurve{}.red))
            paintCurve(painter, std::cref(curves[c]), c == 0 ? theme::kGhost : inkOf(c), 1.2, letters[c],
                       0.5 + 0.06 * c);
    paintCurve(painter, std::cref(curves[m_channel]), inkOf(m_channel), 2.2, letters[m_channel],
               0.5 + 0.06 * m_channel);
    for (int i = 0; i < handleCount(); ++i)
        paintHandle(painter, handlePlace(i), i == selected());
}

void CurveEditor::addChannels(QHBoxLayout* row)
{
    const QString names[] = {tr("All"), tr("Red"), tr("Green"), tr("Blue")};
    for (int i = 0; i < 4; ++i) {
        auto* button = new QToolButton(this);
        button->setText(names[i]);
        button->setObjectName("curveChannel" + QString::number(i));
        button->setCheckable(true);
        button->setToolTip(tr("Edit the curve of: %1").arg(names[i]));
        m_channels->addButton(button, i);
        row->addWidget(button);
    }
    m_channels->button(0)->setChecked(true);
    connect(m_channels, &QButtonGroup::idClicked, this, [this] {
        m_plot->select(0);
        refresh();
    });
}

void CurveEditor::dressMode()
{
    m_mode->setObjectName("curveMode");
    m_mode->setAccessibleName(tr("Mode"));
    m_mode->setToolTip(tr("Every channel: chroma rises with the slope. Lightness only: hue and chroma are held."));
    m_mode->addItems({tr("Every channel"), tr("Lightness only")});
    connect(m_mode, &QComboBox::activated, this, [this](int mode) {
        auto step = parameters<ToneCurve>();
        step.mode = static_cast<ToneCurve::Mode>(mode);
        put(step);
        m_document.looks().commit(tr("Curve mode"));
    });
}

CurveEditor::CurveEditor(Document& document, QWidget* parent)
    : StepEditor(document, parent), m_plot(new CurvePlot(this)), m_mode(new QComboBox(this)),
      m_channels(new QButtonGroup(this)), m_readout(new LineLabel(this))
{
    auto* row = new QHBoxLayout;
    row->setSpacing(5);
    dressMode();
    row->addWidget(m_mode);
    row->addSpacing(6);
    addChannels(row);
    row->addSpacing(10);
    const auto setPoint = [this](double CurvePoint::*member) {
        return [this, member](double value) {
            CurvePoint p = m_plot->points()[static_cast<std::size_t>(m_plot->selected())];
            p.*member = value;
            m_plot->movePoint(m_plot->selected(), p);
        };
    };
    m_in = addNumber(row, "curveIn", tr("Point in"), tr("Tone of the chosen point as it comes in, 0 black to 1 white"),
                     -1, 3, 0.004, 3, setPoint(&CurvePoint::x));
    m_out = addNumber(row, "curveOut", tr("out"), tr("Where the chosen point lands, 0 black to 1 white"), -1, 3, 0.004,
                      3, setPoint(&CurvePoint::y));
    m_readout->setObjectName("curveReadout");
    m_readout->setProperty("quiet", true);
    m_readout->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    row->addSpacing(8);
    row->addWidget(m_readout, 1);

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    layout->addLayout(row);
    layout->addWidget(m_plot, 1);
    m_plot->changed = [this](const ToneCurve& step) { put(step); };
    follow(*m_plot);
    connect(m_plot, &AxisPlot::selectionMoved, this, [this] { showPoint(); });
}

void CurveEditor::refresh()
{
    const auto step = parameters<ToneCurve>();
    m_mode->setCurrentIndex(static_cast<int>(step.mode));
    m_plot->show(step, m_channels->checkedId());
    m_plot->select(std::min(m_plot->selected(), m_plot->handleCount() - 1));
    showPoint();
    const ToneCurveReadout r = readout(step.all);
    m_readout->setText(tr("black to %1, white to %2 · slope: toe %3, mid %4, end %5")
                           .arg(theme::number(r.floor, 3), theme::number(r.ceiling, 3), theme::number(r.toe, 2),
                                theme::number(r.midSlope, 2), theme::number(r.rollOff, 2)));
    m_readout->setToolTip(m_readout->text());
}

void CurveEditor::showPoint()
{
    const auto& points = m_plot->points();
    if (m_plot->selected() >= static_cast<int>(points.size()))
        return;
    const CurvePoint p = points[static_cast<std::size_t>(m_plot->selected())];
    showNumber(m_in, p.x);
    showNumber(m_out, p.y);
}

void CurveEditor::setEntering(const FrameMeasures& measures)
{
    m_plot->setDistribution({measures.tone.tone.begin(), measures.tone.tone.end()});
}

QString CurveEditor::setProbe(const Probe* probe)
{
    if (!probe) {
        m_plot->setProbe(std::nullopt);
        return {};
    }
    const double tone = toOkLab(probe->entering).L;
    m_plot->setProbe(tone);
    const auto& points = m_plot->points();
    std::size_t nearest = 0;
    for (std::size_t i = 1; i < points.size(); ++i)
        if (std::abs(points[i].x - tone) < std::abs(points[nearest].x - tone))
            nearest = i;
    return tr("tone %1; nearest point %2 of %3").arg(theme::decimal(tone, 3)).arg(nearest + 1).arg(points.size());
}

bool CurveEditor::beginPictureDrag(const Probe& probe)
{
    m_dragged = m_plot->pointAt(toOkLab(probe.entering).L);
    m_plot->select(m_dragged);
    m_draggedFrom = m_plot->points()[static_cast<std::size_t>(m_dragged)];
    return true;
}

void CurveEditor::dragPicture(QPointF delta)
{
    if (m_dragged >= 0)
        m_plot->movePoint(m_dragged, {m_draggedFrom.x, m_draggedFrom.y - delta.y() * kPictureGain});
}

void CurveEditor::endPictureDrag()
{
    m_dragged = -1;
    m_document.looks().commit(tr("Tone dragged on the picture"));
}

}  // namespace amber
