// The pictures of a job: where they are, what is known of them.
#include "core/base/content_hash.h"
#include "core/job/job_state.h"

#include <algorithm>
#include <cstdlib>
#include <fstream>
#include <set>

namespace amber {
namespace fs = std::filesystem;
namespace {

bool looksLikeAJob(const fs::path& file)
{
    std::ifstream in(file, std::ios::binary);
    char head[72] = {};
    in.read(head, sizeof head);
    return in.gcount() == sizeof head && std::string_view(head, 15) == "SQLite format 3" &&
           std::string_view(head + 68, 4) == "JABJ";
}

fs::path userJobs()
{
    const char* data = std::getenv("XDG_DATA_HOME");
    const char* home = std::getenv("HOME");
    return (data && *data ? fs::path(data) : fs::path(home ? home : "/tmp") / ".local/share") / "jolly-amber/jobs";
}

}  // namespace

std::vector<fs::path> JobStore::jobsInFolder(const fs::path& folder)
{
    const fs::path absolute = fs::absolute(folder / "").lexically_normal().parent_path();
    std::vector<std::pair<fs::file_time_type, fs::path>> found;
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(absolute, error)) {
        std::error_code ignored;
        if (entry.path().extension() == ".amberjob" && entry.is_regular_file(ignored) && looksLikeAJob(entry.path())) {
            const auto log = fs::last_write_time(entry.path().string() + "-wal", ignored);
            const bool hasLog = !ignored;
            const auto itself = fs::last_write_time(entry.path(), ignored);
            found.emplace_back(hasLog ? std::max(log, itself) : itself, entry.path());
        }
    }
    const auto isNamesake = [&](const fs::path& job) { return job.stem() == absolute.filename(); };
    std::sort(found.begin(), found.end(), [&](const auto& p, const auto& q) {
        if (isNamesake(p.second) != isNamesake(q.second))
            return isNamesake(p.second);
        return p.first != q.first ? p.first > q.first : p.second < q.second;
    });
    std::vector<fs::path> jobs;
    for (auto& [when, job] : found)
        jobs.push_back(std::move(job));
    return jobs;
}

fs::path JobStore::fileForFolder(const fs::path& folder)
{
    if (const auto jobs = jobsInFolder(folder); !jobs.empty())
        return jobs.front();
    const fs::path absolute = fs::absolute(folder / "").lexically_normal().parent_path();
    const std::string name = absolute.filename().empty() ? std::string("pictures") : absolute.filename().string();
    if (canWrite(absolute))
        return absolute / (name + ".amberjob");
    std::error_code ignored;
    fs::create_directories(userJobs(), ignored);
    return userJobs() / (name + "-" + contentHash(absolute.string()).substr(0, 12) + ".amberjob");
}

Status JobStore::addFrames(const std::vector<fs::path>& paths)
{
    const auto known = frames();
    if (!known)
        return tl::make_unexpected(known.error());
    return guarded(file(), [&] {
        std::set<fs::path> places;
        for (const Frame& frame : *known)
            places.insert(frame.path);
        SQLite::Transaction transaction(m_state->sql);
        SQLite::Statement insert(m_state->sql, "INSERT INTO frame (path, seen, bytes) VALUES (?, ?, 0)");
        for (const fs::path& path : paths) {
            const fs::path absolute = fs::absolute(path).lexically_normal();
            if (!places.insert(absolute).second)
                continue;
            insert.bind(1, m_state->relativePlace(absolute));
            insert.bind(2, absolute.string());
            insert.exec();
            insert.reset();
        }
        transaction.commit();
    });
}

Result<std::vector<Frame>> JobStore::frames() const
{
    return guarded(file(), [&] {
        std::vector<Frame> all;
        std::set<fs::path> taken;
        std::error_code error;
        SQLite::Statement query(m_state->sql, "SELECT id, path, seen, hash, fault, bytes FROM frame ORDER BY id");
        while (query.executeStep()) {
            const std::string kept = query.getColumn(1).getString();
            const fs::path place = placeOf(kept), seen = query.getColumn(2).getString();
            Frame frame{query.getColumn(0).getInt64(),
                        place,
                        query.getColumn(3).getString(),
                        query.getColumn(4).getString(),
                        static_cast<std::uintmax_t>(query.getColumn(5).getInt64()),
                        false};
            // A picture that is nowhere is lost, and so is one whose place another frame has.
            if (kept.empty() || !fs::exists(place, error)) {
                frame.path = seen;
                frame.isLost = kept.empty() || !fs::exists(seen, error);
            }
            if (!frame.isLost && !taken.insert(frame.path).second)
                frame.isLost = true;
            // Another picture may have its name now: that one must not be read in its stead.
            if (frame.isLost && fs::exists(frame.path, error))
                frame.path = frame.path.parent_path() / "lost" / frame.path.filename();
            all.push_back(std::move(frame));
        }
        return all;
    });
}

std::string JobStore::keptPlace(const fs::path& place) const
{
    const fs::path absolute = fs::absolute(place).lexically_normal(),
                   relative = absolute.lexically_relative(folderOf(file()));
    return relative.empty() || *relative.begin() == ".." ? absolute.string() : relative.string();
}

fs::path JobStore::placeOf(const std::string& kept) const
{
    if (kept.empty())
        return {};
    const fs::path place = (folderOf(file()) / kept).lexically_normal();
    return place.has_filename() ? place : place.parent_path();
}

Status JobStore::setFrameContents(const std::vector<Content>& contents)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_state->sql);
        SQLite::Statement update(m_state->sql, "UPDATE frame SET hash = ?, bytes = ? WHERE id = ?");
        for (const Content& c : contents) {
            update.bind(1, c.hash);
            update.bind(2, static_cast<std::int64_t>(c.bytes));
            update.bind(3, c.frame);
            update.exec();
            update.reset();
        }
        transaction.commit();
    });
}

Status JobStore::moveFrames(const std::vector<std::pair<FrameId, fs::path>>& places)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_state->sql);
        for (const auto& [frame, place] : places) {
            const fs::path absolute = fs::absolute(place).lexically_normal();
            m_state->run("UPDATE frame SET path = ?, seen = ?, fault = '' WHERE id = ?",
                         m_state->relativePlace(absolute), absolute.string(), frame);
        }
        transaction.commit();
    });
}

Status JobStore::loseFrames(const std::vector<FrameId>& frames)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_state->sql);
        for (const std::int64_t frame : frames)
            m_state->run("UPDATE frame SET path = ? WHERE id = ?", "", frame);
        transaction.commit();
    });
}

Status JobStore::setFrameFault(FrameId frame, const std::string& fault)
{
    return guarded(file(), [&] { m_state->run("UPDATE frame SET fault = ? WHERE id = ?", fault, frame); });
}

}  // namespace amber
