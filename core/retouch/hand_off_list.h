// The list that goes with files sent out: what is to be done, where, how long; for people (PDF) and for programs (JSON,
// docs/formats/hand-off.schema.json).
#pragma once

#include "core/page/pages.h"
#include "core/retouch/sent_file.h"

namespace amber {

struct HandOffList {
    std::string title;
    struct Picture {
        SentFile sent;
        std::filesystem::path file;
        std::vector<std::string> remarks;
        std::vector<Spot> marks;
        int steps = 0;  ///< of its look that are in the file
    };
    std::vector<Picture> pictures;
};

std::string handOffJson(const HandOffList& list);
/// Each picture beside its stretched view, with what was marked and the spots that are proposed.
Result<std::string> handOffPdf(const HandOffList& list);
/// One page as it will be printed: 0 is the first.
Result<PagePicture> handOffPage(const HandOffList& list, int page, double pixelsPerPoint);
/// Beside the files: hand-off.pdf, hand-off.json (or -2 and so on where another file has the name).
Result<std::vector<std::filesystem::path>> writeHandOffList(const HandOffList& list,
                                                            const std::filesystem::path& folder);

}  // namespace amber
