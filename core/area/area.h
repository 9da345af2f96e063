// Where a role of a look lies on one frame: a list of parts, each joined to, cut from or kept within what came before.
// Places are fractions of the source picture, lengths fractions of its longer edge, so that an area stays on its things
// when the frame is straightened, corrected or cropped.
#pragma once

#include "core/base/copied_apart.h"
#include "core/base/result.h"
#include "core/image/spot.h"
#include "core/look/guard.h"

#include <cstdint>
#include <functional>
#include <memory>
#include <string>
#include <variant>
#include <vector>

namespace amber {

/// 1 on a line through `full`, 0 on one through `none`, both square to the way between them; a smoothstep between. A
/// mirrored one falls off on both sides of the line through `full`; else all behind it is 1.
struct Ramp {
    static constexpr const char* kShape = "ramp";
    Spot full{0.5, 0.2}, none{0.5, 0.6};
    bool isMirrored = false;
    bool operator==(const Ramp&) const = default;
};

/// 1 inside, 0 outside; `feather` is the share of its radius over which it falls.
struct Ellipse {
    static constexpr const char* kShape = "ellipse";
    Spot middle{0.5, 0.5};
    double halfWidth = 0.2, halfHeight = 0.2;
    double turnDegrees = 0;  ///< clockwise
    double feather = 0.3;    ///< 0..1
    bool operator==(const Ellipse&) const = default;
};

/// A closed line round the area, straight between its points or smooth through them (Catmull-Rom).
struct Outline {
    static constexpr const char* kShape = "outline";
    std::vector<Spot> points;
    bool isSmooth = false;
    bool operator==(const Outline&) const = default;
};

/// A brush drawn along points. Its weight falls from `flow` at (1 - softness) of the radius to 0 at the radius.
struct Stroke {
    static constexpr const char* kShape = "stroke";
    struct Point {
        Spot at;
        double pressure = 1;  ///< of a pen, 0..1: a share of the radius
        bool operator==(const Point&) const = default;
    };
    std::vector<Point> points;
    double radius = 0.03;   ///< 0.0005..0.5
    double softness = 0.5;  ///< 0..1
    double flow = 1;        ///< 0..1
    bool operator==(const Stroke&) const = default;
};

/// What has these colours, as the frame is balanced; the ranges of a guard.
struct ColourRange {
    static constexpr const char* kShape = "range";
    Guard colours;
    bool operator==(const ColourRange&) const = default;
};

/// A mask that was found: over the whole source, few pixels, 0..255.
struct FoundMask {
    int width = 0, height = 0;
    std::vector<std::uint8_t> weights;
};
/// The same as bytes (deflated), as it is kept and held: a shoot has thousands. Named by the hash of the bytes.
using PackedMask = std::shared_ptr<const std::string>;
PackedMask packed(const FoundMask& mask);
Result<FoundMask> unpacked(const std::string& bytes);

struct Found {
    static constexpr const char* kShape = "found";
    PackedMask mask;
    std::string hash;     ///< of the mask, which is kept apart
    std::string from;     ///< on what it rests, in words
    double sureness = 0;  ///< 0..1
    bool operator==(const Found& o) const { return hash == o.hash && from == o.from && sureness == o.sureness; }
};

struct AreaPart {
    enum class Join { Add, Cut, Within } join = Join::Add;
    std::variant<Ramp, Ellipse, Outline, Stroke, ColourRange, Found> shape;
    bool isInverted = false;
    double density = 1;  ///< 0..1
    bool operator==(const AreaPart&) const = default;
};

struct Area {
    AMBER_COPIED_APART(Area)

    enum class State { Proposed, Confirmed, ByHand, NotHere } state = State::ByHand;
    std::vector<AreaPart> parts;
    double density = 1;  ///< 0..1
    double feather = 0;  ///< 0..0.1, deviation of a blur
    double grow = 0;     ///< -0.05..0.05, outward
    bool isInverted = false;
    /// What it is to the balance of its frame: as any part of it; all that counts (with others of the kind); nothing.
    enum class InBalance { Counts, AloneCounts, LeftOut } inBalance = InBalance::Counts;
    /// Whether steps may work by it: a proposal that nobody has seen does nothing.
    bool counts() const { return state != State::Proposed; }
    /// Of what was found in it, the least; 1 without such.
    double sureness() const;
};
inline constexpr std::size_t kPartLimit = 256, kPointLimit = 4096;

/// JSON text for keeping, and back. Masks are named by their hash; `maskOf` gives them, null when it is not there.
using MaskOf = std::function<PackedMask(const std::string& hash)>;
std::string areaToText(const Area& area);
Result<Area> areaFromText(const std::string& text, const MaskOf& maskOf);
/// A part that was found: `from` says on what it rests.
Found foundOf(const FoundMask& mask, std::string from, double sureness);
/// The found part of an area that is of the same thing as a mask: of the smaller of both, half or more is the other's.
/// -1: none is.
int partOfSameThing(const Area& area, const FoundMask& mask);

inline constexpr std::array<std::string_view, 3> kInBalance{"counts", "alone-counts", "left-out"};
inline constexpr std::array<std::string_view, 4> kAreaStates{"proposed", "confirmed", "by-hand", "not-here"};

}  // namespace amber
