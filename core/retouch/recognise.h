// Which of the files that were sent out one that came is: by the identity in it, else by its name, else by what it
// shows; held against what it shows in any case. Where that leaves doubt, somebody is asked.
#pragma once

#include "core/retouch/sent_file.h"

namespace amber {

struct Recognised {
    enum class By { Identity, Name, Content, Nothing } by = By::Nothing;
    bool isSure = false;
    std::size_t sent = 0;  ///< which of the sent files, when it is sure
    struct Candidate {
        std::size_t sent = 0;
        double likeness = 0;  ///< correlation, -1..1
    };
    std::vector<Candidate> candidates;  ///< by likeness, the best first
    std::string words;                  ///< why it is sure, or why it is not
};

/// Of several files that were sent of one frame, the newest counts where all else is equal. Fails for what is no
/// picture. `isSameCode`, when given, tells two that look alike apart: the share of pixels of `file` that are to the
/// code those that were sent.
using SameShare = std::function<double(std::size_t sent)>;
Result<Recognised> recognise(const std::filesystem::path& file, const std::vector<SentFile>& sent,
                             const SameShare& sameShare = {});

}  // namespace amber
