// Tints of neutrals: the trail greys take through a look, and how strong a tint is in a picture.
#pragma once

#include "core/look/look.h"
#include "core/measure/tone.h"

namespace amber {

/// Where greys of lightness 0, 1 / (count - 1), ... 1 land after the first `steps` steps of a look, by colour alone.
std::vector<OkLab> neutralTrail(const Look& look, int count, std::size_t steps = kStepLimit);

/// How strong a tint is, as chroma in the picture.
struct TintStrength {
    enum class Mark { None, Hint, Present, Bold } mark = Mark::None;
    bool readsAsCast = false;  ///< all tones lean one way: it looks like a wrong white balance
    double chroma = 0;         ///< mean OKLab chroma given to neutrals, over the picture's tones
    double hueDegrees = 0;     ///< of the mean tint
};
/// Marks by mean chroma: hint from 0.003, present from 0.012, bold from 0.03; a cast when the mean tint is at least
/// 0.012 and 0.8 of the mean chroma. `tones`: shares of the picture's tones as they enter (ToneMeasures::tone).
TintStrength tintStrength(const Step& step, const std::array<double, kToneBins>& tones);

/// Hues proposed for a dye from a key colour's hue: its opposite, its two neighbours (30 degrees), the two others of
/// its triad.
std::vector<double> dyeProposals(double hueDegrees);

}  // namespace amber
