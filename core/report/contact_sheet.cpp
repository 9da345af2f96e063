#include "core/report/contact_sheet.h"

#include "core/base/parallel.h"

#include <algorithm>
#include <atomic>
#include <cmath>

namespace amber {
namespace {

constexpr double kMargin = 36, kGap = 10, kTitle = 34, kHeading = 22, kName = 13, kFoot = 22;
constexpr double kRatio = 1.5;  // width / height of a cell's picture

/// Where everything lies.
struct Layout {
    struct Place {
        std::size_t cell;
        double x, y;
    };
    struct Heading {
        double y;
        std::string words;
    };
    struct Page {
        std::vector<Place> places;
        std::vector<Heading> headings;
    };
    std::vector<Page> pages;
    double cellWidth = 0, cellHeight = 0;
    double height = 0;  ///< of the lowest thing on the last page, with its margin
};

Layout laidOut(const ContactSheet& sheet, double paperHeight)
{
    Layout all;
    const int columns = std::clamp(sheet.columns, 1, ContactSheet::kMostColumns);
    all.cellWidth = (sheet.width - 2 * kMargin - (columns - 1) * kGap) / columns;
    all.cellHeight = std::min(all.cellWidth / kRatio, paperHeight - 2 * kMargin - kTitle - kHeading - kFoot - kName);
    const double row = all.cellHeight + (sheet.withNames ? kName : 0) + kGap;
    const double bottom = paperHeight - kMargin - kFoot;
    double y = kMargin + kTitle;
    int column = 0;
    all.pages.emplace_back();
    const auto newPage = [&] { all.pages.emplace_back(), y = kMargin, column = 0; };
    std::string heading;
    for (std::size_t i = 0; i < sheet.cells.size(); ++i) {
        const bool isOther = !sheet.cells[i].heading.empty() && (i == 0 || sheet.cells[i].heading != heading);
        if (column == columns || (isOther && column > 0))
            y += row, column = 0;
        if (y + (isOther ? kHeading : 0) + row - kGap > bottom)
            newPage();
        if (isOther) {
            heading = sheet.cells[i].heading;
            all.pages.back().headings.push_back({y, heading});
            y += kHeading;
        }
        all.pages.back().places.push_back({i, kMargin + column * (all.cellWidth + kGap), y});
        ++column;
    }
    all.height = y + row + kFoot + kMargin;
    return all;
}

void drawCell(Pages& pages, const ContactSheet& sheet, const Layout& layout, const Layout::Place& place,
              const PagePicture& picture)
{
    const double scale = picture.width > 0 && picture.height > 0
                             ? std::min(layout.cellWidth / picture.width, layout.cellHeight / picture.height)
                             : 0;
    const double wide = scale * picture.width, high = scale * picture.height;
    // Pictures stand on the line of their names, whatever their shape.
    pages.picture(place.x, place.y + layout.cellHeight - high, wide, picture);
    if (scale <= 0)
        pages.box(place.x, place.y, layout.cellWidth, layout.cellHeight, 0xdddddd);
    if (sheet.withNames)
        pages.oneLine(place.x, place.y + layout.cellHeight + 2, layout.cellWidth, sheet.cells[place.cell].name,
                      {7, false, false, 0.35});
}

void drawPage(Pages& pages, const ContactSheet& sheet, const Layout& layout, std::size_t number,
              const std::vector<PagePicture>& pictures)
{
    const Layout::Page& page = layout.pages[number];
    if (number == 0) {
        pages.oneLine(kMargin, kMargin - 8, sheet.width - 2 * kMargin, sheet.title, {15, true});
    }
    for (const Layout::Heading& heading : page.headings)
        pages.oneLine(kMargin, heading.y + 3, sheet.width - 2 * kMargin, heading.words, {9.5, true});
    for (std::size_t i = 0; i < page.places.size(); ++i)
        drawCell(pages, sheet, layout, page.places[i], pictures[i]);
    const Pages::TextStyle quiet{7, false, false, 0.45};
    const double y = pages.height() - kMargin - 4;
    pages.oneLine(kMargin, y, sheet.width - 2 * kMargin - 90, sheet.foot, quiet);
    if (layout.pages.size() > 1)
        pages.text(sheet.width - kMargin - 80, y, 80,
                   "page " + std::to_string(number + 1) + " of " + std::to_string(layout.pages.size()), quiet, true);
}

/// The pictures of a page; fewer when cancelled.
std::vector<PagePicture> picturesOf(const Layout::Page& page, int longEdge, const CellPicture& picture,
                                    const std::function<void()>& oneMore, const CancelToken& cancel)
{
    std::vector<PagePicture> pictures(page.places.size());
    inParallel(pictures.size(), [&](std::size_t i) {
        if (cancel.isCancelled())
            return;
        pictures[i] = picture(page.places[i].cell, longEdge);
        oneMore();
    });
    return pictures;
}

int edgeOf(const Layout& layout, double pixelsPerPoint)
{
    return std::max(16, static_cast<int>(std::lround(layout.cellWidth * pixelsPerPoint)));
}

/// Draws all pages; false when cancelled.
bool draw(Pages& pages, const ContactSheet& sheet, const Layout& layout, double pixelsPerPoint,
          const CellPicture& picture, const SheetProgress& progress, const CancelToken& cancel)
{
    std::atomic<int> done = 0;
    for (std::size_t p = 0; p < layout.pages.size(); ++p) {
        const auto pictures = picturesOf(
            layout.pages[p], edgeOf(layout, pixelsPerPoint), picture,
            [&] {
                const int now = ++done;
                if (progress)
                    progress(now, static_cast<int>(sheet.cells.size()));
            },
            cancel);
        if (cancel.isCancelled())
            return false;
        if (p > 0)
            pages.nextPage();
        drawPage(pages, sheet, layout, p, pictures);
    }
    return true;
}

}  // namespace

int pageCount(const ContactSheet& sheet) { return static_cast<int>(laidOut(sheet, sheet.height).pages.size()); }

Result<std::string> contactSheetPdf(const ContactSheet& sheet, const CellPicture& picture,
                                    const SheetProgress& progress, const CancelToken& cancel)
{
    const Layout layout = laidOut(sheet, sheet.height);
    Pages pages(sheet.title, sheet.width, sheet.height);
    if (!draw(pages, sheet, layout, sheet.pixelsPerInch / 72, picture, progress, cancel))
        return fail("it was cancelled; nothing was written");
    return pages.finish();
}

Result<PagePicture> contactSheetPicture(const ContactSheet& sheet, int width, const CellPicture& picture,
                                        const SheetProgress& progress, const CancelToken& cancel)
{
    constexpr double kLongest = 60000, kEndless = 1e7;
    const Layout layout = laidOut(sheet, kEndless);
    const double pixelsPerPoint = std::min(width / sheet.width, kLongest / std::max(layout.height, sheet.width));
    Pages pages(sheet.width, layout.height, pixelsPerPoint);
    if (!draw(pages, sheet, layout, pixelsPerPoint, picture, progress, cancel))
        return fail("it was cancelled; nothing was written");
    auto made = pages.pictures();
    if (!made)
        return tl::make_unexpected(made.error());
    return std::move(made->front());
}

Result<PagePicture> contactSheetPage(const ContactSheet& sheet, int page, double pixelsPerPoint,
                                     const CellPicture& picture)
{
    const Layout layout = laidOut(sheet, sheet.height);
    const auto number = static_cast<std::size_t>(std::clamp(page, 0, static_cast<int>(layout.pages.size()) - 1));
    Pages pages(sheet.width, sheet.height, pixelsPerPoint);
    drawPage(pages, sheet, layout, number,
             picturesOf(layout.pages[number], edgeOf(layout, pixelsPerPoint), picture, [] {}, {}));
    auto made = pages.pictures();
    if (!made)
        return tl::make_unexpected(made.error());
    return std::move(made->front());
}

}  // namespace amber
