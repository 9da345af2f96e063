// A delivery held against its manifest.
#pragma once

#include "core/base/cancel.h"
#include "core/base/result.h"

#include <filesystem>
#include <functional>
#include <string>
#include <vector>

namespace amber {

struct VerifiedFile {
    std::filesystem::path file;
    enum class Is { Whole, Changed, Missing, Unread } is = Is::Whole;
    std::string words;  ///< empty when whole
};

struct Verified {
    std::vector<VerifiedFile> files;  ///< by folder and name
    int lists = 0;
    std::vector<std::filesystem::path> others;  ///< pictures beside them that no list names
    int wrong() const;
};

/// Reads every file that the lists in `folder` and the folders in it name. Fails when there is no list.
Result<Verified> verifyDelivery(const std::filesystem::path& folder,
                                const std::function<void(int done, int total)>& progress = {},
                                const CancelToken& cancel = {});

}  // namespace amber
