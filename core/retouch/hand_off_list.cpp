#include "core/retouch/hand_off_list.h"

#include "core/analysis/look_sheet.h"
#include "core/base/atomic_file.h"
#include "core/base/json_text.h"
#include "core/base/number_text.h"
#include "core/base/written_files.h"
#include "core/image/jpeg_bytes.h"
#include "core/image/read.h"
#include "core/page/column.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace fs = std::filesystem;
namespace {

using Style = Pages::TextStyle;
constexpr Style kTitle{20, true}, kHead{12, true}, kPlain{10}, kQuiet{8.5, false, false, 0.4};
constexpr int kPictureEdge = 900;
constexpr std::uint32_t kPin = 0xff1c1a17, kSpot = 0xffb3541e;

/// A ring round a place, drawn into the pixels.
void ring(PagePicture& page, Spot at, double radius, std::uint32_t colour)
{
    const double x = at.x * page.width, y = at.y * page.height, r = std::max(5.0, radius);
    const int steps = std::max(24, static_cast<int>(8 * r));
    for (int i = 0; i < steps; ++i)
        for (const double thick : {0.0, 0.6, 1.2}) {
            const double angle = 2 * 3.14159265358979 * i / steps;
            const int px = static_cast<int>(std::lround(x + (r + thick) * std::cos(angle))),
                      py = static_cast<int>(std::lround(y + (r + thick) * std::sin(angle)));
            if (px >= 0 && py >= 0 && px < page.width && py < page.height)
                page.pixels[static_cast<std::size_t>(py) * page.width + static_cast<std::size_t>(px)] = colour;
        }
}

std::string stepsInWords(const HandOffList::Picture& p)
{
    if (p.steps == 0)
        return "Balanced; no step of a look is in it. " + p.sent.lookName + " follows when it is back.";
    return "In it: " + std::to_string(p.steps) + (p.steps == 1 ? " step of " : " steps of ") + p.sent.lookName + ".";
}

std::string spotsInWords(std::size_t spots)
{
    return spots == 0   ? "no spots proposed"
           : spots == 1 ? "1 spot proposed"
                        : std::to_string(spots) + " spots proposed";
}

Status layPicture(Column& column, const HandOffList::Picture& p)
{
    const auto read = readReduced(p.file, kPictureEdge, false);
    if (!read)
        return tl::make_unexpected(read.error());
    const ImageView view = read->image.view();
    std::array<PagePicture, 2> both{onPaper(view), onPaper(stretchedView(view, kPictureEdge).view())};
    for (const Spot& mark : p.marks)
        ring(both[0], mark, 12, kPin);
    for (const DustSpot& spot : p.sent.spots)
        ring(both[1], spot.at, 3 * spot.radius * kPictureEdge, kSpot);
    constexpr double kGap = 12;
    const double most = (column.width() - kGap) / 2,
                 wide = std::min(most, 330.0 * both[0].width / std::max(1, both[0].height)),
                 high = wide * both[0].height / both[0].width;
    column.need(high + 90);
    column.text(p.sent.name, kHead);
    column.line();
    for (std::size_t i = 0; i < both.size(); ++i) {
        const double x = Column::kMargin + static_cast<double>(i) * (wide + kGap);
        if (auto jpeg = jpegBytes(both[i].width, both[i].height, both[i].pixels, 90))
            both[i].jpeg = std::move(*jpeg);
        column.pages().picture(x, column.y(), wide, both[i]);
        column.pages().text(x, column.y() + high + 3, wide,
                            i == 0 ? (p.marks.empty() ? "as sent" : "as sent; rings: what was pinned")
                                   : "stretched; rings: " + spotsInWords(p.sent.spots.size()),
                            kQuiet);
    }
    column.skip(high + 18);
    if (!p.sent.note.empty())
        column.text(p.sent.note, kPlain);
    for (const std::string& remark : p.remarks)
        column.text("· " + remark, kPlain);
    if (p.sent.minutes > 0)
        column.text("About " + shortText(p.sent.minutes) + " minutes", kPlain);
    column.text(stepsInWords(p), kQuiet);
    column.skip(10);
    return {};
}

Status layAll(Pages& pages, const HandOffList& list)
{
    Column column(pages, list.title + " · for retouching");
    column.text(list.title + ": for retouching", kTitle);
    double minutes = 0;
    for (const auto& p : list.pictures)
        minutes += p.sent.minutes;
    const std::size_t count = list.pictures.size();
    std::string words = count == 1 ? "1 picture" : std::to_string(count) + " pictures";
    if (minutes > 0)
        words += ", about " + shortText(minutes) + " minutes in all";
    column.text(words, kPlain);
    column.text("Files are 16 bit, ProPhoto. Please keep size and profile, and save without layers beside the layered "
                "file. A file may be renamed: it is known again.",
                kQuiet);
    column.skip(8);
    for (const auto& p : list.pictures)
        if (const Status laid = layPicture(column, p); !laid)
            return laid;
    return {};
}

}  // namespace

