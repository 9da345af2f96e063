// The checks of a whole shoot: each frame is read once; what was measured is remembered by content, light, areas, keys
// and look, and only what changed is run again.
#pragma once

#include "core/base/cancel.h"
#include "core/proof/cure.h"

#include <functional>

namespace amber {

class MemoryGate;

struct CheckedShoot {
    struct Frame {
        std::int64_t frame = 0;
        FrameMeasured measured;
        std::string fault;  ///< why it could not be read
    };
    std::vector<Frame> frames;  ///< in the order they were given
    /// What is above its limit, of all frames; the worst first.
    std::vector<Finding> findings(const CheckUse& use) const;
};

class ShootChecker {
public:
    /// Nothing when cancelled; what was done by then is kept. One call at a time.
    std::optional<CheckedShoot> check(const std::vector<ReadFrame>& frames, const std::vector<KeyColour>& keys,
                                      const Look& look, const std::function<void(int done, int total)>& progress = {},
                                      const CancelToken& cancel = {});
    /// How many frames the last call read, and how many it measured.
    int read() const { return m_read; }
    int measured() const { return m_measured; }
    std::size_t bytes() const;
    /// What was read of a frame; null when it was not.
    std::shared_ptr<const FrameEvidence> evidenceOf(std::int64_t frame) const;
    /// A cure for a finding of these frames, which were checked: against the lead of its light and two others of it.
    CureTried cure(const Finding& finding, const std::vector<ReadFrame>& frames, const std::vector<KeyColour>& keys,
                   const Look& look, const CheckUse& use) const;

private:
    struct Known {
        std::string file;  ///< by path, size and time
        std::shared_ptr<const FrameEvidence> evidence;
        std::string recipe;  ///< of what was measured
        FrameMeasured measured;
        FrameSummary summary;
        /// True when the file had to be read; when it had to be measured.
        bool readAgain(const ReadFrame& frame, MemoryGate& gate);
        bool measureAgain(const ReadFrame& frame, const std::string& wanted, const Look& look,
                          const std::vector<KeyColour>& keys);
    };
    static CheckedShoot compared(const std::vector<ReadFrame>& frames, const std::vector<Known*>& known,
                                 const std::vector<KeyColour>& keys);
    std::map<std::int64_t, Known> m_known;
    int m_read = 0, m_measured = 0;
};

}  // namespace amber
