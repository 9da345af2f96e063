// What of a picture counts: the planned crop less the regions left out. Every measure of a picture can follow it.
#pragma once

#include "core/base/result.h"
#include "core/image/image.h"

#include <array>
#include <string>
#include <vector>

namespace amber {

/// A rectangle in fractions of the picture.
struct Region {
    double left = 0, top = 0, right = 1, bottom = 1;
    bool contains(double x, double y) const { return x >= left && x < right && y >= top && y < bottom; }
    bool isWhole() const { return left <= 0 && top <= 0 && right >= 1 && bottom >= 1; }
    bool operator==(const Region&) const = default;
};

struct Framing {
    Region crop;
    std::vector<Region> leftOut;
    bool operator==(const Framing&) const = default;
    bool isWhole() const { return crop.isWhole() && leftOut.empty(); }
    bool counts(double x, double y) const;
};

/// The pixels that count, in one row (so only for measures that do not look at places). A framing that leaves nothing
/// counts everything.
Image counted(ImageView image, const Framing& framing);

/// Where clipping lies: the share of the whole picture's pixels that are clipped in any channel, by ninths of the
/// frame, row by row from top left. `low` at black, `high` at white, of linear sRGB components.
struct ClipPlaces {
    std::array<double, 9> low{}, high{};
};
ClipPlaces clipPlaces(ImageView image, const Framing& framing);

/// Text for keeping, and back; no text is a whole picture.
std::string framingToText(const Framing& framing);
Result<Framing> framingFromText(const std::string& text);

}  // namespace amber
