#include "core/base/written_files.h"

#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"
#include "core/base/json_text.h"

#include <algorithm>
#include <charconv>
#include <cstdlib>
#include <ctime>
#include <fcntl.h>
#include <sstream>
#include <sys/file.h>
#include <unistd.h>
#include <utility>
#include <vector>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr std::size_t kListLimitBytes = std::size_t{64} << 20, kUserLimit = 2000, kFolderLimit = 1'000'000;
constexpr const char *kKind = "jolly-amber written files", *kJournalEnding = ".list", *kPart = "manifest.part-";

std::vector<fs::path> partLists(const fs::path& folder)
{
    std::vector<fs::path> lists;
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(folder, error))
        if (entry.path().filename().string().starts_with(kPart) && entry.path().extension() == ".json")
            lists.push_back(entry.path());
    std::sort(lists.begin(), lists.end());
    return lists;
}

/// Held while a list is read, joined and written: several of us may deliver into one folder.
class FolderLock {
public:
    explicit FolderLock(const fs::path& folder)
        : m_file(::open(folder.empty() ? "." : folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC))
    {
        if (m_file >= 0)
            (void)::flock(m_file, LOCK_EX);
    }
    ~FolderLock()
    {
        if (m_file >= 0)
            ::close(m_file);
    }
    FolderLock(const FolderLock&) = delete;
    FolderLock& operator=(const FolderLock&) = delete;

private:
    int m_file;
};

}  // namespace

WrittenFiles::WrittenFiles(fs::path list, bool isBeside, std::size_t limit, Entries elsewhere)
    : m_list(std::move(list)), m_isBeside(isBeside), m_limit(limit), m_elsewhere(std::move(elsewhere))
{
    if (const auto text = readWholeFile(m_list, kListLimitBytes))
        if (auto entries = parse(*text))
            m_known = std::move(*entries);
    if (m_isBeside)
        readJournals();
}

void WrittenFiles::readJournals()
{
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(m_list.parent_path(), error)) {
        if (entry.path().extension() != kJournalEnding || !AtomicFile::isTemporaryName(entry.path()))
            continue;
        std::istringstream lines(readWholeFile(entry.path(), kListLimitBytes).value_or(""));
        for (std::string line; std::getline(lines, line);)
            if (auto one = parse("{\"kind\": \"" + std::string(kKind) + "\", \"files\": [" + line +
                                 "]}"))  // the last line may have been cut short
                m_fresh.merge(*one);
    }
}

/// manifest.json, or what stands in its place where somebody else has a file of that name.
fs::path WrittenFiles::listOf(const fs::path& folder)
{
    constexpr int kTries = 1000;
    fs::path list = folder / "manifest.json";
    for (int n = 2; n < kTries; ++n) {
        std::error_code error;
        if (fs::symlink_status(list, error).type() == fs::file_type::not_found)
            break;
        if (const auto text = readWholeFile(list, kListLimitBytes); text && parse(*text))
            break;
        list = folder / ("manifest-" + std::to_string(n) + ".json");
    }
    return list;
}

std::vector<WrittenFiles::File> WrittenFiles::filesOf(const Entries& entries)
{
    std::vector<File> files;
    for (const auto& [name, e] : entries)
        files.push_back({name, e.hash, e.bytes, e.when, e.facts});
    return files;
}

std::vector<WrittenFiles::File> WrittenFiles::listedIn(const fs::path& folder)
{
    return filesOf(entriesElsewhere(folder, {}));
}

WrittenFiles::Entries WrittenFiles::entriesElsewhere(const fs::path& folder, const fs::path& own)
{
    std::vector<fs::path> lists = partLists(folder);
    lists.push_back(listOf(folder));
    Entries all;
    for (const fs::path& list : lists)
        if (const auto text = readWholeFile(list, kListLimitBytes); text && list != own)
            if (auto entries = parse(*text))
                all.merge(*entries);
    return all;
}

