#include "app/bench/hue_editor.h"

#include "app/theme/theme.h"
#include "core/colour/oklab.h"

namespace amber {
namespace {

constexpr double kRanges[] = {40, 0.8, 0.12}, kNudges[] = {1, 0.02, 0.004}, kPictureGains[] = {0.25, 0.004, 0.0006};
constexpr double kTornSlope = 0.25;

double neutralOf(FamilyPlot::Quantity quantity) { return quantity == FamilyPlot::Quantity::Chroma ? 1 : 0; }
std::size_t at(FamilyPlot::Quantity quantity) { return static_cast<std::size_t>(quantity); }

}  // namespace

FamilyPlot::FamilyPlot(QWidget* parent) : AxisPlot(Axis::Hue, parent)
{
    setObjectName("familyPlot");
    setAccessibleName(tr("Hue families"));
    setToolTip(tr("Drag a family's ring up or down; drag its bar across to move it and the bar's right end to widen "
                  "it; double-click the plot to add one"));
}

double FamilyPlot::valueOf(const HueMove& move, Quantity quantity)
{
    return quantity == Quantity::Turn ? move.turnDegrees : quantity == Quantity::Chroma ? move.chroma : move.lightness;
}

void FamilyPlot::setValue(HueMove& move, Quantity quantity, double value)
{
    switch (quantity) {
    case Quantity::Turn:
        move.turnDegrees = std::clamp(value, -180.0, 180.0);
        break;
    case Quantity::Chroma:
        move.chroma = std::clamp(value, 0.0, 3.0);
        break;
    case Quantity::Lightness:
        move.lightness = std::clamp(value, -0.3, 0.3);
        break;
    }
}

void FamilyPlot::show(const HueShifts& step, Quantity quantity)
{
    const bool other = quantity != m_quantity;
    m_step = step;
    m_quantity = quantity;
    if (!isDragging() || other) {
        m_range = kRanges[at(quantity)];
        for (const HueFamily& f : m_step.families)
            m_range = std::max(m_range, 1.15 * std::abs(valueOf(f.move, quantity) - neutralOf(quantity)));
    }
    update();
}

QString FamilyPlot::actionName() const
{
    const int family = familyOf(selected());
    return family < familyCount() ? tr("%1 moved").arg(text(m_step.families[static_cast<std::size_t>(family)].name))
                                  : tr("Family moved");
}

double FamilyPlot::toY(double value) const
{
    return plot().center().y() - (value - neutralOf(m_quantity)) / m_range * plot().height() / 2;
}
double FamilyPlot::bandY() const { return plot().bottom() + 28; }

QPointF FamilyPlot::handlePlace(int handle) const
{
    const HueFamily& f = m_step.families[static_cast<std::size_t>(familyOf(handle))];
    if (handle < familyCount())
        return {toX(f.centreDegrees), toY(valueOf(f.move, m_quantity))};
    if (handle < 2 * familyCount())
        return {toX(f.centreDegrees), bandY()};
    return {toX(wrapDegrees(f.centreDegrees + f.widthDegrees / 2)), bandY()};
}

void FamilyPlot::moveHandle(int handle, QPointF to)
{
    HueFamily& f = m_step.families[static_cast<std::size_t>(familyOf(handle))];
    if (handle < familyCount())
        setValue(f.move, m_quantity,
                 neutralOf(m_quantity) + (plot().center().y() - to.y()) / (plot().height() / 2) * m_range);
    else if (handle < 2 * familyCount())
        f.centreDegrees = std::clamp(toAt(to.x()), 0.0, 360.0);
    else
        f.widthDegrees = std::clamp(2 * wrapDegrees(toAt(to.x()) - f.centreDegrees), 15.0, 180.0);
    changed(m_step);
}

void FamilyPlot::nudgeHandle(int handle, int across, int up, bool coarse)
{
    HueFamily& f = m_step.families[static_cast<std::size_t>(familyOf(handle))];
    const double times = coarse ? 10 : 1;
    if (up != 0)
        setValue(f.move, m_quantity, valueOf(f.move, m_quantity) + up * times * kNudges[at(m_quantity)]);
    else if (handle < 2 * familyCount())
        f.centreDegrees = wrapDegrees(f.centreDegrees + across * times);
    else
        f.widthDegrees = std::clamp(f.widthDegrees + across * times, 15.0, 180.0);
    changed(m_step);
}

int FamilyPlot::addHandle(QPointF place)
{
    if (m_step.families.size() >= kFamilyLimit)
        return -1;
    HueFamily f;
    f.centreDegrees = std::clamp(toAt(place.x()), 0.0, 360.0);
    f.widthDegrees = 40;
    f.name = tr("Family %1").arg(m_step.families.size() + 1).toStdString();
    m_step.families.push_back(f);
    changed(m_step);
    return familyCount() - 1;
}

void FamilyPlot::removeHandle(int handle)
{
    m_step.families.erase(m_step.families.begin() + familyOf(handle));
    changed(m_step);
}

void FamilyPlot::resetHandle(int handle)
{
    m_step.families[static_cast<std::size_t>(familyOf(handle))].move = HueMove{};
    changed(m_step);
}

void FamilyPlot::paintStrips(QPainter& painter) const
{
    const QRectF area = plot();
    painter.setRenderHint(QPainter::Antialiasing, false);
    for (double x = std::floor(area.left()); x < area.right(); x += 3) {
        const double hue = wrapDegrees(toAt(x + 1.5));
        const HueMove m = moveAtHue(m_step, hue);
        painter.fillRect(
            QRectF(x, area.top() - 15, 3, 11),
            hueColour(hue + m.turnDegrees, std::clamp(0.7 + m.lightness, 0.0, 1.0), 0.11 * std::max(0.0, m.chroma)));
        painter.fillRect(QRectF(x, area.bottom() + 3, 3, 11), hueColour(hue));
    }
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(theme::kQuietInk);
    painter.setFont(theme::font(13));
    painter.drawText(QRectF(0, area.top() - 17, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter, tr("out"));
    painter.drawText(QRectF(0, area.bottom() + 1, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter, tr("in"));
}

void FamilyPlot::paintLevels(QPainter& painter) const
{
    const QRectF area = plot();
    painter.setFont(theme::font(13));
    for (int i : {-1, 0, 1}) {
        const double value = neutralOf(m_quantity) + i * m_range * 0.75, y = std::round(toY(value)) + 0.5;
        painter.setPen(QPen(theme::kHairline, 1, i == 0 ? Qt::SolidLine : Qt::DotLine));
        painter.drawLine(QPointF(area.left(), y), QPointF(area.right(), y));
        painter.setPen(theme::kQuietInk);
        QString label = m_quantity == Quantity::Turn     ? QString::number(value, 'f', 0) + QStringLiteral("°")
                        : m_quantity == Quantity::Chroma ? QStringLiteral("×") + theme::decimal(value, 1)
                                                         : theme::decimal(value, 2);
        painter.drawText(QRectF(0, y - 8, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter,
                         label.replace('-', QStringLiteral("\u2212")));
    }
}

void FamilyPlot::paintMove(QPainter& painter) const
{
    const QRectF area = plot();
    QPolygonF line, share;
    const int chosen = familyOf(selected());
    share << QPointF(area.left(), area.bottom());
    for (double x = area.left(); x <= area.right() + 0.5; x += 2) {
        const double hue = toAt(x);
        const HueMove m = moveAtHue(m_step, hue);
        line << QPointF(x, toY(valueOf(m, m_quantity)));
        if (chosen < familyCount())
            share << QPointF(x,
                             area.bottom() -
                                 area.height() *
                                     weightsAt(m_step, toOkLab(OkLch{0.6, 10, hue}))[static_cast<std::size_t>(chosen)]);
    }
    share << QPointF(area.right(), area.bottom());
    painter.save();
    painter.setClipRect(area);
    painter.setPen(QPen(theme::kGhost, 1, Qt::DashLine));
    painter.setBrush(Qt::NoBrush);
    painter.drawPolyline(share);
    painter.setPen(QPen(theme::kInk, 2));
    painter.drawPolyline(line);
    painter.restore();
}

void FamilyPlot::paintFamilies(QPainter& painter) const
{
    const QRectF area = plot();
    for (int i = 0; i < familyCount(); ++i) {
        const HueFamily& f = m_step.families[static_cast<std::size_t>(i)];
        const bool chosen = familyOf(selected()) == i;
        const double half = f.widthDegrees / 2 / 360 * area.width(), x = toX(f.centreDegrees), y = bandY();
        painter.save();
        painter.setClipRect(QRectF(area.left(), y - 14, area.width(), 28));
        for (double shift : {-area.width(), 0.0, area.width()}) {
            const QRectF bar(x - half + shift, y - 7, 2 * half, 14);
            painter.setPen(QPen(chosen ? theme::kInk : theme::kGhost, chosen ? 1.6 : 1));
            painter.setBrush(chosen ? theme::kPaper : Qt::NoBrush);
            if (chosen)
                painter.drawRect(bar);
            painter.drawLine(QPointF(bar.left(), y + 7), QPointF(bar.left(), y - 7));
            painter.drawLine(QPointF(bar.right(), y + 7), QPointF(bar.right(), y - 7));
            if (chosen)
                painter.fillRect(QRectF(bar.right() - 2, y - 7, 4, 14),
                                 selected() >= 2 * familyCount() ? theme::kAmber : theme::kInk);
            painter.setPen(chosen ? theme::kInk : theme::kQuietInk);
            painter.setFont(theme::font(13, chosen));
            painter.drawText(
                bar.adjusted(2, -2, -2, 2), Qt::AlignCenter,
                painter.fontMetrics().elidedText(text(f.name), Qt::ElideRight, static_cast<int>(bar.width()) - 4));
        }
        painter.restore();
        if (chosen) {
            painter.setPen(QPen(theme::kGhost, 1));
            painter.drawLine(QPointF(x, handlePlace(i).y()), QPointF(x, area.bottom()));
        }
    }
    for (int i = 0; i < familyCount(); ++i)
        paintHandle(painter, handlePlace(i), familyOf(selected()) == i);
}

void FamilyPlot::paintTear(QPainter& painter) const
{
    const TearMeter tear = tearMeter(m_step);
    if (tear.smallestHueSlope > kTornSlope)
        return;
    const QRectF area = plot();
    const double x = toX(tear.atDegrees);
    painter.fillRect(QRectF(x - 14, area.top(), 28, area.height()), QBrush(theme::kQuietInk, Qt::BDiagPattern));
    const QString words = (tear.smallestHueSlope <= 0 ? tr("hues fold over between %1 (slope %2, keep above 0)")
                                                      : tr("hues nearly fold between %1 (slope %2)"))
                              .arg(text(tear.families))
                              .arg(theme::decimal(tear.smallestHueSlope, 2));
    painter.setFont(theme::font(13, true));
    const double width = painter.fontMetrics().horizontalAdvance(words) + 14;
    const QRectF box(std::clamp(x - width / 2, area.left(), area.right() - width), area.top() + 4, width, 20);
    painter.setPen(QPen(theme::kInk, 1));
    painter.setBrush(theme::kPaper);
    painter.drawRect(box);
    painter.drawText(box, Qt::AlignCenter, words);
}

void FamilyPlot::paintPlot(QPainter& painter)
{
    paintStrips(painter);
    paintLevels(painter);
    paintMove(painter);
    paintTear(painter);
    paintFamilies(painter);
}

HueEditor::HueEditor(Document& document, QWidget* parent)
    : StepEditor(document, parent), m_plot(new FamilyPlot(this)), m_show(new QToolButton(this)),
      m_quantities(new QButtonGroup(this)), m_family(new QComboBox(this))
{
    auto* row = new QHBoxLayout;
    row->setSpacing(5);
    const QString names[] = {tr("Turn"), tr("Chroma"), tr("Lightness")};
    for (int i = 0; i < 3; ++i) {
        auto* button = new QToolButton(this);
        button->setText(names[i]);
        button->setObjectName("hueQuantity" + QString::number(i));
        button->setCheckable(true);
        button->setToolTip(tr("Show and drag in the plot: %1").arg(names[i]));
        m_quantities->addButton(button, i);
        row->addWidget(button);
    }
    m_quantities->button(0)->setChecked(true);
    connect(m_quantities, &QButtonGroup::idClicked, this, [this] { refresh(); });
    row->addSpacing(10);
    m_family->setObjectName("hueFamily");
    m_family->setAccessibleName(tr("Family"));
    m_family->setToolTip(tr("The family or zone in hand; type to rename a family"));
    m_family->setEditable(true);
    m_family->lineEdit()->setAccessibleName(tr("Name of the family"));
    m_family->setInsertPolicy(QComboBox::NoInsert);
    m_family->setMinimumWidth(96);
    connect(m_family, &QComboBox::activated, this, [this](int index) { take(index); });
    connect(m_family->lineEdit(), &QLineEdit::editingFinished, this, [this] {
        auto step = parameters<HueShifts>();
        const auto index = static_cast<std::size_t>(inHand());
        const std::string name = m_family->currentText().trimmed().toStdString();
        if (index >= step.families.size() || name.empty() || step.families[index].name == name)
            return;
        step.families[index].name = name;
        put(step);
        m_document.looks().commit(tr("Family renamed"));
    });
    row->addWidget(m_family);
    row->addSpacing(6);
    const auto setMove = [this](FamilyPlot::Quantity q) {
        return [this, q](double value) {
            auto step = parameters<HueShifts>();
            if (HueMove* move = moveInHand(step)) {
                FamilyPlot::setValue(*move, q, value);
                put(step);
            }
        };
    };
    m_turn = addNumber(row, "hueTurn", tr("turn °"), tr("How far the family's hue is turned, in degrees"), -180, 180, 1,
                       0, setMove(FamilyPlot::Quantity::Turn));
    m_chroma = addNumber(row, "hueChroma", tr("chroma ×"), tr("Factor on the family's chroma: 0 grey, 1 as it was"), 0,
                         3, 0.02, 2, setMove(FamilyPlot::Quantity::Chroma));
    m_lightness = addNumber(row, "hueLightness", tr("light ±"), tr("Added to the family's lightness on the tone axis"),
                            -0.3, 0.3, 0.005, 3, setMove(FamilyPlot::Quantity::Lightness));
    const auto setShape = [this](double HueFamily::*member) {
        return [this, member](double value) {
            auto step = parameters<HueShifts>();
            if (const auto index = static_cast<std::size_t>(inHand()); index < step.families.size()) {
                step.families[index].*member = value;
                put(step);
            }
        };
    };
    m_centre = addNumber(row, "hueCentre", tr("centre °"), tr("The hue in the middle of the family"), 0, 360, 1, 0,
                         setShape(&HueFamily::centreDegrees));
    m_width = addNumber(row, "hueWidth", tr("width °"),
                        tr("How much of the circle the family covers, at half of its strength"), 15, 180, 1, 0,
                        setShape(&HueFamily::widthDegrees));
    const auto ofFamily = [this](const char* field) {
        return [this, field] {
            static const char* const kZones[] = {"/nearBlacks/", "/greys/", "/nearWhites/"};
            const int zone = inHand() - m_plot->familyCount();
            return (zone >= 0 && zone < 3 ? std::string(kZones[zone]) : "/families/" + std::to_string(inHand()) + "/") +
                   field;
        };
    };
    explains(m_turn, ofFamily("turn"), tr("turn"), -90, 90);
    explains(m_chroma, ofFamily("chroma"), tr("chroma"), 0, 3);
    explains(m_lightness, ofFamily("lightness"), tr("lightness"), -0.3, 0.3);
    explains(m_centre, ofFamily("centre"), tr("centre"), 0, 360);
    explains(m_width, ofFamily("width"), tr("width"), 15, 180);
    m_show->setText(tr("Show"));
    m_show->setObjectName("showFamily");
    m_show->setCheckable(true);
    m_show->setToolTip(tr("Lays over the picture, in a colour it does not contain, what the family in hand touches"));
    connect(m_show, &QToolButton::clicked, this, [this] { showOverlay(); });
    row->addWidget(m_show);
    row->addStretch(1);

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    layout->addLayout(row);
    layout->addWidget(m_plot, 1);
    m_plot->changed = [this](const HueShifts& step) { put(step); };
    follow(*m_plot);
    connect(m_plot, &AxisPlot::selectionMoved, this, [this](int handle) {
        m_family->setCurrentIndex(m_plot->familyOf(handle));
        showMove();
    });
}

FamilyPlot::Quantity HueEditor::quantity() const
{
    return static_cast<FamilyPlot::Quantity>(m_quantities->checkedId());
}
int HueEditor::inHand() const { return std::max(0, m_family->currentIndex()); }

HueMove* HueEditor::moveInHand(HueShifts& step) const
{
    const std::size_t index = static_cast<std::size_t>(inHand()), n = step.families.size();
    if (index < n)
        return &step.families[index].move;
    HueMove* zones[] = {&step.nearBlacks, &step.greys, &step.nearWhites};
    return index < n + 3 ? zones[index - n] : nullptr;
}

void HueEditor::take(int index)
{
    m_family->setCurrentIndex(index);
    if (index < m_plot->familyCount())
        m_plot->select(index);
    showMove();
}

void HueEditor::refresh()
{
    const auto step = parameters<HueShifts>();
    m_plot->show(step, quantity());
    QStringList names;
    for (const HueFamily& f : step.families)
        names << text(f.name);
    names << tr("Near-blacks") << tr("Greys") << tr("Near-whites");
    QStringList shown;
    for (int i = 0; i < m_family->count(); ++i)
        shown << m_family->itemText(i);
    if (shown != names) {
        const QSignalBlocker blocker(m_family);
        const int index = std::clamp(m_family->currentIndex(), 0, static_cast<int>(names.size()) - 1);
        m_family->clear();
        m_family->addItems(names);
        m_family->setCurrentIndex(index);
    }
    m_plot->select(m_plot->selected());
    showMove();
}

void HueEditor::hideEvent(QHideEvent*)
{
    if (m_show->isChecked()) {
        m_show->setChecked(false);
        showOverlay();
    }
}

void HueEditor::showOverlay()
{
    if (!overlay)
        return;
    const bool on = m_show->isChecked();
    overlay({on ? RenderRequest::Overlay::What::Family : RenderRequest::Overlay::What::Nothing, inHand()},
            on ? tr("what %1 touches, in a colour this picture does not have").arg(m_family->itemText(inHand()))
               : QString());
}

void HueEditor::showMove()
{
    if (m_show->isChecked() && overlay && m_shown != inHand())
        showOverlay();
    m_shown = inHand();
    auto step = parameters<HueShifts>();
    const HueMove* move = moveInHand(step);
    if (!move)
        return;
    showNumber(m_turn, move->turnDegrees);
    showNumber(m_chroma, move->chroma);
    showNumber(m_lightness, move->lightness);
    const auto index = static_cast<std::size_t>(inHand());
    const bool family = index < step.families.size();
    m_centre->setEnabled(family);
    m_width->setEnabled(family);
    if (family) {
        showNumber(m_centre, step.families[index].centreDegrees);
        showNumber(m_width, step.families[index].widthDegrees);
    }
}

void HueEditor::setEntering(const FrameMeasures& measures)
{
    m_plot->setDistribution({measures.hue.share.begin(), measures.hue.share.end()});
}

QString HueEditor::setProbe(const Probe* probe)
{
    if (!probe) {
        m_plot->setProbe(std::nullopt);
        return {};
    }
    const OkLab lab = toOkLab(probe->entering);
    const OkLch c = toOkLch(lab);
    m_plot->setProbe(c.chroma > 0.005 ? std::optional(c.hueDegrees) : std::nullopt);
    const std::vector<double> weights = weightsAt(parameters<HueShifts>(), lab);
    std::vector<std::pair<double, QString>> owners;
    for (std::size_t i = 0; i < weights.size(); ++i)
        owners.emplace_back(weights[i], static_cast<int>(i) < m_family->count()
                                            ? m_family->itemText(static_cast<int>(i))
                                            : tr("no family"));
    std::sort(owners.begin(), owners.end(), [](const auto& a, const auto& b) { return a.first > b.first; });
    QStringList words;
    for (const auto& [weight, name] : owners)
        if (weight >= 0.02 && words.size() < 4)
            words << tr("%1 %2 %").arg(name).arg(weight * 100, 0, 'f', 0);
    return words.join(QStringLiteral(" · "));
}

bool HueEditor::beginPictureDrag(const Probe& probe)
{
    auto step = parameters<HueShifts>();
    const std::vector<double> weights = weightsAt(step, toOkLab(probe.entering));
    take(static_cast<int>(std::max_element(weights.begin(), weights.end() - 1) - weights.begin()));
    const HueMove* move = moveInHand(step);
    if (!move)
        return false;
    m_draggedFrom = FamilyPlot::valueOf(*move, quantity());
    return true;
}

void HueEditor::dragPicture(QPointF delta)
{
    auto step = parameters<HueShifts>();
    if (HueMove* move = moveInHand(step)) {
        FamilyPlot::setValue(*move, quantity(), m_draggedFrom - delta.y() * kPictureGains[at(quantity())]);
        put(step);
    }
}

void HueEditor::endPictureDrag()
{
    m_document.looks().commit(tr("%1 dragged on the picture").arg(m_family->itemText(inHand())));
}

}  // namespace amber
