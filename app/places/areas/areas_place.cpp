#include "app/places/areas/areas_place.h"

#include "app/places/areas/area_bench.h"
#include "app/places/areas/area_canvas.h"
#include "app/places/areas/area_tile.h"
#include "app/theme/controls.h"
#include "app/theme/line_label.h"
#include "app/theme/number_box.h"
#include "app/theme/panes.h"
#include "app/theme/theme.h"
#include "app/words/words.h"
#include "core/job/area_work.h"
#include "core/job/edits.h"
#include "core/look/role_kind.h"

#include <QtWidgets>
#include <set>

namespace amber {
namespace {

constexpr double kSure = 0.9;
constexpr int kTilesWidth = 462, kLeastTilesWidth = 312, kMostTilesWidth = 900;

void makeAbsent(std::optional<Area>& area)
{
    area = Area{};
    area->state = Area::State::NotHere;
}

}  // namespace

AreasPlace::AreasPlace(Document& document, FrameModel& frames, ProxyStore& proxies, QWidget* parent)
    : QWidget(parent), m_document(document), m_model(new AreasModel(document, frames, proxies, this)),
      m_hand(new AreaHand(document, *m_model, proxies, this)), m_task(new Task(this)), m_role(new QComboBox(this)),
      m_counts(new LineLabel(this)), m_frameWords(new LineLabel(this)), m_tiles(new QListView(this)),
      m_tile(new AreaTile(this)), m_canvas(new AreaCanvas(this)), m_bench(new AreaBench(this)),
      m_tools(new QButtonGroup(this))
{
    setObjectName("areasPlace");
    auto* right = new QVBoxLayout;
    right->setSpacing(0);
    right->addLayout(makeTools());
    right->addWidget(m_canvas, 1);
    right->addWidget(m_bench);
    right->addLayout(makeFoot());
    auto* middle = new Panes("areasPanes", Qt::Horizontal, this);
    middle->add(makeTiles(), {kTilesWidth, kLeastTilesWidth, kMostTilesWidth});
    middle->add(right, {});
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(makeHeader());
    layout->addWidget(middle, 1);
    connectParts();
    addKeys();
    refreshRoles();
}

void AreasPlace::connectParts()
{
    connect(m_tools, &QButtonGroup::idClicked, this, [this](int id) {
        m_canvas->setTool(static_cast<AreaCanvas::Tool>(id));
        m_canvas->setShape(m_hand->part());
    });
    connect(m_canvas, &AreaCanvas::radiusChanged, this, [this](double r) { m_radius->setValue(100 * r); });
    connect(m_canvas, &AreaCanvas::strokeDrawn, this, [this](const Stroke& stroke, bool isOpposite) {
        m_canvas->tool() == AreaCanvas::Tool::Brush ? m_hand->brush(stroke, isOpposite)
                                                    : m_hand->stroke(stroke, isOpposite);
    });
    connect(m_canvas, &AreaCanvas::boxDrawn, m_hand, &AreaHand::box);
    connect(m_canvas, &AreaCanvas::coloursPicked, m_hand, &AreaHand::pickColours);
    connect(m_canvas, &AreaCanvas::shapeMoved, m_hand, &AreaHand::moveShape);
    connect(m_canvas, &AreaCanvas::shapeEnded, m_hand, &AreaHand::endShape);
    connect(m_canvas, &AreaCanvas::shapeLeft, m_hand, &AreaHand::leaveShape);
    connect(m_hand, &AreaHand::shapeLeft, this, &AreasPlace::refreshFoot);
    connect(m_hand, &AreaHand::pictureReady, m_canvas, &AreaCanvas::setPicture);
    connect(m_hand, &AreaHand::veilReady, m_canvas, &AreaCanvas::setVeil);
    connect(m_hand, &AreaHand::failed, m_canvas, [this](const QString& why) {
        m_canvas->setPicture({});
        m_canvas->setMessage(why);
    });
    connectBench();
    connectDocument();
}

void AreasPlace::connectBench()
{
    connect(m_bench, &AreaBench::partChosen, m_hand, &AreaHand::choosePart);
    connect(m_bench, &AreaBench::partEdited, m_hand, &AreaHand::editPart);
    connect(m_bench, &AreaBench::partRemoved, m_hand, &AreaHand::removePart);
    connect(m_bench, &AreaBench::areaEdited, m_hand, [this](const Area& area, const QString& action) {
        Area drawn = area;
        drawn.state = Area::State::ByHand;
        m_hand->edit(drawn, action);
    });
    connect(m_bench, &AreaBench::inBalanceChosen, this, [this](Area::InBalance inBalance) {
        m_hand->flush();
        m_document.commit(withInBalance(m_document.job(), allFrames(), m_model->role(), inBalance),
                          tr("Balance by %1").arg(text(m_model->role())));
    });
    connect(m_hand, &AreaHand::partChosen, this, &AreasPlace::refreshFoot);
    connect(m_hand, &AreaHand::measured, m_bench, &AreaBench::setMeasures);
}

void AreasPlace::connectDocument()
{
    connect(m_role, &QComboBox::activated, this, [this](int i) { setRole(m_role->itemText(i).toStdString()); });
    connect(m_model, &AreasModel::changed, this, &AreasPlace::refresh);
    connect(m_tiles->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& now) {
        if (const FrameId frame = m_model->frameAt(now.row()); frame && frame != m_hand->frame())
            m_document.selection().setFrameInHand(frame);
        refreshFoot();
    });
    connect(&m_document.selection(), &Selection::frameChosen, this, [this] {
        if (isVisible())
            refresh();
    });
    connect(&m_document, &Document::leaving, this, [this] {
        m_task->cancel();
        m_finder = std::make_shared<AreaFinder>();
        m_canvas->setPicture({});
    });
    connect(&m_document, &Document::opened, this, &AreasPlace::refreshRoles);
    connect(&m_document, &Document::areasChanged, this, &AreasPlace::refreshRoles);
    connect(&m_document.looks(), &LooksInHand::stepsChanged, this, &AreasPlace::refreshRoles);
    connect(&m_document.looks(), &LooksInHand::revisionsChanged, this, &AreasPlace::refreshRoles);
    connect(m_task, &Task::began, this, &AreasPlace::refresh);
    connect(m_task, &Task::ended, this, &AreasPlace::refresh);
}

