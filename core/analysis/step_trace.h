// What every step of a look does to one picture: brightness, contrast, chroma, the landing of black, mid-grey and
// white, the tint of neutrals, and each key colour. Read off the picture as it leaves step after step, by the same
// engine as the screen.
#pragma once

#include "core/area/area_measures.h"
#include "core/engine/render_plan.h"
#include "core/measure/key_colour.h"

#include <functional>
#include <map>
#include <string>

namespace amber {

struct KeyState {
    OkLch okLch;
    Lab lab;
};
KeyState keyState(const LinearRgb& c);

/// How far a colour moved: CIEDE2000, and its parts in CIELAB: L*, C*, and the hue part H* (signed, positive
/// counter-clockwise).
struct KeyMove {
    double deltaE = 0, lightness = 0, chroma = 0, hue = 0;
};
KeyMove keyMove(const KeyState& from, const KeyState& to);

struct StepState {
    double meanL = 0;                 ///< OKLab, over what counts
    double contrast = 0;              ///< L at 95 % less L at 5 %
    double meanChroma = 0;            ///< OKLCh
    std::array<double, 3> landing{};  ///< L of neutrals that came in as black, mid-grey and white
    double castA = 0, castB = 0;      ///< mean (a, b) of neutrals over the picture's own tones
    std::vector<KeyState> keys;
    std::map<std::string, Separation> separations;  ///< of the roles whose masks are known
};

struct LookTrace {
    std::vector<KeyColour> keys;
    std::vector<StepState> states;  ///< picture in, then after each step of the look (those that are off as well)
    int steps() const { return std::max(0, static_cast<int>(states.size()) - 1); }
    const StepState& before(int step) const { return states[static_cast<std::size_t>(step)]; }
    const StepState& after(int step) const { return states[static_cast<std::size_t>(step) + 1]; }
    KeyMove move(int step, int key) const;
    /// The step and key with the largest single move; step -1 when nothing moved by one CIEDE2000.
    std::pair<int, int> worst() const;
};

/// `picture` is the untouched frame, small; a look with spatial steps needs a true reduction, others may be given
/// single pixels (sampleGrid). Keys marked on `frame` are read in place, all others by their colour alone, which
/// spatial steps pass by. `stop` is asked between steps; when it says so the trace is given up.
std::optional<LookTrace> traceLook(const Look& look, ImageView picture, std::int64_t frame,
                                   const std::vector<KeyColour>& keys, const Framing& framing,
                                   const RenderOptions& options = {}, const std::function<bool()>& stop = {});

/// Some hundreds of a picture's pixels, evenly spread: enough to search and compare with.
std::vector<LinearRgb> someColours(ImageView picture, int count);

}  // namespace amber
