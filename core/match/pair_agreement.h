// Whether several pairs of pictures show one treatment.
#pragma once

#include "core/base/cancel.h"
#include "core/colour/types.h"

#include <vector>

namespace amber {

/// The colours of one pair, before and after.
struct PairColours {
    std::vector<LinearRgb> from, to;
};

/// One pair against what the others foretell for its colours (TreatmentModel), as far as they do.
struct Agreement {
    int known = 0;     ///< colours that the others foretell; too few say nothing
    double stops = 0;  ///< lighter after than in the light of the others; 0 when that cannot be told from noise
    double off = 0;    ///< what is left then, mean CIEDE2000
    bool contradicts = false;
    bool isLeftOut = false;
};

/// A pair in another light is brought to that of the others (of two pairs, to that of the first) before what is left is
/// measured. While one of three pairs or more contradicts the others, the worst is left out and the rest are held
/// against each other again. Of two that contradict each other none can be said to be wrong: neither is left out.
std::vector<Agreement> agreement(const std::vector<PairColours>& pairs, const CancelToken& cancel = {});

}  // namespace amber
