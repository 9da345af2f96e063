#include "core/job/find_frames.h"

#include "core/base/content_hash.h"

#include <map>
#include <set>

namespace amber {
namespace fs = std::filesystem;

bool mayBe(const Frame& frame, const fs::path& candidate)
{
    if (!frame.isLost)
        return false;
    if (frame.hash.empty())
        return frame.path.filename() == candidate.filename();
    std::error_code error;
    const std::uintmax_t bytes = fs::file_size(candidate, error);
    return !error && (frame.bytes == 0 || frame.bytes == bytes);
}

FramesFound findFrames(const std::vector<Frame>& frames, const std::vector<fs::path>& candidates,
                       const std::function<void(int, int)>& progress, const CancelToken& cancel)
{
    std::vector<const Frame*> lost;
    for (const Frame& frame : frames)
        if (frame.isLost)
            lost.push_back(&frame);
    FramesFound result;
    std::set<const Frame*> found;
    std::set<fs::path> taken;
    std::map<fs::path, std::string> hashes;
    // Whole folders move at once: names first, so that of equal pictures each finds its own, and most are read only
    // once.
    int done = 0;
    const int total = static_cast<int>(2 * candidates.size());
    for (const bool byName : {true, false})
        for (const fs::path& candidate : candidates) {
            if (progress)
                progress(done++, total);
            if (cancel.isCancelled())
                break;
            if (taken.count(candidate))
                continue;
            for (const Frame* frame : lost) {
                const bool isNamesake = frame->path.filename() == candidate.filename();
                if (found.count(frame) || isNamesake != byName || !mayBe(*frame, candidate))
                    continue;
                bool isSame = frame->hash.empty();
                if (!isSame) {
                    auto known = hashes.find(candidate);
                    if (known == hashes.end())
                        known = hashes.emplace(candidate, contentHashOfFile(candidate).value_or("")).first;
                    isSame = known->second == frame->hash;
                }
                if (isSame) {
                    result.found.push_back({frame->id, candidate});
                    found.insert(frame);
                    taken.insert(candidate);
                    break;
                }
            }
        }
    for (const fs::path& candidate : candidates)
        if (!taken.count(candidate))
            result.unknown.push_back(candidate);
    return result;
}

}  // namespace amber
