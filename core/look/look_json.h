// Looks as files: JSON, described by docs/formats/look.schema.json.
#pragma once

#include "core/look/look.h"

#include <filesystem>

namespace amber {

struct LoadedLook {
    Look look;
    std::vector<std::string> warnings;  ///< what a newer version wrote and this one does not know; all of it is kept
};

/// JSON text, ordered and indented for reading and diffs. With `embedTables` the look is complete in itself, a file to
/// travel; without, it is what a job keeps: tables by their hash, and the values that pictures hold for themselves.
std::string lookToText(const Look& look, bool embedTables);
/// Fails with the field that is wrong. `name` is used in messages.
Result<LoadedLook> lookFromText(const std::string& text, const std::string& name);

Result<LoadedLook> readLook(const std::filesystem::path& path);
Status writeLook(const Look& look, const std::filesystem::path& path);

}  // namespace amber
