// Bringing pictures into a job: copied from a card or a folder, or taken where they lie. What is there already is known
// by its content.
#pragma once

#include "core/base/cancel.h"
#include "core/base/result.h"

#include <filesystem>
#include <functional>
#include <map>
#include <string>
#include <vector>

namespace amber {

struct Arrival {
    std::filesystem::path source;
    std::filesystem::path target;  ///< where the job finds it: the copy, or the source; empty when it did not come in
    std::string hash;
    std::filesystem::path duplicateOf;  ///< the picture that has the same content; then there is no target
    std::string fault;                  ///< why it did not come in
    bool wasThere = false;              ///< the copy was there from an earlier, broken-off time
    int sidecars = 0;                   ///< metadata files (.xmp) that came along
    std::string sidecarFault;           ///< why one did not: another file has its name
};

struct BringIn {
    std::vector<std::filesystem::path> sources;
    std::filesystem::path folder;                        ///< copies go here (made when missing); empty: in place
    std::map<std::string, std::filesystem::path> known;  ///< by content hash: what the job has
};

struct BroughtIn {
    std::vector<Arrival> arrivals;  ///< in the order of the sources; fewer when it was cancelled or the disk was full
    bool isCancelled = false;
    std::string stopped;  ///< why the rest was not tried: the disk is full
    std::vector<std::filesystem::path> targets() const;
    int duplicates() const, faults() const;
};

/// Sources are never written to. A copy is whole and has been read back and compared before it is named; one that was
/// broken off is found again by its content and not copied twice. Two pictures of one name and different content: the
/// later becomes name-2. Files that vanish or cannot be read are reported and the rest goes on; a full disk ends it,
/// with all that was copied kept.
BroughtIn bringIn(const BringIn& what, const std::function<void(int done, int total)>& progress = {},
                  const CancelToken& cancel = {});

/// The endings of files that are taken for pictures when a folder is read: ".jpg", and the raw files of cameras. What a
/// file is, is told when it is read.
const std::vector<std::string>& pictureEndings();

/// The files in a folder itself with one of these endings, by name, hidden ones passed over. Fails for a folder that
/// cannot be read.
Result<std::vector<std::filesystem::path>> picturesIn(const std::filesystem::path& folder,
                                                      const std::vector<std::string>& endings);

/// All files under a folder with one of these endings (".jpg"; letter case does not matter), by name; hidden ones are
/// passed over. Folders that cannot be read are passed over.
std::vector<std::filesystem::path> picturesUnder(const std::filesystem::path& folder,
                                                 const std::vector<std::string>& endings);

}  // namespace amber
