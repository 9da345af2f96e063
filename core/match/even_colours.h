// An even choice over tones and colours: a wall that fills the picture is one colour.
#pragma once

#include "core/colour/types.h"

#include <vector>

namespace amber {

/// Colours before and after as means of small cells of OKLab, in an order in which each next one lies farthest from all
/// before it, so that any beginning of it covers them evenly (T. Gonzalez, Theoretical Computer Science 38, 1985). The
/// first is the most common. At most `most`. Returns how many colours each stands for.
std::vector<int> thinOut(std::vector<LinearRgb>& from, std::vector<LinearRgb>& to, std::size_t most);

}  // namespace amber
