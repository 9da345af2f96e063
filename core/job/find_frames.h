// Finding lost frames again by the content of their pictures.
#pragma once

#include "core/base/cancel.h"
#include "core/job/job_store.h"

#include <functional>

namespace amber {

struct FoundFrame {
    std::int64_t frame = 0;
    std::filesystem::path place;
};

struct FramesFound {
    std::vector<FoundFrame> found;  ///< every frame and every place at most once
    std::vector<std::filesystem::path>
        unknown;  ///< candidates that are no lost frame's picture; those not looked at when it was cancelled
};

/// Whether a file can be a lost frame's picture by what costs nothing to look at: its size, or its name when the frame
/// was never read to its end.
bool mayBe(const Frame& frame, const std::filesystem::path& candidate);

/// Which of `candidates` hold the pictures of frames that are lost. A frame whose content hash is known is found by it
/// and by nothing else; one that was never read to its end, by its name. Files are read only when their size is a lost
/// frame's, or the frame's is not known; of several with the same content, one of the same name is taken first.
FramesFound findFrames(const std::vector<Frame>& frames, const std::vector<std::filesystem::path>& candidates,
                       const std::function<void(int done, int total)>& progress = {}, const CancelToken& cancel = {});

}  // namespace amber
