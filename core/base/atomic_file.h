// Files that are either whole or not there: written under a temporary name in the target folder, flushed, put in place.
// Nothing that this program did not write is ever replaced, under any name it has: see written_files.h.
#pragma once

#include "core/base/result.h"

#include <filesystem>
#include <string>
#include <string_view>

namespace amber {

class WrittenFiles;

/// A file in the making. Write to temporaryPath() or with write(), then commit(); without commit the temporary file is
/// removed. The temporary file is made here, empty, under a name that cannot be guessed, never through a link or over
/// another file. Its name starts with a dot and ends with the target's extension, so encoders that look at it still
/// work.
class AtomicFile {
public:
    /// `replaces`: the content hash of the one file that may stand at the target already and be replaced; empty: none
    /// may.
    explicit AtomicFile(std::filesystem::path target, std::string replaces = {});
    /// What `written` lists and is unchanged may be replaced; what is written is listed there.
    AtomicFile(std::filesystem::path target, WrittenFiles* written);
    ~AtomicFile();
    AtomicFile(const AtomicFile&) = delete;
    AtomicFile& operator=(const AtomicFile&) = delete;

    /// Makes an empty file beside `target` under a name that cannot be guessed. Where it cannot be made, whoever opens
    /// its name is told why.
    static std::filesystem::path makeTemporary(const std::filesystem::path& target);
    static bool isTemporaryName(const std::filesystem::path& path);

    const std::filesystem::path& temporaryPath() const { return m_temporary; }
    /// Writes all bytes to the temporary file. Fails with the system's reason.
    Status write(std::string_view bytes);
    /// Flushes the temporary file to the disk and gives it the target's name. Fails with the system's reason, or when a
    /// file that may not be replaced has that name.
    Status commit();

private:
    Status putInPlace();

    std::filesystem::path m_target;
    std::filesystem::path m_temporary;
    std::string m_replaces;
    WrittenFiles* m_written = nullptr;
    bool m_done = false;
};

/// Writes all bytes or nothing; replaces nothing, but for what `written` lists.
Status writeFileAtomically(const std::filesystem::path& path, std::string_view bytes, WrittenFiles* written = nullptr);

/// Saves a file for the user: replaces a file that this program saved under that name for the same user and that is
/// unchanged since, and no other.
Status saveFile(const std::filesystem::path& path, std::string_view bytes);

/// Copies a file, whole or not at all; replaces nothing.
Status copyFileAtomically(const std::filesystem::path& from, const std::filesystem::path& to);

/// Reads a whole file of at most `limitBytes`; refuses folders, missing and larger files with a message.
Result<std::string> readWholeFile(const std::filesystem::path& path, std::size_t limitBytes);

/// Removes temporary files that a killed process of this machine left in `folder` (only names made by AtomicFile, only
/// of processes that have ended).
void removeLeftovers(const std::filesystem::path& folder);

}  // namespace amber
