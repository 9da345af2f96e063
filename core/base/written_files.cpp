#include "core/base/written_files.h"

#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"
#include "core/base/json_text.h"

#include <algorithm>
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
constexpr const char *kKind = "jolly-amber written files", *kJournalEnding = ".list";

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

WrittenFiles::WrittenFiles(fs::path list, bool isBeside, std::size_t limit)
    : m_list(std::move(list)), m_isBeside(isBeside), m_limit(limit)
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

WrittenFiles WrittenFiles::ofFolder(const fs::path& folder)
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
    return {list, true, kFolderLimit};
}

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
            entries[text("name")] = {text("hash"), static_cast<std::uintmax_t>(number("bytes")), number("when")};
    }
    return entries;
}

std::string WrittenFiles::hashOf(const fs::path& file) const
{
    const std::lock_guard lock(m_mutex);
    for (const Entries* entries : {&m_fresh, &m_known})
        if (const auto found = entries->find(nameOf(file)); found != entries->end())
            return found->second.hash;
    return {};
}

bool WrittenFiles::seemsOurs(const fs::path& file) const
{
    const std::lock_guard lock(m_mutex);
    std::error_code error;
    for (const Entries* entries : {&m_fresh, &m_known})
        if (const auto found = entries->find(nameOf(file)); found != entries->end())
            return fs::symlink_status(file, error).type() == fs::file_type::regular &&
                   fs::file_size(file, error) == found->second.bytes && !error;
    return false;
}

void WrittenFiles::add(const fs::path& file, const std::string& hash, std::uintmax_t bytes)
{
    const std::lock_guard lock(m_mutex);
    const Entry entry{hash, bytes, static_cast<long long>(std::time(nullptr))};
    m_fresh[nameOf(file)] = entry;
    if (!m_isBeside)
        return;
    // An entry that cannot be written down is only missed after a kill.
    if (m_journal.empty())
        m_journal = AtomicFile::makeTemporary(m_list.parent_path() / (std::string("list") + kJournalEnding));
    const int journal = ::open(m_journal.c_str(), O_WRONLY | O_APPEND | O_NOFOLLOW | O_CLOEXEC);
    if (journal < 0)
        return;
    const std::string line =
        jsonText({{"name", nameOf(file)}, {"hash", entry.hash}, {"bytes", entry.bytes}, {"when", entry.when}}) + "\n";
    (void)!::write(journal, line.data(), line.size());
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
        files.push_back({{"name", name}, {"hash", entry.hash}, {"bytes", entry.bytes}, {"when", entry.when}});
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
