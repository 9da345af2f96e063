// What a gesture changed, in sentences: on what, from which value to which.
#pragma once

#include "core/job/job_store.h"

#include <functional>

namespace amber {

/// How things of a job are called, and the versions of its looks. Unknown ids give "a frame that is gone" and the like.
struct LogNames {
    std::map<FrameId, std::string> frames;
    std::function<Result<Look>(RevisionId)> lookAt;
    std::string frame(FrameId id) const;
};
LogNames namesOf(const std::vector<Frame>& frames, std::function<Result<Look>(RevisionId)> lookAt);

/// What a change is of, for filters and search.
enum class LogKind { Balance, Areas, Looks, Colours, Frames, Proof, Pins, HandOver };
inline constexpr std::array<const char*, 8> kLogKinds{"balance", "areas", "looks", "colours",
                                                      "frames",  "proof", "pins",  "hand-over"};
LogKind kindOf(Change::Part part);
/// The frame that a change is of, 0: of none or of several.
FrameId frameOf(const Change& change);
/// The look it is of, or 0.
LookId lookOf(const Change& change);

/// One sentence for each thing that differs: "north 04: exposure 0 → +0.35 stops". A text of a version that cannot be
/// read gives one sentence without values.
std::vector<std::string> sentencesOf(const Change& change, const LogNames& names);
/// What differs between two states of a frame, without its name: "exposure 0 → +0.35 stops".
std::vector<std::string> balanceDifferences(const FrameBalance& before, const FrameBalance& after);

}  // namespace amber
