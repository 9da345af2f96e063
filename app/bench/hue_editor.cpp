#include "app/bench/hue_editor.h"

#include "app/theme/theme.h"
#include "core/colour/oklab.h"

namespace amber {
namespace {

constexpr double kPictureGains[] = {0.25, 0.004, 0.0006};

}  // namespace

void HueEditor::addQuantities(QHBoxLayout* row)
{
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
}

void HueEditor::dressFamily()
{
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
}

void HueEditor::explainNumbers()
{
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
    explains(m_ceiling, ofFamily("ceiling"), tr("ceiling"), 0.02, HueFamily::kNoCeiling);
}

void HueEditor::addCeiling(QHBoxLayout* row)
{
    m_ceiling =
        addNumber(row, "hueCeiling", tr("ceiling"), tr("Chroma that the family's colours do not pass; 0.4 none"), 0.02,
                  HueFamily::kNoCeiling, 0.01, 2, [this](double value) {
                      auto step = parameters<HueShifts>();
                      if (const auto index = static_cast<std::size_t>(inHand()); index < step.families.size()) {
                          step.families[index].ceiling = value;
                          put(step);
                      }
                  });
    setNumberVisible(m_ceiling, false);
}

void HueEditor::addNumbers(QHBoxLayout* row)
{
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
    addCeiling(row);
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
    explainNumbers();
}

HueEditor::HueEditor(Document& document, QWidget* parent)
    : StepEditor(document, parent), m_plot(new FamilyPlot(this)), m_show(new QToolButton(this)),
      m_quantities(new QButtonGroup(this)), m_family(new QComboBox(this))
{
    auto* row = new QHBoxLayout;
    row->setSpacing(5);
    addQuantities(row);
    row->addSpacing(10);
    dressFamily();
    row->addWidget(m_family);
    row->addSpacing(6);
    addNumbers(row);
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
    addTaper();
    m_plot->changed = [this](const HueShifts& step) { put(step); };
    follow(*m_plot);
    connect(m_plot, &AxisPlot::selectionMoved, this, [this](int handle) {
        m_family->setCurrentIndex(m_plot->familyOf(handle));
        showMove();
    });
}

void HueEditor::addTaper()
{
    m_taper = new QToolButton(m_plot);
    m_taper->setObjectName("hueTaper");
    m_taper->setText(tr("Taper"));
    m_taper->setToolTip(tr("Takes neighbouring families along until hues no longer fold"));
    auto* corner = new QHBoxLayout(m_plot);
    corner->setContentsMargins(0, 4, 6, 0);
    corner->addWidget(m_taper, 0, Qt::AlignTop | Qt::AlignRight);
    connect(m_taper, &QToolButton::clicked, this, [this] {
        put(tapered(parameters<HueShifts>()));
        m_document.looks().commit(tr("Neighbouring families tapered"));
    });
}

/// The number and its label.
void HueEditor::setNumberVisible(QDoubleSpinBox* box, bool on)
{
    box->setVisible(on);
    for (auto* words : findChildren<QLabel*>())
        if (words->buddy() == box)
            words->setVisible(on);
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
    m_taper->setVisible(tearMeter(step).smallestHueSlope < kSafeHueSlope);
    // A ceiling is looked for where chroma is.
    setNumberVisible(m_ceiling, quantity() == FamilyPlot::Quantity::Chroma);
    setNumberVisible(m_lightness, quantity() != FamilyPlot::Quantity::Chroma);
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
    for (QDoubleSpinBox* box : {m_centre, m_width, m_ceiling})
        box->setEnabled(family);
    if (family) {
        showNumber(m_ceiling, step.families[index].ceiling);
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
        FamilyPlot::setValue(*move, quantity(),
                             m_draggedFrom - delta.y() * kPictureGains[static_cast<std::size_t>(quantity())]);
        put(step);
    }
}

void HueEditor::endPictureDrag()
{
    m_document.looks().commit(tr("%1 dragged on the picture").arg(m_family->itemText(inHand())));
}

}  // namespace amber
