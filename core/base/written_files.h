// What this program has written, so that it never replaces anything else: a file is replaced only when it is listed
// here and unchanged since.
//
// A delivery keeps its list beside its files (manifest.json); files saved singly are listed under the user's state
// folder. The list holds names and content hashes; a file whose entry was lost counts as somebody else's and is left
// alone. An entry is on the disk before its file has its name: what a killed delivery has written is known when it is
// done again.
#pragma once

#include "core/base/result.h"

#include <filesystem>
#include <map>
#include <mutex>
#include <optional>
#include <string>
#include <vector>

namespace amber {

/// All calls may come from any thread. What was added is saved by save() or when the list goes.
class WrittenFiles {
public:
    /// The list beside the files of a delivery. A manifest.json that is not ours is left alone: ours is then
    /// manifest-2.json, and so on.
    static WrittenFiles ofFolder(const std::filesystem::path& folder);
    /// The list of one of several machines that deliver into the folder together: what the folder's own list and those
    /// of all parts hold counts as ours; what is added is listed by itself (manifest.part-2-of-4.json), so that no two
    /// machines write one list. mergeParts() brings them together.
    static WrittenFiles ofPart(const std::filesystem::path& folder, int part, int parts);
    /// The lists of parts become one with the folder's own and go. How many there were.
    static Result<int> mergeParts(const std::filesystem::path& folder);
    /// The list of files saved singly: under $XDG_STATE_HOME, or ~/.local/state. At most 2,000 are remembered, the
    /// newest.
    static WrittenFiles ofUser();
    ~WrittenFiles();
    WrittenFiles(const WrittenFiles&) = delete;
    WrittenFiles& operator=(const WrittenFiles&) = delete;

    /// The hash of what was written under this name; empty when nothing was.
    std::string hashOf(const std::filesystem::path& file) const;
    /// Whether a file of this name is ours by name and size: what a plan can ask for thousands of files. Its content is
    /// compared when it is replaced.
    bool seemsOurs(const std::filesystem::path& file) const;
    struct File {
        std::string name, hash;
        std::uintmax_t bytes = 0;
        long long when = 0;  ///< seconds since 1970, UTC
        std::string facts;   ///< what was told of it: JSON, empty when nothing was
    };
    /// What all lists of a folder hold, by name; nothing is written.
    static std::vector<File> listedIn(const std::filesystem::path& folder);
    /// The file's name of a listed name.
    static std::filesystem::path fileName(const std::string& listed);
    std::optional<File> of(const std::filesystem::path& file) const;
    /// All, by name.
    std::vector<File> all() const;
    /// What is to be listed beside a file's hash: a JSON object. To be called before the file is added.
    void tell(const std::filesystem::path& file, std::string facts);
    /// To be called before the file gets its name.
    void add(const std::filesystem::path& file, const std::string& hash, std::uintmax_t bytes);
    /// Joins what was added with what others have added meanwhile.
    Status save();
    const std::filesystem::path& listFile() const { return m_list; }

private:
    struct Entry {
        std::string hash;
        std::uintmax_t bytes = 0;
        long long when = 0;
        std::string facts;
    };
    using Entries = std::map<std::string, Entry>;
    WrittenFiles(std::filesystem::path list, bool isBeside, std::size_t limit, Entries elsewhere = {});
    static std::vector<File> filesOf(const Entries& entries);
    static std::filesystem::path listOf(const std::filesystem::path& folder);
    static Entries entriesElsewhere(const std::filesystem::path& folder, const std::filesystem::path& own);
    std::string nameOf(const std::filesystem::path& file) const;
    static Result<Entries> parse(const std::string& text);
    static std::string line(const std::string& name, const Entry& entry);
    void readJournals();

    std::filesystem::path
        m_journal;  ///< what was added and is not in the list yet, a line each; made for the first of them

    std::filesystem::path m_list;
    bool m_isBeside = false;  ///< names are those of files beside the list; else whole paths
    std::size_t m_limit;
    mutable std::mutex m_mutex;
    Entries m_known, m_fresh;
    Entries m_elsewhere;  ///< what other lists of the folder hold
    std::map<std::string, std::string> m_told;
};

}  // namespace amber