/// Keys that work while the tiles or the picture have the focus.
void AreasPlace::addKeys()
{
    const auto key = [this](const QKeySequence& keys, auto act) {
        for (QWidget* widget : std::initializer_list<QWidget*>{m_tiles, m_canvas}) {
            auto* action = new QAction(widget);
            action->setShortcut(keys);
            action->setShortcutContext(Qt::WidgetShortcut);
            connect(action, &QAction::triggered, this, act);
            widget->addAction(action);
        }
    };
    key(Qt::Key_Return, [this] { confirm(); });
    key(Qt::Key_Enter, [this] { confirm(); });
    key(Qt::Key_Delete, [this] { refuse(); });
    key(Qt::Key_N, [this] { notHere(); });
    key(Qt::Key_A, [this] { m_hand->another(); });
    key(Qt::Key_J, [this] { goOn(); });
    const std::pair<Qt::Key, AreaCanvas::Tool> tools[] = {
        {Qt::Key_T, AreaCanvas::Tool::Thing},   {Qt::Key_B, AreaCanvas::Tool::Box},
        {Qt::Key_R, AreaCanvas::Tool::Ramp},    {Qt::Key_E, AreaCanvas::Tool::Ellipse},
        {Qt::Key_O, AreaCanvas::Tool::Outline}, {Qt::Key_C, AreaCanvas::Tool::Range},
        {Qt::Key_P, AreaCanvas::Tool::Brush}};
    for (const auto& [letter, tool] : tools)
        key(letter, [this, tool = tool] {
            m_tools->button(static_cast<int>(tool))->click();
            m_canvas->setFocus();
        });
}

bool AreasPlace::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::Resize) {
        m_tile->fit(m_tiles->viewport()->width() - 2);
        m_tiles->doItemsLayout();
    }
    return QWidget::eventFilter(watched, event);
}

void AreasPlace::showEvent(QShowEvent*)
{
    m_model->setShown(true);
    refreshRoles();
    refresh();
}

/// What is dragged in another place must not be followed here.
void AreasPlace::hideEvent(QHideEvent*)
{
    m_model->setShown(false);
    m_hand->take(0);
}

// ---- roles ----

