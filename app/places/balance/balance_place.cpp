#include "app/places/balance/balance_place.h"

#include "app/document/frame_model.h"
#include "app/places/balance/balance_bench.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "app/wall/picture_view.h"
#include "core/frame/upright.h"
#include "core/image/resize.h"

#include <QtWidgets>

namespace amber {
namespace {

/// The pictures' ground: the wall, with room for one large and two small pictures.
class Ground3 : public QWidget {
public:
    Ground3(PictureView* large, PictureView* upper, PictureView* lower, QWidget* parent)
        : QWidget(parent), m_large(large), m_upper(upper), m_lower(lower)
    {
        setObjectName("balancePictures");
        for (PictureView* view : {large, upper, lower})
            view->setParent(this);
    }

protected:
    void paintEvent(QPaintEvent*) override { QPainter(this).fillRect(rect(), theme::kWall); }
    void resizeEvent(QResizeEvent*) override
    {
        const QRect area = rect().adjusted(14, 6, -14, -10);
        const int small = (area.height() - 8) / 2, side = static_cast<int>((small - 22) * 1.5),
                  main = std::min(area.width() - side - 14, static_cast<int>((area.height() - 22) * 1.5) + 2);
        const int left = area.left() + std::max(0, (area.width() - main - side - 14) / 2);
        m_large->setGeometry(left, area.top(), main, area.height());
        m_upper->setGeometry(left + main + 14, area.top(), side, small);
        m_lower->setGeometry(left + main + 14, area.top() + small + 8, side, small);
    }

private:
    PictureView *m_large, *m_upper, *m_lower;
};

}  // namespace

BalancePlace::BalancePlace(Document& document, ProxyStore& proxies, FrameModel& frames, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_frames(frames),
      m_model(new BalanceModel(
          document, [&frames](std::int64_t frame) { return frames.thumbnail(frame); }, this)),
      m_task(new Task(this)), m_table(new QTableView(this)), m_after(new PictureView(this)),
      m_before(new PictureView(this)), m_lead(new PictureView(this)), m_bench(new BalanceBench(this)),
      m_groups(new QComboBox(this)), m_state(new QLabel(this)), m_pause(new QTimer(this)),
      m_afterSlot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this)),
      m_beforeSlot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this)),
      m_leadSlot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this)),
      m_measuring(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this))
{
    setObjectName("balancePlace");
    m_after->setObjectName("balanceAfter");
    m_before->setObjectName("balanceBefore");
    m_lead->setObjectName("balanceLead");
    m_table->setObjectName("balanceTable");
    m_table->setAccessibleName(tr("Frames and their balances"));
    m_table->setModel(m_model);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setSelectionMode(QAbstractItemView::ExtendedSelection);
    m_table->setShowGrid(false);
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setDefaultSectionSize(36);
    m_table->setIconSize({48, 32});
    m_table->horizontalHeader()->setHighlightSections(false);
    m_table->horizontalHeader()->setSectionResizeMode(BalanceModel::NoteColumn, QHeaderView::Stretch);
    constexpr int kWidths[] = {214, 58, 70, 52, 262, 54, 64};
    for (int i = 0; i < BalanceModel::NoteColumn; ++i)
        m_table->setColumnWidth(i, kWidths[i]);
    m_pause->setSingleShot(true);
    m_pause->setInterval(500);
    connectParts();
}

void BalancePlace::connectDocument()
{
    connect(&m_document, &Document::leaving, this, [this] { m_pause->stop(), m_pendingFrame = 0, m_task->cancel(); });
    connect(&m_document, &Document::opened, this, [this] { refreshGroups(), refresh(); });
    connect(&m_document, &Document::lightsChanged, this, [this] { refreshGroups(), refresh(); });
    connect(&m_document, &Document::framesChanged, this, &BalancePlace::refresh);
    connect(&m_document.selection(), &Selection::frameChosen, this, &BalancePlace::refresh);
    for (const auto changed : {&Document::balancesChanged, &Document::historyChanged})
        connect(&m_document, changed, this, &BalancePlace::refresh);
    connect(&m_document, &Document::settling, this, &BalancePlace::commitPending);
    connect(&m_document.balances(), &Balances::changed, this, [this](std::int64_t frame) {
        if (frame == m_document.selection().frameInHand() || frame == leadOf(m_document.selection().frameInHand()))
            showPictures();
    });
    connect(&m_proxies, &ProxyStore::proxyReady, this, [this](std::int64_t frame) {
        if (frame == m_document.selection().frameInHand() || frame == leadOf(m_document.selection().frameInHand()))
            showPictures();
    });
}

