#include "core/retouch/comparison.h"

#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"
#include "core/image/resize.h"
#include "core/image/write.h"
#include "core/retouch/grey_print.h"

#include <Eigen/Dense>
#include <algorithm>
#include <atomic>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

constexpr RgbSpace kSpace = RgbSpace::ProPhoto;
constexpr double kTop = 65535, kByte = 257;
constexpr double kSeen = 0.8;  // correlation from which on a picture is seen in another

using Codes = std::array<std::uint16_t, 3>;

std::vector<std::uint16_t> codesOf(ImageView picture)
{
    std::vector<std::uint16_t> codes(static_cast<std::size_t>(picture.width) * picture.height * 3);
    encodeToCodes(picture, kSpace, codes.data());
    return codes;
}

cv::Mat greyOf(ImageView picture, const Region& part, int width, int height)
{
    const int left = static_cast<int>(part.left), top = static_cast<int>(part.top);
    cv::Mat grey(height, width, CV_32F);
    for (int y = 0; y < height; ++y) {
        const float* in = picture.row(top + y) + std::ptrdiff_t{3} * left;
        for (int x = 0; x < width; ++x, in += 3)
            grey.at<float>(y, x) = std::cbrt(std::max(0.0f, 0.2627f * in[0] + 0.6780f * in[1] + 0.0593f * in[2]));
    }
    return grey;
}

struct Offset {
    int left = 0, top = 0;
};

/// Exactly where a part lies, near a first guess: by squares of it with much in them, of which the most agree.
std::optional<Offset> offsetNear(ImageView sent, ImageView returned, Offset guess)
{
    constexpr int kSide = 96, kAcross = 5, kReach = 24;
    std::map<std::pair<int, int>, int> votes;
    for (int i = 0; i < kAcross; ++i)
        for (int k = 0; k < kAcross; ++k) {
            const int w = std::min(kSide, returned.width), h = std::min(kSide, returned.height),
                      x = (returned.width - w) * i / (kAcross - 1), y = (returned.height - h) * k / (kAcross - 1);
            const int left = std::clamp(guess.left + x - kReach, 0, std::max(0, sent.width - w)),
                      top = std::clamp(guess.top + y - kReach, 0, std::max(0, sent.height - h)),
                      right = std::min(sent.width, guess.left + x + w + kReach),
                      bottom = std::min(sent.height, guess.top + y + h + kReach);
            if (right - left < w || bottom - top < h)
                continue;
            const auto corner = [](int a, int b) { return Region{double(a), double(b), 1, 1}; };
            const cv::Mat part = greyOf(returned, corner(x, y), w, h);
            cv::Scalar mean, deviation;
            cv::meanStdDev(part, mean, deviation);
            if (deviation[0] < 0.004)
                continue;
            cv::Mat scores;
            cv::matchTemplate(greyOf(sent, corner(left, top), right - left, bottom - top), part, scores,
                              cv::TM_CCOEFF_NORMED);
            double best = 0;
            cv::Point at;
            cv::minMaxLoc(scores, nullptr, &best, nullptr, &at);
            if (best > 0.9)
                ++votes[{left + at.x - x, top + at.y - y}];
        }
    const auto most =
        std::max_element(votes.begin(), votes.end(), [](const auto& p, const auto& q) { return p.second < q.second; });
    if (most == votes.end() || most->second < 2)
        return std::nullopt;
    return Offset{most->first.first, most->first.second};
}

/// Where it lies in what was sent.
Result<Comparison> laid(ImageView sent, ImageView returned)
{
    Comparison c;
    const GreyPlace found = placeIn(greyPrintOf(sent), greyPrintOf(returned));
    c.likeness = found.likeness, c.kept = found.place;
    if (found.likeness < kSeen)
        return fail("what came back is not seen in what was sent");
    if (sent.width == returned.width && sent.height == returned.height) {
        c.kept = {};
        return c;
    }
    const bool isSmaller = returned.width <= sent.width && returned.height <= sent.height;
    const double wide = (found.place.right - found.place.left) * sent.width;
    constexpr double kOneSize = 0.06;
    if (isSmaller && std::abs(wide / returned.width - 1) < kOneSize) {
        const Offset guess{static_cast<int>(std::lround(found.place.left * sent.width)),
                           static_cast<int>(std::lround(found.place.top * sent.height))};
        if (const auto at = offsetNear(sent, returned, guess); at && at->left >= 0 && at->top >= 0 &&
                                                               at->left + returned.width <= sent.width &&
                                                               at->top + returned.height <= sent.height) {
            c.lies = Comparison::Lies::Cut, c.left = at->left, c.top = at->top;
            const double w = sent.width, h = sent.height;
            c.kept = {c.left / w, c.top / h, (c.left + returned.width) / w, (c.top + returned.height) / h};
            return c;
        }
    }
    c.lies = Comparison::Lies::Resized;
    const double sameShape =
        (static_cast<double>(returned.width) / returned.height) / (double(sent.width) / sent.height);
    if (std::abs(sameShape - 1) < 0.01)
        c.kept = {};
    return c;
}