void AreasPlace::refreshRoles()
{
    std::set<std::string> known;
    QStringList names;
    const auto add = [&](const std::string& name) {
        if (known.insert(name).second)
            names << text(name);
    };
    for (const Role& role : m_document.looks().look().roles)
        add(role.name);
    for (const auto& [id, area] : m_document.job().areas)
        add(id.second);
    if (!m_model->role().empty() && m_document.isOpen() && !names.isEmpty())
        add(m_model->role());
    const QSignalBlocker blocker(m_role);
    m_role->clear();
    m_role->addItems(names);
    m_role->setEnabled(!names.isEmpty());
    const int at = names.indexOf(text(m_model->role()));
    if (at < 0)
        setRole(names.isEmpty() ? std::string() : names.front().toStdString());
    else
        m_role->setCurrentIndex(at);
    refreshFoot();
}

void AreasPlace::setRole(const std::string& role)
{
    m_hand->flush();
    const FrameId frame = m_document.selection().frameInHand();
    m_model->setRole(role);
    m_role->setCurrentIndex(m_role->findText(text(role)));
    m_hand->take(0);
    if (const int row = m_model->rowOf(frame); row >= 0)
        m_tiles->setCurrentIndex(m_model->index(row));
    refresh();
}

void AreasPlace::newRole()
{
    const auto name =
        askLine(this, {"areaRoleDialog", tr("New role"), tr("A part of pictures: sky, hands, linen…"), {}, tr("Make")});
    if (!name || name->isEmpty())
        return;
    Look look = m_document.looks().look();
    if (look.roles.size() >= kRoleLimit) {
        emit m_document.failed(tr("A look has room for %1 roles.").arg(kRoleLimit));
        return;
    }
    if (!roleOf(look, name->toStdString())) {
        look.roles.push_back({name->toStdString(), kindByName(name->toStdString()), {}, 1, {}});
        m_document.looks().change(look);
        m_document.looks().commit(tr("Role %1").arg(*name));
    }
    refreshRoles();
    setRole(name->toStdString());
}

std::vector<AreaWish> AreasPlace::wishesOf(bool all) const
{
    const Look& look = m_document.looks().look();
    std::vector<AreaWish> wishes;
    for (int i = 0; i < m_role->count(); ++i)
        if (const std::string name = m_role->itemText(i).toStdString(); all || name == m_model->role()) {
            const Role* role = roleOf(look, name);
            wishes.push_back({name, role ? role->kind : kindByName(name)});
        }
    return wishes;
}

// ---- finding and deciding ----

void AreasPlace::find(const std::vector<FrameId>& frames, const std::vector<AreaWish>& wishes)
{
    if (m_task->isRunning() || wishes.empty() || frames.empty())
        return;
    auto found = std::make_shared<std::vector<AreaOffers>>();
    m_task->start([found, finder = m_finder, job = m_document.job(), all = m_document.frames(), frames, wishes](
                      const Task::Progress& progress,
                      const CancelToken& cancel) { *found = finder->find(job, all, frames, wishes, progress, cancel); },
                  [this, found, finder = m_finder](bool) {
                      // Another job has another finder: what was found in the one before is nothing to it.
                      if (found->empty() || !m_document.isOpen() || finder != m_finder)
                          return;
                      m_model->remember(*found);
                      m_document.commit(withOffers(m_document.job(), *found), tr("Areas found"));
                      m_model->reorder();
                      m_tiles->setCurrentIndex(m_model->index(std::max(0, m_model->nextOpen(-1))));
                      m_tiles->setFocus();
                  });
}

void AreasPlace::findAllRoles() { find(allFrames(), wishesOf(true)); }

std::vector<FrameId> AreasPlace::allFrames() const
{
    std::vector<FrameId> ids;
    for (const Frame& frame : m_document.frames())
        ids.push_back(frame.id);
    return ids;
}

std::vector<FrameId> AreasPlace::chosen() const
{
    std::vector<FrameId> frames;
    for (const QModelIndex& index : m_tiles->selectionModel()->selectedIndexes())
        frames.push_back(m_model->frameAt(index.row()));
    if (frames.empty() && m_hand->frame())
        frames.push_back(m_hand->frame());
    return frames;
}

void AreasPlace::change(const std::vector<FrameId>& frames, const std::function<void(std::optional<Area>&)>& act,
                        const QString& action)
{
    if (m_model->role().empty())
        return;
    Job after = m_document.job();
    for (const FrameId frame : frames) {
        const AreaId id{frame, m_model->role()};
        const Area* known = after.areaOf(frame, id.second);
        std::optional<Area> area = known ? std::optional(*known) : std::nullopt;
        act(area);
        if (area)
            after.areas[id] = *area;
        else
            after.areas.erase(id);
    }
    if (after.areas != m_document.job().areas)
        m_document.commit(after, action);
}

