#include "core/match/step_fit.h"

#include "core/base/statistics.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/match/least_squares.h"
#include "core/match/through_look.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numeric>

namespace amber {
namespace {

constexpr double kKnots[] = {0, 0.09, 0.2, 0.34, 0.48, 0.62, 0.76, 0.88, 1};
constexpr int kCurveNumbers = static_cast<int>(std::size(kKnots)), kDyeNumbers = 4, kFamilyNumbers = 7;
constexpr double kDyeAt[kDyeNumbers] = {0.12, 0.4, 0.68, 0.95};

/// All parameters of the model, near 0 where nothing happens, and of like size.
enum Block { Curve, Tint, Mix, Families, Blocks };
constexpr int kSizes[Blocks] = {3 * kCurveNumbers + 1, 2 * kDyeNumbers, 8, 3 * kFamilyNumbers};
constexpr int offsetOf(int block)
{
    int at = 0;
    for (int b = 0; b < block; ++b)
        at += kSizes[b];
    return at;
}
constexpr int kAll = offsetOf(Blocks);
const char* const kTitles[Blocks] = {"Tone curve", "Split toning", "Primaries and chroma", "Hue shifts"};

ToneCurve::Points points(const double* p)
{
    ToneCurve::Points all;
    for (int i = 0; i < kCurveNumbers; ++i) {
        const double y = kKnots[i] + p[i];
        all.push_back({kKnots[i], i == 0 ? std::clamp(y, -0.3, 0.6) : std::clamp(y, all.back().y + kCurveGap, 1.5)});
    }
    return all;
}

ToneCurve curveOf(const double* p, bool lightnessOnly)
{
    ToneCurve curve;
    curve.mode = lightnessOnly ? ToneCurve::Mode::LightnessOnly : ToneCurve::Mode::EveryChannel;
    curve.all = points(p);
    // Red and blue against green: what a curve per channel does beside the common one.
    if (!lightnessOnly) {
        curve.red = points(p + kCurveNumbers);
        curve.blue = points(p + 2 * kCurveNumbers);
    }
    return curve;
}

Primaries primariesOf(const double* m)
{
    Primaries primaries;
    primaries.redTurn = std::clamp(30 * m[0], -30.0, 30.0);
    primaries.greenTurn = std::clamp(30 * m[1], -30.0, 30.0);
    primaries.blueTurn = std::clamp(30 * m[2], -30.0, 30.0);
    primaries.redPurity = std::clamp(1 + m[3], 0.6, 1.4);
    primaries.greenPurity = std::clamp(1 + m[4], 0.6, 1.4);
    primaries.bluePurity = std::clamp(1 + m[5], 0.6, 1.4);
    return primaries;
}

HueShifts hueShiftsOf(const double* f)
{
    HueShifts hues;
    for (std::size_t i = 0; i < std::min<std::size_t>(kFamilyNumbers, hues.families.size()); ++i)
        hues.families[i].move = {std::clamp(60 * f[3 * i], -90.0, 90.0), std::clamp(std::exp(f[3 * i + 1]), 0.0, 3.0),
                                 std::clamp(0.3 * f[3 * i + 2], -0.3, 0.3)};
    return hues;
}

SplitToning splitToningOf(const double* t)
{
    SplitToning tint;
    tint.dyes.clear();
    for (int i = 0; i < kDyeNumbers; ++i) {
        const OkLch lch = toOkLch(OkLab{0.5, 0.3 * t[2 * i], 0.3 * t[2 * i + 1]});
        tint.dyes.push_back({kDyeAt[i], lch.hueDegrees, std::min(lch.chroma, 0.3), 0.32, {}});
    }
    tint.tintBlack = tint.tintWhite = true;
    return tint;
}

/// What is in `used` of the blocks, as steps.
Look lookOf(const double* p, const std::array<bool, Blocks>& used, bool lightnessOnly)
{
    Look look;
    const auto add = [&](StepParameters parameters) {
        Step step;
        step.parameters = std::move(parameters);
        look.steps.push_back(std::move(step));
    };
    if (used[Curve])
        add(curveOf(p, lightnessOnly));
    if (used[Mix]) {
        const double* m = p + offsetOf(Mix);
        add(primariesOf(m));
        Chroma chroma;
        chroma.even = std::clamp(std::exp(m[6]), 0.0, 2.5), chroma.reserved = std::clamp(m[7], -1.0, 1.0);
        add(chroma);
    }
    if (used[Families])
        add(hueShiftsOf(p + offsetOf(Families)));
    if (used[Tint])
        add(splitToningOf(p + offsetOf(Tint)));
    return look;
}

class Fit {
public:
    Fit(const WeighedPairs& pairs, const CancelToken& cancel)
        : m_from(asRow(pairs.before)), m_after(pairs.after), m_given(pairs.weights), m_weights(pairs.weights),
          m_seen(pairs.seen), m_cancel(cancel)
    {
        for (const LinearRgb& c : pairs.after)
            m_to.push_back(toOkLab(c));
    }

