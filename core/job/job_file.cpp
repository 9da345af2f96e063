#include "core/job/job_file.h"

#include "core/base/atomic_file.h"
#include "core/base/private_folder.h"

#include <SQLiteCpp/Backup.h>
#include <algorithm>
#include <fcntl.h>
#include <stdexcept>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>
#include <utility>

namespace amber {
namespace fs = std::filesystem;

bool canWrite(const fs::path& path)
{
    return ::faccessat(AT_FDCWD, path.empty() ? "." : path.c_str(), W_OK, AT_EACCESS) == 0;
}

fs::path folderOf(const fs::path& file) { return fs::absolute(file).lexically_normal().parent_path(); }

WriteLock::WriteLock(const fs::path& job) : m_path(job.string() + "-lock")
{
    for (int tries = 0; tries < 3; ++tries) {
        m_file = ::open(m_path.c_str(), O_RDWR | O_CREAT | O_CLOEXEC, 0644);
        struct stat now {};
        if (m_file < 0 || ::flock(m_file, LOCK_EX | LOCK_NB) != 0)
            break;
        // Its last owner may have taken the file away between our opening and locking it.
        if (::fstat(m_file, &now) == 0 && now.st_nlink > 0) {
            m_held = true;
            return;
        }
        ::close(std::exchange(m_file, -1));
    }
    m_elsewhere = m_file >= 0;
}

WriteLock::~WriteLock()
{
    if (m_held)
        ::unlink(m_path.c_str());
    if (m_file >= 0)
        ::close(m_file);
}

namespace {

/// A job is written into its own file and into files beside it.
bool isWritable(const fs::path& path)
{
    std::error_code error;
    const bool exists = fs::exists(path, error);
    return error ? false : exists ? canWrite(path) && canWrite(folderOf(path)) : true;
}

std::optional<WriteLock> lockFor(const fs::path& path)
{
    return isWritable(path) ? std::optional<WriteLock>(std::in_place, path) : std::nullopt;
}

JobStore::NotKept whyNotKept(const std::optional<WriteLock>& lock)
{
    if (!lock)
        return JobStore::NotKept::CannotBeWritten;
    return lock->isElsewhere() ? JobStore::NotKept::OpenElsewhere : JobStore::NotKept::No;
}

constexpr int kBusyMilliseconds = 5000;

}  // namespace

JobFile::JobFile(const fs::path& path)
    : file(path), lock(lockFor(path)), notKept(whyNotKept(lock)),
      sql(notKept == JobStore::NotKept::No ? path.string() : ":memory:", SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE,
          kBusyMilliseconds)
{
    // What cannot be kept is done to a copy in memory.
    if (notKept == JobStore::NotKept::OpenElsewhere) {
        SQLite::Database source(path.string(), SQLite::OPEN_READONLY, kBusyMilliseconds);
        SQLite::Backup(sql, source).executeStep();
    } else if (notKept == JobStore::NotKept::CannotBeWritten) {
        // A log of writes that lies beside the job is part of it; it can be taken in only where something can be
        // written.
        const auto copy = PrivateFolder::make();
        if (!copy)
            throw std::runtime_error("no temporary folder can be made");
        for (const char* part : {"", "-wal"})
            if (fs::exists(path.string() + part))
                fs::copy_file(path.string() + part, copy->path() / (std::string("job") + part));
        SQLite::Database source((copy->path() / "job").string(), SQLite::OPEN_READWRITE, kBusyMilliseconds);
        SQLite::Backup(sql, source).executeStep();
    }
}

std::string JobFile::relativePlace(const fs::path& place) const
{
    const fs::path folder = folderOf(file), relative = place.lexically_relative(folder);
    const bool sharesNothing =
        relative.empty() || (folder / relative).lexically_normal() != place ||
        std::distance(folder.begin(), folder.end()) - 1 <= std::count(relative.begin(), relative.end(), "..");
    return sharesNothing ? place.string() : relative.string();
}

fs::path JobFile::placeOf(const std::string& kept) const
{
    if (kept.empty())
        return {};
    const fs::path place = (folderOf(file) / kept).lexically_normal();
    return place.has_filename() ? place : place.parent_path();
}

std::int64_t JobFile::number(const char* query, std::int64_t key) const
{
    SQLite::Statement statement(sql, query);
    statement.bind(1, key);
    return statement.executeStep() && !statement.getColumn(0).isNull() ? statement.getColumn(0).getInt64() : 0;
}

std::string JobFile::text(const char* query, std::int64_t key) const
{
    SQLite::Statement statement(sql, query);
    statement.bind(1, key);
    return statement.executeStep() ? statement.getColumn(0).getString() : std::string();
}

void JobFile::copyTo(const fs::path& kept)
{
    if (notKept != JobStore::NotKept::No || fs::exists(kept))
        return;
    AtomicFile copy(kept);
    run("VACUUM INTO ?", copy.temporaryPath().string());
    if (const Status saved = copy.commit(); !saved)
        throw std::runtime_error("the job as it was cannot be kept beside it: " + saved.error().message());
}

}  // namespace amber
