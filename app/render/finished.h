// A frame as it was read, through a light and a look: for pictures that are made of another state than the one on the
// wall.
#pragma once

#include "app/render/proxy_store.h"
#include "core/frame/frame_masks.h"
#include "core/look/look.h"

#include <QImage>

namespace amber {

/// All that a frame's picture is made of, beside its pixels.
struct FrameMade {
    FrameBalance balance;
    Response response;
    Look look;  ///< with the values that the frame holds for itself
    std::shared_ptr<const FrameAreas> areas;
};

/// Any thread. A look that does not compile leaves the balanced frame.
Image finished(const Proxy& untouched, const FrameMade& made);

/// Fitted into a space, for the screen.
QImage onScreen(const Image& picture, QSize space);

}  // namespace amber
