#include "core/base/atomic_file.h"

#include <atomic>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fstream>
#include <signal.h>
#include <unistd.h>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr std::string_view kPrefix = ".amber-part-";

fs::path temporaryName(const fs::path& target)
{
    static std::atomic<unsigned> counter{0};
    std::string name(kPrefix);
    name += std::to_string(::getpid()) + "-" + std::to_string(counter++) + target.extension().string();
    return target.parent_path() / name;
}

std::string reason() { return std::strerror(errno); }

Status flush(const fs::path& path, int flags)
{
    const int file = ::open(path.c_str(), flags);
    if (file < 0)
        return fail("cannot be written: " + reason(), path.string());
    const bool good = ::fsync(file) == 0;
    const std::string why = good ? "" : reason();
    ::close(file);
    if (!good)
        return fail("cannot be written: " + why, path.string());
    return {};
}

}  // namespace

AtomicFile::AtomicFile(fs::path target) : m_target(std::move(target)), m_temporary(temporaryName(m_target)) {}

AtomicFile::~AtomicFile()
{
    std::error_code ignored;
    if (!m_done)
        fs::remove(m_temporary, ignored);
}

Status AtomicFile::commit()
{
    if (auto flushed = flush(m_temporary, O_RDONLY); !flushed)
        return fail(flushed.error().what, m_target.string());
    if (::rename(m_temporary.c_str(), m_target.c_str()) != 0)
        return fail("cannot be put in place: " + reason(), m_target.string());
    m_done = true;
    const fs::path folder = m_target.parent_path();
    (void)flush(folder.empty() ? fs::path(".") : folder, O_RDONLY | O_DIRECTORY);
    return {};
}

Status writeFileAtomically(const fs::path& path, std::string_view bytes)
{
    AtomicFile file(path);
    {
        errno = 0;
        std::ofstream out(file.temporaryPath(), std::ios::binary | std::ios::trunc);
        out.write(bytes.data(), static_cast<std::streamsize>(bytes.size()));
        out.flush();
        if (!out)
            return fail("cannot be written: " + (errno ? reason() : "the write failed"), path.string());
    }
    return file.commit();
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
        return fail("file too large", path.string(), "at most " + std::to_string(limitBytes) + " bytes", std::to_string(size) + " bytes");
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
        const std::string name = entry.path().filename().string();
        if (name.rfind(kPrefix, 0) != 0)
            continue;
        const int owner = std::atoi(name.c_str() + kPrefix.size());
        if (owner > 0 && owner != ::getpid() && ::kill(owner, 0) != 0 && errno == ESRCH)
            fs::remove(entry.path(), error);
    }
}

}  // namespace amber
