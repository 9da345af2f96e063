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
        own.original = frame.original;
        if (const auto layers = InPicture::layers(state.balance); !layers.empty())
            own.originalResponse = job.responseOf(*layers.back()->balance);
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

std::vector<FrameId> framesToHandOver(const Job& job, const std::vector<Frame>& frames, const HandOver& choices,
                                      const std::vector<FrameId>& chosen)
{
    const std::set<FrameId> these(chosen.begin(), chosen.end());
    const int stars = choices.frames == "rated" ? std::max(1, std::atoi(choices.of.c_str())) : 0;
    std::vector<FrameId> wanted;
    for (const Frame& frame : frames) {
        const FrameState& state = job.frame(frame.id);
        const int light = job.lightOf(frame.id);
        const bool goes = choices.frames == "chosen"   ? these.count(frame.id) > 0
                          : choices.frames == "used"   ? !state.isUnused
                          : choices.frames == "done"   ? state.isDone
                          : choices.frames == "rated"  ? state.rating >= stars
                          : choices.frames == "closed" ? job.openPins(frame.id).empty()
                          : choices.frames == "light"
                              ? light >= 0 && job.lights[static_cast<std::size_t>(light)].name == choices.of
                              : true;
        if (goes)
            wanted.push_back(frame.id);
    }
    return wanted;
}

std::vector<Consignment> consignmentsOf(const Job& job, const std::vector<Frame>& frames,
                                        const std::vector<FrameId>& wanted,
                                        const std::function<Result<Look>(LookId)>& looks,
                                        std::vector<Shipment> shipments, bool withCard)
{
    std::vector<Consignment> all;
    while (!shipments.empty()) {
        const double ratio = shipments.front().recipe.ratio;
        Consignment one;
        std::erase_if(shipments, [&](const Shipment& shipment) {
            const bool isOfIt = shipment.recipe.ratio == ratio;
            if (isOfIt)
                one.shipments.push_back(shipment);
            return isOfIt;
        });
        one.batch = batchOf(job, frames, wanted, looks, {withCard, ratio});
        all.push_back(std::move(one));
    }
    return all;
}

Result<ExportReport> exportAll(const Look& lookForAll, const std::vector<Consignment>& consignments,
                               const ExportProgress& progress, const CancelToken& cancel)
{
    ExportReport all;
    int before = 0, total = 0;
    for (const Consignment& c : consignments)
        total += static_cast<int>(c.batch.sources.size() * c.shipments.size());
    for (const Consignment& c : consignments) {
        auto report = exportPictures(
            lookForAll, c.batch.sources, c.shipments,
            [&](int done, int, const Delivery& latest) {
                if (progress)
                    progress(before + done, total, latest);
            },
            cancel, c.batch.own);
        if (!report)
            return report;
        before += static_cast<int>(c.batch.sources.size() * c.shipments.size());
        all.deliveries.insert(all.deliveries.end(), report->deliveries.begin(), report->deliveries.end());
        all.cancelled = all.cancelled || report->cancelled;
        all.warning = report->warning.empty() ? all.warning : report->warning;
    }
    return all;
}

std::vector<Round::File> roundFilesOf(const JobStore& store, const std::vector<Frame>& frames, LookId lookForAll,
                                      const ExportReport& report, const std::string& recipe)
{
    std::map<std::filesystem::path, FrameId> bySource;
    for (const Frame& frame : frames)
        bySource[frame.path] = frame.id;
    std::vector<Round::File> files;
    for (const Delivery& d : report.deliveries) {
        const auto frame = bySource.find(d.source);
        if (d.recipe != recipe || !d.fault.empty() || frame == bySource.end())
            continue;
        Round::File file;
        file.name = d.target.filename().string(), file.frame = frame->second;
        const LookId own = store.job().lookOf(file.frame), look = own != 0 ? own : lookForAll;
        file.revision = store.currentRevision(look);
        if (const auto known = store.job().looks.find(look); known != store.job().looks.end())
            file.look = known->second.name;
        files.push_back(std::move(file));
    }
    return files;
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
    for (const Frame& frame : frames) {
        shipment.originals.push_back(frame.path);
        if (!frame.original.empty())
            shipment.originals.push_back(frame.original);
    }
    return shipment;
}

}  // namespace amber