void BalancePlace::connectParts()
{
    connect(m_pause, &QTimer::timeout, this, &BalancePlace::commitPending);

    auto* ground = new Ground3(m_after, m_lead, m_before, this);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(makeHeader());
    layout->addWidget(ground, 5);
    layout->addWidget(m_bench);
    layout->addWidget(m_table, 3);

    connect(m_table->selectionModel(), &QItemSelectionModel::currentRowChanged, this, [this](const QModelIndex& now) {
        commitPending();
        if (const std::int64_t frame = m_model->frameAt(now.row()))
            m_document.selection().setFrameInHand(frame);
    });
    connect(m_table, &QTableView::activated, this, &BalancePlace::workRequested);
    connect(m_bench, &BalanceBench::edited, this, &BalancePlace::edited);
    connect(m_bench, &BalanceBench::tiltWanted, this, &BalancePlace::measureTilt);
    connect(m_bench, &BalanceBench::endsWanted, this, &BalancePlace::solveEnds);
    connect(m_bench, &BalanceBench::resetWanted, this, [this] {
        FrameBalance bare;
        bare.response = shown(m_document.selection().frameInHand()).response;
        setFrame(bare, tr("Balance taken off a frame"));
    });
    connect(m_model, &BalanceModel::ticksChanged, this, &BalancePlace::refresh);
    connectDocument();
    for (PictureView* view : {m_after, m_before, m_lead})
        connect(view, &PictureView::resized, this, &BalancePlace::showPictures);
    connect(m_task, &Task::ended, this, &BalancePlace::refresh);
    connect(m_task, &Task::began, this, &BalancePlace::refresh);
    refresh();
}

void BalancePlace::makeButtons()
{
    const auto tool = [&](const char* name, const QString& words, auto&& act) {
        auto* b = new QToolButton(this);
        b->setObjectName(name);
        b->setText(words);
        connect(b, &QToolButton::clicked, this, act);
        return b;
    };
    m_undo = tool("balanceUndo", tr("Undo"), [this] { undo(); });
    m_redo = tool("balanceRedo", tr("Redo"), [this] { redo(); });
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
    m_groups->setMinimumWidth(190);
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
    row->addWidget(m_undo);
    row->addWidget(m_redo);
    row->addWidget(m_solve);
    row->addWidget(m_take);
    return row;
}

void BalancePlace::showEvent(QShowEvent*)
{
    refresh();
    showPictures();
}

std::int64_t BalancePlace::leadOf(std::int64_t frame) const
{
    const int group = m_document.job().lightOf(frame);
    return group < 0 ? 0 : m_document.job().lights[static_cast<std::size_t>(group)].lead;
}

FrameBalance BalancePlace::shown(std::int64_t id) const
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

void BalancePlace::refreshGroups()
{
    const int now = m_model->group() + 1;
    m_groups->clear();
    m_groups->addItem(tr("All lights (%1)").arg(m_document.frames().size()));
    for (const Light& group : m_document.job().lights)
        m_groups->addItem(tr("%1 (%2)").arg(text(group.name)).arg(group.frames.size()));
    m_groups->setCurrentIndex(std::min(now, m_groups->count() - 1));
}

