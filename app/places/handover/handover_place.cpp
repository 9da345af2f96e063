#include "app/places/handover/handover_place.h"

#include "app/places/handover/answers_tab.h"
#include "app/places/handover/before_list.h"
#include "app/places/handover/look_table.h"
#include "app/places/handover/recipe_panel.h"
#include "app/places/handover/retouch_tab.h"
#include "app/settings/own_settings.h"
#include "app/theme/controls.h"
#include "app/theme/panes.h"
#include "core/handover/job_batch.h"

#include <QtWidgets>

namespace amber {
namespace {

/// Which frames go, in the order of the list.
constexpr const char* kWhich[] = {"all", "hand", "used", "done", "rated", "light", "closed"};

QString duration(double seconds)
{
    const int s = static_cast<int>(seconds + 0.5);
    return s < 90 ? HandoverPlace::tr("%1 s").arg(s) : HandoverPlace::tr("%1 min").arg((s + 30) / 60);
}

}  // namespace

HandoverPlace::HandoverPlace(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_task(new ExportTask(this)), m_seek(new Task(this)),
      m_looking(new Task(this)), m_recipes(new RecipePanel(this)), m_looks(new LookTable(document, this)),
      m_before(new BeforeList(document, this)), m_retouch(new RetouchTab(document, this)),
      m_answers(new AnswersTab(document, this)), m_stack(new QStackedWidget(this)), m_model(new DeliveryModel(this)),
      m_progress(new QProgressBar(this)), m_state(new QLabel(this)), m_summary(new QLabel(this)),
      m_table(new QTableView(this))
{
    setObjectName("handoverPlace");
    makeTable();
    for (QWidget* tab : std::initializer_list<QWidget*>{m_looks, m_before, makeWritten(), m_retouch, m_answers})
        m_stack->addWidget(tab);
    auto* right = new QVBoxLayout;
    right->setContentsMargins(16, 8, 16, 12);
    right->setSpacing(10);
    right->addLayout(makeTabs());
    right->addWidget(m_stack, 1);
    constexpr int kForm = 392, kWidestForm = 640;
    auto* panes = new Panes("handoverPanes", Qt::Horizontal, this);
    auto* page = new QWidget(panes);
    page->setLayout(right);
    panes->add(makeForm(), {kForm, kForm, kWidestForm});
    panes->add(page, {});
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(panes);
    connectAll();
    m_state->setText(tr("Nothing handed over yet."));
    refresh();
}

void HandoverPlace::makeTable()
{
    m_table->setObjectName("deliveries");
    m_table->setAccessibleName(tr("What was written"));
    m_table->setModel(m_model);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setShowGrid(false);
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setDefaultSectionSize(26);
    m_table->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    m_table->horizontalHeader()->setSectionResizeMode(DeliveryModel::ResultColumn, QHeaderView::Stretch);
    m_table->setColumnWidth(DeliveryModel::PictureColumn, 190);
    m_table->setColumnWidth(DeliveryModel::RecipeColumn, 90);
    m_table->setColumnWidth(DeliveryModel::FileColumn, 190);
    m_table->setColumnWidth(DeliveryModel::SizeColumn, 90);
    m_table->horizontalHeader()->setHighlightSections(false);
}

QWidget* HandoverPlace::makeWritten()
{
    auto* page = new QWidget(this);
    m_progress->setObjectName("exportProgress");
    m_progress->setTextVisible(false);
    m_progress->setFixedHeight(8);
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(10);
    layout->addWidget(m_progress);
    layout->addWidget(m_table, 1);
    return page;
}

QLayout* HandoverPlace::makeTabs()
{
    auto* row = new QHBoxLayout;
    m_tabs = addTabs(
        row, this, m_stack,
        {{"handoverLooksTab", tr("Looks"), tr("Which look lands on which light and frame")},
         {"handoverBeforeTab", tr("Before"), tr("What is to be known before anything is written")},
         {"handoverWrittenTab", tr("Written"), tr("What was written, and what failed and why")},
         {"handoverRetouchTab", tr("Retouching"), tr("Files that are out to be retouched, and those that came back")},
         {"handoverAnswersTab", tr("Answers, pins"), tr("What the client said, and what is still to be done")}});
    return row;
}

void HandoverPlace::go(Tab tab) { goTo(m_tabs, static_cast<int>(tab)); }

void HandoverPlace::connectAll()
{
    connect(m_task, &ExportTask::progressed, this, [this](int done, int total, double left, const Delivery& latest) {
        m_model->add(latest);
        showProgress(done, total, left);
    });
    connect(m_task, &ExportTask::finished, this, &HandoverPlace::finish);
    connect(&m_document, &Document::leaving, m_seek, &Task::cancel);
    connect(&m_document, &Document::leaving, m_looking, &Task::cancel);
    connect(&m_document, &Document::opened, this, &HandoverPlace::restoreChoices);
    for (const auto changed :
         {&Document::framesChanged, &Document::lightsChanged, &Document::doneChanged, &Document::ratingsChanged,
          &Document::usedChanged, &Document::pinsChanged, &Document::chosenLooksChanged})
        connect(&m_document, changed, this, &HandoverPlace::refresh);
    connect(&m_document.selection(), &Selection::frameChosen, this, &HandoverPlace::refresh);
    connect(&m_document.looks(), &LooksInHand::stepsChanged, this, &HandoverPlace::refresh);
    const auto chosen = [this] {
        if (!m_isRestoring)
            m_isMeant = false, refresh();
    };
    connect(m_recipes, &RecipePanel::changed, this, chosen);
    connect(m_which, &QComboBox::currentIndexChanged, this, chosen);
    connect(m_light, &QComboBox::currentIndexChanged, this, chosen);
    connect(m_rating, &QSpinBox::valueChanged, this, chosen);
    connect(m_folder, &QLineEdit::textChanged, this, chosen);
    connect(m_withCard, &QCheckBox::toggled, this, chosen);
}

void HandoverPlace::addChoices(QVBoxLayout* layout)
{
    QWidget* page = layout->parentWidget();
    m_summary->setObjectName("exportSummary");
    m_summary->setProperty("strong", true);
    m_summary->setWordWrap(true);
    layout->addWidget(m_summary);
    m_which = new QComboBox(page);
    m_which->setObjectName("exportWhich"), m_which->setAccessibleName(tr("Frames"));
    m_which->setToolTip(tr("Which frames go"));
    m_light = new QComboBox(page);
    m_light->setObjectName("exportLight"), m_light->setAccessibleName(tr("Light"));
    m_rating = new QSpinBox(page);
    m_rating->setObjectName("exportRating"), m_rating->setAccessibleName(tr("Stars or more"));
    m_rating->setRange(1, 5), m_rating->setSuffix(tr(" stars or more"));
    m_rating->setButtonSymbols(QAbstractSpinBox::NoButtons);
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    row->addWidget(m_which, 3), row->addWidget(m_light, 2), row->addWidget(m_rating, 2);
    layout->addLayout(row);
    layout->addWidget(m_recipes, 1);
}

void HandoverPlace::addWhoAndWhere(QVBoxLayout* layout)
{
    QWidget* page = layout->parentWidget();
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(12), grid->setVerticalSpacing(6);
    grid->setColumnStretch(1, 1);
    grid->setColumnMinimumWidth(0, RecipeForm::kLabels);
    const auto add = [&](const QString& label, QWidget* control, const char* name, const QString& tip) {
        auto* words = new QLabel(label, page);
        words->setProperty("quiet", true);
        words->setBuddy(control);
        control->setObjectName(name), control->setAccessibleName(label), control->setToolTip(tip);
        grid->addWidget(words, grid->rowCount(), 0);
        grid->addWidget(control, grid->rowCount() - 1, 1, 1, control == m_folder ? 1 : 2);
    };
    m_folder = new QLineEdit(page);
    add(tr("author"), m_author = new QLineEdit(page), "exportAuthor", tr("Said in every file"));
    add(tr("rights"), m_rights = new QLineEdit(page), "exportRights", tr("Said in every file"));
    add(tr("folder"), m_folder, "exportFolder", tr("Where the files go; made when it is missing"));
    auto* browse = makeButton(page, "exportBrowse", tr("Choose…"), tr("Folder for the files"), [this] {
        const QString folder = QFileDialog::getExistingDirectory(this, tr("Folder for the files"), m_folder->text());
        if (!folder.isEmpty())
            setFolder(folder);
    });
    grid->addWidget(browse, grid->rowCount() - 1, 2);
    layout->addLayout(grid);
    m_withCard = new QCheckBox(tr("also frames that show the colour card"), page);
    m_withCard->setObjectName("exportWithCard");
    m_withCard->setToolTip(tr("Frames in whose crop the colour card is seen are left out unless this is ticked"));
    m_ask = new QCheckBox(tr("ask for an answer"), page);
    m_ask->setObjectName("exportAsk");
    m_ask->setToolTip(tr("A question goes beside the files of the first recipe; what is answered arrives as pins"));
    layout->addWidget(m_withCard);
    layout->addWidget(m_ask);
}

QLayout* HandoverPlace::makeButtons()
{
    m_lookOver = makeButton(this, "exportLookOver", tr("Look it over"),
                            tr("Says what is to be known before, and writes nothing"), [this] { lookOver(); });
    m_start = makeButton(this, "exportStart", tr("Hand over"), {}, [this] { start(); });
    m_cancel = makeButton(this, "exportCancel", tr("Cancel"), {}, [this] {
        m_seek->cancel(), m_looking->cancel(), m_task->cancel();
        m_state->setText(tr("Stopping after the pictures in flight…"));
    });
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(8);
    buttons->addWidget(m_lookOver);
    buttons->addWidget(m_start, 1);
    buttons->addWidget(m_cancel);
    return buttons;
}

QWidget* HandoverPlace::makeForm()
{
    auto* page = new QWidget(this);
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(16, 12, 8, 12);
    layout->setSpacing(8);
    addChoices(layout);
    addWhoAndWhere(layout);
    m_state->setObjectName("exportState");
    m_state->setWordWrap(true);
    layout->addWidget(m_state);
    layout->addLayout(makeButtons());
    return page;
}

void HandoverPlace::restoreChoices()
{
    m_isRestoring = true;
    const HandOver& kept = m_document.desk().handOver;
    // What was chosen before there were recipes is the one by hand.
    auto byHand = kept.byHand.empty() ? recipeOf(m_document.desk().delivery) : recipeFromText(kept.byHand, {});
    m_recipes->restore(byHand.value_or(Recipe{}), kept.recipes);
    const auto which = std::find(std::begin(kWhich), std::end(kWhich), kept.frames);
    refresh();
    m_which->setCurrentIndex(which == std::end(kWhich) ? 0 : static_cast<int>(which - std::begin(kWhich)));
    if (kept.frames == "light")
        m_light->setCurrentText(text(kept.of));
    if (kept.frames == "rated")
        m_rating->setValue(std::max(1, text(kept.of).toInt()));
    const Settings& own = OwnSettings::instance().get();
    m_author->setText(text(kept.author.empty() ? own.author : kept.author));
    m_rights->setText(text(kept.rights.empty() ? own.rights : kept.rights));
    const QString folder = m_document.placeOf(kept.folder.empty() ? m_document.desk().delivery.folder : kept.folder);
    m_folder->setText(folder.isEmpty() ? m_document.folder() + QStringLiteral("/handed-over") : folder);
    m_model->clear();
    m_before->forget();
    m_state->setText(tr("Nothing handed over yet."));
    m_progress->reset();
    m_isRestoring = false, m_isMeant = false;
    refresh();
}

void HandoverPlace::setFolder(const QString& folder) { m_folder->setText(folder); }

QString HandoverPlace::summary() const
{
    if (!m_document.isOpen())
        return tr("No job is open");
    if (!m_document.looks().fault().isEmpty())
        return m_document.looks().fault();
    const std::size_t frames = wantedFrames().size(), recipes = m_recipes->ticked().size();
    const QString count = frames == 1 ? tr("one frame") : tr("%L1 frames").arg(frames);
    const QString words =
        recipes == 1 ? tr("%1 by one recipe").arg(count) : tr("%1 by %L2 recipes").arg(count).arg(recipes);
    const auto& states = m_document.job().frames;
    const auto own =
        std::count_if(states.begin(), states.end(), [](const auto& entry) { return entry.second.look != 0; });
    return own == 0   ? words
           : own == 1 ? tr("%1; one frame has a look of its own").arg(words)
                      : tr("%1; %L2 frames have a look of their own").arg(words).arg(own);
}

bool HandoverPlace::isBusy() const { return m_task->isRunning() || m_seek->isRunning() || m_looking->isRunning(); }

void HandoverPlace::fillLights()
{
    const QString light = m_light->currentText();
    const QSignalBlocker blocked(m_light);
    m_light->clear();
    for (const Light& l : m_document.job().lights)
        m_light->addItem(text(l.name));
    m_light->setCurrentIndex(std::max(0, m_light->findText(light)));
}

void HandoverPlace::refresh()
{
    const bool ready = m_document.isOpen() && !m_document.frames().empty() && m_document.looks().fault().isEmpty();
    const int which = std::max(0, m_which->currentIndex());
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    {
        const QSignalBlocker blocked(m_which);
        m_which->clear();
        m_which->addItems({m_document.frames().size() == 1 ? tr("the one frame")
                                                           : tr("all %L1 frames").arg(m_document.frames().size()),
                           frame ? tr("only %1").arg(titleOf(*frame)) : tr("the frame in hand"),
                           tr("all but unused exposures"), tr("ticked off"), tr("rated"), tr("of a light"),
                           tr("without open pins")});
        m_which->setItemData(2, tr("Without the exposures of brackets of which another was chosen"), Qt::ToolTipRole);
        m_which->setCurrentIndex(which);
    }
    fillLights();
    m_light->setVisible(std::string_view(kWhich[which]) == "light");
    m_rating->setVisible(std::string_view(kWhich[which]) == "rated");
    m_summary->setText(summary());
    m_start->setText(m_isMeant ? tr("Hand over all the same") : tr("Hand over"));
    m_start->setEnabled(ready && !isBusy());
    m_lookOver->setEnabled(ready && !isBusy());
    m_cancel->setEnabled(isBusy());
}

HandOver HandoverPlace::chosen() const
{
    HandOver h = m_document.desk().handOver;
    h.recipes.clear();
    for (const Recipe& recipe : m_recipes->ticked())
        h.recipes.push_back(recipe.name);
    h.byHand = recipeToText(m_recipes->byHand());
    h.frames = kWhich[std::max(0, m_which->currentIndex())];
    h.of = h.frames == "light"   ? m_light->currentText().toStdString()
           : h.frames == "rated" ? std::to_string(m_rating->value())
                                 : std::string();
    h.author = m_author->text().trimmed().toStdString(), h.rights = m_rights->text().trimmed().toStdString();
    h.folder = m_document.keptPlace(m_folder->text().trimmed());
    return h;
}

std::vector<FrameId> HandoverPlace::wantedFrames() const
{
    HandOver choices = chosen();
    if (choices.frames == "hand")
        choices.frames = "chosen";
    return framesToHandOver(m_document.job(), m_document.frames(), choices, {m_document.selection().frameInHand()});
}

HandoverPlace::Plan HandoverPlace::plan() const
{
    const HandOver choices = chosen();
    Plan plan;
    plan.wanted = wantedFrames();
    std::vector<Shipment> shipments;
    for (const Recipe& recipe : m_recipes->ticked()) {
        Shipment s = shipmentOf(recipe, m_folder->text().trimmed().toStdString(), m_document.frames());
        s.author = choices.author, s.rights = choices.rights;
        shipments.push_back(std::move(s));
    }
    const auto looks = [this](LookId id) { return m_document.looks().read(id); };
    plan.consignments =
        consignmentsOf(m_document.job(), m_document.frames(), plan.wanted, looks, shipments, m_withCard->isChecked());
    for (Consignment& c : plan.consignments)
        for (std::size_t i = 0; i < c.batch.frames.size(); ++i)
            if (m_document.changedContents().count(c.batch.frames[i]) > 0)
                c.batch.own[i].fault =
                    tr("another picture may have its name now: say first whether it is the same one").toStdString();
    plan.order = {m_document.job(),
                  m_document.frames(),
                  plan.wanted,
                  plan.consignments.empty() ? JobBatch{} : plan.consignments.front().batch,
                  m_document.looks().read(m_document.looks().lookForAll()).value_or(Look{}),
                  shipments};
    std::map<std::string, std::optional<std::vector<FrameId>>> open;
    for (const Shipment& s : shipments)
        open[s.recipe.use] = m_openFindings ? m_openFindings(s.recipe.use) : std::nullopt;
    plan.order.openFindings = [open](const std::string& use) { return open.at(use); };
    return plan;
}

void HandoverPlace::preflightOf(const std::shared_ptr<const Plan>& plan,
                                const std::function<void(const Preflight&)>& then)
{
    m_state->setText(tr("Looking it over…"));
    const auto found = std::make_shared<Preflight>();
    m_looking->start(
        [plan, found](const Task::Progress&, const CancelToken& cancel) { *found = preflight(plan->order, cancel); },
        [this, plan, found, then](bool cancelled) {
            if (cancelled) {
                m_state->setText(tr("Stopped: nothing was begun."));
                return refresh();
            }
            int files = 0;
            for (const Consignment& c : plan->consignments)
                files += static_cast<int>(c.batch.frames.size() * c.shipments.size());
            m_before->show(*found, files);
            then(*found);
            refresh();
        });
    refresh();
}

void HandoverPlace::lookOver()
{
    emit m_document.settling();
    m_document.looks().commitPending();
    seekCards([this] {
        preflightOf(std::make_shared<const Plan>(plan()), [this](const Preflight& found) {
            go(Tab::Before);
            m_isMeant = found.asks() && !found.stops();
            m_state->setText(found.stops()  ? tr("Something stands in the way.")
                             : found.asks() ? tr("To be looked at first.")
                                            : tr("All is well."));
        });
    });
}

void HandoverPlace::start()
{
    emit m_document.settling();
    m_document.looks().commitPending();
    if (m_folder->text().trimmed().isEmpty()) {
        m_state->setText(tr("Choose a folder for the files first."));
        return;
    }
    m_document.changeDesk([&](Desk& desk) { desk.handOver = chosen(); });
    seekCards([this] {
        const auto all = std::make_shared<const Plan>(plan());
        preflightOf(all, [this, all](const Preflight& found) {
            if (found.stops() || (found.asks() && !m_isMeant)) {
                m_isMeant = !found.stops();
                m_state->setText(found.stops() ? tr("Something stands in the way: nothing was written.")
                                               : tr("To be looked at first: nothing was written yet."));
                return go(Tab::Before);
            }
            begin(*all);
        });
    });
}

void HandoverPlace::seekCards(const std::function<void()>& then)
{
    if (m_withCard->isChecked() || m_document.cardFolders().empty())
        return then();
    // A card that nobody has looked for must not go out by chance.
    m_state->setText(tr("Looking for the colour card…"));
    auto found = std::make_shared<FoundCards>();
    m_seek->start(
        [found, frames = m_document.frames(), wanted = wantedFrames(),
         folders = m_document.cardFolders()](const Task::Progress& progress, const CancelToken& cancel) {
            *found = amber::seekCards(frames, wanted, cardsIn(folders), progress, cancel);
        },
        [this, found, then](bool cancelled) {
            if (cancelled) {
                m_state->setText(tr("Stopped: nothing was begun."));
                return refresh();
            }
            m_document.setCards(*found);
            then();
        });
    refresh();
}

void HandoverPlace::begin(const Plan& plan)
{
    m_model->clear();
    int files = 0;
    m_leftOut = 0;
    for (const Consignment& c : plan.consignments) {
        files += static_cast<int>(c.batch.frames.size() * c.shipments.size());
        m_leftOut = std::max(m_leftOut, static_cast<int>(c.batch.withCard.size()));
    }
    m_progress->setRange(0, std::max(1, files));
    m_progress->setValue(0);
    m_state->setText(tr("Beginning…"));
    m_isMeant = false;
    const auto& shipments = plan.order.shipments;
    m_asked = m_ask->isChecked() && !shipments.empty() ? shipments.front().recipe.name : std::string();
    go(Tab::Written);
    m_task->start(plan.order.lookForAll, plan.consignments);
    refresh();
}

void HandoverPlace::showProgress(int done, int total, double secondsLeft)
{
    m_progress->setValue(done);
    if (done < total)
        m_state->setText(tr("%L1 of %L2 done, about %3 left").arg(done).arg(total).arg(duration(secondsLeft)));
}

void HandoverPlace::askForAnswer(const ExportReport& report)
{
    const std::string recipe = std::exchange(m_asked, {});
    if (recipe.empty() || report.cancelled)
        return;
    for (const Recipe& r : m_recipes->ticked())
        if (r.name == recipe) {
            const Shipment shipment = shipmentOf(r, m_folder->text().trimmed().toStdString(), {});
            m_document.keep([&](JobStore& store) -> Status {
                const auto round =
                    ask(store, shipment.target(), recipe,
                        roundFilesOf(store, m_document.frames(), m_document.looks().lookForAll(), report, recipe));
                return round ? Status() : Status(tl::make_unexpected(round.error()));
            });
        }
}

void HandoverPlace::finish(const ExportReport& report, const QString& fault)
{
    const int failed = report.failed(), written = static_cast<int>(report.deliveries.size()) - failed;
    QStringList words;
    if (!fault.isEmpty())
        words << tr("Nothing was written. %1").arg(fault);
    else if (report.cancelled)
        words << tr("Stopped: %L1 written, the rest was not begun. Files already written are whole.").arg(written);
    else
        words << tr("Done: %L1 written to %2").arg(written).arg(m_folder->text());
    if (failed > 0)
        words << tr("%L1 failed, see the list").arg(failed);
    if (m_leftOut > 0)
        words << tr("%L1 left out, they show the colour card").arg(m_leftOut);
    const auto isRenamed = [](const Delivery& d) { return d.fault.empty() && d.target.stem() != d.source.stem(); };
    const std::vector<Recipe> recipes = m_recipes->ticked();
    const bool isPlain =
        std::all_of(recipes.begin(), recipes.end(), [](const Recipe& r) { return r.pattern == "{name}"; });
    if (const auto renamed = std::count_if(report.deliveries.begin(), report.deliveries.end(), isRenamed);
        renamed > 0 && isPlain)
        words << tr("%L1 under another name, because a file that was not written here has theirs").arg(renamed);
    if (!report.warning.empty())
        words << text(report.warning);
    if (fault.isEmpty())
        askForAnswer(report);
    m_state->setText(words.join(QStringLiteral(" · ")));
    refresh();
}

}  // namespace amber