    void solve(const std::vector<int>& blocks, int iterations)
    {
        for (const int b : blocks)
            m_used[static_cast<std::size_t>(b)] = true;
        std::vector<int> which;
        for (const int b : blocks)
            for (int i = 0; i < kSizes[b]; ++i) {
                const bool perChannel = b == Curve && i >= kCurveNumbers;
                if (b == Curve && (i == kSizes[Curve] - 1 || (perChannel && (lightnessOnly || !m_channels))))
                    continue;
                which.push_back(offsetOf(b) + i);
            }
        // Reweighted: a pair that stays far off is not one thing under one treatment.
        for (int round = 0; round < 2; ++round) {
            std::vector<double> x;
            for (const int k : which)
                x.push_back(m_all[static_cast<std::size_t>(k)]);
            LeastSquares problem;
            problem.iterations = iterations;
            problem.residuals = [&](const std::vector<double>& at) { return residuals(at, which); };
            solveLeastSquares(problem, x, m_cancel);
            for (std::size_t k = 0; k < which.size(); ++k)
                m_all[static_cast<std::size_t>(which[k])] = x[k];
            reweigh();
        }
    }

    std::vector<double> differences() const
    {
        const auto out = through(look(), m_from);
        std::vector<double> d;
        for (std::size_t i = 0; i < out.size(); ++i)
            d.push_back(ciede2000(out[i], m_after[i]));
        return d;
    }
    /// Weighted, of the colours seen and of those foretold.
    double mean() const
    {
        const auto d = differences();
        return std::inner_product(d.begin(), d.end(), m_given.begin(), 0.0) /
               std::accumulate(m_given.begin(), m_given.end(), 0.0);
    }
    /// How much say the colours foretold have, of what they were given.
    void setShare(double share)
    {
        for (std::size_t i = m_seen; i < m_given.size(); ++i)
            m_given[i] *= share / m_share;
        m_share = share;
        reweigh();
    }
    /// Of the colours seen alone.
    double seenMean() const
    {
        const auto d = differences();
        return std::accumulate(d.begin(), d.begin() + static_cast<long>(m_seen), 0.0) / static_cast<double>(m_seen);
    }
    Look look() const { return lookOf(m_all.data(), m_used, lightnessOnly); }
    void drop(int block)
    {
        m_used[static_cast<std::size_t>(block)] = false;
        std::fill_n(m_all.begin() + offsetOf(block), kSizes[block], 0.0);
    }
    void withChannels() { m_channels = true; }
    std::vector<int> used() const
    {
        std::vector<int> all;
        for (int b = 0; b < Blocks; ++b)
            if (m_used[static_cast<std::size_t>(b)])
                all.push_back(b);
        return all;
    }
    bool lightnessOnly = false;

private:
    /// Of all colours at once.
    std::vector<double> residuals(const std::vector<double>& x, const std::vector<int>& which) const
    {
        constexpr double kChroma = 1.6,
                         kHold = 0.004;  // a, b against L; a pull to nothing, for what the colours do not tell
        std::array<double, kAll> all = m_all;
        for (std::size_t k = 0; k < x.size(); ++k)
            all[static_cast<std::size_t>(which[k])] = x[k];
        const std::vector<LinearRgb> out = through(lookOf(all.data(), m_used, lightnessOnly), m_from);
        std::vector<double> r;
        r.reserve(3 * out.size() + x.size());
        for (std::size_t i = 0; i < out.size(); ++i) {
            const OkLab lab = toOkLab(out[i]);
            const double w = m_weights[i];
            r.push_back(w * (lab.L - m_to[i].L)), r.push_back(w * kChroma * (lab.a - m_to[i].a)),
                r.push_back(w * kChroma * (lab.b - m_to[i].b));
        }
        const double hold = kHold * std::sqrt(std::accumulate(m_given.begin(), m_given.end(), 0.0));
        for (const double v : x)
            r.push_back(hold * v);
        return r;
    }

