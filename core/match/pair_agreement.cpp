#include "core/match/pair_agreement.h"

#include "core/base/statistics.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/match/even_colours.h"
#include "core/match/treatment_model.h"

#include <algorithm>
#include <cmath>
#include <optional>

namespace amber {
namespace {

constexpr int kLeastKnown = 12;
constexpr double kKnown = 0.05;  ///< spread of a colour, of codes, up to which it counts as foretold

double stopsOf(const LinearRgb& c) { return 3 * std::log2(std::max(1e-3, toOkLab(c).L)); }

/// The common difference in light, when it is more than a slip of the hand, than what is unsure of it, and than chance.
double commonStops(std::vector<double> stops, double unsure)
{
    constexpr double kLeast = 0.06, kStandsOut = 3;
    const double middle = median(stops);
    for (double& s : stops)
        s = std::abs(s - middle);
    // Neighbouring colours err alike: a quarter of them counts.
    const double counted = std::max(1.0, static_cast<double>(stops.size()) / 4),
                 chance = kStandsOut * 1.4826 * median(stops) / std::sqrt(counted);
    return std::abs(middle) > std::max({kLeast, chance, unsure}) ? middle : 0;
}

LinearRgb times(const LinearRgb& c, double factor) { return {factor * c.r, factor * c.g, factor * c.b}; }

Agreement agreementWith(const TreatmentModel& others, const PairColours& pair)
{
    constexpr double kFar = 4, kTimesForetold = 3, kDark = 0.3, kLight = 0.97;
    const std::vector<ForetoldColour> foretold = others.foretell(pair.from);
    std::vector<std::size_t> known;
    std::vector<double> stops, unsure;
    for (std::size_t i = 0; i < foretold.size(); ++i) {
        const LinearRgb likely = decode(RgbSpace::Srgb, foretold[i].code);
        const double L = toOkLab(likely).L, own = toOkLab(pair.to[i]).L;
        if (foretold[i].variance() > kKnown * kKnown || std::min(L, own) < kDark || std::max(L, own) > kLight)
            continue;
        const double spread = std::sqrt(foretold[i].variance() / 3);
        const LinearRgb lighter = decode(
            RgbSpace::Srgb, {foretold[i].code.r + spread, foretold[i].code.g + spread, foretold[i].code.b + spread});
        known.push_back(i), stops.push_back(stopsOf(pair.to[i]) - stopsOf(likely));
        unsure.push_back(stopsOf(lighter) - stopsOf(likely));
    }
    Agreement result;
    result.known = static_cast<int>(known.size());
    if (result.known < kLeastKnown)
        return result;
    result.stops = commonStops(stops, median(unsure));
    double off = 0, spread = 0;
    for (const std::size_t i : known) {
        const LinearRgb likely = decode(RgbSpace::Srgb, foretold[i].code);
        off += ciede2000(times(pair.to[i], std::exp2(-result.stops)), likely);
        spread += 100 * std::sqrt(foretold[i].variance());
    }
    result.off = off / result.known;
    result.contradicts = result.off > std::max(kFar, kTimesForetold * spread / result.known);
    return result;
}

/// Each pair that is not left out against all others that are not.
void compare(const std::vector<PairColours>& pairs, std::vector<Agreement>& all, const CancelToken& cancel)
{
    constexpr std::size_t kLearned = 120;
    for (std::size_t p = 0; p < pairs.size() && !cancel.isCancelled(); ++p) {
        if (all[p].isLeftOut)
            continue;
        PairColours others;
        for (std::size_t q = 0; q < pairs.size(); ++q)
            if (q != p && !all[q].isLeftOut) {
                others.from.insert(others.from.end(), pairs[q].from.begin(), pairs[q].from.end());
                others.to.insert(others.to.end(), pairs[q].to.begin(), pairs[q].to.end());
            }
        thinOut(others.from, others.to, kLearned);
        if (others.from.size() >= kLeastKnown)
            all[p] = agreementWith(TreatmentModel::learn(others.from, others.to, cancel), pairs[p]);
    }
}

bool leaveWorstOut(std::vector<Agreement>& all)
{
    Agreement* worst = nullptr;
    for (Agreement& a : all)
        if (!a.isLeftOut && a.contradicts && (!worst || a.off > worst->off))
            worst = &a;
    if (worst)
        worst->isLeftOut = true;
    return worst != nullptr;
}

/// The pair that is farthest from the light of the others; of two the second, for the light of the treatment is the
/// first's.
std::optional<std::size_t> inAnotherLight(const std::vector<Agreement>& all)
{
    const bool areTwo = std::count_if(all.begin(), all.end(), [](const auto& a) { return !a.isLeftOut; }) == 2;
    std::optional<std::size_t> farthest;
    for (std::size_t p = 0; p < all.size(); ++p)
        if (!all[p].isLeftOut && all[p].stops != 0 &&
            (!farthest || areTwo || std::abs(all[p].stops) > std::abs(all[*farthest].stops)))
            farthest = p;
    return farthest;
}

}  // namespace

std::vector<Agreement> agreement(const std::vector<PairColours>& given, const CancelToken& cancel)
{
    constexpr std::size_t kHeld = 200;
    std::vector<PairColours> pairs = given;
    for (PairColours& pair : pairs)
        thinOut(pair.from, pair.to, kHeld);
    std::vector<Agreement> all(pairs.size());
    std::vector<double> settled(pairs.size(), 0);
    // Light first: what only is lighter does not contradict. A few rounds settle it, for each changes the others.
    for (std::size_t round = 0; round <= 3 * pairs.size() && pairs.size() > 1 && !cancel.isCancelled(); ++round) {
        compare(pairs, all, cancel);
        if (const auto other = inAnotherLight(all)) {
            settled[*other] += all[*other].stops;
            for (LinearRgb& c : pairs[*other].to)
                c = times(c, std::exp2(-all[*other].stops));
        } else if (std::count_if(all.begin(), all.end(), [](const auto& a) { return !a.isLeftOut; }) < 3 ||
                   !leaveWorstOut(all))
            break;
    }
    for (std::size_t p = 0; p < all.size(); ++p)
        all[p].stops = settled[p];
    return all;
}

}  // namespace amber
