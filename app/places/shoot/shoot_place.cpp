#include "app/places/shoot/shoot_place.h"
#include "app/shortcuts/shortcuts.h"

#include "app/library/look_menu.h"
#include "app/places/shoot/bracket_dialog.h"
#include "app/places/shoot/bring_in_dialog.h"
#include "app/places/shoot/frame_delegate.h"
#include "app/places/shoot/intake.h"
#include "app/plan/time_keeper.h"
#include "app/theme/controls.h"
#include "app/theme/line_label.h"
#include "app/theme/theme.h"
#include "core/job/edits.h"

namespace amber {

void ShootPlace::makeSheet()
{
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
}

QHBoxLayout* ShootPlace::makeHeader()
{
    auto* header = new QHBoxLayout;
    header->setContentsMargins(14, 6, 14, 6);
    header->setSpacing(10);
    m_title->setObjectName("shootTitle");
    m_title->setProperty("strong", true);
    m_state->setObjectName("shootState");
    m_state->setProperty("quiet", true);
    auto* open = new QPushButton(tr("Open folder…"), this);
    open->setObjectName("openFolder");
    open->setToolTip(withKeys(tr("Open a folder of pictures; its job is kept beside them"), "open"));
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

    return header;
}

QWidget* ShootPlace::makeFull()
{
    m_hint->setProperty("quiet", true);
    m_hint->setContentsMargins(14, 4, 14, 6);
    m_hint->setText(tr("Click takes a frame in hand. C or Ctrl+click makes it a companion, 1 to 5 rate it, B shows its "
                       "bracket, D ticks it off. Enter goes to its look."));
    auto* full = new QWidget(this);
    auto* fullLayout = new QVBoxLayout(full);
    fullLayout->setContentsMargins(0, 0, 0, 0);
    fullLayout->setSpacing(0);
    fullLayout->addLayout(makeHeader());
    fullLayout->addLayout(makeFilters());
    fullLayout->addWidget(m_sheet, 1);
    fullLayout->addWidget(m_hint);
    return full;
}

ShootPlace::ShootPlace(Document& document, ProxyStore& proxies, TimeKeeper& keeper, QWidget* parent)
    : QWidget(parent), m_document(document), m_keeper(keeper), m_intake(new Intake(document, this)),
      m_model(new FrameModel(document, proxies, this)), m_filter(new FrameFilter(this)),
      m_pages(new QStackedWidget(this)), m_sheet(new QListView(this)), m_title(new QLabel(this)),
      m_state(new LineLabel(this)), m_hint(new QLabel(this))
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
    makeSheet();
    m_pages->addWidget(makeEmpty());
    m_pages->addWidget(makeFull());
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(m_pages);
    connect(&document, &Document::lightsChanged, this, &ShootPlace::refreshGroups);
    connect(&document, &Document::framesChanged, this, &ShootPlace::refresh);
    connect(&document, &Document::keyColoursChanged, this, &ShootPlace::refreshOrders);
    connect(&document.selection(), &Selection::frameChosen, this, &ShootPlace::refresh);
    connect(&document.selection(), &Selection::companionsChanged, this, &ShootPlace::refresh);
    connect(m_model, &FrameModel::progressed, this, &ShootPlace::refresh);
    connect(&document, &Document::opened, this, [this] {
        refreshOrders();
        m_sheet->setCurrentIndex(
            m_filter->mapFromSource(m_model->index(std::max(0, m_model->rowOf(m_document.selection().frameInHand())))));
    });
    refresh();
}

QToolButton* ShootPlace::menuButton(const QString& name, const QString& words, const QString& tip,
                                    std::function<void(QMenu&)> fill)
{
    auto* button = new QToolButton(this);
    button->setObjectName(name + "Button");
    button->setText(words);
    button->setToolTip(tip);
    button->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(button);
    menu->setObjectName(name);
    button->setMenu(menu);
    connect(menu, &QMenu::aboutToShow, this, [menu, fill = std::move(fill)] { fill(*menu); });
    return button;
}

void ShootPlace::makeBracketButton()
{
    m_bracket = new QToolButton(this);
    m_bracket->setObjectName("bracketButton");
    m_bracket->setText(tr("Bracket…"));
    m_bracket->setToolTip(tr("The exposures of this bracket: choose one, or merge them"));
    connect(m_bracket, &QToolButton::clicked, this, &ShootPlace::chooseBracket);
}

