#include "app/bench/bench.h"
#include "app/shortcuts/shortcuts.h"

#include "app/bench/curve_editor.h"
#include "app/bench/dyes_editor.h"
#include "app/bench/effect_plot.h"
#include "app/bench/guard_editor.h"
#include "app/bench/hue_editor.h"
#include "app/bench/parameter_editor.h"
#include "app/bench/scope_editor.h"
#include "app/bench/scope_model.h"
#include "app/bench/scope_words.h"
#include "app/bench/step_words.h"
#include "app/bench/table_editor.h"
#include "app/guide/is_it_so.h"
#include "app/theme/line_label.h"
#include "app/theme/number_box.h"
#include "app/theme/theme.h"
#include "core/analysis/sweep.h"
#include "core/colour/oklab.h"
#include "core/table_files/table_file.h"

namespace amber {

void Bench::dressValues()
{
    m_title->setObjectName("benchTitle");
    m_title->setProperty("strong", true);
    m_enabled->setObjectName("stepEnabled");
    m_enabled->setToolTip(tr("Off: the look is rendered without this step"));
    m_strength->setObjectName("stepStrength");
    m_strength->setAccessibleName(tr("Strength"));
    m_strength->setToolTip(tr("How much of the step: 0 nothing, 1 all of it, 2 twice its change"));
    m_strength->setRange(0, 2);
    m_strength->setSingleStep(0.05);
    m_strength->setButtonSymbols(QAbstractSpinBox::NoButtons);
    m_strength->setAlignment(Qt::AlignRight);
    m_strength->setFixedWidth(54);
    m_note->setObjectName("stepNote");
    m_note->setAccessibleName(tr("Note"));
    m_note->setPlaceholderText(tr("Why this step?"));
    m_note->setMaximumWidth(320);
    m_owner->setObjectName("probeOwner");
    m_owner->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    m_owner->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
}

void Bench::dressButtons()
{
    m_isItSo->setObjectName("stepIsItSo");
    m_isItSo->setText(tr("?"));
    m_isItSo->setFixedWidth(26);
    m_isItSo->setAccessibleName(tr("Is it so?"));
    m_isItSo->setToolTip(withKeys(tr("Is it so? What is said of this step, measured on this frame"), "isItSo"));
    m_remove->setObjectName("stepRemove");
    m_remove->setText(tr("Remove"));
    m_remove->setToolTip(tr("Take this step out of the look (it can be undone)"));
    m_guard->setObjectName("stepGuard");
    m_guard->setAccessibleName(tr("Guard"));
    m_guard->setCheckable(true);
    m_guard->setToolTip(tr("Which tones, chromas and hues this step may touch"));
    m_mask->setObjectName("stepMask");
    m_mask->setText(tr("Show where"));
    m_mask->setCheckable(true);
    m_mask->setToolTip(tr("Lays over the picture, in a colour it does not contain, where this step works"));
    m_travels->setObjectName("stepTravels");
    m_travels->setToolTip(tr(
        "Whose the values of this step are: what travels with the look, what belongs to a light, a set or this frame"));
    m_travels->setAccessibleName(tr("What travels with the look"));
    m_travels->setCheckable(true);
}

void Bench::layOutRow()
{
    auto* strength = new QLabel(tr("strength"), m_row);
    strength->setProperty("quiet", true);
    strength->setObjectName("stepStrengthLabel");
    strength->installEventFilter(this);
    m_strength->installEventFilter(this);
    auto* row = new QHBoxLayout(m_row);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(8);
    row->addWidget(m_title);
    row->addWidget(m_enabled);
    row->addWidget(strength);
    row->addWidget(m_strength);
    row->addWidget(m_guard);
    row->addWidget(m_mask);
    row->addWidget(m_travels);
    row->addWidget(m_note, 1);
    row->addWidget(m_owner, 1);
    row->addWidget(m_isItSo);
    row->addWidget(m_remove);
}

void Bench::joinEditors()
{
    for (StepEditor* e : std::initializer_list<StepEditor*>{m_curve, m_dyes, m_hues, m_parameters, m_tableEditor,
                                                            m_guardEditor, m_scopeEditor}) {
        m_pages->addWidget(e);
        e->explain = [this](const std::string& pointer, const QString& label, double low, double high) {
            if (!m_beforeExtreme)
                m_pointer = pointer, m_pointerLabel = label;
            m_effect->explain(pointer, label, low, high);
        };
        e->nudge = [this](QDoubleSpinBox* box, const std::string& pointer, bool up) { nudge(box, pointer, up); };
        e->reset = [this](QDoubleSpinBox* box, const std::string& pointer) { reset(box, pointer); };
        e->overlay = [this](const RenderRequest::Overlay& overlay, const QString& words) {
            emit overlayWanted(overlay, words);
        };
    }
}

void Bench::connectStep()
{
    const auto changeStep = [this](auto&& change, const QString& action, bool now) {
        const Step* shown = m_document.looks().step();
        if (!shown)
            return;
        Step changed = *shown;
        change(changed);
        m_document.looks().changeShown(m_document.looks().selectedStep(), changed);
        now ? m_document.looks().commit(action) : m_document.looks().commitSoon(action);
    };
    connect(m_enabled, &QCheckBox::clicked, this, [changeStep](bool on) {
        changeStep([on](Step& s) { s.enabled = on; }, on ? tr("Step switched on") : tr("Step switched off"), true);
    });
    connect(m_strength, &QDoubleSpinBox::valueChanged, this,
            [changeStep](double v) { changeStep([v](Step& s) { s.strength = v; }, tr("Strength set"), false); });
    connect(m_note, &QLineEdit::editingFinished, this, [this, changeStep] {
        changeStep([this](Step& s) { s.note = m_note->text().toStdString(); }, tr("Note written"), true);
    });
}

void Bench::connectParts()
{
    connect(&m_document.looks(), &LooksInHand::lookChanged, this, &Bench::refresh);
    connect(&m_document.selection(), &Selection::frameChosen, this,
            &Bench::refresh);  // its own values of what is kept per picture
    connectStep();
    connect(m_guard, &QToolButton::clicked, this, [this] { m_travels->setChecked(false), refresh(); });
    connect(m_travels, &QToolButton::clicked, this, [this] { m_guard->setChecked(false), refresh(); });
    connect(&m_document, &Document::setsChanged, this, &Bench::refresh);
    connect(m_mask, &QToolButton::clicked, this, [this](bool on) {
        emit overlayWanted({on ? RenderRequest::Overlay::What::Step : RenderRequest::Overlay::What::Nothing, 0},
                           on ? tr("where this step works, in a colour this picture does not have") : QString());
    });
    connect(&m_document.looks(), &LooksInHand::selectionChanged, this, [this] {
        m_guard->setChecked(false), m_travels->setChecked(false);
        m_effect->explain({}, {}, 0, 1);
        m_pointer.clear();
        refresh();
    });
    connect(m_isItSo, &QToolButton::clicked, this, &Bench::isItSoWanted);
    connect(m_remove, &QToolButton::clicked, this,
            [this] { m_document.looks().removeStep(m_document.looks().selectedStep()); });
}

Bench::Bench(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_row(new QWidget(this)), m_title(new QLabel(m_row)),
      m_owner(new LineLabel(m_row)), m_empty(new QLabel(this)), m_enabled(new QCheckBox(tr("on"), m_row)),
      m_strength(new NumberBox(m_row)), m_note(new QLineEdit(m_row)), m_remove(new QToolButton(m_row)),
      m_isItSo(new QToolButton(m_row)), m_guard(new QToolButton(m_row)), m_mask(new QToolButton(m_row)),
      m_travels(new QToolButton(m_row)), m_pages(new QStackedWidget(this)), m_curve(new CurveEditor(document, this)),
      m_dyes(new DyesEditor(document, this)), m_hues(new HueEditor(document, this)),
      m_parameters(new ParameterEditor(document, this)), m_tableEditor(new TableEditor(document, this)),
      m_guardEditor(new GuardEditor(document, this)), m_scopeEditor(new ScopeEditor(document, this)),
      m_effect(new EffectPlot(this))
{
    setObjectName("bench");
    setAcceptDrops(true);
    dressValues();
    dressButtons();
    layOutRow();
    m_empty->setAlignment(Qt::AlignCenter);
    m_empty->setProperty("quiet", true);
    m_empty->setWordWrap(true);
    joinEditors();
    m_pages->addWidget(m_empty);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(14, 8, 14, 6);
    layout->setSpacing(6);
    layout->addWidget(m_row);
    auto* lower = new QHBoxLayout;
    lower->setSpacing(14);
    lower->addWidget(m_pages, 1);
    lower->addWidget(m_effect);
    layout->addLayout(lower, 1);

    connectParts();
    refresh();
}

bool Bench::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::MouseButtonDblClick && watched != m_strength) {
        m_strength->setValue(1);
        return true;
    }
    if (watched == m_strength && event->type() == QEvent::KeyPress)
        if (const auto* key = static_cast<QKeyEvent*>(event); key->key() == Qt::Key_Up || key->key() == Qt::Key_Down) {
            nudge(m_strength, {}, key->key() == Qt::Key_Up);
            return true;
        }
    return QWidget::eventFilter(watched, event);
}

