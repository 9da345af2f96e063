// What came with format 8: files that stand for frames' own pictures, pins, what happened with files that went out.
#include "core/job/job_state.h"
#include "core/job/kept_texts.h"
#include "core/job/table_rows.h"

namespace amber {
namespace fs = std::filesystem;

void makeTablesOfFormat8(SQLite::Database& sql)
{
    sql.exec(R"(
CREATE TABLE frame_in_picture (frame INTEGER PRIMARY KEY REFERENCES frame(id), json TEXT NOT NULL);
CREATE TABLE frame_stand_in (frame INTEGER PRIMARY KEY REFERENCES frame(id), json TEXT NOT NULL);
CREATE TABLE frame_pin (id INTEGER PRIMARY KEY, frame INTEGER NOT NULL, json TEXT NOT NULL);
CREATE TABLE stand_in_file (id INTEGER PRIMARY KEY, frame INTEGER NOT NULL REFERENCES frame(id), path TEXT NOT NULL,
    seen TEXT NOT NULL, hash TEXT NOT NULL, bytes INTEGER NOT NULL, facts TEXT NOT NULL,
    added TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP);
CREATE TABLE record (id INTEGER PRIMARY KEY, kind TEXT NOT NULL, json TEXT NOT NULL,
    made TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP);
CREATE TABLE hand_over (one INTEGER PRIMARY KEY CHECK (one = 1), json TEXT NOT NULL);
)");
}

void readStandIns(const JobFile& file, Job& job)
{
    forRows(file, "SELECT frame, json FROM frame_stand_in", [&](Row& row) {
        FrameState& state = job.frames[row.whole()];
        state.standIn = standInFromText(row.text());
    });
}

void forgetStandIns(Job& job)
{
    for (auto& [id, state] : job.frames)
        state.standIn.reset();
}

void writeStandIn(JobFile& file, FrameId id, const FrameState& state)
{
    file.run("DELETE FROM frame_stand_in WHERE frame = ?", id);
    if (state.standIn)
        file.run("INSERT INTO frame_stand_in VALUES (?, ?)", id, standInToText(*state.standIn));
}

void readPins(const JobFile& file, Job& job)
{
    forRows(file, "SELECT id, json FROM frame_pin", [&](Row& row) {
        Pin& pin = job.pins[row.whole()];
        pin = pinFromText(row.text());
    });
}

void writePin(JobFile& file, const Job& job, PinId id)
{
    file.run("DELETE FROM frame_pin WHERE id = ?", id);
    if (const auto found = job.pins.find(id); found != job.pins.end())
        file.run("INSERT INTO frame_pin VALUES (?, ?, ?)", id, found->second.frame, pinToText(found->second));
}

void JobStore::State::readStandInFiles()
{
    standIns.clear();
    SQLite::Statement query(sql, "SELECT id, frame, path, seen, hash, bytes, facts, added FROM stand_in_file");
    while (query.executeStep()) {
        const auto word = [&](int column) { return query.getColumn(column).getString(); };
        standIns.push_back({{query.getColumn(0).getInt64(),
                             query.getColumn(1).getInt64(),
                             {},
                             word(4),
                             static_cast<std::uintmax_t>(query.getColumn(5).getInt64()),
                             word(6),
                             word(7)},
                            {word(2), word(3)}});
    }
}

void JobStore::State::showFrames()
{
    shown = frames;
    for (Frame& frame : shown) {
        const auto& in = job.frame(frame.id).standIn;
        KeptStandIn* kept = in ? standIn(in->file) : nullptr;
        if (!kept)
            continue;
        std::error_code error;
        const fs::path place = placeOf(kept->place.path), seen = kept->place.seen;
        const bool isInPlace = !place.empty() && fs::exists(place, error);
        frame.original = std::move(frame.path);
        frame.path = isInPlace ? place : seen;
        frame.hash = kept->file.hash, frame.bytes = kept->file.bytes;
        frame.isLost = !isInPlace && !fs::exists(seen, error);
        frame.fault.clear();
    }
}

JobStore::State::KeptStandIn* JobStore::State::standIn(std::int64_t id)
{
    const auto found = std::find_if(standIns.begin(), standIns.end(), [&](const auto& s) { return s.file.id == id; });
    return found == standIns.end() ? nullptr : &*found;
}

JobStore::State::KeptStandIn* JobStore::State::standingFor(FrameId frame)
{
    const auto& in = job.frame(frame).standIn;
    return in ? standIn(in->file) : nullptr;
}

void JobStore::State::become(Job&& after)
{
    const auto standsFor = [](const Job& of) {
        std::map<FrameId, std::int64_t> all;
        for (const auto& [id, state] : of.frames)
            if (state.standIn)
                all[id] = state.standIn->file;
        return all;
    };
    const bool isSame = standsFor(job) == standsFor(after);
    job = std::move(after);
    if (!isSame)
        showFrames();
}

Result<std::int64_t> JobStore::addStandIn(const StandInFile& file)
{
    return guarded(this->file(), [&] {
        State& s = *m_state;
        const fs::path absolute = fs::absolute(file.path).lexically_normal();
        State::KeptStandIn kept{file, {s.relativePlace(absolute), absolute.string()}};
        s.run("INSERT INTO stand_in_file (frame, path, seen, hash, bytes, facts) VALUES (?, ?, ?, ?, ?, ?)", file.frame,
              kept.place.path, kept.place.seen, file.hash, static_cast<std::int64_t>(file.bytes), file.facts);
        kept.file.id = s.sql.getLastInsertRowid();
        kept.file.added = s.text("SELECT added FROM stand_in_file WHERE id = ?", kept.file.id);
        s.standIns.push_back(kept);
        return kept.file.id;
    });
}

std::vector<StandInFile> JobStore::standIns() const
{
    std::vector<StandInFile> all;
    for (const State::KeptStandIn& kept : m_state->standIns) {
        all.push_back(kept.file);
        const fs::path place = m_state->placeOf(kept.place.path);
        std::error_code error;
        all.back().path = !place.empty() && fs::exists(place, error) ? place : fs::path(kept.place.seen);
    }
    return all;
}

MaskOf JobStore::masks() const { return masksOf(*m_state); }

Result<std::int64_t> JobStore::addRecord(const std::string& kind, const std::string& json)
{
    return guarded(file(), [&] {
        m_state->run("INSERT INTO record (kind, json) VALUES (?, ?)", kind, json);
        return static_cast<std::int64_t>(m_state->sql.getLastInsertRowid());
    });
}

Status JobStore::setRecord(std::int64_t id, const std::string& json)
{
    return guarded(file(), [&] { m_state->run("UPDATE record SET json = ? WHERE id = ?", json, id); });
}

Result<std::vector<Record>> JobStore::records(const std::string& kind) const
{
    return guarded(file(), [&] {
        std::vector<Record> all;
        SQLite::Statement query(m_state->sql, "SELECT id, json, made FROM record WHERE kind = ? ORDER BY id");
        query.bind(1, kind);
        while (query.executeStep())
            all.push_back(
                {query.getColumn(0).getInt64(), kind, query.getColumn(1).getString(), query.getColumn(2).getString()});
        return all;
    });
}

}  // namespace amber
