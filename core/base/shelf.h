// Blocks of bytes by name: those last used in memory, the others in a file without a name, which is gone with the
// program.
#pragma once

#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <list>
#include <map>
#include <memory>
#include <mutex>
#include <string>
#include <vector>

namespace amber {

using Bytes = std::vector<char>;

/// For what can be made again but takes long. Any thread may use it. Where the file cannot be written (no folder, a
/// full disk), blocks stay in memory: nothing that was put is lost before it is dropped.
class Shelf {
public:
    /// `folder`: where the file lies, made when missing. `inMemory`: bytes that may stay in memory beside the last used
    /// block. `inAll`: beyond it, the blocks not used for longest are dropped.
    Shelf(std::filesystem::path folder, std::size_t inMemory, std::size_t inAll);
    ~Shelf();
    Shelf(const Shelf&) = delete;
    Shelf& operator=(const Shelf&) = delete;

    void put(const std::string& name, Bytes bytes);
    /// Null: there is no such block, or its file cannot be read.
    std::shared_ptr<const Bytes> get(const std::string& name);
    bool has(const std::string& name) const;
    void drop(const std::string& name);
    void clear();
    std::size_t bytesInMemory() const;
    std::size_t bytesInAll() const;

private:
    struct Block {
        std::shared_ptr<const Bytes> here;  ///< null: only in the file
        std::size_t size = 0;
        std::int64_t place = -1;                        ///< in the file; -1: not written
        std::list<std::string>::iterator use, useHere;  ///< in m_uses; in m_usesHere, while it is here
    };
    using Blocks = std::map<std::string, Block>;
    void bringHere(const std::string& name, Block& block, std::shared_ptr<const Bytes> bytes);
    void leaveHere(Block& block);
    void remove(Blocks::iterator block);
    void keepWithinLimits();
    bool write(Block& block);
    bool openFile();

    const std::filesystem::path m_folder;
    const std::size_t m_inMemory, m_inAll;
    mutable std::mutex m_mutex;
    Blocks m_blocks;
    std::list<std::string> m_uses, m_usesHere;  ///< the oldest first; m_usesHere: of those in memory
    std::size_t m_bytesHere = 0, m_bytesInAll = 0;
    int m_file = -1;
    bool m_fileRefused = false;
    std::int64_t m_end = 0;
    std::multimap<std::size_t, std::int64_t> m_free;  ///< places of dropped blocks, by their size
};

}  // namespace amber
