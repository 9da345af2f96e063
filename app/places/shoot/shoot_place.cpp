#include "app/places/shoot/shoot_place.h"

#include "app/places/shoot/bracket_dialog.h"
#include "app/places/shoot/bring_in_dialog.h"
#include "app/places/shoot/intake.h"
#include "app/plan/plan_dialog.h"
#include "app/plan/time_keeper.h"
#include "app/theme/theme.h"
#include "core/job/edits.h"

namespace amber {
namespace {

constexpr int kThinnest = 3, kSmallestCell = 216, kInset = 14, kCaptionHeight = 26;

/// One frame of the contact sheet: picture, name, and what it is chosen for, in words.
class FrameDelegate : public QStyledItemDelegate {
public:
    FrameDelegate(FrameModel& model, QObject* parent) : QStyledItemDelegate(parent), m_model(model) {}

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return m_cell; }
    /// As many columns as fit, sharing the width evenly.
    void fit(int width)
    {
        const int cell = width / std::max(1, width / kSmallestCell);
        m_cell = {cell, (cell - kInset) * 2 / 3 + kCaptionHeight + kInset};
        m_fitted.clear();
    }

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override
    {
        painter->save();
        const QRect cell = option.rect.adjusted(kInset / 2, kInset / 2, -kInset / 2, -kInset / 2);
        const QRect place(cell.left(), cell.top(), cell.width(), cell.height() - kCaptionHeight);
        const bool inHand = index.data(FrameModel::InHandRole).toBool();
        const int companion = index.data(FrameModel::CompanionRole).toInt();
        const QString fault = index.data(FrameModel::FaultRole).toString();
        const auto picture = index.data(Qt::DecorationRole).value<QPixmap>();
        painter->setRenderHint(QPainter::SmoothPixmapTransform);
        QRect shown = place;
        if (!picture.isNull()) {
            // However long a picture is, something of it is seen.
            const QSize size =
                picture.size().scaled(place.size(), Qt::KeepAspectRatio).expandedTo({kThinnest, kThinnest});
            shown = QRect(place.left() + (place.width() - size.width()) / 2, place.bottom() + 1 - size.height(),
                          size.width(), size.height());
            // Reduced once for the size of the cell, not at every paint: scrolling must not wait for it.
            QPixmap* fitted = m_fitted.object(picture.cacheKey());
            if (!fitted) {
                const qreal ratio = painter->device()->devicePixelRatioF();
                fitted =
                    new QPixmap(picture.scaled(shown.size() * ratio, Qt::IgnoreAspectRatio, Qt::SmoothTransformation));
                fitted->setDevicePixelRatio(ratio);
                m_fitted.insert(picture.cacheKey(), fitted);
            }
            painter->drawPixmap(shown.topLeft(), *fitted);
        } else {
            m_model.want(static_cast<const QSortFilterProxyModel*>(index.model())->mapToSource(index));
            painter->setPen(QPen(theme::kWallInk, 1, Qt::DotLine));
            painter->drawRect(place.adjusted(0, 0, -1, -1));
            painter->setPen(theme::kWallInk);
            painter->setFont(theme::font(13));
            painter->drawText(place.adjusted(8, 8, -8, -8), Qt::AlignCenter | Qt::TextWordWrap,
                              fault.isEmpty()                             ? FrameModel::tr("reading…")
                              : index.data(FrameModel::LostRole).toBool() ? FrameModel::tr("Not where it was")
                                                                          : FrameModel::tr("Cannot be read"));
        }
        painter->setPen(theme::kWallInk);
        painter->setFont(theme::font(13, inHand));
        const QRect caption(cell.left(), place.bottom() + 4, cell.width(), 18);
        const int stars = index.data(FrameModel::RatingRole).toInt();
        const QString bracket = index.data(FrameModel::BracketRole).toString();
        QString role = inHand          ? FrameModel::tr("in hand")
                       : companion > 0 ? FrameModel::tr("companion %1").arg(companion)
                                       : QString();
        if (index.data(FrameModel::ChangedRole).toBool())
            role = FrameModel::tr("another content");
        if (role.isEmpty() && !bracket.isEmpty())
            role = bracket;
        if (role.isEmpty() && index.data(FrameModel::DoneRole).toBool())
            role = FrameModel::tr("done");
        // The rating: so many squares in the lower corner of the picture.
        for (int i = 0; i < stars; ++i) {
            const QRect mark(shown.left() + 6 + 11 * i, shown.bottom() - 13, 8, 8);
            painter->fillRect(mark.adjusted(-1, -1, 1, 1), QColor(0, 0, 0, 150));
            painter->fillRect(mark, QColor(0xFA, 0xFA, 0xFA));
        }
        const int room = caption.width() - (role.isEmpty() ? 0 : painter->fontMetrics().horizontalAdvance(role) + 20);
        painter->drawText(
            caption, Qt::AlignLeft | Qt::AlignVCenter,
            painter->fontMetrics().elidedText(index.data(Qt::DisplayRole).toString(), Qt::ElideMiddle, room));
        if (!role.isEmpty()) {
            const QRect tag(caption.right() - painter->fontMetrics().horizontalAdvance(role) - 11, caption.top(),
                            painter->fontMetrics().horizontalAdvance(role) + 12, 18);
            painter->fillRect(tag, theme::kPaper);
            painter->setPen(theme::kInk);
            painter->drawText(tag, Qt::AlignCenter, role);
        }
        if (inHand)
            painter->fillRect(QRect(shown.left(), shown.bottom() + 1, shown.width(), 3), theme::kAmber);
        if (option.state & QStyle::State_HasFocus)
            theme::paintFocus(*painter, QRectF(cell).adjusted(-5, -5, 5, 3));
        painter->restore();
    }

private:
    static constexpr int kFittedLimit = 240;  ///< some screens of them
    FrameModel& m_model;
    mutable QCache<qint64, QPixmap> m_fitted{kFittedLimit};
    QSize m_cell{kSmallestCell, kSmallestCell * 2 / 3 + kCaptionHeight};
};

}  // namespace

