#include "app/places/match/match_place.h"

#include "app/places/match/fit_coverage.h"
#include "app/places/match/fit_report.h"
#include "app/places/match/match_panel.h"
#include "app/places/match/match_pictures.h"
#include "app/places/match/match_sources.h"
#include "app/theme/line_label.h"
#include "app/theme/panes.h"
#include "app/wall/picture_view.h"
#include "core/engine/render_plan.h"
#include "core/match/carry.h"
#include "core/match/certainty.h"
#include "core/match/same_scene.h"

#include <QtWidgets>

namespace amber {
namespace {

constexpr int kPanelWidth = 304, kWidestPanel = 480, kRow = 23, kHead = 30;
constexpr int kLadderHeight = 14 * kRow + kHead, kLeastLadder = 5 * kRow + kHead;

}  // namespace
void MatchPlace::makeTable()
{
    m_table->setObjectName("ladder");
    m_table->setAccessibleName(tr("Ladder: what lies between the reference and ours"));
    m_table->setModel(m_model);
    m_table->setItemDelegateForColumn(LadderModel::Difference, new DifferenceDelegate(*m_model, m_table));
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setSelectionMode(QAbstractItemView::SingleSelection);
    m_table->setShowGrid(false);
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setDefaultSectionSize(23);
    m_table->verticalHeader()->setMinimumSectionSize(20);
    m_table->horizontalHeader()->setHighlightSections(false);
    m_table->horizontalHeader()->setSectionResizeMode(LadderModel::Difference, QHeaderView::Stretch);
    m_table->setIconSize({34, 14});
    constexpr int kWidths[] = {130, 140, 140, 0, 184, 54};
    for (int i = 0; i < LadderModel::ColumnCount; ++i)
        if (i != LadderModel::Difference)
            m_table->setColumnWidth(i, kWidths[i]);
    m_table->installEventFilter(this);
}

MatchPlace::MatchPlace(Document& document, ProxyStore& proxies, FrameModel& frames, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_model(new LadderModel(this)), m_task(new Task(this)),
      m_related(new Related(document, proxies, frames, this)), m_later(new QTimer(this)),
      m_pictures(new MatchPictures(proxies.queue(), this)), m_panel(new MatchPanel(this)),
      m_table(new QTableView(this)), m_report(new FitReport(this)),
      m_coverage(new FitCoverage(document, frames, proxies.queue(), this)), m_lower(new QStackedWidget(this)),
      m_ladderSlot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this))
{
    setObjectName("matchPlace");
    makeTable();
    m_lower->addWidget(m_table);
    auto* fitted = new QWidget(this);
    auto* column = new QVBoxLayout(fitted);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(m_report, 1);
    column->addWidget(m_coverage);
    m_lower->addWidget(fitted);

    auto* lower = new Panes("matchPanelPanes", Qt::Horizontal, this);
    lower->add(m_lower, {});
    lower->add(m_panel, {kPanelWidth, kPanelWidth, kWidestPanel});
    auto* panes = new Panes("matchPanes", Qt::Vertical, this);
    panes->add(m_pictures, {});
    panes->add(lower, {kLadderHeight, kLeastLadder, kLadderHeight});
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(makeHeader());
    layout->addWidget(panes, 1);

    m_later->setSingleShot(true);
    m_later->setInterval(40);
    connectParts();
}