/// Both as they lie on each other: what came back and the part of what was sent, of one size.
struct Pair {
    Image sentPart, returnedPart;  ///< only when they had to be made
    ImageView sent, returned;
};

Pair pairOf(ImageView sent, ImageView returned, const Comparison& c)
{
    Pair pair;
    if (c.lies != Comparison::Lies::Resized) {
        pair.sent = sent;
        pair.sent.data = sent.row(c.top) + std::ptrdiff_t{3} * c.left;
        pair.sent.width = returned.width, pair.sent.height = returned.height;
        pair.returned = returned;
        return pair;
    }
    constexpr int kEdge = 700;
    ImageView part = sent;
    const int left = std::clamp(static_cast<int>(std::lround(c.kept.left * sent.width)), 0, sent.width - 1),
              top = std::clamp(static_cast<int>(std::lround(c.kept.top * sent.height)), 0, sent.height - 1);
    part.data = sent.row(top) + std::ptrdiff_t{3} * left;
    part.width = std::clamp(static_cast<int>(std::lround(c.kept.right * sent.width)) - left, 1, sent.width - left);
    part.height = std::clamp(static_cast<int>(std::lround(c.kept.bottom * sent.height)) - top, 1, sent.height - top);
    const Size size = fitted({std::min(part.width, returned.width), std::min(part.height, returned.height)}, kEdge);
    pair.sentPart = reduceByArea(part, size.width, size.height);
    pair.returnedPart = reduceByArea(returned, size.width, size.height);
    pair.sent = pair.sentPart.view(), pair.returned = pair.returnedPart.view();
    return pair;
}

/// How far codes may be apart and still be the same.
double stepOf(const Comparison& c, const PictureInfo& info)
{
    if (c.lies == Comparison::Lies::Resized)
        return 3 * kByte;
    return c.bits == 8 ? 1.5 * kByte : info.profile.space == kSpace ? 1.5 : 48;
}

std::array<double, 10> termsOf(const double (&v)[3])
{
    return {1, v[0], v[1], v[2], v[0] * v[0], v[1] * v[1], v[2] * v[2], v[0] * v[1], v[0] * v[2], v[1] * v[2]};
}

double cured(const Drift& drift, const std::array<double, 10>& terms, std::size_t channel)
{
    double sum = 0;
    for (std::size_t i = 0; i < terms.size(); ++i)
        sum += drift.cure[channel][i] * terms[i];
    return sum;
}

/// Places of both that are neither black nor blown, on an even grid.
struct Sampled {
    std::vector<std::array<double, 3>> sent, returned;  ///< codes 0..1
    std::vector<LinearRgb> sentLight, returnedLight;
    double same = 0;  ///< share of all that are within a step
};

Sampled sampled(const Pair& pair, double step)
{
    constexpr int kAcross = 240;
    constexpr double kLow = 0.02, kHigh = 0.98;
    Sampled all;
    const Size grid = fitted({pair.sent.width, pair.sent.height}, kAcross);
    // Small means, so that noise and compression count little.
    const Image sent = reduceByArea(pair.sent, grid.width, grid.height),
                returned = reduceByArea(pair.returned, grid.width, grid.height);
    const auto s = codesOf(sent.view()), r = codesOf(returned.view());
    std::size_t same = 0;
    for (std::size_t i = 0; i + 2 < s.size(); i += 3) {
        double most = 0;
        bool isInside = true;
        std::array<double, 3> from{}, to{};
        for (std::size_t k = 0; k < 3; ++k) {
            most = std::max(most, std::abs(double(s[i + k]) - r[i + k]));
            to[k] = s[i + k] / kTop, from[k] = r[i + k] / kTop;
            isInside = isInside && to[k] > kLow && to[k] < kHigh && from[k] > kLow && from[k] < kHigh;
        }
        same += most <= std::max(step, 2.0);
        if (!isInside)
            continue;
        const float *a = sent.view().data + i, *b = returned.view().data + i;
        all.sent.push_back(to), all.returned.push_back(from);
        all.sentLight.push_back({a[0], a[1], a[2]}), all.returnedLight.push_back({b[0], b[1], b[2]});
    }
    all.same = s.empty() ? 1 : 3.0 * static_cast<double>(same) / static_cast<double>(s.size());
    return all;
}