ShootPlace::ShootPlace(Document& document, ProxyStore& proxies, TimeKeeper& keeper, QWidget* parent)
    : QWidget(parent), m_document(document), m_keeper(keeper), m_intake(new Intake(document, this)),
      m_model(new FrameModel(document, proxies, this)), m_filter(new FrameFilter(this)),
      m_pages(new QStackedWidget(this)), m_sheet(new QListView(this)), m_title(new QLabel(this)),
      m_state(new QLabel(this)), m_hint(new QLabel(this))
{
    setObjectName("shootPlace");
    m_sheet->setObjectName("contactSheet");
    m_sheet->setAccessibleName(tr("Contact sheet"));
    m_filter->setSourceModel(m_model);
    m_keeper.setWeights([this](std::int64_t frame) { return m_model->weightOf(frame); });
    connect(&keeper, &TimeKeeper::changed, m_model, &FrameModel::touchAll);
    connect(m_intake, &Intake::said, &document, &Document::failed);
    connect(m_intake, &Intake::openRequested, this, &ShootPlace::openRequested);
    connect(m_intake, &Intake::watchChanged, this, &ShootPlace::refresh);
    m_sheet->setModel(m_filter);
    m_sheet->setSelectionMode(QAbstractItemView::ExtendedSelection);
    auto* delegate = new FrameDelegate(*m_model, m_sheet);
    m_sheet->setItemDelegate(delegate);
    m_fit = [this, delegate] {
        delegate->fit(m_sheet->viewport()->width() - 1);
        m_sheet->doItemsLayout();
    };
    m_sheet->setViewMode(QListView::IconMode);
    m_sheet->setMovement(QListView::Static);
    m_sheet->setResizeMode(QListView::Adjust);
    m_sheet->setUniformItemSizes(true);
    m_sheet->setLayoutMode(QListView::Batched);
    m_sheet->setBatchSize(400);
    m_sheet->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    m_sheet->setSpacing(0);
    m_sheet->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn);
    m_sheet->installEventFilter(this);
    m_sheet->viewport()->installEventFilter(this);
    connect(m_sheet, &QListView::clicked, this, [this](const QModelIndex& index) {
        if (QApplication::keyboardModifiers() & Qt::ControlModifier)
            toggleCompanion();
        else
            m_document.selection().setFrameInHand(index.data(FrameModel::IdRole).toLongLong());
    });
    connect(m_sheet->selectionModel(), &QItemSelectionModel::currentChanged, this,
            [this] { m_bracket->setEnabled(bracketInHand() >= 0); });
    connect(m_sheet, &QListView::doubleClicked, this, &ShootPlace::workRequested);

    auto* header = new QHBoxLayout;
    header->setContentsMargins(14, 6, 14, 6);
    header->setSpacing(10);
    m_title->setObjectName("shootTitle");
    m_title->setProperty("strong", true);
    m_state->setObjectName("shootState");
    m_state->setProperty("quiet", true);
    auto* open = new QPushButton(tr("Open folder…"), this);
    open->setObjectName("openFolder");
    open->setToolTip(tr("Open a folder of pictures; its job is kept beside them (Ctrl+O)"));
    connect(open, &QPushButton::clicked, this, &ShootPlace::askFolder);
    auto* companion = new QPushButton(tr("Companion"), this);
    companion->setObjectName("toggleCompanion");
    companion->setToolTip(
        tr("Show the chosen frame beside the frame in hand, or no longer; up to five (C, or Ctrl and click)"));
    connect(companion, &QPushButton::clicked, this, &ShootPlace::toggleCompanion);
    auto* bring = new QPushButton(tr("Bring in…"), this);
    bring->setObjectName("bringIn");
    bring->setToolTip(tr("Pictures from a folder or card, copied or where they lie"));
    connect(bring, &QPushButton::clicked, this, &ShootPlace::askBringIn);
    m_state->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    header->addWidget(m_title);
    header->addWidget(m_state, 1);
    header->addWidget(makeTaskBar(m_intake->task(), "intakeTask", this));
    header->addWidget(bring);
    header->addWidget(companion);
    header->addWidget(open);

    m_hint->setProperty("quiet", true);
    m_hint->setContentsMargins(14, 4, 14, 6);
    m_hint->setText(tr("Click takes a frame in hand. C or Ctrl+click makes it a companion, 1 to 5 rate it, B shows its "
                       "bracket, D ticks it off. Enter goes to its look."));
    auto* full = new QWidget(this);
    auto* fullLayout = new QVBoxLayout(full);
    fullLayout->setContentsMargins(0, 0, 0, 0);
    fullLayout->setSpacing(0);
    fullLayout->addLayout(header);
    fullLayout->addLayout(makeFilters());
    fullLayout->addWidget(m_sheet, 1);
    fullLayout->addWidget(m_hint);
    m_pages->addWidget(makeEmpty());
    m_pages->addWidget(full);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(m_pages);
    connect(&document, &Document::lightsChanged, this, &ShootPlace::refreshGroups);
    connect(&document, &Document::framesChanged, this, &ShootPlace::refresh);
    connect(&document.selection(), &Selection::frameChosen, this, &ShootPlace::refresh);
    connect(&document.selection(), &Selection::companionsChanged, this, &ShootPlace::refresh);
    connect(m_model, &FrameModel::progressed, this, &ShootPlace::refresh);
    connect(&document, &Document::opened, this, [this] {
        m_sheet->setCurrentIndex(
            m_filter->mapFromSource(m_model->index(std::max(0, m_model->rowOf(m_document.selection().frameInHand())))));
    });
    refresh();
}

