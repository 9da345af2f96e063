// Opening what somebody names: a job, a folder of pictures, or pictures.
#pragma once

#include "core/job/job_store.h"

#include <optional>

namespace amber {

/// The picture files that are named, and those in the folders that are named (not in folders inside them), with their
/// whole paths, in this order. Fails for what is not there and for a folder that cannot be read.
Result<std::vector<std::filesystem::path>> picturesAmong(const std::vector<std::filesystem::path>& paths);

/// The job that is open already, if one is.
struct OpenAlready {
    std::filesystem::path file;
    std::vector<Frame> frames;
};

struct OpenedShoot {
    std::filesystem::path folder;                 ///< of the pictures
    std::filesystem::path file;                   ///< the job
    std::size_t jobsInFolder = 0;                 ///< not counting a new one; 0 when the job itself was named
    bool liesElsewhere = false;                   ///< the job is new, and nothing could be written into the folder
    std::optional<JobStore> store;                ///< none: the job is the one that is open already
    std::vector<std::filesystem::path> pictures;  ///< then: for takeIn()
    std::vector<FrameId> gone;                    ///< then: for lookAgainFor()
    std::vector<std::filesystem::path> heldBack;  ///< as takeIn() gives them
};

/// A job file; or a folder's job, made when there is none, with the pictures in the folder; or the job of the first
/// picture's folder, with all these pictures and those in all these folders. The job that is open already is not opened
/// a second time: it would find itself locked. Fails as JobStore::open() does, and when there is nothing to open. Reads
/// the folder and looks for every picture of the job: for no thread that must not wait.
Result<OpenedShoot> openShoot(const std::vector<std::filesystem::path>& paths, const OpenAlready& openAlready,
                              const std::string& nameOfFirstLook);

/// Adds pictures to a job, and a first look when it has none. Those that may be lost frames of the job are held back
/// and given back: adding them would make a second frame of one picture.
Result<std::vector<std::filesystem::path>> takeIn(JobStore& store, std::vector<std::filesystem::path> pictures,
                                                  const std::string& nameOfFirstLook);

}  // namespace amber
