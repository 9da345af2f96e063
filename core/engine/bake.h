// A look as a lookup table.
#pragma once

#include "core/colour/difference.h"
#include "core/engine/render_plan.h"
#include "core/table_files/table_file.h"

namespace amber {

/// What a table can carry of a look: its pointwise steps.
Look pointwisePart(const Look& look);

/// The look's pointwise part over a lattice of `size` to the edge, encoded in `space` in and out, gamut reduced as an
/// export is. Size 2..129.
Result<Table> bake(const Look& look, int size, RgbSpace space = RgbSpace::Srgb);

/// The ASC CDL that comes nearest to the look's pointwise part, over these colours of the shoot; without any, over a
/// lattice drawn halfway to its greys, as most colours of pictures are.
Result<Table> bakeCdl(const Look& look, RgbSpace space = RgbSpace::Srgb, const std::vector<LinearRgb>& own = {});

/// How well a baked table stands for the look.
struct TravelReport {
    std::vector<std::string> carried, left;  ///< titles of the steps it carries, and of those it cannot
    DifferenceSummary lattice;               ///< CIEDE2000 over colours inside the table's cells, away from its samples
    DifferenceSummary own;                   ///< the same over the shoot's own colours
    std::size_t ownCount = 0;                ///< how many of these there were
};
/// `own`: colours of the shoot, linear; only pointwise steps are compared, as spatial ones cannot travel.
Result<TravelReport> travelReport(const Look& look, const Table& table, RgbSpace space = RgbSpace::Srgb,
                                  const std::vector<LinearRgb>& own = {});
/// Bakes the look, `edge` points to a lattice, measures how well it travels, and writes it.
Result<TravelReport> writeLookTable(const Look& look, const std::filesystem::path& file, TableFormat format, int edge,
                                    RgbSpace space = RgbSpace::Srgb, const std::vector<LinearRgb>& own = {});
/// In a few lines, as it goes along with every exported table.
std::string describe(const TravelReport& report);

}  // namespace amber