double median(std::vector<double> v)
{
    const auto at = v.begin() + static_cast<std::ptrdiff_t>(v.size() / 2);
    std::nth_element(v.begin(), at, v.end());
    return *at;
}

/// What the fit is made of: a row for each place.
struct Equations {
    Eigen::MatrixXd terms, to;
};

Equations equationsOf(const Sampled& all)
{
    const auto count = static_cast<Eigen::Index>(all.sent.size());
    Equations e{Eigen::MatrixXd(count, 10), Eigen::MatrixXd(count, 3)};
    for (Eigen::Index i = 0; i < count; ++i) {
        const auto& r = all.returned[static_cast<std::size_t>(i)];
        const double v[3] = {r[0], r[1], r[2]};
        const auto own = termsOf(v);
        for (Eigen::Index t = 0; t < 10; ++t)
            e.terms(i, t) = own[static_cast<std::size_t>(t)];
        for (Eigen::Index k = 0; k < 3; ++k)
            e.to(i, k) = all.sent[static_cast<std::size_t>(i)][static_cast<std::size_t>(k)];
    }
    return e;
}

/// The way back from what returned to what was sent, and which places agree with it.
Drift fitted(const Sampled& all, std::vector<bool>& agrees)
{
    constexpr int kRounds = 12;
    constexpr double kBiweight = 4.685, kToDeviation = 1.4826, kLeast = 0.4 / 255, kAgrees = 3;
    const auto [terms, to] = equationsOf(all);
    const Eigen::Index count = terms.rows();
    Eigen::VectorXd weights = Eigen::VectorXd::Ones(count);
    Eigen::MatrixXd solution;
    std::vector<double> off(static_cast<std::size_t>(count));
    double deviation = 1;
    for (int round = 0; round < kRounds; ++round) {
        const Eigen::MatrixXd weighted = terms.array().colwise() * weights.array();
        Eigen::MatrixXd normal = weighted.transpose() * terms;
        normal.diagonal().array() += 1e-9 * static_cast<double>(count);
        solution = normal.ldlt().solve(weighted.transpose() * to);
        const Eigen::MatrixXd left = to - terms * solution;
        for (Eigen::Index i = 0; i < count; ++i)
            off[static_cast<std::size_t>(i)] = left.row(i).norm();
        deviation = std::max(kLeast, kToDeviation * median(off));
        for (Eigen::Index i = 0; i < count; ++i) {
            const double u = off[static_cast<std::size_t>(i)] / (kBiweight * deviation);
            weights(i) = u < 1 ? (1 - u * u) * (1 - u * u) : 0;
        }
    }
    Drift drift;
    for (Eigen::Index k = 0; k < 3; ++k)
        for (Eigen::Index t = 0; t < 10; ++t)
            drift.cure[static_cast<std::size_t>(k)][static_cast<std::size_t>(t)] = solution(t, k);
    agrees.clear();
    for (const double o : off)
        agrees.push_back(o < kAgrees * deviation);
    return drift;
}

LinearRgb lightOf(const std::array<double, 3>& codes)
{
    return decode(kSpace, EncodedRgb{codes[0], codes[1], codes[2]});
}

std::optional<Drift> driftOf(const Pair& pair, double step)
{
    constexpr double kMostlySame = 0.5, kSeen = 0.15;
    constexpr std::size_t kFewest = 200;
    const Sampled all = sampled(pair, step);
    if (all.same >= kMostlySame || all.sent.size() < kFewest)
        return std::nullopt;
    std::vector<bool> agrees;
    Drift drift = fitted(all, agrees);
    double count = 0;
    for (std::size_t i = 0; i < agrees.size(); ++i)
        if (agrees[i]) {
            const double v[3] = {all.returned[i][0], all.returned[i][1], all.returned[i][2]};
            const auto terms = termsOf(v);
            drift.mean += ciede2000(all.sentLight[i], all.returnedLight[i]);
            drift.after += ciede2000(all.sentLight[i],
                                     lightOf({cured(drift, terms, 0), cured(drift, terms, 1), cured(drift, terms, 2)}));
            ++count;
        }
    drift.mean /= std::max(1.0, count), drift.after /= std::max(1.0, count);
    return drift.mean < kSeen ? std::nullopt : std::optional(drift);
}

