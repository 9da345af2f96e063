// A look found from colours before and after an unknown treatment, that holds on colours it was not fitted to.
#pragma once

#include "core/base/cancel.h"
#include "core/colour/difference.h"
#include "core/image/image.h"
#include "core/look/look.h"
#include "core/match/step_fit.h"
#include "core/match/treatment_model.h"

#include <functional>

namespace amber {

struct FitOptions {
    bool table = false;       ///< a small smooth table for what the steps cannot say
    bool tellUnseen = false;  ///< what each step does to regions of colour that are kept from the fit
};

struct FittedLook {
    Look look;
    std::vector<FitStage> stages;
    DifferenceSummary untouched, left;  ///< before any step; after all of them
    int colours = 0;                    ///< small cells of colour that took part
    TreatmentModel model;               ///< what the colours tell of the treatment, and how sure that is
};

/// A channel is clipped in sRGB after the treatment, or all are black: it no longer tells where it came from.
bool isAtAnEnd(const LinearRgb& after);

/// First learns what the colours tell of the treatment as a whole (TreatmentModel), then fits a tone curve, split
/// toning, primaries, chroma and hue families to the colours seen and to what the model foretells for those that were
/// not, so that the look does to them what is likely and does little where nothing is known. When asked for, a 17-point
/// table of what the steps cannot say of it. With tellUnseen the steps are fitted twice more, to the even and to the
/// odd fields of a chessboard of hue by tone, and each stage is told on the fields that were kept from it. Fails, with
/// the reason, for too few colours, colours all alike, and colours of which most are clipped after the treatment.
/// `progress` counts from 0 to 1.
Result<FittedLook> fitLook(const std::vector<LinearRgb>& before, const std::vector<LinearRgb>& after,
                           const FitOptions& options = {}, const std::function<void(double)>& progress = {},
                           const CancelToken& cancel = {});

}  // namespace amber