void Bench::nudge(QDoubleSpinBox* box, const std::string& pointer, bool up)
{
    const auto colours = m_colours ? m_colours() : std::vector<LinearRgb>{};
    const auto index = static_cast<std::size_t>(m_document.looks().selectedStep());
    const Look look = m_document.looks().lookOf(m_document.selection().frameInHand());
    // A step by place moves single colours not at all: then, and without a picture, one click of the number.
    if (colours.empty() || index >= look.steps.size() || isSpatial(look.steps[index]) ||
        (!pointer.empty() && !parametersOf(look.steps[index]).contains(Json::json_pointer(pointer))))
        return box->stepBy(up ? 1 : -1);
    const double unit = std::pow(10.0, -box->decimals()), now = box->value(),
                 next = nextNoticeable(look, index, pointer, up, colours);
    // At least one unit of what the number shows, and never to its far end at once when the picture does not care.
    const double step = std::clamp(std::floor(std::abs(next - now) / unit) * unit, unit,
                                   std::max(unit, (box->maximum() - box->minimum()) / 4));
    box->setValue(now + (up ? step : -step));
    box->selectAll();
}

void Bench::reset(QDoubleSpinBox* box, const std::string& pointer)
{
    const Step* step = m_document.looks().step();
    if (!step)
        return;
    Step fresh = *step;
    fresh.parameters = std::visit([]<class T>(const T&) { return StepParameters(T{}); }, step->parameters);
    const Json start = parametersOf(fresh);
    if (const Json::json_pointer place(pointer); start.contains(place) && start[place].is_number())
        box->setValue(start[place].get<double>());
}

