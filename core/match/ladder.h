// The ladder: a picture under a look held against a reference, row by row, light before colour; and the steps that
// bring it there.
#pragma once

#include "core/base/result.h"
#include "core/colour/types.h"
#include "core/image/image.h"
#include "core/image/spot.h"
#include "core/look/look.h"
#include "core/match/fingerprint.h"
#include "core/match/subject.h"

#include <functional>
#include <memory>
#include <set>

namespace amber {

class RoleMasks;

/// In the order in which they are taken.
enum class Rung {
    Framing,
    TopToBottom,
    LeftToRight,
    MiddleToCorners,
    BlackEnd,
    WhiteEnd,
    Mid,
    Contrast,
    CastDarks,
    CastMiddles,
    CastLights,
    Family,
    LocalContrast,
    Edges,
    Grain,
    Noise
};
/// What a row speaks of: how the picture is cut, how light falls over it, its tones, its neutrals, its colours, its
/// finest structure.
enum class RungKind { Frame, Fall, Light, Cast, Family, Texture };
RungKind kindOf(Rung rung);

struct LadderRow {
    Rung rung = Rung::BlackEnd;
    int family = -1;  ///< index into HueShifts::defaultFamilies()
    /// Of light and its falls: L*; contrast: L* at 95 % less L* at 5 %. Of colour: OKLab chroma. Of framing: width /
    /// height. Of texture as measured (texture.h).
    double reference = 0, ours = 0;
    OkLab referenceColour, ourColour;  ///< of casts and families (families against their cast)
    Spot referenceEye, ourEye;         ///< of framing: where the eye goes
    /// L*, or CIEDE2000 of both colours at one lightness; of framing and texture per cent.
    double difference = 0;
    /// 1, of families 2, of framing 5, falls 3, textures 15; or the spread of several references where that is more.
    double tolerance = 1;
    double referenceSupport = 1, ourSupport = 1;  ///< shares of the pictures that say so
    /// What of the difference is likely the look's; nothing when both show one thing: then all of it is.
    LookShare share;
    /// How likely both mean the same thing by a family, 0..1: what lies far apart may be another thing.
    double sameThing = 1;
    bool isOfOneThing = false;  ///< both pictures show the same: what differs is the look's
    /// 0..1: of the reference's size and compression, by support, and how sure the share is, unless both show one
    /// thing.
    double confidence = 1;
    /// What both pictures hold enough of; other rows are left alone.
    bool isSupported() const;
    bool isWithin() const { return difference <= tolerance; }
    bool mayBeAnotherThing() const { return sameThing < 0.35; }
    RungKind kind() const { return kindOf(rung); }
    /// A step of a look can bring ours there: not framing, which is the frame's, nor falls across the frame, which ask
    /// for a role, nor noise, which is the file's.
    bool isForSteps() const;
    /// Part of the difference that is likely the look's, 0..1.
    double lookPart() const;
};
/// Rows less sure than this are taken when they are asked for, not with all.
inline constexpr double kSureEnough = 0.4;
/// Whether a row is taken when several are: both pictures hold enough of it, and before the match it was sure enough.
bool isTakenWithAll(const LadderRow& row, const LadderRow& beforeMatch);
/// Whether a row is taken on the way to one below it: what steps can do, but what may be another thing, nor light by
/// place and texture of another subject.
bool isTakenOnTheWay(const LadderRow& row, const LadderRow& beforeMatch);
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
    double distance() const;  ///< root mean square of the supported rows' differences in light and colour
    const LadderRow* find(Rung rung, int family = -1) const;
};
Ladder ladderOf(const Fingerprint& reference, const Fingerprint& ours, bool showsTheSame = false);

/// Our pictures reduced for matching (forMatching), before the look, and where the roles of looks lie on each: without
/// that a step that is bound to one does nothing.
struct OurPictures {
    std::vector<Image> small;
    std::vector<std::shared_ptr<const RoleMasks>> masks;
    OurPictures() = default;
    OurPictures(std::vector<Image> pictures, std::vector<std::shared_ptr<const RoleMasks>> whereRolesLie = {})
        : small(std::move(pictures)), masks(std::move(whereRolesLie))
    {
    }
    std::shared_ptr<const RoleMasks> masksOf(std::size_t picture) const
    {
        return picture < masks.size() ? masks[picture] : nullptr;
    }
};

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
/// light (edge darkening with it), casts, families, then together. Framing and texture are left out: a look cannot cut,
/// and small pictures show no texture (takeTexture). Fails when the look would have too many steps, or when rows are
/// asked for that have no support.
Result<Taken> takeRows(const Look& look, const OurPictures& ours, const Fingerprint& reference,
                       const std::set<std::size_t>& rows, const std::string& group, bool showsTheSame = false);

/// As takeRows, but only as far as the difference is likely the reference's look and not its subject (likelyTarget),
/// against our pictures before the match. Both ladders are against the reference itself.
Result<Taken> takeLikely(const Look& look, const OurPictures& ours, const Fingerprint& reference,
                         const std::set<std::size_t>& rows, const std::string& group);

/// Who is who in small pictures through the look without the steps of a group: what a match follows.
Membership membershipBefore(const Look& look, const OurPictures& ours, const std::string& group);
/// Small pictures through a look, measured.
Fingerprint measuredThrough(const Look& look, const OurPictures& ours, const Membership& members);
Look withoutGroup(const Look& look, const std::string& group);
/// Adds frame and textures of ours under the look, as large as the reference.
void addSurvey(Fingerprint& ours, const Look& look, ImageView large, const std::shared_ptr<const RoleMasks>& masks,
               double referenceEdge);

/// Our pictures through a look with and without a match, held against a reference.
struct LaddersAsked {
    Look look;
    OurPictures ours;
    std::string group;
    Fingerprint reference;
    /// Ours as large as there is, for frame and texture; without it these rows are not measured.
    std::shared_ptr<const Image> large = {};
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
