// Key colours: the things of a shoot whose colour matters, marked once on a frame, with a target and a tolerance.
#pragma once

#include "core/colour/types.h"
#include "core/measure/framing.h"

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

namespace amber {

struct KeyColour {
    std::string name;           ///< "Ada's skin"
    std::int64_t frame = 0;     ///< where it was marked
    Region place;               ///< a region, or a small square round a point
    LinearRgb marked;           ///< its colour in the untouched picture when it was marked: the mean of the place
    std::optional<Lab> target;  ///< what it should be after the look; none: what it was when marked
    double tolerance = 3;       ///< CIEDE2000
    enum class Kind { Marked, Neutral, Deepest, Brightest } kind = Kind::Marked;
    bool operator==(const KeyColour&) const;
};

/// Half the side of the square read round a point, as a fraction of the shorter side.
inline constexpr double kPointHalf = 0.012;
Region pointPlace(double x, double y, int width, int height);

/// Trimmed mean of a place: the middle 80 % by lightness. At least the pixel in the middle of the place is read.
LinearRgb meanOf(ImageView image, const Region& place);

/// What watches itself on every frame: the most neutral large patch of the middle tones, the deepest cloth (darkest
/// patch that is not clipped flat), the brightest area (brightest patch not clipped). A picture without such a patch
/// has fewer. Found on the untouched picture.
std::vector<KeyColour> automaticKeyColours(ImageView image, std::int64_t frame, const Framing& framing = {});

/// JSON text of a list for keeping, and back; no text is no key colours.
std::string keyColoursToText(const std::vector<KeyColour>& keys);
Result<std::vector<KeyColour>> keyColoursFromText(const std::string& text);

/// A strong colour that the picture does not contain, for overlays: of 24 hues at two lightnesses the one farthest from
/// every colour of the picture (OKLab distance).
LinearRgb absentColour(ImageView image);

}  // namespace amber
