#include "core/balance/group_balance.h"

#include "core/base/parallel.h"
#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"
#include "core/image/resize.h"

#include <Eigen/SparseCholesky>
#include <algorithm>
#include <cmath>
#include <mutex>
#include <numeric>
#include <set>

namespace amber {

/// Square roots of shares, blurred.
class RatioMap {
public:
    static constexpr double kBin = 0.03, kPresent = 0.01;
    static constexpr int kAcross = 90, kDown = 200;  // L/M from -1.2, S/M from -4
    RatioMap(ImageView picture, const Response& response)
    {
        std::vector<float> map(kAcross * kDown);
        for (int y = 0; y < picture.height; ++y)
            for (int x = y % 2; x < picture.width; x += 2) {
                const float* p = picture.row(y) + 3 * x;
                const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), {p[0], p[1], p[2]});
                if (std::min({own.r, own.g, own.b}) < 0.003 || std::max({own.r, own.g, own.b}) > 0.95)
                    continue;
                if (const auto ratios = coneRatios(toSceneLight(response, {p[0], p[1], p[2]}))) {
                    const int i = static_cast<int>(((*ratios)[0] + 1.2) / kBin),
                              j = static_cast<int>(((*ratios)[1] + 4) / kBin);
                    if (i >= 0 && i < kAcross && j >= 0 && j < kDown)
                        map[static_cast<std::size_t>(j) * kAcross + i] += static_cast<float>(std::cbrt(own.g));
                }
            }
        m_map.resize(map.size());
        constexpr float kKernel[5] = {0.06f, 0.24f, 0.4f, 0.24f, 0.06f};
        std::vector<float> half(map.size());
        for (int pass = 0; pass < 2; ++pass) {
            const std::vector<float>& from = pass ? half : map;
            std::vector<float>& to = pass ? m_map : half;
            for (int j = 0; j < kDown; ++j)
                for (int i = 0; i < kAcross; ++i)
                    for (int k = -2; k <= 2; ++k) {
                        const int u = pass ? i : std::clamp(i + k, 0, kAcross - 1),
                                  v = pass ? std::clamp(j + k, 0, kDown - 1) : j;
                        to[static_cast<std::size_t>(j) * kAcross + i] +=
                            kKernel[k + 2] * from[static_cast<std::size_t>(v) * kAcross + u];
                    }
        }
        const double sum = std::accumulate(m_map.begin(), m_map.end(), 0.0);
        for (std::size_t n = 0; n < m_map.size(); ++n) {
            m_map[n] = sum > 0 ? static_cast<float>(std::sqrt(m_map[n] / sum)) : 0;
            if (m_map[n] > 0.003f)
                m_used.push_back(n);
        }
    }

    /// What of this map, moved by (lm, sm), lies where `others` have nothing, as a share of the whole; and how much of
    /// that `others` would cover were it lit otherwise: moved along the line that daylight takes.
    using Presence = std::vector<int>;
    struct Foreign {
        double share = 0, coveredOtherwise = 0;
    };
    Foreign foreign(const Presence& all, double lm, double sm) const
    {
        // Of all the frames' presence this one's own is taken away.
        const auto isCovered = [&](std::size_t n, double u, double v, bool own) {
            const int at = moved(n, u, v);
            return at >= 0 && all[static_cast<std::size_t>(at)] > (own ? 1 : 0);
        };
        Foreign found;
        double weight = 1e-9;
        std::vector<std::size_t> strange;
        for (const std::size_t n : m_used) {
            weight += m_map[n] * m_map[n];
            if (!isCovered(n, lm, sm, m_map[n] > kPresent))
                strange.push_back(n), found.share += m_map[n] * m_map[n];
        }
        const auto warm = coneGains({0, 4500, 0}), cool = coneGains({0, 8000, 0});
        const double dv = (warm[2] - warm[1]) - (cool[2] - cool[1]),
                     du = ((warm[0] - warm[1]) - (cool[0] - cool[1])) / dv;
        for (double by = 0.25; by <= 1.6 && found.share > 0; by += 0.05)
            for (const double way : {-by, by}) {
                double covered = 0;
                for (const std::size_t n : strange)
                    covered += isCovered(n, lm + du * way, sm + way, false) ? m_map[n] * m_map[n] : 0;
                found.coveredOtherwise = std::max(found.coveredOtherwise, covered / found.share);
            }
        found.share /= weight;
        return found;
    }
    /// Counts this map, moved, among those that are present somewhere.
    void countIn(Presence& all, double lm, double sm) const
    {
        all.resize(m_map.size());
        std::vector<bool> seen(m_map.size());
        for (const std::size_t n : m_used)
            if (const int at = moved(n, lm, sm); at >= 0 && m_map[n] > kPresent && !seen[static_cast<std::size_t>(at)])
                seen[static_cast<std::size_t>(at)] = true, ++all[static_cast<std::size_t>(at)];
    }

    /// The shift that brings this one onto `other` best, and how well: 1 for equal distributions (Bhattacharyya).
    struct Shift {
        double lm = 0, sm = 0, likeness = 0;
    };
    Shift onto(const RatioMap& other) const
    {
        constexpr int kU = 8, kV = 34;
        std::vector<double> scores((2 * kU + 1) * (2 * kV + 1));
        for (int v = -kV; v <= kV; ++v)
            for (int u = -kU; u <= kU; ++u) {
                double& score = scores[static_cast<std::size_t>((v + kV) * (2 * kU + 1) + u + kU)];
                for (const std::size_t n : m_used) {
                    const int i = static_cast<int>(n) % kAcross + u, j = static_cast<int>(n) / kAcross + v;
                    if (i >= 0 && i < kAcross && j >= 0 && j < kDown)
                        score += m_map[n] * other.m_map[static_cast<std::size_t>(j) * kAcross + i];
                }
            }
        const auto best = static_cast<int>(std::max_element(scores.begin(), scores.end()) - scores.begin());
        const int u = best % (2 * kU + 1), v = best / (2 * kU + 1);
        const auto between = [&](int at, int limit, int step, int place) {
            if (at <= 0 || at >= limit)
                return 0.0;
            const double a = scores[static_cast<std::size_t>(place - step)],
                         b = scores[static_cast<std::size_t>(place)],
                         c = scores[static_cast<std::size_t>(place + step)];
            return a + c < 2 * b ? 0.5 * (a - c) / (a - 2 * b + c) : 0.0;
        };
        return {(u - kU + between(u, 2 * kU, 1, best)) * kBin, (v - kV + between(v, 2 * kV, 2 * kU + 1, best)) * kBin,
                scores[static_cast<std::size_t>(best)]};
    }

