// The log: a rotating file under the user's state folder. Whatever is caught and whatever nobody would see otherwise is
// written there. Thread safe.
#pragma once

#include <filesystem>
#include <string>

namespace amber {

/// Where the log of this user lies: $XDG_STATE_HOME/jolly-amber/log.txt, or under ~/.local/state. Empty when neither is
/// known.
std::filesystem::path logFile();
/// Begins to write to `file`, and to older files beside it: four of at most a megabyte. False when it cannot be
/// written; then, and before this is called, nothing is logged.
bool startLog(const std::filesystem::path& file);
void logNote(const std::string& words);
void logWarning(const std::string& words);

}  // namespace amber