QLayout* ShootPlace::makeFilters()
{
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 0, 14, 6);
    row->setSpacing(6);
    const auto choice = [&](const char* name, const QString& accessible, const QStringList& words, auto&& act) {
        auto* box = new QComboBox(this);
        box->setObjectName(name);
        box->setAccessibleName(accessible);
        box->addItems(words);
        connect(box, &QComboBox::activated, this, act);
        row->addWidget(box);
        return box;
    };
    m_groups =
        choice("shootGroup", tr("Light group"), {tr("All lights")}, [this](int i) { m_filter->setGroup(i - 1); });
    m_groups->setMinimumWidth(170);
    m_ratings =
        choice("shootRating", tr("Least rating"),
               {tr("Any rating"), tr("1 and more"), tr("2 and more"), tr("3 and more"), tr("4 and more"), tr("5")},
               [this](int i) { m_filter->setLeastRating(i); });
    m_findings = choice("shootFindings", tr("Which frames"),
                        {tr("All frames"), tr("In brackets"), tr("Unreadable"), tr("In hand and companions"),
                         tr("Same picture twice"), tr("Balance unsure"), tr("Not done")},
                        [this](int i) { m_filter->setFindings(static_cast<FrameFilter::Findings>(i)); });
    m_order = choice("shootOrder", tr("Order"),
                     {tr("As opened"), tr("By time"), tr("By light"), tr("By rating"), tr("Hardest first")},
                     [this](int i) { m_filter->setOrder(static_cast<FrameFilter::Order>(i)); });
    row->addStretch(1);
    m_bracket = new QToolButton(this);
    m_bracket->setObjectName("bracketButton");
    m_bracket->setText(tr("Bracket…"));
    m_bracket->setToolTip(tr("The exposures of this bracket: choose one, or merge them"));
    connect(m_bracket, &QToolButton::clicked, this, &ShootPlace::chooseBracket);
    row->addWidget(m_bracket);
    auto* more = new QToolButton(this);
    more->setObjectName("shootMenuButton");
    more->setText(tr("Watch, plan"));
    more->setToolTip(tr("Watch a folder for pictures that arrive; the time plan"));
    more->setPopupMode(QToolButton::InstantPopup);
    auto* moreMenu = new QMenu(more);
    moreMenu->setObjectName("shootMenu");
    more->setMenu(moreMenu);
    connect(moreMenu, &QMenu::aboutToShow, this, [this, moreMenu] { fillMoreMenu(*moreMenu); });
    row->addWidget(more);
    auto* groups = new QToolButton(this);
    groups->setObjectName("groupMenuButton");
    groups->setText(tr("Lights"));
    groups->setToolTip(
        tr("Light groups: move frames, make, name, join and part groups, choose which frame stands for one"));
    groups->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(groups);
    menu->setObjectName("groupMenu");
    groups->setMenu(menu);
    connect(menu, &QMenu::aboutToShow, this, [this, menu] { fillGroupMenu(*menu); });
    row->addWidget(groups);
    return row;
}

