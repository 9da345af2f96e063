// What of a job is handed over: which pictures, each with what belongs to it, by which recipe. The window and the
// command line both come through here, so their files agree.
#pragma once

#include "core/handover/export.h"
#include "core/job/job_store.h"
#include "core/job/rounds.h"

namespace amber {

/// The pictures of frames in the order of the job; the three lists belong together.
struct JobBatch {
    std::vector<FrameId> frames;
    std::vector<std::filesystem::path> sources;
    std::vector<PictureOwn> own;
    std::vector<FrameId> withCard;  ///< left out: they would show the colour card, and were not asked for
};
/// Frames with a colour card in what is delivered are left out, unless they are asked for.
struct CardRule {
    bool isAsked = false;
    double ratio = 0;  ///< of the delivery, 0: as it is
};
/// Frames that have a look of their own, or whose light has one, are given it; `looks` gives the job's looks.
JobBatch batchOf(const Job& job, const std::vector<Frame>& frames, const std::vector<FrameId>& wanted,
                 const std::function<Result<Look>(LookId)>& looks, const CardRule& cards = {});

/// Which frames go by what was chosen: all of them, those in use (not an exposure of which another was chosen), ticked
/// off, rated at least so much, of one light, without open pins, or these.
std::vector<FrameId> framesToHandOver(const Job& job, const std::vector<Frame>& frames, const HandOver& choices,
                                      const std::vector<FrameId>& chosen = {});

/// Frames on their way by recipes that cut to one ratio: which of them show the colour card goes by it.
struct Consignment {
    JobBatch batch;
    std::vector<Shipment> shipments;
};
std::vector<Consignment> consignmentsOf(const Job& job, const std::vector<Frame>& frames,
                                        const std::vector<FrameId>& wanted,
                                        const std::function<Result<Look>(LookId)>& looks,
                                        std::vector<Shipment> shipments, bool withCard);
/// exportPictures() of one after the other, as one.
Result<ExportReport> exportAll(const Look& lookForAll, const std::vector<Consignment>& consignments,
                               const ExportProgress& progress, const CancelToken& cancel);

/// What a round asks about: the files of one recipe of a delivery, each with the revision of its look.
std::vector<Round::File> roundFilesOf(const JobStore& store, const std::vector<Frame>& frames, LookId lookForAll,
                                      const ExportReport& report, const std::string& recipe);

/// What choices name, into `folder`. Fails for a format or a space that is not known.
Result<Recipe> recipeOf(const DeliveryChoices& choices);
/// Into `folder` by a recipe. No other frame's picture is ever a target.
Shipment shipmentOf(Recipe recipe, const std::filesystem::path& folder, const std::vector<Frame>& frames);

}  // namespace amber
