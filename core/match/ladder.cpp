#include "core/match/ladder.h"

#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/match/light_by_place.h"
#include "core/match/texture.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr double kTolerance = 1, kFamilyTolerance = 2, kFrameTolerance = 5, kFallTolerance = 3, kTextureTolerance = 15;

/// Half the range, in L*.
double starSpread(const Fingerprint& f, std::size_t quantile)
{
    if (quantile >= f.tones.size())
        return 0;
    const ToneTrait& t = f.tones[quantile];
    return (lightnessStar(t.tone + t.spread) - lightnessStar(t.tone - t.spread)) / 2;
}

double apart(const OkLab& one, const OkLab& two)
{
    const double L = std::clamp((one.L + two.L) / 2, 0.1, 0.95);
    return ciede2000(toLinearRgb(OkLab{L, one.a, one.b}), toLinearRgb(OkLab{L, two.a, two.b}));
}

LadderRow colourRow(Rung rung, int family, const ColourTrait& reference, const ColourTrait& ours, double tolerance)
{
    LadderRow row;
    row.rung = rung, row.family = family;
    row.referenceColour = {reference.L, reference.a, reference.b}, row.ourColour = {ours.L, ours.a, ours.b};
    row.reference = std::hypot(reference.a, reference.b), row.ours = std::hypot(ours.a, ours.b);
    row.difference = apart(row.referenceColour, row.ourColour);
    // The spread of several references, as a difference about their mean.
    const double away = reference.spread;
    row.tolerance = std::max(
        tolerance, away > 0
                       ? apart(row.referenceColour,
                               {reference.L, reference.a + away * (row.reference > 0 ? reference.a / row.reference : 1),
                                reference.b + away * (row.reference > 0 ? reference.b / row.reference : 0)})
                       : 0.0);
    row.referenceSupport = reference.share, row.ourSupport = ours.share;
    return row;
}

void addLight(Ladder& ladder, const Fingerprint& reference, const Fingerprint& ours)
{
    // A look's file may hold less than was measured.
    if (reference.tones.size() <= tone_at::kWhite || ours.tones.size() <= tone_at::kWhite)
        return;
    const auto light = [&](Rung rung, double theirs, double mine, double spread) {
        LadderRow row;
        row.rung = rung, row.reference = theirs, row.ours = mine, row.difference = std::abs(theirs - mine),
        row.tolerance = std::max(kTolerance, spread);
        ladder.rows.push_back(row);
    };
    light(Rung::BlackEnd, starOf(reference, tone_at::kBlack), starOf(ours, tone_at::kBlack),
          starSpread(reference, tone_at::kBlack));
    light(Rung::WhiteEnd, starOf(reference, tone_at::kWhite), starOf(ours, tone_at::kWhite),
          starSpread(reference, tone_at::kWhite));
    light(Rung::Mid, starOf(reference, tone_at::kMiddle), starOf(ours, tone_at::kMiddle),
          starSpread(reference, tone_at::kMiddle));
    light(Rung::Contrast, starOf(reference, tone_at::kHigh) - starOf(reference, tone_at::kLow),
          starOf(ours, tone_at::kHigh) - starOf(ours, tone_at::kLow),
          std::hypot(starSpread(reference, tone_at::kHigh), starSpread(reference, tone_at::kLow)));
}

/// A ratio as per cent, the same either way.
double perCent(double one, double two) { return one > 0 && two > 0 ? 100 * std::abs(std::log(one / two)) : 0; }

void addFrame(Ladder& ladder, const Fingerprint& reference, const Fingerprint& ours)
{
    LadderRow row;
    row.rung = Rung::Framing, row.tolerance = kFrameTolerance;
    if (reference.frame.size() < 3 || ours.frame.size() < 3) {
        row.referenceSupport = row.ourSupport = 0;
    } else {
        const auto &r = reference.frame, &o = ours.frame;
        row.reference = r[0].value, row.ours = o[0].value;
        row.referenceEye = {r[1].value, r[2].value}, row.ourEye = {o[1].value, o[2].value};
        row.difference = std::hypot(perCent(row.reference, row.ours), 100 * (row.referenceEye.x - row.ourEye.x),
                                    100 * (row.referenceEye.y - row.ourEye.y));
        row.tolerance = std::max(
            {row.tolerance, perCent(r[0].value + r[0].spread, r[0].value), 100 * std::hypot(r[1].spread, r[2].spread)});
    }
    ladder.rows.push_back(row);
}

