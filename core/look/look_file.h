// Files that hold one look, told from other files before they are read.
#pragma once

#include <filesystem>
#include <string_view>

namespace amber {

/// What a look's file is called by us; it is JSON (look_json.h), and one called .json is a look as well.
inline constexpr std::string_view kLookEnding = ".amberlook";

/// By its ending, and one called .json by what its first bytes say. Never fails: what cannot be read is none.
bool isLookFile(const std::filesystem::path& path);
/// The endings alone: what a look may be written to.
bool hasLookEnding(const std::filesystem::path& path);

}  // namespace amber
