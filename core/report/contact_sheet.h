// A contact sheet: every frame of a shoot on pages of paper, or on one picture; under headings, with or without names.
#pragma once

#include "core/base/cancel.h"
#include "core/page/pages.h"

#include <functional>

namespace amber {

struct ContactSheet {
    struct Cell {
        std::string name;
        std::string heading;  ///< of its light or look; a row begins where it is another
    };
    std::string title, foot;
    std::vector<Cell> cells;
    double width = Pages::kA4Width, height = Pages::kA4Height;  ///< of the paper, points
    int columns = 4;
    bool withNames = true;
    double pixelsPerInch = 300;
    static constexpr int kMostColumns = 12;
};

/// A cell's picture at most `longEdge` pixels long. Called from several threads.
using CellPicture = std::function<PagePicture(std::size_t cell, int longEdge)>;
using SheetProgress = std::function<void(int done, int total)>;

int pageCount(const ContactSheet& sheet);
/// A PDF file. Nothing when cancelled.
Result<std::string> contactSheetPdf(const ContactSheet& sheet, const CellPicture& picture,
                                    const SheetProgress& progress = {}, const CancelToken& cancel = {});
/// All on one picture, `width` pixels wide or less: no side is longer than 60,000 (a JPEG has 65,535 at most).
Result<PagePicture> contactSheetPicture(const ContactSheet& sheet, int width, const CellPicture& picture,
                                        const SheetProgress& progress = {}, const CancelToken& cancel = {});
/// One page as it will be printed.
Result<PagePicture> contactSheetPage(const ContactSheet& sheet, int page, double pixelsPerPoint,
                                     const CellPicture& picture);

}  // namespace amber
