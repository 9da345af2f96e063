// How two looks differ: in their parameters and in what they do.
#pragma once

#include "core/colour/difference.h"
#include "core/look/look.h"

namespace amber {

struct ParameterChange {
    std::string field;          ///< "steps/1/parameters/balance"
    std::string before, after;  ///< values as JSON text; empty when absent
};
std::vector<ParameterChange> parameterChanges(const Look& before, const Look& after);

/// CIEDE2000 between the two looks' results over a 17^3 lattice of sRGB colours, by the definition.
DifferenceSummary measuredDifference(const Look& one, const Look& two);

}  // namespace amber
