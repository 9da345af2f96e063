// The journal of a job file, read.
#include "core/base/long_call.h"
#include "core/job/job_state.h"

namespace amber {
namespace {

Change changeFrom(const SQLite::Statement& query, int column)
{
    const auto word = [&](int at) { return query.getColumn(column + at).getString(); };
    const auto part = partFromName(word(0));
    if (!part)
        throw std::runtime_error(part.error().message());
    return {*part, word(1), word(2), word(3)};
}

/// Whether a frame's picture can depend on it.
bool isOf(const Change& change, FrameId frame)
{
    switch (change.part) {
    case Change::Part::Lights:
    case Change::Part::Sets:
    case Change::Part::Look:
    case Change::Part::Response:
        return true;
    case Change::Part::Balance:
    case Change::Part::Framing:
    case Change::Part::FrameLook:
    case Change::Part::StandIn:
    case Change::Part::Area:
    case Change::Part::Rating:
    case Change::Part::Done: {
        const std::string id = std::to_string(frame);
        return change.subject == id || change.subject.rfind(id + " ", 0) == 0;
    }
    default:
        return false;
    }
}

}  // namespace

Result<std::vector<Gesture>> JobStore::journal() const
{
    longCall("JobStore::journal");
    return guarded(file(), [&] {
        std::vector<Gesture> all;
        SQLite::Statement query(m_state->sql, "SELECT reason, made FROM gesture WHERE id = ?");
        for (std::size_t i = 0; i < m_state->done; ++i, query.reset()) {
            const State::Step& step = m_state->line[i];
            query.bind(1, step.gesture);
            if (query.executeStep())
                all.push_back(
                    {step.gesture, step.what, query.getColumn(0).getString(), query.getColumn(1).getString()});
        }
        return all;
    });
}

Result<std::vector<Change>> JobStore::changesOf(std::int64_t gesture) const
{
    return guarded(file(), [&] {
        std::vector<Change> all;
        SQLite::Statement query(m_state->sql,
                                "SELECT part, subject, before, after FROM change WHERE gesture = ? ORDER BY position");
        query.bind(1, gesture);
        while (query.executeStep())
            all.push_back(changeFrom(query, 0));
        return all;
    });
}

Result<std::map<RevisionId, std::string>> JobStore::lookTexts(const std::vector<RevisionId>& revisions) const
{
    return guarded(file(), [&] {
        std::map<RevisionId, std::string> texts;
        SQLite::Statement query(m_state->sql, "SELECT json FROM revision WHERE id = ?");
        for (const RevisionId id : revisions) {
            query.reset();
            query.bind(1, id);
            if (query.executeStep())
                texts[id] = query.getColumn(0).getString();
        }
        return texts;
    });
}

Result<std::vector<JournalEntry>> JobStore::entries() const
{
    return guarded(file(), [&] {
        std::set<std::int64_t> done;
        for (std::size_t i = 0; i < m_state->done; ++i)
            done.insert(m_state->line[i].gesture);
        std::vector<JournalEntry> all;
        SQLite::Statement query(m_state->sql,
                                "SELECT g.id, g.what, g.reason, g.made, c.part, c.subject, c.before, c.after "
                                "FROM gesture g LEFT JOIN change c ON c.gesture = g.id ORDER BY g.id, c.position");
        while (query.executeStep()) {
            const std::int64_t id = query.getColumn(0).getInt64();
            if (all.empty() || all.back().gesture.id != id)
                all.push_back({{id, query.getColumn(1).getString(), query.getColumn(2).getString(),
                                query.getColumn(3).getString()},
                               {},
                               done.count(id) > 0});
            if (!query.getColumn(4).isNull())
                all.back().changes.push_back(changeFrom(query, 4));
        }
        return all;
    });
}

Result<Job> JobStore::jobAfter(std::int64_t gesture, FrameId only) const
{
    if (only == 0)
        longCall("JobStore::jobAfter");
    const State& s = *m_state;
    std::size_t kept = 0;
    while (kept < s.done && gesture != 0 && s.line[kept].gesture != gesture)
        ++kept;
    if (gesture != 0 && kept == s.done)
        return fail("this was taken back: the job never went on from it", {}, {}, std::to_string(gesture));
    if (gesture != 0)
        ++kept;
    Job job = s.job;
    const MaskOf masks = masksOf(s);
    for (std::size_t i = s.done; i > kept; --i) {
        auto changes = changesOf(s.line[i - 1].gesture);
        if (!changes)
            return tl::make_unexpected(changes.error());
        if (only != 0)
            std::erase_if(*changes, [&](const Change& change) { return !isOf(change, only); });
        auto before = changed(std::move(job), *changes, true, masks);
        if (!before)
            return before;
        job = std::move(*before);
    }
    return job;
}

Status JobStore::setReason(std::int64_t gesture, const std::string& reason)
{
    return guarded(file(), [&] { m_state->run("UPDATE gesture SET reason = ? WHERE id = ?", reason, gesture); });
}

}  // namespace amber
