// What came with format 9: the order of work, and what was ticked in it by hand.
#include "core/job/job_state.h"
#include "core/job/kept_texts.h"
#include "core/job/table_rows.h"

namespace amber {

void makeTablesOfFormat9(SQLite::Database& sql)
{
    sql.exec(R"(
CREATE TABLE route (one INTEGER PRIMARY KEY CHECK (one = 1), json TEXT NOT NULL);
CREATE TABLE route_tick (frame INTEGER PRIMARY KEY, json TEXT NOT NULL);
)");
}

void readTicks(const JobFile& file, Job& job)
{
    forRows(file, "SELECT frame, json FROM route_tick", [&](Row& row) {
        HandTicks& ticks = job.ticks[row.whole()];
        ticks = ticksFromText(row.text());
    });
}

void writeTicks(JobFile& file, const Job& job, FrameId id)
{
    file.run("DELETE FROM route_tick WHERE frame = ?", id);
    if (const auto found = job.ticks.find(id); found != job.ticks.end())
        file.run("INSERT INTO route_tick VALUES (?, ?)", id, ticksToText(found->second));
}

void readRoute(const JobFile& file, Desk& desk)
{
    forRows(file, "SELECT json FROM route", [&](Row& row) { desk.route = row.text(); });
}

void writeRoute(JobFile& file, const std::string& route)
{
    file.run("INSERT OR REPLACE INTO route VALUES (1, ?)", route);
}

}  // namespace amber
