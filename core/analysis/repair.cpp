#include "core/analysis/repair.h"

#include "core/colour/difference.h"
#include "core/colour/oklab.h"

#include <Eigen/Dense>
#include <algorithm>
#include <cmath>
#include <functional>

namespace amber {
namespace {

using Vector3 = Eigen::Vector3d;
/// The look with these moves: turn in units of 30 degrees, chroma factor less 1, lightness in units of 0.1.
using WithMoves = std::function<Look(const Vector3&)>;

constexpr double kTurnUnit = 30, kLightnessUnit = 0.1, kSafeSlope = 0.3;
constexpr double kLeastChroma = 0.015;  ///< of OKLCh, under which a colour has no hue worth the name

HueMove moveOf(const Vector3& m)
{
    return {std::clamp(m[0] * kTurnUnit, -180.0, 180.0), std::clamp(1 + m[1], 0.0, 3.0),
            std::clamp(m[2] * kLightnessUnit, -0.3, 0.3)};
}

Vector3 labOf(const Look& look, const LinearRgb& c)
{
    const Lab lab = toLab(evaluate(look, c));
    return {lab.l, lab.a, lab.b};
}

double farFrom(const Look& look, const Hurt& hurt)
{
    const Vector3 lab = labOf(look, hurt.colour);
    return ciede2000(Lab{lab[0], lab[1], lab[2]}, hurt.target);
}

/// The moves that bring the colour onto its target, as near as they can.
Vector3 solved(const WithMoves& with, const Hurt& hurt)
{
    constexpr int kSteps = 30;
    constexpr double kNudge = 1e-4;
    const Vector3 target(hurt.target.l, hurt.target.a, hurt.target.b);
    Vector3 moves = Vector3::Zero();
    double damping = 1e-3;
    Vector3 off = labOf(with(moves), hurt.colour) - target;
    for (int i = 0; i < kSteps && off.norm() > 0.01; ++i) {
        Eigen::Matrix3d jacobian;
        for (int k = 0; k < 3; ++k) {
            Vector3 nudged = moves;
            nudged[k] += kNudge;
            jacobian.col(k) = (labOf(with(nudged), hurt.colour) - target - off) / kNudge;
        }
        Eigen::Matrix3d normal = jacobian.transpose() * jacobian;
        normal.diagonal() *= 1 + damping;
        normal.diagonal().array() += 1e-9;
        const Vector3 tried = moves - normal.ldlt().solve(jacobian.transpose() * off);
        const Vector3 left = labOf(with(tried), hurt.colour) - target;
        if (left.allFinite() && left.norm() < off.norm())
            moves = tried, off = left, damping /= 4;
        else
            damping *= 8;
    }
    return moves;
}

/// As little of the moves as leaves the colour within its tolerance.
Vector3 takenBack(const WithMoves& with, const Hurt& hurt, const Vector3& moves)
{
    constexpr int kHalvings = 18;
    constexpr double kWithin = 0.98;  // of the tolerance: what is kept in a file is rounded
    double low = 0, high = 1;
    for (int i = 0; i < kHalvings; ++i) {
        const double middle = (low + high) / 2;
        (farFrom(with(moves * middle), hurt) <= kWithin * hurt.tolerance ? high : low) = middle;
    }
    return moves * high;
}

/// The family, and families that do nothing all round it.
std::vector<HueFamily> familiesRound(const std::string& name, double hueDegrees, double width)
{
    std::vector<HueFamily> families{{name, wrapDegrees(hueDegrees), width, {}, {}}};
    const double room = 360 - 2.2 * width;
    const int still = std::max(3, static_cast<int>(std::lround(room / 60)));
    for (int i = 0; i <= still; ++i)
        families.push_back({"Still " + std::to_string(i + 1),
                            wrapDegrees(hueDegrees + 1.1 * width + room * i / still),
                            std::clamp(room / still, 15.0, 90.0),
                            {},
                            {}});
    return families;
}

/// Round the tone and chroma of a colour.
Guard guardRound(const OkLch& c)
{
    Guard guard;
    guard.toneLow = std::clamp(c.L - 0.12, 0.0, 1.0), guard.toneHigh = std::clamp(c.L + 0.12, 0.0, 1.0);
    guard.toneFeather = 0.14;
    guard.chromaLow = std::max(0.0, c.chroma - 0.04), guard.chromaHigh = std::min(0.4, c.chroma + 0.05);
    guard.chromaFeather = 0.03;
    return guard;
}

struct Cost {
    double mean = 0, largest = 0;
};

Cost costOf(const Look& before, const Look& after, const OkLab& key, std::span<const LinearRgb> colours)
{
    constexpr double kNear = 0.5;
    const NearColours around = nearColour(key);
    Cost cost;
    std::size_t count = 0;
    for (const LinearRgb& c : colours) {
        if (weightAt(around, toOkLab(c)) >= kNear)
            continue;
        const double moved = ciede2000(evaluate(before, c), evaluate(after, c));
        cost.mean += moved, cost.largest = std::max(cost.largest, moved), ++count;
    }
    cost.mean /= static_cast<double>(std::max<std::size_t>(1, count));
    return cost;
}

/// Looks for the best; what is tried is kept when it beats what there is.
class Search {
public:
    Search(const Look& look, const Hurt& hurt, std::span<const LinearRgb> colours)
        : m_look(look), m_hurt(hurt), m_colours(colours), m_before(farFrom(look, hurt))
    {
    }

