// The tables of a job file, and what stands in them as values. For the files of this folder only; all of these throw
// what SQLite throws.
#pragma once

#include "core/job/job_file.h"
#include "core/job/journal.h"

#include <set>

namespace amber {

inline constexpr int kJobFormat = 9;
inline constexpr int kJobApplicationId = 0x4A41424A;  // "JABJ"

/// Makes all tables but those that an earlier format has already.
void makeTables(SQLite::Database& sql);
/// Of these, the ones that came with format 4: what lens and crops a frame has.
void makeTablesOfFormat4(SQLite::Database& sql);
/// Of these, the ones that came with format 5: areas.
void makeTablesOfFormat5(SQLite::Database& sql);
/// Of these, the ones that came with format 6: sets of frames, and looks of lights.
void makeTablesOfFormat6(SQLite::Database& sql);
/// Of these, the ones that came with format 7: own uses of checks, and findings that were let stand.
void makeTablesOfFormat7(SQLite::Database& sql);
/// Of these, the ones that came with format 8: pictures that stand for others, pins, what happened, recipes chosen.
void makeTablesOfFormat8(SQLite::Database& sql);
/// Of these, the ones that came with format 9: the route, and ticks set by hand (core/job/route_tables.cpp).
void makeTablesOfFormat9(SQLite::Database& sql);
void readTicks(const JobFile& file, Job& job);
void writeTicks(JobFile& file, const Job& job, FrameId id);
void readRoute(const JobFile& file, Desk& desk);
void writeRoute(JobFile& file, const std::string& route);
/// Of format 8, what was decided (core/job/return_tables.cpp).
void readStandIns(const JobFile& file, Job& job);
void forgetStandIns(Job& job);
void writeStandIn(JobFile& file, FrameId id, const FrameState& state);
void readPins(const JobFile& file, Job& job);
void writePin(JobFile& file, const Job& job, PinId id);
/// The masks of the file, by their hashes.
MaskOf masksOf(const JobFile& file);
/// What was found out about pictures and can be found again: made where it is missing, whatever the format.
void makeTablesOfFacts(SQLite::Database& sql);

/// Everything that was decided. What of it cannot be read is added to `unreadable`.
Job readJob(const JobFile& file, std::vector<Unreadable>& unreadable);
/// Writes the things that `changes` name as they are in `job`. What could not be read of their parts is kept aside
/// first. Returns the groups that were written, as
/// groupOf() names them.
std::set<std::string> writeJob(JobFile& file, const Job& job, const std::vector<Change>& changes,
                               const std::vector<Unreadable>& unreadable);
void writeWholeJob(JobFile& file, const Job& job);

Desk readDesk(const JobFile& file, std::vector<Unreadable>& unreadable);
/// Writes what differs. What could not be read is kept aside first.
void writeDesk(JobFile& file, const Desk& before, const Desk& after, const std::vector<Unreadable>& unreadable);
/// What is read and kept aside together: "lights", "balance 12".
std::string groupOf(const Unreadable& unreadable);
bool isOfTheDesk(const std::string& part);
/// What stands in a table that could not be read is kept as text, and the table is emptied.
void setAside(JobFile& file, const std::string& part, const std::vector<const char*>& tables);

/// A text of an earlier format that could not be read, kept as it was.
void keepUnreadable(JobFile& file, const std::string& part, const std::string& subject, const std::string& text);

}  // namespace amber
