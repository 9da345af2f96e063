// The .cube text format: TITLE, LUT_1D_SIZE, LUT_3D_SIZE, DOMAIN_MIN/MAX, LUT_1D_INPUT_RANGE, LUT_3D_INPUT_RANGE,
// comments (#), any line ends. A file with both sizes holds a 1D part followed by a 3D part, its 1D rows first.
//
// The reader is ours because the general libraries accept files that would make a wrong picture: it refuses NaN and
// infinity, decimal commas, a reversed or empty domain, sizes outside the limits of table.h, too few and too many rows,
// each with the line.
#pragma once

#include "core/base/result.h"
#include "core/table/table.h"

#include <filesystem>
#include <string_view>

namespace amber {

/// Pure: bytes in, table out. `name` is used in messages.
Result<Table> parseCube(std::string_view text, const std::string& name);
Result<Table> readCube(const std::filesystem::path& path);

/// Values with 9 significant digits, so that every float comes back exactly.
std::string formatCube(const Table& table);

}  // namespace amber
