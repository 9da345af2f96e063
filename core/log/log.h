// The log: the journal of a job read as sentences, by day; and what of the job's records belongs there (files sent out,
// rounds of an answer). A plain list, made once and filtered.
#pragma once

#include "core/log/change_words.h"

#include <set>

namespace amber {

struct LogEntry {
    std::int64_t gesture = 0;  ///< 0: nobody's gesture
    std::string made;          ///< "2026-05-04 10:11:12", UTC
    std::string day, time;     ///< "2026-05-04", "12:11", where the reader is
    std::string what, reason;
    std::vector<std::string> lines;  ///< what changed
    std::vector<FrameId> frames;     ///< those it is of, each once
    std::vector<LookId> looks;
    std::set<LogKind> kinds;
    bool isDone = true;  ///< false: taken back
    std::string words;   ///< all of it, folded for search
};

/// What the log is made of, taken from a job at one time: nothing of it needs the store any more, but for the looks.
struct LogSource {
    std::vector<JournalEntry> entries;
    LogNames names;  ///< its looks are read already
    std::vector<LogEntry> records;
};
/// Reads the journal, the versions of looks that it names, and the records.
Result<LogSource> logSource(const JobStore& store);
/// Oldest first. Any thread.
std::vector<LogEntry> logOf(const LogSource& source);
Result<std::vector<LogEntry>> readLog(const JobStore& store);

struct LogFilter {
    LookId look = 0;    ///< 0: any
    FrameId frame = 0;  ///< 0: any
    std::optional<LogKind> kind = {};
    std::string words;        ///< all of these, in any order, whatever their case
    bool withReason = false;  ///< only what somebody gave a reason for
    bool takenBack = false;   ///< also what was taken back
};
bool passes(const LogEntry& entry, const LogFilter& filter);

/// As a text by day; as a table with a row for each line; as pages. `title`: of the job.
std::string logToText(const std::vector<LogEntry>& entries, const std::string& title);
std::string logToCsv(const std::vector<LogEntry>& entries);
Result<std::string> logToPdf(const std::vector<LogEntry>& entries, const std::string& title);

}  // namespace amber
