#include "core/frame/response.h"

#include "core/colour/rgb_space.h"
#include "core/image/raw.h"

#include <Eigen/Dense>
#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr int kK = Response::kKnots;
constexpr double kSmooth = 6, kMidGrey = 0.18;

/// The place of a picture value among the knots: 0 at black, kK - 1 at white.
double knotOf(double picture) { return std::cbrt(std::clamp(picture, 0.0, 1.0)) * (kK - 1); }

double at(const std::array<double, kK>& log, double knot)
{
    const int i = std::clamp(static_cast<int>(knot), 0, kK - 2);
    return log[static_cast<std::size_t>(i)] +
           (knot - i) * (log[static_cast<std::size_t>(i) + 1] - log[static_cast<std::size_t>(i)]);
}

/// Below this knot light is proportional to the picture value: the logarithm has no end at black.
constexpr double kFirst = 3;

/// One tone seen at two exposures, as places between knots.
struct TwoExposures {
    double less, more, stops;
};

/// Knot and its share in one equation.
using Row = std::array<std::pair<int, double>, 4>;

struct NormalEquations {
    Eigen::MatrixXd matrix = Eigen::MatrixXd::Zero(kK, kK);
    Eigen::VectorXd right = Eigen::VectorXd::Zero(kK);

    void add(const Row& row, double value, double weight)
    {
        for (const auto& [i, u] : row)
            for (const auto& [j, v] : row)
                matrix(i, j) += weight * u * v;
        for (const auto& [i, u] : row)
            right(i) += weight * u * value;
    }
};

void collect(const ExposedPair& pair, int step, std::vector<TwoExposures>& values)
{
    constexpr double kLow = 0.003, kHigh = 0.97;
    for (int y = 0; y < pair.less.height; y += step)
        for (int x = 0; x < pair.less.width; x += step) {
            const float *p = pair.less.row(y) + 3 * x, *q = pair.more.row(y) + 3 * x;
            const LinearRgb a = apply(fromWorking(RgbSpace::Srgb), {p[0], p[1], p[2]}),
                            b = apply(fromWorking(RgbSpace::Srgb), {q[0], q[1], q[2]});
            for (const auto& [less, more] : {std::pair(a.r, b.r), std::pair(a.g, b.g), std::pair(a.b, b.b)})
                if (less > kLow && more < kHigh && more > less)
                    values.push_back({knotOf(less), knotOf(more), pair.stops});
        }
}

Eigen::VectorXd solvedKnots(const std::vector<TwoExposures>& values, const std::vector<double>& weights)
{
    NormalEquations equations;
    for (std::size_t n = 0; n < values.size(); ++n) {
        const TwoExposures& v = values[n];
        const int i = std::min(static_cast<int>(v.less), kK - 2), j = std::min(static_cast<int>(v.more), kK - 2);
        const double s = v.less - i, t = v.more - j;
        equations.add({std::pair(i, -(1 - s)), std::pair(i + 1, -s), std::pair(j, 1 - t), std::pair(j + 1, t)}, v.stops,
                      weights[n]);
    }
    const double smooth = kSmooth * static_cast<double>(values.size()) / 1000;
    for (int i = 1; i < kK - 1; ++i)
        // Of a pure power the logarithm bends as the logarithm of the knot does; only what departs from it is held
        // smooth.
        equations.add({std::pair(i - 1, 1.0), std::pair(i, -2.0), std::pair(i + 1, 1.0), std::pair(i, 0.0)},
                      i > 1 ? 3 * (std::log2(i - 1.0) - 2 * std::log2(static_cast<double>(i)) + std::log2(i + 1.0)) : 0,
                      i > 2 ? smooth : 0.01 * smooth);
    const double grey = knotOf(kMidGrey);
    const int g = static_cast<int>(grey);
    equations.add({std::pair(g, 1 - (grey - g)), std::pair(g + 1, grey - g), std::pair(g, 0.0), std::pair(g, 0.0)},
                  std::log2(kMidGrey), 1000.0 * static_cast<double>(values.size()));
    return equations.matrix.ldlt().solve(equations.right);
}

