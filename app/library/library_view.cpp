#include "app/library/library_view.h"

#include "app/stepline/step_line.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "core/job/area_finder.h"
#include "core/look/subject_bound.h"

namespace amber {

QString subjectBoundWords(const Look& look)
{
    QStringList words;
    for (const SubjectBound& bound : subjectBound(look)) {
        const QString step = QStringLiteral("%1 %2").arg(bound.step + 1).arg(stepTitle(look.steps[bound.step]));
        switch (bound.what) {
        case SubjectBound::What::MovedFamily:
            words << QObject::tr("%1: the family “%2” was made for one subject").arg(step, text(bound.name));
            break;
        case SubjectBound::What::NarrowGuard:
            words << QObject::tr("%1: its guard holds to one hue, %2°").arg(step).arg(bound.hueDegrees, 0, 'f', 0);
            break;
        case SubjectBound::What::ShelteredHue:
            words << QObject::tr("%1: it shelters hue %2°").arg(step).arg(bound.hueDegrees, 0, 'f', 0);
            break;
        }
    }
    return words.join(QStringLiteral(" · "));
}

void LibraryView::addVersions(QBoxLayout* row)
{
    row->addWidget(makeButton(this, "libraryUse", tr("Use in this job"),
                              tr("A look becomes a look of this job; steps are put after the chosen step (Enter)"),
                              [this] { open(); }));
    m_versions = new QToolButton(this);
    m_versions->setObjectName("libraryVersions");
    m_versions->setAccessibleName(tr("Version"));
    m_versions->setToolTip(tr("Which version is shown and used; all of them stay"));
    m_versions->setPopupMode(QToolButton::InstantPopup);
    m_versions->setMenu(new QMenu(m_versions));
    connect(m_versions->menu(), &QMenu::aboutToShow, this, [this] { fillVersions(*m_versions->menu()); });
    row->addWidget(m_versions);
}

void LibraryView::addPlaces(QBoxLayout* row)
{
    m_places = new QToolButton(this);
    m_places->setObjectName("libraryPlaces");
    m_places->setText(tr("Places"));
    m_places->setToolTip(tr("The folders of the library; one that a team shares can be added"));
    m_places->setPopupMode(QToolButton::InstantPopup);
    m_places->setMenu(new QMenu(m_places));
    connect(m_places->menu(), &QMenu::aboutToShow, this, [this] { fillPlaces(*m_places->menu()); });
    row->addWidget(m_places);
}

void LibraryView::addButtons(QBoxLayout* row)
{
    const auto add = [&](const char* name, const QString& words, const QString& tip, std::function<void()> act) {
        row->addWidget(makeButton(this, name, words, tip, std::move(act)));
    };
    add("libraryOpen", tr("Work on it"), tr("Take the chosen look in hand (Enter)"), [this] { open(); });
    addVersions(row);
    add("libraryKeep", tr("Keep"), tr("Put the chosen look into the library across jobs, with a picture"), [this] {
        if (const auto look = chosen() ? m_document.looks().lookOfEntry(chosen()) : std::nullopt)
            m_shared->askToKeep(PartKind::Look, *look, m_wall.proxyInHand() ? m_wall.proxyInHand()->image : Image(),
                                this);
    });
    add("libraryDuplicate", tr("Duplicate"), tr("A copy of the chosen look, to go on from"), [this] {
        if (chosen())
            m_document.looks().duplicate(chosen());
        refresh();
    });
    add("lookImport", tr("Import…"), tr("Bring in a look from a file"), [this] {
        const QString path = QFileDialog::getOpenFileName(this, tr("Import a look"), m_document.folder(),
                                                          tr("Looks (*.amberlook *.json)"));
        if (isShared())
            return importPart(path);
        if (const Status done = path.isEmpty() ? Status{} : m_document.looks().importLook(path); !done)
            emit m_document.failed(text(done.error().message()));
        refresh();
    });
    add("lookExport", tr("Export…"),
        tr("Write the chosen look to a file, complete with its tables, or as a lookup table with a report of how "
           "well it travels"),
        [this] { isShared() ? exportPart() : emit exportRequested(chosen()); });
    addPlaces(row);
    row->addStretch(1);
    add("libraryClose", tr("Back"), tr("Back to the wall"), [this] { emit closed(); });
}

void LibraryView::open()
{
    if (isShared()) {
        if (const LibraryPart* part = chosenPart()) {
            m_shared->use(*part, versionOf(*part));
            emit closed();
        }
        return;
    }
    if (!chosen())
        return;
    m_document.looks().choose(chosen());
    emit closed();
}

bool LibraryView::isShared() const { return m_source->currentIndex() == 1; }

void LibraryView::dressSearch()
{
    m_search->setObjectName("librarySearch");
    m_search->setAccessibleName(tr("Search looks"));
    m_search->setPlaceholderText(tr("Search names, moods, steps"));
    m_search->setMinimumWidth(190);
    m_source->setObjectName("librarySource");
    m_source->setAccessibleName(tr("Which looks"));
    m_source->addItems({tr("This job"), tr("Library")});
    m_source->setToolTip(tr("The looks of this job, or those kept across jobs"));
    connect(m_source, &QComboBox::activated, this, [this](int index) { showShared(index == 1); });
    connect(m_shared, &SharedLibrary::changed, this, [this] {
        if (isShared())
            refresh();
    });
    connect(m_search, &QLineEdit::textChanged, this, [this] { refresh(); });
}

QHBoxLayout* LibraryView::makeBelow()
{
    m_words->setObjectName("libraryWords");
    m_words->setProperty("onWall", true);
    m_words->setWordWrap(true);
    m_words->setMinimumHeight(36);
    m_kept->setObjectName("libraryKept");
    m_kept->setAccessibleName(tr("The chosen version on the picture it was kept with"));
    m_keptWords->setProperty("onWall", true);
    auto* below = new QHBoxLayout;
    below->setSpacing(12);
    below->addWidget(m_kept, 0, Qt::AlignTop);
    auto* words = new QVBoxLayout;
    words->addWidget(m_keptWords);
    words->addWidget(m_words);
    words->addStretch(1);
    below->addLayout(words, 1);
    return below;
}

LibraryView::LibraryView(Document& document, Wall& wall, QWidget* parent)
    : QWidget(parent), m_document(document), m_wall(wall), m_shared(new SharedLibrary(document, wall.queue(), this)),
      m_source(new QComboBox(this)), m_search(new QLineEdit(this)), m_sheet(new TileSheet(wall.queue(), this)),
      m_words(new QLabel(this)), m_kept(new QLabel(this)), m_keptWords(new QLabel(tr("as it was kept"), this))
{
    setObjectName("libraryView");
    dressSearch();
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    row->addWidget(m_source);
    row->addWidget(m_search);
    addButtons(row);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(14, 8, 14, 6);
    layout->addLayout(row);
    layout->addWidget(m_sheet, 1);
    layout->addLayout(makeBelow());
    connect(m_shared, &SharedLibrary::pictureRead, this, &LibraryView::showKept);
    const auto renew = [this] { m_sheet->renewSoon([this] { refresh(); }); };
    connect(&document.looks(), &LooksInHand::lookChanged, this, renew);
    connect(&document.selection(), &Selection::frameChosen, this, renew);
    m_sheet->setAccessibleName(tr("Looks of this job"));
    m_sheet->viewport()->setAcceptDrops(true);
    m_sheet->viewport()->installEventFilter(this);
    connect(m_sheet, &QListWidget::itemActivated, this, &LibraryView::open);
    connect(m_sheet, &QListWidget::currentRowChanged, this, [this] { describe(); });
    showShared(false);
}

/// Steps dragged onto a look are put at its end.
bool LibraryView::eventFilter(QObject* watched, QEvent* event)
{
    if (watched != m_sheet->viewport() ||
        (event->type() != QEvent::DragEnter && event->type() != QEvent::DragMove && event->type() != QEvent::Drop))
        return QWidget::eventFilter(watched, event);
    auto* drop = static_cast<QDropEvent*>(event);
    if (!drop->mimeData()->hasFormat(StepLine::kPartType))
        return false;
    const int row = m_sheet->row(m_sheet->itemAt(drop->position().toPoint()));
    const bool isOnLook = row >= 0 && row < static_cast<int>(m_shown.size());
    if (event->type() == QEvent::Drop && isOnLook) {
        const LookId into = m_shown[static_cast<std::size_t>(row)];
        const auto look = m_document.looks().lookOfEntry(into);
        m_document.looks().pasteSteps(QString::fromUtf8(drop->mimeData()->data(StepLine::kPartType)), into,
                                      look ? static_cast<int>(look->steps.size()) : 0);
        refresh();
    }
    drop->setDropAction(Qt::CopyAction);
    event->type() == QEvent::DragEnter || isOnLook ? drop->accept() : drop->ignore();
    return true;
}

void LibraryView::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme::kWall); }

