// A place in a picture.
#pragma once

namespace amber {

/// In fractions of the picture's width and height, unless a function says otherwise.
struct Spot {
    double x = 0, y = 0;
    bool operator==(const Spot&) const = default;
};

}  // namespace amber
