#include "core/balance/group_solver.h"

#include <ceres/ceres.h>
#include <cmath>
#include <numeric>
#include <set>

namespace amber {
namespace {

constexpr double kSettings = 0.06, kNoDrift = 0.02, kColours = 0.12, kTone = 0.5;
constexpr std::size_t kAnchors = 24;

double cauchy(double r, double deviation) { return std::log1p(r * r / (deviation * deviation)); }

/// How far the colours of a frame may lie from where they are expected: the less alike, the further.
double coloursDeviation(const FrameHints& hints) { return kColours / std::max(0.2, hints.likeness); }

double ownCost(const FrameHints& own, const GainVector& x)
{
    double cost = own.stops ? cauchy(x[0] - *own.stops, kSettings) : cauchy(x[0] - own.tone, kTone);
    cost += cauchy(std::hypot(x[1], x[2] / 2), kNoDrift);
    const double near = coloursDeviation(own);
    return cost + (std::pow(x[1] - own.colours[1], 2) + std::pow((x[2] - own.colours[2]) / 2, 2)) / (near * near);
}

/// Geman and McClure: s / (1 + s).
class GemanMcClure : public ceres::LossFunction {
public:
    void Evaluate(double s, double* rho) const override
    {
        const double out = 1 / (1 + s);
        rho[0] = s * out;
        rho[1] = out * out;
        rho[2] = -2 * out * out * out;
    }
};

/// One of a frame's gains against where it is expected.
struct Pull {
    int which;
    double to, deviation;
    template <class T>
    bool operator()(const T* x, T* r) const
    {
        r[0] = (x[which] - to) / deviation;
        return true;
    }
};

/// Both colour gains against where they are expected; S moves about twice as far as L when the light changes.
struct PullColours {
    double l, s, deviation;
    template <class T>
    bool operator()(const T* x, T* r) const
    {
        r[0] = (x[1] - l) / deviation;
        r[1] = (x[2] - s) / (2 * deviation);
        return true;
    }
};

struct Join {
    int which;
    double difference, deviation;
    template <class T>
    bool operator()(const T* from, const T* to, T* r) const
    {
        r[0] = (from[which] - to[which] - difference) / deviation;
        return true;
    }
};

void addHints(ceres::Problem& problem, const FrameHints& own, double* x)
{
    if (own.isFixed) {
        problem.AddParameterBlock(x, 3);
        problem.SetParameterBlockConstant(x);
        return;
    }
    const Pull stops = own.stops ? Pull{0, *own.stops, kSettings} : Pull{0, own.tone, kTone};
    problem.AddResidualBlock(new ceres::AutoDiffCostFunction<Pull, 1, 3>(new Pull(stops)), new GemanMcClure, x);
    using Colours = ceres::AutoDiffCostFunction<PullColours, 2, 3>;
    problem.AddResidualBlock(new Colours(new PullColours{0, 0, kNoDrift}), new GemanMcClure, x);
    problem.AddResidualBlock(new Colours(new PullColours{own.colours[1], own.colours[2], 2 * coloursDeviation(own)}),
                             nullptr, x);
}

/// All frames at once, starting from `x`, those that are fixed held.
void settle(std::vector<GainVector>& x, const std::vector<FrameHints>& frames, const std::vector<FrameLink>& links)
{
    ceres::Problem problem;
    for (std::size_t i = 0; i < x.size(); ++i)
        addHints(problem, frames[i], x[i].data());
    for (const FrameLink& link : links)
        for (int k = 0; k < 3; ++k)
            problem.AddResidualBlock(new ceres::AutoDiffCostFunction<Join, 1, 3, 3>(
                                         new Join{k, link.difference[k], link.deviation * (k == 2 ? 2 : 1)}),
                                     new ceres::CauchyLoss(1), x[link.from].data(), x[link.to].data());
    ceres::Solver::Options options;
    options.linear_solver_type = ceres::SPARSE_NORMAL_CHOLESKY;
    options.logging_type = ceres::SILENT;
    options.max_num_iterations = 60;
    options.num_threads = 1;
    ceres::Solver::Summary summary;
    ceres::Solve(options, &problem, &summary);
}

/// Along the links from a frame that is known; what is held stays.
void spread(std::size_t from, const std::vector<FrameHints>& frames, const std::vector<FrameLink>& links,
            std::vector<GainVector>& values)
{
    std::set<std::size_t> known{from};
    for (bool more = true; more;) {
        more = false;
        for (const FrameLink& link : links) {
            const bool a = known.count(link.from) > 0, b = known.count(link.to) > 0;
            if (a == b)
                continue;
            const std::size_t next = a ? link.to : link.from;
            if (!frames[next].isFixed)
                values[next] =
                    a ? GainVector(values[link.from] - link.difference) : GainVector(values[link.to] + link.difference);
            known.insert(next);
            more = true;
        }
    }
}

/// The frames that hang together, set by set.
std::vector<std::vector<std::size_t>> linkedSets(std::size_t n, const std::vector<FrameLink>& links)
{
    std::vector<std::size_t> root(n);
    std::iota(root.begin(), root.end(), std::size_t{0});
    const auto rootOf = [&](std::size_t i) {
        while (root[i] != i)
            i = root[i];
        return i;
    };
    for (const FrameLink& link : links)
        root[rootOf(link.from)] = rootOf(link.to);
    std::vector<std::vector<std::size_t>> sets(n);
    for (std::size_t i = 0; i < n; ++i)
        sets[rootOf(i)].push_back(i);
    std::erase_if(sets, [](const auto& set) { return set.empty(); });
    return sets;
}

/// Each member of a loose set is tried as the one that needs no change of white.
void placeLoose(const std::vector<std::size_t>& members, const std::vector<FrameHints>& frames,
                const std::vector<FrameLink>& links, std::vector<GainVector>& x)
{
    double least = 1e300;
    std::vector<GainVector> best = x;
    const std::size_t every = (members.size() + kAnchors - 1) / kAnchors;
    for (std::size_t m = 0; m < members.size(); m += every) {
        const std::size_t anchor = members[m];
        std::vector<GainVector> tried = x;
        tried[anchor] = {frames[anchor].stops.value_or(frames[anchor].tone), 0, 0};
        spread(anchor, frames, links, tried);
        double cost = 0;
        for (const std::size_t i : members)
            cost += ownCost(frames[i], tried[i]);
        if (cost < least)
            least = cost, best = tried;
    }
    x = best;
}

}  // namespace

GainVector toGainVector(const Balance& balance)
{
    const auto g = coneGains(balance);
    return {g[1], g[0] - g[1], g[2] - g[1]};
}
Balance toBalance(const GainVector& v) { return fromConeGains({v[0] + v[1], v[0], v[0] + v[2]}); }

PlacedFrames placeFrames(const std::vector<FrameHints>& frames, const std::vector<FrameLink>& links, std::size_t lead)
{
    const std::size_t n = frames.size();
    PlacedFrames placed{std::vector<GainVector>(n, GainVector::Zero()), std::vector<bool>(n, false)};
    for (std::size_t i = 0; i < n; ++i)
        placed.gains[i] = frames[i].start.value_or(GainVector::Zero());
    for (const auto& set : linkedSets(n, links)) {
        if (std::find(set.begin(), set.end(), lead) == set.end()) {
            placeLoose(set, frames, links, placed.gains);
            continue;
        }
        spread(lead, frames, links, placed.gains);
        for (const std::size_t i : set)
            placed.isLinked[i] = true;
    }
    settle(placed.gains, frames, links);
    return placed;
}

}  // namespace amber