void ShootPlace::refreshGroups()
{
    const int shown = m_groups->currentIndex();
    m_groups->clear();
    m_groups->addItem(tr("All lights"));
    for (const Light& group : m_document.job().lights)
        m_groups->addItem(tr("%1 (%2)").arg(text(group.name)).arg(group.frames.size()));
    m_groups->setCurrentIndex(shown < m_groups->count() ? std::max(0, shown) : 0);
    m_filter->setGroup(m_groups->currentIndex() - 1);
}

std::vector<std::int64_t> ShootPlace::chosenFrames() const
{
    std::vector<std::int64_t> frames;
    for (const QModelIndex& index : m_sheet->selectionModel()->selectedIndexes())
        frames.push_back(index.data(FrameModel::IdRole).toLongLong());
    if (frames.empty() && m_sheet->currentIndex().isValid())
        frames.push_back(m_sheet->currentIndex().data(FrameModel::IdRole).toLongLong());
    return frames;
}

void ShootPlace::moveToGroup(const std::vector<std::int64_t>& frames, int group, const QString& newName)
{
    m_document.commit(withFramesInLight(m_document.job(), frames, group, newName.toStdString()),
                      group < 0 ? tr("Light group made") : tr("Frames moved to another light"));
}

void ShootPlace::fillGroupMenu(QMenu& menu)
{
    menu.clear();
    const auto frames = chosenFrames();
    const auto askName = [this](const QString& start) {
        QInputDialog dialog(this);
        dialog.setObjectName("groupNameDialog");
        dialog.setWindowTitle(tr("Light group"));
        dialog.setLabelText(tr("Name"));
        dialog.setTextValue(start);
        return dialog.exec() == QDialog::Accepted ? dialog.textValue().trimmed() : QString();
    };
    const auto& groups = m_document.job().lights;
    const int current = frames.empty() ? -1 : m_document.job().lightOf(frames.front());
    if (!frames.empty()) {
        menu.addSection(frames.size() == 1 ? tr("The chosen frame") : tr("The %1 chosen frames").arg(frames.size()));
        menu.addAction(tr("To a group of their own…"), this, [this, frames, askName] {
            const QString name = askName(tr("Light %1").arg(m_document.job().lights.size() + 1));
            if (!name.isEmpty())
                moveToGroup(frames, -1, name);
        });
        for (std::size_t i = 0; i < groups.size(); ++i)
            if (static_cast<int>(i) != current)
                menu.addAction(tr("To %1").arg(text(groups[i].name)), this,
                               [this, frames, i] { moveToGroup(frames, static_cast<int>(i)); });
    }
    if (current >= 0) {
        const auto& group = groups[static_cast<std::size_t>(current)];
        menu.addSection(text(group.name));
        menu.addAction(tr("Name…"), this, [this, current, askName] {
            auto all = m_document.job().lights;
            const QString name = askName(text(all[static_cast<std::size_t>(current)].name));
            if (name.isEmpty())
                return;
            all[static_cast<std::size_t>(current)].name = name.toStdString();
            m_document.setLights(all, tr("Light group named"));
        });
        menu.addAction(tr("The chosen frame stands for it"), this, [this, current, frame = frames.front()] {
            auto all = m_document.job().lights;
            all[static_cast<std::size_t>(current)].lead = frame;
            m_document.setLights(all, tr("Lead of a light chosen"));
        });
        for (std::size_t i = 0; i < groups.size(); ++i)
            if (static_cast<int>(i) != current)
                menu.addAction(tr("Join with %1").arg(text(groups[i].name)), this, [this, current, i] {
                    moveToGroup(m_document.job().lights[static_cast<std::size_t>(current)].frames, static_cast<int>(i));
                });
    }
    menu.addSeparator();
    menu.addAction(tr("Propose anew from time, exposure, camera and light"), this,
                   [this] { m_model->proposeLights(); });
}

