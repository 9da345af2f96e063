// The drills: short rounds that train an eye for colour, on any pictures. A round is made from a seed and a level; what
// is shown, what may be answered and what is right follow from them.
#pragma once

#include "core/base/result.h"
#include "core/image/image.h"
#include "core/image/spot.h"

#include <array>
#include <cstdint>
#include <optional>
#include <string>
#include <vector>

namespace amber {

enum class Drill {
    Family,  ///< which family of hues owns the colour under the mark
    Cast,    ///< which way the second picture leans, and how much
    Match,   ///< move one step until both pictures are alike
    Odd,     ///< which of nine pictures differs
    Stops    ///< how many stops lie between two pictures
};
inline constexpr int kDrills = 5, kRounds = 10;
inline constexpr std::array<std::string_view, kDrills> kDrillNames{"family", "cast", "match", "odd", "stops"};

/// What is known of a drill: its levels (larger is easier), and how often guessing is right.
struct DrillRange {
    double start, least, most;
    double guess;
    const char* unit;  ///< of the level
};
DrillRange rangeOf(Drill drill);

struct PracticePicture {
    std::string name;
    Image image;  ///< small, working-space light, balanced
};

struct DrillRound {
    Drill drill = Drill::Family;
    double level = 1;
    std::string picture;               ///< its name
    std::vector<Image> shown;          ///< one, two or nine
    std::optional<Spot> mark = {};     ///< of the first
    std::vector<std::string> options;  ///< what may be answered; none for Match
    int right = 0;                     ///< into options
    std::vector<std::string> amounts;  ///< Cast: what may be answered of how much
    int rightAmount = 0;
    std::string moved = {};  ///< Match: which step
    double target = 0;       ///< Match: where both are alike, of -1 to 1
    Image base = {};         ///< Match: at 0
    std::string key = {};    ///< two rounds of one key are alike
};

/// Fails without a picture that the drill can use (one with colours, for Family).
Result<DrillRound> makeRound(Drill drill, const std::vector<PracticePicture>& pictures, double level,
                             std::uint64_t seed);
/// Match: the second picture with the step at this value.
Image movedTo(const DrillRound& round, double value);

struct Given {
    int option = -1, amount = -1;
    double value = 0;  ///< Match
    double seconds = 0;
};
/// What an answer was worth.
struct Verdict {
    bool isRight = false;
    bool isAmountRight = false;  ///< Cast
    double deltaE = 0;           ///< Match: what is left, CIEDE2000, mean
    std::string right, said;     ///< in words
};
Verdict judge(const DrillRound& round, const Given& given);
/// What is right and how strong it was: "warmer, by ΔE00 6.2".
std::string explained(const DrillRound& round);

}  // namespace amber
