// What relates the picture in hand to what is held against it: the same things seen in both, and, of two frames of one
// job, the light that brings ours onto the other.
#pragma once

#include "core/balance/shoot_balance.h"

namespace amber {

/// A frame of the job, untouched.
struct SeenFrame {
    ShootFrame frame;  ///< its key colours are looked at where they were marked
    ImageView untouched;
    CaptureFacts capture;
    Response response;
};

struct Relation {
    std::optional<Registration> registration;  ///< from ours to what is held; only a firm one counts
    std::optional<SolvedBalance> solved;       ///< against what is held as it came
};

/// `held` are the features of a picture of kFeatureEdge pixels or so; `both`, the held frame and ours in this order, is
/// empty when what is held is no frame of the job.
Relation relationOf(ImageView ours, const Features& held, const std::vector<SeenFrame>& both,
                    const CancelToken& cancel = {});

}  // namespace amber
