// The job: one SQLite file that remembers the frames of a shoot, the looks and every revision of them.
//
// Looks are immutable revisions (JSON, tables apart by their hash); the current revision is a pointer, so undo and redo
// walk the revisions and survive a restart. Nothing is ever deleted. Every call that changes something is one
// transaction in a write-ahead log: a killed process loses nothing that a call has returned from. Source pictures are
// never written to. Pictures are kept by their place relative to the job file, so that a folder can be moved, renamed
// or copied with its job, and by where they were last seen, for a job file that moves alone. One thread at a time.
#pragma once

#include "core/base/result.h"
#include "core/look/look.h"

#include <cstdint>
#include <filesystem>
#include <memory>
#include <optional>

namespace amber {

struct Frame {
    std::int64_t id = 0;
    std::filesystem::path path;  ///< where it is; when it is lost, where it was last seen, or a name that nothing has
    std::string hash;            ///< of the file's content; empty until it was computed
    std::string fault;           ///< why it cannot be read; empty when it can
    std::uintmax_t bytes = 0;    ///< size of the file of that hash; 0 when it is not known
    bool isLost = false;         ///< nothing is there any more
};

struct LookEntry {
    std::int64_t id = 0;
    std::string name;
};

struct PinnedVersion {
    std::int64_t id = 0;
    std::int64_t revision = 0;
    std::string note;
    std::string made;  ///< "2026-05-04 10:11:12", UTC
};

class JobStore {
public:
    /// Opens a job or makes one. Fails for a file that is no job, for one written by a newer version, and for one that
    /// cannot be read to its end. A job of an older version is brought up to date; the file as it was is kept beside
    /// it, with "-format1" after its name.
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

    /// Adds frames that are not yet in the job, in this order; known paths are passed over.
    Status addFrames(const std::vector<std::filesystem::path>& paths);
    Result<std::vector<Frame>> frames() const;
    struct Content {
        std::int64_t frame = 0;
        std::string hash;
        std::uintmax_t bytes = 0;
    };
    Status setFrameContents(const std::vector<Content>& contents);
    /// Frames whose pictures lie elsewhere now.
    Status moveFrames(const std::vector<std::pair<std::int64_t, std::filesystem::path>>& places);
    /// These frames' pictures are gone from where they are, and others have their names: from now on they are lost.
    Status loseFrames(const std::vector<std::int64_t>& frames);
    /// A place as it is kept with the job: relative to it when it lies in the job's folder, so that it moves along; and
    /// back.
    std::string keptPlace(const std::filesystem::path& place) const;
    std::filesystem::path placeOf(const std::string& kept) const;
    Status setFrameFault(std::int64_t frame, const std::string& fault);

    /// Looks.
    Result<std::int64_t> addLook(const Look& look);
    Result<std::vector<LookEntry>> looks() const;
    Result<Look> currentLook(std::int64_t look) const;
    Result<std::int64_t> currentRevision(std::int64_t look) const;
    Result<Look> lookAt(std::int64_t revision) const;
    /// The newest revision before the current one that can be read, or 0.
    Result<std::int64_t> lastGoodRevision(std::int64_t look) const;
    /// A new current revision, named by what was done ("Curve point moved").
    Status commit(std::int64_t look, const Look& value, const std::string& action);

    /// What undo or redo would do, or nothing when there is no such revision.
    std::optional<std::string> undoAction(std::int64_t look) const;
    std::optional<std::string> redoAction(std::int64_t look) const;
    Status undo(std::int64_t look);
    Status redo(std::int64_t look);

    Status pin(std::int64_t look, const std::string& note);
    /// Pins a version that never was the current one: a variant that was tried beside it. Undo and redo stay as they
    /// are.
    Status pinVariant(std::int64_t look, const Look& value, const std::string& note);
    Result<std::vector<PinnedVersion>> pins(std::int64_t look) const;

    /// Small choices that belong to the job: the frame in hand, companions, surround.
    Status setChoice(const std::string& name, const std::string& value);
    /// Many at once, all of them or none.
    Status setChoices(const std::vector<std::pair<std::string, std::string>>& choices);
    /// Empty when it was never made. All choices were read when the job was opened.
    std::string choice(const std::string& name) const;

private:
    struct Database;
    explicit JobStore(std::unique_ptr<Database> database);
    std::unique_ptr<Database> m_database;
};

}  // namespace amber
