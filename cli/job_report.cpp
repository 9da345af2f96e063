// amber job sheet, amber job report: pages of a shoot for people.
#include "cli/job.h"

#include "core/report/job_report.h"

#include <cstdio>

namespace amber::cli {
namespace {

struct SheetChoices {
    std::string job, out, by = "light", paper = "a4";
    int columns = 4, width = 2400;
    bool isLandscape = false, withoutNames = false, isBalanced = false;
};

struct ReportChoices {
    std::string job, out, use = "screen";
};

const std::map<std::string, SheetOrder> kOrders{
    {"nothing", SheetOrder::Plain}, {"light", SheetOrder::ByLight}, {"look", SheetOrder::ByLook}};
/// Width and height in points.
const std::map<std::string, std::pair<double, double>> kPapers{
    {"a4", {595.28, 841.89}}, {"a3", {841.89, 1190.55}}, {"letter", {612, 792}}, {"tabloid", {792, 1224}}};

/// Says how many pages or bytes were written.
void sayWritten(const std::string& file, Session& session)
{
    std::error_code error;
    const auto bytes = std::filesystem::file_size(file, error);
    if (session.json)
        session.print({{"file", file}, {"bytes", bytes}});
    else
        std::printf("%s, %.1f MB\n", file.c_str(), static_cast<double>(bytes) / 1e6);
}

void runSheet(const SheetChoices& o, Session& session)
{
    if (const Status named = isSheetName(o.out); !named)
        return session.report(named.error());
    auto store = openJob(o.job, false, session);
    if (!store)
        return;
    const auto job = jobToReport(*store);
    if (!job)
        return session.report(job.error());
    std::vector<std::size_t> frames;
    ContactSheet sheet = contactSheetOf(*job, kOrders.at(o.by), frames);
    if (sheet.cells.empty())
        return session.report(
            Error{"the job's lights are not told apart yet; see amber job light --propose", {}, {}, {}});
    const auto [width, height] = kPapers.at(o.paper);
    sheet.width = o.isLandscape ? height : width, sheet.height = o.isLandscape ? width : height;
    sheet.columns = o.columns, sheet.withNames = !o.withoutNames;
    const Status saved = saveContactSheet(o.out, sheet, cellPictures(*job, frames, !o.isBalanced), o.width,
                                          progressOnTerminal("contact sheet"), interrupt());
    if (!saved)
        return session.report(saved.error());
    sayWritten(o.out, session);
}

void runReport(const ReportChoices& o, Session& session)
{
    if (const Status named = isReportName(o.out); !named)
        return session.report(named.error());
    auto store = openJob(o.job, false, session);
    if (!store)
        return;
    const auto use = useNamed(store->job(), o.use);
    if (!use)
        return session.report(use.error());
    const auto job = jobToReport(*store);
    if (!job)
        return session.report(job.error());
    ShootChecker checker;
    const auto report = reportOf(*job, *use, checker, {}, timeNow(), progressOnTerminal("report"), interrupt());
    if (!report)
        return session.report(Error{"it was cancelled; nothing was written", {}, {}, {}});
    if (const Status saved = saveReport(o.out, *report); !saved)
        return session.report(saved.error());
    sayWritten(o.out, session);
}

}  // namespace

void addJobReport(CLI::App& job, Session& session)
{
    const auto s = std::make_shared<SheetChoices>();
    CLI::App* sheet = job.add_subcommand("sheet", "A contact sheet: every frame as it will be handed over");
    sheet->add_option("job", s->job, "The job (.amberjob), or its folder")->required();
    sheet->add_option("-o,--out", s->out, "What to write: .pdf, or .jpg for all on one picture")->required();
    sheet->add_option("--by", s->by, "Under headings of: light, look or nothing")
        ->check(CLI::IsMember({"light", "look", "nothing"}))
        ->capture_default_str();
    sheet->add_option("--columns", s->columns, "Pictures in a row")
        ->check(CLI::Range(1, ContactSheet::kMostColumns))
        ->capture_default_str();
    sheet->add_option("--paper", s->paper, "Of a PDF: a4, a3, letter or tabloid")
        ->check(CLI::IsMember({"a4", "a3", "letter", "tabloid"}))
        ->capture_default_str();
    sheet->add_flag("--landscape", s->isLandscape, "The long side of the paper lies across");
    sheet->add_option("--width", s->width, "Of a JPEG, in pixels")
        ->check(CLI::Range(200, 20000))
        ->capture_default_str();
    sheet->add_flag("--no-names", s->withoutNames, "Only pictures");
    sheet->add_flag("--balanced", s->isBalanced, "Balanced, without the look");
    sheet->footer("Example: amber job sheet shoot.amberjob -o sheet.pdf --by look --columns 5");
    sheet->callback([s, &session] { runSheet(*s, session); });
    const auto r = std::make_shared<ReportChoices>();
    CLI::App* report =
        job.add_subcommand("report", "What was asked and done, how it holds together, what was found and let stand");
    report->add_option("job", r->job, "The job (.amberjob), or its folder")->required();
    report->add_option("-o,--out", r->out, "What to write: .pdf, .html (its pictures beside it) or .json")->required();
    report->add_option("--for", r->use, "Checked for: screen, print, archive, or a use of the job's own")
        ->capture_default_str();
    report->footer("Example: amber job report shoot.amberjob -o report.pdf --for print");
    report->callback([r, &session] { runReport(*r, session); });
}

}  // namespace amber::cli
