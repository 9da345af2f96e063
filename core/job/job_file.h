// The file of a job: opened, made or copied into memory, and kept from being written by two programs at once. For the
// files of this folder only.
#pragma once

#include "core/base/result.h"
#include "core/job/job_store.h"

#include <SQLiteCpp/SQLiteCpp.h>

namespace amber {

/// Held by the one program that may write a job. A killed program's is free at once, as the system lets go of it.
class WriteLock {
public:
    explicit WriteLock(const std::filesystem::path& job);
    ~WriteLock();
    WriteLock(const WriteLock&) = delete;
    WriteLock& operator=(const WriteLock&) = delete;
    /// Another program has it. A folder that takes no lock file keeps nobody out.
    bool isElsewhere() const { return m_elsewhere; }

private:
    std::string m_path;
    int m_file = -1;
    bool m_held = false, m_elsewhere = false;
};

struct JobFile {
    /// Throws what SQLite throws.
    explicit JobFile(const std::filesystem::path& path);

    std::filesystem::path file;
    std::optional<WriteLock> lock;
    JobStore::NotKept notKept;
    mutable SQLite::Database sql;

    /// Relative to the job's folder, unless they have nothing but the root in common.
    std::string relativePlace(const std::filesystem::path& place) const;
    /// The place that is kept like this; empty for an empty one.
    std::filesystem::path placeOf(const std::string& kept) const;
    /// The first column of the first row, or 0.
    std::int64_t number(const char* query, std::int64_t key) const;
    std::string text(const char* query, std::int64_t key) const;
    /// Runs a statement with these values in the place of its question marks.
    template <class... Values>
    void run(const char* statement, const Values&... values)
    {
        SQLite::Statement prepared(sql, statement);
        int at = 0;
        (prepared.bind(++at, values), ...);
        prepared.exec();
    }
    /// A copy of the whole file under another name; a file that is there is left. Nothing half is ever under that name.
    void copyTo(const std::filesystem::path& kept);
};

/// Whether this user may write there, now.
bool canWrite(const std::filesystem::path& path);
/// The folder a file lies in.
std::filesystem::path folderOf(const std::filesystem::path& file);

/// Runs `work` and turns SQLite's exceptions into errors that name the job file.
template <class Work>
auto guarded(const std::filesystem::path& file, Work&& work) -> Result<decltype(work())>
{
    try {
        if constexpr (std::is_void_v<decltype(work())>) {
            work();
            return {};
        } else {
            return work();
        }
    } catch (const std::exception& error) {
        return fail("the job cannot be used: " + std::string(error.what()), file.string());
    }
}

}  // namespace amber
