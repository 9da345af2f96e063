// What the commands on jobs share.
#pragma once

#include "cli/command.h"
#include "core/job/job_store.h"
#include "core/job/overview.h"

namespace amber::cli {

/// A job that is there already. `toChange`: refused when nothing could be kept. Errors are reported.
std::optional<JobStore> openJob(const std::string& file, bool toChange, Session& session);
/// The frames that are named: by the name of their file, with or without its ending, or by their number. Empty: all.
Result<std::vector<FrameId>> namedFrames(const std::vector<Frame>& frames, const std::vector<std::string>& names);
/// The look that is in hand in the window, else the first of the job.
Result<Look> lookInHand(const JobStore& store);
/// A use of checks by its name: shipped, or the job's own.
Result<CheckUse> useNamed(const Job& job, const std::string& name);
/// Set by Ctrl+C once progressOnTerminal() was asked for.
CancelToken& interrupt();
/// How far work is, on stderr when that is a terminal.
std::function<void(int done, int total)> progressOnTerminal(const char* what);
/// Reads what is known of all frames that can be read; the others are named on stderr.
ReadFrames readAllFacts(const std::vector<Frame>& frames, Session& session);

void addJobFrames(CLI::App& job, Session& session);    ///< new, add, list, light
void addJobLook(CLI::App& job, Session& session);      ///< key, look
void addJobArea(CLI::App& job, Session& session);      ///< area
void addJobWork(CLI::App& job, Session& session);      ///< balance, consistency
void addJobHandover(CLI::App& job, Session& session);  ///< handover, merge, verify
void addJobRetouch(CLI::App& job, Session& session);   ///< send, return, answer
void addJobCheck(CLI::App& job, Session& session);     ///< check
void addJobReport(CLI::App& job, Session& session);    ///< sheet, report
void addJobLog(CLI::App& job, Session& session);       ///< log, replay, route

}  // namespace amber::cli
