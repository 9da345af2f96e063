#include "core/job/job_store.h"

#include "core/base/long_call.h"
#include "core/job/job_state.h"
#include "core/job/table_rows.h"

#include <algorithm>

namespace amber {
namespace fs = std::filesystem;

void JobStore::State::read()
{
    unreadable.clear();
    readFrames();
    job = readJob(*this, unreadable);
    showFrames();
    desk = readDesk(*this, unreadable);
    line.clear(), done = 0;
    std::int64_t current = 0, at = 0;
    {
        SQLite::Statement query(sql, "SELECT current, tip FROM journal");
        if (query.executeStep())
            current = query.getColumn(0).getInt64(), at = query.getColumn(1).getInt64();
    }
    SQLite::Statement query(sql, "SELECT parent, what FROM gesture WHERE id = ?");
    for (; at != 0; query.reset()) {
        query.bind(1, at);
        if (!query.executeStep())
            throw std::runtime_error("the journal is not whole");
        line.push_back({at, query.getColumn(1).getString()});
        at = query.getColumn(0).getInt64();
    }
    std::reverse(line.begin(), line.end());
    const auto here = std::find_if(line.begin(), line.end(), [&](const Step& s) { return s.gesture == current; });
    done = here == line.end() ? 0 : static_cast<std::size_t>(here - line.begin()) + 1;
}

JobStore::State::Step JobStore::State::record(const Job& after, const std::string& what, const std::string& reason)
{
    for (const auto& [id, look] : after.looks)
        if (number("SELECT count(*) FROM look WHERE id = ?", id) == 0)
            throw std::logic_error("a look that is not in the job");
    if (done == 0)
        run("INSERT INTO gesture (what, reason) VALUES (?, ?)", what, reason);
    else
        run("INSERT INTO gesture (parent, what, reason) VALUES (?, ?, ?)", line[done - 1].gesture, what, reason);
    const std::int64_t gesture = sql.getLastInsertRowid();
    const std::vector<Change> changes = changesBetween(job, after);
    for (std::size_t i = 0; i < changes.size(); ++i)
        run("INSERT INTO change VALUES (?, ?, ?, ?, ?, ?)", gesture, static_cast<int>(i), nameOf(changes[i].part),
            changes[i].subject, changes[i].before, changes[i].after);
    touched = writeJob(*this, after, changes, unreadable);
    run("UPDATE journal SET current = ?, tip = ?", gesture, gesture);
    return {gesture, what};
}

void JobStore::State::settle(Job after, Step step)
{
    become(std::move(after));
    line.resize(done);
    line.push_back(std::move(step));
    ++done;
    std::erase_if(unreadable, [&](const Unreadable& u) { return touched.count(groupOf(u)) > 0; });
}

JobStore::JobStore(std::unique_ptr<State> state) : m_state(std::move(state)) {}
JobStore::JobStore(JobStore&&) noexcept = default;
JobStore& JobStore::operator=(JobStore&&) noexcept = default;
JobStore::~JobStore() = default;
const fs::path& JobStore::file() const { return m_state->file; }
JobStore::NotKept JobStore::notKept() const { return m_state->notKept; }
const std::vector<Unreadable>& JobStore::unreadable() const { return m_state->unreadable; }
const Job& JobStore::job() const { return m_state->job; }
const Desk& JobStore::desk() const { return m_state->desk; }

Result<JobStore> JobStore::open(const fs::path& file)
{
    longCall("JobStore::open");
    try {
        auto state = std::make_unique<State>(file);
        SQLite::Database& sql = state->sql;
        const int application = sql.execAndGet("PRAGMA application_id").getInt();
        const int format = sql.execAndGet("PRAGMA user_version").getInt();
        const bool fresh = sql.execAndGet("SELECT count(*) FROM sqlite_master").getInt() == 0;
        if (!fresh && application != kJobApplicationId)
            return fail("not a job of this program", file.string());
        if (format > kJobFormat)
            return fail("the job was written by a newer version", file.string(),
                        "format " + std::to_string(kJobFormat) + " or older", std::to_string(format));
        sql.exec("PRAGMA journal_mode = WAL");
        sql.exec("PRAGMA synchronous = FULL");
        if (fresh) {
            SQLite::Transaction transaction(sql);
            makeTables(sql);
            sql.exec("PRAGMA application_id = " + std::to_string(kJobApplicationId));
            sql.exec("PRAGMA user_version = " + std::to_string(kJobFormat));
            transaction.commit();
        } else if (format < kJobFormat) {
            bringUpToDate(*state, format);
        }
        makeTablesOfFacts(sql);
        sql.exec("PRAGMA foreign_keys = ON");
        state->read();
        return JobStore(std::move(state));
    } catch (const std::exception& error) {
        return fail("the job cannot be opened: " + std::string(error.what()), file.string());
    }
}

Status JobStore::commit(const Job& after, const std::string& what, const std::string& reason)
{
    return guarded(file(), [&] { m_state->gesture(what, reason, [&](Job& job) { job = after; }); });
}

Status JobStore::adopt(const Job& after)
{
    State& s = *m_state;
    if (after == s.job)
        return {};
    return guarded(file(), [&] {
        SQLite::Transaction transaction(s.sql);
        s.touched = writeJob(s, after, changesBetween(s.job, after), s.unreadable);
        transaction.commit();
        s.become(Job(after));
        std::erase_if(s.unreadable, [&](const Unreadable& u) { return s.touched.count(groupOf(u)) > 0; });
    });
}

std::optional<std::string> JobStore::undoAction() const
{
    return m_state->done > 0 ? std::optional(m_state->line[m_state->done - 1].what) : std::nullopt;
}

std::optional<std::string> JobStore::redoAction() const
{
    return m_state->done < m_state->line.size() ? std::optional(m_state->line[m_state->done].what) : std::nullopt;
}

Status JobStore::undo() { return walk(true); }
Status JobStore::redo() { return walk(false); }

Status JobStore::walk(bool isUndo)
{
    State& s = *m_state;
    if (isUndo ? s.done == 0 : s.done == s.line.size())
        return {};
    const std::size_t at = isUndo ? s.done - 1 : s.done;
    const auto changes = changesOf(s.line[at].gesture);
    if (!changes)
        return tl::make_unexpected(changes.error());
    auto next = changed(s.job, *changes, isUndo, masksOf(s));
    if (!next)
        return tl::make_unexpected(next.error());
    return guarded(file(), [&] {
        SQLite::Transaction transaction(s.sql);
        s.touched = writeJob(s, *next, *changes, s.unreadable);
        const std::size_t done = isUndo ? s.done - 1 : s.done + 1;
        if (done == 0)
            s.run("UPDATE journal SET current = NULL");
        else
            s.run("UPDATE journal SET current = ?", s.line[done - 1].gesture);
        transaction.commit();
        s.become(std::move(*next));
        s.done = done;
        std::erase_if(s.unreadable, [&](const Unreadable& u) { return s.touched.count(groupOf(u)) > 0; });
    });
}

Status JobStore::setDesk(const Desk& desk)
{
    if (desk == m_state->desk)
        return {};
    const Status written = guarded(file(), [&] {
        SQLite::Transaction transaction(m_state->sql);
        writeDesk(*m_state, m_state->desk, desk, m_state->unreadable);
        transaction.commit();
    });
    if (written) {
        m_state->desk = desk;
        std::erase_if(m_state->unreadable, [](const Unreadable& u) { return isOfTheDesk(u.part); });
    }
    return written;
}

}  // namespace amber
