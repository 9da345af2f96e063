#include "core/base/shelf.h"

#include <cerrno>
#include <fcntl.h>
#include <unistd.h>

namespace amber {
namespace {

/// All of it, or false.
template <class Call>
bool wholly(std::size_t size, const Call& call)
{
    for (std::size_t done = 0; done < size;) {
        const ssize_t n = call(done);
        if (n < 0 && errno == EINTR)
            continue;
        if (n <= 0)
            return false;
        done += static_cast<std::size_t>(n);
    }
    return true;
}

}  // namespace

Shelf::Shelf(std::filesystem::path folder, std::size_t inMemory, std::size_t inAll)
    : m_folder(std::move(folder)), m_inMemory(inMemory), m_inAll(inAll)
{
}

Shelf::~Shelf()
{
    if (m_file >= 0)
        ::close(m_file);
}

bool Shelf::openFile()
{
    if (m_file >= 0 || m_fileRefused)
        return m_file >= 0;
    std::error_code error;
    std::filesystem::create_directories(m_folder, error);
    std::string name = m_folder / "shelf-XXXXXX";
    m_file = ::mkostemp(name.data(), O_CLOEXEC);
    if (m_file >= 0)
        ::unlink(name.c_str());
    m_fileRefused = m_file < 0;
    return m_file >= 0;
}

bool Shelf::write(Block& block)
{
    if (block.place >= 0)
        return true;
    if (!openFile())
        return false;
    const auto free = m_free.find(block.size);
    const std::int64_t place = free != m_free.end() ? free->second : m_end;
    const bool isWritten = wholly(block.size, [&](std::size_t done) {
        return ::pwrite(m_file, block.here->data() + done, block.size - done, place + static_cast<off_t>(done));
    });
    if (!isWritten)
        return false;
    if (free != m_free.end())
        m_free.erase(free);
    else
        m_end += static_cast<std::int64_t>(block.size);
    block.place = place;
    return true;
}

void Shelf::bringHere(const std::string& name, Block& block, std::shared_ptr<const Bytes> bytes)
{
    block.here = std::move(bytes);
    block.useHere = m_usesHere.insert(m_usesHere.end(), name);
    m_bytesHere += block.size;
}

void Shelf::leaveHere(Block& block)
{
    if (!block.here)
        return;
    block.here.reset();
    m_usesHere.erase(block.useHere);
    m_bytesHere -= block.size;
}

void Shelf::remove(Blocks::iterator at)
{
    Block& block = at->second;
    leaveHere(block);
    m_bytesInAll -= block.size;
    if (block.place >= 0)
        m_free.emplace(block.size, block.place);
    m_uses.erase(block.use);
    m_blocks.erase(at);
}

void Shelf::keepWithinLimits()
{
    while (m_bytesInAll > m_inAll && m_uses.size() > 1)
        remove(m_blocks.find(m_uses.front()));
    // The last used one stays, so that it can be given.
    while (m_bytesHere > m_inMemory && m_usesHere.size() > 1) {
        Block& block = m_blocks.at(m_usesHere.front());
        if (!write(block))
            return;
        leaveHere(block);
    }
}

void Shelf::put(const std::string& name, Bytes bytes)
{
    const std::lock_guard lock(m_mutex);
    if (const auto old = m_blocks.find(name); old != m_blocks.end())
        remove(old);
    Block& block = m_blocks[name];
    block.size = bytes.size();
    block.use = m_uses.insert(m_uses.end(), name);
    m_bytesInAll += block.size;
    bringHere(name, block, std::make_shared<const Bytes>(std::move(bytes)));
    keepWithinLimits();
}

std::shared_ptr<const Bytes> Shelf::get(const std::string& name)
{
    const std::lock_guard lock(m_mutex);
    const auto found = m_blocks.find(name);
    if (found == m_blocks.end())
        return nullptr;
    Block& block = found->second;
    m_uses.splice(m_uses.end(), m_uses, block.use);
    if (block.here) {
        m_usesHere.splice(m_usesHere.end(), m_usesHere, block.useHere);
        return block.here;
    }
    auto bytes = std::make_shared<Bytes>(block.size);
    const bool isRead = wholly(block.size, [&](std::size_t done) {
        return ::pread(m_file, bytes->data() + done, block.size - done, block.place + static_cast<off_t>(done));
    });
    if (!isRead) {
        remove(found);
        return nullptr;
    }
    bringHere(name, block, bytes);
    keepWithinLimits();
    return bytes;
}

bool Shelf::has(const std::string& name) const
{
    const std::lock_guard lock(m_mutex);
    return m_blocks.contains(name);
}

void Shelf::drop(const std::string& name)
{
    const std::lock_guard lock(m_mutex);
    if (const auto found = m_blocks.find(name); found != m_blocks.end())
        remove(found);
}

void Shelf::clear()
{
    const std::lock_guard lock(m_mutex);
    m_blocks.clear(), m_uses.clear(), m_usesHere.clear(), m_free.clear();
    m_bytesHere = m_bytesInAll = 0;
    m_end = 0;
    if (m_file >= 0 && ::ftruncate(m_file, 0) != 0) {
        ::close(m_file);
        m_file = -1;
    }
}

std::size_t Shelf::bytesInMemory() const
{
    const std::lock_guard lock(m_mutex);
    return m_bytesHere;
}

std::size_t Shelf::bytesInAll() const
{
    const std::lock_guard lock(m_mutex);
    return m_bytesInAll;
}

}  // namespace amber
