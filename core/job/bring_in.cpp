#include "core/job/bring_in.h"

#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <set>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr std::uintmax_t kSpare = 4 << 20;  // bytes of disk left for the job itself

std::string lower(std::string s)
{
    std::transform(s.begin(), s.end(), s.begin(), [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return s;
}

/// name.xmp and name.ext.xmp beside a picture, in any case.
std::vector<fs::path> sidecarsOf(const fs::path& picture)
{
    std::vector<fs::path> found;
    std::set<std::string> seen;
    for (const char* ending : {".xmp", ".XMP"})
        for (const std::string& name : {picture.stem().string() + ending, picture.filename().string() + ending}) {
            const fs::path path = picture.parent_path() / name;
            std::error_code error;
            if (fs::is_regular_file(path, error) && seen.insert(lower(name)).second)
                found.push_back(path);
        }
    return found;
}

/// The name a copy gets: its own, or with -2, -3 when another content has it. `wasThere` when this very content has it.
fs::path targetFor(const fs::path& source, const fs::path& folder, const std::string& hash,
                   const std::set<fs::path>& taken, bool& wasThere)
{
    for (int n = 1;; ++n) {
        const fs::path target =
            folder / (n == 1 ? source.filename().string()
                             : source.stem().string() + "-" + std::to_string(n) + source.extension().string());
        if (taken.count(target))
            continue;
        std::error_code error;
        if (!fs::exists(target, error))
            return target;
        if (const auto other = contentHashOfFile(target); other && *other == hash) {
            wasThere = true;
            return target;
        }
    }
}

/// Copies a sidecar; one that is there already counts when it holds the same.
Status carry(const fs::path& sidecar, const fs::path& to)
{
    std::error_code error;
    if (fs::symlink_status(to, error).type() == fs::file_type::not_found)
        return copyFileAtomically(sidecar, to);
    const auto one = contentHashOfFile(sidecar), other = contentHashOfFile(to);
    if (one && other && *one == *other)
        return {};
    return fail("was not copied: another file of that name is there and is left as it is", sidecar.filename().string());
}

bool isFull(const fs::path& folder, std::uintmax_t needed)
{
    std::error_code error;
    const fs::space_info space = fs::space(folder, error);
    return !error && space.available < needed + kSpare;
}

/// One pass over the files: what is known by content, and what was made.
class BringingIn {
public:
    explicit BringingIn(const BringIn& what) : m_what(what), m_known(what.known) {}

    BroughtIn run(const std::function<void(int, int)>& progress, const CancelToken& cancel)
    {
        if (!m_what.folder.empty() && !prepareFolder())
            return m_result;
        for (const fs::path& source : m_what.sources) {
            if (cancel.isCancelled()) {
                m_result.isCancelled = true;
                break;
            }
            Arrival arrival;
            arrival.source = source;
            if (!takeIn(arrival)) {
                m_result.stopped = m_what.folder.string() + ": the disk is full";
                break;
            }
            m_result.arrivals.push_back(std::move(arrival));
            if (progress)
                progress(static_cast<int>(m_result.arrivals.size()), static_cast<int>(m_what.sources.size()));
        }
        return m_result;
    }

private:
    bool prepareFolder()
    {
        std::error_code error;
        fs::create_directories(m_what.folder, error);
        if (error || !fs::is_directory(m_what.folder)) {
            m_result.stopped = m_what.folder.string() + ": the folder cannot be made" +
                               (error ? ": " + error.message() : std::string());
            return false;
        }
        removeLeftovers(m_what.folder);
        return true;
    }

    /// False when the disk is full.
    bool takeIn(Arrival& a)
    {
        const auto hash = contentHashOfFile(a.source);
        if (!hash) {
            a.fault = hash.error().message();
            return true;
        }
        a.hash = *hash;
        const auto same = m_known.find(a.hash);
        std::error_code error;
        if (same != m_known.end() && !fs::equivalent(same->second, a.source, error))
            a.duplicateOf = same->second;
        else if (m_what.folder.empty())
            m_known[a.hash] = a.target = a.source;
        else
            return copyIn(a);
        return true;
    }

    bool copyIn(Arrival& a)
    {
        std::error_code error;
        const fs::path target = targetFor(a.source, m_what.folder, a.hash, m_taken, a.wasThere);
        const auto size = fs::file_size(a.source, error);
        if (!a.wasThere && isFull(m_what.folder, error ? 0 : size))
            return false;
        if (!a.wasThere)
            a.fault = copied(a, target);
        if (!a.fault.empty())
            return !isFull(m_what.folder, 0);
        m_known[a.hash] = a.target = target;
        m_taken.insert(target);
        carrySidecars(a);
        return true;
    }

    /// Why it is not there; empty when it is.
    static std::string copied(const Arrival& a, const fs::path& target)
    {
        if (const Status made = copyFileAtomically(a.source, target); !made)
            return made.error().message();
        if (const auto again = contentHashOfFile(target); again && *again == a.hash)
            return {};
        std::error_code error;
        fs::remove(target, error);
        return a.source.string() + ": changed while it was copied, or the copy is not what was read";
    }

    static void carrySidecars(Arrival& a)
    {
        for (const fs::path& sidecar : sidecarsOf(a.source)) {
            const bool whole = lower(sidecar.filename().string()).rfind(lower(a.source.filename().string()), 0) == 0;
            const fs::path to = a.target.parent_path() / ((whole ? a.target.filename() : a.target.stem()).string() +
                                                          sidecar.extension().string());
            if (const Status carried = carry(sidecar, to))
                ++a.sidecars;
            else
                a.sidecarFault = carried.error().message();
        }
    }

    const BringIn& m_what;
    std::map<std::string, fs::path> m_known;
    std::set<fs::path> m_taken;
    BroughtIn m_result;
};

}  // namespace

std::vector<fs::path> BroughtIn::targets() const
{
    std::vector<fs::path> all;
    for (const Arrival& a : arrivals)
        if (!a.target.empty())
            all.push_back(a.target);
    return all;
}

int BroughtIn::duplicates() const
{
    return static_cast<int>(
        std::count_if(arrivals.begin(), arrivals.end(), [](const Arrival& a) { return !a.duplicateOf.empty(); }));
}

int BroughtIn::faults() const
{
    return static_cast<int>(
        std::count_if(arrivals.begin(), arrivals.end(), [](const Arrival& a) { return !a.fault.empty(); }));
}

BroughtIn bringIn(const BringIn& what, const std::function<void(int, int)>& progress, const CancelToken& cancel)
{
    return BringingIn(what).run(progress, cancel);
}

namespace {
bool isPicture(const fs::directory_entry& entry, const std::vector<std::string>& endings)
{
    std::error_code ignored;
    return entry.is_regular_file(ignored) &&
           std::find(endings.begin(), endings.end(), lower(entry.path().extension().string())) != endings.end();
}
}  // namespace

const std::vector<std::string>& pictureEndings()
{
    static const std::vector<std::string> kEndings{
        ".jpg", ".jpeg", ".png", ".tif", ".tiff", ".webp", ".exr", ".dng", ".3fr", ".arw", ".cr2",
        ".cr3", ".crw",  ".dcr", ".erf", ".fff",  ".iiq",  ".kdc", ".mef", ".mos", ".mrw", ".nef",
        ".nrw", ".orf",  ".pef", ".raf", ".raw",  ".rw2",  ".rwl", ".sr2", ".srf", ".srw", ".x3f"};
    return kEndings;
}

Result<std::vector<fs::path>> picturesIn(const fs::path& folder, const std::vector<std::string>& endings)
{
    std::vector<fs::path> found;
    std::error_code error;
    fs::directory_iterator it(folder, error);
    for (; !error && it != fs::directory_iterator(); it.increment(error))
        if (it->path().filename().string().front() != '.' && isPicture(*it, endings))
            found.push_back(it->path());
    if (error)
        return fail("the folder cannot be read: " + error.message(), folder.string());
    std::sort(found.begin(), found.end());
    return found;
}

std::vector<fs::path> picturesUnder(const fs::path& folder, const std::vector<std::string>& endings)
{
    std::vector<fs::path> found;
    std::error_code error;
    for (auto it = fs::recursive_directory_iterator(folder, fs::directory_options::skip_permission_denied, error);
         !error && it != fs::recursive_directory_iterator(); it.increment(error)) {
        const std::string name = it->path().filename().string();
        std::error_code ignored;
        if (name.empty() || name[0] == '.') {
            if (it->is_directory(ignored))
                it.disable_recursion_pending();
            continue;
        }
        if (isPicture(*it, endings))
            found.push_back(it->path());
    }
    std::sort(found.begin(), found.end());
    return found;
}

}  // namespace amber
