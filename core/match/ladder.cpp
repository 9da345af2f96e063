#include "core/match/ladder.h"

#include "core/colour/difference.h"
#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr double kTolerance = 1, kFamilyTolerance = 2;
/// Into kQuantiles: 1, 5, 50, 95, 99 %.
constexpr std::size_t kBlack = 1, kLow = 2, kMiddle = 4, kHigh = 6, kWhite = 7;

double star(const Fingerprint& f, std::size_t quantile)
{
    return quantile < f.tones.size() ? lightnessStar(f.tones[quantile].tone) : 0;
}
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
    if (reference.tones.size() <= kWhite || ours.tones.size() <= kWhite)
        return;
    const auto light = [&](Rung rung, double theirs, double mine, double spread) {
        LadderRow row;
        row.rung = rung, row.reference = theirs, row.ours = mine, row.difference = std::abs(theirs - mine),
        row.tolerance = std::max(kTolerance, spread);
        ladder.rows.push_back(row);
    };
    light(Rung::BlackEnd, star(reference, kBlack), star(ours, kBlack), starSpread(reference, kBlack));
    light(Rung::WhiteEnd, star(reference, kWhite), star(ours, kWhite), starSpread(reference, kWhite));
    light(Rung::Mid, star(reference, kMiddle), star(ours, kMiddle), starSpread(reference, kMiddle));
    light(Rung::Contrast, star(reference, kHigh) - star(reference, kLow), star(ours, kHigh) - star(ours, kLow),
          std::hypot(starSpread(reference, kHigh), starSpread(reference, kLow)));
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
    for (LadderRow& row : ladder.rows) {
        const std::size_t at = row.rung == Rung::Family
                                   ? static_cast<std::size_t>(Rung::Family) + static_cast<std::size_t>(row.family)
                                   : static_cast<std::size_t>(row.rung);
        if (at >= shares.size())
            continue;
        row.share = shares[at];
        row.confidence *= row.share.sureness;
        if (row.rung == Rung::Family)
            row.sameThing = sameThing(row);
        row.confidence *= row.sameThing;
    }
}

}  // namespace

bool LadderRow::isSupported() const
{
    return std::min(referenceSupport, ourSupport) >= kLeastSupport &&
           (rung != Rung::Family || (ours >= kLeastChroma && reference <= kMostGain * ours));
}

namespace {

/// Of the rows that are off.
double meanSureness(const Ladder& ladder)
{
    double sum = 0, rows = 0;
    for (const LadderRow& row : ladder.rows)
        if (row.isSupported() && !row.isWithin())
            sum += row.share.sureness, ++rows;
    return rows > 0 ? sum / rows : 1;
}

}  // namespace

double LadderRow::lookPart() const
{
    const double whole = rung <= Rung::Contrast
                             ? difference
                             : std::hypot(referenceColour.a - ourColour.a, referenceColour.b - ourColour.b),
                 part = rung <= Rung::Contrast ? std::abs(share.light) : std::hypot(share.a, share.b);
    return whole > 0 ? std::clamp(part / whole, 0.0, 1.0) : 0;
}

bool isTakenWithAll(const LadderRow& row, const LadderRow& beforeMatch)
{
    return row.isSupported() && beforeMatch.confidence >= kSureEnough;
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
    double sum = 0;
    for (const LadderRow& r : rows)
        sum += r.isSupported() ? r.difference * r.difference : 0;
    return supported() ? std::sqrt(sum / supported()) : 0;
}

Ladder ladderOf(const Fingerprint& reference, const Fingerprint& ours, bool showsTheSame)
{
    constexpr double kLargeEnough = 800, kGoodQuality = 85, kBadQuality = 10, kSure = 0.05;
    Ladder ladder;
    ladder.confidence.size = std::clamp(std::sqrt(reference.longEdge / kLargeEnough), 0.1, 1.0);
    ladder.confidence.compression =
        std::clamp((reference.quality - kBadQuality) / (kGoodQuality - kBadQuality), 0.2, 1.0);
    addLight(ladder, reference, ours);
    constexpr Rung kCasts[] = {Rung::CastDarks, Rung::CastMiddles, Rung::CastLights};
    for (std::size_t i = 0; i < std::min({kCastZones, reference.casts.size(), ours.casts.size()}); ++i)
        ladder.rows.push_back(colourRow(kCasts[i], -1, reference.casts[i], ours.casts[i], kTolerance));
    for (std::size_t i = 0; i < std::min(reference.families.size(), ours.families.size()); ++i)
        ladder.rows.push_back(
            colourRow(Rung::Family, static_cast<int>(i), reference.families[i], ours.families[i], kFamilyTolerance));
    for (LadderRow& row : ladder.rows)
        row.confidence = ladder.confidence.size * ladder.confidence.compression *
                         std::sqrt(std::clamp(std::min(row.referenceSupport, row.ourSupport) / kSure, 0.0, 1.0));
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
        return ladderOf(reference, measuredThrough(look, asked.ours, made.members), asked.showsTheSame);
    };
    made.now = through(asked.look), made.start = through(made.membersOf);
    return made;
}

}  // namespace amber