std::int64_t LibraryView::chosen() const
{
    const int row = m_sheet->currentRow();
    return row >= 0 && row < static_cast<int>(m_shown.size()) ? m_shown[static_cast<std::size_t>(row)] : 0;
}

void LibraryView::refresh()
{
    const QString wanted = m_search->text().trimmed();
    std::vector<Tile> tiles;
    const std::string before = chosenPart() ? chosenPart()->id : std::string();
    m_shown.clear(), m_shownParts.clear();
    if (isShared())
        addSharedTiles(tiles);
    for (const LookEntry& entry : isShared() ? std::vector<LookEntry>{} : m_document.looks().entries()) {
        auto look = m_document.looks().lookOfEntry(entry.id);
        if (!look)
            continue;
        QString all = text(entry.name) + QStringLiteral(" ") + text(look->intent) + QStringLiteral(" ") +
                      text(look->card.madeFor);
        for (const Step& step : look->steps)
            all += QStringLiteral(" ") + stepTitle(step);
        if (!wanted.isEmpty() && !all.contains(wanted, Qt::CaseInsensitive))
            continue;
        tiles.push_back(
            {std::move(*look), m_wall.proxyInHand(), m_document.looks().pictureInHand(), text(entry.name), {}, {}});
        m_shown.push_back(entry.id);
    }
    if (const auto proxy = m_wall.proxyInHand())
        for (Tile& tile : tiles)
            tile.areas = m_document.areasOf(m_document.selection().frameInHand(), proxy->sourceRatio);
    m_sheet->setTiles(tiles);
    for (std::size_t i = 0; i < m_shown.size(); ++i)
        if (m_shown[i] == m_document.looks().lookId())
            m_sheet->setCurrentRow(static_cast<int>(i));
    if (const auto again = std::find(m_shownParts.begin(), m_shownParts.end(), before); again != m_shownParts.end())
        m_sheet->setCurrentRow(static_cast<int>(again - m_shownParts.begin()));
    else if (!m_shownParts.empty())
        m_sheet->setCurrentRow(0);
    describe();
}