void Bench::holdExtreme(int way)
{
    if (way == 0) {
        if (m_beforeExtreme)
            m_document.looks().change(*std::exchange(m_beforeExtreme, std::nullopt));
        emit extremeHeld({});
        return;
    }
    const Step* step = m_document.looks().step();
    if (!step)
        return;
    m_document.looks().commitPending();
    if (!m_beforeExtreme)
        m_beforeExtreme = m_document.looks().look();
    const bool known = !m_pointer.empty() && parametersOf(*step).contains(Json::json_pointer(m_pointer));
    const std::string pointer = known ? m_pointer : std::string();
    const auto [low, high] = limitsOf(*step, pointer);
    const double value = way > 0 ? high : low;
    const auto turned = withNumber(*step, pointer, value);
    if (!turned)
        return;
    Look look = *m_beforeExtreme;
    Step& shared = look.steps[static_cast<std::size_t>(m_document.looks().selectedStep())];
    Step extreme = *turned;
    extreme.enabled = true;
    shared = edited(shared, m_document.looks().pictureInHand(), extreme);
    m_document.looks().change(look);
    emit extremeHeld(tr("%1 at its end, %2").arg(known ? m_pointerLabel : tr("strength")).arg(value, 0, 'g', 3));
}

void Bench::setPictureSource(const std::function<Image()>& source)
{
    for (StepEditor* e : std::initializer_list<StepEditor*>{m_curve, m_dyes, m_hues, m_parameters, m_tableEditor,
                                                            m_guardEditor, m_scopeEditor})
        e->picture = source;
}