/// What moved between the frames does not fit and loses its say.
double weightOf(const TwoExposures& value, const Eigen::VectorXd& log)
{
    constexpr double kScale = 0.1;  // stops
    const auto read = [&](double knot) {
        const int i = std::min(static_cast<int>(knot), kK - 2);
        return log(i) + (knot - i) * (log(i + 1) - log(i));
    };
    const double r = (read(value.more) - read(value.less) - value.stops) / kScale;
    return 1 / (1 + r * r);
}

}  // namespace

Response::Response(const std::array<double, kK>& logLight) : m_identity(false), m_log(logLight)
{
    for (std::size_t i = 1; i < kK; ++i)
        m_log[i] = std::max(m_log[i], m_log[i - 1] + 1e-4);
}

Response baseRendering()
{
    std::array<double, kK> log{};
    for (std::size_t i = 0; i < kK; ++i)
        log[i] = std::log2(baseCurveInverse(std::pow(std::max(static_cast<double>(i), 0.25) / (kK - 1), 3)));
    return Response(log);
}

double Response::toScene(double picture) const
{
    if (m_identity)
        return picture;
    if (picture < 0)
        return -toScene(-picture);
    const double knot = knotOf(picture);
    if (knot <= kFirst) {
        const double first = kFirst / (kK - 1);
        return picture / (first * first * first) * std::exp2(at(m_log, kFirst));
    }
    if (picture <= 1)
        return std::exp2(at(m_log, knot));
    const double white = std::exp2(m_log[kK - 1]),
                 slope = (white - std::exp2(m_log[kK - 2])) / (1 - std::pow((kK - 2.0) / (kK - 1), 3));
    return white + slope * (picture - 1);
}

double Response::toPicture(double scene) const
{
    if (m_identity)
        return scene;
    if (scene < 0)
        return -toPicture(-scene);
    const double white = std::exp2(m_log[kK - 1]), first = std::exp2(at(m_log, kFirst));
    if (scene >= white) {
        const double slope = (white - std::exp2(m_log[kK - 2])) / (1 - std::pow((kK - 2.0) / (kK - 1), 3));
        return 1 + (scene - white) / slope;
    }
    if (scene <= first)
        return scene / first * std::pow(kFirst / (kK - 1), 3);
    const double log = std::log2(scene);
    const auto above = std::upper_bound(m_log.begin() + static_cast<std::ptrdiff_t>(kFirst), m_log.end(), log);
    const auto i = static_cast<std::size_t>(above - m_log.begin()) - 1;
    const double knot = static_cast<double>(i) + (log - m_log[i]) / (m_log[i + 1] - m_log[i]);
    return std::pow(knot / (kK - 1), 3);
}

Result<Response> recoverResponse(const std::vector<ExposedPair>& pairs)
{
    constexpr std::size_t kLeast = 200, kMost = 6000;
    std::vector<TwoExposures> values;
    for (const ExposedPair& pair : pairs) {
        if (pair.less.width != pair.more.width || pair.less.height != pair.more.height)
            return fail("the pictures of a pair differ in size");
        const double each = 3.0 * pair.less.width * pair.less.height * static_cast<double>(pairs.size());
        collect(pair, std::max(1, static_cast<int>(std::sqrt(each / static_cast<double>(kMost)))), values);
    }
    if (values.size() < kLeast)
        return fail("too little is seen unclipped in both exposures", {}, std::to_string(kLeast) + " values",
                    std::to_string(values.size()));
    // Iteratively reweighted.
    Eigen::VectorXd log = Eigen::VectorXd::Zero(kK);
    std::vector<double> weights(values.size(), 1);
    for (int round = 0; round < 6; ++round) {
        log = solvedKnots(values, weights);
        std::transform(values.begin(), values.end(), weights.begin(),
                       [&](const TwoExposures& value) { return weightOf(value, log); });
    }
    if (!log.allFinite())
        return fail("the exposures do not determine a response");
    std::array<double, kK> knots{};
    for (std::size_t i = 0; i < kK; ++i)
        knots[i] = log(static_cast<Eigen::Index>(i));
    return Response(knots);
}

}  // namespace amber
