#include "core/area/thing.h"

#include "core/area/box_cut.h"
#include "core/area/ways.h"
#include "core/base/long_call.h"
#include "core/base/parallel.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

/// A picture's pixels under a region of it.
cv::Rect rectOf(const Region& region, cv::Size size)
{
    const auto at = [](double share, int of) { return std::clamp(static_cast<int>(std::lround(share * of)), 0, of); };
    const int left = at(region.left, size.width), top = at(region.top, size.height);
    return {left, top, at(region.right, size.width) - left, at(region.bottom, size.height) - top};
}

double surenessOf(const BoxCut& cut, double agreement)
{
    return rising(agreement, 0.2, 0.9) * rising(cut.edge.separation, 0.1, 0.6) * rising(cut.edge.strength, 0.2, 0.8) *
           rising(cut.reach, 0.4, 0.8);
}

/// A region within a way of the seed, its share of the picture, and how well it ends there: at strong edges, and so
/// that a little farther brings little more.
struct Reached {
    double score, share, limit;
    cv::Mat mask;
};

std::vector<Reached> regionsWithin(const cv::Mat& ways, const cv::Mat& gradient, double seedShare)
{
    constexpr double kLeast = 0.003, kMost = 0.4, kMore = 1.25, kApart = 0.45;
    constexpr int kLimits = 22;
    constexpr std::size_t kTried = 4;
    std::vector<float> sorted(ways.begin<float>(), ways.end<float>());
    std::sort(sorted.begin(), sorted.end());
    const double usual = medianWhere(gradient, told(ways.size(), Told::Inside)) + CutGround::kFloor,
                 least = std::min(kMost / 2, std::max(kLeast, 1.5 * seedShare));
    const auto limitFor = [&](double share) {
        return static_cast<double>(
            sorted[std::min(sorted.size() - 1, static_cast<std::size_t>(share * static_cast<double>(sorted.size())))]);
    };
    std::vector<Reached> all, best;
    for (int i = 0; i < kLimits; ++i) {
        const double share = least * std::pow(kMost / least, static_cast<double>(i) / (kLimits - 1)),
                     limit = limitFor(share);
        const cv::Mat mask = filled(ways <= limit);
        const double onward = std::log(std::max(limitFor(kMore * share) / std::max(limit, 1e-9), 1.0001));
        all.push_back({rimStrength(gradient, usual, mask) + 0.7 * onward, share, limit, mask});
    }
    std::stable_sort(all.begin(), all.end(), [](const auto& a, const auto& b) { return a.score > b.score; });
    for (const Reached& r : all)
        if (best.size() < kTried && std::all_of(best.begin(), best.end(), [&](const Reached& b) {
                return std::abs(std::log(r.share / b.share)) > kApart;
            }))
            best.push_back(r);
    return best;
}

/// One reached region as a box, cut with what is near the stroke as known.
struct Meant {
    BoxCut cut;
    double agreement = 0, score = 0;
};

/// How far a region's extent is from what a stroke over a thing from end to end says of it; a click says nothing.
double oddExtent(const cv::Mat& mask, const cv::Mat& seed)
{
    constexpr double kUsual = 1.6, kFree = 0.35;
    const cv::Rect thing = cv::boundingRect(mask), drawn = cv::boundingRect(seed);
    if (thing.empty() || drawn.empty())
        return 0;
    const double times = std::hypot(thing.width, thing.height) / std::hypot(drawn.width, drawn.height);
    return std::max(0.0, std::abs(std::log(times / kUsual)) - kFree);
}

Meant meantBy(const CutGround& ground, const Reached& reached, const cv::Mat& ways, const cv::Mat& seed, bool isClick)
{
    constexpr int kBeside = 2, kRounds = 3;
    constexpr double kNear = 0.25, kOddExtent = 1;
    cv::Mat core;
    cv::morphologyEx(reached.mask, core, cv::MORPH_OPEN, cv::getStructuringElement(cv::MORPH_CROSS, {3, 3}), {-1, -1},
                     2);
    if (cv::countNonZero(core) == 0)
        core = reached.mask;
    cv::Rect box = cv::boundingRect(core | seed);
    box = cv::Rect(box.x - kBeside, box.y - kBeside, box.width + 2 * kBeside, box.height + 2 * kBeside) &
          cv::Rect({}, ground.lab.size());
    const TwoCuts cuts = cutTwice(ground, box, seed | (ways < kNear * reached.limit), kRounds);
    return {cuts.better, cuts.agreement,
            cuts.better.score + 0.5 * overlap(cuts.better.mask, reached.mask) + 0.3 * cuts.agreement -
                (isClick ? 0 : kOddExtent * oddExtent(cuts.better.mask, seed))};
}

}  // namespace

ThingPicture thingPictureOf(ImageView picture)
{
    longCall("thingPictureOf");
    constexpr int kSmallest = 32;
    return picture.width < kSmallest || picture.height < kSmallest ? nullptr
                                                                   : std::make_shared<const ThingGround>(picture);
}

std::vector<Proposal> proposeThing(const ThingPicture& picture, const Region& region)
{
    longCall("proposeThing");
    constexpr int kSmallest = 6, kRounds = 4;
    if (!picture)
        return {};
    const cv::Rect box = rectOf(region, picture->whole.lab.size());
    if (box.width < kSmallest || box.height < kSmallest)
        return {};
    const TwoCuts cuts = cutTwice(picture->whole, box, {}, kRounds);
    std::vector<Proposal> all;
    for (const BoxCut* cut : {&cuts.better, &cuts.other})
        all.push_back({foundMaskOf(picture->sharpened(cut->mask)), surenessOf(*cut, cuts.agreement),
                       "a box; two cuts agree in " + inHundred(cuts.agreement)});
    return all;
}

std::vector<Proposal> proposeThing(const ThingPicture& picture, const Stroke& stroke)
{
    longCall("proposeThing");
    constexpr std::size_t kOffered = 3;
    constexpr int kBand = 7;
    constexpr double kOfStroke = 0.8;  // a stroke says less of what is meant than a box
    constexpr float kColour = 0.02f;
    if (!picture || stroke.points.empty())
        return {};
    const cv::Mat seed = drawn(stroke, picture->half.lab.size());
    if (cv::countNonZero(seed) == 0)
        return {};
    const cv::Mat ways = waysFrom(seed, picture->wayColours, picture->wayGradient, kColour);
    const std::vector<Reached> reached = regionsWithin(ways, picture->wayGradient, shareOf(seed));
    std::vector<Meant> meant(reached.size());
    inParallel(reached.size(), [&](std::size_t i) {
        meant[i] = meantBy(picture->half, reached[i], ways, seed, stroke.points.size() < 2);
    });
    std::stable_sort(meant.begin(), meant.end(), [](const auto& a, const auto& b) { return a.score > b.score; });
    std::vector<Proposal> all(std::min(kOffered, meant.size()));
    inParallel(all.size(), [&](std::size_t i) {
        all[i] = {foundMaskOf(picture->sharpened(meant[i].cut.mask, kBand)),
                  kOfStroke * surenessOf(meant[i].cut, meant[i].agreement),
                  "a stroke; two cuts agree in " + inHundred(meant[i].agreement)};
    });
    return all;
}

}  // namespace amber
