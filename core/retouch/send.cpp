#include "core/retouch/send.h"

#include "core/base/content_hash.h"
#include "core/base/long_call.h"
#include "core/base/utc_time.h"
#include "core/handover/job_batch.h"
#include "core/image/read.h"
#include "core/job/chosen_looks.h"
#include "core/job/shoot_work.h"
#include "core/retouch/grey_print.h"
#include "core/retouch/hand_off_list.h"

#include <chrono>
#include <mutex>
#include <random>

namespace amber {
namespace fs = std::filesystem;
namespace {

/// No other file has it.
std::string newIdentity()
{
    static std::mutex mutex;
    static std::random_device random;
    const std::lock_guard lock(mutex);
    std::string bytes;
    for (int i = 0; i < 8; ++i)
        bytes += std::to_string(random()) + "/";
    return contentHash(bytes + std::to_string(std::chrono::system_clock::now().time_since_epoch().count()));
}

std::vector<std::string> kindsOf(const Look& look, std::size_t steps)
{
    std::vector<std::string> kinds;
    for (std::size_t i = 0; i < std::min(steps, look.steps.size()); ++i)
        kinds.push_back(typeOf(look.steps[i]));
    return kinds;
}

/// The remarks on a frame that are open, and where they lie.
void takePins(const Job& job, FrameId frame, SendOrder& order)
{
    order.remarks.emplace_back(), order.marks.emplace_back();
    for (const PinId id : job.openPins(frame)) {
        const Pin& pin = job.pins.at(id);
        order.remarks.back().push_back(pin.text);
        if (pin.place)
            order.marks.back().push_back(*pin.place);
    }
}

Result<SentFile> sentFileOf(const JobStore& store, const Frame& frame, LookId lookForAll, const Look& look,
                            const PictureOwn& own, const SendChoices& choices)
{
    const auto info = readPictureInfo(frame.path);
    if (!info)
        return tl::make_unexpected(info.error());
    const Job& job = store.job();
    SentFile sent;
    sent.identity = newIdentity(), sent.frame = frame.id, sent.made = utcNow();
    sent.standIn = job.frame(frame.id).standIn ? job.frame(frame.id).standIn->file : 0;
    sent.sourceRatio = static_cast<double>(info->width) / info->height;
    sent.look = job.lookOf(frame.id) != 0 ? job.lookOf(frame.id) : lookForAll;
    sent.lookName = look.name, sent.revision = store.currentRevision(sent.look);
    const std::size_t asked = choices.wholeLook ? look.steps.size() : std::min(choices.steps, look.steps.size());
    const std::size_t there = stepsInside(look, own.name);
    sent.steps = std::max(asked, there);
    sent.inside = sent.steps > there ? kindsOf(look, sent.steps) : own.name.inside;
    sent.picture = own.name, sent.balance = own.balance, sent.response = own.response;
    sent.originalResponse = own.originalResponse, sent.areas = own.areas;
    sent.note = choices.note, sent.minutes = choices.minutes;
    return sent;
}

/// What can only be told of the file itself.
Status measure(SentFile& sent, const fs::path& file)
{
    const auto info = readPictureInfo(file);
    if (!info)
        return tl::make_unexpected(info.error());
    sent.name = file.filename().string(), sent.width = info->width, sent.height = info->height;
    constexpr int kEdge = 2400;
    const auto picture = readReduced(file, kEdge, false);
    if (!picture)
        return tl::make_unexpected(picture.error());
    sent.spots = spotsOf(picture->image.view());
    sent.small = greyPrintToText(greyPrintOf(picture->image.view()));
    return {};
}

}  // namespace

Recipe sentRecipe()
{
    Recipe recipe;
    recipe.name = "retouching";
    recipe.format = FileFormat::Tiff16, recipe.space = RgbSpace::ProPhoto;
    return recipe;
}

Look firstSteps(const Look& look, std::size_t steps)
{
    Look first = look;
    first.steps.resize(std::min(steps, first.steps.size()));
    return first;
}

SendOrder sendOrderOf(const JobStore& store, const std::vector<Frame>& frames, LookId lookForAll,
                      const SendChoices& choices)
{
    SendOrder order;
    order.author = choices.author, order.rights = choices.rights;
    order.title = store.file().stem().string();
    for (const Frame& frame : frames) {
        order.originals.push_back(frame.path);
        order.originals.push_back(frame.own());
    }
    const auto looks = [&](LookId id) { return store.currentLook(id); };
    JobBatch batch = batchOf(store.job(), frames, choices.frames, looks, {true, 0});
    const auto forAll = store.currentLook(lookForAll);
    for (std::size_t i = 0; i < batch.frames.size(); ++i) {
        PictureOwn& own = batch.own[i];
        const Frame* frame = frameOf(frames, batch.frames[i]);
        const Look* look = own.look ? own.look.get() : forAll ? &*forAll : nullptr;
        if (own.fault.empty() && !look)
            own.fault = forAll.error().message();
        Result<SentFile> sent = own.fault.empty() ? sentFileOf(store, *frame, lookForAll, *look, own, choices)
                                                  : fail(own.fault, nameOf(*frame));
        if (!sent) {
            order.faults.push_back(nameOf(*frame) + ": " + sent.error().message());
            continue;
        }
        own.look = std::make_shared<const Look>(firstSteps(*look, sent->steps));
        own.says = {{kIdentity, sent->identity}};
        takePins(store.job(), frame->id, order);
        order.files.push_back(std::move(*sent));
        order.sources.push_back(batch.sources[i]);
        order.own.push_back(std::move(own));
    }
    return order;
}

Result<SendReport> sendOut(const SendOrder& order, const fs::path& folder, const ExportProgress& progress,
                           const CancelToken& cancel)
{
    longCall("sendOut");
    Shipment shipment;
    shipment.recipe = sentRecipe(), shipment.folder = folder, shipment.originals = order.originals;
    shipment.author = order.author, shipment.rights = order.rights;
    auto exported = exportPictures(Look{}, order.sources, shipment, progress, cancel, order.own);
    if (!exported)
        return tl::make_unexpected(exported.error());
    SendReport report;
    report.deliveries = std::move(exported->deliveries), report.warning = std::move(exported->warning);
    report.cancelled = exported->cancelled;
    HandOffList list{order.title, {}};
    for (Delivery& delivery : report.deliveries) {
        if (!delivery.fault.empty())
            continue;
        const auto at = static_cast<std::size_t>(
            std::find(order.sources.begin(), order.sources.end(), delivery.source) - order.sources.begin());
        SentFile sent = order.files[at];
        if (const Status told = measure(sent, delivery.target); !told) {
            delivery.fault = told.error().message();
            continue;
        }
        list.pictures.push_back({sent, delivery.target, order.remarks[at], order.marks[at],
                                 static_cast<int>(order.own[at].look->steps.size())});
        report.sent.push_back(std::move(sent));
    }
    if (report.sent.empty() || cancel.isCancelled())
        return report;
    const auto lists = writeHandOffList(list, folder);
    if (lists)
        report.lists = *lists;
    else
        report.warning = lists.error().message();
    return report;
}

Status addSent(JobStore& store, const SendReport& report, const fs::path& folder)
{
    for (SentFile sent : report.sent) {
        sent.place = store.keptPlace(folder / sent.name);
        if (const auto added = store.addRecord(kSentRecord, sentFileToText(sent)); !added)
            return tl::make_unexpected(added.error());
    }
    return {};
}

}  // namespace amber