private:
    static int moved(std::size_t n, double u, double v)
    {
        const int i = static_cast<int>(n) % kAcross + static_cast<int>(std::lround(u / kBin)),
                  j = static_cast<int>(n) / kAcross + static_cast<int>(std::lround(v / kBin));
        return i >= 0 && i < kAcross && j >= 0 && j < kDown ? j * kAcross + i : -1;
    }
    std::vector<float> m_map;
    std::vector<std::size_t> m_used;
};

namespace {

using Vec3 = Eigen::Vector3d;  // e: log2 gain of the M cone, near enough luminance; then L and S against it

Vec3 toVec(const std::array<double, 3>& g) { return {g[1], g[0] - g[1], g[2] - g[1]}; }
Balance toBalance(const Vec3& v) { return fromConeGains({v[0] + v[1], v[0], v[0] + v[2]}); }

/// Two frames, and the difference of their gains: from - to.
struct Link {
    std::size_t from, to;
    Vec3 difference;
    double deviation;
    double residual;
    int support;
    bool keys;
};

/// What one frame says of itself.
struct Own {
    std::optional<double> stops;  ///< by the camera's settings
    Vec3 colours = Vec3::Zero();  ///< by how its colours lie against the lead's: entries 1 and 2
    double likeness = 0;
    double tone = 0;  ///< by its mean tone
};

constexpr double kSettings = 0.06, kNoDrift = 0.02, kColours = 0.12, kTone = 0.5;
constexpr std::size_t kEnoughFrames = 4;

double cauchy(double r, double deviation) { return std::log1p(r * r / (deviation * deviation)); }

double ownCost(const Own& own, const Vec3& x)
{
    double cost = own.stops ? cauchy(x[0] - *own.stops, kSettings) : cauchy(x[0] - own.tone, kTone);
    cost += cauchy(std::hypot(x[1], x[2] / 2), kNoDrift);
    const double near = kColours / std::max(0.2, own.likeness);
    return cost + (std::pow(x[1] - own.colours[1], 2) + std::pow((x[2] - own.colours[2]) / 2, 2)) / (near * near);
}

std::optional<Link> linkByKeys(const std::vector<BalanceEvidence>& frames, std::size_t p, std::size_t q)
{
    std::vector<LinearRgb> from, to;
    for (const auto& [name, colour] : frames[p].keys)
        if (const auto other = frames[q].keys.find(name); other != frames[q].keys.end())
            from.push_back(colour), to.push_back(other->second);
    if (from.empty())
        return std::nullopt;
    const BalanceFit fit = fitBalance(from, frames[p].response, to, frames[q].response);
    if (fit.support == 0)
        return std::nullopt;
    return Link{p, q, toVec(coneGains(fit.balance)), 0.05 / std::sqrt(fit.support), fit.residual, fit.support, true};
}

std::optional<Link> linkByThings(const std::vector<BalanceEvidence>& frames, std::size_t p, std::size_t q)
{
    constexpr int kLeastColours = 40;
    constexpr double kFits = 2;
    const auto registration = registerFeatures(frames[p].features, frames[q].features);
    if (!registration)
        return std::nullopt;
    const SeenTwice seen = coloursSeenTwice(frames[p].picture.view(), frames[q].picture.view(), *registration);
    const BalanceFit fit = fitBalance(seen.from, frames[p].response, seen.to, frames[q].response);
    if (fit.support < kLeastColours || fit.residual > kFits)
        return std::nullopt;
    return Link{
        p,           q,    toVec(coneGains(fit.balance)), 0.004 * (1 + fit.residual * fit.residual), fit.residual,
        fit.support, false};
}

double meanStops(ImageView picture, const Response& response)
{
    double sum = 0;
    int n = 0;
    for (int y = 0; y < picture.height; y += 4)
        for (int x = 0; x < picture.width; x += 4) {
            const float* p = picture.row(y) + 3 * x;
            const double Y = luminanceOf(toSceneLight(response, {p[0], p[1], p[2]}));
            sum += std::log2(std::max(Y, 1e-4)), ++n;
        }
    return n ? sum / n : 0;
}

/// All frames at once, starting from `x`, the frames of `fixed` held.
void settle(std::vector<Vec3>& x, const std::vector<Link>& links, const std::vector<Own>& own,
            const std::vector<bool>& fixed)
{
    const auto n = static_cast<Eigen::Index>(x.size());
    for (int round = 0; round < 12; ++round) {
        for (int k = 0; k < 3; ++k) {
            std::vector<Eigen::Triplet<double>> entries;
            Eigen::VectorXd b = Eigen::VectorXd::Zero(n);
            for (Eigen::Index i = 0; i < n; ++i) {
                const Own& o = own[static_cast<std::size_t>(i)];
                const Vec3& v = x[static_cast<std::size_t>(i)];
                const auto pull = [&](double to, double deviation, bool robust, double r) {
                    const double out = robust ? 1 + r * r / (deviation * deviation) : 1,
                                 w = 1 / (deviation * deviation) / (out * out);
                    entries.emplace_back(i, i, w), b(i) += w * to;
                };
                if (fixed[static_cast<std::size_t>(i)]) {
                    pull(v[k], 1e-4, false, 0);
                    continue;
                }
                if (k == 0)
                    o.stops ? pull(*o.stops, kSettings, true, v[0] - *o.stops)
                            : pull(o.tone, kTone, true, v[0] - o.tone);
                else {
                    const double scale = k == 2 ? 2 : 1, near = 2 * kColours / std::max(0.2, o.likeness);
                    pull(0, kNoDrift * scale, true, std::hypot(v[1], v[2] / 2) * scale);
                    pull(o.colours[k], near * scale, false, 0);
                }
            }
            for (const Link& link : links) {
                const auto i = static_cast<Eigen::Index>(link.from), j = static_cast<Eigen::Index>(link.to);
                const double r = x[link.from][k] - x[link.to][k] - link.difference[k],
                             s = link.deviation * (k == 2 ? 2 : 1), w = 1 / (s * s) / (1 + r * r / (s * s));
                entries.emplace_back(i, i, w), entries.emplace_back(j, j, w), entries.emplace_back(i, j, -w),
                    entries.emplace_back(j, i, -w);
                b(i) += w * link.difference[k], b(j) -= w * link.difference[k];
            }
            Eigen::SparseMatrix<double> a(n, n);
            a.setFromTriplets(entries.begin(), entries.end());
            const Eigen::VectorXd solved = Eigen::SimplicialLDLT<Eigen::SparseMatrix<double>>(a).solve(b);
            for (Eigen::Index i = 0; i < n; ++i)
                x[static_cast<std::size_t>(i)][k] = solved(i);
        }
    }
}

/// Shares of pixels that are clipped at white though the balanced frame would show them darker than paper.
double lostShare(ImageView picture, const Balance& balance, const Response& response)
{
    constexpr double kClipped = 0.985, kPaper = 0.85;
    long long lost = 0, all = 0;
    for (int y = 0; y < picture.height; y += 2)
        for (int x = 0; x < picture.width; x += 2, ++all) {
            const float* p = picture.row(y) + 3 * x;
            const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), {p[0], p[1], p[2]});
            if (std::max({own.r, own.g, own.b}) < kClipped)
                continue;
            const LinearRgb after = balanced(balance, response, {p[0], p[1], p[2]});
            lost += luminanceOf(after) < kPaper;
        }
    return all ? static_cast<double>(lost) / static_cast<double>(all) : 0;
}

}  // namespace

