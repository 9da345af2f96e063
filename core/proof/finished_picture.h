// A frame as it will be handed over, small: for sheets and reports.
#pragma once

#include "core/image/image.h"
#include "core/proof/readings.h"

namespace amber {

/// A picture as it was read, `sourceEdge` pixels long and `ratio` times as wide as high in its file: balanced, and with
/// its look unless it is only to be balanced. Fails for a look that does not validate.
Result<Image> finishedFrom(Image read, int sourceEdge, double ratio, const ReadFrame& frame, const Look& lookForAll,
                           bool isWithLook = true);
/// Read from its file, balanced, and with its look unless it is only to be balanced; at most `longEdge` pixels long.
/// `lookForAll`: for frames without one of their own. Fails for a file, or a look, that cannot be read.
Result<Image> finishedPicture(const ReadFrame& frame, const Look& lookForAll, int longEdge, bool isWithLook = true);

}  // namespace amber
