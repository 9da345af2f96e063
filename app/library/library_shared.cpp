// The library across jobs in the sheet of looks.
#include "app/library/library_view.h"
#include "core/look/look_file.h"
#include "core/look/look_json.h"

#include <QtWidgets>

namespace amber {

void LibraryView::showShared(bool on)
{
    m_source->setCurrentIndex(on ? 1 : 0);
    const std::vector<QWidget*> ofJob{findChild<QWidget*>("libraryOpen"), findChild<QWidget*>("libraryDuplicate"),
                                      findChild<QWidget*>("libraryKeep")},
        ofLibrary{findChild<QWidget*>("libraryUse"), m_versions, m_places};
    // What goes, goes first: the row never asks for the room of both.
    for (QWidget* button : on ? ofJob : ofLibrary)
        button->hide();
    for (QWidget* button : on ? ofLibrary : ofJob)
        button->show();
    m_sheet->setAccessibleName(on ? tr("The library across jobs") : tr("Looks of this job"));
    if (on)
        m_shared->refresh();
    refresh();
}

const LibraryPart* LibraryView::chosenPart() const
{
    const int row = m_sheet->currentRow();
    return row >= 0 && row < static_cast<int>(m_shownParts.size())
               ? m_shared->part(m_shownParts[static_cast<std::size_t>(row)])
               : nullptr;
}

const LibraryVersion& LibraryView::versionOf(const LibraryPart& part) const
{
    const auto wanted = m_version.find(part.id);
    for (const LibraryVersion& version : part.versions)
        if (wanted != m_version.end() && version.number == wanted->second)
            return version;
    return part.versions.back();
}

void LibraryView::fillVersions(QMenu& menu)
{
    menu.clear();
    const LibraryPart* part = chosenPart();
    if (!part)
        return;
    for (auto version = part->versions.rbegin(); version != part->versions.rend(); ++version) {
        const QString from = version->job.empty() ? QString() : tr(", from %1").arg(text(version->job));
        QAction* action = menu.addAction(tr("%1: %2%3").arg(version->number).arg(text(version->kept), from), this,
                                         [this, id = part->id, number = version->number] {
                                             m_version[id] = number;
                                             refresh();
                                         });
        action->setCheckable(true);
        action->setChecked(version->number == versionOf(*part).number);
    }
}

void LibraryView::fillPlaces(QMenu& menu)
{
    menu.clear();
    const auto& places = m_shared->places();
    for (std::size_t i = 0; i < places.size(); ++i) {
        const QString folder = text(places[i].folder.string());
        const QString state = !places[i].isThere     ? tr(" · not there")
                              : places[i].isReadOnly ? tr(" · read only")
                                                     : QString();
        if (i == 0) {
            menu.addAction(tr("Your own: %1").arg(folder) + state)->setEnabled(false);
            continue;
        }
        QMenu* own = menu.addMenu(folder + state);
        own->addAction(tr("No longer a place of the library"), this, [this, folder] { m_shared->dropPlace(folder); });
    }
    menu.addSeparator();
    menu.addAction(tr("Add a folder…"), this, [this] {
        const QString folder = QFileDialog::getExistingDirectory(this, tr("A folder of the library"));
        if (!folder.isEmpty())
            m_shared->addPlace(folder);
    });
}

void LibraryView::importPart(const QString& path)
{
    if (path.isEmpty())
        return;
    const auto loaded = readLook(path.toStdString());
    if (!loaded) {
        emit m_document.failed(text(loaded.error().message()));
        return;
    }
    m_shared->askToKeep(PartKind::Look, loaded->look, m_wall.proxyInHand() ? m_wall.proxyInHand()->image : Image(),
                        this);
}

void LibraryView::exportPart()
{
    const LibraryPart* part = chosenPart();
    if (!part)
        return;
    const Look look = versionOf(*part).look;
    const QString path = QFileDialog::getSaveFileName(
        this, tr("Export from the library"),
        m_document.folder() + "/" + text(look.name) + text(std::string(kLookEnding)), tr("Looks (*.amberlook *.json)"));
    if (const Status done = path.isEmpty() ? Status{} : writeLook(look, path.toStdString()); !done)
        emit m_document.failed(text(done.error().message()));
}

void LibraryView::addSharedTiles(std::vector<Tile>& tiles)
{
    const QString kKinds[] = {QString(), tr("group"), tr("step")};
    for (const LibraryPart* part : found(m_shared->contents(), m_search->text().toStdString())) {
        const LibraryVersion& version = versionOf(*part);
        const QString kind = kKinds[static_cast<int>(part->kind)];
        const QString title = kind.isEmpty() ? text(part->name()) : tr("%1 · %2").arg(text(part->name()), kind);
        tiles.push_back({m_shared->preview(*part, version),
                         m_wall.proxyInHand(),
                         m_document.looks().pictureInHand(),
                         title,
                         {},
                         {}});
        m_shownParts.push_back(part->id);
    }
}

void LibraryView::showKept(const QString& part, int version, const QImage& picture)
{
    constexpr int kHeight = 96;
    const LibraryPart* shown = isShared() ? chosenPart() : nullptr;
    if (!shown || text(shown->id) != part || versionOf(*shown).number != version || picture.isNull())
        return;
    const double ratio = devicePixelRatioF();
    QImage small = picture.scaledToHeight(qRound(kHeight * ratio), Qt::SmoothTransformation);
    small.setDevicePixelRatio(ratio);
    m_kept->setPixmap(QPixmap::fromImage(small));
    m_kept->show(), m_keptWords->show();
}

/// What is known of a part of the library, and what of it does not fit here.
void LibraryView::describeShared()
{
    const LibraryPart* part = chosenPart();
    m_versions->setEnabled(part != nullptr);
    m_versions->setText(part ? tr("Version %1 of %2").arg(versionOf(*part).number).arg(part->versions.size())
                             : tr("Version"));
    QStringList words;
    for (const LibraryFault& fault : m_shared->contents().faults)
        words << tr("passed over: %1 (%2)").arg(text(fault.file.filename().string()), text(fault.why));
    if (!part) {
        words.prepend(!m_shared->isRead()          ? tr("Reading the library…")
                      : m_search->text().isEmpty() ? tr("The library is empty. Keep puts a look of this job there.")
                                                   : tr("Nothing in the library has “%1”.").arg(m_search->text()));
        return m_words->setText(words.join(QStringLiteral(" · ")));
    }
    const LibraryVersion& version = versionOf(*part);
    m_shared->readPicture(part->id, version);
    QStringList about{version.look.intent.empty() ? tr("No mood written.") : text(version.look.intent)};
    about
        << tr("Made for: %1").arg(version.look.card.madeFor.empty() ? tr("not said") : text(version.look.card.madeFor))
        << tr("limits: %1").arg(version.look.card.limits.empty() ? tr("not said") : text(version.look.card.limits));
    if (!part->uses.empty())
        about << tr("used %n time(s), last in %1", nullptr, static_cast<int>(part->uses.size()))
                     .arg(text(part->uses.back().job));
    for (const Role& role : version.look.roles)
        if (!std::any_of(m_document.job().areas.begin(), m_document.job().areas.end(),
                         [&](const auto& area) { return area.first.second == role.name; }))
            about << tr("the role %1 is marked on no frame here").arg(text(role.name));
    for (const Step& step : version.look.steps)
        for (const auto& [holder, values] : step.held)
            if (const auto set = setOfHolder(holder); set && !m_document.job().setOf(*set))
                about << tr("holds values for %1, a set this job does not have").arg(text(*set));
    about.removeDuplicates();
    m_words->setText((about + words).join(QStringLiteral(" · ")));
}

}  // namespace amber
