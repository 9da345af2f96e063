// The pictures of a job: where they are, what is known of them.
#include "core/base/content_hash.h"
#include "core/base/own_files.h"
#include "core/job/job_state.h"

#include <algorithm>
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

fs::path userJobs() { return userDataFolder() / "jobs"; }

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

void JobStore::State::readFrames()
{
    frames.clear(), kept.clear();
    SQLite::Statement query(sql, "SELECT id, path, seen, hash, fault, bytes FROM frame ORDER BY id");
    while (query.executeStep()) {
        kept.push_back({query.getColumn(1).getString(), query.getColumn(2).getString()});
        frames.push_back({query.getColumn(0).getInt64(),
                          {},
                          query.getColumn(3).getString(),
                          query.getColumn(4).getString(),
                          static_cast<std::uintmax_t>(query.getColumn(5).getInt64()),
                          true});
    }
    readCards();
    locateLost();
    readStandInFiles();
    showFrames();
}

void JobStore::State::readCards()
{
    SQLite::Statement query(sql, "SELECT frame, shown, left, top, right, bottom, ratio FROM frame_card");
    while (query.executeStep()) {
        const auto at = std::find_if(frames.begin(), frames.end(),
                                     [id = query.getColumn(0).getInt64()](const Frame& f) { return f.id == id; });
        if (at == frames.end())
            continue;
        const auto real = [&](int column) { return query.getColumn(column).getDouble(); };
        at->cardSought = true;
        if (const ShownCard card{{real(2), real(3), real(4), real(5)}, real(6)};
            query.getColumn(1).getInt() != 0 && card.region.right > card.region.left &&
            card.region.bottom > card.region.top && card.ratio > 0.01 && card.ratio < 100)
            at->card = card;
    }
}

void JobStore::State::locateLost()
{
    std::set<fs::path> taken;
    for (const Frame& frame : frames)
        if (!frame.isLost)
            taken.insert(frame.path);
    std::error_code error;
    for (std::size_t i = 0; i < frames.size(); ++i) {
        Frame& frame = frames[i];
        if (!frame.isLost)
            continue;
        const fs::path place = placeOf(kept[i].path), seen = kept[i].seen;
        const bool isInPlace = !place.empty() && fs::exists(place, error);
        // A picture that is nowhere is lost, and so is one whose place another frame has.
        frame.path = isInPlace ? place : seen;
        frame.isLost = !isInPlace && (place.empty() || !fs::exists(seen, error));
        if (!frame.isLost && !taken.insert(frame.path).second)
            frame.isLost = true;
        // Another picture may have its name now: that one must not be read in its stead.
        if (frame.isLost && fs::exists(frame.path, error))
            frame.path = frame.path.parent_path() / "lost" / frame.path.filename();
    }
}

std::size_t JobStore::State::placeInFrames(FrameId id) const
{
    const auto isBefore = [](const Frame& frame, FrameId sought) { return frame.id < sought; };
    const auto found = std::lower_bound(frames.begin(), frames.end(), id, isBefore);
    if (found == frames.end() || found->id != id)
        throw std::logic_error("a frame that is not in the job");
    return static_cast<std::size_t>(found - frames.begin());
}

const std::vector<Frame>& JobStore::frames() const { return m_state->shown; }

void JobStore::lookAgainFor(const std::vector<FrameId>& frames)
{
    for (const FrameId frame : frames)
        m_state->frames[m_state->placeInFrames(frame)].isLost = true;
    m_state->locateLost();
    m_state->showFrames();
}

Status JobStore::addFrames(const std::vector<fs::path>& paths)
{
    State& s = *m_state;
    return guarded(file(), [&] {
        std::set<fs::path> places;
        for (const Frame& frame : s.frames)
            places.insert(frame.path);
        std::vector<Frame> frames = s.frames;
        std::vector<State::KeptPlace> kept = s.kept;
        SQLite::Transaction transaction(s.sql);
        SQLite::Statement insert(s.sql, "INSERT INTO frame (path, seen, bytes) VALUES (?, ?, 0)");
        for (const fs::path& path : paths) {
            const fs::path absolute = fs::absolute(path).lexically_normal();
            if (!places.insert(absolute).second)
                continue;
            kept.push_back({s.relativePlace(absolute), absolute.string()});
            insert.bind(1, kept.back().path);
            insert.bind(2, kept.back().seen);
            insert.exec();
            insert.reset();
            frames.push_back({s.sql.getLastInsertRowid(), {}, {}, {}, 0, true});
        }
        transaction.commit();
        s.frames = std::move(frames), s.kept = std::move(kept);
        s.locateLost();
        s.showFrames();
    });
}

std::string JobStore::keptPlace(const fs::path& place) const
{
    const fs::path absolute = fs::absolute(place).lexically_normal(),
                   relative = absolute.lexically_relative(folderOf(file()));
    return relative.empty() || *relative.begin() == ".." ? absolute.string() : relative.string();
}