void AreasPlace::goOn()
{
    if (const int row = m_model->nextOpen(m_tiles->currentIndex().row()); row >= 0)
        m_tiles->setCurrentIndex(m_model->index(row));
}

void AreasPlace::confirm()
{
    change(
        chosen(),
        [](std::optional<Area>& area) {
            if (area && area->state == Area::State::Proposed)
                area->state = Area::State::Confirmed;
        },
        tr("Area confirmed"));
    goOn();
}

void AreasPlace::refuse()
{
    change(
        chosen(),
        [](std::optional<Area>& area) {
            if (area && area->state == Area::State::Proposed)
                area.reset();
        },
        tr("Area refused"));
    goOn();
}

void AreasPlace::notHere()
{
    change(chosen(), makeAbsent, tr("Not in this frame"));
    goOn();
}

void AreasPlace::startOver()
{
    change(
        {m_hand->frame()}, [](std::optional<Area>& area) { area.reset(); }, tr("Area taken off"));
}

void AreasPlace::confirmSure()
{
    std::vector<FrameId> all;
    for (const Frame& frame : m_document.frames())
        all.push_back(frame.id);
    change(
        all,
        [](std::optional<Area>& area) {
            if (area && area->state == Area::State::Proposed && area->sureness() >= kSure)
                area->state = Area::State::Confirmed;
        },
        tr("Sure areas confirmed"));
    goOn();
}

void AreasPlace::restNotHere()
{
    std::vector<FrameId> open;
    for (const Frame& frame : m_document.frames())
        if (!m_document.job().areaOf(frame.id, m_model->role()))
            open.push_back(frame.id);
    change(open, makeAbsent, tr("Not here on the rest"));
}

// ---- what is shown ----

void AreasPlace::refresh()
{
    using Standing = AreasModel::Standing;
    const int offered = m_model->countOf(Standing::Proposed),
              decided = m_model->countOf(Standing::Confirmed) + m_model->countOf(Standing::ByHand),
              absent = m_model->countOf(Standing::NotHere),
              open = m_model->countOf(Standing::Open) + m_model->countOf(Standing::NotFound);
    const bool hasRole = !m_model->role().empty(), isFree = hasRole && !m_task->isRunning();
    m_counts->setText(
        !m_document.isOpen() ? QString()
        : hasRole
            ? tr("%1 to look at, %2 not marked, %3 marked, %4 not here").arg(offered).arg(open).arg(decided).arg(absent)
            : tr("The look in hand has no roles yet."));
    m_findAll->setEnabled(isFree), m_findThese->setEnabled(isFree), m_findRoles->setEnabled(isFree);
    m_sure->setEnabled(hasRole && offered > 0), m_rest->setEnabled(hasRole && open > 0);
    if (const FrameId frame = m_document.selection().frameInHand(); isVisible() && frame != m_hand->frame()) {
        m_hand->take(frame);
        if (const int row = m_model->rowOf(frame); row >= 0 && row != m_tiles->currentIndex().row())
            m_tiles->setCurrentIndex(m_model->index(row));
    }
    refreshFoot();
}

void AreasPlace::refreshFoot()
{
    const Frame* frame = m_document.frame(m_hand->frame());
    const Area* area = m_hand->area();
    const bool isOffered = area && area->state == Area::State::Proposed, hasRole = !m_model->role().empty();
    QString words = frame ? text(nameOf(*frame)) : QString();
    if (frame && hasRole) {
        const int row = m_model->rowOf(frame->id);
        words += QStringLiteral(": ") + m_model->index(row).data(AreasModel::WordsRole).toString();
        if (area)
            for (const AreaPart& part : area->parts)
                if (const auto* found = std::get_if<Found>(&part.shape))
                    words += QStringLiteral(" · ") + text(found->from);
    }
    m_frameWords->setLine(words);
    m_confirm->setEnabled(isOffered), m_refuse->setEnabled(isOffered);
    m_notHere->setEnabled(frame && hasRole), m_another->setEnabled(m_hand->hasOthers());
    m_over->setEnabled(area != nullptr);
    for (QAbstractButton* tool : m_tools->buttons())
        tool->setEnabled(hasRole);
    m_canvas->setEnabled(hasRole);
    m_canvas->setShape(m_hand->part());
    m_bench->show(area, m_hand->partInHand());
}

}  // namespace amber
