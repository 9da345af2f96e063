// What the frames of a shoot say about one another: which were lit alike, which are exposures of one scene, which are
// one picture twice, which will be hard.
#pragma once

#include "core/balance/light_groups.h"
#include "core/job/job.h"

namespace amber {

/// The frames that were read, in the order of the job; `ids` and `facts` belong together.
struct ReadFrames {
    std::vector<FrameId> ids;
    std::vector<FrameFacts> facts;
};

/// Lights as lightGroups() parts them, named "Light 1, 4 May 10:11" by number and the time of their first frame.
std::vector<Light> proposedLights(const ReadFrames& read);
/// Frames that came later go to the light that most of those lit like them are in, or make one of their own; what was
/// arranged stays.
std::vector<Light> withNewFrames(std::vector<Light> lights, const ReadFrames& read);

struct FrameBracket {
    std::vector<FrameId> frames;  ///< in the order they were taken
    FrameId proposed = 0;         ///< the one with the least clipping
};
std::vector<FrameBracket> bracketsOf(const ReadFrames& read);

/// Frames whose picture is, byte for byte, that of an earlier frame, and which one.
std::map<FrameId, FrameId> duplicatesOf(const std::vector<Frame>& frames);

/// How hard a frame is: 1, up to 4; an unsure balance, clipped ends (black counts half) and brackets make it harder.
/// `facts` may be null: of a frame that was not read.
double difficultyOf(const FrameState& state, const FrameFacts* facts, bool isInBracket);

}  // namespace amber
