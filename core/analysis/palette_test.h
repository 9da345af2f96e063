// The palette test: a picture of a room, of cloth or of props through a look, before the shoot. Which of its colours
// land in the look's colour plan, and which fight it.
#pragma once

#include "core/engine/render_plan.h"
#include "core/look/intent.h"

#include <vector>

namespace amber {

struct PaletteColour {
    LinearRgb before, after;
    double share = 0;     ///< of the picture
    double x = 0, y = 0;  ///< a place that has this colour, in fractions
    enum class Standing { Quiet, Lands, Fights } standing = Standing::Quiet;  ///< after the look
    int hue = -1;                                                             ///< of the plan, the nearest one
    double degreesOff = 0;  ///< outside of it: how far from its edge, signed: above 0 it would have to turn back
    double weight = 0;      ///< share times chroma: how much of the picture's colour it is
};

struct PaletteTest {
    std::vector<PlanHue> plan;  ///< by which it was judged
    bool isPlanFound = false;   ///< the look has none: it is the two main hues of the pictures it is made on
    std::vector<PaletteColour> lands, fights, quiet;  ///< each by weight, the heaviest first
    double landing = 0, fighting = 0;                 ///< shares of the picture's colour (chroma), of 1
    Image after;                                      ///< the picture through the look
};

/// Below this OKLCh chroma a colour is quiet: it fits everywhere.
inline constexpr double kQuietChroma = 0.035;

/// `picture`: small, light. `own`: pictures the look is made on, balanced, as they enter it; only asked when the look
/// has no plan. Fails for a look that does not validate, and when there is neither a plan nor a coloured picture to
/// take one from.
Result<PaletteTest> paletteTest(const Look& look, ImageView picture, const std::vector<Image>& own);

/// The hues that carry most colour of pictures as they are: at most two, each 60 degrees wide.
std::vector<PlanHue> planOf(const std::vector<Image>& pictures);

}  // namespace amber