/// Whether a pixel that came back is the one that was sent.
class Same {
public:
    Same(const Comparison& c, const PictureInfo& info, bool withCure)
        : m_step(stepOf(c, info)), m_drift(withCure && c.drift ? &*c.drift : nullptr)
    {
        if (m_drift)
            m_step = std::max(m_step, 1.5 * kByte);
    }
    bool cures() const { return m_drift != nullptr; }
    bool operator()(const std::uint16_t* sent, const std::uint16_t* returned, double (&own)[3]) const
    {
        for (int k = 0; k < 3; ++k)
            own[k] = returned[k] / kTop;
        if (m_drift) {
            const auto terms = termsOf(own);
            for (std::size_t k = 0; k < 3; ++k)
                own[k] = cured(*m_drift, terms, k);
        }
        for (int k = 0; k < 3; ++k)
            if (std::abs(own[k] * kTop - sent[k]) > m_step)
                return false;
        return true;
    }

private:
    double m_step;
    const Drift* m_drift;
};

/// Row by row: codes of both. `take(y, sent, returned)`.
template <class Take>
void eachRow(const Pair& pair, const Take& take)
{
    inParallel(pair.sent.height, [&](int y) {
        ImageView s = pair.sent, r = pair.returned;
        s.data = pair.sent.row(y), r.data = pair.returned.row(y), s.height = r.height = 1;
        const auto sent = codesOf(s), returned = codesOf(r);
        take(y, sent.data(), returned.data());
    });
}

double shareOfSame(const Pair& pair, const Same& same)
{
    std::atomic<long long> count = 0;
    eachRow(pair, [&](int, const std::uint16_t* sent, const std::uint16_t* returned) {
        long long own = 0;
        double values[3];
        for (int x = 0; x < pair.sent.width; ++x)
            own += same(sent + std::ptrdiff_t{3} * x, returned + std::ptrdiff_t{3} * x, values);
        count += own;
    });
    return static_cast<double>(count) / (static_cast<double>(pair.sent.width) * pair.sent.height);
}

}  // namespace

Result<Comparison> compareReturned(ImageView sent, const Picture& returned)
{
    longCall("compareReturned");
    auto comparison = laid(sent, returned.image.view());
    if (!comparison)
        return comparison;
    comparison->bits = returned.info.bits;
    const Pair pair = pairOf(sent, returned.image.view(), *comparison);
    comparison->drift = driftOf(pair, stepOf(*comparison, returned.info));
    comparison->touched = 1 - shareOfSame(pair, Same(*comparison, returned.info, true));
    comparison->restored = comparison->lies == Comparison::Lies::Resized ? 0
                           : comparison->drift ? shareOfSame(pair, Same(*comparison, returned.info, false))
                                               : 1 - comparison->touched;
    return comparison;
}

Image joined(ImageView sent, const Picture& returned, const Comparison& comparison, bool withCure)
{
    longCall("joined");
    const ImageView own = returned.image.view();
    Image out = returned.image;
    const Same same(comparison, returned.info, withCure);
    const bool isOnPixels = comparison.lies != Comparison::Lies::Resized;
    if (!isOnPixels && !same.cures())
        return out;
    Pair pair;
    pair.returned = own, pair.sent = isOnPixels ? pairOf(sent, own, comparison).sent : own;
    eachRow(pair, [&](int y, const std::uint16_t* sentCodes, const std::uint16_t* returnedCodes) {
        float* to = out.mutableView().row(y);
        const float* from = pair.sent.row(y);
        for (int x = 0; x < own.width; ++x, to += 3, from += 3) {
            double values[3];
            const std::ptrdiff_t at = std::ptrdiff_t{3} * x;
            if (isOnPixels && same(sentCodes + at, returnedCodes + at, values)) {
                std::copy_n(from, 3, to);
            } else if (same.cures()) {
                if (!isOnPixels)
                    same(returnedCodes + at, returnedCodes + at, values);
                const LinearRgb c = lightOf({values[0], values[1], values[2]});
                to[0] = static_cast<float>(c.r), to[1] = static_cast<float>(c.g), to[2] = static_cast<float>(c.b);
            }
        }
    });
    return out;
}

}  // namespace amber
