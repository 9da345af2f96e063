// What a frame's white may be, by different evidence, for the artist to choose from.
#pragma once

#include "core/frame/light_edit.h"

#include <optional>
#include <string>
#include <vector>

namespace amber {

struct WhiteEstimate {
    enum class By { AsShot, Picked, Neutrals, Lead, Card } by = By::AsShot;
    FrameBalance balance;  ///< the frame's, with this white
    double sureness = 1;   ///< 0..1
};

/// Colours that are nearly neutral, over and over with the white they give (a grey world of greys alone): the white
/// and the share of the picture that they are. Nothing where hardly anything is near neutral.
struct FoundNeutrals {
    LinearRgb colour;  ///< untouched, as one colour
    double share = 0;
    /// 0..1: half where a twentieth of the picture is near neutral.
    double sureness() const { return share / (share + 0.05); }
};
std::optional<FoundNeutrals> findNeutrals(ImageView untouched, const Response& response);

}  // namespace amber