WrittenFiles WrittenFiles::ofPart(const fs::path& folder, int part, int parts)
{
    const fs::path list = folder / (kPart + std::to_string(part) + "-of-" + std::to_string(parts) + ".json");
    return {list, true, kFolderLimit, entriesElsewhere(folder, list)};
}

Result<int> WrittenFiles::mergeParts(const fs::path& folder)
{
    const std::vector<fs::path> lists = partLists(folder);
    WrittenFiles whole = ofFolder(folder);
    std::vector<fs::path> read;
    for (const fs::path& list : lists) {
        const auto text = readWholeFile(list, kListLimitBytes);
        auto entries = text ? parse(*text) : tl::make_unexpected(text.error());
        if (!entries)
            return fail("the list of a part cannot be read: " + entries.error().what, list.string());
        for (auto& [name, entry] : *entries)
            if (const auto own = whole.m_known.find(name); own == whole.m_known.end() || own->second.when <= entry.when)
                whole.m_fresh[name] = std::move(entry);
        read.push_back(list);
    }
    if (const Status saved = whole.save(); !saved)
        return tl::make_unexpected(saved.error());
    std::error_code error;
    for (const fs::path& list : read)
        fs::remove(list, error);
    return static_cast<int>(read.size());
}

WrittenFiles WrittenFiles::ofFolder(const fs::path& folder) { return {listOf(folder), true, kFolderLimit}; }

WrittenFiles WrittenFiles::ofUser()
{
    const char* state = std::getenv("XDG_STATE_HOME");
    const char* home = std::getenv("HOME");
    const fs::path folder = (state && *state ? fs::path(state)
                             : home && *home ? fs::path(home) / ".local/state"
                                             : fs::path()) /
                            "jolly-amber";
    return {folder / "written.json", false, kUserLimit};
}

WrittenFiles::~WrittenFiles() { (void)save(); }

std::string WrittenFiles::nameOf(const fs::path& file) const
{
    const std::string name = m_isBeside ? file.filename().string() : fs::absolute(file).lexically_normal().string();
    if (validUtf8(name) == name)
        return name;
    // A name that is no text, by its bytes.
    std::string bytes = "bytes:";
    for (const char c : name)
        for (const int shift : {4, 0})
            bytes += "0123456789abcdef"[(static_cast<unsigned char>(c) >> shift) & 15];
    return bytes;
}

fs::path WrittenFiles::fileName(const std::string& listed)
{
    constexpr std::string_view kBytes = "bytes:";
    if (!listed.starts_with(kBytes))
        return listed;
    std::string name;
    for (std::size_t i = kBytes.size(); i + 1 < listed.size(); i += 2)
        if (unsigned value = 0; std::from_chars(&listed[i], &listed[i] + 2, value, 16).ec == std::errc())
            name += static_cast<char>(value);
    return name;
}

Result<WrittenFiles::Entries> WrittenFiles::parse(const std::string& text)
{
    const Json all = Json::parse(text, nullptr, false);
    const auto kind = all.is_object() ? all.find("kind") : all.end();
    const auto files = all.is_object() ? all.find("files") : all.end();
    if (kind == all.end() || *kind != kKind || files == all.end() || !files->is_array())
        return fail("not a list of written files");
    Entries entries;
    for (const Json& f : *files) {
        const auto text = [&](const char* name) {
            return f.is_object() && f.contains(name) && f[name].is_string() ? f[name].get<std::string>()
                                                                            : std::string();
        };
        const auto number = [&](const char* name) {
            return f.is_object() && f.contains(name) && f[name].is_number_integer() ? f[name].get<long long>() : 0;
        };
        if (!text("name").empty() && !text("hash").empty())
            entries[text("name")] = {text("hash"), static_cast<std::uintmax_t>(number("bytes")), number("when"),
                                     f.contains("made") && f["made"].is_object() ? jsonText(f["made"]) : std::string()};
    }
    return entries;
}

