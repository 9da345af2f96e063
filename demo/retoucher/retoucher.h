// A retoucher's stand-in: does to a file what people do to files on their way, and knows the truth of it.
#pragma once

#include "core/base/result.h"
#include "core/measure/framing.h"

#include <cstdint>
#include <filesystem>

namespace amber {

struct RetouchEdits {
    int heal = 0;         ///< so many round places are filled with what lies beside them
    double paint = 0;     ///< a large soft place is made lighter by this share
    double shift = 0;     ///< colours of the whole drift: 1 is about 1 CIEDE2000
    int bits = 16;        ///< saved as 8 or 16
    Region crop;          ///< what is left
    double scale = 1;     ///< saved smaller
    bool mirror = false;  ///< turned over
    bool withMetadata = true;
    std::uint32_t seed = 1;
};

struct RetouchTruth {
    double shifted = 0;  ///< mean CIEDE2000 of the drift, on what was not healed or painted
    double touched = 0;  ///< share of the pixels healed or painted
};

/// Writes the edited picture; the ending of `to` says the format (.tif, .png, .jpg). Nothing is replaced.
Result<RetouchTruth> retouch(const std::filesystem::path& from, const std::filesystem::path& to,
                             const RetouchEdits& edits);

}  // namespace amber
