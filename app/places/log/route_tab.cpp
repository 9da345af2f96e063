#include "app/places/log/route_tab.h"

#include "app/places/log/route_dialog.h"
#include "app/plan/plan_panel.h"
#include "app/shortcuts/shortcuts.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "core/log/replay.h"

#include <QtWidgets>

namespace amber {
namespace {

/// A tick, in a frame when it was set by hand; a short dash where it is open.
class TickDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override
    {
        if (index.row() == 0) {
            painter->setPen(theme::kHairline);
            painter->drawLine(option.rect.bottomLeft(), option.rect.bottomRight());
        }
        if (!index.data(RouteModel::MattersRole).toBool())
            return QStyledItemDelegate::paint(painter, option, index);
        painter->save();
        painter->setRenderHint(QPainter::Antialiasing);
        if (option.state & QStyle::State_Selected)
            painter->fillRect(option.rect, theme::kPressed);
        const QPointF middle = QRectF(option.rect).center();
        const bool isOn = index.data(RouteModel::OnRole).toBool();
        if (index.data(RouteModel::ByHandRole).toBool()) {
            painter->setPen(QPen(theme::kQuietInk, 1));
            painter->drawRect(QRectF(middle.x() - 8, middle.y() - 8, 16, 16));
        }
        if (isOn) {
            painter->setPen(QPen(theme::kInk, 2, Qt::SolidLine, Qt::RoundCap));
            painter->drawPolyline(
                QPolygonF({middle + QPointF(-4.5, 0.5), middle + QPointF(-1.5, 4), middle + QPointF(5, -4)}));
        } else if (const QString words = index.data(Qt::DisplayRole).toString(); !words.isEmpty()) {
            painter->setPen(theme::kQuietInk);
            painter->drawText(option.rect, Qt::AlignCenter, words);
        } else {
            painter->setPen(QPen(theme::kGhost, 1.5));
            painter->drawLine(middle - QPointF(3, 0), middle + QPointF(3, 0));
        }
        if (option.state & QStyle::State_HasFocus)
            theme::paintFocus(*painter, option.rect);
        painter->restore();
    }
};

}  // namespace

RouteModel::RouteModel(Document& document, RouteKeeper& keeper, QObject* parent)
    : QAbstractTableModel(parent), m_document(document), m_keeper(keeper)
{
    renew();
}

void RouteModel::renew()
{
    const auto& frames = m_keeper.facts().frames;
    if (frames != m_frames || m_keeper.route().stages.size() != m_stages) {
        beginResetModel();
        m_frames = frames, m_stages = m_keeper.route().stages.size();
        endResetModel();
    } else if (rowCount() > 0) {
        emit dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
        emit headerDataChanged(Qt::Horizontal, 0, columnCount() - 1);
    }
}

int RouteModel::rowCount(const QModelIndex& parent) const
{
    return parent.isValid() || !m_document.isOpen() ? 0 : static_cast<int>(m_frames.size()) + 1;
}

int RouteModel::columnCount(const QModelIndex& parent) const
{
    return parent.isValid() ? 0 : static_cast<int>(m_stages);
}

FrameId RouteModel::frameAt(int row) const
{
    return row <= 0 || row > static_cast<int>(m_frames.size()) ? 0 : m_frames[static_cast<std::size_t>(row) - 1];
}

int RouteModel::rowOf(FrameId frame) const
{
    const auto found = std::find(m_frames.begin(), m_frames.end(), frame);
    return found == m_frames.end() ? 0 : static_cast<int>(found - m_frames.begin()) + 1;
}

QVariant RouteModel::data(const QModelIndex& index, int role) const
{
    if (!index.isValid() || index.row() >= rowCount() || index.column() >= columnCount())
        return {};
    const RouteStage& stage = m_keeper.route().stages[static_cast<std::size_t>(index.column())];
    const FrameId frame = frameAt(index.row());
    const bool matters = !(stage.isOfShoot && frame != 0);
    if (role == MattersRole)
        return matters;
    if (!matters)
        return {};
    const Tick tick = m_keeper.tick(index.column(), frame);
    const StageProgress progress = frame == 0 && !stage.isOfShoot ? m_keeper.progress(index.column()) : StageProgress{};
    switch (role) {
    case OnRole:
        return tick.isOn;
    case ByHandRole:
        return tick.isByHand;
    case Qt::DisplayRole:
        return progress.of > 0 && !tick.isOn ? tr("%1 of %2").arg(progress.ticked).arg(progress.of) : QString();
    case Qt::AccessibleTextRole:
    case Qt::ToolTipRole:
        return tr("%1, %2: %3")
            .arg(headerData(index.row(), Qt::Vertical, Qt::DisplayRole).toString(), m_keeper.titleOf(stage),
                 tick.isByHand ? (tick.isOn ? tr("ticked by hand") : tr("left open by hand"))
                 : tick.isOn   ? tr("done, as was found")
                               : tr("open"));
    default:
        return {};
    }
}

