// Where things lie in another view when they are not all in one plane: a registration, and how far each thing is from
// where its plane would be.
#pragma once

#include "core/balance/registration.h"

#include <memory>

namespace amber {

/// Dense flow between two views, one laid over the other first (dense inverse search: T. Kroeger et al., ECCV 2016), on
/// tones by their rank, so that a treatment of either matters little.
class DepthFlow {
public:
    /// Pictures of some 600 to 1000 pixels, linear light.
    DepthFlow(ImageView from, ImageView to, const Registration& registration);
    /// Where a place of `from` lies in `to`; nothing where flow there and back do not end where they began, by more
    /// than 0.15 % of the longer edge: there one of the pictures hides it.
    std::optional<Registration::Place> map(Registration::Place from) const;

private:
    struct Data;
    std::shared_ptr<const Data> m_data;
};

}  // namespace amber