void MatchPlace::connectDocument()
{
    connect(&m_document, &Document::leaving, this, [this] {
        m_task->cancel(), m_related->forget();
        m_held = {};
        m_model->show({}, {});
    });
    connect(&m_document, &Document::opened, this, [this] {
        m_isRestored = false;
        if (isVisible())
            restore();
        refresh();
    });
    connect(&m_document.selection(), &Selection::frameChosen, this, &MatchPlace::relate);
    const auto later = [this] {
        if (isVisible())
            m_later->start();
    };
    connect(&m_document.looks(), &LooksInHand::lookChanged, this, later);
    connect(&m_document.looks(), &LooksInHand::stepsChanged, this, later);
    connect(&m_document, &Document::areasChanged, m_related, &Related::renewMasks);
    connect(&m_document.balances(), &Balances::changed, m_related, &Related::outdate);
    connect(&m_document, &Document::balancesChanged, this, &MatchPlace::relate);
    const auto keysMoved = [this] {
        if (m_held.kind == Held::Kind::Frame)
            m_related->forgetRelation();
        relate();
    };
    connect(&m_document, &Document::keyColoursChanged, this, keysMoved);
    connect(&m_document, &Document::keyPlacesChanged, this, keysMoved);
    connect(&m_proxies, &ProxyStore::proxyReady, this, [this](std::int64_t frame) {
        if (frame == m_document.selection().frameInHand())
            relate();
    });
}

void MatchPlace::connectParts()
{
    connect(m_later, &QTimer::timeout, this, [this] { refreshLadder(), showPictures(); });
    connect(m_table->selectionModel(), &QItemSelectionModel::currentRowChanged, this, [this] { refresh(); });
    connect(m_table, &QTableView::doubleClicked, this, &MatchPlace::takeThis);
    connect(m_panel, &MatchPanel::takeThis, this, &MatchPlace::takeThis);
    connect(m_panel, &MatchPanel::takeToHere, this, &MatchPlace::takeToHere);
    connect(m_panel, &MatchPanel::takeAll, this, &MatchPlace::takeAll);
    connect(m_panel, &MatchPanel::takeLight, this, &MatchPlace::takeBalance);
    connect(m_panel, &MatchPanel::takeFit, this, &MatchPlace::takeFit);
    connect(m_panel, &MatchPanel::lightsWanted, this, &MatchPlace::carryToLights);
    connect(m_panel, &MatchPanel::nearestWanted, this, &MatchPlace::showNearest);
    connect(m_panel, &MatchPanel::pairWanted, this, [this] {
        if (const QStringList both = m_sources->askPair(); !both.isEmpty())
            holdPairs(m_held.paths + both);
    });
    connect(m_panel, &MatchPanel::tableWanted, this, [this](bool on) {
        Held wanted;
        wanted.kind = m_held.kind, wanted.paths = m_held.paths, wanted.withTable = on;
        hold(wanted, true);
    });
    connectDocument();
    connect(m_pictures, &MatchPictures::resized, this, [this] { m_later->start(); });
    connect(m_related, &Related::changed, this, [this] { refreshLadder(), showPictures(); });
    connect(m_related, &Related::settled, this, &MatchPlace::relate, Qt::QueuedConnection);
    for (Task* task : {m_task, &m_related->task()})
        for (const auto changed : {&Task::began, &Task::ended})
            connect(task, changed, this, &MatchPlace::refresh);
    refresh();
}

QWidget* MatchPlace::makeHeader()
{
    auto* header = new QWidget(this);
    auto* row = new QHBoxLayout(header);
    row->setContentsMargins(14, 6, 14, 6);
    row->setSpacing(8);
    auto* to = new QLabel(tr("Match to"), header);
    to->setProperty("quiet", true);
    row->addWidget(to);
    m_sources = new MatchSources([this] { return m_document.folder(); }, header);
    connect(m_sources, &MatchSources::pictures, this, &MatchPlace::holdPictures);
    connect(m_sources, &MatchSources::frame, this, &MatchPlace::holdFrame);
    connect(m_sources, &MatchSources::pair, this, &MatchPlace::holdPairs);
    connect(m_sources, &MatchSources::table, this, &MatchPlace::holdTable);
    row->addWidget(m_sources);
    m_state = new LineLabel(header);
    m_state->setObjectName("matchState");
    m_state->setProperty("quiet", true);
    m_state->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    row->addWidget(m_state, 1);
    row->addWidget(makeTaskBar(*m_task, "matchTask", header));
    m_map = new QComboBox(header);
    m_map->setObjectName("matchMap");
    m_map->setAccessibleName(tr("On the right: the picture or a map of the difference"));
    m_map->addItems({tr("Pictures"), tr("Map: lightness"), tr("Map: chroma"), tr("Map: hue")});
    connect(m_map, &QComboBox::activated, this, &MatchPlace::showPictures);
    m_wipe = new QCheckBox(tr("Wipe"), header);
    m_wipe->setObjectName("matchWipe");
    m_wipe->setToolTip(tr("Lays ours over the reference, with a line to move between them"));
    connect(m_wipe, &QCheckBox::clicked, this, &MatchPlace::showPictures);
    row->addWidget(m_map);
    row->addWidget(m_wipe);
    return header;
}

