#include "core/base/number_text.h"
#include "core/image/jpeg_bytes.h"
#include "core/report/report.h"

namespace amber {
namespace {

std::string escaped(const std::string& words)
{
    std::string safe;
    for (const char c : words)
        safe += c == '&' ? "&amp;" : c == '<' ? "&lt;" : c == '>' ? "&gt;" : c == '"' ? "&quot;" : std::string(1, c);
    return safe;
}

std::string element(const char* name, const std::string& words, const char* kind = "")
{
    return std::string("<") + name + (*kind ? std::string(" class=\"") + kind + "\"" : "") + ">" + escaped(words) +
           "</" + name + ">\n";
}

constexpr const char* kStyle =
    "body{font:15px/1.45 Inter,sans-serif;color:#1c1c1c;background:#fff;max-width:62em;margin:2em auto;padding:0 1em}"
    "h1{font-size:1.7em}h2{font-size:1.2em;border-bottom:1px solid #b2b2b2;padding-bottom:.2em;margin-top:2em}"
    "h3{font-size:1em;margin:.9em 0 .2em}p{margin:.2em 0}.quiet{color:#555}.reason{font-style:italic;color:#444}"
    "figure{display:inline-block;width:48%;margin:.4em 1% 1em 0;vertical-align:top}figure img{width:100%;height:auto}"
    "figcaption{color:#555;font-size:.85em}table{border-collapse:collapse;font-variant-numeric:tabular-nums}"
    "th{font-weight:normal;color:#555;font-size:.85em}td,th{padding:.15em .6em;text-align:right}"
    "td:first-child,th:first-child{text-align:left}.past{font-weight:bold}ul{margin:.3em 0}";

std::string lookHtml(const Report::LookPart& look)
{
    std::string html = element("h2", "Look: " + look.name);
    if (!look.intent.empty())
        html += element("p", look.intent);
    for (const std::string& line : look.card)
        html += element("p", "Asked: " + line);
    html += element("p", "On " + std::to_string(look.frames) + " frames · " + look.hash.substr(0, 12), "quiet");
    for (const auto& step : look.steps) {
        html += element("h3", step.title);
        if (!step.reason.empty())
            html += element("p", step.reason, "reason");
        for (const std::string& line : step.recipe)
            html += element("p", line);
    }
    if (!look.versions.empty())
        html += element("h3", "Versions pinned");
    for (const auto& [made, note] : look.versions)
        html += element("p", made + "  " + note);
    return html;
}

std::string consistencyHtml(const Report::Consistency& table)
{
    std::string html =
        element("h2", "Consistency") +
        element("p", "ΔE of each key colour, and L* of tones, from the lead of its light. Bold: past its "
                     "tolerance. 95 % of the key colours within ΔE " +
                         fixedText(table.spread, 1) + ", as they came " + fixedText(table.spreadBefore, 1) + ".");
    html += "<table><tr><th>frame</th>";
    for (const std::string& column : table.columns)
        html += "<th>" + escaped(column) + "</th>";
    html += "</tr>\n";
    for (const auto& row : table.rows) {
        html += "<tr><td>" + escaped(row.frame) + "</td>";
        for (std::size_t k = 0; k < row.apart.size(); ++k)
            html += std::string(row.isWithin[k] || row.isLead ? "<td>" : "<td class=\"past\">") +
                    (row.isLead      ? "lead"
                     : !row.apart[k] ? "–"
                                     : fixedText(*row.apart[k], 1)) +
                    "</td>";
        html += "</tr>\n";
    }
    return html + "</table>\n";
}

std::string findingsHtml(const Report& r)
{
    const int open = r.open(), all = static_cast<int>(r.findings.size());
    std::string html = element("h2", "Checks for " + r.use) +
                       element("p", std::to_string(open) + " open, " + std::to_string(all - open) + " accepted, on " +
                                        std::to_string(r.checked) + " frames.");
    for (const bool isAccepted : {false, true}) {
        if ((isAccepted ? all - open : open) == 0)
            continue;
        html += element("h3", isAccepted ? "Accepted, with the reason" : "Open") + "<ul>\n";
        for (const auto& f : r.findings)
            if (f.isAccepted == isAccepted)
                html += "<li>" +
                        element("span", f.frame + " · " + f.title + ": " + f.words + " (limit " +
                                            fixedText(f.limit, f.decimals) + " " + f.unit + ")") +
                        (isAccepted ? element("p", f.reason, "reason") : element("p", f.because, "quiet")) + "</li>\n";
        html += "</ul>\n";
    }
    for (const auto& [frame, why] : r.unread)
        html += element("p", frame + " could not be read: " + why);
    return html;
}

/// Adds both pictures of a light to the files; its figures.
Result<std::string> lightHtml(const Report::LightPart& light, std::size_t number, const std::string& folder,
                              ReportPage& page)
{
    std::string html =
        element("h3", light.name + ": " + (light.frames == 1 ? "1 frame" : std::to_string(light.frames) + " frames") +
                          ", lead " + light.lead);
    for (const auto& [picture, name, words] :
         {std::tuple(&light.before, "balanced", "balanced"), std::tuple(&light.after, "finished", "with its look")}) {
        if (picture->width <= 0)
            continue;
        auto jpeg = jpegBytes(picture->width, picture->height, picture->pixels, 90);
        if (!jpeg)
            return tl::make_unexpected(jpeg.error());
        const std::string file = "light-" + std::to_string(number + 1) + "-" + name + ".jpg";
        html += "<figure><img src=\"" + escaped(folder) + "/" + file + "\" width=\"" + std::to_string(picture->width) +
                "\" height=\"" + std::to_string(picture->height) + "\" alt=\"" + escaped(light.lead + ", " + words) +
                "\"><figcaption>" + words + "</figcaption></figure>\n";
        page.pictures[file] = std::move(*jpeg);
    }
    return html;
}

std::string deliveriesHtml(const Report& r)
{
    std::string html;
    if (!r.deliveries.empty())
        html += element("h2", "Handed over");
    for (const auto& delivery : r.deliveries)
        html += element("p", inWords(delivery));
    if (!r.rounds.empty())
        html += element("h2", "Rounds");
    for (const auto& round : r.rounds) {
        html += element("p", inWords(round));
        for (const auto& remark : round.remarks)
            html += element("p", inWords(remark), "reason");
    }
    return html;
}

}  // namespace

Result<ReportPage> reportHtml(const Report& r, const std::string& folder)
{
    ReportPage page;
    page.html = "<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><meta name=\"viewport\" "
                "content=\"width=device-width\">\n" +
                element("title", r.job + ", report") + "<style>" + kStyle + "</style></head><body>\n" +
                element("h1", r.job) + element("p", "Report, " + r.made + " UTC", "quiet");
    if (r.consistency)
        page.html += element("p", "Key colours within tolerance: " + fixedText(100 * r.consistency->within, 0) +
                                      " % of the cells, as they came " +
                                      fixedText(100 * r.consistency->withinBefore, 0) + " %.");
    for (const auto& look : r.looks)
        page.html += lookHtml(look);
    if (!r.lights.empty())
        page.html += element("h2", "Before and after, by light");
    for (std::size_t i = 0; i < r.lights.size(); ++i) {
        auto html = lightHtml(r.lights[i], i, folder, page);
        if (!html)
            return tl::make_unexpected(html.error());
        page.html += *html;
    }
    page.html += findingsHtml(r);
    if (r.consistency)
        page.html += consistencyHtml(*r.consistency);
    page.html += deliveriesHtml(r);
    if (!r.reasons.empty())
        page.html += element("h2", "Reasons given");
    for (const auto& reason : r.reasons)
        page.html += element("p", reason.made + "  " + reason.what) + element("p", reason.reason, "reason");
    page.html += "</body></html>\n";
    return page;
}

}  // namespace amber
