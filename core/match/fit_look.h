// A look found from colours before and after an unknown treatment: editable steps, fitted one kind after another and
// then together.
#pragma once

#include "core/base/cancel.h"
#include "core/colour/difference.h"
#include "core/image/image.h"
#include "core/look/look.h"

#include <functional>

namespace amber {

struct FitOptions {
    bool table = false;  ///< a small smooth table for what the steps cannot say
};

/// What one kind of step took away of the difference, in the order of fitting.
struct FitStage {
    std::string what;              ///< "Tone curve", "Split toning", ...
    double before = 0, after = 0;  ///< mean CIEDE2000
};

struct FittedLook {
    Look look;
    std::vector<FitStage> stages;
    DifferenceSummary untouched, left;  ///< before any step; after all of them
    int colours = 0;                    ///< pairs that took part
};

/// Fits a tone curve, split toning, primaries, chroma and hue families by robust least squares in OKLab (Ceres; Cauchy
/// loss, so that what does not belong together loses its say), then, when asked for, a 17-point table of what is left,
/// smoothed and fading to nothing where no colours were seen. Steps that take away less than a fiftieth of the
/// difference are left out. Fails, with the reason, for too few colours, colours all alike, and colours of which most
/// are clipped after the treatment. `progress` counts from 0 to 1.
Result<FittedLook> fitLook(const std::vector<LinearRgb>& before, const std::vector<LinearRgb>& after,
                           const FitOptions& options = {}, const std::function<void(double)>& progress = {},
                           const CancelToken& cancel = {});

/// Which pixels of a picture have colours near ones that were fitted (within about 0.06 of OKLab): elsewhere the look
/// is a guess.
std::vector<bool> coveredPixels(const std::vector<LinearRgb>& fitted, ImageView picture);
/// Their share.
double coverage(const std::vector<LinearRgb>& fitted, ImageView picture);

}  // namespace amber
