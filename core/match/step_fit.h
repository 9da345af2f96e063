// Editable steps that make one set of colours into another: tone curve, split toning, primaries and chroma, hue shifts.
#pragma once

#include "core/base/cancel.h"
#include "core/base/result.h"
#include "core/look/look.h"

#include <functional>
#include <vector>

namespace amber {

/// Colours to fit to: first those seen, then what is foretold for colours that were not.
struct WeighedPairs {
    std::vector<LinearRgb> before, after;
    std::vector<double> weights;
    std::size_t seen = 0;    ///< how many of them, from the first
    double modelLeaves = 0;  ///< what the model leaves of regions it has not seen, mean CIEDE2000
    /// Seen, but kept from the fit: what each stage makes of them is told.
    std::vector<LinearRgb> keptBefore = {}, keptAfter = {};
};

/// What one kind of step took away of the difference, in the order of fitting.
struct FitStage {
    std::string what;              ///< "Tone curve", "Split toning", ...
    double before = 0, after = 0;  ///< mean CIEDE2000
    /// The same of colours that were kept from the fit; below 0: not told.
    double unseenBefore = -1, unseenAfter = -1;
};

struct SteppedLook {
    Look look;
    std::vector<FitStage> stages;  ///< of the colours seen
};

/// Robust least squares in OKLab (Ceres; Cauchy loss, so that what does not belong together loses its say), one kind of
/// step after another and then together. Colours foretold have the less say the better the steps do on those seen than
/// the model does on what it has not seen. Kinds that take away less than a fiftieth of the weighed difference are left
/// out. `tell` takes the share done and says whether to go on.
Result<SteppedLook> fitSteps(const WeighedPairs& pairs, const std::function<bool(double)>& tell,
                             const CancelToken& cancel);

}  // namespace amber
