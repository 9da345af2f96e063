// A colour card found in a picture by its marks, and what its patches say: of the light, and of what a camera's
// rendering does to colours. A card is described by a text file (demo/card/ombrel-card.txt is one).
#pragma once

#include "core/frame/light_edit.h"

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace amber {

/// Lengths in millimetres from the upper left corner, x to the right, y down; colours CIELAB relative to D65.
struct ColourCard {
    struct Mark {
        double x = 0, y = 0, radius = 0, hole = 0;  ///< the one without a hole is at the upper left
    };
    struct Patch {
        std::string name, kind;  ///< kinds "grey" and "stair" are neutral
        double x = 0, y = 0, radius = 0;
        Lab lab{};
        bool isNeutral() const { return kind == "grey" || kind == "stair"; }
    };
    double width = 0, height = 0;
    Lab body{};
    std::vector<Mark> marks;  ///< clockwise from the one without a hole
    std::vector<Patch> patches;
};
/// Lines "size w h", "body L a b", "mark x y r hole", "patch name kind x y r L a b"; # begins a comment. Fails, with
/// the line, for anything else, for other than four marks of which one has no hole, and without patches.
Result<ColourCard> readColourCard(const std::filesystem::path& path);

/// Where a picture shows a card: fractions of its source, width over height of which is `ratio`.
struct ShownCard {
    Region region;
    double ratio = 1.5;
    bool operator==(const ShownCard&) const = default;
};

struct FoundCard {
    std::array<Spot, 4> marks{};  ///< in fractions of the picture, in the card's order
    Region region;                ///< round the whole card
    struct Reading {
        std::size_t patch;
        LinearRgb colour;  ///< as the picture has it
    };
    std::vector<Reading> readings;
    double likeness = 0;    ///< of its patches with those described, 0..1
    double shadeStops = 0;  ///< between its lightest and its darkest quarter
    bool isPartlyShaded() const { return shadeStops > 0.5; }
};
/// However it is turned. Nothing when it is not there.
std::optional<FoundCard> findCard(ImageView picture, const ColourCard& card);

/// The cards that the text files of a folder describe, by the names of the files; files that describe none are passed
/// over.
std::vector<ColourCard> cardsIn(const std::filesystem::path& folder);
/// The first of these cards that the picture shows, and where.
struct SeenCard {
    std::size_t card = 0;
    FoundCard found;
};
std::optional<SeenCard> findCardOf(ImageView picture, const std::vector<ColourCard>& cards);
/// Long edge of pictures that cards are looked for in.
inline constexpr int kCardEdge = 750;

/// White and exposure by the neutral patches: the frame's balance with these; the middle ones count, those at an end do
/// not. Nothing when none is left.
std::optional<FrameBalance> balancedByCard(const FrameBalance& balance, const FoundCard& found, const ColourCard& card,
                                           const Response& response, const AsShot& asShot);

/// What a camera's rendering does: patches, balanced by the card, against the card itself.
struct CardCheck {
    double mean = 0, most = 0;  ///< CIEDE2000
    std::size_t worst = 0;      ///< patch
    double toneSlope = 1;       ///< of lightness over the stairs: above 1 the rendering has more contrast than the card
};
CardCheck checkByCard(const FoundCard& found, const ColourCard& card, const FrameBalance& balanced,
                      const Response& response);

}  // namespace amber