void LibraryView::describe()
{
    m_kept->hide(), m_keptWords->hide();
    if (isShared())
        return describeShared();
    const auto look = chosen() ? m_document.looks().lookOfEntry(chosen()) : std::nullopt;
    if (!look)
        return m_words->setText(
            m_search->text().isEmpty()
                ? tr("This job has no looks yet.")
                : tr("No look of this job has “%1” in its name, mood or steps.").arg(m_search->text()));
    QStringList words{look->intent.empty() ? tr("No mood written.") : text(look->intent)};
    words << tr("Made for: %1").arg(look->card.madeFor.empty() ? tr("not said") : text(look->card.madeFor))
          << tr("limits: %1").arg(look->card.limits.empty() ? tr("not said") : text(look->card.limits));
    if (const QString bound = subjectBoundWords(*look); !bound.isEmpty())
        words << tr("travels, but is bound to a subject: %1").arg(bound);
    if (const auto roles = rolesInUse(*look); !roles.empty()) {
        QStringList names;
        for (const std::string& role : roles)
            names << text(role);
        const auto open = framesToMark(m_document.job(), m_document.frames(), *look).size();
        words << (open > 0 ? tr("works on %1: %2 frames are not marked").arg(names.join(tr(", "))).arg(open)
                           : tr("works on %1").arg(names.join(tr(", "))));
    }
    m_words->setText(words.join(QStringLiteral(" · ")));
}

}  // namespace amber
