#include "app/bench/dyes_editor.h"

#include "app/bench/colour_actions.h"
#include "app/display/screen_view.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "core/analysis/tint.h"
#include "core/colour/oklab.h"

namespace amber {
namespace {

constexpr double kDensityGain = 0.0002;

QColor dyeColour(const Dye& dye)
{
    return screenColour(
        toLinearRgb(toOkLab(OkLch{0.45 + 0.4 * dye.position, std::max(dye.chroma, 0.02), dye.hueDegrees})));
}

}  // namespace

DyeTonePlot::DyeTonePlot(QWidget* parent) : AxisPlot(Axis::Tone, parent)
{
    setObjectName("dyePlot");
    setAccessibleName(tr("Dyes by tone and chroma"));
    setToolTip(tr("Double-click to add a dye; drag it across for its tone and up for its chroma; drag the end of its "
                  "line for its reach"));
    setMinimumHeight(92);
}

void DyeTonePlot::show(const SplitToning& step)
{
    m_step = step;
    if (!isDragging()) {
        m_top = 0.08;
        for (const Dye& dye : m_step.dyes)
            m_top = std::max(m_top, dye.chroma * 1.2);
    }
    update();
}

void DyeTonePlot::setTintWords(const QString& words)
{
    m_tintWords = words;
    setAccessibleDescription(words);
    update();
}

QString DyeTonePlot::actionName() const { return tr("Dye moved"); }
double DyeTonePlot::toY(double chroma) const { return plot().bottom() - chroma / m_top * plot().height(); }

QPointF DyeTonePlot::handlePlace(int handle) const
{
    const Dye& dye = m_step.dyes[static_cast<std::size_t>(dyeOf(handle))];
    const double at = dye.position + m_step.balance;
    if (handle < static_cast<int>(m_step.dyes.size()))
        return {toX(at), toY(dye.chroma)};
    return {std::min(toX(at + dye.reach), plot().right() - 2), plot().bottom() - 7};
}

void DyeTonePlot::set(int index, double position, double chroma, double reach)
{
    Dye& dye = m_step.dyes[static_cast<std::size_t>(index)];
    dye.position = std::clamp(position, 0.0, 1.0);
    dye.chroma = std::clamp(chroma, 0.0, 0.3);
    dye.reach = std::clamp(reach, 0.05, 1.5);
    changed(m_step);
}

void DyeTonePlot::moveHandle(int handle, QPointF to)
{
    const Dye dye = m_step.dyes[static_cast<std::size_t>(dyeOf(handle))];
    const double at = toAt(to.x()) - m_step.balance;
    if (handle < static_cast<int>(m_step.dyes.size()))
        set(dyeOf(handle), at, (plot().bottom() - to.y()) / plot().height() * m_top, dye.reach);
    else
        set(dyeOf(handle), dye.position, dye.chroma, at - dye.position);
}

void DyeTonePlot::nudgeHandle(int handle, int across, int up, bool coarse)
{
    const double step = coarse ? 10 : 1;
    const Dye dye = m_step.dyes[static_cast<std::size_t>(dyeOf(handle))];
    if (handle < static_cast<int>(m_step.dyes.size()))
        set(dyeOf(handle), dye.position + across * step * 0.004, dye.chroma + up * step * 0.001, dye.reach);
    else
        set(dyeOf(handle), dye.position, dye.chroma, dye.reach + (across + up) * step * 0.01);
}

int DyeTonePlot::addHandle(QPointF at)
{
    if (m_step.dyes.size() >= kDyeLimit)
        return -1;
    Dye dye;
    dye.position = std::clamp(toAt(at.x()) - m_step.balance, 0.0, 1.0);
    dye.hueDegrees = m_step.dyes.empty() ? 70 : wrapDegrees(m_step.dyes.back().hueDegrees + 180);
    dye.chroma = std::clamp((plot().bottom() - at.y()) / plot().height() * m_top, 0.0, 0.3);
    m_step.dyes.push_back(dye);
    const auto index = m_step.dyes.size() - 1;
    if (index > 0)
        applyLock(m_step, 0);
    changed(m_step);
    return static_cast<int>(index);
}

void DyeTonePlot::removeHandle(int handle)
{
    m_step.dyes.erase(m_step.dyes.begin() + dyeOf(handle));
    changed(m_step);
}

void DyeTonePlot::resetHandle(int handle)
{
    const Dye dye = m_step.dyes[static_cast<std::size_t>(dyeOf(handle))];
    handle < static_cast<int>(m_step.dyes.size()) ? set(dyeOf(handle), dye.position, 0, dye.reach)
                                                  : set(dyeOf(handle), dye.position, dye.chroma, Dye{}.reach);
}

void DyeTonePlot::paintDye(QPainter& painter, std::size_t i) const
{
    const QRectF area = plot();
    const Dye& dye = m_step.dyes[i];
    const int handle = static_cast<int>(i), reachHandle = handle + static_cast<int>(m_step.dyes.size());
    const bool chosen = dyeOf(selected()) == handle;
    const QPointF top = handlePlace(handle), reach = handlePlace(reachHandle);
    painter.setPen(QPen(chosen ? theme::kInk : theme::kGhost, 1.2));
    painter.drawLine(top, QPointF(top.x(), area.bottom()));
    if (chosen) {
        painter.drawLine(
            QPointF(std::max(area.left(), 2 * top.x() - toX(dye.position + m_step.balance + dye.reach)), reach.y()),
            reach);
        painter.setBrush(selected() == reachHandle ? theme::kAmber : theme::kPaper);
        painter.setPen(QPen(theme::kInk, 1.3));
        painter.drawRect(QRectF(reach.x() - 3, reach.y() - 6, 6, 12));
    }
    paintHandle(painter, top, selected() == handle);
    painter.setPen(Qt::NoPen);
    painter.setBrush(dyeColour(dye));
    painter.drawRect(QRectF(top.x() + 11, top.y() - 6, 12, 12));
    painter.setPen(theme::kInk);
    painter.setFont(theme::font(13, chosen));
    painter.drawText(QRectF(top.x() + 26, top.y() - 8, 20, 16), Qt::AlignLeft | Qt::AlignVCenter,
                     QString::number(i + 1));
}

void DyeTonePlot::paintPlot(QPainter& painter)
{
    const QRectF area = plot();
    painter.setRenderHint(QPainter::Antialiasing, false);
    for (double x = std::floor(area.left()); x < area.right(); x += 3) {
        const double L = std::clamp(toAt(x + 1.5), 0.0, 1.0);
        painter.fillRect(QRectF(x, 3, 3, 12), screenColour(evaluate(m_step, {L * L * L, L * L * L, L * L * L})));
    }
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(theme::font(13));
    painter.setPen(theme::kQuietInk);
    painter.drawText(QRectF(0, 1, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter, tr("greys"));
    painter.drawText(QRectF(0, area.top(), area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter,
                     theme::decimal(m_top, 2));
    painter.drawText(QRectF(0, area.center().y() - 8, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter,
                     tr("chroma"));
    painter.drawText(area.adjusted(8, 2, -8, 0), Qt::AlignLeft | Qt::AlignTop, m_tintWords);
    QPolygonF tint;
    for (double x = area.left(); x <= area.right(); x += 2) {
        const OkLab t = tintAt(m_step, toAt(x));
        tint << QPointF(x, toY(std::hypot(t.a, t.b)));
    }
    painter.save();
    painter.setClipRect(area);
    painter.setPen(QPen(theme::kQuietInk, 1.6));
    painter.drawPolyline(tint);
    painter.restore();
    for (std::size_t i = 0; i < m_step.dyes.size(); ++i)
        paintDye(painter, i);
}

DyeHuePlot::DyeHuePlot(QWidget* parent) : AxisPlot(Axis::Hue, parent)
{
    setObjectName("dyeHuePlot");
    setAccessibleName(tr("Hues of the dyes"));
    setToolTip(tr("Drag a dye to another hue; a lock takes the others along"));
    setMinimumHeight(48);
    setMaximumHeight(58);
}

void DyeHuePlot::show(const SplitToning& step)
{
    m_step = step;
    update();
}

QString DyeHuePlot::actionName() const { return tr("Dye hue"); }
QPointF DyeHuePlot::handlePlace(int handle) const
{
    return {toX(m_step.dyes[static_cast<std::size_t>(handle)].hueDegrees), plot().bottom() - 15};
}

void DyeHuePlot::setHue(int dye, double degrees)
{
    m_step.dyes[static_cast<std::size_t>(dye)].hueDegrees = degrees;
    applyLock(m_step, static_cast<std::size_t>(dye));
    changed(m_step);
}

void DyeHuePlot::moveHandle(int handle, QPointF to) { setHue(handle, std::clamp(toAt(to.x()), 0.0, 360.0)); }
void DyeHuePlot::nudgeHandle(int handle, int across, int up, bool coarse)
{
    setHue(handle,
           wrapDegrees(m_step.dyes[static_cast<std::size_t>(handle)].hueDegrees + (across + up) * (coarse ? 10 : 1)));
}

void DyeHuePlot::paintPlot(QPainter& painter)
{
    const QRectF area = plot();
    painter.setRenderHint(QPainter::Antialiasing, false);
    for (double x = std::floor(area.left()); x < area.right(); x += 3)
        painter.fillRect(QRectF(x, area.bottom() - 4, 3, 4), hueColour(toAt(x + 1.5)));
    painter.setRenderHint(QPainter::Antialiasing);
    for (int i = 0; i < handleCount(); ++i) {
        paintHandle(painter, handlePlace(i), i == selected());
        painter.setPen(theme::kInk);
        painter.setFont(theme::font(13, i == selected()));
        painter.drawText(QRectF(handlePlace(i).x() + 10, handlePlace(i).y() - 8, 20, 16),
                         Qt::AlignLeft | Qt::AlignVCenter, QString::number(i + 1));
    }
}

void DyesEditor::explainNumbers()
{
    const auto ofDye = [this](const char* field) {
        return [this, field]() { return "/dyes/" + std::to_string(m_tone->dyeOf(m_tone->selected())) + "/" + field; };
    };
    explains(m_position, ofDye("position"), tr("tone"), 0, 1);
    explains(m_hueBox, ofDye("hue"), tr("hue"), 0, 360);
    explains(m_chroma, ofDye("chroma"), tr("chroma"), 0, 0.1);
    explains(m_reach, ofDye("reach"), tr("reach"), 0.05, 1.5);
}

void DyesEditor::addNumbers(QHBoxLayout* row)
{
    const auto setDye = [this](double Dye::*member) {
        return [this, member](double value) {
            auto step = parameters<SplitToning>();
            const auto index = static_cast<std::size_t>(m_tone->dyeOf(m_tone->selected()));
            if (index >= step.dyes.size())
                return;
            step.dyes[index].*member = value;
            if (member == &Dye::hueDegrees)
                applyLock(step, index);
            put(step);
        };
    };
    m_position =
        addNumber(row, "dyePosition", tr("tone"), tr("Where the dye lies on the tone axis, 0 black to 1 white"), 0, 1,
                  0.01, 3, setDye(&Dye::position));
    m_hueBox = addNumber(row, "dyeHue", tr("hue"), tr("OKLCh hue in degrees"), 0, 360, 1, 0, setDye(&Dye::hueDegrees));
    m_chroma =
        addNumber(row, "dyeChroma", tr("chroma"), tr("OKLCh chroma of the tint: 0.01 is a hint, 0.03 plain to see"), 0,
                  0.3, 0.001, 3, setDye(&Dye::chroma));
    m_reach =
        addNumber(row, "dyeReach", tr("reach"), tr("How far from its tone the dye still colours, on the tone axis"),
                  0.05, 1.5, 0.01, 2, setDye(&Dye::reach));
    m_balance = addNumber(row, "dyeBalance", tr("balance"), tr("Slides all dyes along the tone axis"), -0.5, 0.5, 0.01,
                          2, [this](double value) {
                              auto step = parameters<SplitToning>();
                              step.balance = value;
                              put(step);
                          });
    explainNumbers();
    explains(
        m_balance, [] { return std::string("/balance"); }, tr("balance"), -0.5, 0.5);
}

void DyesEditor::addHues(QHBoxLayout* row)
{
    m_lock->setObjectName("dyeLock");
    m_lock->setAccessibleName(tr("Hue lock"));
    m_lock->setToolTip(tr("Keeps the dyes' hues in a fixed relation: move one and the others follow"));
    m_lock->addItems({tr("hues free"), tr("opposite"), tr("split opposite"), tr("neighbours"), tr("triad")});
    connect(m_lock, &QComboBox::activated, this, [this](int lock) {
        auto step = parameters<SplitToning>();
        step.lock = static_cast<SplitToning::Lock>(lock);
        applyLock(step, static_cast<std::size_t>(m_tone->dyeOf(m_tone->selected())));
        put(step);
        m_document.looks().commit(tr("Hue lock"));
    });
    row->addWidget(m_lock);
    auto* propose = new QToolButton(this);
    propose->setObjectName("dyePropose");
    propose->setText(tr("Hues"));
    propose->setToolTip(tr("Hues for the dye in hand from a key colour: its opposite, its neighbours, its triad"));
    propose->setPopupMode(QToolButton::InstantPopup);
    auto* proposals = new QMenu(propose);
    proposals->setObjectName("dyeProposals");
    propose->setMenu(proposals);
    connect(proposals, &QMenu::aboutToShow, this, [this, proposals] { fillProposals(*proposals); });
    row->addWidget(propose);
}

DyesEditor::DyesEditor(Document& document, QWidget* parent)
    : StepEditor(document, parent), m_tone(new DyeTonePlot(this)), m_hue(new DyeHuePlot(this)),
      m_name(new QLabel(this)), m_lock(new QComboBox(this))
{
    auto* row = new QHBoxLayout;
    row->setSpacing(5);
    m_name->setProperty("strong", true);
    row->addWidget(m_name);
    addNumbers(row);
    addHues(row);
    m_lock->setFixedWidth(102);
    row->addSpacing(2);
    m_hold = addCheck(row, "dyeHold", tr("hold light"), tr("Off: a tint costs light, as ink on paper does"),
                      &SplitToning::holdLightness);
    m_black = addCheck(row, "dyeBlack", tr("in black"), tr("Carry the tint into pure black"), &SplitToning::tintBlack);
    m_white = addCheck(row, "dyeWhite", tr("in white"),
                       tr("Carry the tint into pure white, so that a print has ink there"), &SplitToning::tintWhite);
    row->addStretch(1);

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(2);
    layout->addLayout(row);
    layout->addWidget(m_tone, 1);
    layout->addWidget(m_hue);
    m_tone->changed = m_hue->changed = [this](const SplitToning& step) { put(step); };
    follow(*m_tone);
    follow(*m_hue);
    connect(m_tone, &AxisPlot::selectionMoved, this, [this](int handle) {
        m_hue->select(m_tone->dyeOf(handle));
        showDye();
    });
    connect(m_hue, &AxisPlot::selectionMoved, this, [this](int handle) {
        if (m_tone->dyeOf(m_tone->selected()) != handle)
            m_tone->select(handle);
    });
}

QCheckBox* DyesEditor::addCheck(QHBoxLayout* row, const char* name, const QString& label, const QString& tip,
                                bool SplitToning::*member)
{
    auto* box = new QCheckBox(label, this);
    box->setObjectName(name);
    box->setToolTip(tip);
    connect(box, &QCheckBox::clicked, this, [this, member, label](bool on) {
        auto step = parameters<SplitToning>();
        step.*member = on;
        put(step);
        m_document.looks().commit(label);
    });
    row->addWidget(box);
    return box;
}

void DyesEditor::addPicked(QMenu& menu)
{
    addHeading(menu, tr("Hue and chroma of this dye"));
    addColourActions(menu, *this, [this](const LinearRgb& colour) {
        auto step = parameters<SplitToning>();
        const auto index = static_cast<std::size_t>(m_tone->dyeOf(m_tone->selected()));
        const OkLch c = toOkLch(toOkLab(colour));
        if (index >= step.dyes.size())
            return;
        step.dyes[index].hueDegrees = std::round(c.hueDegrees * 10) / 10;
        step.dyes[index].chroma = std::round(std::min(c.chroma, 0.3) * 1000) / 1000;
        applyLock(step, index);
        put(step);
        m_document.looks().commit(tr("Dye of a picked colour"));
    });
}

void DyesEditor::fillProposals(QMenu& menu)
{
    menu.clear();
    addPicked(menu);
    const QString names[] = {tr("opposite"), tr("neighbour before"), tr("neighbour after"), tr("triad, second"),
                             tr("triad, third")};
    bool any = false;
    for (const KeyColour& key : m_document.job().keys) {
        const OkLch c = toOkLch(toOkLab(key.marked));
        if (c.chroma < 0.01)
            continue;
        any = true;
        addHeading(menu, tr("%1, hue %2°").arg(text(key.name)).arg(c.hueDegrees, 0, 'f', 0));
        const auto hues = dyeProposals(c.hueDegrees);
        for (std::size_t i = 0; i < hues.size(); ++i)
            menu.addAction(tr("%1: %2°").arg(names[i]).arg(hues[i], 0, 'f', 0), this,
                           [this, hue = std::round(hues[i])] {
                               auto step = parameters<SplitToning>();
                               const auto index = static_cast<std::size_t>(m_tone->dyeOf(m_tone->selected()));
                               if (index >= step.dyes.size())
                                   return;
                               step.dyes[index].hueDegrees = wrapDegrees(hue);
                               applyLock(step, index);
                               put(step);
                               m_document.looks().commit(tr("Dye from a key colour"));
                           });
    }
    if (!any)
        menu.addAction(tr("Mark a coloured key colour on the picture first"))->setEnabled(false);
}

void DyesEditor::showTint()
{
    Step step;
    step.parameters = parameters<SplitToning>();
    if (const Step* own = m_document.looks().step())
        step.strength = own->strength;
    const TintStrength tint = tintStrength(step, m_tones);
    const QString kMarks[] = {tr("no tint to see"), tr("a hint"), tr("present"), tr("bold")};
    m_tone->setTintWords(
        tr("in this picture: %1, chroma %2").arg(kMarks[static_cast<int>(tint.mark)], theme::number(tint.chroma, 3)) +
        (tint.readsAsCast ? tr(" · reads as a cast") : QString()));
}

void DyesEditor::refresh()
{
    showTint();
    const auto step = parameters<SplitToning>();
    m_tone->show(step);
    m_hue->show(step);
    m_tone->select(m_tone->selected());
    m_hue->select(m_tone->dyeOf(m_tone->selected()));
    showNumber(m_balance, step.balance);
    m_lock->setCurrentIndex(static_cast<int>(step.lock));
    m_hold->setChecked(step.holdLightness);
    m_black->setChecked(step.tintBlack);
    m_white->setChecked(step.tintWhite);
    showDye();
}

void DyesEditor::showDye()
{
    const auto step = parameters<SplitToning>();
    const bool any = !step.dyes.empty();
    for (QDoubleSpinBox* box : {m_position, m_hueBox, m_chroma, m_reach})
        box->setEnabled(any);
    m_name->setText(any ? tr("Dye %1 of %2").arg(m_tone->dyeOf(m_tone->selected()) + 1).arg(step.dyes.size())
                        : tr("No dyes"));
    if (!any)
        return;
    const Dye& dye = step.dyes[static_cast<std::size_t>(m_tone->dyeOf(m_tone->selected()))];
    showNumber(m_position, dye.position);
    showNumber(m_hueBox, dye.hueDegrees);
    showNumber(m_chroma, dye.chroma);
    showNumber(m_reach, dye.reach);
}

void DyesEditor::setEntering(const FrameMeasures& measures)
{
    m_tones = measures.tone.tone;
    showTint();
    m_tone->setDistribution({measures.tone.tone.begin(), measures.tone.tone.end()});
    m_hue->setDistribution({measures.hue.share.begin(), measures.hue.share.end()});
}

QString DyesEditor::setProbe(const Probe* probe)
{
    if (!probe) {
        m_tone->setProbe(std::nullopt);
        m_hue->setProbe(std::nullopt);
        return {};
    }
    const OkLch c = toOkLch(toOkLab(probe->entering));
    m_tone->setProbe(c.L);
    m_hue->setProbe(c.chroma > 0.01 ? std::optional(c.hueDegrees) : std::nullopt);
    const OkLch tint = toOkLch(tintAt(parameters<SplitToning>(), c.L));
    return tr("tone %1; receives chroma %2 at hue %3°")
        .arg(theme::decimal(c.L, 3))
        .arg(theme::decimal(tint.chroma, 3))
        .arg(tint.chroma > 1e-6 ? tint.hueDegrees : 0, 0, 'f', 0);
}

bool DyesEditor::beginPictureDrag(const Probe& probe)
{
    const auto step = parameters<SplitToning>();
    if (step.dyes.empty())
        return false;
    const double tone = toOkLab(probe.entering).L - step.balance;
    const auto nearest = std::min_element(step.dyes.begin(), step.dyes.end(), [&](const Dye& a, const Dye& b) {
        return std::abs(a.position - tone) < std::abs(b.position - tone);
    });
    m_dragged = static_cast<int>(nearest - step.dyes.begin());
    m_draggedFrom = nearest->chroma;
    m_tone->select(m_dragged);
    return true;
}

void DyesEditor::dragPicture(QPointF delta)
{
    auto step = parameters<SplitToning>();
    if (m_dragged < 0 || m_dragged >= static_cast<int>(step.dyes.size()))
        return;
    step.dyes[static_cast<std::size_t>(m_dragged)].chroma =
        std::clamp(m_draggedFrom - delta.y() * kDensityGain, 0.0, 0.3);
    put(step);
}

void DyesEditor::endPictureDrag()
{
    m_dragged = -1;
    m_document.looks().commit(tr("Dye dragged on the picture"));
}

}  // namespace amber
