// What of a picture does not arrive on the screen of someone else, who sees the codes of an sRGB file as that screen
// shows them.
#pragma once

#include "core/display/device_profile.h"
#include "core/image/image.h"

namespace amber {

struct ClientLoss {
    /// Stops from the darkest and the lightest end of the codes that cannot be told from black or from white there:
    /// CIE L* less than kTold away, against the screen's own white. On a screen that is sRGB the same is lost to the
    /// eye; it is taken off, so that 0 is what the artist sees too. Below 0: more arrives.
    double darkStops = 0, lightStops = 0;
    double darkShare = 0, lightShare = 0;  ///< of the picture's pixels that lie there
    double brightness = 0;                 ///< mean L* there less mean L* meant
    double chroma = 1;                     ///< mean chroma C*ab there over that meant; 1 when the picture has none
    double difference = 0;                 ///< mean CIEDE2000, both against their own white
    static constexpr double kTold = 1.0;
};

/// Fails for profiles that are no screen's. `linear`: working-space light, as small as one likes.
Result<ClientLoss> clientLoss(const DeviceProfile& client, ImageView linear);
/// "loses the darkest 1.3 stops (4 % of this picture), 6 L* darker, colours at 82 %"; "shows it as it is".
std::string wordsOf(const ClientLoss& loss);

}  // namespace amber
