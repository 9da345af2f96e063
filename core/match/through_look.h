// What a look makes of single colours.
#pragma once

#include "core/image/image.h"
#include "core/look/look.h"

#include <vector>

namespace amber {

/// A picture of one row.
Image asRow(const std::vector<LinearRgb>& colours);
std::vector<LinearRgb> through(const Look& look, const Image& row);
std::vector<LinearRgb> through(const Look& look, const std::vector<LinearRgb>& colours);

}  // namespace amber
