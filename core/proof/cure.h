// One cure for a finding: tried on a copy, measured, and offered only when the finding goes and nothing else breaks its
// limit; else it is said why there is none.
#pragma once

#include "core/proof/check.h"

#include <functional>
#include <memory>

namespace amber {

/// A frame as it was read, with what it takes to measure it again.
struct FrameToCure {
    ReadFrame frame;
    std::shared_ptr<const FrameEvidence> evidence;
};

/// What the cure changes: the frame's balance, or what the look holds for this frame alone.
struct Treatment {
    FrameBalance balance;
    Look look;
    bool changesLook = false;
};

struct Cure {
    std::string words;  ///< "Step 3, Chroma, at strength 0.62 on this frame"
    Treatment treatment;
    double before = 0, after = 0;  ///< of the finding, in its unit
    double keysMoved = 0;          ///< CIEDE2000, by which the key colours of the frame move at most
};

struct CureTried {
    std::optional<Cure> cure;
    std::string why;  ///< there is none
};

/// `lookForAll` is the look of frames without one of their own; `light` are other frames of the frame's light, its lead
/// among them, against which it is compared. Every check of `use` is run on the treated frame.
CureTried cureFor(const Finding& finding, const FrameToCure& frame, const std::vector<FrameToCure>& light,
                  const Look& lookForAll, const std::vector<KeyColour>& keys, const CheckUse& use);

}  // namespace amber