bool MatchPlace::eventFilter(QObject* watched, QEvent* event)
{
    if (watched == m_table && event->type() == QEvent::KeyPress) {
        const auto* key = static_cast<QKeyEvent*>(event);
        if (key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter) {
            key->modifiers() & Qt::ControlModifier ? takeAll()
            : key->modifiers() & Qt::ShiftModifier ? takeToHere()
                                                   : takeThis();
            return true;
        }
    }
    return QWidget::eventFilter(watched, event);
}

void MatchPlace::showEvent(QShowEvent*)
{
    restore();
    relate();
    m_later->start();
}

void MatchPlace::holdPictures(const QStringList& paths)
{
    Held wanted;
    wanted.kind = Held::Kind::Pictures, wanted.paths = paths;
    hold(wanted, true);
}

void MatchPlace::holdPairs(const QStringList& paths)
{
    Held wanted;
    wanted.kind = Held::Kind::Pair, wanted.paths = paths;
    wanted.withTable = m_held.kind == Held::Kind::Pair && m_held.withTable;
    hold(wanted, true);
}

void MatchPlace::holdTable(const QString& path)
{
    Held wanted;
    wanted.kind = Held::Kind::Table, wanted.paths = {path};
    hold(wanted, true);
}

void MatchPlace::holdFrame()
{
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    const auto proxy = frame ? m_proxies.proxy(frame->id, frame->path) : nullptr;
    if (!proxy) {
        emit m_document.failed(tr("The frame in hand is not read yet; try again in a moment."));
        return;
    }
    const auto plan = RenderPlan::compile(m_document.looks().lookOf(frame->id));
    auto held = std::make_shared<Held>();
    m_task->start(
        [held, id = frame->id, name = titleOf(*frame), proxy, plan,
         areas = m_document.areasOf(frame->id, proxy->sourceRatio)](const Task::Progress&, const CancelToken&) {
            Image finished = proxy->image;
            if (plan)
                amber::render(*plan, proxy->image.view(), finished.mutableView(), {},
                              {RenderOptions::Stage::All, 0, 0, 0, masksOf(areas, *plan, proxy->image.view())});
            *held = heldFrame(id, name, std::move(finished));
        },
        [this, held](bool cancelled) {
            if (!cancelled)
                took(std::move(*held), true);
        });
}

void MatchPlace::hold(const Held& wanted, bool isNew)
{
    if (!m_document.isOpen() || m_task->isRunning())
        return;
    auto held = std::make_shared<std::optional<Result<Held>>>();
    m_task->start([wanted, held](const Task::Progress& progress,
                                 const CancelToken& cancel) { *held = readHeld(wanted, progress, cancel); },
                  [this, held, isNew](bool cancelled) {
                      if (cancelled || !*held)
                          m_panel->setWithTable(m_held.withTable);
                      else if (**held)
                          took(std::move(***held), isNew);
                      else if (isNew)
                          emit m_document.failed(
                              tr("%1. What was held before is still held.").arg(text((*held)->error().message())));
                  });
}

void MatchPlace::took(Held held, bool isNew)
{
    m_held = std::move(held);
    m_coverage->show(m_held.kind == Held::Kind::Pair ? std::make_shared<const PairFit>(m_held.fit) : nullptr);
    m_related->forgetRelation();
    m_panel->setWithTable(m_held.withTable);
    m_map->setCurrentIndex(0), m_wipe->setChecked(false);
    if (isNew) {
        HeldReference kept{m_held.kind, {}, m_held.frame, m_held.withTable};
        for (const QString& path : m_held.paths)
            kept.paths.push_back(m_document.keptPlace(path));
        m_document.changeDesk([&](Desk& desk) { desk.held = kept; });
    }
    if (isNew || !m_table->currentIndex().isValid())
        m_table->selectRow(firstToTake());
    relate();
    refreshLadder();
    showPictures();
}

