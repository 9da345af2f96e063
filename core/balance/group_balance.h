// Bringing the frames of a light group onto the footing of its lead: which light and exposure each has against it, what
// that rests on and how sure it is.
//
// Every frame's balance is three gains of CAT16's cones (log2; balance.h), zero for the lead. What is known of them, in
// this order of trust: key colours that two frames share; the same things seen in two frames (registration.h), which
// give the difference of two frames; the camera's settings, which give the exposure as long as the light keeps its
// strength; and how the frames' colours lie as a whole. A least-squares problem over all frames of the group at once,
// in which what does not fit loses its say (iteratively reweighted, weights of Cauchy and of Geman and McClure); frames
// without a link to the lead hang together among themselves, and are placed by whichever of them needs the least
// change.
#pragma once

#include "core/balance/light_groups.h"
#include "core/balance/registration.h"
#include "core/base/cancel.h"
#include "core/frame/balance.h"

#include <functional>
#include <map>
#include <memory>
#include <string>

namespace amber {

/// How a picture's colours lie by their cone ratios, which a change of light moves as a whole.
class RatioMap;

/// What the solver is given of a frame. Small: a thousand of them fit in memory.
struct BalanceEvidence {
    CaptureFacts capture;
    Image picture;      ///< kEvidenceEdge pixels long, linear light, untouched; NaN where it does not count
    Response response;  ///< by which it came to be
    Features features;
    std::shared_ptr<const RatioMap> colours;  ///< filled in by balanceGroup where it is missing
    std::map<std::string, LinearRgb> keys;    ///< key colours that were confirmed on it, untouched
    std::optional<double> exposureStops;      ///< set by the artist, and kept
    std::optional<Balance> white;             ///< kelvin and tint set by the artist, and kept
    double keyStops = 0;     ///< meant to stay this much lighter (or darker) than the lead: low key is no mistake
    bool inBracket = false;  ///< one of several exposures, which may clip
};
inline constexpr int kFeatureEdge = 750, kEvidenceEdge = 375;
/// From an untouched picture of kFeatureEdge pixels or so.
BalanceEvidence evidenceOf(ImageView picture, const CaptureFacts& capture);

/// What a frame's balance rests on, the firmest first.
enum class Ground { Lead, ByHand, KeyColours, SameThings, SettingsAndColours, ColoursOnly };
/// Why a frame cannot be brought within tolerance.
enum class Trouble { None, MixedLight, ClippedSource, OtherContent, StandsAlone };

struct SolvedBalance {
    Balance balance;
    Ground ground = Ground::ColoursOnly;
    std::size_t through = 0;  ///< the frame it was seen together with (same things, key colours)
    int support = 0;          ///< colours, or key colours, that agree
    double confidence = 0;    ///< 0 to 1
    double residual =
        0;  ///< CIEDE2000 of what is seen in both, after balance; of the lead 0, where nothing is seen in both -1
    Trouble trouble = Trouble::None;
    double measured =
        0;  ///< of the trouble, a share of the picture: lost, in another light, of colours no other frame has
};

/// Tolerances past which a frame is named.
inline constexpr double kLostLimit = 0.05, kMixedLimit = 0.08, kContentLimit = 0.35;

using BalanceProgress = std::function<void(int done, int total)>;
/// `lead` is an index into `frames`. Fewer results when cancelled: none.
std::vector<SolvedBalance> balanceGroup(std::vector<BalanceEvidence> frames, std::size_t lead,
                                        const BalanceProgress& progress = {}, const CancelToken& cancel = {});

/// The response of the camera from frames of the shoot that show one thing at different known exposures, identity when
/// there are none. Brackets serve, and second takes half a stop or more apart.
Response responseOf(const std::vector<BalanceEvidence>& frames, const std::vector<Bracket>& brackets);

}  // namespace amber