QWidget* ShootPlace::makeEmpty()
{
    auto* page = new QWidget(this);
    auto* words = new QLabel(
        tr("<p style='font-size:20px'>Open a folder of pictures</p><p>or drop files here. JPEG, PNG, TIFF, WebP and "
           "raw files are read.<br>Your pictures are never written to; the job is kept in one file beside them.</p>"),
        page);
    words->setAlignment(Qt::AlignCenter);
    auto* open = new QPushButton(tr("Open folder…"), page);
    open->setObjectName("openFolderFirst");
    connect(open, &QPushButton::clicked, this, &ShootPlace::askFolder);
    auto* layout = new QVBoxLayout(page);
    layout->addStretch(2);
    layout->addWidget(words);
    layout->addSpacing(10);
    layout->addWidget(open, 0, Qt::AlignHCenter);
    layout->addStretch(3);
    return page;
}

void ShootPlace::askBringIn()
{
    BringInDialog dialog(QString(), m_document.isOpen() ? m_document.folder() : QDir::homePath(), this);
    if (dialog.exec() == QDialog::Accepted)
        m_intake->bringIn(dialog.from(), dialog.into());
}

void ShootPlace::fillMoreMenu(QMenu& menu)
{
    menu.clear();
    const QString watched = m_intake->watched();
    menu.addAction(watched.isEmpty() ? tr("Watch a folder…") : tr("Watch another folder…"), this,
                   [this] {
                       const QString folder = QFileDialog::getExistingDirectory(
                           this, tr("Watch this folder for pictures"), m_document.folder());
                       if (!folder.isEmpty())
                           m_intake->watch(folder);
                   })
        ->setEnabled(m_document.isOpen());
    menu.addAction(watched.isEmpty() ? tr("Watch the job's own folder")
                                     : tr("No longer watch %1").arg(QFileInfo(watched).fileName()),
                   this, [this, watched] { m_intake->watch(watched.isEmpty() ? m_document.folder() : QString()); })
        ->setEnabled(m_document.isOpen());
    menu.addSeparator();
    menu.addAction(tr("Time plan…"), this, [this] { PlanDialog(m_keeper, this).exec(); })
        ->setEnabled(m_document.isOpen());
    const auto frames = chosenFrames();
    if (!frames.empty()) {
        const bool done = m_keeper.isDone(frames.front());
        menu.addAction(done ? tr("Not done (D)") : tr("Done (D)"), this,
                       [this, frames, done] { m_keeper.setDone(frames, !done); });
    }
}

int ShootPlace::bracketInHand() const
{
    const QModelIndex index = m_sheet->currentIndex();
    return m_model->bracketOf(index.isValid() ? index.data(FrameModel::IdRole).toLongLong()
                                              : m_document.selection().frameInHand());
}

