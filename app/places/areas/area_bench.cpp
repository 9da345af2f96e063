#include "app/places/areas/area_bench.h"

#include "app/theme/controls.h"
#include "app/theme/line_label.h"
#include "app/theme/number_box.h"
#include "app/words/words.h"

#include <QtWidgets>

namespace amber {
namespace {

constexpr int kNumberWidth = 70;

/// A number of a part: as it is shown, and by what it is multiplied for that.
struct PartNumber {
    const char* name;
    QString words;  ///< empty: belongs to the one before it
    double* value;
    double times, least, most;
    int decimals;
    QString unit;
};

QString tr(const char* words) { return AreaBench::tr(words); }

struct NumbersOf {
    const QString percent = AreaBench::tr(" %"), degrees = QStringLiteral("°");
    using Numbers = std::vector<PartNumber>;

    Numbers operator()(Ramp& r) const
    {
        return {{"rampFullX", tr("Full at"), &r.full.x, 100, -100, 200, 1, percent},
                {"rampFullY", {}, &r.full.y, 100, -100, 200, 1, percent},
                {"rampNoneX", tr("nothing at"), &r.none.x, 100, -100, 200, 1, percent},
                {"rampNoneY", {}, &r.none.y, 100, -100, 200, 1, percent}};
    }
    Numbers operator()(Ellipse& e) const
    {
        return {{"ellipseX", tr("Middle"), &e.middle.x, 100, -100, 200, 1, percent},
                {"ellipseY", {}, &e.middle.y, 100, -100, 200, 1, percent},
                {"ellipseWidth", tr("Radii"), &e.halfWidth, 100, 0.1, 400, 1, percent},
                {"ellipseHeight", {}, &e.halfHeight, 100, 0.1, 400, 1, percent},
                {"ellipseTurn", tr("Turn"), &e.turnDegrees, 1, -180, 180, 1, degrees},
                {"ellipseFeather", tr("Feather"), &e.feather, 100, 0, 100, 0, percent}};
    }
    Numbers operator()(Outline&) const { return {}; }
    Numbers operator()(Stroke& s) const
    {
        return {{"strokeRadius", tr("Radius"), &s.radius, 100, 0.05, 50, 2, percent},
                {"strokeSoftness", tr("Softness"), &s.softness, 100, 0, 100, 0, percent},
                {"strokeFlow", tr("Flow"), &s.flow, 100, 0, 100, 0, percent}};
    }
    Numbers operator()(ColourRange& r) const
    {
        Guard& g = r.colours;
        return {{"rangeToneLow", tr("Tone"), &g.toneLow, 100, 0, 100, 0, {}},
                {"rangeToneHigh", {}, &g.toneHigh, 100, 0, 100, 0, {}},
                {"rangeChromaLow", tr("Chroma"), &g.chromaLow, 100, 0, 40, 1, {}},
                {"rangeChromaHigh", {}, &g.chromaHigh, 100, 0, 40, 1, {}},
                {"rangeHue", tr("Hue"), &g.hueCentre, 1, 0, 360, 0, degrees},
                {"rangeHueWidth", {}, &g.hueWidth, 1, 2, 360, 0, degrees}};
    }
    Numbers operator()(Found&) const { return {}; }
};

std::vector<PartNumber> numbersOf(AreaPart& part) { return std::visit(NumbersOf{}, part.shape); }

QString nameOf(const AreaPart& part)
{
    struct Names {
        QString operator()(const Ramp&) const { return tr("ramp"); }
        QString operator()(const Ellipse&) const { return tr("ellipse"); }
        QString operator()(const Outline&) const { return tr("outline"); }
        QString operator()(const Stroke&) const { return tr("brush"); }
        QString operator()(const ColourRange&) const { return tr("colours"); }
        QString operator()(const Found& f) const { return f.from.empty() ? tr("thing") : text(f.from); }
    };
    return std::visit(Names{}, part.shape);
}

/// Of a part that has no numbers to type.
QString aboutOf(const AreaPart& part)
{
    if (const auto* found = std::get_if<Found>(&part.shape))
        return tr("Sure %1 %. Strokes with Thing set it right, with Shift they take away.")
            .arg(qRound(100 * found->sureness));
    if (const auto* outline = std::get_if<Outline>(&part.shape))
        return tr("%1 points; drag them with Outline.").arg(outline->points.size());
    return {};
}

/// What can be ticked of a part, if anything.
std::pair<QString, bool*> flagOf(AreaPart& part)
{
    if (auto* ramp = std::get_if<Ramp>(&part.shape))
        return {tr("Mirrored"), &ramp->isMirrored};
    if (auto* outline = std::get_if<Outline>(&part.shape))
        return {tr("Smooth"), &outline->isSmooth};
    return {};
}

}  // namespace

AreaBench::AreaBench(QWidget* parent)
    : QWidget(parent), m_parts(new QComboBox(this)), m_join(new QComboBox(this)), m_inBalance(new QComboBox(this)),
      m_partInverted(new QCheckBox(tr("Inverted"), this)), m_inverted(new QCheckBox(tr("Inverted"), this)),
      m_flag(new QCheckBox(this)), m_numbers(new QWidget(this)), m_fields(nullptr), m_about(new QLabel(this)),
      m_measures(new LineLabel(this))
{
    setObjectName("areaBench");
    m_measures->setObjectName("areaMeasures");
    m_measures->setProperty("quiet", true);
    auto* numbers = new QHBoxLayout(m_numbers);
    numbers->setContentsMargins(0, 0, 0, 0);
    m_flag->setObjectName("areaPartFlag");
    m_flag->setAccessibleName(tr("Mirrored, or smooth"));
    m_about->setObjectName("areaPartAbout");
    m_about->setProperty("quiet", true);
    numbers->addWidget(m_flag);
    numbers->addWidget(m_about);
    numbers->addStretch(1);
    m_numbers->setMinimumHeight(m_join->sizeHint().height());
    connect(m_flag, &QCheckBox::clicked, this,
            [this](bool on) { editPart(tr("Part of an area"), [on](AreaPart& part) { *flagOf(part).second = on; }); });
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(14, 6, 14, 2);
    layout->setSpacing(4);
    layout->addWidget(makePartRow());
    layout->addWidget(m_numbers);
    layout->addWidget(makeAreaRow());
    layout->addWidget(m_measures);
    show(nullptr, -1);
}

NumberBox* AreaBench::makeNumber(const char* name, const QString& words, double most,
                                 const std::function<void(double)>& act)
{
    auto* box = new NumberBox(this);
    box->setObjectName(name);
    box->setAccessibleName(words);
    box->setKeyboardTracking(false);
    box->setRange(0, most);
    box->setDecimals(0);
    box->setSuffix(tr(" %"));
    box->setFixedWidth(kNumberWidth);
    connect(box, &QDoubleSpinBox::valueChanged, this, act);
    return box;
}

namespace {

QHBoxLayout* rowIn(QWidget* row, int spacing = 6)
{
    auto* layout = new QHBoxLayout(row);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(spacing);
    return layout;
}

}  // namespace

QWidget* AreaBench::makePartRow()
{
    auto* row = new QWidget(this);
    m_parts->setObjectName("areaParts");
    m_parts->setAccessibleName(tr("Part of the area in hand"));
    m_parts->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    m_join->setObjectName("areaJoin");
    m_join->setAccessibleName(tr("What the part does to those before it"));
    m_join->addItems({tr("Adds"), tr("Takes away"), tr("Keeps within")});
    m_partInverted->setObjectName("areaPartInverted");
    connect(m_parts, &QComboBox::activated, this, &AreaBench::partChosen);
    connect(m_join, &QComboBox::activated, this, [this](int i) {
        editPart(tr("Part joined otherwise"), [i](AreaPart& part) { part.join = static_cast<AreaPart::Join>(i); });
    });
    connect(m_partInverted, &QCheckBox::clicked, this,
            [this](bool on) { editPart(tr("Part inverted"), [on](AreaPart& part) { part.isInverted = on; }); });
    m_partDensity = makeNumber("areaPartDensity", tr("Density of the part"), 100, [this](double v) {
        editPart(tr("Density of a part"), [v](AreaPart& part) { part.density = v / 100; });
    });
    m_remove = makeButton(this, "areaRemovePart", tr("Remove"), tr("Takes this part off the area"),
                          [this] { emit partRemoved(); });
    auto* layout = rowIn(row);
    layout->addWidget(m_parts, 1);
    layout->addWidget(m_join);
    layout->addSpacing(6);
    layout->addWidget(new QLabel(tr("Density"), row));
    layout->addWidget(m_partDensity);
    layout->addSpacing(6);
    layout->addWidget(m_partInverted);
    layout->addWidget(m_remove);
    return row;
}

QWidget* AreaBench::makeAreaRow()
{
    auto* row = new QWidget(this);
    m_inverted->setObjectName("areaInverted");
    connect(m_inverted, &QCheckBox::clicked, this,
            [this](bool on) { editArea(tr("Area inverted"), [on](Area& area) { area.isInverted = on; }); });
    m_inBalance->setObjectName("areaInBalance");
    m_inBalance->setAccessibleName(tr("What the role is to the balance"));
    m_inBalance->addItems({tr("Balance as any part"), tr("Balance on this"), tr("Balance without this")});
    m_inBalance->setToolTip(tr("Solving the balance sees the whole frame, this thing alone, or all but this: what will "
                               "be cut off, or lies in another light. For the role on all frames"));
    connect(m_inBalance, &QComboBox::activated, this,
            [this](int i) { emit inBalanceChosen(static_cast<Area::InBalance>(i)); });
    m_density = makeNumber("areaDensity", tr("Density of the area"), 100, [this](double v) {
        editArea(tr("Density of an area"), [v](Area& area) { area.density = v / 100; });
    });
    m_feather = makeNumber("areaFeather", tr("Feather, of the longer edge"), 10, [this](double v) {
        editArea(tr("Feather of an area"), [v](Area& area) { area.feather = v / 100; });
    });
    m_grow = makeNumber("areaGrow", tr("Grow, of the longer edge; below zero it shrinks"), 5, [this](double v) {
        editArea(tr("Growth of an area"), [v](Area& area) { area.grow = v / 100; });
    });
    m_grow->setMinimum(-5);
    for (NumberBox* box : {m_feather, m_grow})
        box->setDecimals(2), box->setSingleStep(0.1);
    auto* layout = rowIn(row);
    for (const auto& [words, box] : {std::pair(tr("Whole: density"), m_density), std::pair(tr("feather"), m_feather),
                                     std::pair(tr("grow"), m_grow)}) {
        layout->addWidget(new QLabel(words, row));
        layout->addWidget(box);
        layout->addSpacing(4);
    }
    layout->addWidget(m_inverted);
    layout->addStretch(1);
    layout->addWidget(m_inBalance);
    return row;
}

void AreaBench::editArea(const QString& action, const std::function<void(Area&)>& change)
{
    if (m_isShowing || !m_area)
        return;
    change(*m_area);
    emit areaEdited(*m_area, action);
}

void AreaBench::editPart(const QString& action, const std::function<void(AreaPart&)>& change)
{
    if (m_isShowing || !part())
        return;
    change(*part());
    emit partEdited(*part(), action);
}

/// Fields for the kind of part in hand.
void AreaBench::makeNumbers()
{
    delete m_fields;
    m_boxes.clear();
    m_fields = new QWidget(m_numbers);
    auto* row = rowIn(m_fields, 4);
    const std::vector<PartNumber> numbers = part() ? numbersOf(*part()) : std::vector<PartNumber>{};
    for (std::size_t i = 0; i < numbers.size(); ++i) {
        const PartNumber& n = numbers[i];
        if (!n.words.isEmpty()) {
            row->addSpacing(i > 0 ? 8 : 0);
            row->addWidget(new QLabel(n.words, m_fields));
        }
        const auto edited = [this, i](double v) {
            editPart(tr("Numbers of a part"), [&](AreaPart& p) {
                const PartNumber at = numbersOf(p)[i];
                *at.value = v / at.times;
            });
        };
        NumberBox* box = makeNumber(n.name, n.words.isEmpty() ? numbers[i - 1].words : n.words, n.most, edited);
        const QSignalBlocker quiet(box);
        box->setRange(n.least, n.most);
        box->setDecimals(n.decimals);
        box->setSuffix(n.unit);
        m_boxes.push_back(box);
        row->addWidget(box);
    }
    static_cast<QHBoxLayout*>(m_numbers->layout())->insertWidget(0, m_fields);
    m_fields->setVisible(!numbers.empty());
}

void AreaBench::showNumbers()
{
    const std::size_t kind = part() ? part()->shape.index() + 1 : 0;
    if (m_kind != kind || !m_fields) {
        m_kind = kind;
        makeNumbers();
    }
    const std::vector<PartNumber> numbers = part() ? numbersOf(*part()) : std::vector<PartNumber>{};
    for (std::size_t i = 0; i < numbers.size(); ++i)
        m_boxes[i]->setValue(numbers[i].times * *numbers[i].value);
    const auto [words, flag] = part() ? flagOf(*part()) : std::pair<QString, bool*>();
    m_about->setText(part() ? aboutOf(*part()) : QString());
    m_flag->setVisible(flag != nullptr);
    m_flag->setText(words);
    m_flag->setChecked(flag && *flag);
}

void AreaBench::show(const Area* area, int index)
{
    m_isShowing = true;
    const bool isThere = area && area->state != Area::State::NotHere;
    m_area = isThere ? std::optional(*area) : std::nullopt;
    m_index = isThere ? index : -1;
    m_parts->clear();
    for (std::size_t i = 0; m_area && i < m_area->parts.size(); ++i)
        m_parts->addItem(tr("%1 of %2: %3").arg(i + 1).arg(m_area->parts.size()).arg(nameOf(m_area->parts[i])));
    m_parts->setCurrentIndex(m_index);
    for (QWidget* widget : std::initializer_list<QWidget*>{m_parts, m_join, m_partDensity, m_partInverted, m_remove})
        widget->setEnabled(part() != nullptr);
    for (QWidget* widget : std::initializer_list<QWidget*>{m_density, m_feather, m_grow, m_inverted, m_inBalance})
        widget->setEnabled(isThere);
    const AreaPart none, &now = part() ? *part() : none;
    m_join->setCurrentIndex(static_cast<int>(now.join));
    m_partDensity->setValue(100 * now.density);
    m_partInverted->setChecked(part() && now.isInverted);
    const Area whole = m_area.value_or(Area{});
    m_density->setValue(100 * whole.density);
    m_feather->setValue(100 * whole.feather);
    m_grow->setValue(100 * whole.grow);
    m_inverted->setChecked(whole.isInverted);
    m_inBalance->setCurrentIndex(static_cast<int>(whole.inBalance));
    showNumbers();
    m_isShowing = false;
}

void AreaBench::setMeasures(const QString& words) { m_measures->setLine(words); }

}  // namespace amber
