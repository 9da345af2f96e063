#include "app/places/shoot/intake.h"

#include "app/theme/theme.h"
#include "core/handover/merge_files.h"
#include "core/job/bring_in.h"
#include "core/job/edits.h"

#include <QDir>
#include <QFileInfo>

namespace amber {
namespace fs = std::filesystem;

Intake::Intake(Document& document, QObject* parent)
    : QObject(parent), m_document(document), m_task(new Task(this)), m_watch(new FolderWatch(this))
{
    connect(&document, &Document::leaving, this, [this] {
        m_task->cancel();
        m_waiting.clear();
        m_watch->watch({}, {});
    });
    connect(&document, &Document::opened, this, [this] {
        if (const QString folder = m_document.placeOf(m_document.desk().watched); !folder.isEmpty())
            watch(folder);
        emit watchChanged();
    });
    connect(m_watch, &FolderWatch::arrived, this, [this](const std::vector<fs::path>& sources) {
        const QString own = QDir(m_document.folder()).canonicalPath(), from = QDir(m_watch->folder()).canonicalPath();
        take(sources, own == from ? QString() : m_document.folder(), true);
    });
    connect(m_watch, &FolderWatch::vanished, this, [this] {
        emit said(tr("The watched folder %1 is gone. It is looked at again once it is back.").arg(m_watch->folder()));
    });
    connect(m_task, &Task::ended, this, [this] {
        if (m_waiting.empty())
            return;
        const auto sources = std::exchange(m_waiting, {});
        const QString own = QDir(m_document.folder()).canonicalPath(), from = QDir(m_watch->folder()).canonicalPath();
        take(sources, own == from ? QString() : m_document.folder(), true);
    });
}

void Intake::watch(const QString& folder)
{
    std::set<fs::path> known(m_document.heldBack().begin(), m_document.heldBack().end());
    for (const Frame& frame : m_document.frames())
        known.insert(frame.path);
    m_document.changeDesk([&](Desk& desk) { desk.watched = m_document.keptPlace(folder); });
    m_watch->watch(folder, known);
    emit watchChanged();
}

void Intake::bringIn(const QString& from, const QString& into)
{
    const auto sources = picturesUnder(from.toStdString(), pictureEndings());
    if (sources.empty())
        emit said(tr("No pictures in %1.").arg(from));
    else
        take(sources, into, false);
}

void Intake::take(const std::vector<fs::path>& sources, const QString& into, bool quietly)
{
    if (m_task->isRunning()) {
        m_waiting.insert(m_waiting.end(), sources.begin(), sources.end());
        return;
    }
    BringIn what{sources, into.toStdString(), {}};
    for (const Frame& frame : m_document.frames())
        if (!frame.hash.empty())
            what.known.emplace(frame.hash, frame.path);
    auto brought = std::make_shared<BroughtIn>();
    m_task->start([what, brought](const Task::Progress& progress,
                                  const CancelToken& cancel) { *brought = amber::bringIn(what, progress, cancel); },
                  [this, brought, into, quietly, job = m_document.folder()](bool) {
                      // Another job was opened meanwhile: these pictures are not its own.
                      if (m_document.folder() != job) {
                          emit said(tr("Bringing pictures in was stopped by opening another job. What was copied is "
                                       "kept; open that job and bring them in again."));
                          return;
                      }
                      finish(*brought, into, quietly);
                  });
}

QString Intake::outcomeWords(const BroughtIn& brought)
{
    QStringList words;
    const auto targets = brought.targets();
    if (!targets.empty())
        words << (targets.size() == 1 ? tr("1 picture came in.") : tr("%L1 pictures came in.").arg(targets.size()));
    QStringList same, faults, sidecars;
    for (const Arrival& a : brought.arrivals) {
        if (!a.duplicateOf.empty())
            same << tr("%1 is %2").arg(text(a.source.filename()), text(a.duplicateOf.filename()));
        if (!a.fault.empty())
            faults << text(a.fault);
        if (!a.sidecarFault.empty())
            sidecars << text(a.sidecarFault);
    }
    const auto some = [](const QStringList& list) {
        return list.mid(0, 3).join(QStringLiteral(", ")) +
               (list.size() > 3 ? Intake::tr(" and %1 more").arg(list.size() - 3) : QString());
    };
    if (!same.isEmpty())
        words << tr("%L1 known already: %2.").arg(same.size()).arg(some(same));
    if (!faults.isEmpty())
        words << tr("%L1 did not come in: %2.").arg(faults.size()).arg(some(faults));
    if (!sidecars.isEmpty())
        words << tr("%L1 metadata files did not come along: %2.").arg(sidecars.size()).arg(some(sidecars));
    if (!brought.stopped.empty())
        words << tr("Stopped: %1. What came in is kept; make room and bring the rest in again.")
                     .arg(text(brought.stopped));
    if (brought.isCancelled)
        words << tr("Cancelled. Bring in again to go on; what is there is not copied twice.");
    return words.join(' ');
}

void Intake::keepContents(const BroughtIn& brought)
{
    for (const Arrival& a : brought.arrivals)
        for (const Frame& frame : std::vector<Frame>(m_document.frames())) {
            std::error_code error;
            if (!a.target.empty() && frame.path == a.target && frame.hash.empty())
                if (const auto bytes = fs::file_size(a.target, error); !error)
                    m_document.setFrameContent(frame.id, a.hash, bytes);
        }
}

void Intake::finish(const BroughtIn& brought, const QString& into, bool quietly)
{
    const auto targets = brought.targets();
    if (m_document.isOpen()) {
        if (const Status added = m_document.addFrames(targets); !added) {
            emit said(tr("%1. The copies are kept; bring them in again.").arg(text(added.error().message())));
            return;
        }
        keepContents(brought);
    } else if (!targets.empty()) {
        emit openRequested(into.isEmpty() ? targets : std::vector<fs::path>{into.toStdString()});
    }
    const QString words = outcomeWords(brought);
    const bool isTrouble = !brought.stopped.empty() ||
                           std::any_of(brought.arrivals.begin(), brought.arrivals.end(),
                                       [](const Arrival& a) { return !a.fault.empty() || !a.sidecarFault.empty(); });
    if (!words.isEmpty() && (!quietly || isTrouble))
        emit said(words);
}

void Intake::merge(const std::vector<FrameId>& bracket)
{
    std::vector<fs::path> files;
    Response response;
    for (const FrameId id : bracket)
        if (const Frame* frame = m_document.frame(id)) {
            files.push_back(frame->path);
            if (response.isIdentity())
                response = m_document.balances().responseOf(m_document.balances().of(id));
        }
    if (files.size() < 2 || m_task->isRunning())
        return;
    auto made = std::make_shared<Result<MergedFile>>(fail("not begun"));
    m_task->start([files, response, target = mergeTarget(files.front(), m_document.folder().toStdString()),
                   made](const Task::Progress&,
                         const CancelToken& cancel) { *made = mergeBracketFiles(files, response, target, cancel); },
                  [this, bracket, made](bool cancelled) {
                      if (!cancelled && *made)
                          takeMerged(bracket, **made);
                      else if (!cancelled)
                          emit said(tr("The bracket was not merged: %1").arg(text(made->error().message())));
                  });
}

void Intake::takeMerged(const std::vector<FrameId>& bracket, const MergedFile& merged)
{
    if (const Status added = m_document.addFrames({merged.path}); !added) {
        emit said(text(added.error().message()));
        return;
    }
    const auto& frames = m_document.frames();
    const auto frame =
        std::find_if(frames.begin(), frames.end(), [&](const Frame& f) { return f.path == merged.path; });
    if (frame == frames.end())
        return;
    const FrameId id = frame->id;
    m_document.commit(
        withMergedFrame(m_document.job(), bracket, id, {merged.responseName, merged.response, merged.stopsUp}),
        tr("Bracket merged"));
    m_document.selection().setFrameInHand(id);
    emit said(tr("Merged into %1. %2 % of it moved between the exposures and was taken from the best one alone.")
                  .arg(text(merged.path.filename()))
                  .arg(theme::decimal(merged.ghostShare * 100, 1)));
}

std::vector<FrameId> Intake::parentsOf(FrameId frame) const { return m_document.job().frame(frame).mergedFrom; }

}  // namespace amber
