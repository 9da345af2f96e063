// The job file: one SQLite file that remembers a shoot. What was decided is read into memory when it is opened, as one
// value (Job); every gesture is one entry of one journal and one transaction, and undo and redo walk that journal, in
// this session and the next.
//
// Looks are immutable revisions (JSON, tables apart by their hash); which one counts is part of the job. Nothing is
// ever deleted: a gesture that was taken back and passed over stays in the file. Every call that changes something is
// one transaction in a write-ahead log: a killed process loses nothing that a call has returned from. Source pictures
// are never written to. Pictures are kept by their place relative to the job file, so that a folder can be moved,
// renamed or copied with its job, and by where they were last seen, for a job file that moves alone. One thread at a
// time.
#pragma once

#include "core/base/result.h"
#include "core/job/job.h"
#include "core/job/journal.h"
#include "core/look/look.h"

#include <memory>

namespace amber {

struct LookEntry {
    LookId id = 0;
    std::string name;
};

/// Something kept that could not be read: as if it had never been decided, and left as it is until it is decided anew.
struct Unreadable {
    std::string part;     ///< "lights", "balance", "time plan"
    std::string subject;  ///< which frame or camera; may be empty
    std::string why;
    bool isDamaged = false;  ///< it still stands in its table
};

/// A file that stands or stood for a frame's own picture. A fact, as frames are.
struct StandInFile {
    std::int64_t id = 0;
    FrameId frame = 0;
    std::filesystem::path path;
    std::string hash;
    std::uintmax_t bytes = 0;
    std::string facts;  ///< what was found when it came: JSON
    std::string added;  ///< "2026-05-04 10:11:12", UTC
};

/// Something that happened and was nobody's decision on a picture: files sent out, rounds of an answer.
struct Record {
    std::int64_t id = 0;
    std::string kind, json, made;
};

class JobStore {
public:
    /// Opens a job or makes one. Fails for a file that is no job, for one written by a newer version, and for one that
    /// cannot be read to its end. A job of an older version is brought up to date in one transaction; the file as it
    /// was is kept beside it, with "-format1" or the like after its name.
    static Result<JobStore> open(const std::filesystem::path& file);
    /// Where the job of a folder of pictures lives: the job inside it, whatever its name; of several the one named as
    /// the folder, else the newest. Without one "<folder name>.amberjob" inside, or under the user's data folder when
    /// the pictures' folder cannot be written to.
    static std::filesystem::path fileForFolder(const std::filesystem::path& folder);
    /// The jobs inside a folder, the one that fileForFolder() takes first.
    static std::vector<std::filesystem::path> jobsInFolder(const std::filesystem::path& folder);

    JobStore(JobStore&&) noexcept;
    JobStore& operator=(JobStore&&) noexcept;
    ~JobStore();
    const std::filesystem::path& file() const;
    /// Why nothing is kept: then everything works, on a copy in memory.
    enum class NotKept { No, OpenElsewhere, CannotBeWritten };
    NotKept notKept() const;
    bool isReadOnly() const { return notKept() != NotKept::No; }
    /// What of the job could not be read when it was opened.
    const std::vector<Unreadable>& unreadable() const;

