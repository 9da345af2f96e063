// What comes again over the frames of a light, held against the frame that stands for it.
#pragma once

#include "core/proof/check.h"

namespace amber {

/// For each frame and each thing on it that is `wanted`: how far it is, by `apart` (here, there), from that of the
/// frame that stands for its light. `sentence` says it.
struct Recurring {
    bool (*wanted)(const std::string& name, const FrameSummary::Thing& thing);
    double (*apart)(const Lab& here, const Lab& there);
    std::string (*sentence)(const std::string& name, const std::string& apart);
};
void compareRecurring(std::span<const FrameSummary> frames, const Recurring& what,
                      std::span<std::vector<Measured>* const> out);

}  // namespace amber
