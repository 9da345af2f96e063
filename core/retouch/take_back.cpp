#include "core/retouch/take_back.h"

#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"
#include "core/base/json_text.h"
#include "core/base/long_call.h"
#include "core/base/number_text.h"
#include "core/handover/job_batch.h"
#include "core/image/write.h"
#include "core/job/edits.h"
#include "core/job/shoot_work.h"

#include <algorithm>
#include <cerrno>
#include <csignal>
#include <cstring>
#include <unistd.h>

namespace amber {
namespace fs = std::filesystem;
namespace {

/// A folder for what is needed for a moment; it goes again.
class Workshop {
public:
    explicit Workshop(const fs::path& beside)
    {
        std::error_code error;
        fs::create_directories(beside, error);
        forgetDead(beside);
        std::string name = (beside / (kPrefix + std::to_string(getpid()) + "-XXXXXX")).string();
        if (char* made = mkdtemp(name.data()))
            m_folder = made;
    }
    ~Workshop()
    {
        std::error_code error;
        if (!m_folder.empty())
            fs::remove_all(m_folder, error);
    }
    Workshop(const Workshop&) = delete;
    Workshop& operator=(const Workshop&) = delete;
    const fs::path& folder() const { return m_folder; }

private:
    static constexpr const char* kPrefix = ".making-";
    /// What killed processes left behind.
    static void forgetDead(const fs::path& beside)
    {
        std::error_code error;
        for (fs::directory_iterator at(beside, error); !error && at != fs::directory_iterator(); at.increment(error)) {
            const std::string name = at->path().filename().string();
            if (!name.starts_with(kPrefix))
                continue;
            const long process = std::atol(name.c_str() + std::strlen(kPrefix));
            std::error_code ignored;
            if (process > 0 && kill(static_cast<pid_t>(process), 0) != 0 && errno == ESRCH)
                fs::remove_all(at->path(), ignored);
        }
    }
    fs::path m_folder;
};

/// What was sent, before it became codes: made again as it was made then.
Result<Image> madeAgain(const BackOrder& order, std::size_t i, const fs::path& workshop, const CancelToken& cancel)
{
    const SentFile& sent = order.sent[i];
    if (!order.looks[i])
        return fail("the look that is in it cannot be read", sent.lookName);
    Recipe recipe;
    recipe.name = "as it was sent", recipe.format = FileFormat::Exr32, recipe.space = RgbSpace::Linear;
    recipe.pattern = "sent-" + std::to_string(i);
    Shipment shipment;
    shipment.recipe = recipe, shipment.folder = workshop;
    PictureOwn own;
    own.name = sent.picture, own.balance = sent.balance, own.response = sent.response;
    own.originalResponse = sent.originalResponse, own.areas = sent.areas, own.look = order.looks[i];
    own.original = order.originals[i];
    const auto report = exportPictures(Look{}, {order.sources[i]}, shipment, {}, cancel, {own});
    if (!report)
        return tl::make_unexpected(report.error());
    if (report->deliveries.empty() || !report->deliveries.front().fault.empty())
        return fail(report->deliveries.empty() ? "stopped" : report->deliveries.front().fault);
    auto picture = readPicture(report->deliveries.front().target);
    std::error_code error;
    fs::remove(report->deliveries.front().target, error);
    if (!picture)
        return tl::make_unexpected(picture.error());
    return std::move(picture->image);
}

/// The first name that is free, each in a folder of its own, so that deliveries keep the frame's name.
fs::path freePlace(const fs::path& folder, const std::string& stem)
{
    std::error_code error;
    for (int n = 1;; ++n)
        if (const fs::path place = folder / std::to_string(n) / (stem + ".exr"); !fs::exists(place, error))
            return place;
}

std::string percentOf(double share)
{
    return share > 0 && share < 0.001 ? "Less than 0.1 %" : fixedText(100 * share, 1) + " %";
}

/// Whose it is.
Result<Recognised> knownAs(const BackOrder& order, const Picture& returned, const fs::path& workshop,
                           const CancelToken& cancel)
{
    const auto sameShare = [&](std::size_t i) {
        const auto sent = madeAgain(order, i, workshop, cancel);
        const auto comparison = sent ? compareReturned(sent->view(), returned) : fail("");
        return comparison ? comparison->restored : 0;
    };
    auto recognised = recognise(order.file, order.sent, sameShare);
    if (!recognised || !order.frame)
        return recognised;
    recognised->isSure = false;
    for (std::size_t i = 0; i < order.sent.size(); ++i)
        if (order.sent[i].frame == *order.frame)
            recognised->sent = i, recognised->isSure = true, recognised->words = "as it was said";
    if (!recognised->isSure)
        recognised->words = "nothing of that frame was sent out";
    return recognised;
}

/// Written where it can stand for its frame.
Status keep(CameBack& back, const Image& joint, fs::path place)
{
    back.made = std::move(place);
    std::error_code error;
    fs::create_directories(back.made.parent_path(), error);
    OutputOptions options;
    options.format = FileFormat::Exr32, options.space = RgbSpace::Linear;
    if (const Status written = writePicture(back.made, joint.view(), {}, options, {}); !written)
        return written;
    const auto hash = contentHashOfFile(back.made);
    if (!hash)
        return tl::make_unexpected(hash.error());
    back.hash = *hash, back.bytes = fs::file_size(back.made, error);
    return {};
}

}  // namespace

BackOrder backOrderOf(const JobStore& store, const std::vector<Frame>& frames, const fs::path& file,
                      std::optional<FrameId> frame)
{
    BackOrder order;
    order.file = file, order.frame = frame, order.sent = sentFilesOf(store);
    std::error_code error;
    const fs::path beside = fs::absolute(store.file(), error).parent_path();
    order.folder = beside / "returned";
    for (const SentFile& sent : order.sent) {
        const Frame* of = frameOf(frames, sent.frame);
        fs::path source = of ? of->own() : fs::path();
        for (const StandInFile& in : store.standIns())
            if (sent.standIn != 0 && in.id == sent.standIn)
                source = in.path;
        order.sources.push_back(source);
        order.names.push_back(of ? nameOf(*of) : sent.name);
        order.originals.push_back(sent.standIn != 0 && of ? of->own() : fs::path());
        const auto look = store.lookAt(sent.revision);
        order.looks.push_back(look ? std::make_shared<const Look>(firstSteps(*look, sent.steps)) : nullptr);
    }
    return order;
}

Result<CameBack> takeBack(const BackOrder& order, bool withCure, const CancelToken& cancel)
{
    longCall("takeBack");
    CameBack back;
    back.file = order.file, back.standing = standingOf(order.file);
    const auto returned = readPicture(order.file);
    if (!returned)
        return tl::make_unexpected(returned.error());
    const Workshop workshop(order.folder);
    if (workshop.folder().empty())
        return fail("pictures that came back cannot be kept there", order.folder.string());
    auto recognised = knownAs(order, *returned, workshop.folder(), cancel);
    if (!recognised)
        return tl::make_unexpected(recognised.error());
    back.recognised = std::move(*recognised);
    back.isAsking = !back.recognised.isSure;
    if (back.isAsking)
        return back;
    back.sent = order.sent[back.recognised.sent];
    const auto sent = madeAgain(order, back.recognised.sent, workshop.folder(), cancel);
    if (!sent)
        return tl::make_unexpected(sent.error());
    const auto comparison = compareReturned(sent->view(), *returned);
    if (!comparison) {
        back.isAsking = !order.frame;
        back.recognised.words = comparison.error().what;
        return order.frame ? Result<CameBack>(tl::make_unexpected(comparison.error())) : Result<CameBack>(back);
    }
    back.comparison = *comparison, back.isCured = withCure && comparison->drift.has_value();
    if (const Status kept = keep(back, joined(sent->view(), *returned, *comparison, withCure),
                                 freePlace(order.folder, order.names[back.recognised.sent]));
        !kept)
        return tl::make_unexpected(kept.error());
    return back;
}

std::string CameBack::facts() const
{
    Json json{{"standing", standing},
              {"from", file.string()},
              {"sent", sent.record},
              {"touched", comparison.touched},
              {"restored", comparison.restored},
              {"bits", comparison.bits},
              {"cured", isCured},
              {"words", backWords(*this)}};
    if (comparison.drift)
        json["drift"] = comparison.drift->mean;
    return jsonText(json);
}

namespace {

/// What is marked on a frame, as it lies on the whole of what was sent: however the frame was turned since, or whatever
/// of the same sending stands for it by now.
Job withMarksOnWhole(Job job, const SentFile& sent)
{
    const FrameBalance now = job.frame(sent.frame).balance;
    const auto ratio = [&](FrameId) {
        return std::optional<double>(now.inPicture ? now.inPicture.ratio() : sent.sourceRatio);
    };
    if (!now.inPicture || !(*now.inPicture.balance == sent.balance))
        return withBalances(std::move(job), {{sent.frame, sent.balance}}, ratio);
    FrameBalance plain = now;
    plain.geometry = {}, plain.optics = {};
    const Region kept = now.inPicture.kept;
    return withMarks(withBalances(std::move(job), {{sent.frame, plain}}, ratio), sent.frame, [&](const Region& r) {
        const double w = kept.right - kept.left, h = kept.bottom - kept.top;
        return Region{kept.left + r.left * w, kept.top + r.top * h, kept.left + r.right * w, kept.top + r.bottom * h};
    });
}

Job withBalanceOf(Job job, FrameId frame, FrameBalance balance, const Region& kept)
{
    job = withMarks(std::move(job), frame, [&](const Region& r) {
        const double w = kept.right - kept.left, h = kept.bottom - kept.top;
        return Region{(r.left - kept.left) / w, (r.top - kept.top) / h, (r.right - kept.left) / w,
                      (r.bottom - kept.top) / h};
    });
    job.frames[frame].balance = std::move(balance);
    job.frames[frame].balanceFault.clear();
    return job;
}

}  // namespace

Result<Job> withReturned(JobStore& store, const CameBack& back)
{
    const auto file = store.addStandIn({0, back.sent.frame, back.made, back.hash, back.bytes, back.facts(), {}});
    if (!file)
        return tl::make_unexpected(file.error());
    SentFile sent = back.sent;
    sent.cameBack = *file;
    if (const Status told = store.setRecord(sent.record, sentFileToText(sent)); !told)
        return tl::make_unexpected(told.error());
    Job job = store.job();
    FrameState& state = job.frames[sent.frame];
    state.standIn = StandIn{*file, sent.look, sent.inside};
    const Region kept = back.comparison.kept;
    FrameBalance balance;
    balance.inPicture = {std::make_shared<const FrameBalance>(sent.balance), sent.sourceRatio, kept};
    balance.exposureLocked = balance.whiteLocked = balance.endsLocked = true;
    balance.because = "it came back from retouching, balanced";
    balance.confidence = 1;
    return withBalanceOf(withMarksOnWhole(std::move(job), sent), sent.frame, std::move(balance), kept);
}

std::string standingOf(const fs::path& file)
{
    std::error_code error;
    const auto bytes = fs::file_size(file, error);
    const auto when = fs::last_write_time(file, error).time_since_epoch().count();
    return fs::absolute(file, error).string() + " " + std::to_string(bytes) + " " + std::to_string(when);
}

std::string standInWords(const Job& job, FrameId frame, const Look& look)
{
    const auto& in = job.frame(frame).standIn;
    if (!in)
        return {};
    const std::size_t inside = stepsInside(look, job.pictureName(frame));
    if (in->inside.empty())
        return "retouched; all of the look follows";
    const LookId chosen = job.lookOf(frame);
    if (chosen != 0 && chosen != in->look)
        return "retouched; " + std::to_string(in->inside.size()) + (in->inside.size() == 1 ? " step" : " steps") +
               " of another look in it";
    return inside == 1 ? "retouched; step 1 of the look is in it"
                       : "retouched; steps 1 to " + std::to_string(inside) + " of the look are in it";
}

std::string backWords(const CameBack& back)
{
    std::string words = back.recognised.words;
    if (!words.empty())
        words[0] = static_cast<char>(std::toupper(static_cast<unsigned char>(words[0])));
    if (back.isAsking)
        return words + ".";
    const Comparison& c = back.comparison;
    if (c.isAsSent())
        return words + ". Nothing was changed.";
    words += ". " + percentOf(c.touched) + " retouched";
    if (c.lies == Comparison::Lies::Cut)
        words += ", cut";
    if (c.lies == Comparison::Lies::Resized)
        words += ", at another size";
    if (c.bits == 8)
        words += c.restored > 0.5 ? ", 8 bits (all depth elsewhere)" : ", 8 bits";
    if (c.drift)
        words += "; colours drifted by ΔE " + fixedText(c.drift->mean, 1) +
                 (back.isCured ? ", cured to " + fixedText(c.drift->after, 1) : std::string());
    return words + ".";
}

}  // namespace amber