    /// Pictures. Adds frames that are not yet in the job, in this order; known paths are passed over.
    Status addFrames(const std::vector<std::filesystem::path>& paths);
    /// All frames by their ids, with the pictures that stand for them. Where these are is looked up on opening.
    const std::vector<Frame>& frames() const;
    /// Looks again for the pictures of these: what is nowhere is lost.
    void lookAgainFor(const std::vector<FrameId>& frames);
    struct Content {
        FrameId frame = 0;
        std::string hash;
        std::uintmax_t bytes = 0;
    };
    Status setFrameContents(const std::vector<Content>& contents);
    /// Whether frames show a colour card: what was found when one was looked for. Another file under a frame's name
    /// (setFrameContents) is looked at anew.
    Status setCards(const std::map<FrameId, std::optional<ShownCard>>& cards);
    /// Frames whose pictures lie elsewhere now.
    Status moveFrames(const std::vector<std::pair<FrameId, std::filesystem::path>>& places);
    /// These frames' pictures are gone from where they are, and others have their names: from now on they are lost.
    Status loseFrames(const std::vector<FrameId>& frames);
    Status setFrameFault(FrameId frame, const std::string& fault);
    /// A file that can stand for a frame's own picture from now on (FrameState::standIn names it); its id and when it
    /// was added are given here.
    Result<std::int64_t> addStandIn(const StandInFile& file);
    std::vector<StandInFile> standIns() const;
    /// The masks that areas of this job have or had.
    MaskOf masks() const;
    /// What happened, by kind, oldest first; no gesture.
    Result<std::int64_t> addRecord(const std::string& kind, const std::string& json);
    Status setRecord(std::int64_t id, const std::string& json);
    Result<std::vector<Record>> records(const std::string& kind) const;
    /// A place as it is kept with the job: relative to it when it lies in the job's folder, so that it moves along; and
    /// back.
    std::string keptPlace(const std::filesystem::path& place) const;
    std::filesystem::path placeOf(const std::string& kept) const;

    /// Everything that was decided.
    const Job& job() const;
    /// Makes `after` the job, as one gesture named by what was done ("Balance of 3 frames"). Nothing happens when
    /// nothing differs. Looks can be taken away but not added, and their revisions are chosen among those there are:
    /// see addLook() and commitLook().
    Status commit(const Job& after, const std::string& what, const std::string& reason = {});

    /// The same with new current revisions of looks, all as one gesture.
    Status commit(const Job& after, const std::map<LookId, Look>& looks, const std::string& what);

    /// What follows from the pictures and is nobody's decision: it is kept, but it is no gesture, and undo passes it
    /// over.
    Status adopt(const Job& after);

    /// Looks. The first one of a job is simply there, and so is one that is added without words; every other is a
    /// gesture.
    Result<LookId> addLook(const Look& look, const std::string& what = "Look made");
    std::vector<LookEntry> looks() const;
    Result<Look> currentLook(LookId look) const;
    RevisionId currentRevision(LookId look) const;
    Result<Look> lookAt(RevisionId revision) const;
    /// The newest revision before the current one that can be read, or 0.
    Result<RevisionId> lastGoodRevision(LookId look) const;
    /// A new current revision, as one gesture ("Curve point moved").
    Status commitLook(LookId look, const Look& value, const std::string& what);
    Status pin(LookId look, const std::string& note, int surround = 0);
    /// Pins a version that never was the current one: a variant that was tried beside it.
    Status pinVariant(LookId look, const Look& value, const std::string& note);
    Result<std::vector<PinnedVersion>> pins(LookId look) const;

    /// The journal. What undo or redo would take back or do again; nothing when there is no such gesture.
    std::optional<std::string> undoAction() const;
    std::optional<std::string> redoAction() const;
    Status undo();
    Status redo();
    /// The gestures that are done, oldest first.
    Result<std::vector<Gesture>> journal() const;
    Result<std::vector<Change>> changesOf(std::int64_t gesture) const;
    /// All gestures ever made, oldest first, also those that were taken back, each with what it changed.
    Result<std::vector<JournalEntry>> entries() const;
    /// The job as it was when a gesture had been made; with 0 as it was before the first. With a frame only what is
    /// that frame's, the lights and the looks are as they were then: this is quick. Fails for a gesture that was taken
    /// back.
    Result<Job> jobAfter(std::int64_t gesture, FrameId only = 0) const;
    /// Versions of looks as the texts that are kept, for what reads many of them (lookFromText, without their tables).
    Result<std::map<RevisionId, std::string>> lookTexts(const std::vector<RevisionId>& revisions) const;
    /// Why a gesture was made, said afterwards; nobody's gesture.
    Status setReason(std::int64_t gesture, const std::string& reason);

    /// What lies at hand.
    const Desk& desk() const;
    Status setDesk(const Desk& desk);

private:
    struct State;
    explicit JobStore(std::unique_ptr<State> state);
    Status walk(bool isUndo);
    std::unique_ptr<State> m_state;
};

}  // namespace amber
