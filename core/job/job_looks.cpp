// The looks of a job: revisions, their tables, pinned versions.
#include "core/job/job_state.h"
#include "core/look/look_json.h"

namespace amber {
namespace {

void keepTables(JobFile& file, const Look& look)
{
    for (const Step& step : look.steps)
        if (const auto* table = std::get_if<LookupTable>(&step.parameters); table && table->table)
            file.run("INSERT OR IGNORE INTO table_data (hash, cube) VALUES (?, ?)", table->hash,
                     tableToText(*table->table));
}

}  // namespace

RevisionId JobStore::State::addRevision(LookId look, RevisionId parent, const Look& value, const std::string& action)
{
    keepTables(*this, value);
    const std::string json = lookToText(value, false);
    if (parent == 0)
        run("INSERT INTO revision (look, json, action) VALUES (?, ?, ?)", look, json, action);
    else
        run("INSERT INTO revision (look, parent, json, action) VALUES (?, ?, ?, ?)", look, parent, json, action);
    return sql.getLastInsertRowid();
}

Result<LookId> JobStore::addLook(const Look& look, const std::string& what)
{
    return guarded(file(), [&] {
        LookId id = 0;
        RevisionId revision = 0;
        const bool isGesture = !m_state->job.looks.empty() && !what.empty();
        const auto make = [&](Job& after) {
            m_state->run("INSERT INTO look (name) VALUES (?)", look.name);
            id = m_state->sql.getLastInsertRowid();
            revision = m_state->addRevision(id, 0, look, what.empty() ? "Look made" : what);
            after.looks[id] = {look.name, revision};
        };
        if (isGesture) {
            m_state->gesture(what, {}, make);
            return id;
        }
        SQLite::Transaction transaction(m_state->sql);
        Job after = m_state->job;
        make(after);
        m_state->run("UPDATE look SET current = ? WHERE id = ?", revision, id);
        transaction.commit();
        m_state->job = std::move(after);
        return id;
    });
}

std::vector<LookEntry> JobStore::looks() const
{
    std::vector<LookEntry> all;
    for (const auto& [id, look] : m_state->job.looks)
        all.push_back({id, look.name});
    return all;
}

RevisionId JobStore::currentRevision(LookId look) const
{
    const auto found = m_state->job.looks.find(look);
    return found == m_state->job.looks.end() ? 0 : found->second.revision;
}

Result<Look> JobStore::currentLook(LookId look) const { return lookAt(currentRevision(look)); }

Result<Look> JobStore::lookAt(RevisionId revision) const
{
    const State& s = *m_state;
    const auto json = guarded(file(), [&] { return s.text("SELECT json FROM revision WHERE id = ?", revision); });
    if (!json)
        return tl::make_unexpected(json.error());
    if (json->empty())
        return fail("the job has no such revision", file().string(), {}, std::to_string(revision));
    auto loaded = lookFromText(*json, "revision " + std::to_string(revision));
    if (!loaded)
        return tl::make_unexpected(loaded.error());
    for (Step& step : loaded->look.steps) {
        auto* table = std::get_if<LookupTable>(&step.parameters);
        if (!table || table->hash.empty())
            continue;
        const auto cube = guarded(file(), [&] {
            SQLite::Statement query(s.sql, "SELECT cube FROM table_data WHERE hash = ?");
            query.bind(1, table->hash);
            return query.executeStep() ? query.getColumn(0).getString() : std::string();
        });
        if (!cube)
            return tl::make_unexpected(cube.error());
        auto parsed = tableFromText(*cube, table->name);
        if (!parsed)
            return fail("the table “" + table->name + "” of the look cannot be read: " +
                            (cube->empty() ? "it is not in the job" : parsed.error().message()),
                        file().string());
        table->table = std::make_shared<const Table>(std::move(*parsed));
    }
    return std::move(loaded->look);
}

Result<RevisionId> JobStore::lastGoodRevision(LookId look) const
{
    const RevisionId current = currentRevision(look);
    for (RevisionId at = current; at != 0;) {
        if (at != current && lookAt(at))
            return at;
        const auto parent =
            guarded(file(), [&] { return m_state->number("SELECT parent FROM revision WHERE id = ?", at); });
        if (!parent)
            return parent;
        // Where the chain itself is broken, the one written before is the next best.
        at = *parent < at ? *parent : 0;
    }
    return RevisionId{0};
}

Status JobStore::commitLook(LookId look, const Look& value, const std::string& what)
{
    if (m_state->job.looks.count(look) == 0)
        return fail("the job has no such look", file().string(), {}, std::to_string(look));
    return guarded(file(), [&] {
        m_state->gesture(what, {}, [&](Job& after) {
            after.looks[look] = {value.name, m_state->addRevision(look, currentRevision(look), value, what)};
        });
    });
}

Status JobStore::commit(const Job& after, const std::map<LookId, Look>& looks, const std::string& what)
{
    return guarded(file(), [&] {
        m_state->gesture(what, {}, [&](Job& job) {
            job = after;
            for (const auto& [id, look] : looks)
                job.looks.at(id) = {look.name, m_state->addRevision(id, currentRevision(id), look, what)};
        });
    });
}

Status JobStore::pin(LookId look, const std::string& note, int surround)
{
    return guarded(file(), [&] {
        m_state->run("INSERT INTO pin (look, revision, note, surround) SELECT id, current, ?, ? FROM look WHERE id = ?",
                     note, surround, look);
    });
}

Status JobStore::pinVariant(LookId look, const Look& value, const std::string& note)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_state->sql);
        const RevisionId revision = m_state->addRevision(look, currentRevision(look), value, note);
        m_state->run("INSERT INTO pin (look, revision, note) VALUES (?, ?, ?)", look, revision, note);
        transaction.commit();
    });
}

Result<std::vector<PinnedVersion>> JobStore::pins(LookId look) const
{
    return guarded(file(), [&] {
        std::vector<PinnedVersion> all;
        SQLite::Statement query(m_state->sql,
                                "SELECT id, revision, note, made, surround FROM pin WHERE look = ? ORDER BY id");
        query.bind(1, look);
        while (query.executeStep())
            all.push_back({query.getColumn(0).getInt64(), query.getColumn(1).getInt64(), query.getColumn(2).getString(),
                           query.getColumn(3).getString(), query.getColumn(4).getInt()});
        return all;
    });
}

}  // namespace amber
