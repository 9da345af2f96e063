// The recipe of a look as something to read: its steps in words and numbers with their reasons, what each of them does
// to pictures, and the pictures before and after. As text and as pages.
#pragma once

#include "core/analysis/step_trace.h"
#include "core/image/image.h"
#include "core/page/pages.h"

namespace amber {

/// Everything a step is, in lines: its values where they are not those of a fresh step, strength, guard, shelters, what
/// is held by pictures or sets.
std::vector<std::string> recipeOf(const Step& step);

/// "3  Chroma (off) · skin": what a step of a look is called on paper.
std::string numberedTitle(const Look& look, std::size_t step);
/// As an sRGB file would have it.
PagePicture onPaper(ImageView image);

struct SheetPicture {
    std::string name;
    Image before, after;  ///< small, working-space light
};
struct LookSheet {
    Look look;
    std::string hash;  ///< of what it does: two looks of one hash give equal pixels
    std::vector<SheetPicture> pictures;
    std::optional<LookTrace> trace;  ///< through the first picture
};

/// Renders the pictures, reduced to kSheetEdge, and traces the look through the first. Fails for a look that does not
/// validate.
inline constexpr int kSheetEdge = 1100;
Result<LookSheet> lookSheet(const Look& look, const std::vector<std::pair<std::string, Image>>& pictures);

std::string lookSheetText(const LookSheet& sheet);
/// The bytes of a PDF file.
Result<std::string> lookSheetPdf(const LookSheet& sheet);

}  // namespace amber
