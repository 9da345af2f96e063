// Where the roles of a look lie on a picture that is rendered: a weight for every place, 0..1. Made once per picture
// (core/area) and used by every step that is bound to a role. A mask may have fewer pixels than the picture: it is read
// bilinear between its pixel centres, so that a proxy and the whole picture, or a band of it, agree.
#pragma once

#include "core/engine/plane.h"

#include <map>
#include <memory>
#include <string>
#include <vector>

namespace amber {

class RoleMasks {
public:
    /// A picture on which the role lies nowhere may be given an empty plane.
    void set(const std::string& role, Plane weights);
    /// The mask of a role; null when it is not known where it lies.
    const Plane* find(const std::string& role) const;
    /// Whether its weight is 0 at every place.
    bool isEmpty(const std::string& role) const;
    bool knows(const std::string& role) const { return m_masks.contains(role); }
    std::vector<std::string> roles() const;

private:
    struct Mask {
        Plane weights;
        bool isEmpty;
    };
    std::map<std::string, Mask> m_masks;
};

}  // namespace amber
