// Steps that undo one another, levels that later steps have moved, tints that add up; and the joining of two steps into
// one.
#pragma once

#include "core/analysis/step_trace.h"
#include "core/colour/difference.h"

namespace amber {

/// Two steps of which one takes back what the other does, in lightness or in colour (a, b).
struct Undoing {
    int first = 0, second = 0;  ///< indices of steps
    enum class Aspect { Lightness, Colour } aspect = Aspect::Lightness;
    double firstSize = 0, secondSize = 0;  ///< root mean square of each step's change, OKLab
    double remains = 0;                    ///< of both together
    double against = 0;                    ///< cosine between the changes, -1 exactly opposite
};
/// Over colours of the picture as it came in, by colour alone. Pairs with a cosine under -0.5 whose smaller change is
/// above 0.004 (about half of a just noticeable difference), the most undone first.
std::vector<Undoing> findUndoing(const Look& look, const std::vector<LinearRgb>& colours);

/// A level that one step set and a later one moved by more than 0.005 on the tone axis.
struct LevelMoved {
    enum class Level { Black, MidGrey, White } level = Level::Black;
    int setBy = 0, movedBy = 0;  ///< of the later steps the one that moved it most
    double setTo = 0, now = 0;   ///< now: as it leaves the look
};
std::vector<LevelMoved> levelsMoved(const LookTrace& trace);

/// Steps that each tint the neutrals a little the same way.
struct TintAddsUp {
    std::vector<int> steps;
    double total = 0;       ///< OKLab chroma of the mean tint as it leaves the look
    double hueDegrees = 0;  ///< its hue
};
/// Nothing below three steps or a total under 0.008.
std::optional<TintAddsUp> tintAddsUp(const LookTrace& trace);

struct Joined {
    Look look;                   ///< with one step in the place of the two
    int step = 0;                ///< which one
    DifferenceSummary residual;  ///< CIEDE2000 between both looks over the colours
};
/// One step that does what the two do together: of the kind of either, found by a pattern search over its numbers and
/// its strength (R. Hooke, T. A. Jeeves, J. ACM 8, 1961), least squares in OKLab; the other kind of step is tried too
/// when they differ. Guards and notes of the step kept stay; both notes are kept. Fails for spatial steps, which
/// colours alone cannot tell.
Result<Joined> joinSteps(const Look& look, int first, int second, const std::vector<LinearRgb>& colours);

/// A key colour that came in neutral and leaves tinted, and the warmth step at the look's end that brings it back.
struct Retrim {
    int key = 0;        ///< of the trace
    double chroma = 0;  ///< OKLab, as it leaves
    Warmth warmth;
};
/// Marked ones first; of those that watch themselves only the neutral patch. None for tints under 0.012, and none that
/// warmth could not halve.
std::vector<Retrim> retrims(const LookTrace& trace);

}  // namespace amber
