// What was done once, done again; and two versions held against each other.
#pragma once

#include "core/colour/difference.h"
#include "core/job/job_store.h"
#include "core/measure/picture_difference.h"

namespace amber {

/// The changes that gestures made to a look, done one after another on the version before the first of them, or before
/// another one. All of a look's gestures from its first version on give the look as it is. What cannot be done is told
/// in words.
struct Replayed {
    Look look;
    int done = 0;                      ///< gestures that changed something
    std::vector<std::string> leftOut;  ///< "4 Chroma: the step is not there"
};
/// `gestures` in the order in which they are to be done; `from`: the gesture before which it begins, 0: the first of
/// these. Fails when none of them changed the look, and for a version
/// that cannot be read.
Result<Replayed> replay(const JobStore& store, LookId look, const std::vector<std::int64_t>& gestures,
                        std::int64_t from = 0);

/// Two versions of a look, or two looks.
struct VersionDifference {
    std::vector<std::string> words;
    DifferenceSummary colours;  ///< CIEDE2000 over a lattice of sRGB colours, spatial steps passed by
    struct OnPicture {
        std::string name;
        PictureDifference difference;
        Image before, after;
    };
    std::vector<OnPicture> pictures;
};
/// `pictures`: balanced and small. Fails for a look that does not validate.
Result<VersionDifference> versionDifference(const Look& before, const Look& after,
                                            const std::vector<std::pair<std::string, Image>>& pictures);
std::string differenceText(const VersionDifference& difference);

/// The gesture by which a frame was ticked off as done, or 0. `entries`: JobStore::entries().
std::int64_t doneBy(const std::vector<JournalEntry>& entries, FrameId frame);
/// What differs on a frame between two states of its job: its balance, areas, regions, and its look, in words.
/// `lookForAll`: of frames for which none was chosen.
std::vector<std::string> frameDifferences(const Job& before, const Job& after, FrameId frame, LookId lookForAll,
                                          const std::function<Result<Look>(RevisionId)>& lookAt);

}  // namespace amber
