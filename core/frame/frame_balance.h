// All that belongs to one frame and to no look: its light, its ends, how it stands and what of it is shown. Kept with
// the frame, landed before the look on screen and in every file.
#pragma once

#include "core/frame/balance.h"
#include "core/measure/framing.h"

#include <string>

namespace amber {

/// How a frame is turned, set upright and cut. Lean is the keystone: how much nearer the upper (right) edge is to be
/// seen than the middle, as a share.
struct Geometry {
    double straightenDegrees = 0;      ///< clockwise, -45..45
    double leanUp = 0, leanAside = 0;  ///< -0.4..0.4
    Region crop;                       ///< in fractions of the turned picture, which has the size of the source
    bool operator==(const Geometry&) const = default;
    bool isIdentity() const { return *this == Geometry{}; }
};
struct Spot {
    double x = 0, y = 0;
};
/// A place of the finished picture (fractions) in the source, and back. `ratio` is the source's width / height.
Spot sourceOf(const Geometry& geometry, double ratio, Spot place);
Spot placeOf(const Geometry& geometry, double ratio, Spot source);
/// A small region of the finished picture in the source, and back: its middle is carried over, its size kept as a share
/// of the source.
Region regionInSource(const Geometry& geometry, double ratio, const Region& region);
Region regionInPlaced(const Geometry& geometry, double ratio, const Region& region);
/// The largest crop round the middle with this ratio of width to height (0: the source's) that shows nothing from
/// outside the source.
Region inscribedCrop(const Geometry& geometry, double ratio, double wantedRatio);
/// The same turn with the largest crop of this ratio inside the crop it has, round its middle; 0 leaves it.
Geometry croppedTo(const Geometry& geometry, double ratio, double wantedRatio);
/// The finished picture, resampled bicubically; as it is for the identity.
Image placed(Image picture, const Geometry& geometry);
/// Size of what placed() gives.
void placedSize(const Geometry& geometry, int& width, int& height);
/// The turn, within 10 degrees, that would set level what runs across the picture: a horizon, the edge of a table.
/// Nothing when no edge is clear.
std::optional<double> measuredTilt(ImageView picture);

/// Where a frame's ends come to lie, in picture light: `black` becomes 0 and `white` becomes 1.
struct BalanceEnds {
    double black = 0, white = 1;
    bool operator==(const BalanceEnds&) const = default;
};
/// Ends by which a share `blackBudget` of the pixels that count falls to black in all channels and `whiteBudget` to
/// white in any, as far as a twentieth (black) and a third (white) of the range allow; pixels clipped in the source
/// count.
BalanceEnds solveEnds(ImageView picture, const Framing& framing, double blackBudget, double whiteBudget);

struct FrameBalance {
    Balance light;
    BalanceEnds ends;
    Geometry geometry;
    std::string response;  ///< by which curve it came to be: "" none, "raw" the base rendering, or a camera's name
    bool exposureLocked = false, whiteLocked = false, endsLocked = false;  ///< set by hand: solving leaves it
    double keyStops = 0;  ///< meant to be so much lighter than the lead (low key: below 0)
    std::string because;  ///< what it rests on, in words, when it was solved
    double confidence = 0;
    bool operator==(const FrameBalance&) const = default;
    /// Whether pixels differ from the untouched picture.
    bool changesPixels() const { return !light.isIdentity() || !(ends == BalanceEnds{}) || !geometry.isIdentity(); }
};

/// Light, then ends, in place.
void applyLight(const FrameBalance& balance, const Response& response, MutableImageView picture);
/// Geometry, then light, then ends.
Image balancedPicture(Image picture, const FrameBalance& balance, const Response& response);
/// Of a single colour: light, then ends.
LinearRgb balancedColour(const LinearRgb& c, const FrameBalance& balance, const Response& response);

/// JSON text for keeping, and back; no text is a frame as it came. Numbers outside their limits are brought to them;
/// anything else that is wrong is an error.
std::string frameBalanceToText(const FrameBalance& balance);
Result<FrameBalance> frameBalanceFromText(const std::string& text);
std::string responseToText(const Response& response);
Result<Response> responseFromText(const std::string& text);

}  // namespace amber
