// All that belongs to one frame and to no look: what its lens did, its light, its ends, how it stands and what of it is
// shown. Kept with the frame, landed before the look on screen and in every file.
#pragma once

#include "core/base/copied_apart.h"
#include "core/frame/balance.h"
#include "core/frame/placement.h"

#include <memory>
#include <string>

namespace amber {

/// Where a frame's ends come to lie, in picture light: `black` becomes 0 and `white` becomes 1.
struct BalanceEnds {
    double black = 0, white = 1;
    bool operator==(const BalanceEnds&) const = default;
};
/// Ends by which a share `blackBudget` of the pixels that count falls to black in all channels and `whiteBudget` to
/// white in any, as far as a twentieth (black) and a third (white) of the range allow; pixels clipped in the source
/// count.
BalanceEnds solveEnds(ImageView picture, const Framing& framing, double blackBudget, double whiteBudget);

struct FrameBalance;

/// What was done to a frame's own picture before it became the one that stands for it now: areas go on lying in the
/// frame's own picture. Compared by what it says.
struct InPicture {
    std::shared_ptr<const FrameBalance> balance;  ///< null: nothing
    double sourceRatio = 1;                       ///< width / height of the frame's own picture
    Region kept;  ///< what was left of it when it came back, in fractions of what it had become
    explicit operator bool() const { return balance != nullptr; }
    bool operator==(const InPicture& other) const;
    /// From the whole of what it had become to the frame's own picture.
    Placement placement() const;
    /// A place of the picture that stands for it, in the whole of what it had become.
    Spot whole(Spot place) const
    {
        return {kept.left + place.x * (kept.right - kept.left), kept.top + place.y * (kept.bottom - kept.top)};
    }
    /// A region of the frame's own picture in the one that stands for it.
    Region placed(const Region& own) const;
    double ratio() const;  ///< width / height of the picture that stands for it
    /// A picture may have come back more than once: what was done to it, the last first.
    static std::vector<const InPicture*> layers(const FrameBalance& balance);
};

struct FrameBalance {
    AMBER_COPIED_APART(FrameBalance)

    Balance light;
    BalanceEnds ends;
    Optics optics;
    Geometry geometry;
    std::string response;  ///< by which curve it came to be: "" none, "raw" the base rendering, or a camera's name
    bool exposureLocked = false, whiteLocked = false, endsLocked = false;  ///< set by hand: solving leaves it
    double keyStops = 0;  ///< meant to be so much lighter than the lead (low key: below 0)
    std::string because;  ///< what it rests on, in words, when it was solved
    double confidence = 0;
    InPicture inPicture = {};
    /// Whether pixels differ from the untouched picture.
    bool changesPixels() const
    {
        return changesLight() || optics.noise > 0 || optics.moves() || !geometry.isIdentity();
    }
    bool changesLight() const { return !light.isIdentity() || !(ends == BalanceEnds{}) || optics.dims(); }
    Placement placement(int sourceWidth, int sourceHeight) const
    {
        return {optics, geometry, sourceWidth, sourceHeight};
    }
};

/// What the lens took, light, then ends, in place: of rows of the finished picture from `firstRow` on.
void applyLight(const FrameBalance& balance, const Response& response, const Placement& placement, int firstRow,
                MutableImageView rows);
/// Noise, lens and geometry, then light, then ends.
Image balancedPicture(Image picture, const FrameBalance& balance, const Response& response);
/// Of a single colour: light, then ends.
LinearRgb balancedColour(const LinearRgb& c, const FrameBalance& balance, const Response& response);

/// JSON text for keeping, and back; no text is a frame as it came. Numbers outside their limits are brought to them;
/// anything else that is wrong is an error.
std::string frameBalanceToText(const FrameBalance& balance);
Result<FrameBalance> frameBalanceFromText(const std::string& text);
std::string inPictureToText(const InPicture& in);
Result<InPicture> inPictureFromText(const std::string& text);
std::string responseToText(const Response& response);
Result<Response> responseFromText(const std::string& text);

}  // namespace amber