QVariant RouteModel::headerData(int section, Qt::Orientation orientation, int role) const
{
    if (role != Qt::DisplayRole)
        return {};
    if (orientation == Qt::Horizontal)
        return section < static_cast<int>(m_keeper.route().stages.size())
                   ? m_keeper.titleOf(m_keeper.route().stages[static_cast<std::size_t>(section)])
                   : QString();
    const Frame* frame = m_document.frame(frameAt(section));
    return frame ? titleOf(*frame) : tr("The shoot");
}

RouteTab::RouteTab(Document& document, RouteKeeper& keeper, TimeKeeper& times, QWidget* parent)
    : QWidget(parent), m_document(document), m_keeper(keeper), m_model(new RouteModel(document, keeper, this)),
      m_routes(new QComboBox(this)), m_table(new QTableView(this)), m_next(new QLabel(this)), m_done(new QLabel(this)),
      m_plan(new PlanPanel(times, this))
{
    setObjectName("routeTab");
    makeTable();
    m_done->setObjectName("routeDone"), m_done->setWordWrap(true);
    auto* foot = new QVBoxLayout;
    foot->setContentsMargins(16, 10, 16, 12);
    foot->setSpacing(10);
    foot->addWidget(m_done), foot->addWidget(m_plan);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(makeTop());
    layout->addWidget(m_table, 1);
    layout->addLayout(foot);
    connect(&keeper, &RouteKeeper::changed, this, [this] {
        if (isVisible())
            refresh();
    });
    fillRoutes();
    refresh();
}

void RouteTab::makeTable()
{
    m_table->setObjectName("routeTable");
    m_table->setAccessibleName(tr("Ticks of the route"));
    m_table->setModel(m_model);
    m_table->setItemDelegate(new TickDelegate(m_table));
    m_table->setSelectionMode(QAbstractItemView::ExtendedSelection);
    m_table->setShowGrid(false);
    m_table->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    m_table->horizontalHeader()->setDefaultAlignment(Qt::Alignment(Qt::AlignCenter) |
                                                     Qt::Alignment(Qt::AlignmentFlag(Qt::TextWordWrap)));
    m_table->horizontalHeader()->setFixedHeight(44);
    m_table->horizontalHeader()->setHighlightSections(false);
    m_table->verticalHeader()->setDefaultSectionSize(26);
    m_table->verticalHeader()->setFixedWidth(170);
    m_table->verticalHeader()->setHighlightSections(false);
    m_table->installEventFilter(this);
    connect(m_table, &QTableView::clicked, this, &RouteTab::toggle);
    connect(m_table->selectionModel(), &QItemSelectionModel::currentRowChanged, this, [this](const QModelIndex& index) {
        if (const FrameId frame = m_model->frameAt(index.row()))
            m_document.selection().setFrameInHand(frame);
        m_done->setText(doneWords());
    });
}

QLayout* RouteTab::makeTop()
{
    m_routes->setObjectName("routes"), m_routes->setAccessibleName(tr("Route"));
    m_next->setObjectName("routeNext"), m_next->setProperty("strong", true);
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 6, 14, 8);
    row->setSpacing(8);
    row->addWidget(m_routes);
    row->addWidget(makeButton(this, "routeEdit", tr("Edit…"),
                              tr("Which stages, in which order; kept under a name of your own"), [this] { edit(); }));
    row->addSpacing(16);
    row->addWidget(m_next, 1);
    m_go = makeButton(
        this, "routeGo", tr("Take me there"),
        tr("To the next thing that is open (%1)").arg(keysOf("nextThing").toString(QKeySequence::NativeText)),
        [this] { emit nextWanted(); });
    row->addWidget(m_go);
    connect(m_routes, &QComboBox::activated, this, &RouteTab::chooseRoute);
    return row;
}

void RouteTab::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    m_keeper.refresh();
}

