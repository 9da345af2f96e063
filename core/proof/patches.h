// Connected patches of pixels, and small shared measures of the checks.
#pragma once

#include "core/engine/plane.h"
#include "core/measure/framing.h"

#include <cstdint>
#include <vector>

namespace amber {

/// One byte to a pixel; 0: not in it.
struct PixelSet {
    int width = 0, height = 0;
    std::vector<std::uint8_t> in;
    PixelSet(int w, int h) : width(w), height(h), in(static_cast<std::size_t>(w) * h) {}
    std::uint8_t& at(int x, int y) { return in[static_cast<std::size_t>(y) * width + x]; }
    std::uint8_t at(int x, int y) const { return in[static_cast<std::size_t>(y) * width + x]; }
    double share() const;
};

struct Patch {
    Region place;
    double share = 0;         ///< of the picture
    std::vector<int> pixels;  ///< indices
};
/// Pixels that touch, by side or corner; the largest first.
std::vector<Patch> patchesOf(const PixelSet& set);
/// Pixels within `radius` of the patch but not in it.
std::vector<int> ringOf(const Patch& patch, int radius, int width, int height);
/// "in the upper left", "in the middle".
std::string whereabouts(const Region& place);
/// What both regions share, as a share of the picture.
double overlapOf(const Region& one, const Region& other);

}  // namespace amber