fs::path JobStore::placeOf(const std::string& kept) const { return m_state->placeOf(kept); }

Status JobStore::setCards(const std::map<FrameId, std::optional<ShownCard>>& cards)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_state->sql);
        for (const auto& [frame, card] : cards) {
            const ShownCard c = card.value_or(ShownCard{{0, 0, 0, 0}});
            m_state->run("INSERT OR REPLACE INTO frame_card VALUES (?, ?, ?, ?, ?, ?, ?)", frame, int(card.has_value()),
                         c.region.left, c.region.top, c.region.right, c.region.bottom, c.ratio);
        }
        transaction.commit();
        for (const auto& [frame, card] : cards) {
            Frame& of = m_state->frames[m_state->placeInFrames(frame)];
            of.cardSought = true, of.card = card;
        }
        m_state->showFrames();
    });
}

Status JobStore::setFrameContents(const std::vector<Content>& contents)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_state->sql);
        SQLite::Statement update(m_state->sql, "UPDATE frame SET hash = ?, bytes = ? WHERE id = ?");
        for (const Content& c : contents) {
            if (State::KeptStandIn* kept = m_state->standingFor(c.frame)) {
                m_state->run("UPDATE stand_in_file SET hash = ?, bytes = ? WHERE id = ?", c.hash,
                             static_cast<std::int64_t>(c.bytes), kept->file.id);
                continue;
            }
            update.bind(1, c.hash);
            update.bind(2, static_cast<std::int64_t>(c.bytes));
            update.bind(3, c.frame);
            update.exec();
            update.reset();
        }
        transaction.commit();
        for (const Content& c : contents) {
            if (State::KeptStandIn* in = m_state->standingFor(c.frame)) {
                in->file.hash = c.hash, in->file.bytes = c.bytes;
                continue;
            }
            Frame& frame = m_state->frames[m_state->placeInFrames(c.frame)];
            if (!frame.hash.empty() && frame.hash != c.hash) {
                m_state->run("DELETE FROM frame_card WHERE frame = ?", c.frame);
                frame.cardSought = false, frame.card.reset();
            }
            frame.hash = c.hash, frame.bytes = c.bytes;
        }
        m_state->showFrames();
    });
}

Status JobStore::moveFrames(const std::vector<std::pair<FrameId, fs::path>>& places)
{
    return guarded(file(), [&] {
        std::map<std::size_t, State::KeptPlace> moved;
        std::map<FrameId, State::KeptPlace> standing;
        SQLite::Transaction transaction(m_state->sql);
        for (const auto& [frame, place] : places) {
            const fs::path absolute = fs::absolute(place).lexically_normal();
            const State::KeptPlace kept{m_state->relativePlace(absolute), absolute.string()};
            if (State::KeptStandIn* in = m_state->standingFor(frame)) {
                m_state->run("UPDATE stand_in_file SET path = ?, seen = ? WHERE id = ?", kept.path, kept.seen,
                             in->file.id);
                standing[frame] = kept;
                continue;
            }
            m_state->run("UPDATE frame SET path = ?, seen = ?, fault = '' WHERE id = ?", kept.path, kept.seen, frame);
            moved[m_state->placeInFrames(frame)] = kept;
        }
        transaction.commit();
        for (const auto& [frame, kept] : standing)
            m_state->standingFor(frame)->place = kept;
        for (const auto& [at, kept] : moved) {
            m_state->kept[at] = kept;
            m_state->frames[at].fault.clear();
            m_state->frames[at].isLost = true;
        }
        m_state->locateLost();
        m_state->showFrames();
    });
}

Status JobStore::loseFrames(const std::vector<FrameId>& frames)
{
    return guarded(file(), [&] {
        std::vector<std::size_t> lost;
        SQLite::Transaction transaction(m_state->sql);
        for (const FrameId frame : frames) {
            if (State::KeptStandIn* in = m_state->standingFor(frame)) {
                const fs::path seen = in->place.seen;
                in->place = {"", (seen.parent_path() / "lost" / seen.filename()).string()};
                m_state->run("UPDATE stand_in_file SET path = '', seen = ? WHERE id = ?", in->place.seen, in->file.id);
                continue;
            }
            m_state->run("UPDATE frame SET path = ? WHERE id = ?", "", frame);
            lost.push_back(m_state->placeInFrames(frame));
        }
        transaction.commit();
        for (const std::size_t at : lost) {
            m_state->kept[at].path.clear();
            m_state->frames[at].isLost = true;
        }
        m_state->locateLost();
        m_state->showFrames();
    });
}

Status JobStore::setFrameFault(FrameId frame, const std::string& fault)
{
    if (m_state->standingFor(frame)) {
        m_state->shown[m_state->placeInFrames(frame)].fault = fault;
        return {};
    }
    return guarded(file(), [&] {
        m_state->run("UPDATE frame SET fault = ? WHERE id = ?", fault, frame);
        m_state->frames[m_state->placeInFrames(frame)].fault = fault;
        m_state->showFrames();
    });
}

}  // namespace amber
