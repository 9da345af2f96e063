#include "core/handover/job_batch.h"

#include "core/job/chosen_looks.h"
#include "core/job/edits.h"

#include <algorithm>
#include <set>

namespace amber {

JobBatch batchOf(const Job& job, const std::vector<Frame>& frames, const std::vector<FrameId>& wanted,
                 const std::function<Result<Look>(LookId)>& looks, const CardRule& cards)
{
    const std::set<FrameId> chosen(wanted.begin(), wanted.end());
    ChosenLooks chosenLooks(looks);
    JobBatch batch;
    for (const Frame& frame : frames) {
        if (chosen.count(frame.id) == 0)
            continue;
        const FrameState& state = job.frame(frame.id);
        if (!cards.isAsked && showsCard(job, frame, cards.ratio)) {
            batch.withCard.push_back(frame.id);
            continue;
        }
        PictureOwn own{job.pictureName(frame.id),  state.balance, job.responseOf(state.balance),
                       job.balanceFault(frame.id), nullptr,       job.areasOf(frame.id)};
        if (const auto look = chosenLooks.of(job, frame.id))
            own.look = *look;
        else
            own.fault = look.error().message();
        batch.frames.push_back(frame.id);
        batch.sources.push_back(frame.path);
        batch.own.push_back(std::move(own));
    }
    return batch;
}

Result<Recipe> recipeFor(const DeliveryChoices& choices, const std::filesystem::path& folder,
                         const std::vector<Frame>& frames)
{
    const auto format = fileFormatFromName(choices.format);
    const auto space = rgbSpaceFromName(choices.space);
    if (!format)
        return tl::make_unexpected(format.error());
    if (!space)
        return tl::make_unexpected(space.error());
    Recipe recipe;
    recipe.output = {*format, *space, choices.quality};
    recipe.longEdge = choices.longEdge;
    recipe.ratio = choices.ratio;
    recipe.folder = folder;
    for (const Frame& frame : frames)
        recipe.originals.push_back(frame.path);
    return recipe;
}

}  // namespace amber