void BalancePlace::refresh()
{
    const QString undo = m_document.isOpen() ? m_document.undoAction() : QString(),
                  redo = m_document.isOpen() ? m_document.redoAction() : QString();
    m_undo->setEnabled(!undo.isEmpty());
    m_undo->setToolTip(undo.isEmpty() ? tr("Nothing to undo") : tr("Undo: %1 (Ctrl+Z)").arg(undo));
    m_redo->setEnabled(!redo.isEmpty());
    m_redo->setToolTip(redo.isEmpty() ? tr("Nothing to redo") : tr("Redo: %1 (Ctrl+Shift+Z)").arg(redo));
    const Frame* inHand = m_document.frame(m_document.selection().frameInHand());
    m_bench->setEnabled(inHand && !inHand->isLost);
    const int ticked = static_cast<int>(m_model->ticked().size());
    m_solve->setEnabled(!m_task->isRunning() && !m_document.job().lights.empty());
    m_take->setEnabled(!m_task->isRunning() && ticked > 0);
    m_take->setText(ticked > 0 ? tr("Take %1").arg(ticked) : tr("Take"));
    int troubled = 0, waiting = 0;
    for (int row = 0; row < m_model->rowCount(); ++row)
        if (const auto* p = m_model->proposal(m_model->frameAt(row)))
            ++waiting, troubled += p->solved.trouble != Trouble::None || !p->fault.empty();
    m_state->setText(
        m_document.job().lights.empty() ? tr("Lights are told apart once all frames are read.")
        : waiting == 0 ? tr("Nothing proposed. Solve looks at the frames and proposes; you take what you like.")
        : troubled == 0
            ? tr("%1 proposed").arg(waiting)
            : tr("%1 proposed, %2 cannot be brought onto the others: see their notes").arg(waiting).arg(troubled));
    m_groups->setCurrentIndex(std::min(m_model->group() + 1, m_groups->count() - 1));
    const int row = m_model->rowOf(m_document.selection().frameInHand());
    if (row >= 0 && m_table->currentIndex().row() != row) {
        const QSignalBlocker quiet(m_table->selectionModel());
        m_table->selectRow(row);
        m_table->scrollTo(m_model->index(row, 0));
        m_table->viewport()->update();
    }
    showPictures();
}

namespace {

/// A frame as it came and as it is balanced, as large as it is seen.
std::pair<QImage, QImage> balancedAndUntouched(const Proxy& proxy, const FrameBalance& balance,
                                               const Response& response, const QSize& space)
{
    const Placement placement = balance.placement(proxy.image.width(), proxy.image.height());
    const int width = placement.width(), height = placement.height();
    // Reduced so far that the finished picture fits, then balanced: what is not seen costs nothing.
    const double scale =
        std::min({1.0, static_cast<double>(space.width()) / width, static_cast<double>(space.height()) / height});
    Image small = reduceByArea(proxy.image.view(), std::max(1, static_cast<int>(proxy.image.width() * scale)),
                               std::max(1, static_cast<int>(proxy.image.height() * scale)));
    const QImage before = toScreen(placed(small, balance.optics, balance.geometry).view());
    return {toScreen(balancedPicture(std::move(small), balance, response).view()), before};
}

}  // namespace

void BalancePlace::showPicture(PictureView& view, RenderSlot& slot, const Frame* of, bool balanced,
                               const QString& caption)
{
    view.setCaption(caption);
    const auto proxy = of ? m_proxies.untouched(of->id, of->path) : nullptr;
    if (!proxy) {
        slot.drop();
        view.clear();
        view.setMessage(!of ? tr("No lead") : of->fault.empty() ? tr("Reading…") : text(of->fault));
        return;
    }
    const FrameBalance balance = balanced ? shown(of->id) : FrameBalance{};
    const Response response = m_document.balances().responseOf(balance);
    slot.run([proxy, balance, response, space = view.pictureSpace()](
                 const CancelToken&) { return balancedAndUntouched(*proxy, balance, response, space); },
             [this, &view](const std::pair<QImage, QImage>& pictures) {
                 view.setImages(++m_number, pictures.first, pictures.second);
             });
}

