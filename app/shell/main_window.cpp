#include "app/shell/main_window.h"

#include "app/document/lost_frames.h"
#include "app/guide/guide_sheet.h"
#include "app/places/areas/areas_place.h"
#include "app/places/balance/balance_place.h"
#include "app/places/handover/handover_place.h"
#include "app/places/log/log_place.h"
#include "app/places/look/look_place.h"
#include "app/places/match/match_place.h"
#include "app/places/practice/practice_place.h"
#include "app/places/proof/proof_place.h"
#include "app/places/shoot/shoot_place.h"
#include "app/screen/client_view.h"
#include "app/screen/screen_sheet.h"
#include "app/settings/own_settings.h"
#include "app/shell/message_bars.h"
#include "app/shortcuts/shortcuts.h"
#include "app/stepline/step_line.h"
#include "app/theme/theme.h"
#include "app/words/words.h"
#include "core/job/area_finder.h"
#include "core/measure/trial_frames.h"

namespace amber {

std::optional<std::vector<FrameId>> MainWindow::openFindings(const std::string& use) const
{
    const ShootAudit& audit = m_proof->checks().audit();
    if (!audit.isChecked() || audit.isStale() || audit.use().name != use)
        return std::nullopt;
    std::set<FrameId> open;
    for (const Finding& finding : audit.findings())
        if (!audit.acceptanceOf(finding))
            open.insert(finding.frame);
    return std::vector<FrameId>(open.begin(), open.end());
}

MainWindow::MainWindow(QWidget* parent)
    : QWidget(parent), m_places(new QStackedWidget(this)), m_rail(new QButtonGroup(this)),
      m_messages(new MessageBars(this)), m_lost(new LostFrames(m_document, this))
{
    setObjectName("desk");
    setAcceptDrops(true);
    m_proxies.setObjectName("proxies");
    setWindowIcon(theme::icon("jolly-amber"));
    makePlaces();
    auto* right = new QVBoxLayout;
    right->setSpacing(0);
    right->addWidget(m_messages);
    right->addWidget(m_places, 1);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    m_railArea = makeRail();
    layout->addWidget(m_railArea);
    layout->addLayout(right, 1);
    addShortcuts();
    connect(&m_screens, &Screens::changed, this, &MainWindow::showScreenStatus);
    m_screens.follow(this);

    connectPlaces();
    connectLog();
    connectMessages();
    connectSettings();
    qApp->installEventFilter(this);
    retitle();
    go(Place::Shoot);
}

void MainWindow::makePlaces()
{
    m_shoot = new ShootPlace(m_document, m_proxies, m_keeper, this);
    m_balance = new BalancePlace(m_document, m_proxies, m_shoot->model(), this);
    m_areas = new AreasPlace(m_document, m_shoot->model(), m_proxies, this);
    m_look = new LookPlace(m_document, m_proxies, m_renders, this);
    m_match = new MatchPlace(m_document, m_proxies, m_shoot->model(), this);
    m_proof = new ProofPlace(
        m_document, m_proxies, m_screens, [this](std::int64_t frame) { return m_shoot->model().thumbnail(frame); },
        this);
    m_handover = new HandoverPlace(m_document, this);
    m_log = new LogPlace(m_document, m_proxies, m_route, m_keeper, this);
    m_practice = new PracticePlace(m_document, this);
    for (QWidget* place : std::initializer_list<QWidget*>{m_shoot, m_balance, m_areas, m_look, m_match, m_proof,
                                                          m_handover, m_log, m_practice})
        m_places->addWidget(place);
}

void MainWindow::connectPlaces()
{
    m_handover->setOpenFindings([this](const std::string& use) { return openFindings(use); });
    m_proxies.setFootings([this](std::int64_t frame) {
        const FrameBalance balance = m_document.balances().of(frame);
        return ProxyStore::Footing{balance, m_document.balances().responseOf(balance)};
    });
    connect(&m_document.balances(), &Balances::changed, this, [this](std::int64_t id) {
        if (const Frame* frame = m_document.frame(id))
            m_proxies.refoot(id, frame->path);
    });
    connect(m_balance, &BalancePlace::workRequested, this, [this] { go(Place::Look); });
    connect(m_proof, &ProofPlace::markingWanted, this, [this] {
        go(Place::Look);
        m_look->toggleMarking();
        say(tr("Mark a key colour: click it, or drag a region, and name it. Proof finds it on the other frames."));
    });
    connect(m_match, &MatchPlace::workRequested, this, [this] { go(Place::Look); });
    connect(m_shoot, &ShootPlace::openRequested, this, &MainWindow::openPaths);
    connect(m_shoot, &ShootPlace::workRequested, this, [this] { go(Place::Look); });
    connect(m_look, &LookPlace::quietWanted, this, &MainWindow::setQuiet);
    connect(m_look, &LookPlace::themeWanted, this, &MainWindow::chooseTheme);
    connect(m_look, &LookPlace::trialFramesWanted, this, &MainWindow::chooseTrialFrames);
    connect(&m_document, &Document::opened, this, [this] {
        if (const int lightness = m_document.desk().surround)
            theme::setSurround(lightness);
        takeLooks();
    });
    connect(&m_document.looks(), &LooksInHand::stepsChanged, this, &MainWindow::retitle);
}

/// A look that came into the job, or a new role: nobody said yet where its roles lie.
void MainWindow::offerAreas()
{
    QStringList roles;
    const auto& areas = m_document.job().areas;
    for (const std::string& role : rolesInUse(m_document.looks().look()))
        if (std::none_of(areas.begin(), areas.end(), [&](const auto& a) { return a.first.second == role; }))
            roles << text(role);
    if (roles == m_unmarked)
        return;
    m_unmarked = roles;
    if (roles.isEmpty())
        return m_messages->ask({"areas", {}, {}});
    const auto open = framesToMark(m_document.job(), m_document.frames(), m_document.looks().look()).size();
    m_messages->ask(
        {"areas",
         tr("The look works on %1: no frame says yet where that lies (%2 frames).").arg(roles.join(tr(", "))).arg(open),
         {{tr("To the areas"),
           [this, role = roles.front()] {
               go(Place::Areas);
               m_areas->setRole(role.toStdString());
           }},
          {tr("Find them"), [this] {
               go(Place::Areas);
               m_areas->findAllRoles();
           }}}});
}

void MainWindow::connectAreas()
{
    connect(&m_document.looks(), &LooksInHand::stepsChanged, this, &MainWindow::offerAreas);
    connect(&m_document.looks(), &LooksInHand::revisionsChanged, this, &MainWindow::offerAreas);
    connect(&m_document, &Document::areasChanged, this, &MainWindow::offerAreas);
    connect(&m_document, &Document::opened, this, &MainWindow::offerAreas);
    connect(&m_document, &Document::leaving, this, [this] {
        m_unmarked.clear();
        m_messages->ask({"areas", {}, {}});
    });
}

void MainWindow::connectMessages()
{
    connectAreas();
    connect(&m_document, &Document::failed, this, &MainWindow::say);
    connect(&m_document, &Document::opened, this, [this] {
        if (!m_document.notice().isEmpty())
            say(m_document.notice());
    });
    connect(&m_document, &Document::notOpened, this, [this](const QString& why) {
        say(m_document.isOpen() ? tr("%1. What was open before is still open.").arg(why) : tr("%1.").arg(why));
    });
    connect(&m_document.opening(), &Task::broke, this, &MainWindow::say);
    m_messages->show(m_document.opening(), "openTask", tr("Opening…"));
    connect(&m_document.looks(), &LooksInHand::lookLocked, this, [this] {
        m_messages->ask({"look", m_document.looks().fault(),
                         m_document.looks().canTakeLastGood()
                             ? std::vector<LostFrames::Answer>{{tr("Take the version before"),
                                                                [this] { m_document.looks().takeLastGood(); }}}
                             : std::vector<LostFrames::Answer>{},
                         false});
    });
    connect(&m_document.looks(), &LooksInHand::revisionsChanged, this, [this] {
        if (m_document.looks().fault().isEmpty())
            m_messages->ask({"look", {}, {}});
    });
    connect(m_lost, &LostFrames::asked, m_messages, &MessageBars::ask);
    connect(m_lost, &LostFrames::said, this, &MainWindow::say);
    m_messages->show(m_lost->task(), "lostTask", tr("Looking for pictures that are not where they were…"));
    connect(m_lost, &LostFrames::folderWanted, this, [this] {
        const QString folder =
            QFileDialog::getExistingDirectory(this, tr("Where the pictures are"), m_document.folder());
        if (!folder.isEmpty())
            m_lost->searchIn(folder);
    });
    connect(&m_queue, &RenderQueue::broke, this, &MainWindow::say);
    for (Task* task : findChildren<Task*>())
        connect(task, &Task::broke, this, &MainWindow::say);
}

MainWindow::~MainWindow()
{
    qApp->removeEventFilter(this);
    m_balance->commitPending();
    m_keeper.flush();
    m_client.reset();
    delete m_places;  // the places read the document, which is a member and goes next
}

/// At the foot of the rail: what pictures are shown through, and the keys.
void MainWindow::addRailFoot(QBoxLayout& layout)
{
    const auto button = [&](const char* name) {
        auto* made = new QToolButton(this);
        made->setObjectName(name);
        made->setAutoRaise(true);
        layout.addWidget(made, 0, Qt::AlignHCenter);
        return made;
    };
    m_nextButton = button("nextButton");
    connect(m_nextButton, &QToolButton::clicked, this, &MainWindow::goToNextThing);
    layout.addSpacing(4);
    m_screenButton = button("screenButton");
    m_screenButton->setAccessibleName(tr("Screen"));
    connect(m_screenButton, &QToolButton::clicked, this, &MainWindow::showScreenSheet);
    QToolButton* settings = button("settingsButton");
    settings->setText(tr("Settings"));
    settings->setToolTip(withKeys(tr("What holds for every job"), "settings"));
    connect(settings, &QToolButton::clicked, this, &MainWindow::showSettings);
    QToolButton* help = button("guideButton");
    help->setText(tr("Guide F1"));
    help->setToolTip(tr("What one can do here, and all keys"));
    connect(help, &QToolButton::clicked, this, &MainWindow::showGuide);
}

QWidget* MainWindow::makeRail()
{
    auto* rail = new QWidget(this);
    rail->setObjectName("rail");
    auto* layout = new QVBoxLayout(rail);
    layout->setContentsMargins(0, 10, 0, 10);
    layout->setSpacing(2);
    const struct {
        const char *icon, *id;
        QString words;
    } places[] = {{"shoot", "shoot", tr("Shoot")},           {"balance", "balance", tr("Balance")},
                  {"areas", "areas", tr("Areas")},           {"look", "look", tr("Look")},
                  {"match", "match", tr("Match")},           {"proof", "proof", tr("Proof")},
                  {"handover", "handover", tr("Hand over")}, {"log", "log", tr("Log")},
                  {"practice", "practice", tr("Practice")}};
    for (int i = 0; i < static_cast<int>(std::size(places)); ++i) {
        auto* button = new QToolButton(rail);
        button->setObjectName("railButton");
        button->setProperty("place", places[i].id);
        button->setIcon(theme::icon(places[i].icon));
        button->setIconSize({24, 24});
        button->setText(places[i].words);
        button->setToolButtonStyle(Qt::ToolButtonTextUnderIcon);
        button->setCheckable(true);
        button->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
        button->setToolTip(withKeys(places[i].words, places[i].id));
        button->setAccessibleName(places[i].words);
        m_rail->addButton(button, i);
        layout->addWidget(button);
    }
    layout->addStretch(1);
    addRailFoot(*layout);
    connect(m_rail, &QButtonGroup::idClicked, this, [this](int id) { go(static_cast<Place>(id)); });
    constexpr int kUsual = 86, kEdges = 16;
    int widest = kUsual;
    for (const QAbstractButton* button : m_rail->buttons())
        widest = std::max(widest, QFontMetrics(theme::font(13, true)).horizontalAdvance(button->text()) + kEdges);
    rail->setFixedWidth(widest);
    return rail;
}

void MainWindow::addShortcut(const char* id, const std::function<void()>& act)
{
    auto* action = new QAction(this);
    action->setObjectName(QString("shortcut-") + id);
    const auto setKeys = [action, id] { action->setShortcut(keysOf(id)); };
    setKeys();
    connect(&OwnSettings::instance(), &OwnSettings::changed, action, setKeys);
    connect(action, &QAction::triggered, this, act);
    addAction(action);
}

void MainWindow::addShortcuts()
{
    addViewShortcuts();
    addPanelShortcuts();
    addPlaceShortcuts();
}

void MainWindow::addViewShortcuts()
{
    addShortcut("help", [this] { showGuide(); });
    addShortcut("isItSo", [this] {
        const Step* step = place() == Place::Look ? m_document.looks().step() : nullptr;
        m_look->showIsItSo(step ? typeOf(*step) : std::string());
    });
    addShortcut("split", [this] { place() == Place::Balance ? m_balance->toggleSplit() : m_look->toggleSplit(); });
    addShortcut("clipped", [this] {
        if (place() == Place::Balance)
            m_balance->toggleClipping();
        else
            m_look->wall().setClipping(!m_look->wall().isClipping());
    });
    addShortcut("screen", [this] { showScreenSheet(); });
    addShortcut("clientView", [this] { showClientView(!m_client); });
    addShortcut("withLook", [this] {
        if (place() == Place::Balance)
            m_balance->toggleLook();
    });
    addShortcut("pin", [this] { m_look->askPin(); });
    addShortcut("compare", [this] {
        go(Place::Look);
        m_look->toggleCompare();
    });
    addShortcut("tray", [this] {
        go(Place::Look);
        m_look->showView(m_look->view() == LookPlace::View::Tray ? LookPlace::View::Wall : LookPlace::View::Tray);
    });
    addShortcut("library", [this] {
        go(Place::Look);
        m_look->showView(m_look->view() == LookPlace::View::Library ? LookPlace::View::Wall : LookPlace::View::Library);
    });
    addShortcut("sweep", [this] {
        go(Place::Look);
        m_look->showView(m_look->view() == LookPlace::View::Sweep ? LookPlace::View::Wall : LookPlace::View::Sweep);
    });
    addShortcut("actual", [this] { m_look->toggleActualSize(); });
    addShortcut("quiet", [this] { setQuiet(!m_look->isQuiet()); });
}

void MainWindow::addPanelShortcuts()
{
    addShortcut("settings", [this] { showSettings(); });
    addShortcut("mark", [this] {
        go(Place::Look);
        m_look->toggleMarking();
    });
    addShortcut("remark", [this] {
        go(Place::Look);
        m_look->toggleRemarking();
    });
    addShortcut("palette", [this] {
        go(Place::Look);
        m_look->showPalette();
    });
    addShortcut("intent", [this] {
        go(Place::Look);
        m_look->showPanel(LookPlace::Panel::Intent);
    });
    addShortcut("findings", [this] {
        go(Place::Look);
        m_look->showPanel(LookPlace::Panel::Findings);
    });
    addShortcut("bench", [this] {
        go(Place::Look);
        m_look->showPanel(LookPlace::Panel::Bench);
    });
}

void MainWindow::addPlaceShortcuts()
{
    addShortcut("shoot", [this] { go(Place::Shoot); });
    addShortcut("balance", [this] { go(Place::Balance); });
    addShortcut("areas", [this] { go(Place::Areas); });
    addShortcut("look", [this] { go(Place::Look); });
    addShortcut("match", [this] { go(Place::Match); });
    addShortcut("proof", [this] { go(Place::Proof); });
    addShortcut("handover", [this] { go(Place::Handover); });
    addShortcut("log", [this] { go(Place::Log); });
    addShortcut("practice", [this] { go(Place::Practice); });
    addShortcut("nextThing", [this] { goToNextThing(); });
    addShortcut("open", [this] { m_shoot->askFolder(); });
    // A number held at its end is let go first: it must not become part of the look.
    addShortcut("undo", [this] {
        m_look->holdExtreme(0);
        m_document.undo();
    });
    addShortcut("redo", [this] {
        m_look->holdExtreme(0);
        m_document.redo();
    });
    addShortcut("next", [this] { step(1); });
    addShortcut("previous", [this] { step(-1); });
    addShortcut("add", [this] {
        go(Place::Look);
        m_look->stepLine().showAddMenu();
    });
    addShortcut("quit", [this] { close(); });
}

/// On the rail: what pictures are shown through, in two short lines.
void MainWindow::showScreenStatus()
{
    const QString status = m_screens.status();
    const bool isSimulating = m_screens.isSimulating();
    QString line = isSimulating ? (m_screens.options().proof ? tr("as a print") : tr("as a client")) : status;
    constexpr int kRoom = 74;
    line = QFontMetrics(theme::font(11, isSimulating)).elidedText(line, Qt::ElideRight, kRoom);
    m_screenButton->setText(tr("Screen") + QStringLiteral("\n") + line);
    m_screenButton->setToolTip(m_screens.longStatus() + (isSimulating ? QStringLiteral("\n") + status : QString()) +
                               QStringLiteral("\n") +
                               tr("Profile, a page to judge the screen by, proofs, client view (%1)")
                                   .arg(keysOf("screen").toString(QKeySequence::NativeText)));
    QFont font = m_screenButton->font();
    font.setBold(isSimulating);
    m_screenButton->setFont(font);
    for (QWidget* widget : findChildren<QWidget*>())
        widget->update();
}

void MainWindow::showScreenSheet()
{
    if (!m_sheet) {
        m_sheet = new ScreenSheet(
            m_screens, [this] { return m_keeper.minutesSinceRest(); }, this);
        connect(m_sheet, &ScreenSheet::clientWanted, this, &MainWindow::showClientView);
        m_sheet->setClientShown(m_client != nullptr);
    }
    m_sheet->show();
    m_sheet->raise();
    m_sheet->activateWindow();
}

void MainWindow::showClientView(bool on)
{
    if (on == (m_client != nullptr))
        return;
    if (on) {
        m_client = std::make_unique<ClientView>(m_document, m_proxies, m_screens);
        connect(
            m_client.get(), &ClientView::closed, this, [this] { showClientView(false); }, Qt::QueuedConnection);
        m_client->showBeside(*this);
    } else {
        m_client.reset();
    }
    if (m_sheet)
        m_sheet->setClientShown(on);
}

void MainWindow::setQuiet(bool on)
{
    if (on)
        go(Place::Look);
    m_railArea->setVisible(!on);
    m_look->setQuiet(on);
}

void MainWindow::chooseTheme(int theme)
{
    theme::choose(static_cast<theme::Theme>(theme));
    for (QAbstractButton* button : m_rail->buttons())
        button->setIcon(theme::icon(button->property("place").toString()));
}

void MainWindow::chooseTrialFrames()
{
    std::vector<FrameSketch> sketches;
    std::vector<FrameId> ids;
    std::size_t inHand = m_document.frames().size();
    for (const Frame& frame : m_document.frames())
        if (const FrameFacts* facts = m_shoot->model().factsOf(frame.id)) {
            if (frame.id == m_document.selection().frameInHand())
                inHand = ids.size();
            ids.push_back(frame.id);
            sketches.push_back(facts->sketch);
        }
    if (inHand >= ids.size()) {
        say(tr("The frame in hand is not read yet; try again in a moment."));
        return;
    }
    const QString kReasons[] = {tr("darkest"), tr("brightest"), tr("other light"), tr("other colours")};
    std::vector<std::int64_t> chosen;
    QStringList words;
    for (const TrialFrame& trial : trialFrames(sketches, inHand, Selection::kCompanionLimit)) {
        chosen.push_back(ids[trial.frame]);
        words << tr("%1 (%2)").arg(titleOf(*m_document.frame(ids[trial.frame])),
                                   kReasons[static_cast<int>(trial.reason)]);
    }
    m_document.selection().setCompanions(chosen);
    say(tr("Companions are now the frames that differ most: %1.").arg(words.join(QStringLiteral(", "))));
}

void MainWindow::step(int way)
{
    const auto& frames = m_document.frames();
    const auto found = std::find_if(frames.begin(), frames.end(),
                                    [&](const Frame& f) { return f.id == m_document.selection().frameInHand(); });
    const auto next = found - frames.begin() + way;
    if (found != frames.end() && next >= 0 && next < static_cast<std::ptrdiff_t>(frames.size()))
        m_document.selection().setFrameInHand(frames[static_cast<std::size_t>(next)].id);
}

void MainWindow::retitle()
{
    const QString job = m_document.title();
    setWindowTitle(m_document.isReadOnly()
                       ? tr("%1 · %2 · not kept · Jolly Amber").arg(text(m_document.looks().look().name), job)
                   : job.isEmpty() ? tr("Jolly Amber")
                                   : tr("%1 · %2 · Jolly Amber").arg(text(m_document.looks().look().name), job));
}

MainWindow::Place MainWindow::place() const { return static_cast<Place>(m_places->currentIndex()); }

void MainWindow::go(Place place)
{
    m_balance->commitPending();
    m_places->setCurrentIndex(static_cast<int>(place));
    m_rail->button(static_cast<int>(place))->setChecked(true);
}

void MainWindow::say(const QString& message) { m_messages->say(message); }

namespace {

/// What time spent in a place is counted for; -1: for nothing.
int stageOf(MainWindow::Place place)
{
    switch (place) {
    case MainWindow::Place::Balance:
        return static_cast<int>(Stage::Balance);
    case MainWindow::Place::Areas:
    case MainWindow::Place::Look:
    case MainWindow::Place::Match:
        return static_cast<int>(Stage::Look);
    case MainWindow::Place::Proof:
        return static_cast<int>(Stage::Proof);
    case MainWindow::Place::Shoot:
    case MainWindow::Place::Handover:
    case MainWindow::Place::Log:
    case MainWindow::Place::Practice:
        break;
    }
    return -1;
}

}  // namespace

bool MainWindow::eventFilter(QObject*, QEvent* event)
{
    switch (event->type()) {
    case QEvent::KeyPress:
    case QEvent::MouseButtonPress:
    case QEvent::MouseMove:
    case QEvent::Wheel:
        m_keeper.act(stageOf(place()));
        break;
    default:
        break;
    }
    if (event->type() != QEvent::KeyPress && event->type() != QEvent::KeyRelease)
        return false;
    const auto* key = static_cast<QKeyEvent*>(event);
    if (key->key() == Qt::Key_F5) {
        if (!key->isAutoRepeat())
            m_look->holdExtreme(event->type() == QEvent::KeyRelease    ? 0
                                : key->modifiers() & Qt::ShiftModifier ? -1
                                                                       : 1);
        return true;
    }
    if (key->key() == Qt::Key_Escape && event->type() == QEvent::KeyPress && m_look->isQuiet()) {
        setQuiet(false);
        return true;
    }
    return holdKey(*key);
}

/// Keys that show or move something as long as they are held.
bool MainWindow::holdKey(const QKeyEvent& key)
{
    const bool isDown = key.type() == QEvent::KeyPress, isBalance = place() == Place::Balance;
    if (key.key() == Qt::Key_F2 || key.key() == Qt::Key_F3) {
        using State = RenderRequest::State;
        const State state = key.key() == Qt::Key_F3               ? State::BeforeStep
                            : key.modifiers() & Qt::ShiftModifier ? State::Balanced
                                                                  : State::AsItCame;
        if (!key.isAutoRepeat()) {
            if (isBalance)
                m_balance->pictures().hold(isDown ? std::optional(state == State::BeforeStep ? State::Balanced : state)
                                                  : std::nullopt);
            m_match->holdBefore(isDown && place() == Place::Match ? std::optional(state) : std::nullopt);
            m_look->wall().hold(!isDown                    ? Wall::Hold::Nothing
                                : state == State::AsItCame ? Wall::Hold::AsItCame
                                : state == State::Balanced ? Wall::Hold::Balanced
                                                           : Wall::Hold::BeforeStep);
        }
        return true;
    }
    if (key.key() == Qt::Key_F12) {
        if (!key.isAutoRepeat())
            isBalance ? m_balance->pictures().setClipping(isDown) : m_look->wall().setClipping(isDown);
        return true;
    }
    return isBalance && holdLightKey(key);
}

/// E, W, T, D, L: what a drag on the picture moves. Not while words are typed.
bool MainWindow::holdLightKey(const QKeyEvent& key)
{
    static constexpr std::pair<int, LightPart> kKeys[] = {{Qt::Key_E, LightPart::Exposure},
                                                          {Qt::Key_W, LightPart::Kelvin},
                                                          {Qt::Key_T, LightPart::Tint},
                                                          {Qt::Key_D, LightPart::Black},
                                                          {Qt::Key_L, LightPart::White}};
    const QWidget* focus = QApplication::focusWidget();
    if (key.modifiers() != Qt::NoModifier || qobject_cast<const QAbstractSpinBox*>(focus) ||
        qobject_cast<const QLineEdit*>(focus) || QApplication::activePopupWidget())
        return false;
    for (const auto& [code, part] : kKeys)
        if (key.key() == code) {
            if (!key.isAutoRepeat())
                m_balance->pictures().holdPart(key.type() == QEvent::KeyPress ? std::optional(part) : std::nullopt);
            return true;
        }
    return false;
}

void MainWindow::changeEvent(QEvent* event)
{
    if (event->type() == QEvent::ActivationChange && !isActiveWindow()) {
        m_look->wall().hold(Wall::Hold::Nothing);
        m_balance->pictures().hold(std::nullopt), m_balance->pictures().holdPart(std::nullopt);
        m_match->holdBefore(std::nullopt);
        m_look->holdExtreme(0);
    }
    QWidget::changeEvent(event);
}

void MainWindow::closeEvent(QCloseEvent* event)
{
    m_look->holdExtreme(0);
    m_document.looks().commitPending();
    m_balance->commitPending();
    m_keeper.flush();
    if (m_handover->task().isRunning()) {
        QMessageBox question(
            QMessageBox::Question, tr("Files are being written"),
            tr("Stop handing over and quit? Files already written are whole; those not begun are left out."),
            QMessageBox::Yes | QMessageBox::No, this);
        question.setDefaultButton(QMessageBox::No);
        // Once all is written there is nothing to stop: the question answers itself.
        bool isOver = false;
        connect(&m_handover->task(), &ExportTask::finished, &question, [&] {
            isOver = true;
            question.reject();
        });
        if (question.exec() != QMessageBox::Yes && !isOver) {
            event->ignore();
            return;
        }
        m_handover->task().cancel();
    }
    showClientView(false);
    event->accept();
}

}  // namespace amber
