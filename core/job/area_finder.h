// Looks for the areas of roles over the frames of a job: what needs no input unseen, else what was marked on other
// frames. The window and the command line both come through here.
#pragma once

#include "core/area/found_again.h"
#include "core/base/cancel.h"
#include "core/job/job.h"
#include "core/look/look.h"

#include <functional>
#include <mutex>
#include <optional>

namespace amber {

struct AreaWish {
    std::string role;
    Role::Kind kind = Role::Kind::Thing;
};

/// What is offered for a role on a frame, the best first; nothing: it was looked for and not found.
struct AreaOffers {
    FrameId frame = 0;
    std::string role;
    std::vector<Proposal> proposals;
    std::string fault;  ///< why the frame could not be read
    bool isOffered() const { return !proposals.empty() && proposals.front().isOffered(); }
};

/// Keeps what is costly of each picture, so that the next role is found sooner. May be asked from several threads.
class AreaFinder {
public:
    using Progress = std::function<void(int done, int total)>;

    /// For each of the frames and roles whose area nobody decided yet. Unfinished when it was cancelled: what was found
    /// until then.
    std::vector<AreaOffers> find(const Job& job, const std::vector<Frame>& frames, const std::vector<FrameId>& wanted,
                                 const std::vector<AreaWish>& wishes, const Progress& progress = {},
                                 const CancelToken& cancel = {});

private:
    Result<AgainPicture> pictureOf(const Job& job, const Frame& frame);
    struct Seeds;
    Seeds seedsOf(const Job& job, const std::vector<Frame>& frames, const std::vector<FrameId>& wanted,
                  const std::vector<AreaWish>& wishes, const CancelToken& cancel);
    AreaOffers offersOf(const Job& job, const Frame& frame, const AreaWish& wish,
                        const std::vector<MarkedThing>& marked, std::optional<AgainPicture>& picture);
    std::mutex m_mutex;
    std::map<FrameId, std::pair<std::string, Landmarks>> m_landmarks;  ///< by frame, with the path they were made of
};

/// Whether somebody decided where a role lies on a frame, or that it is not there.
bool isDecided(const Job& job, FrameId frame, const std::string& role);
/// The frames of which it is not known where the roles lie that a look uses: its steps do nothing there.
std::vector<FrameId> framesToMark(const Job& job, const std::vector<Frame>& frames, const Look& look);
/// The job with what is offered as proposed areas; those at least so sure are confirmed. What was proposed before and
/// is offered no more goes; what somebody decided stays.
Job withOffers(Job job, const std::vector<AreaOffers>& offers, double confirmFrom = 2);

}  // namespace amber