void BalancePlace::showPictures()
{
    if (!isVisible() || !m_document.isOpen())
        return;
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    const Frame* lead = m_document.frame(leadOf(m_document.selection().frameInHand()));
    if (!frame) {
        for (RenderSlot* slot : {m_afterSlot, m_beforeSlot, m_leadSlot})
            slot->drop();
        for (PictureView* view : {m_after, m_before, m_lead})
            view->clear();
        return;
    }
    const QString name = titleOf(*frame);
    showPicture(*m_after, *m_afterSlot, frame, true,
                m_model->proposal(frame->id)                          ? tr("%1 · proposed").arg(name)
                : m_document.balances().of(frame->id).changesPixels() ? tr("%1 · balanced").arg(name)
                                                                      : tr("%1 · not balanced").arg(name));
    showPicture(*m_before, *m_beforeSlot, frame, false, tr("as it came"));
    showPicture(*m_lead, *m_leadSlot, lead, true, lead ? tr("lead: %1").arg(titleOf(*lead)) : tr("lead"));
    if (const auto proxy = m_proxies.untouched(frame->id, frame->path))
        m_bench->show(m_pendingFrame == frame->id ? m_pending : shown(frame->id),
                      static_cast<double>(proxy->info.width) / proxy->info.height);
}

void BalancePlace::edited(const FrameBalance& balance, const QString& action)
{
    const std::int64_t frame = m_document.selection().frameInHand();
    if (m_pendingFrame != 0 && (m_pendingFrame != frame || m_pendingAction != action))
        commitPending();
    m_pendingFrame = frame, m_pending = balance, m_pendingAction = action;
    m_model->settle({frame});
    m_document.balances().preview(frame, balance);
    m_pause->start();
}

void BalancePlace::commitPending()
{
    m_pause->stop();
    if (m_pendingFrame == 0)
        return;
    const std::int64_t frame = std::exchange(m_pendingFrame, 0);
    m_document.balances().set({{frame, m_pending}}, m_pendingAction);
}

void BalancePlace::setFrame(const FrameBalance& balance, const QString& action)
{
    commitPending();
    m_model->settle({m_document.selection().frameInHand()});
    m_document.balances().set({{m_document.selection().frameInHand(), balance}}, action);
    refresh();
}

void BalancePlace::measureTilt()
{
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    const auto proxy = frame ? m_proxies.untouched(frame->id, frame->path) : nullptr;
    if (!proxy)
        return;
    m_measuring->run([proxy](const CancelToken&) { return measuredTilt(proxy->image.view()); },
                     [this, id = frame->id, proxy](const std::optional<double>& tilt) { takeTilt(id, *proxy, tilt); });
}

void BalancePlace::takeTilt(FrameId id, const Proxy& proxy, const std::optional<double>& tilt)
{
    const Frame* frame = m_document.frame(id);
    if (!frame || id != m_document.selection().frameInHand())
        return;
    if (!tilt) {
        emit m_document.failed(tr("No long straight edges near the level were found in %1.").arg(titleOf(*frame)));
        return;
    }
    FrameBalance balance = shown(id);
    balance.geometry.straightenDegrees = std::round(*tilt * 100) / 100;
    Geometry uncut = balance.geometry;
    uncut.crop = {};
    balance.geometry.crop = inscribedCrop(balance.optics, uncut, static_cast<double>(proxy.info.width) / proxy.info.height, 0);
    setFrame(balance, tr("Frame straightened"));
}

void BalancePlace::solveEnds()
{
    constexpr double kFirstPixels = 0.001;
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    const auto proxy = frame ? m_proxies.untouched(frame->id, frame->path) : nullptr;
    if (!proxy)
        return;
    FrameBalance balance = shown(frame->id);
    balance.ends = {};
    const Response response = m_document.balances().responseOf(balance);
    const auto work = [proxy, balance, response,
                       framing = m_document.job().frame(frame->id).framing](const CancelToken&) {
        const Image lit = balancedPicture(proxy->samples, balance, response);
        return amber::solveEnds(lit.view(), framing, kFirstPixels, kFirstPixels);
    };
    m_measuring->run(work, [this, id = frame->id](const BalanceEnds& ends) {
        if (id != m_document.selection().frameInHand())
            return;
        FrameBalance solved = shown(id);
        solved.ends = ends;
        solved.endsLocked = true;
        setFrame(solved, tr("Ends of a frame"));
    });
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
        [asked, result](const Task::Progress& progress, const CancelToken& cancel) {
            *result = balanceShoot(asked.frames, progress, cancel);
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
