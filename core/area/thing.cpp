#include "core/area/thing.h"

#include "core/area/regions.h"
#include "core/base/long_call.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>
#include <queue>
#include <tuple>

namespace amber {
namespace {

constexpr int kWidth = 500, kFineWidth = 750;

cv::Mat told(cv::Size size, Told all) { return cv::Mat(size, CV_8U, cv::Scalar(static_cast<int>(all))); }

/// A picture's pixels under a region of it.
cv::Rect rectOf(const Region& region, cv::Size size)
{
    const auto at = [](double share, int of) { return std::clamp(static_cast<int>(std::lround(share * of)), 0, of); };
    const int left = at(region.left, size.width), top = at(region.top, size.height);
    return {left, top, at(region.right, size.width) - left, at(region.bottom, size.height) - top};
}

/// How strong the gradient is along the rim of a region, against the picture's median; 1.5 at most.
double rimStrength(const cv::Mat& gradient, double usual, const cv::Mat& mask)
{
    constexpr int kFew = 8;
    constexpr double kMost = 1.5;
    cv::Mat rim = mask & ~shrunk(mask, 1), near;
    rim.row(0) = 0, rim.row(rim.rows - 1) = 0, rim.col(0) = 0, rim.col(rim.cols - 1) = 0;
    if (cv::countNonZero(rim) < kFew)
        return 0;
    cv::dilate(gradient, near, cv::Mat::ones(3, 3, CV_8U));
    near = cv::min(near / (4 * usual), kMost);
    return cv::mean(near, rim)[0];
}

/// One cut of a box: what came of it, and how well it holds.
struct BoxCut {
    cv::Mat mask;
    RegionEdge edge;
    double fill = 0, reach = 0, score = 0;
};

/// How much of the box's width and height a region takes up.
double reachOf(const cv::Mat& mask, const cv::Rect& box)
{
    if (cv::countNonZero(mask) == 0)
        return 0;
    const cv::Rect around = cv::boundingRect(mask);
    return std::min(1.0, static_cast<double>(around.width) / box.width * around.height / box.height);
}

/// A picture to be cut.
struct Ground {
    cv::Mat lab, gradient, fine;
    double usual;  ///< gradient
    explicit Ground(ImageView picture)
        : lab(okLabOf(picture, kWidth)), gradient(gradientOf(lab, 0.8)), fine(okLabOf(picture, kFineWidth)),
          usual(medianWhere(gradient, told(lab.size(), Told::Inside)) + kFloor)
    {
    }
    static constexpr double kFloor = 0.002;
};

/// `sure`: what is the thing, if that is known; else, with `knowsMiddle`, the middle of the box is.
BoxCut cutBox(const Ground& ground, const cv::Rect& box, bool knowsMiddle, const cv::Mat& sure, int rounds)
{
    constexpr double kMargin = 0.35, kEmpty = 0.2;
    const cv::Mat& lab = ground.lab;
    const int aside = static_cast<int>(kMargin * box.width) + 8, down = static_cast<int>(kMargin * box.height) + 8;
    const cv::Rect round =
        cv::Rect(box.x - aside, box.y - down, box.width + 2 * aside, box.height + 2 * down) & cv::Rect({}, lab.size());
    const cv::Rect inside = box - round.tl();
    cv::Mat start = told(round.size(), Told::Outside);
    start(inside) = static_cast<int>(Told::LikelyInside);
    if (knowsMiddle) {  // the corners are likely not the thing, the middle is
        const cv::Point middle(inside.x + inside.width / 2, inside.y + inside.height / 2);
        cv::Mat oval = cv::Mat::zeros(round.size(), CV_8U), corners = cv::Mat::zeros(round.size(), CV_8U);
        cv::ellipse(oval, middle, {inside.width / 2, inside.height / 2}, 0, 0, 360, cv::Scalar(255), -1);
        corners(inside) = 255;
        start.setTo(static_cast<int>(Told::LikelyOutside), corners & ~oval);
        if (sure.empty())
            cv::ellipse(start, middle, {std::max(2, inside.width / 6), std::max(2, inside.height / 6)}, 0, 0, 360,
                        cv::Scalar(static_cast<int>(Told::Inside)), -1);
    }
    if (!sure.empty())
        start.setTo(static_cast<int>(Told::Inside), sure(round) & (start != static_cast<int>(Told::Outside)));
    BoxCut cut;
    cut.mask = cv::Mat::zeros(lab.size(), CV_8U);
    graphCutInShade(lab(round), start, rounds).copyTo(cut.mask(round));
    cut.mask = sure.empty() ? cleaned(cut.mask) : cleanedRound(cut.mask, sure);
    cut.edge = edgeOf(lab, ground.gradient, cut.mask);
    cut.fill = shareOf(cut.mask(box));
    cut.reach = reachOf(cut.mask, box);
    cut.score = rimStrength(ground.gradient, ground.usual, cut.mask) + cut.edge.separation + 0.6 * cut.reach -
                (cut.fill < kEmpty ? 1 : 0);
    return cut;
}

/// The edge decided anew on more pixels, in a band along it.
cv::Mat sharpened(const cv::Mat& fine, const cv::Mat& mask)
{
    constexpr int kBand = 4;
    cv::Mat large;
    cv::resize(mask, large, fine.size(), 0, 0, cv::INTER_LINEAR);
    large = large > 127;
    const cv::Rect near = cv::boundingRect(grown(large, 3 * kBand));
    if (near.empty())
        return large;
    cv::Mat start = told(fine.size(), Told::Outside);
    start.setTo(static_cast<int>(Told::LikelyOutside), grown(large, kBand));
    start.setTo(static_cast<int>(Told::LikelyInside), large);
    start.setTo(static_cast<int>(Told::Inside), shrunk(large, kBand));
    cv::Mat sharp = cv::Mat::zeros(fine.size(), CV_8U);
    graphCut(fine(near), start(near), 1).copyTo(sharp(near));
    return cleaned(sharp);
}

double rising(double value, double from, double to) { return std::clamp((value - from) / (to - from), 0.0, 1.0); }

/// Both starts of one box, the better first.
struct TwoCuts {
    BoxCut better, other;
    double agreement;
};
TwoCuts cutTwice(const Ground& ground, const cv::Rect& box, const cv::Mat& sure, int rounds)
{
    BoxCut a = cutBox(ground, box, false, sure, rounds), b = cutBox(ground, box, true, sure, rounds);
    const double agreement = overlap(a.mask, b.mask);
    if (b.score > a.score)
        std::swap(a, b);
    return {std::move(a), std::move(b), agreement};
}

double surenessOf(const BoxCut& cut, double agreement)
{
    return rising(agreement, 0.2, 0.9) * rising(cut.edge.separation, 0.1, 0.6) * rising(cut.edge.strength, 0.2, 0.8) *
           rising(cut.reach, 0.4, 0.8);
}

std::string inHundred(double share) { return std::to_string(static_cast<int>(std::lround(100 * share))) + " of 100"; }

// ---- from a stroke ----

constexpr int kHalf = 2;  // ways are measured on half the pixels

/// OKLab as ways are measured in it: chroma over lightness, and half of lightness.
cv::Mat wayColours(const cv::Mat& lab)
{
    cv::Mat blurred, small;
    cv::GaussianBlur(lab, blurred, {}, 0.8);
    cv::resize(blurred, small, {lab.cols / kHalf, lab.rows / kHalf}, 0, 0, cv::INTER_AREA);
    small.forEach<cv::Vec3f>([](cv::Vec3f& c, const int*) {
        const float light = std::max(c[0], 0.12f);
        c = {c[0] * 0.5f, c[1] / light * 0.6f, c[2] / light * 0.6f};
    });
    return small;
}

/// How much gradient, and how much of another colour than the seed's, lies on the shortest way from it (E. Dijkstra,
/// 1959, to eight neighbours).
cv::Mat waysFrom(const cv::Mat& seed, const cv::Mat& lab, const cv::Mat& gradient)
{
    constexpr float kStep = 0.0006f, kColour = 0.02f;
    cv::Mat channels[3];
    cv::split(lab, channels);
    const float own[3] = {static_cast<float>(medianWhere(channels[0], seed)),
                          static_cast<float>(medianWhere(channels[1], seed)),
                          static_cast<float>(medianWhere(channels[2], seed))};
    cv::Mat cost(lab.size(), CV_32F), ways(lab.size(), CV_32F, cv::Scalar(1e9));
    for (int y = 0; y < lab.rows; ++y)
        for (int x = 0; x < lab.cols; ++x) {
            const auto& c = lab.at<cv::Vec3f>(y, x);
            cost.at<float>(y, x) =
                kStep + gradient.at<float>(y, x) +
                kColour * std::hypot(0.5f * (c[0] - own[0]), 2 * (c[1] - own[1]), 2 * (c[2] - own[2]));
        }
    using Node = std::tuple<float, int, int>;
    std::priority_queue<Node, std::vector<Node>, std::greater<>> open;
    for (int y = 0; y < lab.rows; ++y)
        for (int x = 0; x < lab.cols; ++x)
            if (seed.at<std::uint8_t>(y, x))
                ways.at<float>(y, x) = 0, open.emplace(0.0f, y, x);
    while (!open.empty()) {
        const auto [way, y, x] = open.top();
        open.pop();
        if (way > ways.at<float>(y, x))
            continue;
        for (int dy = -1; dy <= 1; ++dy)
            for (int dx = -1; dx <= 1; ++dx) {
                const int v = y + dy, u = x + dx;
                if (v < 0 || u < 0 || v >= lab.rows || u >= lab.cols)
                    continue;
                const float step =
                    0.5f * (cost.at<float>(y, x) + cost.at<float>(v, u)) * (dy != 0 && dx != 0 ? 1.4142136f : 1);
                if (way + step < ways.at<float>(v, u))
                    ways.at<float>(v, u) = way + step, open.emplace(way + step, v, u);
            }
    }
    return ways;
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
    const double usual = medianWhere(gradient, told(ways.size(), Told::Inside)) + Ground::kFloor,
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

cv::Mat drawn(const Stroke& stroke, cv::Size size)
{
    cv::Mat mask = cv::Mat::zeros(size, CV_8U);
    const int thick = std::max(1, static_cast<int>(std::lround(2 * stroke.radius * std::max(size.width, size.height))));
    const auto at = [&](const Stroke::Point& p) {
        return cv::Point(static_cast<int>(p.at.x * size.width), static_cast<int>(p.at.y * size.height));
    };
    for (std::size_t i = 0; i < stroke.points.size(); ++i)
        cv::line(mask, at(stroke.points[i]), at(stroke.points[i + 1 < stroke.points.size() ? i + 1 : i]),
                 cv::Scalar(255), thick);
    return mask;
}

/// One reached region as a box, cut with what is near the stroke as known.
struct Meant {
    BoxCut cut;
    double agreement = 0, score = 0;
};

Meant meantBy(const Ground& ground, const Reached& reached, const cv::Mat& ways, const cv::Mat& seed,
              const cv::Mat& smallSeed)
{
    constexpr int kBeside = 2, kRounds = 3;
    constexpr double kNear = 0.25;
    cv::Mat core, large, near;
    cv::morphologyEx(reached.mask, core, cv::MORPH_OPEN, cv::getStructuringElement(cv::MORPH_CROSS, {3, 3}), {-1, -1},
                     2);
    if (cv::countNonZero(core) == 0)
        core = reached.mask;
    cv::Rect box = cv::boundingRect(core | smallSeed);
    box = cv::Rect((box.x - kBeside) * kHalf, (box.y - kBeside) * kHalf, (box.width + 2 * kBeside) * kHalf,
                   (box.height + 2 * kBeside) * kHalf) &
          cv::Rect({}, ground.lab.size());
    cv::resize(reached.mask, large, ground.lab.size(), 0, 0, cv::INTER_NEAREST);
    cv::resize(ways, near, ground.lab.size(), 0, 0, cv::INTER_LINEAR);
    const TwoCuts cuts = cutTwice(ground, box, seed | (near < kNear * reached.limit), kRounds);
    return {cuts.better, cuts.agreement,
            cuts.better.score + 0.5 * overlap(cuts.better.mask, large) + 0.3 * cuts.agreement};
}

}  // namespace

std::vector<Proposal> proposeThing(ImageView picture, const Region& region)
{
    longCall("proposeThing");
    constexpr int kSmallest = 6, kRounds = 4;
    if (picture.width < 1 || picture.height < 1)
        return {};
    const Ground ground(picture);
    const cv::Rect box = rectOf(region, ground.lab.size());
    if (box.width < kSmallest || box.height < kSmallest)
        return {};
    const TwoCuts cuts = cutTwice(ground, box, {}, kRounds);
    std::vector<Proposal> all;
    for (const BoxCut* cut : {&cuts.better, &cuts.other})
        all.push_back({foundMaskOf(sharpened(ground.fine, cut->mask)), surenessOf(*cut, cuts.agreement),
                       "a box; two cuts agree in " + inHundred(cuts.agreement)});
    return all;
}

std::vector<Proposal> proposeThing(ImageView picture, const Stroke& stroke)
{
    longCall("proposeThing");
    constexpr int kSmallest = 32;
    constexpr std::size_t kOffered = 3;
    if (picture.width < kSmallest || picture.height < kSmallest || stroke.points.empty())
        return {};
    const Ground ground(picture);
    const cv::Mat seed = drawn(stroke, ground.lab.size()), colours = wayColours(ground.lab),
                  smallSeed = drawn(stroke, colours.size()), gradient = gradientOf(colours, 0.8);
    if (cv::countNonZero(smallSeed) == 0)
        return {};
    const cv::Mat ways = waysFrom(smallSeed, colours, gradient);
    std::vector<Meant> meant;
    for (const Reached& reached : regionsWithin(ways, gradient, shareOf(smallSeed)))
        meant.push_back(meantBy(ground, reached, ways, seed, smallSeed));
    std::stable_sort(meant.begin(), meant.end(), [](const auto& a, const auto& b) { return a.score > b.score; });
    std::vector<Proposal> all;
    for (std::size_t i = 0; i < std::min(kOffered, meant.size()); ++i)
        all.push_back({foundMaskOf(sharpened(ground.fine, meant[i].cut.mask)),
                       surenessOf(meant[i].cut, meant[i].agreement),
                       "a stroke; two cuts agree in " + inHundred(meant[i].agreement)});
    return all;
}

}  // namespace amber