void ShootPlace::chooseBracket()
{
    const int at = bracketInHand();
    if (at < 0)
        return;
    const FrameBracket bracket = m_model->brackets()[static_cast<std::size_t>(at)];
    const auto isUnused = [&](FrameId id) { return m_document.job().frame(id).isUnused; };
    const bool isChosen = std::any_of(bracket.frames.begin(), bracket.frames.end(), isUnused);
    std::vector<BracketChoice> choices;
    std::vector<QPixmap> pictures;
    double middle = 0;
    for (const std::int64_t id : bracket.frames)
        if (const FrameFacts* facts = m_model->factsOf(id))
            middle += facts->capture.exposureStops() / static_cast<double>(bracket.frames.size());
    for (const std::int64_t id : bracket.frames) {
        const Frame* frame = m_document.frame(id);
        const FrameFacts* facts = m_model->factsOf(id);
        if (!frame || !facts)
            continue;
        const double t = facts->capture.exposureSeconds;
        const QString shutter =
            t >= 0.4 ? tr("%1 s").arg(QLocale().toString(t, 'g', 3)) : tr("1/%1 s").arg(std::lround(1 / t));
        choices.push_back({id, titleOf(*frame),
                           tr("%1, f/%2, %3 stops")
                               .arg(shutter, QLocale().toString(facts->capture.fNumber, 'g', 3),
                                    theme::number(facts->capture.exposureStops() - middle, 1)),
                           facts->clippedLow, facts->clippedHigh, id == bracket.proposed, isChosen && !isUnused(id)});
        pictures.push_back(m_model->thumbnail(id));
    }
    BracketDialog dialog(choices, pictures, this);
    if (dialog.exec() != QDialog::Accepted)
        return;
    if (dialog.chosen() == 0) {
        m_intake->merge(bracket.frames);
        return;
    }
    m_document.commit(withChosenExposure(m_document.job(), bracket.frames, dialog.chosen()), tr("Exposure chosen"));
    m_document.selection().setFrameInHand(dialog.chosen());
    m_model->touchAll();
}

void ShootPlace::askFolder()
{
    const QString folder =
        QFileDialog::getExistingDirectory(this, tr("Open a folder of pictures"), m_document.folder());
    if (!folder.isEmpty())
        emit openRequested({std::filesystem::path(folder.toStdString())});
}

void ShootPlace::refresh()
{
    m_pages->setCurrentIndex(m_document.isOpen() ? 1 : 0);
    const auto& frames = m_document.frames();
    int faults = 0, lost = 0;
    for (const Frame& frame : frames)
        faults += !frame.fault.empty(), lost += frame.isLost;
    m_title->setText(m_document.title());
    QStringList words{frames.size() == 1 ? tr("1 frame") : tr("%L1 frames").arg(frames.size())};
    const int waiting = static_cast<int>(frames.size()) - m_model->readCount() - faults;
    if (waiting > 0)
        words << tr("%L1 still being read").arg(waiting);
    if (lost > 0)
        words << tr("%L1 not where they were").arg(lost);
    if (faults > lost)
        words << tr("%L1 cannot be read: point at them for the reason").arg(faults - lost);
    if (!m_document.selection().companions().empty())
        words << tr("%1 of 5 companions").arg(m_document.selection().companions().size());
    if (!m_intake->watched().isEmpty())
        words << tr("watching %1").arg(QFileInfo(m_intake->watched()).fileName());
    m_state->setText(words.join(QStringLiteral(" · ")));
    m_bracket->setEnabled(bracketInHand() >= 0);
}

void ShootPlace::toggleCompanion()
{
    const QModelIndex index = m_sheet->currentIndex();
    if (index.isValid() && !m_document.selection().toggleCompanion(index.data(FrameModel::IdRole).toLongLong()))
        emit m_document.failed(tr("Five companions are chosen already. Take one away first (C on it)."));
}

bool ShootPlace::eventFilter(QObject* watched, QEvent* event)
{
    if (watched == m_sheet->viewport()) {
        if (event->type() == QEvent::Resize)
            m_fit();
        return false;
    }
    if (event->type() != QEvent::KeyPress)
        return false;
    const auto* key = static_cast<QKeyEvent*>(event);
    const QModelIndex index = m_sheet->currentIndex();
    if (!index.isValid() || key->modifiers() & (Qt::ControlModifier | Qt::AltModifier))
        return false;
    switch (key->key()) {
    case Qt::Key_C:
        toggleCompanion();
        return true;
    case Qt::Key_B:
        if (bracketInHand() < 0)
            return false;
        chooseBracket();
        return true;
    case Qt::Key_D: {
        const auto frames = chosenFrames();
        m_keeper.setDone(frames, !frames.empty() && !m_keeper.isDone(frames.front()));
        return true;
    }
    case Qt::Key_0:
    case Qt::Key_1:
    case Qt::Key_2:
    case Qt::Key_3:
    case Qt::Key_4:
    case Qt::Key_5:
        m_document.setRating(chosenFrames(), key->key() - Qt::Key_0);
        return true;
    case Qt::Key_Space:
        m_document.selection().setFrameInHand(index.data(FrameModel::IdRole).toLongLong());
        return true;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        m_document.selection().setFrameInHand(index.data(FrameModel::IdRole).toLongLong());
        emit workRequested();
        return true;
    default:
        return false;
    }
}

}  // namespace amber
