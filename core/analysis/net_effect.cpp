#include "core/analysis/net_effect.h"

#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr double kOpposite = -0.5, kSmallest = 0.004, kLevelMoved = 0.005, kLevelSet = 0.01, kTintOfStep = 0.0015,
                 kTintTotal = 0.008;

std::vector<OkLab> changesOf(const Step& step, std::vector<LinearRgb>& colours)
{
    std::vector<OkLab> changes;
    for (LinearRgb& c : colours) {
        const OkLab from = toOkLab(c);
        c = evaluate(step, c);
        const OkLab to = toOkLab(c);
        changes.push_back({to.L - from.L, to.a - from.a, to.b - from.b});
    }
    return changes;
}

double product(const std::vector<OkLab>& p, const std::vector<OkLab>& q, Undoing::Aspect aspect)
{
    double sum = 0;
    for (std::size_t i = 0; i < p.size(); ++i)
        sum += aspect == Undoing::Aspect::Lightness ? p[i].L * q[i].L : p[i].a * q[i].a + p[i].b * q[i].b;
    return sum / static_cast<double>(std::max<std::size_t>(1, p.size()));
}

}  // namespace

std::vector<Undoing> findUndoing(const Look& look, const std::vector<LinearRgb>& colours)
{
    std::vector<std::vector<OkLab>> changes;
    std::vector<LinearRgb> now = colours;
    for (const Step& step : look.steps)
        changes.push_back(changesOf(step, now));
    std::vector<Undoing> found;
    for (std::size_t i = 0; i < changes.size(); ++i)
        for (std::size_t j = i + 1; j < changes.size(); ++j)
            for (const auto aspect : {Undoing::Aspect::Lightness, Undoing::Aspect::Colour}) {
                const double ii = product(changes[i], changes[i], aspect), jj = product(changes[j], changes[j], aspect),
                             ij = product(changes[i], changes[j], aspect);
                if (std::min(ii, jj) < kSmallest * kSmallest || ij / std::sqrt(ii * jj) > kOpposite)
                    continue;
                found.push_back({static_cast<int>(i), static_cast<int>(j), aspect, std::sqrt(ii), std::sqrt(jj),
                                 std::sqrt(std::max(0.0, ii + jj + 2 * ij)), ij / std::sqrt(ii * jj)});
            }
    std::stable_sort(found.begin(), found.end(), [](const Undoing& a, const Undoing& b) {
        return a.firstSize + a.secondSize - a.remains > b.firstSize + b.secondSize - b.remains;
    });
    return found;
}

std::vector<LevelMoved> levelsMoved(const LookTrace& trace)
{
    std::vector<LevelMoved> found;
    for (std::size_t level = 0; level < 3; ++level)
        for (int s = 0; s < trace.steps(); ++s) {
            const double setTo = trace.after(s).landing[level], now = trace.states.back().landing[level];
            if (std::abs(setTo - trace.before(s).landing[level]) < kLevelSet || std::abs(now - setTo) < kLevelMoved)
                continue;
            LevelMoved moved{static_cast<LevelMoved::Level>(level), s, s, setTo, now};
            double most = 0;
            for (int t = s + 1; t < trace.steps(); ++t)
                if (const double by = std::abs(trace.after(t).landing[level] - trace.before(t).landing[level]);
                    by > most)
                    most = by, moved.movedBy = t;
            found.push_back(moved);
        }
    return found;
}

std::optional<TintAddsUp> tintAddsUp(const LookTrace& trace)
{
    if (trace.states.empty())
        return std::nullopt;
    const StepState &in = trace.states.front(), &out = trace.states.back();
    const double a = out.castA - in.castA, b = out.castB - in.castB, total = std::hypot(a, b);
    if (total < kTintTotal)
        return std::nullopt;
    TintAddsUp tint{{}, total, wrapDegrees(std::atan2(b, a) * 180 / 3.14159265358979323846)};
    for (int s = 0; s < trace.steps(); ++s)
        if (((trace.after(s).castA - trace.before(s).castA) * a + (trace.after(s).castB - trace.before(s).castB) * b) /
                total >
            kTintOfStep)
            tint.steps.push_back(s);
    return tint.steps.size() >= 3 ? std::optional(tint) : std::nullopt;
}

