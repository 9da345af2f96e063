// Where the user's own things lie that are kept across jobs.
#pragma once

#include <filesystem>
#include <string>
#include <vector>

namespace amber {

/// $XDG_CONFIG_HOME/jolly-amber, else ~/.config/jolly-amber: what the user has set up.
std::filesystem::path userConfigFolder();
/// $XDG_DATA_HOME/jolly-amber, else ~/.local/share/jolly-amber: what the user has made.
std::filesystem::path userDataFolder();

/// The file of a thing of this name: letters and digits of it, and a part of its hash, so that any name gives a file of
/// its own.
std::filesystem::path ownFile(const std::filesystem::path& folder, const std::string& name);
/// The JSON files of a folder, by their names; none when there is no such folder.
std::vector<std::filesystem::path> ownFilesIn(const std::filesystem::path& folder);

}  // namespace amber