/// Plain numbers, `first` and those after it: L*, or per cent of one another.
void addValues(Ladder& ladder, Rung first, std::size_t count, const std::vector<ValueTrait>& reference,
               const std::vector<ValueTrait>& ours, bool isPerCent)
{
    for (std::size_t i = 0; i < count; ++i) {
        LadderRow row;
        row.rung = static_cast<Rung>(static_cast<std::size_t>(first) + i);
        row.tolerance = isPerCent ? kTextureTolerance : kFallTolerance;
        if (i >= std::min(reference.size(), ours.size())) {
            row.referenceSupport = row.ourSupport = 0;
        } else {
            const double r = reference[i].value, o = ours[i].value, spread = reference[i].spread;
            row.reference = r, row.ours = o;
            row.difference = isPerCent ? perCent(r, o) : std::abs(r - o);
            row.tolerance = std::max(row.tolerance, isPerCent ? perCent(r + spread, r) : spread);
            row.referenceSupport = isPerCent && r <= 0 ? 0 : 1, row.ourSupport = isPerCent && o <= 0 ? 0 : 1;
        }
        ladder.rows.push_back(row);
    }
}

/// How likely both pictures mean the same thing by a family: a treatment turns and mutes it somewhat; what lies farther
/// apart is more likely another thing.
double sameThing(const LadderRow& row)
{
    constexpr double kTurn = 30, kMuted = 0.5;
    if (row.reference <= 0 || row.ours <= 0)
        return 1;
    const double turn =
                     hueDifference(toOkLch(row.referenceColour).hueDegrees, toOkLch(row.ourColour).hueDegrees) / kTurn,
                 muted = std::log(row.reference / row.ours) / kMuted;
    return std::exp(-turn * turn - muted * muted);
}

/// What of each row's difference is likely the look's, and how sure that is.
void addShares(Ladder& ladder, const Fingerprint& reference, const Fingerprint& ours)
{
    const std::vector<LookShare> shares = lookShares(reference, ours, kLeastSupport);
    const std::vector<LookShare> ofPlace = placeShares(reference, ours);
    std::size_t next = 0, nextOfPlace = 0;
    for (LadderRow& row : ladder.rows) {
        const RungKind kind = row.kind();
        if (kind == RungKind::Frame)
            continue;
        const bool isByPlace = kind == RungKind::Fall || kind == RungKind::Texture;
        const std::vector<LookShare>& from = isByPlace ? ofPlace : shares;
        std::size_t& at = isByPlace ? nextOfPlace : next;
        if (at >= from.size())
            continue;
        row.share = from[at++];
        row.confidence *= row.share.sureness;
        if (row.rung == Rung::Family)
            row.sameThing = sameThing(row);
        row.confidence *= row.sameThing;
    }
}

}  // namespace

RungKind kindOf(Rung rung)
{
    return rung == Rung::Framing           ? RungKind::Frame
           : rung <= Rung::MiddleToCorners ? RungKind::Fall
           : rung <= Rung::Contrast        ? RungKind::Light
           : rung <= Rung::CastLights      ? RungKind::Cast
           : rung == Rung::Family          ? RungKind::Family
                                           : RungKind::Texture;
}

bool LadderRow::isForSteps() const
{
    switch (rung) {
    case Rung::Framing:
    case Rung::TopToBottom:
    case Rung::LeftToRight:
    case Rung::Noise:
        return false;
    case Rung::Grain:
        return reference > ours;
    default:
        return true;
    }
}

bool LadderRow::isSupported() const
{
    return std::min(referenceSupport, ourSupport) >= kLeastSupport &&
           (rung != Rung::Family || (ours >= kLeastChroma && reference <= kMostGain * ours));
}

namespace {

/// Of light and colour: in the units of distance().
bool isOfColour(const LadderRow& row)
{
    return row.kind() == RungKind::Light || row.kind() == RungKind::Cast || row.kind() == RungKind::Family;
}

/// Of the rows of light and colour that are off.
double meanSureness(const Ladder& ladder)
{
    double sum = 0, rows = 0;
    for (const LadderRow& row : ladder.rows)
        if (isOfColour(row) && row.isSupported() && !row.isWithin())
            sum += row.share.sureness, ++rows;
    return rows > 0 ? sum / rows : 1;
}

}  // namespace

