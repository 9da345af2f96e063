#include "app/bench/parameter_editor.h"

#include "app/bench/colour_actions.h"
#include "app/bench/step_words.h"
#include "app/theme/theme.h"
#include "core/analysis/leak.h"
#include "core/colour/oklab.h"
#include "core/optics/falloff.h"

namespace amber {
namespace {

constexpr int kRowLength = 7;
constexpr double kFieldGain = 1.0 / 250;

/// Lists what a step's fields are.
struct FieldList {
    struct Field {
        enum class Kind { Number, Boolean, Choice } kind;
        std::string name;
        double low = 0, high = 1;
        std::vector<std::string> choices;
        bool ofHandle = false;  ///< a field of the chosen entry of the list
    };
    std::vector<Field> fields;
    std::string list;  ///< name of the list, when there is one
    bool inList = false;
};

/// Fills a FieldList.
struct FieldVisitor {
    FieldList& to;
    using Kind = FieldList::Field::Kind;
    void number(const char* name, double, double low, double high)
    {
        to.fields.push_back({Kind::Number, name, low, high, {}, to.inList});
    }
    void boolean(const char* name, bool) { to.fields.push_back({Kind::Boolean, name, 0, 1, {}, to.inList}); }
    template <class Enum, std::size_t N>
    void choice(const char* name, Enum, const std::array<std::string_view, N>& names)
    {
        to.fields.push_back({Kind::Choice, name, 0, 1, {names.begin(), names.end()}, to.inList});
    }
    template <class T>
    void list(const char* name, const std::vector<T>&, std::size_t)
    {
        to.list = name;
        to.inList = true;
        const T entry{};
        T::fields(*this, entry);
        to.inList = false;
    }
};

FieldList fieldsOf(const Step& step)
{
    FieldList all;
    FieldVisitor visitor{all};
    std::visit(
        [&]<class T>(const T& s) {
            if constexpr (DescribesItself<T>)
                T::fields(visitor, s);
        },
        step.parameters);
    return all;
}

}  // namespace

struct ParameterEditor::Page {
    QWidget* widget;
    ParameterPlot* plot;
    FieldList fields;
    std::vector<QDoubleSpinBox*> numbers;  ///< by field, null for other kinds
    std::vector<QCheckBox*> checks;
    std::vector<QComboBox*> choices;
};

ParameterEditor::ParameterEditor(Document& document, QWidget* parent)
    : StepEditor(document, parent), m_pages(new QStackedWidget(this))
{
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(m_pages);
}

ParameterEditor::~ParameterEditor() = default;

ParameterEditor::Page& ParameterEditor::page()
{
    const Step step = *m_document.looks().step();
    auto& page = m_byKind[typeOf(step)];
    if (!page) {
        page = std::make_unique<Page>();
        build(*page, step);
    }
    return *page;
}

/// The words, names and the way of one field of a page.
struct ParameterEditor::FieldControl {
    FieldList::Field field;
    FieldWords words;
    QString name, action;
    std::function<void(Json&, const Json&)> set;
};

void ParameterEditor::addField(Page& page, std::size_t index, const Step& step, QHBoxLayout* row)
{
    const std::string kind = typeOf(step), list = page.fields.list;
    const auto field = page.fields.fields[index];
    const FieldWords words = wordsFor(kind, field.name);
    const auto set = [this, field, list, kind](Json& p, const Json& value) {
        if (!field.ofHandle)
            p[field.name] = value;
        else if (const auto chosen = static_cast<std::size_t>(m_byKind[kind]->plot->selected());
                 chosen < p[list].size())
            p[list][chosen][field.name] = value;
    };
    const FieldControl control{field, words, QString::fromStdString(kind + "." + field.name),
                               tr("%1: %2").arg(stepTitle(step), words.label), set};
    page.numbers.push_back(nullptr), page.checks.push_back(nullptr), page.choices.push_back(nullptr);
    if (field.kind == FieldList::Field::Kind::Number)
        page.numbers.back() = addNumberField(control, kind, list, row);
    else if (field.kind == FieldList::Field::Kind::Boolean)
        page.checks.back() = addCheckField(control, row);
    else
        page.choices.back() = addChoiceField(control, row);
}

QDoubleSpinBox* ParameterEditor::addNumberField(const FieldControl& control, const std::string& kind,
                                                const std::string& list, QHBoxLayout* row)
{
    const auto& [field, words, name, action, set] = control;
    auto* box = addNumber(row, qPrintable(name), words.label, words.tip, field.low, field.high, words.step,
                          words.decimals, [this, set = control.set, action = control.action](double v) {
                              edit([&](Json& p) { set(p, v); }, action, false);
                          });
    const auto pointer = [this, field = control.field, list, kind]() -> std::string {
        return field.ofHandle ? "/" + list + "/" + std::to_string(m_byKind[kind]->plot->selected()) + "/" + field.name
                              : "/" + field.name;
    };
    explains(box, pointer, words.label, field.low, field.high);
    return box;
}

QCheckBox* ParameterEditor::addCheckField(const FieldControl& control, QHBoxLayout* row)
{
    auto* check = new QCheckBox(control.words.label, this);
    check->setObjectName(control.name);
    check->setToolTip(control.words.tip);
    connect(check, &QCheckBox::clicked, this, [this, set = control.set, action = control.action](bool on) {
        edit([&](Json& p) { set(p, on); }, action, true);
    });
    row->addWidget(check);
    row->addSpacing(6);
    return check;
}

QComboBox* ParameterEditor::addChoiceField(const FieldControl& control, QHBoxLayout* row)
{
    auto* label = new QLabel(control.words.label, this);
    label->setProperty("quiet", true);
    auto* box = new QComboBox(this);
    box->setObjectName(control.name);
    box->setAccessibleName(control.words.label);
    box->setToolTip(control.words.tip);
    for (const std::string& choice : control.field.choices)
        box->addItem(choiceWord(choice), QString::fromStdString(choice));
    connect(box, &QComboBox::activated, this, [this, box, set = control.set, action = control.action] {
        edit([&](Json& p) { set(p, box->currentData().toString().toStdString()); }, action, true);
    });
    row->addWidget(label);
    row->addWidget(box);
    row->addSpacing(6);
    return box;
}

void ParameterEditor::addMeasure(QHBoxLayout* row, const std::string& kind)
{
    const bool solves = kind == Ends::kType, measures = kind == EdgeDarkening::kType;
    if (solves || measures) {
        auto* button = new QPushButton(solves ? tr("Solve") : tr("Measure"), this);
        button->setObjectName(solves ? "endsSolve" : "edgesMeasure");
        button->setToolTip(solves ? tr("Sets black and white from the frame in hand, within the shares that may clip")
                                  : tr("Sets what the frame in hand brings: its corners against its middle"));
        connect(button, &QPushButton::clicked, this, &ParameterEditor::solve);
        row->addWidget(button);
    }
}

void ParameterEditor::build(Page& page, const Step& step)
{
    const std::string kind = typeOf(step);
    page.fields = fieldsOf(step);
    page.widget = new QWidget(m_pages);
    page.plot = new ParameterPlot(plotModelOf(step).axis, page.widget);
    page.plot->setObjectName(QString::fromStdString(kind + ".plot"));
    page.plot->changed = [this](const StepParameters& parameters) { write(parameters); };
    follow(*page.plot);
    connect(page.plot, &AxisPlot::selectionMoved, this, [this] { refresh(); });

    auto* rows = new QVBoxLayout(page.widget);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(4);
    const bool long_ = page.fields.fields.size() > kRowLength + 1;
    QHBoxLayout* row = nullptr;
    for (std::size_t i = 0; i < page.fields.fields.size(); ++i) {
        if (!row || (long_ && i == (page.fields.fields.size() + 1) / 2)) {
            if (row)
                row->addStretch(1);
            row = new QHBoxLayout;
            row->setSpacing(5);
            rows->addLayout(row);
        }
        addField(page, i, step, row);
    }
    if (kind == EvenTowards::kType || kind == Wash::kType)
        addColour(row, kind);
    addMeasure(row, kind);
    row->addStretch(1);
    rows->addWidget(page.plot, 1);
    m_pages->addWidget(page.widget);
}

/// The colour of a wash in hand, or the one that others are drawn to.
void ParameterEditor::addColour(QHBoxLayout* row, const std::string& kind)
{
    auto* colour = new QToolButton(this);
    colour->setObjectName(QString::fromStdString(kind + ".colour"));
    colour->setText(tr("Colour"));
    colour->setToolTip(tr("A colour by a click on a picture, or typed"));
    colour->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(colour);
    colour->setMenu(menu);
    addColourActions(*menu, *this, [this](const LinearRgb& picked) { takeColour(picked); });
    row->addWidget(colour);
    if (kind != EvenTowards::kType)
        return;
    m_leak = new QLabel(this);
    m_leak->setObjectName("evenLeak");
    m_leak->setProperty("quiet", true);
    m_leak->setToolTip(tr("The largest patch that hangs together is taken for what is meant; the rest is leak"));
    row->addSpacing(6);
    row->addWidget(m_leak);
}

void ParameterEditor::takeColour(const LinearRgb& colour)
{
    const Step* step = m_document.looks().step();
    if (!step)
        return;
    const OkLch lch = toOkLch(toOkLab(colour));
    const auto rounded = [](double v, double unit) { return std::round(v / unit) * unit; };
    const bool isWash = std::holds_alternative<Wash>(step->parameters);
    const auto chosen = static_cast<std::size_t>(std::max(0, page().plot->selected()));
    edit(
        [&](Json& p) {
            if (isWash && chosen >= p["stops"].size())
                return;
            Json& to = isWash ? p["stops"][chosen] : p;
            to["lightness"] = std::clamp(rounded(lch.L, 0.001), 0.0, 1.0);
            to["chroma"] = std::clamp(rounded(lch.chroma, 0.0005), 0.0, isWash ? 0.3 : 0.4);
            to["hue"] = rounded(lch.hueDegrees, 0.1);
        },
        tr("Colour picked"), true);
}

void ParameterEditor::showLeak()
{
    const Step* step = m_document.looks().step();
    if (!step || !m_leak || !picture || !std::holds_alternative<EvenTowards>(step->parameters))
        return;
    const Image entering = picture();
    const Leak leak = leakOf(*step, entering.view());
    m_leak->setText(leak.touched == 0
                        ? tr("touches nothing")
                        : tr("touches %1 % of the picture, %2 % of it apart")
                              .arg(theme::number(100 * leak.touched, 1), theme::number(100 * leak.apart, 0)));
}

void ParameterEditor::write(const StepParameters& parameters)
{
    StepParameters result = parameters;
    if (auto* contrast = std::get_if<Contrast>(&result); contrast && contrast->holdBrightness)
        contrast->exposure = std::round(exposureHoldingMean(*contrast, m_tones) * 1000) / 1000;
    put(result);
}

void ParameterEditor::edit(const std::function<void(Json&)>& change, const QString& action, bool now)
{
    const Step* step = m_document.looks().step();
    if (!step)
        return;
    Json parameters = parametersOf(*step);
    change(parameters);
    if (auto fresh = withParameters(*step, parameters)) {
        write(*fresh);
        now ? m_document.looks().commit(action) : m_document.looks().commitSoon(action);
    }
}

void ParameterEditor::solve()
{
    const Step* step = m_document.looks().step();
    if (!step || !picture)
        return;
    const Image entering = picture();
    StepParameters parameters = step->parameters;
    if (auto* ends = std::get_if<Ends>(&parameters)) {
        std::vector<LinearRgb> pixels;
        const float* p = entering.view().data;
        for (int i = 0; i < entering.width() * entering.height(); ++i, p += 3)
            pixels.push_back({p[0], p[1], p[2]});
        solveEnds(*ends, pixels);
        ends->black = std::round(ends->black * 1000) / 1000, ends->white = std::round(ends->white * 1000) / 1000;
        put(parameters);
        m_document.looks().commit(tr("Ends solved"));
    } else if (auto* edges = std::get_if<EdgeDarkening>(&parameters); edges && !entering.isEmpty()) {
        const auto apparent = apparentFalloff(entering.view());
        if (!apparent)
            return;
        edges->existing = std::clamp(-std::round(*apparent * 100) / 100, -3.0, 1.0);
        put(parameters);
        m_document.looks().commit(tr("Fall of light measured"));
    }
}

void ParameterEditor::refresh()
{
    const Step* step = m_document.looks().step();
    if (!step)
        return;
    Page& p = page();
    if (m_pages->currentWidget() != p.widget)
        m_pages->setCurrentWidget(p.widget);
    p.plot->show(*step);
    const Json parameters = parametersOf(*step);
    for (std::size_t i = 0; i < p.fields.fields.size(); ++i) {
        const auto& field = p.fields.fields[i];
        const Json* owner = &parameters;
        if (field.ofHandle) {
            const Json& list = parameters[p.fields.list];
            const auto chosen = static_cast<std::size_t>(p.plot->selected());
            p.numbers[i]->setEnabled(chosen < list.size());
            if (chosen >= list.size())
                continue;
            owner = &list[chosen];
        }
        const Json& value = (*owner)[field.name];
        if (p.numbers[i])
            showNumber(p.numbers[i], value.get<double>());
        else if (p.checks[i])
            p.checks[i]->setChecked(value.get<bool>());
        else
            p.choices[i]->setCurrentIndex(p.choices[i]->findData(QString::fromStdString(value.get<std::string>())));
    }
}

void ParameterEditor::setEntering(const FrameMeasures& measures)
{
    m_tones.clear();
    // The distribution as some hundred tones, each as often as it occurs.
    constexpr double kTones = 600;
    const auto& shares = measures.tone.tone;
    double sum = 0;
    for (double share : shares)
        sum += share;
    for (std::size_t i = 0; sum > 0 && i < shares.size(); ++i)
        m_tones.insert(m_tones.end(), static_cast<std::size_t>(std::lround(shares[i] / sum * kTones)),
                       (static_cast<double>(i) + 0.5) / static_cast<double>(shares.size()));
    if (!m_document.looks().step())
        return;
    showLeak();
    Page& p = page();
    if (plotModelOf(*m_document.looks().step()).axis == AxisPlot::Axis::Tone)
        p.plot->setDistribution({shares.begin(), shares.end()});
    else
        p.plot->setDistribution({measures.hue.share.begin(), measures.hue.share.end()});
}

QString ParameterEditor::setProbe(const Probe* probe)
{
    const Step* step = m_document.looks().step();
    if (!step)
        return {};
    Page& p = page();
    if (!probe) {
        p.plot->setProbe(std::nullopt);
        return {};
    }
    const OkLab lab = toOkLab(probe->entering);
    const OkLch lch = toOkLch(lab);
    const bool tone = plotModelOf(*step).axis == AxisPlot::Axis::Tone;
    p.plot->setProbe(tone ? std::optional(lab.L) : lch.chroma > 0.005 ? std::optional(lch.hueDegrees) : std::nullopt);
    if (!step->guard.isOpen())
        return tr("tone %1, chroma %2, hue %3° · held by the guard to %4 %")
            .arg(theme::decimal(lab.L, 2))
            .arg(theme::decimal(lch.chroma, 3))
            .arg(lch.hueDegrees, 0, 'f', 0)
            .arg(100 * weightAt(step->guard, lab), 0, 'f', 0);
    return tone ? tr("tone %1").arg(theme::decimal(lab.L, 3))
                : tr("chroma %1, hue %2°").arg(theme::decimal(lch.chroma, 3)).arg(lch.hueDegrees, 0, 'f', 0);
}

bool ParameterEditor::beginPictureDrag(const Probe& probe)
{
    const Step* step = m_document.looks().step();
    const PlotModel model = plotModelOf(*step);
    if (model.handles.empty())
        return false;
    const OkLab lab = toOkLab(probe.entering);
    const double at = model.axis == AxisPlot::Axis::Tone ? lab.L : toOkLch(lab).hueDegrees;
    m_draggedHandle = 0;
    for (int i = 1; i < static_cast<int>(model.handles.size()); ++i)
        if (std::abs(model.handles[static_cast<std::size_t>(i)].at - at) <
            std::abs(model.handles[static_cast<std::size_t>(m_draggedHandle)].at - at))
            m_draggedHandle = i;
    // The pivot of contrast is where nothing moves: a drag up or down means the slope.
    if (std::holds_alternative<Contrast>(step->parameters))
        m_draggedHandle = 1;
    page().plot->select(m_draggedHandle);
    m_dragged = parametersOf(*step);
    return true;
}

void ParameterEditor::dragPicture(QPointF delta)
{
    Step from = *m_document.looks().step();
    auto start = withParameters(from, m_dragged);
    if (!start)
        return;
    from.parameters = std::move(*start);
    const PlotModel model = plotModelOf(from);
    const auto& handle = model.handles[static_cast<std::size_t>(m_draggedHandle)];
    Json parameters = m_dragged;
    handle.move(parameters, handle.at, handle.up - delta.y() * kFieldGain * (model.high - model.low) / 2);
    if (auto fresh = withParameters(from, parameters))
        write(*fresh);
}

void ParameterEditor::endPictureDrag()
{
    m_document.looks().commit(tr("%1 dragged on the picture").arg(stepTitle(*m_document.looks().step())));
}

}  // namespace amber