void MatchPlace::restore()
{
    if (m_isRestored || !m_document.isOpen() || m_held.kind != Held::Kind::Nothing)
        return;
    m_isRestored = true;
    const HeldReference& kept = m_document.desk().held;
    Held wanted;
    wanted.kind = kept.kind, wanted.frame = kept.frame, wanted.withTable = kept.withTable;
    for (const std::string& path : kept.paths)
        wanted.paths << m_document.placeOf(path);
    // A frame is held as it stood; as that is not kept, it is held anew by hand.
    if (wanted.kind != Held::Kind::Nothing && wanted.kind != Held::Kind::Frame)
        hold(wanted, false);
}

QString MatchPlace::group() const
{
    if (m_held.kind != Held::Kind::Nothing)
        return m_held.kind == Held::Kind::Frame ? tr("to %1").arg(m_held.name()) : m_held.name();
    for (const Step& step : m_document.looks().look().steps)
        if (!step.group.empty())
            return text(step.group);
    return {};
}

Look MatchPlace::oursLook() const { return m_document.looks().lookOf(m_document.selection().frameInHand()); }

void MatchPlace::relate()
{
    if (!isVisible() || !m_document.isOpen() || m_related->isRunning())
        return;
    switch (m_related->follow(m_held)) {
    case Related::Followed::Waiting:
        refresh(), showPictures();
        break;
    case Related::Followed::Known:
        refresh();
        break;
    case Related::Followed::Begun:
        m_membersOf = {}, m_members = {};
        refreshLadder(), showPictures();
    }
}

PictureView& MatchPlace::ours() { return m_pictures->ours(); }

bool MatchPlace::isAtRest() const
{
    return !m_task->isRunning() && !m_related->isRunning() && !m_later->isActive() && m_related->isReady() &&
           !m_related->isRenewing() && !m_ladderSlot->isBusy() && m_pictures->isAtRest() &&
           m_coverage->model().isAtRest();
}

/// The reference's numbers where ours has its things, when both show the same.
std::function<Fingerprint(const Membership&)> MatchPlace::atOurPlaces() const
{
    if (!isRegistered() || !m_held.picture || !m_related->picture() || m_related->small().small.empty())
        return {};
    return [print = m_held.print, reference = m_held.picture, ours = m_related->picture(),
            small = m_related->small().small.front(), lies = *m_related->registration()](const Membership& members) {
        return printAtOurPlaces(print, {ours->image.view(), reference->view(), lies}, small, members);
    };
}

std::shared_ptr<const Image> MatchPlace::large() const
{
    const auto proxy = m_related->picture();
    return proxy ? std::shared_ptr<const Image>(proxy, &proxy->image) : nullptr;
}

void MatchPlace::refreshLadder()
{
    const auto& kept = m_document.isOpen() ? m_document.looks().look().reference : std::nullopt;
    const bool hasPrint = m_held.kind == Held::Kind::Pictures || m_held.kind == Held::Kind::Frame ||
                          (m_held.kind == Held::Kind::Nothing && kept);
    if (!isVisible() || !m_related->isReady() || !hasPrint) {
        m_ladderSlot->drop();
        if (!hasPrint)
            m_model->show({}, {});
        refresh();
        return;
    }
    LaddersAsked work{oursLook(),
                      m_related->small(),
                      group().toStdString(),
                      m_held.kind == Held::Kind::Nothing ? *kept : m_held.print,
                      large(),
                      m_members,
                      m_membersOf,
                      isRegistered(),
                      atOurPlaces()};
    m_ladderSlot->run([work = std::move(work)](const CancelToken&) { return laddersOf(work); },
                      [this](const Ladders& ladders) {
                          m_members = ladders.members, m_membersOf = ladders.membersOf;
                          const bool isFirst = m_model->rowCount() == 0;
                          m_model->show(ladders.now, ladders.start);
                          if (isFirst || !m_table->currentIndex().isValid())
                              m_table->selectRow(firstToTake());
                          refresh();
                      });
    refresh();
}

