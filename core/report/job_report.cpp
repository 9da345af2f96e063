#include "core/report/job_report.h"

#include "core/analysis/look_sheet.h"
#include "core/base/atomic_file.h"
#include "core/base/json_text.h"
#include "core/base/number_text.h"
#include "core/base/parallel.h"
#include "core/base/utc_time.h"
#include "core/base/written_files.h"
#include "core/colour/rgb_space.h"
#include "core/engine/render_plan.h"
#include "core/image/jpeg_bytes.h"
#include "core/image/profile.h"
#include "core/image/write.h"
#include "core/job/edits.h"
#include "core/job/shoot_work.h"
#include "core/proof/finished_picture.h"

#include <algorithm>
#include <atomic>
#include <ctime>

namespace amber {
namespace fs = std::filesystem;
namespace {

std::string nameOfFrame(const JobToReport& job, FrameId id)
{
    const Frame* frame = frameOf(job.frames, id);
    return frame ? frame->path.stem().string() : std::to_string(id);
}

/// "warm-lights" -> "warm lights".
std::string plain(std::string_view name)
{
    std::string words(name);
    std::replace(words.begin(), words.end(), '-', ' ');
    return words;
}

std::vector<std::string> linesOf(const IntentCard& card)
{
    std::vector<std::string> lines;
    const auto add = [&](const char* what, auto value, const auto& names) {
        if (const auto i = static_cast<std::size_t>(value); i > 0)
            lines.push_back(std::string(what) + " " + plain(names[i]));
    };
    add("key", card.key, IntentCard::kKeys);
    add("temperature", card.temperature, IntentCard::kTemperatures);
    add("contrast", card.contrast, IntentCard::kLevels);
    add("fade", card.fade, IntentCard::kLevels);
    add("colours", card.fidelity, IntentCard::kFidelities);
    add("grain", card.grain, IntentCard::kLevels);
    for (const PlanHue& hue : card.plan)
        lines.push_back("colour plan: hue " + fixedText(hue.hue, 0) + "°, " + fixedText(hue.width, 0) + "° wide");
    if (!card.madeFor.empty())
        lines.push_back("made for " + card.madeFor);
    if (!card.limits.empty())
        lines.push_back("not for " + card.limits);
    return lines;
}

Report::LookPart lookPart(const JobToReport::KeptLook& kept)
{
    Report::LookPart part;
    part.name = kept.look.name, part.intent = kept.look.intent, part.card = linesOf(kept.look.card);
    if (const auto plan = RenderPlan::compile(kept.look))
        part.hash = plan->hash();
    for (std::size_t i = 0; i < kept.look.steps.size(); ++i)
        part.steps.push_back({numberedTitle(kept.look, i), kept.look.steps[i].note, recipeOf(kept.look.steps[i])});
    for (const PinnedVersion& pin : kept.pins)
        part.versions.emplace_back(pin.made, pin.note);
    part.frames = kept.frames;
    return part;
}

const ReadFrame* readFrame(const JobToReport& job, FrameId id)
{
    const auto found =
        std::find_if(job.toCheck.begin(), job.toCheck.end(), [&](const ReadFrame& f) { return f.frame == id; });
    return found == job.toCheck.end() ? nullptr : &*found;
}

std::vector<Report::LightPart> lightParts(const JobToReport& job)
{
    constexpr int kEdge = 1100;
    std::vector<Report::LightPart> parts;
    for (const Light& light : job.job.lights) {
        Report::LightPart part;
        part.name = light.name, part.lead = nameOfFrame(job, light.lead);
        part.frames = static_cast<int>(std::count_if(job.toCheck.begin(), job.toCheck.end(), [&](const ReadFrame& f) {
            return std::find(light.frames.begin(), light.frames.end(), f.frame) != light.frames.end();
        }));
        parts.push_back(std::move(part));
    }
    inParallel(2 * parts.size(), [&](std::size_t i) {
        const ReadFrame* lead = readFrame(job, job.job.lights[i / 2].lead);
        auto picture = lead ? finishedPicture(*lead, job.lookForAll, kEdge, i % 2 == 1) : fail("there is no lead");
        if (picture)
            (i % 2 ? parts[i / 2].after : parts[i / 2].before) = onPaper(picture->view());
    });
    return parts;
}

Report::Consistency consistencyPart(const JobToReport& job, const std::vector<FrameReading>& readings)
{
    const std::vector<KeyColour>& keys = job.job.keys;
    const ConsistencyTable table = consistency(readings, keys);
    Report::Consistency part{table.within, table.withinBefore, table.allSpread, table.allSpreadBefore, {}, {}};
    for (const KeyColour& key : keys)
        part.columns.push_back(key.name.empty() ? "key colour" : key.name);
    part.columns.insert(part.columns.end(), {"brightness", "contrast"});
    for (std::size_t i = 0; i < readings.size(); ++i) {
        Report::Consistency::Row row{nameOfFrame(job, readings[i].frame), readings[i].isLead, {}, {}};
        for (const ConsistencyCell& cell : table.rows[i]) {
            row.apart.push_back(cell.isMeasured ? std::optional(cell.after) : std::nullopt);
            row.isWithin.push_back(cell.isWithin);
        }
        part.rows.push_back(std::move(row));
    }
    return part;
}

void addFindings(Report& report, const JobToReport& job, const CheckedShoot& shoot, const CheckUse& use)
{
    for (const Finding& f : shoot.findings(use)) {
        const Acceptance* accepted = acceptanceOf(f, use.name, job.job.accepted);
        report.findings.push_back({nameOfFrame(job, f.frame), f.kind->id, f.kind->title, f.measured.words,
                                   f.kind->because, f.kind->unit, f.measured.value, f.limit, f.kind->decimals,
                                   accepted ? accepted->reason : std::string(), accepted != nullptr});
    }
    std::stable_partition(report.findings.begin(), report.findings.end(),
                          [](const Report::FindingPart& f) { return !f.isAccepted; });
    for (const CheckedShoot::Frame& f : shoot.frames)
        if (f.fault.empty())
            ++report.checked;
        else
            report.unread.emplace_back(nameOfFrame(job, f.frame), f.fault);
}

/// The readings of the frames that are handed over, in their order; those not given are measured.
bool measureConsistency(Report& report, const JobToReport& job, std::vector<FrameReading> readings,
                        const SheetProgress& progress, const CancelToken& cancel)
{
    if (job.job.keys.empty())
        return true;
    if (readings.empty())
        readings = readShoot(job.toCheck, job.job.keys, job.lookForAll, progress, cancel);
    if (cancel.isCancelled())
        return false;
    std::erase_if(readings, [&](const FrameReading& r) { return !readFrame(job, r.frame) || !r.fault.empty(); });
    report.consistency = consistencyPart(job, readings);
    return true;
}

std::string endingOf(const fs::path& path)
{
    std::string ending = path.extension().string();
    for (char& c : ending)
        c = c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
    return ending;
}

Status saveHtml(const fs::path& path, const Report& report)
{
    const fs::path folder = path.parent_path() / (path.stem().string() + "-pictures");
    const auto page = reportHtml(report, folder.filename().string());
    if (!page)
        return tl::make_unexpected(page.error());
    std::error_code error;
    fs::create_directories(folder, error);
    if (error)
        return fail("the folder of its pictures cannot be made", folder.string(), {}, error.message());
    for (const auto& [name, bytes] : page->pictures)
        if (const Status saved = saveFile(folder / name, bytes); !saved)
            return saved;
    return saveFile(path, page->html);
}

EncodedPicture encoded(const PagePicture& page)
{
    EncodedPicture picture{Image(page.width, page.height), {}, iccProfile(RgbSpace::Srgb), "jpeg", 8};
    for (int y = 0; y < page.height; ++y) {
        float* row = picture.image.mutableView().row(y);
        for (int x = 0; x < page.width; ++x) {
            const std::uint32_t c = page.pixels[static_cast<std::size_t>(y) * static_cast<std::size_t>(page.width) +
                                                static_cast<std::size_t>(x)];
            row[3 * x] = static_cast<float>(c >> 16 & 255) / 255;
            row[3 * x + 1] = static_cast<float>(c >> 8 & 255) / 255;
            row[3 * x + 2] = static_cast<float>(c & 255) / 255;
        }
    }
    return picture;
}

}  // namespace

Result<JobToReport> jobToReport(const JobStore& store, bool withHistory)
{
    JobToReport all;
    all.name = store.file().stem().string();
    all.job = store.job(), all.frames = store.frames();
    const auto read = [&](LookId id) { return store.currentLook(id); };
    all.toCheck = framesToCheck(all.job, all.frames, read);
    const LookId forAll = all.job.looks.count(store.desk().look) > 0 ? store.desk().look
                          : all.job.looks.empty()                    ? 0
                                                                     : all.job.looks.begin()->first;
    for (const auto& [id, state] : all.job.looks) {
        const auto on = framesWithLook(all.job, all.frames, id, forAll);
        if (on.empty() && id != forAll)
            continue;
        auto look = read(id);
        if (!look)
            return tl::make_unexpected(look.error());
        if (id == forAll)
            all.lookForAll = *look;
        if (!on.empty())
            all.looks.push_back(
                {id, std::move(*look),
                 withHistory ? store.pins(id).value_or(std::vector<PinnedVersion>{}) : std::vector<PinnedVersion>{},
                 static_cast<int>(on.size())});
    }
    if (withHistory)
        all.journal = store.journal().value_or(std::vector<Gesture>{});
    all.rounds = roundsOf(store);
    const Desk& desk = store.desk();
    const std::string& folder = desk.handOver.folder.empty() ? desk.delivery.folder : desk.handOver.folder;
    all.handedOver = folder.empty() ? fs::path() : store.placeOf(folder);
    return all;
}

ContactSheet contactSheetOf(const JobToReport& job, SheetOrder order, std::vector<std::size_t>& frames)
{
    ContactSheet sheet;
    sheet.title = job.name;
    sheet.foot = job.name;
    for (const auto& kept : job.looks)
        sheet.foot += " · " + kept.look.name;
    frames.resize(job.toCheck.size());
    for (std::size_t i = 0; i < frames.size(); ++i)
        frames[i] = i;
    const auto headingOf = [&](const ReadFrame& f) -> std::string {
        if (order == SheetOrder::ByLight && f.group >= 0 && f.group < static_cast<int>(job.job.lights.size()))
            return job.job.lights[static_cast<std::size_t>(f.group)].name;
        return order == SheetOrder::ByLook ? (f.look ? f.look->name : job.lookForAll.name) : std::string();
    };
    if (order == SheetOrder::Plain)
        std::stable_sort(frames.begin(), frames.end(),
                         [&](std::size_t a, std::size_t b) { return job.toCheck[a].frame < job.toCheck[b].frame; });
    if (order == SheetOrder::ByLook)
        std::stable_sort(frames.begin(), frames.end(), [&](std::size_t a, std::size_t b) {
            return headingOf(job.toCheck[a]) < headingOf(job.toCheck[b]);
        });
    for (const std::size_t i : frames)
        sheet.cells.push_back({nameOfFrame(job, job.toCheck[i].frame), headingOf(job.toCheck[i])});
    return sheet;
}

CellPicture cellPictures(const JobToReport& job, const std::vector<std::size_t>& frames, bool isWithLook)
{
    std::vector<ReadFrame> ordered;
    for (const std::size_t i : frames)
        ordered.push_back(job.toCheck[i]);
    return [ordered = std::move(ordered), look = job.lookForAll, isWithLook](std::size_t cell, int longEdge) {
        constexpr int kQuality = 92;
        const auto picture = finishedPicture(ordered[cell], look, longEdge, isWithLook);
        if (!picture)
            return PagePicture{};
        PagePicture page = onPaper(picture->view());
        page.jpeg = jpegBytes(page.width, page.height, page.pixels, kQuality).value_or(std::string());
        return page;
    };
}

namespace {

/// What the lists in the folder and those in it name, by recipe.
std::vector<Report::DeliveryPart> deliveriesIn(const fs::path& folder)
{
    std::vector<fs::path> folders{folder};
    std::error_code error;
    for (fs::directory_iterator at(folder, error); !error && at != fs::directory_iterator(); at.increment(error))
        if (std::error_code ignored; at->is_directory(ignored))
            folders.push_back(at->path());
    std::sort(folders.begin() + 1, folders.end());
    std::vector<Report::DeliveryPart> parts;
    for (const fs::path& place : folder.empty() ? std::vector<fs::path>{} : folders) {
        std::map<std::string, std::pair<int, long long>> recipes;
        for (const auto& file : WrittenFiles::listedIn(place))
            if (const Json facts = Json::parse(file.facts, nullptr, false); facts.is_object()) {
                auto& [count, last] = recipes[facts.value("recipe", std::string())];
                ++count, last = std::max(last, file.when);
            }
        for (const auto& [recipe, counted] : recipes)
            if (recipe != "retouching")
                parts.push_back(
                    {recipe, place.filename().string(), utcText(counted.second).substr(0, 16), counted.first});
    }
    return parts;
}

std::vector<Report::RoundPart> roundParts(const JobToReport& job)
{
    std::vector<Report::RoundPart> parts;
    for (const Round& round : job.rounds) {
        Report::RoundPart part{
            round.number, static_cast<int>(round.files.size()), round.approved(), round.asked, round.answered, {}};
        const std::string ending = ", round " + std::to_string(round.number);
        for (const auto& [id, pin] : job.job.pins)
            if (pin.from == Pin::From::Client && pin.about.ends_with(ending) && pin.text != "approved")
                part.remarks.push_back({nameOfFrame(job, pin.frame), pin.text, pin.about, pin.isDone});
        parts.push_back(std::move(part));
    }
    return parts;
}

}  // namespace

std::optional<Report> reportOf(const JobToReport& job, const CheckUse& use, ShootChecker& checker,
                               std::vector<FrameReading> readings, const std::string& made,
                               const SheetProgress& progress, const CancelToken& cancel)
{
    const int frames = static_cast<int>(job.toCheck.size());
    const bool isRead = readings.empty() && !job.job.keys.empty();
    const auto part = [&](int first) -> SheetProgress {
        return [progress, first, all = frames * (isRead ? 2 : 1)](int done, int) {
            if (progress)
                progress(first + done, all);
        };
    };
    Report report;
    report.job = job.name, report.use = use.name, report.made = made;
    for (const auto& look : job.looks)
        report.looks.push_back(lookPart(look));
    const auto shoot = checker.check(job.toCheck, job.job.keys, job.lookForAll, part(0), cancel);
    if (!shoot || !measureConsistency(report, job, std::move(readings), part(frames), cancel))
        return std::nullopt;
    addFindings(report, job, *shoot, use);
    report.lights = lightParts(job);
    report.deliveries = deliveriesIn(job.handedOver), report.rounds = roundParts(job);
    for (const Gesture& gesture : job.journal)
        if (!gesture.reason.empty())
            report.reasons.push_back({gesture.made, gesture.what, gesture.reason});
    return report;
}

Status isReportName(const fs::path& path)
{
    const std::string ending = endingOf(path);
    if (ending == ".pdf" || ending == ".html" || ending == ".htm" || ending == ".json")
        return {};
    return fail("a report is .pdf, .html or .json", path.string());
}

Status isSheetName(const fs::path& path)
{
    const std::string ending = endingOf(path);
    if (ending == ".pdf" || ending == ".jpg" || ending == ".jpeg")
        return {};
    return fail("a contact sheet is .pdf or .jpg", path.string());
}

Status saveReport(const fs::path& path, const Report& report)
{
    if (const Status named = isReportName(path); !named)
        return named;
    const std::string ending = endingOf(path);
    if (ending == ".html" || ending == ".htm")
        return saveHtml(path, report);
    if (ending == ".json")
        return saveFile(path, reportJson(report));
    const auto pdf = reportPdf(report);
    if (!pdf)
        return tl::make_unexpected(pdf.error());
    return saveFile(path, *pdf);
}

Status saveContactSheet(const fs::path& path, const ContactSheet& sheet, const CellPicture& picture, int pictureWidth,
                        const SheetProgress& progress, const CancelToken& cancel)
{
    if (const Status named = isSheetName(path); !named)
        return named;
    if (endingOf(path) != ".pdf") {
        const auto page = contactSheetPicture(sheet, pictureWidth, picture, progress, cancel);
        return page ? writeEncoded(path, encoded(*page)) : Status(tl::make_unexpected(page.error()));
    }
    const auto pdf = contactSheetPdf(sheet, picture, progress, cancel);
    return pdf ? saveFile(path, *pdf) : Status(tl::make_unexpected(pdf.error()));
}

std::string timeNow()
{
    const std::time_t now = std::time(nullptr);
    std::tm utc{};
    gmtime_r(&now, &utc);
    char text[32];
    std::strftime(text, sizeof text, "%Y-%m-%d %H:%M", &utc);
    return text;
}

}  // namespace amber
