// What is to be known before anything is written: what would make a delivery fail or lose something, and what somebody
// may want to see first.
#pragma once

#include "core/handover/job_batch.h"

namespace amber {

struct PreflightPoint {
    enum class Weight {
        Stops,  ///< nothing is written until it is mended
        Asks,   ///< it may be meant: somebody says so
        Says    ///< good to know
    } weight = Weight::Says;
    std::string words;
    std::vector<FrameId> frames;  ///< that it is about
};

struct Preflight {
    std::vector<PreflightPoint> points;  ///< the gravest first
    std::uintmax_t bytes = 0;            ///< that the files will take, about
    std::uintmax_t room = 0;             ///< that there is
    bool stops() const;
    bool asks() const;
};

struct PreflightOrder {
    Job job;
    std::vector<Frame> frames;
    std::vector<FrameId> wanted;
    JobBatch batch;  ///< of these
    Look lookForAll;
    std::vector<Shipment> shipments;
    /// Open findings for a use, when they are known.
    std::function<std::optional<std::vector<FrameId>>(const std::string& use)> openFindings = {};
};

/// Reads the headers of pictures and looks at the folders; writes nothing.
Preflight preflight(const PreflightOrder& order, const CancelToken& cancel = {});

/// "about 120 MB"
std::string bytesInWords(std::uintmax_t bytes);

}  // namespace amber
