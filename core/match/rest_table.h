// What steps leave of a treatment, as a small table.
#pragma once

#include "core/colour/types.h"
#include "core/table/table.h"

#include <vector>

namespace amber {

/// A table between sRGB codes, 17 points to the edge, from the colours that the steps made to those that were wanted: a
/// mean of what lies around each point (a bell of 0.06 of the range of codes), pulled to nothing by a share of one
/// colour.
Table restTable(const std::vector<LinearRgb>& made, const std::vector<LinearRgb>& wanted);

}  // namespace amber