    void tryNewStep(std::size_t at)
    {
        const OkLch here = enteringAt(at);
        for (const double width : kWidths)
            for (const bool isGuarded : {true, false}) {
                Step step;
                step.note = "Brings " + m_hurt.name + " back";
                if (isGuarded)
                    step.guard = guardRound(here);
                HueShifts shifts;
                shifts.families = familiesRound(m_hurt.name, here.hueDegrees, width);
                step.parameters = shifts;
                Look with = m_look;
                with.steps.insert(with.steps.begin() + static_cast<std::ptrdiff_t>(at), step);
                consider(with, at, 0, true);
            }
    }
    void tryFamilyIn(std::size_t at)
    {
        const OkLch here = enteringAt(at);
        const auto& shifts = std::get<HueShifts>(m_look.steps[at].parameters);
        for (const double width : kWidths) {
            if (shifts.families.size() >= kFamilyLimit)
                return;
            Look with = m_look;
            auto& changed = std::get<HueShifts>(with.steps[at].parameters);
            changed.families.push_back({m_hurt.name, here.hueDegrees, width, moveAtHue(shifts, here.hueDegrees), {}});
            consider(with, at, changed.families.size() - 1, false);
        }
    }
    std::optional<Repair> best() const { return m_best; }

private:
    static constexpr double kWidths[] = {18, 26, 36, 50, 72, 100};

    OkLch enteringAt(std::size_t at) const { return toOkLch(toOkLab(evaluate(m_look, m_hurt.colour, at))); }
    void consider(const Look& start, std::size_t at, std::size_t family, bool isNew)
    {
        const HueMove first = std::get<HueShifts>(start.steps[at].parameters).families[family].move;
        const WithMoves with = [&](const Vector3& moves) {
            Look look = start;
            HueMove& move = std::get<HueShifts>(look.steps[at].parameters).families[family].move;
            const HueMove add = moveOf(moves);
            move = {std::clamp(first.turnDegrees + add.turnDegrees, -180.0, 180.0),
                    std::clamp(first.chroma * add.chroma, 0.0, 3.0),
                    std::clamp(first.lightness + add.lightness, -0.3, 0.3)};
            return look;
        };
        const Vector3 moves = takenBack(with, m_hurt, solved(with, m_hurt));
        Look look = with(moves);
        HueMove& move = std::get<HueShifts>(look.steps[at].parameters).families[family].move;
        move = {std::round(move.turnDegrees * 100) / 100, std::round(move.chroma * 1000) / 1000,
                std::round(move.lightness * 1e4) / 1e4};
        const double after = farFrom(look, m_hurt);
        const double slope = tearMeter(std::get<HueShifts>(look.steps[at].parameters)).smallestHueSlope,
                     was = isNew ? 1 : tearMeter(std::get<HueShifts>(m_look.steps[at].parameters)).smallestHueSlope;
        if (after > m_hurt.tolerance || slope < std::min(kSafeSlope, was))
            return;
        const Cost cost = costOf(m_look, look, toOkLab(m_hurt.colour), m_colours);
        if (!m_best || cost.mean < m_best->meanElsewhere)
            m_best = Repair{std::move(look), at, isNew, m_before, after, cost.mean, cost.largest};
    }

    const Look& m_look;
    const Hurt& m_hurt;
    std::span<const LinearRgb> m_colours;
    double m_before;
    std::optional<Repair> m_best;
};

}  // namespace

Result<Repair> repairOf(const Look& look, const Hurt& hurt, std::span<const LinearRgb> colours)
{
    if (hurt.step >= look.steps.size())
        return fail("the look has no such step", look.name, {}, std::to_string(hurt.step + 1));
    if (const double far = farFrom(look, hurt); far <= hurt.tolerance)
        return fail(hurt.name + " is within its tolerance as it is", {}, {}, jsonText(far));
    Search search(look, hurt, colours);
    if (look.steps.size() < kStepLimit)
        search.tryNewStep(hurt.step + 1);
    for (std::size_t i = hurt.step + 1; i < look.steps.size(); ++i)
        if (std::holds_alternative<HueShifts>(look.steps[i].parameters) && look.steps[i].enabled &&
            !look.steps[i].guard.where.isBound())
            search.tryFamilyIn(i);
    if (auto best = search.best())
        return std::move(*best);
    const double chroma = toOkLch(toOkLab(evaluate(look, hurt.colour, hurt.step + 1))).chroma;
    return fail(chroma < kLeastChroma ? hurt.name + " is a neutral by then: no shift of hues brings it back"
                                      : "no shift of hues brings " + hurt.name + " back within its tolerance");
}

}  // namespace amber
