// The job: one SQLite file that remembers the frames of a shoot, the looks and every revision of them.
//
// Looks are immutable revisions (JSON, tables apart by their hash); the current revision is a pointer, so undo and redo walk the
// revisions and survive a restart. Nothing is ever deleted. Every call that changes something is one transaction in a
// write-ahead log: a killed process loses nothing that a call has returned from. Source pictures are never written to.
// One thread at a time.
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
    std::filesystem::path path;
    std::string hash;   ///< of the file's content; empty until it was computed
    std::string fault;  ///< why it cannot be read; empty when it can
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
    /// Opens a job or makes one. Fails for a file that is no job, and for one written by a newer version.
    static Result<JobStore> open(const std::filesystem::path& file);
    /// Where the job of a folder of pictures lives: "<folder name>.amberjob" inside it, or under the user's data folder when the
    /// pictures' folder cannot be written to.
    static std::filesystem::path fileForFolder(const std::filesystem::path& folder);

    JobStore(JobStore&&) noexcept;
    JobStore& operator=(JobStore&&) noexcept;
    ~JobStore();
    const std::filesystem::path& file() const;
    /// True when another program had the job open already: then everything works, on a copy in memory, and nothing is kept.
    bool isReadOnly() const;

    /// Adds frames that are not yet in the job, in this order; known paths are passed over.
    Status addFrames(const std::vector<std::filesystem::path>& paths);
    Result<std::vector<Frame>> frames() const;
    Status setFrameHashes(const std::vector<std::pair<std::int64_t, std::string>>& hashes);
    Status setFrameFault(std::int64_t frame, const std::string& fault);

    /// Looks.
    Result<std::int64_t> addLook(const Look& look);
    Result<std::vector<LookEntry>> looks() const;
    Result<Look> currentLook(std::int64_t look) const;
    Result<std::int64_t> currentRevision(std::int64_t look) const;
    Result<Look> lookAt(std::int64_t revision) const;
    /// A new current revision, named by what was done ("Curve point moved").
    Status commit(std::int64_t look, const Look& value, const std::string& action);

    /// What undo or redo would do, or nothing when there is no such revision.
    std::optional<std::string> undoAction(std::int64_t look) const;
    std::optional<std::string> redoAction(std::int64_t look) const;
    Status undo(std::int64_t look);
    Status redo(std::int64_t look);

    Status pin(std::int64_t look, const std::string& note);
    /// Pins a version that never was the current one: a variant that was tried beside it. Undo and redo stay as they are.
    Status pinVariant(std::int64_t look, const Look& value, const std::string& note);
    Result<std::vector<PinnedVersion>> pins(std::int64_t look) const;

    /// Small choices that belong to the job: the frame in hand, companions, surround.
    Status setChoice(const std::string& name, const std::string& value);
    /// Many at once, all of them or none.
    Status setChoices(const std::vector<std::pair<std::string, std::string>>& choices);
    std::string choice(const std::string& name) const;

private:
    struct Database;
    explicit JobStore(std::unique_ptr<Database> database);
    std::unique_ptr<Database> m_database;
};

}  // namespace amber