/// Framing and light by place come first to be seen, not to be taken by a key that was pressed too soon.
int MatchPlace::firstToTake() const
{
    for (int i = 0; i < m_model->rowCount(); ++i)
        if (m_model->row(i)->kind() == RungKind::Light)
            return i;
    return 0;
}

std::set<std::size_t> MatchPlace::rowsDownTo(int last, Which which) const
{
    std::set<std::size_t> rows;
    for (int i = 0; i <= std::min(last, m_model->rowCount() - 1); ++i)
        if (which == Which::Sure ? m_model->isYetToBeTaken(i) : m_model->isTakenOnTheWay(i))
            rows.insert(static_cast<std::size_t>(i));
    return rows;
}

void MatchPlace::showReference()
{
    const auto& kept = m_document.isOpen() ? m_document.looks().look().reference : std::nullopt;
    const Fingerprint* print = m_held.kind != Held::Kind::Nothing ? &m_held.print : kept ? &*kept : nullptr;
    if (!print) {
        m_panel->showNothing();
        m_state->clear();
        return;
    }
    m_panel->showLadder(*print, m_model->ladder(), m_model->start(),
                        !rowsDownTo(m_model->rowCount(), Which::Sure).empty());
    const bool isOwn = m_held.kind == Held::Kind::Frame && m_held.frame == m_document.selection().frameInHand();
    m_state->setText(isOwn ? tr("This is the reference itself: take another frame in hand (Alt+arrows).")
                     : m_related->isRunning() ? tr("Looking for the same things in both…")
                     : isRegistered()         ? tr("Both show the same thing: Take all goes by its colours.")
                                              : QString());
}

void MatchPlace::refresh()
{
    const bool isFit = m_held.isFit(), idle = !m_task->isRunning();
    m_lower->setCurrentIndex(isFit ? 1 : 0);
    const int at = m_table->currentIndex().row();
    const LadderRow* row = m_model->row(at);
    m_panel->setTakeable(idle && row && row->isSupported(), idle && row && !rowsDownTo(at, Which::Supported).empty(),
                         idle && (isRegistered() || !rowsDownTo(m_model->rowCount(), Which::Sure).empty()),
                         idle && isFit);
    const bool hasLadder = m_document.isOpen() && m_model->rowCount() > 0 && m_held.kind != Held::Kind::Frame;
    m_panel->setFurther(idle && hasLadder && m_document.job().lights.size() > 1 &&
                            !rowsTaken(oursLook(), group().toStdString(), m_model->ladder(), m_model->start()).empty(),
                        idle && m_document.isOpen() && m_model->rowCount() > 0);
    m_sources->setEnabled(m_document.isOpen() && idle);
    const bool lies = isFit || isRegistered();
    m_map->setEnabled(lies), m_wipe->setEnabled(lies);
    m_map->setToolTip(lies ? tr("What differs, as a grey picture") : tr("Only when both pictures show the same thing"));
    if (m_related->solved())
        m_panel->showLight(*m_related->solved(), m_document.balances().of(m_document.selection().frameInHand()).light,
                           solvedLight());
    else
        m_panel->hideLight();
    if (isFit) {
        m_report->show(m_held.fit.fit, m_held.fit.byPlace);
        m_coverage->setVisible(m_held.kind == Held::Kind::Pair);
        m_panel->showFit(m_held,
                         m_held.kind == Held::Kind::Pair && m_related->isReady()
                             ? std::optional(amber::coverage(m_held.fit.seen, m_related->small().small.front().view()))
                             : std::nullopt);
        m_state->setText(idle ? tr("Fitted. Nothing changes before you take it.") : tr("Working…"));
        return;
    }
    showReference();
}

}  // namespace amber
