// The bow of a lens that no file knows, from what is straight in the scene: one coefficient that makes drawn lines
// straight again (D. Brown, "Close-range camera calibration", Photogrammetric Engineering 37(8), 1971: plumb lines).
#pragma once

#include <optional>
#include <vector>

namespace amber {

/// A point along something straight, in half diagonals from the middle, where the lens threw it.
struct ThrownPoint {
    double x, y;
};
using DrawnLine = std::vector<ThrownPoint>;

struct SolvedBow {
    double bow = 0;                        ///< true = thrown (1 + bow thrown^2)
    double bentBefore = 0, bentAfter = 0;  ///< how far the points lie off their lines, root mean square, half diagonals
    bool isSure = false;                   ///< false where lines are too short or too near the middle to tell
};
/// Nothing without a line of three points or more.
std::optional<SolvedBow> solveBow(const std::vector<DrawnLine>& lines);

}  // namespace amber
