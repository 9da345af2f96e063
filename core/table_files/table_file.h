// Table files of every kind this program reads and writes, told apart by what they are, not by what they are called:
//   .cube                1D, 3D, 1D followed by 3D (cube_file.h)
//   Common LUT Format    SMPTE ST 2136-1; a 1D and a 3D part as they are, any other list of operations sampled at 65 to
//   the edge Hald picture         PNG with 16 bits a channel, level L: L^3 by L^3 pixels hold a cube of L^2 to the
//   edge, red fastest ASC CDL              .cc, .ccc, .cdl (ASC CDL 1.2): slope, offset, power and saturation, kept as
//   such and evaluated exactly
//
// OpenColorIO reads and writes the second and the last, after our own check of the text: it accepts files that would
// make a wrong picture, so numbers that are not finite, decimal commas, sizes that do not agree with what follows and
// sizes over our limits are refused before it sees them, each with the line. A file with a document type (which could
// define entities without end) is refused.
#pragma once

#include "core/base/result.h"
#include "core/table/table.h"

#include <filesystem>
#include <string_view>

namespace amber {

enum class TableFormat { Cube, Clf, Hald, Cdl };

/// "cube", "clf", "hald", "cdl".
std::string_view nameOf(TableFormat format);
/// By a file's ending: .cube, .clf, .png, .cc, .ccc, .cdl.
Result<TableFormat> tableFormatFromEnding(const std::filesystem::path& path);

struct TableFile {
    Table table;
    TableFormat format;
    std::string remark;  ///< what had to be done to take it in; empty when nothing
};

/// Reads a table file of any of these kinds. A .ccc or .cdl with several corrections needs one named: "file.ccc#id".
Result<TableFile> readTableFile(const std::filesystem::path& path);
/// Writes a table. Refused, with the reason: what the format cannot hold (a Hald picture takes only cubes of L^2 to the
/// edge with the domain 0 to 1 and no 1D part; a CDL file takes only a CDL).
Status writeTableFile(const std::filesystem::path& path, const Table& table, TableFormat format);

/// The parsers of text, pure: bytes in, table out. `name` is used in messages.
Result<TableFile> parseClf(std::string_view text, const std::string& name);
Result<Table> parseCdl(std::string_view text, const std::string& name, const std::string& id = {});
Result<std::string> formatClf(const Table& table);
Result<std::string> formatCdl(const Table& table, const std::string& ending);

/// A Hald picture's pixels (encoded values 0..1, interleaved RGB) as a table, and back.
Result<Table> tableOfHald(const std::vector<float>& rgb, int width, int height, const std::string& name);

}  // namespace amber
