// What a job store holds. For the files of this folder only.
#pragma once

#include "core/job/job_tables.h"

#include <algorithm>

namespace amber {

struct JobStore::State : JobFile {
    using JobFile::JobFile;

    Job job;
    Desk desk;
    std::vector<Frame> frames;  ///< with their own pictures
    std::vector<Frame> shown;   ///< the same with what stands for these
    struct KeptPlace {
        std::string path;  ///< relative to the job when it can be; empty once the picture is known to be gone
        std::string seen;  ///< where it was last seen
    };
    std::vector<KeptPlace> kept;  ///< one for each frame
    struct KeptStandIn {
        StandInFile file;
        KeptPlace place;
    };
    std::vector<KeptStandIn> standIns;
    std::vector<Unreadable> unreadable;
    std::set<std::string> touched;  ///< parts that were written last
    struct Step {
        std::int64_t gesture = 0;
        std::string what;
    };
    std::vector<Step> line;  ///< the gestures from the first to the last that can be done again
    std::size_t done = 0;    ///< how many of them are done

    void read();
    void readFrames();
    void readCards();
    void readStandInFiles();
    /// Makes `shown` of `frames` and the pictures that stand for some of them.
    void showFrames();
    KeptStandIn* standIn(std::int64_t id);
    KeptStandIn* standingFor(FrameId frame);  ///< null: its own picture
    /// Another job is the one that counts.
    void become(Job&& after);
    /// Looks for the pictures of the frames that have none.
    void locateLost();
    std::size_t placeInFrames(FrameId id) const;
    /// Makes `after` the job as one gesture, inside the caller's transaction, which then calls settle().
    Step record(const Job& after, const std::string& what, const std::string& reason);
    void settle(Job after, Step step);
    /// A whole gesture: `edit` changes the job and may write what it rests on.
    template <class Edit>
    void gesture(const std::string& what, const std::string& reason, Edit&& edit)
    {
        SQLite::Transaction transaction(sql);
        Job after = job;
        edit(after);
        std::erase_if(after.frames, [](const auto& entry) { return entry.second == FrameState{}; });
        if (after == job) {
            transaction.commit();
            return;
        }
        Step step = record(after, what, reason);
        transaction.commit();
        settle(std::move(after), std::move(step));
    }

    RevisionId addRevision(LookId look, RevisionId parent, const Look& value, const std::string& action);
    Result<Look> lookAt(RevisionId revision) const;
};

/// Brings a job of an earlier format up to date, in one transaction; as it was it is kept beside itself.
void bringUpToDate(JobFile& file, int format);

}  // namespace amber