void Bench::setPicking(RenderQueue& queue, const PickNext& pickNext)
{
    for (StepEditor* e : m_pages->findChildren<StepEditor*>(Qt::FindDirectChildrenOnly))
        e->queue = &queue, e->pickNext = pickNext;
}

void Bench::setLevel(const std::function<void(const std::string& role, AreaMeasure measure)>& level)
{
    m_guardEditor->level = level;
}

bool Bench::isGuardShown() const { return m_pages->currentWidget() == m_guardEditor; }

void Bench::showGuard(bool on)
{
    if (m_guard->isChecked() != on)
        m_guard->click();
}

void Bench::showScope(bool on)
{
    if (m_travels->isChecked() != on)
        m_travels->click();
}

void Bench::showMask(bool on)
{
    if (m_mask->isChecked() != on)
        m_mask->click();
}

StepEditor* Bench::editorOf(const Step& step) const
{
    if (m_travels->isChecked())
        return m_scopeEditor;
    if (m_guard->isChecked())
        return m_guardEditor;
    if (std::holds_alternative<ToneCurve>(step.parameters))
        return m_curve;
    if (std::holds_alternative<SplitToning>(step.parameters))
        return m_dyes;
    if (std::holds_alternative<HueShifts>(step.parameters))
        return m_hues;
    if (std::holds_alternative<LookupTable>(step.parameters))
        return m_tableEditor;
    return m_parameters;
}

StepEditor* Bench::editor() const
{
    return m_pages->currentWidget() == m_empty ? nullptr : static_cast<StepEditor*>(m_pages->currentWidget());
}

void Bench::showValues(const Step& step)
{
    const QSignalBlocker a(m_enabled), b(m_strength), c(m_note);
    m_enabled->setChecked(step.enabled);
    if (std::abs(m_strength->value() - step.strength) > 0.004)
        m_strength->setValue(step.strength);
    if (!m_note->hasFocus() || m_note->text().isEmpty()) {
        m_note->setText(text(step.note));
        m_note->setCursorPosition(0);
        m_note->setToolTip(text(step.note));
    }
}

/// Whose the values in hand are, in a word.
void Bench::sayScope(const Step& shown)
{
    const auto index = static_cast<std::size_t>(m_document.looks().selectedStep());
    const Step& step = m_document.looks().look().steps.at(index);
    std::vector<std::pair<std::string, std::string>> own;  // parts and their holders
    for (const std::string& part : step.held.empty() ? std::vector<std::string>{} : partsOf(shown))
        if (const std::string holder = holderFor(step, m_document.looks().pictureInHand(), part); !holder.empty())
            own.emplace_back(part, holder);
    const bool isOne = !own.empty() && std::all_of(own.begin(), own.end(),
                                                   [&](const auto& o) { return o.second == own.front().second; });
    const QString whose = own.empty() ? QString() : holderWords(m_document.job(), own.front().second);
    m_travels->setText(own.empty()       ? step.perPicture.empty() ? tr("All travels")
                                                                   : tr("%1 per picture").arg(step.perPicture.size())
                             : own.size() == 1 ? tr("%1: %2").arg(partTitle(shown, own.front().first), whose)
                       : isOne           ? tr("%1 values: %2").arg(own.size()).arg(whose)
                                         : tr("%1 values do not travel").arg(own.size()));
}

