// What a delivered file is made of, as its manifest says it (docs/formats/manifest.schema.json): enough to know whether
// it must be made again, and by what it can be told apart later. No paths of the artist's machine.
#pragma once

#include "core/base/written_files.h"
#include "core/handover/export.h"

namespace amber {

struct MadeOf {
    std::string source, sourceHash;  ///< its file name; the hash of its content
    std::string look, lookHash, recipe, recipeHash;
    std::string balance;  ///< as JSON
    std::string ownHash;  ///< of areas, response and all else that belongs to the picture
    std::string program;  ///< version
    int quality = 0;      ///< that was asked for, where the format has it
    bool operator==(const MadeOf&) const = default;
};

/// Reads the source for its hash.
Result<MadeOf> madeOf(const std::filesystem::path& source, const Look& look, const PictureOwn& own,
                      const Shipment& shipment);
std::string factsText(const MadeOf& made);
/// Nothing for what is no such text.
std::optional<MadeOf> factsFromText(const std::string& text);

/// What is listed of the target, when it is made of the same and unchanged on the disk.
std::optional<MadeOf> asBefore(const WrittenFiles& written, const std::filesystem::path& target, const MadeOf& made);

/// 2026-05-04 of a capture time as EXIF has it; "undated" of none.
std::string dayOf(const std::string& captureTime);

}  // namespace amber
