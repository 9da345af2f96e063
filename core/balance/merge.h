// A bracket merged into one frame in linear light.
#pragma once

#include "core/base/cancel.h"
#include "core/base/result.h"
#include "core/frame/response.h"

#include <functional>

namespace amber {

/// One exposure of the bracket, in picture light.
struct BracketFrame {
    ImageView picture;
    double stops = 0;  ///< its exposure, on any common scale
};

struct Merged {
    Image picture;  ///< in picture light at the exposure of the darkest frame, so that nothing it saw is cut off
    std::size_t reference = 0;   ///< the frame the others were laid over and compared with: the best exposed
    std::vector<double> shifts;  ///< how far each frame had to be moved, in pixels at its farthest corner
    double ghostShare = 0;       ///< of the pixels: left to the reference because something moved
    double stopsGained = 0;      ///< how much lighter the lightest frame is than the darkest
};

/// Each frame is laid over the reference by its features (none found: taken to lie as it is), taken back to scene light
/// by the response, and brought to one exposure. A pixel is the mean of what the frames saw there, weighted by how far
/// each value is from both ends and by its exposure (light counted). Where a frame departs from the reference by more
/// than its noise allows, although both see well, something moved: that frame is left out there, over an area grown by
/// a few pixels. Fails for fewer than two frames, different sizes, or exposures all alike.
Result<Merged> mergeBracket(const std::vector<BracketFrame>& frames, const Response& response,
                            const CancelToken& cancel = {});

}  // namespace amber