void Bench::refresh()
{
    const Step* step = m_document.looks().step();
    m_row->setVisible(step != nullptr);
    m_effect->setVisible(step != nullptr && !std::holds_alternative<UnknownStep>(step->parameters));
    if (!step) {
        m_empty->setText(
            m_document.isOpen()
                ? tr("Nothing to edit yet. Add a step with + on the step line above (Insert when it has the focus).")
                : tr("Open a folder of pictures first."));
        m_pages->setCurrentWidget(m_empty);
        return;
    }
    m_title->setText(stepTitle(*step));
    const auto isHere = [kind = typeOf(*step)](const SayingNote& note) { return isAbout(note, kind); };
    m_isItSo->setVisible(std::any_of(sayingNotes().begin(), sayingNotes().end(), isHere));
    showValues(*step);
    if (std::holds_alternative<UnknownStep>(step->parameters)) {
        m_empty->setText(tr("This step was made by a newer version. It is kept as it is and has no effect here."));
        m_pages->setCurrentWidget(m_empty);
        return;
    }
    const RoleBinding& where = step->guard.where;
    m_guard->setText(where.isBound()        ? (where.isOutside ? tr("Not %1") : tr("On %1")).arg(text(where.role))
                     : step->guard.isOpen() ? tr("Guard")
                                            : tr("Guard: on"));
    sayScope(*step);
    m_effect->show(*step);
    StepEditor* page = editorOf(*step);
    if (m_pages->currentWidget() != page) {
        m_pages->setCurrentWidget(page);
        m_owner->clear();
    }
    page->refresh();
}

void Bench::setEntering(const FrameMeasures& measures)
{
    if (StepEditor* e = editor())
        e->setEntering(measures);
}

void Bench::setProbe(const std::optional<Probe>& probe)
{
    StepEditor* e = editor();
    const Step* step = m_document.looks().step();
    if (!e || !step)
        return;
    QString words = e->setProbe(probe ? &*probe : nullptr);
    if (probe) {
        const OkLab lab = toOkLab(probe->entering);
        // Which family holds the colour is asked whatever step is in hand.
        if (e != m_hues && !words.isEmpty()) {
            const HueShifts usual;
            const auto weights = weightsAt(usual, lab);
            const auto most = static_cast<std::size_t>(
                std::max_element(weights.begin(),
                                 weights.begin() + static_cast<std::ptrdiff_t>(usual.families.size())) -
                weights.begin());
            if (weights[most] > 0.2)
                words += tr(" · %1 %2 %").arg(text(usual.families[most].name)).arg(100 * weights[most], 0, 'f', 0);
        }
        if (!step->guard.isOpen() && e != m_parameters && e != m_guardEditor)
            words += tr(" · guard %1 %").arg(100 * weightAt(step->guard, lab), 0, 'f', 0);
    }
    m_owner->setText(words);
    m_owner->setToolTip(words);
}

bool Bench::beginPictureDrag(const Probe& probe) { return editor() && editor()->beginPictureDrag(probe); }

void Bench::dragPicture(QPointF delta)
{
    if (StepEditor* e = editor())
        e->dragPicture(delta);
}

void Bench::endPictureDrag()
{
    if (StepEditor* e = editor())
        e->endPictureDrag();
}

void Bench::dragEnterEvent(QDragEnterEvent* event)
{
    const auto urls = event->mimeData()->urls();
    if (editor() == m_tableEditor && urls.size() == 1 &&
        tableFormatFromEnding(urls.front().toLocalFile().toStdString()))
        event->acceptProposedAction();
}

void Bench::dropEvent(QDropEvent* event) { m_tableEditor->load(event->mimeData()->urls().front().toLocalFile()); }

void Bench::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::kDesk);
    painter.fillRect(0, 0, width(), 1, theme::kHairline);
}

}  // namespace amber
