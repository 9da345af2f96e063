#include "core/match/fit_look.h"

#include "core/base/long_call.h"
#include "core/base/statistics.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/engine/render_plan.h"
#include "core/match/least_squares.h"

#include <algorithm>
#include <cmath>
#include <numeric>
#include <set>

namespace amber {
namespace {

constexpr double kKnots[] = {0, 0.09, 0.2, 0.34, 0.48, 0.62, 0.76, 0.88, 1};
constexpr int kCurve = static_cast<int>(std::size(kKnots)), kDyes = 4, kFamilies = 7;
constexpr double kDyeAt[kDyes] = {0.12, 0.4, 0.68, 0.95};

/// All parameters of the model, near 0 where nothing happens, and of like size.
enum Block { Curve, Tint, Mix, Families, Blocks };
constexpr int kSizes[Blocks] = {3 * kCurve + 1, 2 * kDyes, 8, 3 * kFamilies};
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
    for (int i = 0; i < kCurve; ++i) {
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
        curve.red = points(p + kCurve);
        curve.blue = points(p + 2 * kCurve);
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
    for (std::size_t i = 0; i < std::min<std::size_t>(kFamilies, hues.families.size()); ++i)
        hues.families[i].move = {std::clamp(60 * f[3 * i], -90.0, 90.0), std::clamp(std::exp(f[3 * i + 1]), 0.0, 3.0),
                                 std::clamp(0.3 * f[3 * i + 2], -0.3, 0.3)};
    return hues;
}

SplitToning splitToningOf(const double* t)
{
    SplitToning tint;
    tint.dyes.clear();
    for (int i = 0; i < kDyes; ++i) {
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

Image row(const std::vector<LinearRgb>& colours)
{
    Image image(static_cast<int>(colours.size()), 1);
    for (std::size_t i = 0; i < colours.size(); ++i) {
        float* p = image.mutableView().data + 3 * i;
        p[0] = static_cast<float>(colours[i].r), p[1] = static_cast<float>(colours[i].g),
        p[2] = static_cast<float>(colours[i].b);
    }
    return image;
}

std::vector<LinearRgb> through(const Look& look, const Image& colours)
{
    Image out = colours;
    if (const auto plan = RenderPlan::compile(look))
        render(*plan, colours.view(), out.mutableView());
    std::vector<LinearRgb> result(static_cast<std::size_t>(out.width()));
    for (std::size_t i = 0; i < result.size(); ++i) {
        const float* p = out.view().data + 3 * i;
        result[i] = {p[0], p[1], p[2]};
    }
    return result;
}

class Fit {
public:
    Fit(const std::vector<LinearRgb>& before, const std::vector<LinearRgb>& after, const CancelToken& cancel)
        : m_from(row(before)), m_after(after), m_weights(before.size(), 1), m_cancel(cancel)
    {
        for (const LinearRgb& c : after)
            m_to.push_back(toOkLab(c));
    }

    void solve(const std::vector<int>& blocks, int iterations)
    {
        for (const int b : blocks)
            m_used[static_cast<std::size_t>(b)] = true;
        std::vector<int> which;
        for (const int b : blocks)
            for (int i = 0; i < kSizes[b]; ++i) {
                const bool perChannel = b == Curve && i >= kCurve;
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
    double mean() const
    {
        const auto d = differences();
        return std::accumulate(d.begin(), d.end(), 0.0) / static_cast<double>(d.size());
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
    const Image& from() const { return m_from; }
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
        const double hold = kHold * std::sqrt(static_cast<double>(out.size()));
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
        std::vector<double> sorted = off;
        const double scale = std::max(0.006, 3 * median(sorted));
        for (std::size_t i = 0; i < off.size(); ++i)
            m_weights[i] = 1 / std::sqrt(1 + off[i] * off[i] / (scale * scale));
    }

    Image m_from;
    std::vector<LinearRgb> m_after;
    std::vector<OkLab> m_to;
    std::vector<double> m_weights;
    std::array<double, kAll> m_all{};
    std::array<bool, Blocks> m_used{};
    bool m_channels = false;
    CancelToken m_cancel;
};

/// What is left, as a table between sRGB codes: a mean of what lies around each point, pulled to nothing by a share of
/// one colour.
Table restTable(const std::vector<LinearRgb>& fitted, const std::vector<LinearRgb>& after)
{
    constexpr int kSize = 17;
    constexpr double kReach = 0.09, kPull = 0.6;
    Table table = identityTable(kSize);
    table.title = "what the steps cannot say";
    std::vector<double> sums(static_cast<std::size_t>(kSize) * kSize * kSize * 4);
    for (std::size_t i = 0; i < fitted.size(); ++i) {
        const EncodedRgb p = encode(RgbSpace::Srgb, fitted[i]), q = encode(RgbSpace::Srgb, after[i]);
        const double at[3] = {std::clamp(p.r, 0.0, 1.0), std::clamp(p.g, 0.0, 1.0), std::clamp(p.b, 0.0, 1.0)};
        const double move[3] = {q.r - p.r, q.g - p.g, q.b - p.b};
        int low[3], high[3];
        for (int k = 0; k < 3; ++k)
            low[k] = std::max(0, static_cast<int>(std::ceil((at[k] - 2.5 * kReach) * (kSize - 1)))),
            high[k] = std::min(kSize - 1, static_cast<int>((at[k] + 2.5 * kReach) * (kSize - 1)));
        for (int b = low[2]; b <= high[2]; ++b)
            for (int g = low[1]; g <= high[1]; ++g)
                for (int r = low[0]; r <= high[0]; ++r) {
                    const double dr = r / (kSize - 1.0) - at[0], dg = g / (kSize - 1.0) - at[1],
                                 db = b / (kSize - 1.0) - at[2];
                    const double w = std::exp(-(dr * dr + dg * dg + db * db) / (2 * kReach * kReach));
                    double* s = &sums[(static_cast<std::size_t>(b) * kSize * kSize +
                                       static_cast<std::size_t>(g) * kSize + static_cast<std::size_t>(r)) *
                                      4];
                    for (int k = 0; k < 3; ++k)
                        s[k] += w * move[k];
                    s[3] += w;
                }
    }
    for (std::size_t n = 0; n < sums.size() / 4; ++n)
        for (std::size_t k = 0; k < 3; ++k)
            table.values3[3 * n + k] = std::clamp(
                table.values3[3 * n + k] + static_cast<float>(sums[4 * n + k] / (sums[4 * n + 3] + kPull)), 0.0f, 1.0f);
    return table;
}

using ColourPairs = std::pair<std::vector<LinearRgb>, std::vector<LinearRgb>>;

/// OKLab L between 5 and 95 %.
double toneSpread(const std::vector<LinearRgb>& colours)
{
    std::vector<double> tones;
    for (const LinearRgb& c : colours)
        tones.push_back(toOkLab(c).L);
    const std::vector<double> ends = quantiles(tones, std::array{0.05, 0.95});
    return ends[1] - ends[0];
}

/// What of the pairs can be told from: a channel at its end no longer tells where it came from.
Result<ColourPairs> usablePairs(const std::vector<LinearRgb>& before, const std::vector<LinearRgb>& after)
{
    constexpr std::size_t kLeast = 60;
    constexpr double kAlike = 0.03, kClipped = 0.5;
    ColourPairs pairs;
    std::size_t clipped = 0;
    for (std::size_t i = 0; i < std::min(before.size(), after.size()); ++i) {
        const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), after[i]);
        const bool isClipped = std::max({own.r, own.g, own.b}) > 0.995 || std::max({own.r, own.g, own.b}) < 0.0004;
        clipped += isClipped;
        if (!isClipped)
            pairs.first.push_back(before[i]), pairs.second.push_back(after[i]);
    }
    if (before.size() != after.size() || before.size() < kLeast)
        return fail("too few colours are seen in both pictures", {}, "at least " + std::to_string(kLeast),
                    std::to_string(std::min(before.size(), after.size())));
    if (static_cast<double>(clipped) > kClipped * static_cast<double>(before.size()) || pairs.first.size() < kLeast)
        return fail("most colours are clipped after the treatment: where they came from cannot be told", {}, {},
                    std::to_string(100 * clipped / before.size()) + " % clipped");
    if (toneSpread(pairs.first) < kAlike)
        return fail("the picture before is flat: its colours are all alike");
    if (toneSpread(pairs.second) < kAlike)
        return fail("the picture after is flat: nothing can be told from it");
    return pairs;
}

/// An even choice over tones and colours: a wall that fills the picture is one colour.
void thinOut(std::vector<LinearRgb>& from, std::vector<LinearRgb>& to)
{
    constexpr std::size_t kMost = 900;
    if (from.size() <= kMost)
        return;
    std::map<std::tuple<int, int, int>, std::vector<std::size_t>> cells;
    for (std::size_t i = 0; i < from.size(); ++i) {
        const OkLab c = toOkLab(from[i]);
        cells[{static_cast<int>(c.L * 24), static_cast<int>(std::floor(c.a * 40)),
               static_cast<int>(std::floor(c.b * 40))}]
            .push_back(i);
    }
    std::vector<LinearRgb> f, t;
    for (std::size_t turn = 0; f.size() < kMost; ++turn)
        for (const auto& [key, members] : cells)
            if (const std::size_t at = turn * 7 % members.size(); turn < members.size() && f.size() < kMost)
                f.push_back(from[members[at]]), t.push_back(to[members[at]]);
    from = std::move(f), to = std::move(t);
}

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
    fit.solve({Curve, Tint, Mix, Families}, 14);
    return tell(0.85);
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
std::vector<FitStage> stagesOf(const Fit& fit, double untouched)
{
    std::vector<FitStage> stages;
    double last = untouched;
    const auto blocks = fit.used();
    for (const int block : blocks) {
        Fit part = fit;
        for (const int later : blocks)
            if (later > block)
                part.drop(later);
        const double now = part.mean();
        stages.push_back({kTitles[block], last, now});
        last = now;
    }
    return stages;
}

Step restStep(const std::vector<LinearRgb>& out, const std::vector<LinearRgb>& to)
{
    Step step;
    step.parameters = lookupTable(restTable(out, to), "what the steps cannot say");
    return step;
}

DifferenceSummary difference(const std::vector<LinearRgb>& some, const std::vector<LinearRgb>& others)
{
    std::vector<double> all;
    for (std::size_t i = 0; i < some.size(); ++i)
        all.push_back(ciede2000(some[i], others[i]));
    return summarise(std::move(all));
}

}  // namespace

Result<FittedLook> fitLook(const std::vector<LinearRgb>& before, const std::vector<LinearRgb>& after,
                           const FitOptions& options, const std::function<void(double)>& progress,
                           const CancelToken& cancel)
{
    longCall("fitLook");
    auto pairs = usablePairs(before, after);
    if (!pairs)
        return tl::make_unexpected(pairs.error());
    auto& [from, to] = *pairs;
    thinOut(from, to);

    FittedLook result;
    result.colours = static_cast<int>(from.size());
    Fit fit(from, to, cancel);
    result.untouched = summarise(fit.differences());
    constexpr double kAlready = 0.05;
    if (result.untouched.mean < kAlready)
        return fail("before and after do not differ: there is nothing to fit");
    const auto tell = [&](double at) {
        if (progress)
            progress(at);
        return !cancel.isCancelled();
    };
    if (!solveInTurn(fit, tell))
        return fail("given up");
    dropWorthless(fit);
    result.stages = stagesOf(fit, result.untouched.mean);
    result.look = fit.look();
    std::erase_if(result.look.steps, [](const Step& s) { return isIdentity(s); });
    if (options.table)
        result.look.steps.push_back(restStep(through(result.look, fit.from()), to));
    for (Step& step : result.look.steps)
        step.note = "fitted";
    result.left = difference(through(result.look, fit.from()), to);
    if (options.table)
        result.stages.push_back(
            {"Table", result.stages.empty() ? result.untouched.mean : result.stages.back().after, result.left.mean});
    tell(1);
    return result;
}

std::vector<bool> coveredPixels(const std::vector<LinearRgb>& fitted, ImageView picture)
{
    constexpr double kCell = 0.04;
    std::set<std::tuple<int, int, int>> cells;
    const auto cell = [](const LinearRgb& c) {
        const OkLab lab = toOkLab(c);
        return std::tuple(static_cast<int>(std::floor(lab.L / kCell)), static_cast<int>(std::floor(lab.a / kCell)),
                          static_cast<int>(std::floor(lab.b / kCell)));
    };
    for (const LinearRgb& c : fitted) {
        const auto [l, a, b] = cell(c);
        for (int i = -1; i <= 1; ++i)
            for (int j = -1; j <= 1; ++j)
                for (int k = -1; k <= 1; ++k)
                    cells.insert({l + i, a + j, b + k});
    }
    std::vector<bool> covered;
    covered.reserve(static_cast<std::size_t>(picture.width) * picture.height);
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            const float* p = picture.row(y) + 3 * x;
            covered.push_back(cells.count(cell({p[0], p[1], p[2]})) > 0);
        }
    return covered;
}

double coverage(const std::vector<LinearRgb>& fitted, ImageView picture)
{
    const auto covered = coveredPixels(fitted, picture);
    return covered.empty() ? 0
                           : static_cast<double>(std::count(covered.begin(), covered.end(), true)) /
                                 static_cast<double>(covered.size());
}

}  // namespace amber