BalanceEvidence evidenceOf(ImageView picture, const CaptureFacts& capture)
{
    BalanceEvidence evidence;
    evidence.capture = capture;
    evidence.features = featuresOf(picture);
    const Size size = fitted({picture.width, picture.height}, kEvidenceEdge);
    evidence.picture = reduceByArea(picture, size.width, size.height);
    return evidence;
}

std::vector<SolvedBalance> balanceGroup(std::vector<BalanceEvidence> frames, std::size_t lead,
                                        const BalanceProgress& progress, const CancelToken& cancel)
{
    const std::size_t n = frames.size();
    constexpr std::size_t kAllPairs = 16, kNeighbours = 5, kAnchors = 24;
    std::vector<double> tones(n);
    std::vector<std::pair<std::size_t, std::size_t>> pairs;
    for (std::size_t i = 0; i < n; ++i)
        for (std::size_t j = i + 1; j < n; ++j)
            if (n <= kAllPairs || j - i <= kNeighbours || i == lead || j == lead)
                pairs.emplace_back(i, j);
    const int total = static_cast<int>(n + pairs.size());
    std::mutex mutex;
    int done = 0;
    const auto advance = [&] {
        const std::lock_guard lock(mutex);
        ++done;
        if (progress)
            progress(done, total);
    };
    inParallel(n, [&](std::size_t i) {
        if (cancel.isCancelled())
            return;
        frames[i].colours = std::make_shared<const RatioMap>(frames[i].picture.view(), frames[i].response);
        tones[i] = meanStops(frames[i].picture.view(), frames[i].response);
        advance();
    });
    std::vector<std::vector<Link>> found(pairs.size());
    inParallel(pairs.size(), [&](std::size_t k) {
        if (cancel.isCancelled())
            return;
        const auto [i, j] = pairs[k];
        if (auto link = linkByKeys(frames, i, j))
            found[k].push_back(*link);
        if (auto link = linkByThings(frames, i, j))
            found[k].push_back(*link);
        advance();
    });
    if (cancel.isCancelled())
        return {};
    std::vector<Link> links;
    for (const auto& some : found)
        links.insert(links.end(), some.begin(), some.end());

    std::vector<Own> own(n);
    for (std::size_t i = 0; i < n; ++i) {
        if (frames[i].capture.hasExposure() && frames[lead].capture.hasExposure())
            own[i].stops = frames[lead].capture.exposureStops() - frames[i].capture.exposureStops();
        own[i].tone = tones[lead] - tones[i];
        const RatioMap::Shift shift = frames[i].colours->onto(*frames[lead].colours);
        own[i].colours = {0, shift.lm, shift.sm};
        own[i].likeness = shift.likeness;
    }

    // Which frames hang together.
    std::vector<std::size_t> root(n);
    std::iota(root.begin(), root.end(), std::size_t{0});
    const auto rootOf = [&](std::size_t i) {
        while (root[i] != i)
            i = root[i];
        return i;
    };
    for (const Link& link : links)
        root[rootOf(link.from)] = rootOf(link.to);
    std::vector<Vec3> x(n, Vec3::Zero());
    std::vector<bool> fixed(n, false);
    fixed[lead] = true;
    for (std::size_t i = 0; i < n; ++i)
        if (frames[i].exposureStops || frames[i].white) {
            Balance balance = frames[i].white.value_or(Balance{});
            balance.exposureStops = frames[i].exposureStops.value_or(own[i].stops.value_or(0));
            x[i] = toVec(coneGains(balance));
            fixed[i] = frames[i].exposureStops && frames[i].white;
        }
    // Along the links from a frame that is known; each member of a loose set is tried as the one that needs no change
    // of white.
    const auto spread = [&](std::size_t from, std::vector<Vec3>& values) {
        std::set<std::size_t> known{from};
        for (bool more = true; more;) {
            more = false;
            for (const Link& link : links) {
                const bool a = known.count(link.from) > 0, b = known.count(link.to) > 0;
                if (a == b)
                    continue;
                if (a)
                    values[link.to] = values[link.from] - link.difference, known.insert(link.to);
                else
                    values[link.from] = values[link.to] + link.difference, known.insert(link.from);
                more = true;
            }
        }
        return known;
    };
    std::set<std::size_t> roots;
    for (std::size_t i = 0; i < n; ++i)
        roots.insert(rootOf(i));
    for (const std::size_t r : roots) {
        std::vector<std::size_t> members;
        for (std::size_t i = 0; i < n; ++i)
            if (rootOf(i) == r)
                members.push_back(i);
        if (rootOf(lead) == r) {
            spread(lead, x);
            continue;
        }
        double least = 1e300;
        std::vector<Vec3> best = x;
        const std::size_t every = (members.size() + kAnchors - 1) / kAnchors;
        for (std::size_t m = 0; m < members.size(); m += every) {
            const std::size_t anchor = members[m];
            std::vector<Vec3> tried = x;
            tried[anchor] = {own[anchor].stops.value_or(own[anchor].tone), 0, 0};
            spread(anchor, tried);
            double cost = 0;
            for (const std::size_t i : members)
                cost += ownCost(own[i], tried[i]);
            if (cost < least)
                least = cost, best = tried;
        }
        x = best;
    }
    settle(x, links, own, fixed);

    std::vector<SolvedBalance> result(n);
    for (std::size_t i = 0; i < n; ++i) {
        SolvedBalance& r = result[i];
        r.balance = i == lead ? Balance{} : toBalance(x[i]);
        if (frames[i].white)
            r.balance.kelvin = frames[i].white->kelvin, r.balance.tint = frames[i].white->tint;
        r.balance.exposureStops += frames[i].keyStops;
        if (frames[i].exposureStops)
            r.balance.exposureStops = *frames[i].exposureStops;
        r.residual = -1;
        const Link* firmest = nullptr;
        for (const Link& link : links)
            if ((link.from == i || link.to == i) &&
                (!firmest || (link.keys && !firmest->keys) ||
                 (link.keys == firmest->keys && link.deviation < firmest->deviation)))
                firmest = &link;
        if (firmest) {
            r.through = firmest->from == i ? firmest->to : firmest->from;
            r.support = firmest->support, r.residual = firmest->residual;
        }
        if (i == lead)
            r.ground = Ground::Lead, r.confidence = 1, r.residual = 0;
        else if (frames[i].exposureStops && frames[i].white)
            r.ground = Ground::ByHand, r.confidence = 1;
        else {
            // How far what it rests on agrees: links first, then the settings, then the colours.
            const bool linked = rootOf(i) == rootOf(lead);
            r.ground = firmest && firmest->keys ? Ground::KeyColours
                       : linked                 ? Ground::SameThings
                       : own[i].stops           ? Ground::SettingsAndColours
                                                : Ground::ColoursOnly;
            const double off = own[i].stops ? std::abs(x[i][0] - *own[i].stops) : 0.3;
            const double agrees = 1 / (1 + std::pow(off / 0.3, 2)),
                         fits = firmest ? 1 / (1 + std::pow(firmest->residual / 4, 2)) : 0.6;
            const double colours = std::hypot(x[i][1] - own[i].colours[1], (x[i][2] - own[i].colours[2]) / 2),
                         alike = own[i].likeness / (1 + std::pow(colours / 0.15, 2));
            r.confidence = linked || (firmest && firmest->keys)
                               ? fits * (0.7 + 0.3 * agrees)
                               : std::min(0.75, fits * (own[i].stops ? 0.4 + 0.5 * alike : 0.2 + 0.4 * alike) *
                                                    (0.6 + 0.4 * agrees));
        }
    }
    RatioMap::Presence present;
    for (std::size_t i = 0; i < n; ++i)
        frames[i].colours->countIn(present, x[i][1], x[i][2]);
    // Trouble. A part of the frame whose colours no other frame of the group has either lies in another light, or is
    // another thing.
    for (std::size_t i = 0; i < n; ++i) {
        SolvedBalance& r = result[i];
        const double lost =
            frames[i].inBracket ? 0 : lostShare(frames[i].picture.view(), r.balance, frames[i].response);
        if (lost > kLostLimit)
            r.trouble = Trouble::ClippedSource, r.measured = lost;
        else if (n == 1)
            r.trouble = Trouble::StandsAlone;
        else if (n >= kEnoughFrames) {
            const RatioMap::Foreign strange = frames[i].colours->foreign(present, x[i][1], x[i][2]);
            if (strange.share > kMixedLimit && strange.coveredOtherwise > 0.6)
                r.trouble = Trouble::MixedLight, r.measured = strange.share;
            else if (strange.share > kContentLimit)
                r.trouble = Trouble::OtherContent, r.measured = strange.share;
        }
        if (r.trouble != Trouble::None)
            r.confidence = std::min(r.confidence, 0.3);
    }
    return result;
}

Response responseOf(const std::vector<BalanceEvidence>& frames, const std::vector<Bracket>& brackets)
{
    std::vector<ExposedPair> pairs;
    for (const Bracket& bracket : brackets) {
        std::vector<std::size_t> order = bracket.frames;
        std::sort(order.begin(), order.end(), [&](std::size_t p, std::size_t q) {
            return frames[p].capture.exposureStops() < frames[q].capture.exposureStops();
        });
        for (std::size_t k = 1; k < order.size(); ++k) {
            const BalanceEvidence &p = frames[order[k - 1]], &q = frames[order[k]];
            if (p.picture.width() == q.picture.width() && p.picture.height() == q.picture.height())
                pairs.push_back(
                    {p.picture.view(), q.picture.view(), q.capture.exposureStops() - p.capture.exposureStops()});
        }
    }
    return recoverResponse(pairs).value_or(Response{});
}

}  // namespace amber