void ShootPlace::addMenus(QHBoxLayout& row)
{
    makeBracketButton();
    row.addWidget(m_bracket);
    row.addWidget(menuButton("shootMenu", tr("Watch, plan"),
                             tr("Watch a folder for pictures that arrive; the time plan"),
                             [this](QMenu& menu) { fillMoreMenu(menu); }));
    row.addWidget(menuButton("shootLookMenu", tr("Look"),
                             tr("Which look lands: on the chosen frames, on their light, on all others"),
                             [this](QMenu& menu) { fillLookMenu(menu, m_document, chosenFrames()); }));
    row.addWidget(menuButton("setMenu", tr("Sets"),
                             tr("Frames with a name, for which looks hold values of their own: one costume, one dish"),
                             [this](QMenu& menu) { fillSetMenu(menu); }));
    row.addWidget(
        menuButton("groupMenu", tr("Lights"),
                   tr("Light groups: move frames, make, name, join and part groups, choose which frame stands for one"),
                   [this](QMenu& menu) { fillGroupMenu(menu); }));
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
    m_groups->setMinimumWidth(120);
    m_ratings =
        choice("shootRating", tr("Least rating"),
               {tr("Any rating"), tr("1 and more"), tr("2 and more"), tr("3 and more"), tr("4 and more"), tr("5")},
               [this](int i) { m_filter->setLeastRating(i); });
    m_findings = choice("shootFindings", tr("Which frames"),
                        {tr("All frames"), tr("In brackets"), tr("Unreadable"), tr("In hand and companions"),
                         tr("Same picture twice"), tr("Balance unsure"), tr("Not done")},
                        [this](int i) { m_filter->setFindings(static_cast<FrameFilter::Findings>(i)); });
    m_order = choice("shootOrder", tr("Order"), {}, [this](int i) { order(i); });
    m_shownAs = choice("sheetState", tr("Frames shown"), {tr("As they came"), tr("Balanced"), tr("Finished")},
                       [this](int i) { showAs(static_cast<SheetPictures::State>(i)); });
    m_shownAs->setToolTip(tr("What the frames are shown as; finished: balanced and with the look that lands on each"));
    refreshOrders();
    row->addStretch(1);
    addMenus(*row);
    return row;
}

void ShootPlace::refreshOrders()
{
    const int shown = std::max(0, m_order->currentIndex());
    m_order->clear();
    m_order->addItems({tr("As opened"), tr("By time"), tr("By light"), tr("By rating"), tr("Hardest first")});
    for (const KeyColour& key : m_document.job().keys)
        m_order->addItem(tr("Farthest off: %1").arg(text(key.name)), text(key.name));
    m_order->setCurrentIndex(std::min(shown, m_order->count() - 1));
    if (m_order->currentIndex() != shown)
        order(m_order->currentIndex());
}

void ShootPlace::order(int index)
{
    const QString key = m_order->itemData(index).toString();
    if (!key.isEmpty() && m_model->pictures().state() == SheetPictures::State::AsItCame)
        showAs(SheetPictures::State::Finished);
    m_model->setFarKey(key.toStdString());
    m_filter->setOrder(key.isEmpty() ? static_cast<FrameFilter::Order>(index) : FrameFilter::Order::Far);
}

void ShootPlace::showAs(SheetPictures::State state)
{
    m_shownAs->setCurrentIndex(static_cast<int>(state));
    m_model->showAs(state);
    refresh();
}

void ShootPlace::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    m_model->pictures().setShown(true);
}

void ShootPlace::hideEvent(QHideEvent* event)
{
    QWidget::hideEvent(event);
    m_model->pictures().setShown(false);
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
    menu.addAction(tr("Time plan…"), this, [this] { emit planWanted(); })->setEnabled(m_document.isOpen());
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
    const bool isAsCame = m_model->pictures().state() == SheetPictures::State::AsItCame;
    if (const int right = m_model->pictures().rightCount(); !isAsCame && right < m_model->readCount())
        words << tr("%L1 of them %2").arg(right).arg(m_shownAs->currentText().toLower());
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
    if (!m_sheet->currentIndex().isValid() || key->modifiers() & (Qt::ControlModifier | Qt::AltModifier))
        return false;
    return takeKey(key->key());
}

bool ShootPlace::takeKey(int key)
{
    const auto takeInHand = [this] {
        m_document.selection().setFrameInHand(m_sheet->currentIndex().data(FrameModel::IdRole).toLongLong());
    };
    if (key >= Qt::Key_0 && key <= Qt::Key_5) {
        m_document.setRating(chosenFrames(), key - Qt::Key_0);
        return true;
    }
    switch (key) {
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
    case Qt::Key_Space:
        takeInHand();
        return true;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        takeInHand();
        emit workRequested();
        return true;
    default:
        return false;
    }
}

}  // namespace amber
