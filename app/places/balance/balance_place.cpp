#include "app/places/balance/balance_place.h"

#include "app/document/frame_model.h"
#include "app/instruments/instruments.h"
#include "app/places/balance/framing_bench.h"
#include "app/places/balance/lens_bench.h"
#include "app/places/balance/light_bench.h"
#include "app/shortcuts/shortcuts.h"
#include "app/theme/controls.h"
#include "app/theme/line_label.h"
#include "app/theme/panes.h"
#include "app/theme/theme.h"

#include <QtWidgets>
#include <set>

namespace amber {

BalancePlace::BalancePlace(Document& document, ProxyStore& proxies, FrameModel& frames, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_frames(frames),
      m_model(new BalanceModel(
          document, frames, [&frames](std::int64_t frame) { return frames.thumbnail(frame); }, this)),
      m_task(new Task(this)), m_table(new QTableView(this)), m_hand(new LightHand(document, frames, this)),
      m_pictures(new BalancePictures(document, proxies, *m_hand, this)),
      m_measures(new BaseMeasures(proxies.queue(), this)), m_instruments(new Instruments(document, this)),
      m_groups(new QComboBox(this)), m_state(new LineLabel(this))
{
    setObjectName("balancePlace");
    m_instruments->setObjectName("balanceInstruments");
    m_instruments->setWithLook(false);
    m_hand->setUnder([this](FrameId frame) { return under(frame); });
    makeTable();
    layOut();
    connect(m_table->selectionModel(), &QItemSelectionModel::currentRowChanged, this, [this](const QModelIndex& now) {
        commitPending();
        if (const std::int64_t frame = m_model->frameAt(now.row()))
            m_document.selection().setFrameInHand(frame);
    });
    connect(m_table->selectionModel(), &QItemSelectionModel::selectionChanged, this, [this] {
        commitPending();
        m_hand->setChosen(chosenFrames());
        refreshBenches();
    });
    connect(m_table, &QTableView::activated, this, &BalancePlace::workRequested);
    connect(m_model, &BalanceModel::ticksChanged, this, &BalancePlace::refresh);
    connect(m_task, &Task::ended, this, &BalancePlace::refresh);
    connect(m_task, &Task::began, this, &BalancePlace::refresh);
    connectDocument(), connectHand(), connectLight(), connectLens(), connectFraming(), connectMeasures();
    refresh();
}

void BalancePlace::makeTable()
{
    m_table->setObjectName("balanceTable");
    m_table->setAccessibleName(tr("Frames and their balances"));
    m_table->setModel(m_model);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setSelectionMode(QAbstractItemView::ExtendedSelection);
    m_table->setShowGrid(false);
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setDefaultSectionSize(34);
    m_table->setIconSize({45, 30});
    m_table->horizontalHeader()->setHighlightSections(false);
    m_table->horizontalHeader()->setSectionResizeMode(BalanceModel::NoteColumn, QHeaderView::Stretch);
    constexpr int kWidths[] = {214, 58, 70, 52, 262, 54, 64};
    for (int i = 0; i < BalanceModel::NoteColumn; ++i)
        m_table->setColumnWidth(i, kWidths[i]);
}

void BalancePlace::makeButtons()
{
    const auto tool = [&](const char* name, const QString& words, const QString& tip, auto&& act) {
        auto* b = new QToolButton(this);
        b->setObjectName(name);
        b->setText(words);
        b->setToolTip(tip);
        connect(b, &QToolButton::clicked, this, act);
        return b;
    };
    m_undo = tool("balanceUndo", tr("Undo"), {}, [this] { undo(); });
    m_redo = tool("balanceRedo", tr("Redo"), {}, [this] { redo(); });
    m_look = tool("balanceWithLook", tr("With the look"), withKeys(tr("Shows the look over the balance"), "withLook"),
                  [this] { toggleLook(); });
    m_split = tool("balanceSplit", tr("Split"),
                   withKeys(tr("A line on the picture: as it came on its left, balanced on its right"), "split"),
                   [this] { toggleSplit(); });
    m_clips =
        tool("balanceClipped", tr("Clipped"), withKeys(tr("Marks pixels at the ends; F12 while it is held"), "clipped"),
             [this] { toggleClipping(); });
    for (QToolButton* b : {m_look, m_split, m_clips})
        b->setCheckable(true);
    m_solve =
        makeButton(this, "balanceSolve", tr("Solve"),
                   tr("Finds exposure and white of the frames shown against the lead of each light; nothing changes "
                      "before you take it"),
                   [this] { solve(); });
    m_take = makeButton(this, "balanceTake", tr("Take"), tr("Takes what is proposed for the ticked frames"),
                        [this] { take(); });
}

QLayout* BalancePlace::makeHeader()
{
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 6, 14, 6);
    row->setSpacing(8);
    m_groups->setObjectName("balanceGroup");
    m_groups->setAccessibleName(tr("Light group"));
    m_groups->setMinimumWidth(160);
    connect(m_groups, &QComboBox::activated, this, [this](int i) {
        commitPending();
        m_model->setGroup(i - 1);
        refresh();
    });
    m_state->setObjectName("balanceState");
    m_state->setProperty("quiet", true);
    m_state->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    makeButtons();
    row->addWidget(m_groups);
    row->addWidget(m_state, 1);
    row->addWidget(makeTaskBar(*m_task, "balanceTask", this));
    for (QToolButton* b : {m_look, m_split, m_clips})
        row->addWidget(b);
    row->addSpacing(10);
    row->addWidget(m_undo);
    row->addWidget(m_redo);
    row->addSpacing(10);
    row->addWidget(m_solve);
    row->addWidget(m_take);
    return row;
}

/// Three benches behind one another, chosen by the words at the left edge.
QWidget* BalancePlace::makeBenches()
{
    auto* bench = new QWidget(this);
    bench->setObjectName("balanceBench");
    bench->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    constexpr int kLeast = 880;  // what its parts ask for before they are shown first is more than they need
    bench->setMinimumWidth(kLeast);
    auto* row = new QHBoxLayout(bench);
    row->setContentsMargins(14, 6, 14, 6);
    row->setSpacing(16);
    auto* words = new QVBoxLayout;
    words->setSpacing(4);
    m_tabs = new QButtonGroup(this);
    m_benches = new QStackedWidget(bench);
    m_light = new LightBench(bench), m_lens = new LensBench(bench), m_framing = new FramingBench(bench);
    const std::tuple<const char*, QString, QWidget*> kinds[] = {{"benchLight", tr("Light"), m_light},
                                                                {"benchLens", tr("Lens"), m_lens},
                                                                {"benchFraming", tr("Framing"), m_framing}};
    int i = 0;
    for (const auto& [name, title, widget] : kinds) {
        auto* b = new QToolButton(bench);
        b->setObjectName(name);
        b->setText(title);
        b->setCheckable(true);
        b->setChecked(i == 0);
        b->setMinimumWidth(68);
        b->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
        m_tabs->addButton(b, i++);
        words->addWidget(b);
        m_benches->addWidget(widget);
    }
    words->addStretch(1);
    connect(m_tabs, &QButtonGroup::idClicked, this, [this](int id) { showBench(static_cast<Bench>(id)); });
    row->addLayout(words);
    row->addWidget(m_benches, 1);
    return bench;
}

void BalancePlace::layOut()
{
    auto* left = new QVBoxLayout;
    left->setSpacing(0);
    left->addWidget(m_pictures, 1);
    left->addWidget(makeBenches());
    auto* middle = new Panes("balancePanes", Qt::Horizontal, this);
    middle->add(left, {});
    middle->add(m_instruments, Instruments::kPane);
    constexpr int kRow = 34, kHead = 30, kRows = 3, kMostRows = 12;
    auto* panes = new Panes("balanceTablePanes", Qt::Vertical, this);
    panes->add(middle, {});
    panes->add(m_table, {kRow * kRows + kHead, kRow + kHead, kRow * kMostRows + kHead});
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(makeHeader());
    layout->addWidget(panes, 1);
}

void BalancePlace::showBench(Bench bench)
{
    m_benches->setCurrentIndex(static_cast<int>(bench));
    m_tabs->button(static_cast<int>(bench))->setChecked(true);
    // What is done on the picture belongs to its bench.
    m_pictures->setDoing(BalancePictures::Doing::Nothing);
}

void BalancePlace::showEvent(QShowEvent*) { refresh(); }

FrameBalance BalancePlace::under(FrameId id) const
{
    const auto* waiting = m_model->proposal(id);
    FrameBalance balance = waiting ? waiting->balance : m_document.balances().of(id);
    if (!balance.response.empty())
        return balance;
    const Frame* frame = m_document.frame(id);
    const auto proxy = frame ? m_proxies.untouched(id, frame->path) : nullptr;
    const FrameFacts* facts = m_frames.factsOf(id);
    balance.response = m_document.job().responseNameOf(balance, proxy && proxy->info.isRaw(),
                                                       facts ? facts->capture.camera : std::string());
    return balance;
}

std::vector<FrameId> BalancePlace::chosenFrames() const
{
    std::vector<FrameId> frames;
    for (const QModelIndex& row : m_table->selectionModel()->selectedRows())
        if (const FrameId id = m_model->frameAt(row.row()))
            frames.push_back(id);
    return frames;
}

std::vector<FrameId> BalancePlace::framesOfLight() const
{
    const int light = m_document.job().lightOf(inHand());
    return light < 0 ? std::vector<FrameId>{inHand()} : m_document.job().lights[static_cast<std::size_t>(light)].frames;
}

std::vector<FrameId> BalancePlace::allFrames() const
{
    std::vector<FrameId> all;
    for (const Frame& f : m_document.frames())
        all.push_back(f.id);
    return all;
}

void BalancePlace::refreshGroups()
{
    const int now = m_model->group() + 1;
    m_groups->clear();
    m_groups->addItem(tr("All lights (%1)").arg(m_document.frames().size()));
    for (const Light& group : m_document.job().lights)
        m_groups->addItem(tr("%1 (%2)").arg(text(group.name)).arg(group.frames.size()));
    m_groups->setCurrentIndex(std::min(now, m_groups->count() - 1));
}

void BalancePlace::chooseRow()
{
    const int row = m_model->rowOf(inHand());
    if (row < 0 || m_table->currentIndex().row() == row)
        return;
    const QSignalBlocker quiet(m_table->selectionModel());
    // Not by selectRow(), which adds to what is chosen while a key is held.
    m_table->selectionModel()->setCurrentIndex(m_model->index(row, 0),
                                               QItemSelectionModel::ClearAndSelect | QItemSelectionModel::Rows);
    m_table->scrollTo(m_model->index(row, 0));
    m_table->viewport()->update();
    m_hand->setChosen(chosenFrames());
}

namespace {

/// By which roles frames are balanced, or without which.
QString countedWords(const Job& job)
{
    std::set<std::string> on, without;
    for (const auto& [id, area] : job.areas)
        if (area.inBalance != Area::InBalance::Counts && area.state != Area::State::NotHere)
            (area.inBalance == Area::InBalance::AloneCounts ? on : without).insert(id.second);
    QString words;
    for (const std::string& role : on)
        words += BalancePlace::tr(" On %1.").arg(text(role));
    for (const std::string& role : without)
        words += BalancePlace::tr(" Without %1.").arg(text(role));
    return words;
}

}  // namespace

void BalancePlace::refresh()
{
    const QString undo = m_document.isOpen() ? m_document.undoAction() : QString(),
                  redo = m_document.isOpen() ? m_document.redoAction() : QString();
    m_undo->setEnabled(!undo.isEmpty());
    m_undo->setToolTip(undo.isEmpty() ? tr("Nothing to undo") : withKeys(tr("Undo: %1"), "undo").arg(undo));
    m_redo->setEnabled(!redo.isEmpty());
    m_redo->setToolTip(redo.isEmpty() ? tr("Nothing to redo") : withKeys(tr("Redo: %1"), "redo").arg(redo));
    const Frame* frame = m_document.frame(inHand());
    m_benches->setEnabled(frame && !frame->isLost);
    const int ticked = static_cast<int>(m_model->ticked().size());
    m_solve->setEnabled(!m_task->isRunning() && !m_document.job().lights.empty());
    m_take->setEnabled(!m_task->isRunning() && ticked > 0);
    m_take->setText(ticked > 0 ? tr("Take %1").arg(ticked) : tr("Take"));
    int troubled = 0, waiting = 0;
    for (int row = 0; row < m_model->rowCount(); ++row)
        if (const auto* p = m_model->proposal(m_model->frameAt(row)))
            ++waiting, troubled += p->solved.trouble != Trouble::None || !p->fault.empty();
    m_state->setText(
        (m_document.job().lights.empty() ? tr("Lights are told apart once all frames are read.")
         : waiting == 0 ? tr("Nothing proposed. Solve looks at the frames and proposes; you take what you like.")
         : troubled == 0
             ? tr("%1 proposed").arg(waiting)
             : tr("%1 proposed, %2 cannot be brought onto the others: see their notes").arg(waiting).arg(troubled)) +
        countedWords(m_document.job()));
    m_groups->setCurrentIndex(std::min(m_model->group() + 1, m_groups->count() - 1));
    chooseRow();
    m_pictures->refresh(!frame                                                ? QString()
                        : m_model->proposal(frame->id)                        ? tr("proposed")
                        : m_document.balances().of(frame->id).changesPixels() ? tr("balanced")
                                                                              : tr("not balanced"));
    refreshBenches();
}

void BalancePlace::solve()
{
    if (m_task->isRunning() || m_document.job().lights.empty())
        return;
    commitPending();
    std::vector<FrameId> wanted;
    for (int row = 0; row < m_model->rowCount(); ++row)
        wanted.push_back(m_model->frameAt(row));
    const auto asked = framesToBalance(m_document.job(), m_document.frames(), wanted, m_frames.brackets());
    auto result = std::make_shared<std::optional<ShootBalance>>();
    m_task->start(
        [asked, result, folders = m_document.cardFolders()](const Task::Progress& progress, const CancelToken& cancel) {
            *result = balanceShoot(asked.frames, progress, cancel, cardsIn(folders));
        },
        [this, asked, result](bool cancelled) {
            if (!cancelled && *result)
                showProposals(asked, **result);
            else
                m_state->setText(tr("Stopped. Nothing was changed."));
        });
}

void BalancePlace::showProposals(const FramesToBalance& asked, const ShootBalance& solved)
{
    m_document.adopt(withResponses(m_document.job(), solved));
    m_document.setCards(cardsOf(asked, solved));
    std::map<FrameId, BalanceModel::Proposal> proposals;
    for (BalanceProposal& p : proposalsOf(m_document.job(), m_document.frames(), asked, solved)) {
        const bool isTicked = p.isSound();
        proposals[p.frame] = {std::move(p), isTicked};
    }
    m_model->setProposals(proposals);
    refresh();
}

void BalancePlace::take()
{
    const auto ticked = m_model->ticked();
    if (ticked.empty())
        return;
    std::vector<std::int64_t> frames;
    for (const auto& [frame, balance] : ticked)
        frames.push_back(frame);
    m_model->settle(frames);
    m_document.balances().set(ticked, frames.size() == 1 ? tr("Balance of 1 frame")
                                                         : tr("Balance of %1 frames").arg(frames.size()));
    refresh();
}

void BalancePlace::undo()
{
    commitPending();
    m_document.undo();
}

void BalancePlace::redo()
{
    commitPending();
    m_document.redo();
}

}  // namespace amber
