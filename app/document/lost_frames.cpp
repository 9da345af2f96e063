#include "app/document/lost_frames.h"

#include "core/job/bring_in.h"
#include "core/job/find_frames.h"

#include <QTimer>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr const char *kLost = "lost", *kChanged = "changed";

QString some(const QStringList& names)
{
    constexpr int kNamed = 3;
    return names.size() <= kNamed ? names.join(QStringLiteral(", "))
                                  : LostFrames::tr("%1 and %L2 more")
                                        .arg(names.mid(0, kNamed).join(QStringLiteral(", ")))
                                        .arg(names.size() - kNamed);
}

}  // namespace

LostFrames::LostFrames(Document& document, QObject* parent)
    : QObject(parent), m_document(document), m_task(new Task(this)), m_pause(new QTimer(this))
{
    // Contents arrive one by one as pictures are read: they are asked about together.
    m_pause->setSingleShot(true);
    m_pause->setInterval(400);
    connect(m_pause, &QTimer::timeout, this, &LostFrames::askAboutChanged);
    connect(&document, &Document::leaving, this, [this] {
        m_task->cancel();
        m_pause->stop();
        for (const char* name : {kLost, kChanged})
            emit asked({name, {}, {}});
    });
    connect(&document, &Document::opened, this,
            [this] { QMetaObject::invokeMethod(this, &LostFrames::begin, Qt::QueuedConnection); });
    connect(&document, &Document::contentsChanged, this,
            [this] { m_document.changedContents().empty() ? askAboutChanged() : m_pause->start(); });
}

std::vector<const Frame*> LostFrames::lost() const
{
    std::vector<const Frame*> all;
    for (const Frame& frame : m_document.frames())
        if (frame.isLost)
            all.push_back(&frame);
    return all;
}

void LostFrames::begin()
{
    if (!lost().empty())
        search(m_document.folder().toStdString(), false);
}

void LostFrames::searchIn(const QString& folder) { search(folder.toStdString(), true); }

namespace {

/// Pictures of the folder that have no frame yet, and those that were held back.
std::vector<fs::path> candidatesIn(const fs::path& folder, const std::vector<Frame>& frames,
                                   const std::vector<fs::path>& held)
{
    std::vector<fs::path> candidates = picturesUnder(folder, pictureEndings());
    std::set<fs::path> known;
    for (const Frame& frame : frames)
        if (!frame.isLost)
            known.insert(frame.path);
    std::erase_if(candidates, [&](const fs::path& p) { return known.count(p) > 0; });
    for (const fs::path& picture : held)
        if (std::find(candidates.begin(), candidates.end(), picture) == candidates.end())
            candidates.push_back(picture);
    return candidates;
}

}  // namespace

void LostFrames::search(const fs::path& folder, bool isShown)
{
    if (m_task->isRunning()) {
        // What was begun for the job before ends first.
        connect(
            m_task, &Task::ended, this, [this, folder, isShown] { search(folder, isShown); }, Qt::SingleShotConnection);
        return;
    }
    auto result = std::make_shared<FramesFound>();
    const auto work = [result, folder, frames = m_document.frames(),
                       held = m_document.heldBack()](const Task::Progress& progress, const CancelToken& cancel) {
        *result = findFrames(frames, candidatesIn(folder, frames, held), progress, cancel);
    };
    m_task->start(work, [this, result, isShown, job = m_document.folder()](bool cancelled) {
        if (!cancelled && m_document.folder() == job)
            sortFound(*result, isShown);
    });
}

void LostFrames::sortFound(const FramesFound& result, bool isShown)
{
    std::vector<std::pair<std::int64_t, fs::path>> found;
    std::set<fs::path> places;
    for (const FoundFrame& f : result.found) {
        found.emplace_back(f.frame, f.place);
        places.insert(f.place);
    }
    // What was held back and is nobody's comes in now.
    std::vector<fs::path> fresh;
    for (const fs::path& picture : m_document.heldBack())
        if (!places.count(picture))
            fresh.push_back(picture);
    if (const Status added = m_document.addHeldBack(fresh); !added)
        emit said(text(added.error().message()));
    finish(found, isShown);
}

void LostFrames::finish(const std::vector<std::pair<std::int64_t, fs::path>>& found, bool isShown)
{
    if (isShown) {
        take(found);
        emit said(found.empty() ? tr("None of them is there: their content is what tells.")
                                : tr("%L1 found by their content. Their work is theirs again.").arg(found.size()));
        return;
    }
    if (found.empty()) {
        askForTheRest();
        return;
    }
    std::set<fs::path> folders;
    for (const auto& [frame, place] : found)
        folders.insert(place.parent_path());
    const std::size_t count = lost().size();
    const QString where = folders.size() == 1
                              ? text(*folders.begin())
                              : tr("%1 and %L2 other folders").arg(text(*folders.begin())).arg(folders.size() - 1);
    emit asked({kLost,
                count == 1 ? tr("A picture is not where it was. It lies in %1 now, known by its content.").arg(where)
                : found.size() == count
                    ? tr("%L1 pictures are not where they were. They lie in %2 now, known by their content.")
                          .arg(count)
                          .arg(where)
                    : tr("%L1 pictures are not where they were. %L2 of them lie in %3 now, known by their content.")
                          .arg(count)
                          .arg(found.size())
                          .arg(where),
                {{tr("Use them there"), [this, found] { take(found); }}}});
}

void LostFrames::take(const std::vector<std::pair<std::int64_t, fs::path>>& found)
{
    if (!found.empty())
        if (const Status moved = m_document.moveFrames(found); !moved) {
            emit said(text(moved.error().message()));
            return;
        }
    askForTheRest();
}

void LostFrames::askForTheRest()
{
    QStringList names;
    for (const Frame* frame : lost())
        names << titleOf(*frame);
    if (names.isEmpty())
        emit asked({kLost, {}, {}});
    else
        emit asked({kLost,
                    names.size() == 1 ? tr("A picture is not where it was: %1. Its work is kept.").arg(some(names))
                                      : tr("%L1 pictures are not where they were: %2. Their work is kept.")
                                            .arg(names.size())
                                            .arg(some(names)),
                    {{tr("Show where…"), [this] { emit folderWanted(); }}}});
}

void LostFrames::askAboutChanged()
{
    QStringList names;
    for (const auto& [id, hash] : m_document.changedContents())
        if (const Frame* frame = m_document.frame(id))
            names << titleOf(*frame);
    if (names.isEmpty()) {
        emit asked({kChanged, {}, {}});
        return;
    }
    const auto settle = [this](bool areTheSame) {
        if (const Status settled = m_document.settleChanged(areTheSame); !settled)
            emit said(text(settled.error().message()));
        else if (!areTheSame)
            begin();
    };
    emit asked(
        {kChanged,
         names.size() == 1
             ? tr("The file of %1 is not the one that was worked on.").arg(some(names))
             : tr("The files of %L1 frames are not those that were worked on: %2.").arg(names.size()).arg(some(names)),
         {{names.size() == 1 ? tr("The same picture, changed") : tr("The same pictures, changed"),
           [settle] { settle(true); }},
          {names.size() == 1 ? tr("Another picture") : tr("Other pictures"), [settle] { settle(false); }}},
         false});
}

}  // namespace amber