std::string handOffJson(const HandOffList& list)
{
    Json pictures = Json::array();
    for (const auto& p : list.pictures) {
        Json picture{{"file", p.sent.name},     {"identity", p.sent.identity},  {"width", p.sent.width},
                     {"height", p.sent.height}, {"note", p.sent.note},          {"minutes", p.sent.minutes},
                     {"look", p.sent.lookName}, {"stepsInside", p.sent.inside}, {"remarks", Json::array()},
                     {"spots", Json::array()}};
        for (const std::string& remark : p.remarks)
            picture["remarks"].push_back(remark);
        for (const Spot& mark : p.marks)
            picture["marks"].push_back({{"x", mark.x}, {"y", mark.y}});
        for (const DustSpot& s : p.sent.spots)
            picture["spots"].push_back({{"x", s.at.x}, {"y", s.at.y}, {"radius", s.radius}});
        pictures.push_back(std::move(picture));
    }
    return jsonText({{"kind", "jolly-amber hand-off list"},
                     {"format", 1},
                     {"title", list.title},
                     {"pictures", std::move(pictures)}},
                    1, true) +
           "\n";
}

Result<std::string> handOffPdf(const HandOffList& list)
{
    Pages pages(list.title + ": for retouching");
    if (const Status laid = layAll(pages, list); !laid)
        return tl::make_unexpected(laid.error());
    return pages.finish();
}

Result<PagePicture> handOffPage(const HandOffList& list, int page, double pixelsPerPoint)
{
    Pages pages(Pages::kA4Width, Pages::kA4Height, pixelsPerPoint);
    if (const Status laid = layAll(pages, list); !laid)
        return tl::make_unexpected(laid.error());
    auto all = pages.pictures();
    if (!all)
        return tl::make_unexpected(all.error());
    if (page < 0 || page >= static_cast<int>(all->size()))
        return fail("no such page");
    return std::move((*all)[static_cast<std::size_t>(page)]);
}

Result<std::vector<fs::path>> writeHandOffList(const HandOffList& list, const fs::path& folder)
{
    const auto pdf = handOffPdf(list);
    if (!pdf)
        return tl::make_unexpected(pdf.error());
    WrittenFiles written = WrittenFiles::ofFolder(folder);
    std::vector<fs::path> files;
    const std::pair<const char*, const std::string> parts[] = {{".pdf", *pdf}, {".json", handOffJson(list)}};
    for (const auto& [ending, bytes] : parts) {
        std::error_code error;
        fs::path file = folder / (std::string("hand-off") + ending);
        for (int n = 2; fs::exists(fs::symlink_status(file, error)) && !written.seemsOurs(file); ++n)
            file = folder / ("hand-off-" + std::to_string(n) + ending);
        if (const Status saved = writeFileAtomically(file, bytes, &written); !saved)
            return tl::make_unexpected(saved.error());
        files.push_back(std::move(file));
    }
    if (const Status listed = written.save(); !listed)
        return tl::make_unexpected(listed.error());
    return files;
}

}  // namespace amber
