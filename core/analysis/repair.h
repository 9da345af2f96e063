// A key colour that a look has moved off its target, brought back: the smallest change of a later hue-shift step, or of
// one more, that does it, and what that costs elsewhere.
//
// Tried are a new step of hue shifts behind the one that hurt, and one more family in every later step of hue shifts;
// each with a family round the colour as it comes there, of several widths, the rest of the circle held by families
// that do nothing, with and without a guard round its tone and chroma. Of each the turn, chroma and lightness that
// bring the colour onto its target are solved (Levenberg-Marquardt in CIELAB, through all later steps) and then taken
// back as far as its tolerance allows. A step that nearly folds hues is no repair. The one that moves other colours
// least is proposed.
#pragma once

#include "core/base/result.h"
#include "core/look/look.h"

#include <span>

namespace amber {

struct Hurt {
    std::size_t step = 0;  ///< that hurt the colour
    LinearRgb colour;      ///< as it enters the look
    Lab target;            ///< what it should leave as
    double tolerance = 3;  ///< CIEDE2000
    std::string name;      ///< of the key colour
};

struct Repair {
    Look look;
    std::size_t step = 0;  ///< that was added or changed
    bool isNew = false;
    double before = 0, after = 0;                    ///< of the key colour: CIEDE2000 from its target
    double meanElsewhere = 0, largestElsewhere = 0;  ///< CIEDE2000 by which other colours move
};

/// `colours`: some of the pictures the look is for, as they enter it; those near the key colour do not count as
/// elsewhere. Fails when nothing brings it back: a neutral, which has no hue to shift, or steps that bend too much.
Result<Repair> repairOf(const Look& look, const Hurt& hurt, std::span<const LinearRgb> colours);

}  // namespace amber
