// The look between two pictures of one thing: before and after an unknown treatment.
#pragma once

#include "core/balance/registration.h"
#include "core/match/fit_look.h"
#include "core/table/table.h"

namespace amber {

struct PairFit {
    FittedLook fit;
    bool wasMoved = false;  ///< the after picture is cropped, turned or scaled
    int matches = 0;        ///< features that agree on how it lies; 0 when the pictures lie on one another as they are
    Registration registration;    ///< from the picture before to the one after
    std::vector<LinearRgb> seen;  ///< colours of the before picture that took part, for coverage()
};

/// Lays one picture over the other (crop, small turns and scales), takes the colours of even places of both, and fits.
/// Light that falls off towards the corners is told from colours that were alike before and becomes edge darkening;
/// what is left of the difference is then counted without it. Fails, with the reason, for pictures that do not show one
/// thing, and for what fitLook refuses.
Result<PairFit> fitPair(ImageView before, ImageView after, const FitOptions& options = {},
                        const std::function<void(double)>& progress = {}, const CancelToken& cancel = {});

/// Editable steps for a lookup table between sRGB codes, from a lattice of colours; those a picture is likely to hold
/// count for more.
Result<FittedLook> fitTable(const Table& table, const FitOptions& options = {},
                            const std::function<void(double)>& progress = {}, const CancelToken& cancel = {});

}  // namespace amber