std::optional<WrittenFiles::File> WrittenFiles::of(const fs::path& file) const
{
    const std::lock_guard lock(m_mutex);
    for (const Entries* entries : {&m_fresh, &m_known, &m_elsewhere})
        if (const auto found = entries->find(nameOf(file)); found != entries->end()) {
            const Entry& e = found->second;
            return File{found->first, e.hash, e.bytes, e.when, e.facts};
        }
    return std::nullopt;
}

std::vector<WrittenFiles::File> WrittenFiles::all() const
{
    const std::lock_guard lock(m_mutex);
    Entries joined = m_fresh;
    joined.insert(m_known.begin(), m_known.end());
    joined.insert(m_elsewhere.begin(), m_elsewhere.end());
    return filesOf(joined);
}

std::string WrittenFiles::hashOf(const fs::path& file) const
{
    const auto found = of(file);
    return found ? found->hash : std::string();
}

bool WrittenFiles::seemsOurs(const fs::path& file) const
{
    const auto found = of(file);
    std::error_code error;
    return found && fs::symlink_status(file, error).type() == fs::file_type::regular &&
           fs::file_size(file, error) == found->bytes && !error;
}

void WrittenFiles::tell(const fs::path& file, std::string facts)
{
    const std::lock_guard lock(m_mutex);
    m_told[nameOf(file)] = std::move(facts);
}

std::string WrittenFiles::line(const std::string& name, const Entry& entry)
{
    Json json{{"name", name}, {"hash", entry.hash}, {"bytes", entry.bytes}, {"when", entry.when}};
    if (const Json made = Json::parse(entry.facts, nullptr, false); made.is_object())
        json["made"] = made;
    return jsonText(json);
}

void WrittenFiles::add(const fs::path& file, const std::string& hash, std::uintmax_t bytes)
{
    const std::lock_guard lock(m_mutex);
    const std::string name = nameOf(file);
    const auto told = m_told.find(name);
    const Entry entry{hash, bytes, static_cast<long long>(std::time(nullptr)),
                      told == m_told.end() ? std::string() : told->second};
    m_fresh[name] = entry;
    if (!m_isBeside)
        return;
    // An entry that cannot be written down is only missed after a kill.
    if (m_journal.empty())
        m_journal = AtomicFile::makeTemporary(m_list.parent_path() / (std::string("list") + kJournalEnding));
    const int journal = ::open(m_journal.c_str(), O_WRONLY | O_APPEND | O_NOFOLLOW | O_CLOEXEC);
    if (journal < 0)
        return;
    const std::string text = line(name, entry) + "\n";
    (void)!::write(journal, text.data(), text.size());
    (void)::fdatasync(journal);
    ::close(journal);
}

Status WrittenFiles::save()
{
    const std::lock_guard lock(m_mutex);
    if (m_fresh.empty())
        return {};
    std::error_code error;
    if (!m_isBeside)
        fs::create_directories(m_list.parent_path(), error);
    const FolderLock folder(m_list.parent_path());
    std::string before;
    if (const auto text = readWholeFile(m_list, kListLimitBytes))
        if (auto entries = parse(*text))
            m_known = std::move(*entries), before = contentHash(*text);
    for (const auto& [name, entry] : m_fresh)
        m_known[name] = entry;
    if (m_known.size() > m_limit) {
        std::vector<std::pair<long long, std::string>> byAge;
        for (const auto& [name, entry] : m_known)
            byAge.emplace_back(entry.when, name);
        std::sort(byAge.begin(), byAge.end());
        for (std::size_t i = 0; i < byAge.size() - m_limit; ++i)
            m_known.erase(byAge[i].second);
    }
    Json files = Json::array();
    for (const auto& [name, entry] : m_known)
        files.push_back(Json::parse(line(name, entry)));
    AtomicFile file(m_list, before);
    if (const Status written =
            file.write(jsonText({{"kind", kKind}, {"format", 1}, {"files", std::move(files)}}, 1) + "\n");
        !written)
        return written;
    const Status placed = file.commit();
    if (placed) {
        m_fresh.clear();
        if (!m_journal.empty())
            fs::remove(std::exchange(m_journal, {}), error);
    }
    return placed;
}

}  // namespace amber