bool RouteTab::eventFilter(QObject* watched, QEvent* event)
{
    const int key = event->type() == QEvent::KeyPress ? static_cast<QKeyEvent*>(event)->key() : 0;
    if (key != Qt::Key_Space && key != Qt::Key_Return && key != Qt::Key_Enter)
        return QWidget::eventFilter(watched, event);
    toggle(m_table->currentIndex());
    return true;
}

void RouteTab::fillRoutes()
{
    const QSignalBlocker blocker(m_routes);
    m_routes->clear();
    const auto add = [this](const std::string& name) {
        if (m_routes->findData(text(name)) < 0)
            m_routes->addItem(RouteKeeper::nameOf(name), text(name));
    };
    for (const Route& route : shippedRoutes())
        add(route.name);
    for (const Route& route : ownRoutes().routes)
        add(route.name);
    add(m_keeper.route().name);
    m_routes->setCurrentIndex(m_routes->findData(text(m_keeper.route().name)));
}

void RouteTab::chooseRoute(int index)
{
    const std::string name = m_routes->itemData(index).toString().toStdString();
    const OwnRoutes own = ownRoutes();
    for (const auto* routes : {&shippedRoutes(), &own.routes})
        for (const Route& route : *routes)
            if (route.name == name)
                return m_keeper.setRoute(route);
}

void RouteTab::edit()
{
    RouteDialog dialog(m_keeper, this);
    if (dialog.exec() == QDialog::Accepted)
        m_keeper.setRoute(dialog.route());
    fillRoutes();
}

void RouteTab::toggle(const QModelIndex& index)
{
    if (!index.isValid() || !index.data(RouteModel::MattersRole).toBool())
        return;
    std::vector<FrameId> frames;
    for (const QModelIndex& chosen : m_table->selectionModel()->selectedIndexes())
        if (chosen.column() == index.column())
            frames.push_back(m_model->frameAt(chosen.row()));
    if (frames.empty())
        frames.push_back(m_model->frameAt(index.row()));
    m_keeper.setTick(index.column(), frames, !index.data(RouteModel::OnRole).toBool());
}

/// Since a frame was ticked off: what changed.
QString RouteTab::doneWords() const
{
    const FrameId frame = m_document.isOpen() ? m_document.selection().frameInHand() : 0;
    const Frame* of = m_document.frame(frame);
    if (!of || !m_document.job().frame(frame).isDone)
        return of ? tr("%1 is not done.").arg(titleOf(*of)) : QString();
    const JobStore& store = std::as_const(m_document).store();
    const auto entries = store.entries();
    const std::int64_t by = entries ? doneBy(*entries, frame) : 0;
    const auto then = by != 0 ? store.jobAfter(by, frame) : Result<Job>(tl::make_unexpected(Error{}));
    if (!then)
        return tr("%1 is done.").arg(titleOf(*of));
    const auto lines = frameDifferences(*then, m_document.job(), frame, m_document.looks().lookForAll(),
                                        [&](RevisionId id) { return store.lookAt(id); });
    if (lines.empty())
        return tr("%1 is done, and nothing has changed since.").arg(titleOf(*of));
    QStringList words;
    for (const std::string& line : lines)
        words << text(line);
    constexpr int kMost = 4;
    const int more = static_cast<int>(words.size()) - kMost;
    return tr("%1 was done; since then: %2").arg(titleOf(*of), words.mid(0, kMost).join(QStringLiteral("; "))) +
           (more > 0 ? tr(", and %n more", nullptr, more) : QString()) + QStringLiteral(".");
}

void RouteTab::refresh()
{
    m_model->renew();
    const QString next = m_keeper.nextWords();
    m_next->setText(next.isEmpty() ? tr("Nothing is open.") : m_keeper.next() ? tr("Next: %1").arg(next) : next);
    m_go->setEnabled(m_keeper.next().has_value());
    m_routes->setEnabled(m_document.isOpen());
    if (m_routes->currentData().toString() != text(m_keeper.route().name))
        fillRoutes();
    m_done->setText(doneWords());
    m_done->setVisible(!m_done->text().isEmpty());
    m_plan->refresh();
}

void RouteTab::showNext()
{
    const auto next = m_keeper.next();
    if (!next)
        return;
    m_table->setCurrentIndex(m_model->index(m_model->rowOf(next->frame), next->stage));
    m_table->setFocus(Qt::OtherFocusReason);
}

}  // namespace amber
