#include "core/base/atomic_file.h"

#include "core/base/content_hash.h"
#include "core/base/phrase.h"
#include "core/base/written_files.h"

#include <cerrno>
#include <chrono>
#include <cstdint>
#include <cstdio>
#include <cstring>
#include <fcntl.h>
#include <fstream>
#include <signal.h>
#include <sys/random.h>
#include <unistd.h>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr std::string_view kPrefix = ".amber-part-";

std::string reason() { return std::strerror(errno); }

std::string hex(std::uint64_t number)
{
    char text[17];
    std::snprintf(text, sizeof text, "%016llx", static_cast<unsigned long long>(number));
    return text;
}

/// Tells this machine's leftovers from those of another one that writes into the same shared folder.
std::string machine()
{
    char name[256] = {};
    (void)::gethostname(name, sizeof name - 1);
    return contentHash(name).substr(0, 8);
}

Status flush(const fs::path& path, int flags)
{
    const int file = ::open(path.c_str(), flags | O_CLOEXEC);
    if (file < 0)
        return fail("cannot be written: " + reason(), path.string());
    const bool good = ::fsync(file) == 0;
    const std::string why = good ? "" : reason();
    ::close(file);
    if (!good)
        return fail("cannot be written: " + why, path.string());
    return {};
}

/// Renames to a name that nothing has: 0, or the system's error number. File systems that know no such renaming get a
/// second name, or an empty file made for the purpose that is renamed over.
int renameToFreeName(const fs::path& from, const fs::path& to)
{
    if (::renameat2(AT_FDCWD, from.c_str(), AT_FDCWD, to.c_str(), RENAME_NOREPLACE) == 0)
        return 0;
    if (errno != EINVAL && errno != ENOSYS)
        return errno;
    if (::link(from.c_str(), to.c_str()) == 0)
        return ::unlink(from.c_str()) == 0 ? 0 : errno;
    if (errno == EEXIST)
        return errno;
    const int place = ::open(to.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_NOFOLLOW | O_CLOEXEC, 0666);
    if (place < 0)
        return errno;
    ::close(place);
    return ::rename(from.c_str(), to.c_str()) == 0 ? 0 : errno;
}

}  // namespace

fs::path AtomicFile::makeTemporary(const fs::path& target)
{
    const fs::path folder = target.parent_path();
    for (int tries = 0;; ++tries) {
        std::uint64_t number = 0;
        if (::getrandom(&number, sizeof number, 0) != sizeof number)
            number = static_cast<std::uint64_t>(std::chrono::steady_clock::now().time_since_epoch().count());
        const fs::path path = folder / (std::string(kPrefix) + machine() + "-" + std::to_string(::getpid()) + "-" +
                                        hex(number) + target.extension().string());
        const int file = ::open(path.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_NOFOLLOW | O_CLOEXEC, 0666);
        if (file >= 0)
            ::close(file);
        if (file >= 0 || errno != EEXIST || tries == 100)
            return path;
    }
}

bool AtomicFile::isTemporaryName(const fs::path& path) { return path.filename().string().rfind(kPrefix, 0) == 0; }

AtomicFile::AtomicFile(fs::path target, std::string replaces)
    : m_target(std::move(target)), m_temporary(makeTemporary(m_target)), m_replaces(std::move(replaces))
{
}

AtomicFile::AtomicFile(fs::path target, WrittenFiles* written)
    : AtomicFile(target, written ? written->hashOf(target) : std::string())
{
    m_written = written;
}

AtomicFile::~AtomicFile()
{
    std::error_code ignored;
    if (!m_done)
        fs::remove(m_temporary, ignored);
}

Status AtomicFile::write(std::string_view bytes)
{
    errno = 0;
    std::ofstream out(m_temporary, std::ios::binary | std::ios::trunc);
    out.write(bytes.data(), static_cast<std::streamsize>(bytes.size()));
    out.flush();
    if (!out)
        return fail("cannot be written: " + (errno ? reason() : "the write failed"), m_target.string());
    return {};
}

