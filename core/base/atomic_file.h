// Files that are either whole or not there: written under a temporary name in the target folder, flushed, renamed.
#pragma once

#include "core/base/result.h"

#include <filesystem>
#include <string_view>

namespace amber {

/// A file in the making. Write to temporaryPath(), then commit(); without commit the temporary file is removed.
/// The temporary name starts with a dot and ends with the target's extension, so encoders that look at it still work.
class AtomicFile {
public:
    explicit AtomicFile(std::filesystem::path target);
    ~AtomicFile();
    AtomicFile(const AtomicFile&) = delete;
    AtomicFile& operator=(const AtomicFile&) = delete;

    const std::filesystem::path& temporaryPath() const { return m_temporary; }
    /// Flushes the temporary file to the disk and renames it over the target. Fails with the system's reason.
    Status commit();

private:
    std::filesystem::path m_target;
    std::filesystem::path m_temporary;
    bool m_done = false;
};

/// Writes all bytes or nothing.
Status writeFileAtomically(const std::filesystem::path& path, std::string_view bytes);

/// Copies a file, whole or not at all.
Status copyFileAtomically(const std::filesystem::path& from, const std::filesystem::path& to);

/// Reads a whole file of at most `limitBytes`; refuses folders, missing and larger files with a message.
Result<std::string> readWholeFile(const std::filesystem::path& path, std::size_t limitBytes);

/// Removes temporary files that a killed process left in `folder` (only names made by AtomicFile, only of processes that have ended).
void removeLeftovers(const std::filesystem::path& folder);

}  // namespace amber