double LadderRow::lookPart() const
{
    const bool isColour = kind() == RungKind::Cast || kind() == RungKind::Family;
    const double whole = !isColour ? difference
                                   : std::hypot(referenceColour.a - ourColour.a, referenceColour.b - ourColour.b),
                 part = !isColour ? std::abs(share.light) : std::hypot(share.a, share.b);
    return whole > 0 ? std::clamp(part / whole, 0.0, 1.0) : 0;
}

bool isTakenWithAll(const LadderRow& row, const LadderRow& beforeMatch)
{
    return row.isSupported() && row.isForSteps() && beforeMatch.confidence >= kSureEnough;
}

bool isTakenOnTheWay(const LadderRow& row, const LadderRow& beforeMatch)
{
    return row.isSupported() && row.isForSteps() && !beforeMatch.mayBeAnotherThing() &&
           (row.isOfOneThing || (row.kind() != RungKind::Fall && row.kind() != RungKind::Texture));
}

int Ladder::supported() const
{
    return static_cast<int>(
        std::count_if(rows.begin(), rows.end(), [](const LadderRow& r) { return r.isSupported(); }));
}

int Ladder::within() const
{
    return static_cast<int>(
        std::count_if(rows.begin(), rows.end(), [](const LadderRow& r) { return r.isSupported() && r.isWithin(); }));
}

double Ladder::distance() const
{
    double sum = 0, count = 0;
    for (const LadderRow& r : rows)
        if (isOfColour(r) && r.isSupported())
            sum += r.difference * r.difference, ++count;
    return count > 0 ? std::sqrt(sum / count) : 0;
}

const LadderRow* Ladder::find(Rung rung, int family) const
{
    const auto found = std::find_if(rows.begin(), rows.end(),
                                    [&](const LadderRow& r) { return r.rung == rung && r.family == family; });
    return found == rows.end() ? nullptr : &*found;
}

Ladder ladderOf(const Fingerprint& reference, const Fingerprint& ours, bool showsTheSame)
{
    constexpr double kLargeEnough = 800, kGoodQuality = 85, kBadQuality = 10, kSure = 0.05;
    Ladder ladder;
    ladder.confidence.size = std::clamp(std::sqrt(reference.longEdge / kLargeEnough), 0.1, 1.0);
    ladder.confidence.compression =
        std::clamp((reference.quality - kBadQuality) / (kGoodQuality - kBadQuality), 0.2, 1.0);
    addFrame(ladder, reference, ours);
    addValues(ladder, Rung::TopToBottom, kFalls, reference.falls, ours.falls, false);
    addLight(ladder, reference, ours);
    constexpr Rung kCasts[] = {Rung::CastDarks, Rung::CastMiddles, Rung::CastLights};
    for (std::size_t i = 0; i < std::min({kCastZones, reference.casts.size(), ours.casts.size()}); ++i)
        ladder.rows.push_back(colourRow(kCasts[i], -1, reference.casts[i], ours.casts[i], kTolerance));
    for (std::size_t i = 0; i < std::min(reference.families.size(), ours.families.size()); ++i)
        ladder.rows.push_back(
            colourRow(Rung::Family, static_cast<int>(i), reference.families[i], ours.families[i], kFamilyTolerance));
    addValues(ladder, Rung::LocalContrast, kTextures, reference.textures, ours.textures, true);
    for (LadderRow& row : ladder.rows)
        row.confidence = ladder.confidence.size * ladder.confidence.compression *
                         std::sqrt(std::clamp(std::min(row.referenceSupport, row.ourSupport) / kSure, 0.0, 1.0));
    for (LadderRow& row : ladder.rows)
        row.isOfOneThing = showsTheSame;
    if (!showsTheSame) {
        addShares(ladder, reference, ours);
        ladder.confidence.subject = meanSureness(ladder);
    }
    return ladder;
}

Ladders laddersOf(const LaddersAsked& asked)
{
    Ladders made{{}, {}, asked.members, withoutGroup(asked.look, asked.group)};
    if (made.members.neutral.empty() || !(made.membersOf.steps == asked.membersOf.steps))
        made.members = membershipBefore(asked.look, asked.ours, asked.group);
    const Fingerprint reference = asked.atOurPlaces ? asked.atOurPlaces(made.members) : asked.reference;
    const auto through = [&](const Look& look) {
        Fingerprint ours = measuredThrough(look, asked.ours, made.members);
        if (asked.large)
            addSurvey(ours, look, asked.large->view(), asked.ours.masksOf(0), reference.longEdge);
        return ladderOf(reference, ours, asked.showsTheSame);
    };
    made.now = through(asked.look), made.start = through(made.membersOf);
    return made;
}

}  // namespace amber
