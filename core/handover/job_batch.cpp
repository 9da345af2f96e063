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
        PictureOwn own{job.pictureName(frame.id),
                       state.balance,
                       job.responseOf(state.balance),
                       job.balanceFault(frame.id),
                       nullptr,
                       job.areasOf(frame.id),
                       {}};
        if (const int light = job.lightOf(frame.id); light >= 0)
            own.light = job.lights[static_cast<std::size_t>(light)].name;
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

Result<Recipe> recipeOf(const DeliveryChoices& choices)
{
    const auto format = fileFormatFromName(choices.format);
    const auto space = rgbSpaceFromName(choices.space);
    if (!format)
        return tl::make_unexpected(format.error());
    if (!space)
        return tl::make_unexpected(space.error());
    Recipe recipe;
    recipe.name = "chosen";
    recipe.format = *format, recipe.space = *space, recipe.quality = choices.quality;
    if (choices.longEdge > 0)
        recipe.size = {OutputSize::Kind::LongEdge, static_cast<double>(choices.longEdge), 0};
    recipe.ratio = choices.ratio;
    return recipe;
}

Shipment shipmentOf(Recipe recipe, const std::filesystem::path& folder, const std::vector<Frame>& frames)
{
    Shipment shipment;
    shipment.recipe = std::move(recipe), shipment.folder = folder;
    for (const Frame& frame : frames)
        shipment.originals.push_back(frame.path);
    return shipment;
}

}  // namespace amber
