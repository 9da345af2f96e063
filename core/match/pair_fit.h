// The look between pictures of one thing each: before and after an unknown treatment.
#pragma once

#include "core/balance/registration.h"
#include "core/match/fit_look.h"
#include "core/match/pair_agreement.h"
#include "core/table/table.h"

namespace amber {

struct Picture;

/// It was not reduced when it was read.
bool isAtOwnSize(const Picture& picture);

struct PicturePair {
    ImageView before, after;
    bool isAtOwnSize = false;  ///< neither is a reduction of its file: sharpening for output can be seen
};

/// How the pictures of a pair lie, and how the pair goes with the others.
struct LaidPair {
    bool wasMoved = false;  ///< the after picture is cropped, turned or scaled
    int matches = 0;        ///< features that agree on how it lies; 0 when the pictures lie on one another as they are
    Registration registration;  ///< from the picture before to the one after
    Agreement agreement;        ///< nothing known for a single pair
};

/// A step by place and not by colour that pairs showed besides.
struct PlaceStep {
    std::string what;
    double amount = 0, size = 0;  ///< in the step's own units
};

struct PairFit {
    FittedLook fit;
    std::vector<PlaceStep> byPlace;  ///< local contrast, sharpening, grain; their steps are the look's last ones
    std::vector<LaidPair> pairs;
    std::vector<LinearRgb> seen;  ///< colours of the pictures before that took part, for coverage()
};

/// Lays the pictures of each pair over one another (crop, small turns and scales), takes the colours of even places of
/// both, and fits one look to all. Light that falls off towards the corners is told from colours that were alike before
/// and becomes edge darkening; what is left of the difference is then counted without it. Local contrast, sharpening
/// for output (of pictures at their own size) and grain are looked for in what the colours leave (place_fit.h), in
/// pairs that lie as they are, and become steps when more than half of these have them. Pairs that are lighter or
/// darker than the others' treatment makes them are brought to one light, pairs that contradict the others left out
/// (agreement). Fails, with the reason, for pictures that do not show one thing, and for what fitLook refuses.
Result<PairFit> fitPairs(const std::vector<PicturePair>& pairs, const FitOptions& options = {},
                         const std::function<void(double)>& progress = {}, const CancelToken& cancel = {});
Result<PairFit> fitPair(ImageView before, ImageView after, const FitOptions& options = {},
                        const std::function<void(double)>& progress = {}, const CancelToken& cancel = {});

/// Editable steps for a lookup table between sRGB codes, from a lattice of colours; those a picture is likely to hold
/// count for more.
Result<FittedLook> fitTable(const Table& table, const FitOptions& options = {},
                            const std::function<void(double)>& progress = {}, const CancelToken& cancel = {});

/// The same for another look: what of it a table can carry (pointwisePart), as steps of the fewest kinds.
Result<FittedLook> fitOtherLook(const Look& look, const FitOptions& options = {},
                                const std::function<void(double)>& progress = {}, const CancelToken& cancel = {});

}  // namespace amber
