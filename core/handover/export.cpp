#include "core/handover/export.h"

#include "core/base/atomic_file.h"
#include "core/base/caught.h"
#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/handover/deliver.h"
#include "core/handover/made_of.h"

#include <algorithm>
#include <list>
#include <memory>
#include <mutex>
#include <optional>
#include <set>
#include <sys/stat.h>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr int kPicturesInFlight = 2;

std::string lowerCase(std::string s)
{
    std::transform(s.begin(), s.end(), s.begin(), [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return s;
}

Status prepareFolder(const fs::path& folder)
{
    std::error_code error;
    fs::create_directories(folder, error);
    if (error || !fs::is_directory(folder))
        return fail("the folder cannot be made" + (error ? ": " + error.message() : std::string()), folder.string());
    return {};
}

/// What a killed delivery had written is taken into the list before what it left is tidied up.
void tidyFolder(WrittenFiles& written, const fs::path& folder)
{
    if (written.save())
        removeLeftovers(folder);
}

}  // namespace

int ExportReport::failed() const
{
    return static_cast<int>(
        std::count_if(deliveries.begin(), deliveries.end(), [](const Delivery& d) { return !d.fault.empty(); }));
}

std::vector<fs::path> targetsOf(const Look& look, const std::vector<fs::path>& sources, const Shipment& shipment,
                                const WrittenFiles& written, const std::vector<PictureOwn>& own)
{
    std::set<std::pair<dev_t, ino_t>> originals;
    struct stat facts {};
    for (const auto* files : {&sources, &shipment.originals})
        for (const fs::path& file : *files)
            if (::stat(file.c_str(), &facts) == 0)
                originals.emplace(facts.st_dev, facts.st_ino);
    std::set<std::string> taken;
    const auto isFree = [&](const fs::path& target) {
        if (!taken.insert(lowerCase(target.filename().string())).second)
            return false;
        struct stat there {};
        if (::lstat(target.c_str(), &there) != 0)
            return true;
        return originals.count({there.st_dev, there.st_ino}) == 0 && written.seemsOurs(target);
    };
    const bool wantsDate = shipment.recipe.pattern.find("{date}") != std::string::npos;
    std::vector<fs::path> targets;
    const std::string extension(extensionOf(shipment.recipe.format));
    for (std::size_t i = 0; i < sources.size(); ++i) {
        NameParts parts{sources[i].stem().string(), {}, look.name, {}, static_cast<int>(i) + 1};
        if (i < own.size())
            parts.light = own[i].light, parts.look = own[i].look ? own[i].look->name : look.name;
        if (wantsDate)
            parts.date = dayOf(captureTime(sources[i]));
        const std::string stem = nameBy(shipment.recipe, parts);
        fs::path target = shipment.target() / (stem + extension);
        for (int n = 2; !isFree(target); ++n)
            target = shipment.target() / (stem + "-" + std::to_string(n) + extension);
        targets.push_back(std::move(target));
    }
    return targets;
}

namespace {

/// What all pictures of a shipment share.
struct Lane {
    const Shipment& shipment;
    RenderPlan finish;
    OutputOptions output;
    WrittenFiles written;
    std::vector<fs::path> targets;
};

struct Run {
    const Look& look;
    RenderPlan plan;
    std::vector<std::unique_ptr<Lane>> lanes;
    const CancelToken& cancel;
};

/// What of a picture has to be made: the lanes in which it is not as it was.
std::vector<std::size_t> lanesToDo(Run& run, const Look& look, std::size_t i, const fs::path& source,
                                   const PictureOwn& own, std::vector<Delivery>& deliveries)
{
    std::vector<std::size_t> todo;
    for (std::size_t n = 0; n < run.lanes.size(); ++n) {
        Lane& lane = *run.lanes[n];
        deliveries.push_back({source, lane.targets[i], {}, false, 0, lane.shipment.recipe.name});
        const auto facts = madeOf(source, look, own, lane.shipment);
        if (!facts) {
            deliveries.back().target.clear(), deliveries.back().fault = facts.error().message();
        } else if (const auto there = asBefore(lane.written, lane.targets[i], *facts)) {
            deliveries.back().isKept = true, deliveries.back().quality = there->quality;
        } else {
            lane.written.tell(lane.targets[i], factsText(*facts));
            todo.push_back(n);
        }
    }
    return todo;
}

/// Once for all lanes of the same ratio.
void deliverLanes(Run& run, const RenderPlan& plan, std::size_t i, const fs::path& source, const PictureOwn& own,
                  std::vector<std::size_t> todo, std::vector<Delivery>& deliveries)
{
    while (!todo.empty()) {
        const double ratio = run.lanes[todo.front()]->shipment.recipe.ratio;
        std::vector<Sink> sinks;
        std::list<OutputOptions> outputs;  // sinks hold on to them
        std::vector<std::size_t> now;
        std::erase_if(todo, [&](std::size_t n) {
            Lane& lane = *run.lanes[n];
            if (lane.shipment.recipe.ratio != ratio)
                return false;
            OutputOptions& output = outputs.emplace_back(lane.output);
            output.metadata.own = own.says;
            sinks.push_back({lane.shipment.recipe, lane.finish, output, lane.written, lane.targets[i]});
            now.push_back(n);
            return true;
        });
        const std::vector<Result<int>> made = deliver({plan, own, source, std::move(sinks), run.cancel, {}});
        for (std::size_t k = 0; k < now.size(); ++k) {
            Delivery& delivery = deliveries[now[k]];
            if (made[k])
                delivery.quality = *made[k];
            else
                delivery.target.clear(), delivery.fault = made[k].error().message();
        }
    }
}

/// With the picture's own look, if it has one, or the job's under its own name; not again when nothing has changed.
std::vector<Delivery> deliverOne(Run& run, std::size_t i, const fs::path& source, const PictureOwn& own)
{
    std::vector<Delivery> deliveries;
    const Look look = lookFor(own.look ? *own.look : run.look, own.name);
    const Status status = caught(source.string(), [&]() -> Status {
        if (!own.fault.empty())
            return fail(own.fault, source.string());
        std::vector<std::size_t> todo = lanesToDo(run, look, i, source, own, deliveries);
        if (todo.empty())
            return {};
        const bool hasOwn = !own.name.own.empty() || own.look;
        const auto mine = hasOwn ? RenderPlan::compile(look) : Result<RenderPlan>(run.plan);
        if (!mine)
            return tl::make_unexpected(mine.error());
        deliverLanes(run, *mine, i, source, own, std::move(todo), deliveries);
        return {};
    });
    if (!status) {
        deliveries.clear();
        for (const auto& lane : run.lanes)
            deliveries.push_back({source, {}, status.error().message(), false, 0, lane->shipment.recipe.name});
    }
    return deliveries;
}

/// The part of the sources that this machine has.
std::vector<std::size_t> mineOf(const Shipment& shipment, std::size_t count)
{
    std::vector<std::size_t> mine;
    for (std::size_t i = 0; i < count; ++i)
        if (static_cast<int>(i % static_cast<std::size_t>(shipment.parts)) == shipment.part - 1)
            mine.push_back(i);
    return mine;
}

ExportReport runAll(Run& run, const std::vector<fs::path>& sources, const std::vector<PictureOwn>& own,
                    const ExportProgress& progress)
{
    const std::vector<std::size_t> mine = mineOf(run.lanes.front()->shipment, sources.size());
    const int total = static_cast<int>(mine.size() * run.lanes.size());
    std::vector<std::vector<Delivery>> all(sources.size());
    std::mutex mutex;
    int done = 0;
    std::size_t next = 0;
    const auto take = [&]() -> std::optional<std::size_t> {
        return next < mine.size() && !run.cancel.isCancelled() ? std::optional(mine[next++]) : std::nullopt;
    };
    const auto work = [&](std::size_t i) {
        static const PictureOwn nothing;
        std::vector<Delivery> made = deliverOne(run, i, sources[i], i < own.size() ? own[i] : nothing);
        const std::lock_guard lock(mutex);
        if (run.cancel.isCancelled())
            std::erase_if(made, [](const Delivery& d) { return !d.fault.empty(); });
        for (const Delivery& delivery : made)
            if (++done; progress)
                progress(done, total, delivery);
        all[i] = std::move(made);
    };
    inOrder<std::size_t>(kPicturesInFlight, take, work, [](std::size_t) {});
    ExportReport report{{}, run.cancel.isCancelled(), {}};
    for (const auto& lane : run.lanes) {
        if (const Status listed = lane->written.save(); !listed)
            report.warning = listed.error().message();
        for (const auto& deliveries : all)
            for (const Delivery& d : deliveries)
                if (d.recipe == lane->shipment.recipe.name)
                    report.deliveries.push_back(d);
    }
    return report;
}

Result<std::unique_ptr<Lane>> laneOf(const Look& look, const std::vector<fs::path>& sources, const Shipment& shipment,
                                     const std::vector<PictureOwn>& own)
{
    auto finish = finishOf(shipment.recipe);
    auto output = outputOptions(shipment.recipe, shipment.author, shipment.rights);
    if (!finish)
        return tl::make_unexpected(finish.error());
    if (!output)
        return tl::make_unexpected(output.error());
    if (shipment.parts < 1 || shipment.part < 1 || shipment.part > shipment.parts)
        return fail("no such part", {}, "1 to " + std::to_string(shipment.parts), std::to_string(shipment.part));
    const fs::path folder = shipment.target();
    if (const Status made = prepareFolder(folder); !made)
        return tl::make_unexpected(made.error());
    std::unique_ptr<Lane> lane(new Lane{shipment,
                                        std::move(*finish),
                                        std::move(*output),
                                        shipment.parts > 1 ? WrittenFiles::ofPart(folder, shipment.part, shipment.parts)
                                                           : WrittenFiles::ofFolder(folder),
                                        {}});
    tidyFolder(lane->written, folder);
    lane->targets = targetsOf(look, sources, shipment, lane->written, own);
    return lane;
}

/// Each in a folder of its own, under a name of its own.
Status checkShipments(const std::vector<Shipment>& shipments)
{
    std::set<std::string> names;
    std::set<fs::path> folders;
    for (const Shipment& shipment : shipments) {
        if (!names.insert(shipment.recipe.name).second)
            return fail("a recipe is named twice", shipment.recipe.name);
        if (!folders.insert(fs::weakly_canonical(shipment.target())).second)
            return fail("two recipes write into one folder; give them subfolders", shipment.target().string());
    }
    return shipments.empty() ? fail("no recipe was chosen") : Status();
}

}  // namespace

Result<ExportReport> exportPictures(const Look& look, const std::vector<fs::path>& sources,
                                    const std::vector<Shipment>& shipments, const ExportProgress& progress,
                                    const CancelToken& cancel, const std::vector<PictureOwn>& own)
{
    longCall("exportPictures");
    auto plan = RenderPlan::compile(look);
    if (!plan)
        return tl::make_unexpected(plan.error());
    if (const Status good = checkShipments(shipments); !good)
        return tl::make_unexpected(good.error());
    Run run{look, std::move(*plan), {}, cancel};
    for (const Shipment& shipment : shipments) {
        auto lane = laneOf(look, sources, shipment, own);
        if (!lane)
            return tl::make_unexpected(lane.error());
        run.lanes.push_back(std::move(*lane));
    }
    return runAll(run, sources, own, progress);
}

}  // namespace amber
