// What of a job is handed over: which pictures, each with what belongs to it, by which recipe. The window and the
// command line both come through here, so their files agree.
#pragma once

#include "core/handover/export.h"
#include "core/job/job_store.h"

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

/// What choices name, into `folder`. Fails for a format or a space that is not known.
Result<Recipe> recipeOf(const DeliveryChoices& choices);
/// Into `folder` by a recipe. No other frame's picture is ever a target.
Shipment shipmentOf(Recipe recipe, const std::filesystem::path& folder, const std::vector<Frame>& frames);

}  // namespace amber
