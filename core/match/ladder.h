// The ladder: a picture under a look held against a reference, row by row, light before colour; and the steps that
// bring it there.
#pragma once

#include "core/base/result.h"
#include "core/colour/types.h"
#include "core/image/image.h"
#include "core/look/look.h"
#include "core/match/fingerprint.h"
#include "core/match/subject.h"

#include <functional>
#include <set>

namespace amber {

enum class Rung { BlackEnd, WhiteEnd, Mid, Contrast, CastDarks, CastMiddles, CastLights, Family };

struct LadderRow {
    Rung rung = Rung::BlackEnd;
    int family = -1;                   ///< index into HueShifts::defaultFamilies()
    double reference = 0, ours = 0;    ///< of light: L*; contrast: L* at 95 % less L* at 5 %. Of colour: OKLab chroma
    OkLab referenceColour, ourColour;  ///< of casts and families (families against their cast)
    double difference = 0;             ///< L*, or CIEDE2000 of both colours at one lightness
    double tolerance = 1;              ///< 1, of families 2, or the spread of several references where that is more
    double referenceSupport = 1, ourSupport = 1;  ///< shares of the pictures that say so
    /// What of the difference is likely the look's; nothing when both show one thing: then all of it is.
    LookShare share;
    /// How likely both mean the same thing by a family, 0..1: what lies far apart may be another thing.
    double sameThing = 1;
    /// 0..1: of the reference's size and compression, by support, and how sure the share is, unless both show one
    /// thing.
    double confidence = 1;
    /// What both pictures hold enough of; other rows are left alone.
    bool isSupported() const;
    bool isWithin() const { return difference <= tolerance; }
    bool mayBeAnotherThing() const { return sameThing < 0.35; }
    /// Part of the difference that is likely the look's, 0..1.
    double lookPart() const;
};
/// Rows less sure than this are taken when they are asked for, not with all.
inline constexpr double kSureEnough = 0.4;
/// Whether a row is taken when several are: both pictures hold enough of it, and before the match it was sure enough.
bool isTakenWithAll(const LadderRow& row, const LadderRow& beforeMatch);
/// Least share of a picture for a cast or a family to be matched.
inline constexpr double kLeastSupport = 0.01;
/// A family of ours is matched when it is coloured at all (mean OKLab chroma), and need not be made stronger than by
/// this factor: what is nearly grey is another thing than the reference's colour.
inline constexpr double kLeastChroma = 0.015, kMostGain = 2.2;

/// How far a reference may be trusted, and why. Each 0..1.
struct Confidence {
    double size = 1;         ///< 1 from 800 pixels on
    double compression = 1;  ///< 1 from JPEG quality 85 on
    double subject = 1;      ///< how surely what differs is the look's; 1 when both show one thing
    double all() const { return size * compression * subject; }
};

struct Ladder {
    std::vector<LadderRow> rows;  ///< in the order in which they are to be taken
    Confidence confidence;
    int within() const;  ///< supported rows within tolerance
    int supported() const;
    double distance() const;  ///< root mean square of the supported rows' differences
};
Ladder ladderOf(const Fingerprint& reference, const Fingerprint& ours, bool showsTheSame = false);

/// What was taken of a ladder. The match is the steps of one group name: light a tone curve on lightness (its points at
/// black end, low, mid, high and white end), casts split toning with three dyes, families hue shifts; in the order
/// curve, hues, tint.
struct Taken {
    Look look;
    Ladder before, after;
    std::vector<std::size_t> moved;  ///< rows whose numbers were changed
};
/// Brings rows (indices into the ladder) of our small pictures (before the look, forMatching) to the reference. Steps
/// of the group are made when they are missing, before output sharpening and grain; else only the numbers of rows that
/// are off are changed: a row that lies as it should is left as it is. Least squares over the rows, stage by stage:
/// light, casts, families, then together. Fails when the look would have too many steps, or when rows are asked for
/// that have no support.
Result<Taken> takeRows(const Look& look, const std::vector<Image>& ours, const Fingerprint& reference,
                       const std::set<std::size_t>& rows, const std::string& group, bool showsTheSame = false);

/// As takeRows, but only as far as the difference is likely the reference's look and not its subject (likelyTarget),
/// against our pictures before the match. Both ladders are against the reference itself.
Result<Taken> takeLikely(const Look& look, const std::vector<Image>& ours, const Fingerprint& reference,
                         const std::set<std::size_t>& rows, const std::string& group);

/// Who is who in small pictures through the look without the steps of a group: what a match follows.
Membership membershipBefore(const Look& look, const std::vector<Image>& ours, const std::string& group);
/// Small pictures through a look, measured.
Fingerprint measuredThrough(const Look& look, const std::vector<Image>& ours, const Membership& members);
Look withoutGroup(const Look& look, const std::string& group);

/// Our pictures through a look with and without a match, held against a reference.
struct LaddersAsked {
    Look look;
    std::vector<Image> ours;
    std::string group;
    Fingerprint reference;
    Membership members;  ///< known from before, of `membersOf`
    Look membersOf;
    bool showsTheSame = false;
    /// When both show the same: the reference at our places, by who is who in ours.
    std::function<Fingerprint(const Membership&)> atOurPlaces = {};
};
struct Ladders {
    Ladder now, start;
    Membership members;
    Look membersOf;  ///< the look without the group that they belong to
};
Ladders laddersOf(const LaddersAsked& asked);

}  // namespace amber