namespace {

/// The squared distance, in OKLab, of what the steps do from what is wanted.
class Objective {
public:
    Objective(const Look& look, int first, int second, const std::vector<LinearRgb>& colours)
    {
        m_in = colours;
        for (int s = 0; s < first; ++s)
            pass(look.steps[static_cast<std::size_t>(s)], m_in);
        std::vector<LinearRgb> out = m_in;
        for (int s = first; s <= second; ++s)
            pass(look.steps[static_cast<std::size_t>(s)], out);
        for (const LinearRgb& c : out)
            m_wanted.push_back(toOkLab(c));
        m_between.assign(look.steps.begin() + first + 1, look.steps.begin() + second);
    }
    /// `early`: the step stands before those between the two, else after them.
    double of(const Step& step, bool early) const
    {
        double sum = 0;
        for (std::size_t i = 0; i < m_in.size(); ++i) {
            LinearRgb c = early ? evaluate(step, m_in[i]) : m_in[i];
            for (const Step& s : m_between)
                c = evaluate(s, c);
            const OkLab lab = toOkLab(early ? c : evaluate(step, c));
            sum += (lab.L - m_wanted[i].L) * (lab.L - m_wanted[i].L) +
                   (lab.a - m_wanted[i].a) * (lab.a - m_wanted[i].a) +
                   (lab.b - m_wanted[i].b) * (lab.b - m_wanted[i].b);
        }
        return sum;
    }

private:
    static void pass(const Step& step, std::vector<LinearRgb>& colours)
    {
        for (LinearRgb& c : colours)
            c = evaluate(step, c);
    }
    std::vector<LinearRgb> m_in;
    std::vector<OkLab> m_wanted;
    std::vector<Step> m_between;
};

struct Dial {
    std::string pointer;  ///< empty: the strength
    double step;
};

/// The numbers of a step that differ from a fresh one's in either of two steps, each with a first step for the search.
std::vector<Dial> dialsOf(const Step& step, const Step& other)
{
    Step fresh = step;
    fresh.parameters = std::visit([]<class T>(const T&) { return StepParameters(T{}); }, step.parameters);
    const Json mine = parametersOf(step).flatten(), start = parametersOf(fresh).flatten(),
               theirs = typeOf(step) == typeOf(other) ? parametersOf(other).flatten() : mine;
    std::vector<Dial> dials{{"", 0.2}};
    for (const auto& [pointer, value] : mine.items()) {
        if (!value.is_number())
            continue;
        const bool moved = !start.contains(pointer) || start[pointer] != value ||
                           (theirs.contains(pointer) && theirs[pointer] != value);
        if (moved && dials.size() < 24)
            dials.push_back({pointer, std::abs(value.get<double>()) > 10
                                          ? 8
                                          : std::max(0.04, 0.1 * std::abs(value.get<double>()))});
    }
    return dials;
}

std::optional<Step> turned(const Step& step, const Dial& dial, double by)
{
    Step result = step;
    if (dial.pointer.empty()) {
        result.strength = std::clamp(step.strength + by, 0.0, 2.0);
        return result;
    }
    Json parameters = parametersOf(step);
    const Json::json_pointer place(dial.pointer);
    parameters[place] = parameters[place].get<double>() + by;
    auto fresh = withParameters(step, parameters);
    if (!fresh)
        return std::nullopt;
    result.parameters = std::move(*fresh);
    Look check;
    check.steps.push_back(result);
    return validate(check) ? std::optional(result) : std::nullopt;
}

double search(Step& step, const Step& other, const Objective& objective, bool early)
{
    constexpr int kRounds = 40;
    constexpr double kGrow = 1.6, kShrink = 0.4;
    std::vector<Dial> dials = dialsOf(step, other);
    double best = objective.of(step, early);
    for (int round = 0; round < kRounds; ++round) {
        bool better = false;
        for (Dial& dial : dials) {
            bool moved = false;
            for (const double way : {dial.step, -dial.step})
                if (const auto tried = turned(step, dial, way)) {
                    if (const double value = objective.of(*tried, early); value < best) {
                        best = value, step = *tried, moved = better = true;
                        dial.step = way * kGrow;
                        break;
                    }
                }
            if (!moved)
                dial.step *= kShrink;
        }
        if (!better && std::all_of(dials.begin(), dials.end(), [](const Dial& d) { return std::abs(d.step) < 1e-3; }))
            break;
    }
    return best;
}

}  // namespace

Result<Joined> joinSteps(const Look& look, int first, int second, const std::vector<LinearRgb>& colours)
{
    if (first < 0 || second <= first || second >= static_cast<int>(look.steps.size()))
        return fail("no such steps to join");
    const Step &one = look.steps[static_cast<std::size_t>(first)], &two = look.steps[static_cast<std::size_t>(second)];
    if (isSpatial(one) || isSpatial(two) || colours.empty())
        return fail("steps that work by place cannot be joined");
    const Objective objective(look, first, second, colours);
    double best = 0;
    std::optional<Joined> joined;
    for (const bool early : {true, false}) {
        Step step = early ? one : two;
        const Step& other = early ? two : one;
        if (!step.enabled)
            continue;
        const double value = search(step, other, objective, early);
        if (joined && value >= best)
            continue;
        best = value;
        if (!other.note.empty() && other.note != step.note)
            step.note += step.note.empty() ? other.note : "; " + other.note;
        Joined result;
        result.look = look;
        result.step = early ? first : second - 1;
        result.look.steps[static_cast<std::size_t>(early ? first : second)] = step;
        result.look.steps.erase(result.look.steps.begin() + (early ? second : first));
        joined = std::move(result);
    }
    if (!joined)
        return fail("both steps are off");
    std::vector<double> differences;
    for (const LinearRgb& c : colours)
        differences.push_back(ciede2000(evaluate(look, c), evaluate(joined->look, c)));
    joined->residual = summarise(std::move(differences));
    return std::move(*joined);
}

std::vector<Retrim> retrims(const LookTrace& trace)
{
    constexpr double kNeutral = 0.02, kTinted = 0.012;  // OKLab chroma
    std::vector<Retrim> all;
    for (const bool marked : {true, false})
        for (std::size_t k = 0; k < trace.keys.size(); ++k) {
            const KeyColour::Kind kind = trace.keys[k].kind;
            if (trace.states.empty() || (kind == KeyColour::Kind::Marked) != marked ||
                (!marked && kind != KeyColour::Kind::Neutral))
                continue;
            const KeyState &in = trace.states.front().keys[k], &out = trace.states.back().keys[k];
            if (in.okLch.chroma > kNeutral || out.okLch.chroma - in.okLch.chroma < kTinted)
                continue;
            const LinearRgb leaves = toLinearRgb(toOkLab(out.okLch));
            Retrim r{static_cast<int>(k), out.okLch.chroma, neutralising(leaves)};
            const OkLab back = toOkLab(evaluate(r.warmth, leaves));
            if (std::hypot(back.a, back.b) < 0.5 * r.chroma)
                all.push_back(std::move(r));
        }
    return all;
}

}  // namespace amber