Status AtomicFile::putInPlace()
{
    std::error_code error;
    if (!m_replaces.empty() && fs::symlink_status(m_target, error).type() == fs::file_type::regular)
        if (const auto now = contentHashOfFile(m_target); now && *now == m_replaces) {
            if (::rename(m_temporary.c_str(), m_target.c_str()) != 0)
                return fail("cannot be put in place: " + reason(), m_target.string());
            return {};
        }
    const int failure = renameToFreeName(m_temporary, m_target);
    if (failure == EEXIST)
        return fail("a file of this name is there already and is left as it is: choose another name or folder",
                    m_target.string());
    if (failure != 0)
        return fail("cannot be put in place: " + std::string(std::strerror(failure)), m_target.string());
    return {};
}

Status AtomicFile::commit()
{
    if (auto flushed = flush(m_temporary, O_RDONLY); !flushed)
        return fail(flushed.error().what, m_target.string());
    if (m_written) {
        std::error_code error;
        if (const auto hash = contentHashOfFile(m_temporary))
            m_written->add(m_target, *hash, fs::file_size(m_temporary, error));
    }
    if (const Status placed = putInPlace(); !placed)
        return placed;
    m_done = true;
    const fs::path folder = m_target.parent_path();
    (void)flush(folder.empty() ? fs::path(".") : folder, O_RDONLY | O_DIRECTORY);
    return {};
}

Status writeFileAtomically(const fs::path& path, std::string_view bytes, WrittenFiles* written)
{
    AtomicFile file(path, written);
    const Status done = file.write(bytes);
    return done ? file.commit() : done;
}

Status saveFile(const fs::path& path, std::string_view bytes)
{
    WrittenFiles saved = WrittenFiles::ofUser();
    return writeFileAtomically(path, bytes, &saved);
}

Status copyFileAtomically(const fs::path& from, const fs::path& to)
{
    errno = 0;
    std::ifstream in(from, std::ios::binary);
    if (!in)
        return fail("cannot be read: " + reason(), from.string());
    AtomicFile copy(to);
    {
        std::ofstream out(copy.temporaryPath(), std::ios::binary | std::ios::trunc);
        if (in.peek() != std::ifstream::traits_type::eof())
            out << in.rdbuf();
        out.flush();
        if (!out)
            return fail("cannot be written: " + (errno ? reason() : "the write failed"), to.string());
    }
    return copy.commit();
}

Result<std::string> readWholeFile(const fs::path& path, std::size_t limitBytes)
{
    std::error_code error;
    const auto status = fs::status(path, error);
    if (error || status.type() == fs::file_type::not_found)
        return fail("no such file", path.string());
    if (status.type() != fs::file_type::regular)
        return fail("not a file", path.string());
    const auto size = fs::file_size(path, error);
    if (error)
        return fail("cannot be read: " + error.message(), path.string());
    if (size > limitBytes)
        return fail("file too large", path.string(), phrase("at most %1 bytes", {std::to_string(limitBytes)}),
                    std::to_string(size) + " bytes");
    std::ifstream in(path, std::ios::binary);
    std::string bytes(size, '\0');
    in.read(bytes.data(), static_cast<std::streamsize>(size));
    if (!in && size > 0)
        return fail("cannot be read", path.string());
    return bytes;
}

void removeLeftovers(const fs::path& folder)
{
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(folder, error)) {
        const std::string name = entry.path().filename().string(), ours = std::string(kPrefix) + machine() + "-";
        if (name.rfind(ours, 0) != 0 || entry.symlink_status(error).type() != fs::file_type::regular)
            continue;
        const int owner = std::atoi(name.c_str() + ours.size());
        if (owner > 0 && owner != ::getpid() && ::kill(owner, 0) != 0 && errno == ESRCH)
            fs::remove(entry.path(), error);
    }
}

}  // namespace amber
