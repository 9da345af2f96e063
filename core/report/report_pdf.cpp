#include "core/base/number_text.h"
#include "core/image/jpeg_bytes.h"
#include "core/page/column.h"
#include "core/report/report.h"

#include <algorithm>

namespace amber {
namespace {

using Style = Pages::TextStyle;
constexpr Style kHead{13, true}, kStrong{10, true}, kPlain{9.5}, kReason{9.5, false, true, 0.25},
    kQuiet{8.5, false, false, 0.4};
constexpr double kIndent = 16;

std::string framesInWords(int frames) { return frames == 1 ? "1 frame" : std::to_string(frames) + " frames"; }

std::string percent(double share) { return fixedText(100 * share, 0) + " %"; }

void head(Column& column, const std::string& words, double room = 60)
{
    column.skip(10);
    column.need(room);
    column.text(words, kHead);
    column.line();
}

void laySummary(Column& column, const Report& r)
{
    column.text(r.job, {20, true});
    column.text("Report, " + r.made + " UTC", {11, false, false, 0.25});
    column.skip(6);
    int frames = 0;
    for (const auto& light : r.lights)
        frames += light.frames;
    column.text(std::to_string(frames) + " frames in " + std::to_string(r.lights.size()) + " lights", kPlain);
    if (r.consistency)
        column.text("Key colours within tolerance: " + percent(r.consistency->within) + " of the cells, as they came " +
                        percent(r.consistency->withinBefore),
                    kPlain);
    const int open = r.open();
    column.text("Checked for " + r.use + ": " + std::to_string(open) + " open, " +
                    std::to_string(static_cast<int>(r.findings.size()) - open) + " accepted, on " +
                    std::to_string(r.checked) + " frames",
                kPlain);
}

void layLook(Column& column, const Report::LookPart& look)
{
    head(column, "Look: " + look.name, 90);
    if (!look.intent.empty())
        column.text(look.intent, {10.5, false, false, 0.2});
    for (const std::string& line : look.card)
        column.text("Asked: " + line, kPlain);
    column.text("On " + framesInWords(look.frames) + " · " + look.hash.substr(0, 12), kQuiet);
    column.skip(4);
    for (const auto& step : look.steps) {
        column.need(42);
        column.text(step.title, kStrong);
        if (!step.reason.empty())
            column.text(step.reason, kReason, kIndent);
        for (const std::string& line : step.recipe)
            column.text(line, kPlain, kIndent);
        column.skip(3);
    }
    if (!look.versions.empty())
        column.need(40), column.text("Versions pinned", kStrong);
    for (const auto& [made, note] : look.versions)
        column.text(made + "  " + note, kPlain, kIndent);
}

Status layLights(Column& column, const Report& r)
{
    constexpr double kGap = 12;
    const double wide = (column.width() - kGap) / 2;
    head(column, "Before and after, by light", 260);
    for (const auto& light : r.lights) {
        double high = 0;
        std::array<PagePicture, 2> both{light.before, light.after};
        for (PagePicture& picture : both) {
            if (picture.width <= 0)
                continue;
            auto jpeg = jpegBytes(picture.width, picture.height, picture.pixels, 90);
            if (!jpeg)
                return tl::make_unexpected(jpeg.error());
            picture.jpeg = std::move(*jpeg);
            high = std::max(high, wide * picture.height / picture.width);
        }
        high = std::min(high, column.pages().height() - 2 * Column::kMargin - Column::kFoot - 40);
        column.need(high + 34);
        column.text(light.name + ": " + framesInWords(light.frames) + ", lead " + light.lead, kStrong);
        column.skip(2);
        for (std::size_t i = 0; i < both.size(); ++i) {
            if (both[i].width <= 0)
                continue;
            const double own = std::min(wide, high * both[i].width / both[i].height);
            column.pages().picture(Column::kMargin + static_cast<double>(i) * (wide + kGap), column.y(), own, both[i]);
        }
        column.skip(high + 3);
        column.pages().text(Column::kMargin, column.y(), wide, "balanced", kQuiet);
        column.pages().text(Column::kMargin + wide + kGap, column.y(), wide, "with its look", kQuiet);
        column.skip(20);
    }
    return {};
}

void layTableHead(Column& column, const Report::Consistency& table, double first, double cell)
{
    column.need(60);
    double high = 0;
    for (std::size_t k = 0; k < table.columns.size(); ++k)
        high = std::max(high, column.pages().textHeight(table.columns[k], cell - 4, kQuiet));
    for (std::size_t k = 0; k < table.columns.size(); ++k)
        column.pages().text(Column::kMargin + first + static_cast<double>(k) * cell, column.y(), cell - 4,
                            table.columns[k], kQuiet, true);
    column.skip(high + 3);
    column.line();
    column.skip(-4);
}

void layConsistency(Column& column, const Report::Consistency& table)
{
    head(column, "Consistency", 120);
    column.text("ΔE of each key colour, and L* of tones, from the lead of its light. Strong: past its tolerance.",
                kQuiet);
    column.text("95 % of the key colours within ΔE " + fixedText(table.spread, 1) + ", as they came " +
                    fixedText(table.spreadBefore, 1),
                kPlain);
    column.skip(4);
    constexpr double kFirst = 130, kRow = 13, kMost = 60;
    const double cell =
        std::min(kMost, (column.width() - kFirst) / std::max<double>(1, static_cast<double>(table.columns.size())));
    layTableHead(column, table, kFirst, cell);
    for (const auto& row : table.rows) {
        if (column.left() < kRow)
            layTableHead(column, table, kFirst, cell);
        column.pages().oneLine(Column::kMargin, column.y(), kFirst - 6, row.frame, {8.5, row.isLead, false, 0.1});
        for (std::size_t k = 0; k < row.apart.size(); ++k)
            column.pages().text(Column::kMargin + kFirst + static_cast<double>(k) * cell, column.y(), cell - 4,
                                row.isLead      ? "lead"
                                : !row.apart[k] ? "–"
                                                : fixedText(*row.apart[k], 1),
                                {8.5, !row.isWithin[k] && !row.isLead, false, row.isWithin[k] ? 0.3 : 0.0}, true);
        column.skip(kRow);
    }
}

void layFindings(Column& column, const Report& r)
{
    head(column, "Checks for " + r.use);
    if (r.findings.empty())
        column.text("Nothing is past its limit on " + std::to_string(r.checked) + " frames.", kPlain);
    const int open = r.open();
    for (const bool isAccepted : {false, true}) {
        const int count = isAccepted ? static_cast<int>(r.findings.size()) - open : open;
        if (count == 0)
            continue;
        column.need(50);
        column.text(isAccepted ? "Accepted, with the reason" : "Open", kStrong);
        for (const auto& f : r.findings) {
            if (f.isAccepted != isAccepted)
                continue;
            column.need(30);
            column.text(f.frame + " · " + f.title + ": " + f.words + " (limit " + fixedText(f.limit, f.decimals) + " " +
                            f.unit + ")",
                        kPlain, kIndent);
            if (isAccepted)
                column.text(f.reason, kReason, 2 * kIndent);
        }
        column.skip(4);
    }
    for (const auto& [frame, why] : r.unread)
        column.text(frame + " could not be read: " + why, kPlain, kIndent);
}

void layDeliveries(Column& column, const Report& r)
{
    if (!r.deliveries.empty())
        head(column, "Handed over");
    for (const auto& delivery : r.deliveries)
        column.text(inWords(delivery), kPlain, kIndent);
    if (!r.rounds.empty())
        head(column, "Rounds");
    for (const auto& round : r.rounds) {
        column.need(40);
        column.text(inWords(round), kPlain, kIndent);
        for (const auto& remark : round.remarks)
            column.text(inWords(remark), kReason, 2 * kIndent);
    }
}

void layReasons(Column& column, const Report& r)
{
    if (r.reasons.empty())
        return;
    head(column, "Reasons given");
    for (const auto& reason : r.reasons) {
        column.need(30);
        column.text(reason.made + "  " + reason.what, kPlain, kIndent);
        column.text(reason.reason, kReason, 2 * kIndent);
    }
}

Status lay(Pages& pages, const Report& report)
{
    Column column(pages, report.job + " · " + report.made + " · Jolly Amber");
    laySummary(column, report);
    for (const auto& look : report.looks)
        layLook(column, look);
    if (!report.lights.empty())
        if (const Status laid = layLights(column, report); !laid)
            return laid;
    layFindings(column, report);
    if (report.consistency)
        layConsistency(column, *report.consistency);
    layDeliveries(column, report);
    layReasons(column, report);
    return {};
}

}  // namespace

Result<std::string> reportPdf(const Report& report)
{
    Pages pages(report.job + ", report");
    if (const Status laid = lay(pages, report); !laid)
        return tl::make_unexpected(laid.error());
    return pages.finish();
}

Result<std::vector<PagePicture>> reportPages(const Report& report, double pixelsPerPoint)
{
    Pages pages(Pages::kA4Width, Pages::kA4Height, pixelsPerPoint);
    if (const Status laid = lay(pages, report); !laid)
        return tl::make_unexpected(laid.error());
    return pages.pictures();
}

}  // namespace amber
