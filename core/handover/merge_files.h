// A bracket of files merged into one file.
#pragma once

#include "core/balance/merge.h"

#include <filesystem>

namespace amber {

struct MergedFile {
    std::filesystem::path path;
    double stopsUp = 0;  ///< how much lighter the reference is than the file, which is exposed as the darkest frame was
    std::string darkest;  ///< the frame whose metadata it carries
    double ghostShare = 0;
    std::string responseName;  ///< "raw", or the camera whose response was used
    Response response;
};

/// A name for the merged file that nothing has in `folder`: the first file's, with "-merged", and a number when it is
/// taken.
std::filesystem::path mergeTarget(const std::filesystem::path& first, const std::filesystem::path& folder);

/// Reads the files, merges them and writes `target` as 16-bit TIFF in Rec.2020, with the metadata of the darkest frame:
/// as it was exposed, so the file is. `response` identity: it is recovered from the bracket itself.
Result<MergedFile> mergeBracketFiles(const std::vector<std::filesystem::path>& files, Response response,
                                     const std::filesystem::path& target, const CancelToken& cancel = {});

}  // namespace amber
