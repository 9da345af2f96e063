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

namespace {

/// Lost frames looked for among files; every file is read once.
class LostFrames {
public:
    explicit LostFrames(const std::vector<Frame>& frames)
    {
        for (const Frame& frame : frames)
            if (frame.isLost)
                m_lost.push_back(&frame);
    }
    /// Takes the file for the first lost frame that it is, of those of its name or of the others.
    void consider(const fs::path& candidate, bool byName, FramesFound& result)
    {
        if (m_taken.count(candidate))
            return;
        for (const Frame* frame : m_lost) {
            const bool isNamesake = frame->path.filename() == candidate.filename();
            if (m_found.count(frame) || isNamesake != byName || !mayBe(*frame, candidate) || !is(*frame, candidate))
                continue;
            result.found.push_back({frame->id, candidate});
            m_found.insert(frame);
            m_taken.insert(candidate);
            return;
        }
    }
    bool isTaken(const fs::path& candidate) const { return m_taken.count(candidate) > 0; }

private:
    bool is(const Frame& frame, const fs::path& candidate)
    {
        if (frame.hash.empty())
            return true;
        auto known = m_hashes.find(candidate);
        if (known == m_hashes.end())
            known = m_hashes.emplace(candidate, contentHashOfFile(candidate).value_or("")).first;
        return known->second == frame.hash;
    }

    std::vector<const Frame*> m_lost;
    std::set<const Frame*> m_found;
    std::set<fs::path> m_taken;
    std::map<fs::path, std::string> m_hashes;
};

}  // namespace

FramesFound findFrames(const std::vector<Frame>& frames, const std::vector<fs::path>& candidates,
                       const std::function<void(int, int)>& progress, const CancelToken& cancel)
{
    LostFrames lost(frames);
    FramesFound result;
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
            lost.consider(candidate, byName, result);
        }
    for (const fs::path& candidate : candidates)
        if (!lost.isTaken(candidate))
            result.unknown.push_back(candidate);
    return result;
}

}  // namespace amber
