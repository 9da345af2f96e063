// What a user has set once, for every job: one JSON file, settings.json in userConfigFolder().
#pragma once

#include "core/base/result.h"

#include <filesystem>
#include <map>
#include <string>

namespace amber {

struct Settings {
    bool inches = false;                      ///< prints are told in inches, else in millimetres
    std::string author, rights;               ///< said in deliveries of jobs that say nothing themselves
    int restMinutes = 45;                     ///< a rest is proposed after so long at work; 0: never
    bool secondLook = true;                   ///< frames put aside are brought to mind
    int scalePercent = 100;                   ///< of words and controls, from the next start on
    bool isStill = false;                     ///< nothing on the screen moves by itself
    std::map<std::string, std::string> keys;  ///< by the id of a shortcut, where they are not as shipped ("Ctrl+K")
    bool operator==(const Settings&) const = default;

    static constexpr int kLongestRest = 240, kLargestScale = 200;
};

struct ReadSettings {
    Settings settings;
    /// What was wrong and where the file was put; empty when nothing was. What could be read of it counts.
    std::string fault;
};

std::filesystem::path settingsFile();

/// Never fails: what is not there or wrong counts as shipped. A file with something wrong is put aside under another
/// name ("settings-damaged-1.json"), where nothing is replaced.
ReadSettings readSettings(const std::filesystem::path& file);
/// What a newer version wrote into the file stays in it. Fails with the system's reason.
Status writeSettings(const std::filesystem::path& file, const Settings& settings);

}  // namespace amber