    void reweigh()
    {
        const auto out = through(look(), m_from);
        std::vector<double> off;
        for (std::size_t i = 0; i < out.size(); ++i) {
            const OkLab lab = toOkLab(out[i]);
            off.push_back(std::hypot(lab.L - m_to[i].L, lab.a - m_to[i].a, lab.b - m_to[i].b));
        }
        std::vector<double> sorted(off.begin(), off.begin() + static_cast<long>(m_seen));
        const double scale = std::max(0.006, 3 * median(sorted));
        for (std::size_t i = 0; i < off.size(); ++i)
            m_weights[i] = std::sqrt(m_given[i] / (1 + off[i] * off[i] / (scale * scale)));
    }

    Image m_from;
    std::vector<LinearRgb> m_after;
    std::vector<OkLab> m_to;
    std::vector<double> m_given, m_weights;
    std::size_t m_seen;
    double m_share = 1;
    std::array<double, kAll> m_all{};
    std::array<bool, Blocks> m_used{};
    bool m_channels = false;
    CancelToken m_cancel;
};

/// Light first, by the curve that fits better, on every channel or on lightness alone; then colour. False: given up.
bool solveInTurn(Fit& fit, const std::function<bool(double)>& tell)
{
    Fit other = fit;
    other.lightnessOnly = true;
    fit.solve({Curve}, 12), other.solve({Curve}, 12);
    if (!tell(0.15))
        return false;
    other.solve({Tint}, 8), fit.solve({Tint}, 8);
    other.solve({Curve, Tint, Mix}, 8), fit.solve({Curve, Tint, Mix}, 8);
    if (other.mean() < 0.97 * fit.mean())
        fit = other;
    if (!tell(0.4))
        return false;
    fit.solve({Families}, 10);
    if (!tell(0.55))
        return false;
    fit.withChannels();
    fit.solve({Curve, Tint, Mix, Families}, 8);
    return tell(0.7);
}

/// Steps that say what was seen far better than the model foretells are likely to be what was done, and need no telling
/// of what they do elsewhere: the share of the foretold goes by the fourth power of what the steps leave against what
/// the model leaves.
void settleShare(Fit& fit, double modelLeaves)
{
    constexpr double kLeast = 1e-3, kPower = 4;
    Fit alone = fit;
    alone.setShare(kLeast);
    alone.solve(alone.used(), 12);
    const double share = std::clamp(std::pow(alone.seenMean() / modelLeaves, kPower), kLeast, 1.0);
    if (share < 0.5)
        fit = alone;
    fit.setShare(share);
    fit.solve(fit.used(), 12);
}

/// What each kind of step is worth is the difference without it; those worth nothing go.
void dropWorthless(Fit& fit)
{
    constexpr double kWorth = 0.02;
    const double whole = fit.mean();
    for (const int block : {Families, Mix, Tint}) {
        Fit without = fit;
        without.drop(block);
        without.solve(without.used(), 4);
        if (without.mean() - whole < kWorth * std::max(whole, 0.2))
            fit = without;
    }
}

/// What is left after each kind of step of the final fit.
std::vector<FitStage> stagesOf(const Fit& fit, const WeighedPairs& pairs, double untouched)
{
    std::vector<FitStage> stages;
    const auto ofKept = [&](const Look& look) {
        if (pairs.keptBefore.empty())
            return -1.0;
        const std::vector<LinearRgb> made = through(look, pairs.keptBefore);
        double sum = 0;
        for (std::size_t i = 0; i < made.size(); ++i)
            sum += ciede2000(made[i], pairs.keptAfter[i]);
        return sum / static_cast<double>(made.size());
    };
    double last = untouched, lastOfKept = ofKept({});
    const auto blocks = fit.used();
    for (const int block : blocks) {
        Fit part = fit;
        for (const int later : blocks)
            if (later > block)
                part.drop(later);
        const double now = part.seenMean();
        const double nowOfKept = ofKept(part.look());
        stages.push_back({kTitles[block], last, now, lastOfKept, nowOfKept});
        last = now, lastOfKept = nowOfKept;
    }
    return stages;
}

}  // namespace

Result<SteppedLook> fitSteps(const WeighedPairs& pairs, const std::function<bool(double)>& tell,
                             const CancelToken& cancel)
{
    constexpr double kFirst = 0.1;
    Fit fit(pairs, cancel);
    fit.setShare(kFirst);
    const double untouched = fit.seenMean();
    if (!solveInTurn(fit, tell))
        return fail("given up");
    settleShare(fit, std::max(pairs.modelLeaves, 1e-3));
    if (!tell(0.9))
        return fail("given up");
    dropWorthless(fit);
    SteppedLook result{fit.look(), stagesOf(fit, pairs, untouched)};
    std::erase_if(result.look.steps, [](const Step& s) { return isIdentity(s); });
    return result;
}

}  // namespace amber
