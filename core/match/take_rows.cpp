#include "core/base/long_call.h"
#include "core/base/phrase.h"
#include "core/colour/oklab.h"
#include "core/engine/render_plan.h"
#include "core/match/ladder.h"
#include "core/match/least_squares.h"
#include "core/match/merge_group.h"
#include "core/match/texture.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

enum class Stage { Light, Casts, Families };
Stage stageOf(Rung rung)
{
    const RungKind kind = kindOf(rung);
    return kind == RungKind::Family ? Stage::Families : kind == RungKind::Cast ? Stage::Casts : Stage::Light;
}

/// The numbers of one step that answer for some rows, and how they are put into a look.
struct Numbers {
    std::vector<double> now, low, high;
    std::function<void(Look&, const double*)> put;
};

/// The curve's points between its ends: black end, low, mid, high, white end, at these quantiles (kQuantiles) of what
/// enters it.
constexpr std::size_t kPoints = 5, kPointQuantiles[kPoints] = {1, 2, 4, 6, 7};
constexpr double kDyePositions[kCastZones] = {0.14, 0.52, 0.92}, kDyeReach = 0.42;

template <class T>
T& partOf(Look& look, std::size_t step)
{
    return std::get<T>(look.steps[step].parameters);
}

/// The step of a group that does one kind of work; made when it is missing: after the group's steps of an earlier kind,
/// before those of a later one, else at the end, but before what belongs to the paper.
template <class T>
std::size_t ownStep(Look& look, const std::string& group, T fresh)
{
    const auto order = [](const Step& step) {
        return std::holds_alternative<EdgeDarkening>(step.parameters) ? 0
               : std::holds_alternative<ToneCurve>(step.parameters)   ? 1
               : std::holds_alternative<HueShifts>(step.parameters)   ? 2
                                                                      : 3;
    };
    Step made;
    made.parameters = std::move(fresh);
    made.group = group;
    std::size_t at = beforePaper(look);
    bool found = false;
    for (std::size_t i = 0; i < look.steps.size(); ++i) {
        Step& step = look.steps[i];
        if (step.group != group)
            continue;
        if (std::holds_alternative<T>(step.parameters) && !step.guard.where.isBound()) {
            step.enabled = true;  // what is taken is meant to be seen
            return i;
        }
        if (order(step) < order(made))
            at = i + 1, found = true;
        else if (!found)
            at = i, found = true;
    }
    look.steps.insert(look.steps.begin() + static_cast<std::ptrdiff_t>(at), made);
    return at;
}

std::vector<Image> seenThrough(const Look& look, const OurPictures& pictures)
{
    std::vector<Image> out = pictures.small;
    if (const auto plan = RenderPlan::compile(look); plan && !plan->isIdentity())
        for (std::size_t i = 0; i < out.size(); ++i)
            render(*plan, pictures.small[i].view(), out[i].mutableView(), {},
                   {RenderOptions::Stage::All, 0, 0, 0, pictures.masksOf(i)});
    return out;
}

/// Tones at kPointQuantiles of what enters a step.
std::array<double, kPoints> tonesEntering(const Look& look, std::size_t step, const OurPictures& ours,
                                          const Membership& members)
{
    Look before = look;
    before.steps.resize(step);
    const Fingerprint f = measuredThrough(before, ours, members);
    std::array<double, kPoints> tones{};
    for (std::size_t i = 0; i < kPoints; ++i)
        tones[i] = f.tones[kPointQuantiles[i]].tone;
    return tones;
}

ToneCurve freshCurve(const std::array<double, kPoints>& tones)
{
    constexpr double kApart = 0.006;
    ToneCurve curve;
    curve.mode = ToneCurve::Mode::LightnessOnly;
    curve.all = {{std::min(0.0, tones[0] - kApart), std::min(0.0, tones[0] - kApart)}};
    for (const double tone : tones) {
        const double x = std::max(tone, curve.all.back().x + kApart);
        curve.all.push_back({x, x});
    }
    const double end = std::max(1.0, curve.all.back().x + kApart);
    curve.all.push_back({end, end});
    return curve;
}

/// Which points of the curve are those of the rows: as made, or, when the artist has added or removed some, those
/// nearest to the tones; missing ones are put in.
std::array<std::size_t, kPoints> pointsFor(ToneCurve& curve, const std::array<double, kPoints>& tones)
{
    std::array<std::size_t, kPoints> at{1, 2, 3, 4, 5};
    if (curve.all.size() == kPoints + 2)
        return at;
    constexpr double kNear = 0.04;
    for (std::size_t i = 0; i < kPoints; ++i) {
        const bool has = std::any_of(curve.all.begin(), curve.all.end(),
                                     [&](const CurvePoint& p) { return std::abs(p.x - tones[i]) < kNear; });
        if (has || curve.all.size() >= kCurvePointLimit)
            continue;
        const double y = MonotoneCurve(curve.all)(tones[i]);
        curve.all.insert(std::upper_bound(curve.all.begin(), curve.all.end(), tones[i],
                                          [](double x, const CurvePoint& p) { return x < p.x; }),
                         {tones[i], y});
    }
    for (std::size_t i = 0; i < kPoints; ++i)
        at[i] =
            static_cast<std::size_t>(std::min_element(curve.all.begin(), curve.all.end(),
                                                      [&](const CurvePoint& p, const CurvePoint& q) {
                                                          return std::abs(p.x - tones[i]) < std::abs(q.x - tones[i]);
                                                      }) -
                                     curve.all.begin());
    return at;
}

/// Heights of some points changed; those between keep their place between them, those outside black and white end go
/// along, bending so that nothing is cut off that was not; and nothing falls.
ToneCurve::Points moved(const ToneCurve::Points& points, const std::map<std::size_t, double>& heights,
                        std::size_t black, std::size_t white)
{
    ToneCurve::Points out = points;
    std::map<std::size_t, double> anchors = heights;
    anchors.emplace(black, points[black].y), anchors.emplace(white, points[white].y);
    for (auto next = std::next(anchors.begin()); next != anchors.end(); ++next) {
        const auto [i, yi] = *std::prev(next);
        const auto [k, yk] = *next;
        const double range = points[k].y - points[i].y;
        for (std::size_t j = i; j <= k; ++j)
            out[j].y = yi + (range > 1e-9
                                 ? (points[j].y - points[i].y) / range
                                 : static_cast<double>(j - i) / static_cast<double>(std::max<std::size_t>(1, k - i))) *
                                (yk - yi);
    }
    const double down = out[black].y - points[black].y, up = out[white].y - points[white].y;
    for (std::size_t j = 0; j < black; ++j)
        out[j].y = std::clamp(points[j].y + down, std::min(points[j].y, 0.0), out[black].y);
    for (std::size_t j = white + 1; j < points.size(); ++j)
        out[j].y = std::clamp(points[j].y + up, out[white].y, std::max({1.0, points[j].y, out[white].y}));
    for (std::size_t j = 1; j < out.size(); ++j)
        out[j].y = std::max(out[j].y, out[j - 1].y + 1e-4);
    return out;
}

std::map<std::size_t, double> heightsFor(const std::vector<std::size_t>& rows, const Ladder& ladder,
                                         const Fingerprint& reference, const ToneCurve& curve,
                                         const std::array<std::size_t, kPoints>& points)
{
    const auto target = [&](std::size_t i) { return reference.tones[kPointQuantiles[i]].tone; };
    const bool hasMid =
        std::any_of(rows.begin(), rows.end(), [&](std::size_t r) { return ladder.rows[r].rung == Rung::Mid; });
    const double shift = hasMid ? 0 : curve.all[points[2]].y - target(2);
    std::map<std::size_t, double> start;
    for (const std::size_t r : rows)
        switch (ladder.rows[r].rung) {
        case Rung::BlackEnd:
            start[points[0]] = target(0);
            break;
        case Rung::WhiteEnd:
            start[points[4]] = target(4);
            break;
        case Rung::Mid:
            start[points[2]] = target(2);
            break;
        case Rung::Contrast:
            start[points[1]] = target(1) + shift, start[points[3]] = target(3) + shift;
            break;
        default:
            break;
        }
    return start;
}

Numbers lightNumbers(Look& look, const std::vector<std::size_t>& rows, const Ladder& ladder,
                     const Fingerprint& reference, const OurPictures& ours, const Membership& members,
                     const std::string& group)
{
    const std::size_t before = look.steps.size(), step = ownStep(look, group, ToneCurve{});
    const auto tones = tonesEntering(look, step, ours, members);
    if (look.steps.size() > before)
        partOf<ToneCurve>(look, step) = freshCurve(tones);
    ToneCurve& curve = partOf<ToneCurve>(look, step);
    const auto points = pointsFor(curve, tones);
    // Where a tone should land, as far as the steps after the curve leave it there: least squares put right what they
    // do not.
    const std::map<std::size_t, double> start = heightsFor(rows, ladder, reference, curve, points);
    Numbers n;
    std::vector<std::size_t> which;
    for (const auto& [point, y] : start)
        which.push_back(point), n.now.push_back(std::clamp(y, -0.1, 1.2)), n.low.push_back(-0.2), n.high.push_back(1.3);
    n.put = [step, which, old = curve.all, points](Look& l, const double* x) {
        std::map<std::size_t, double> heights;
        for (std::size_t i = 0; i < which.size(); ++i)
            heights[which[i]] = x[i];
        partOf<ToneCurve>(l, step).all =
            moved(old, heights, std::min(points[0], points[4]), std::max(points[0], points[4]));
    };
    return n;
}

/// The corners alone: what falls across the frame asks for a role.
Numbers edgeNumbers(Look& look, const std::string& group)
{
    const std::size_t step = ownStep(look, group, EdgeDarkening{});
    Numbers n;
    n.now = {partOf<EdgeDarkening>(look, step).net}, n.low = {-3}, n.high = {1};
    n.put = [step](Look& l, const double* x) { partOf<EdgeDarkening>(l, step).net = x[0]; };
    return n;
}

SplitToning freshDyes()
{
    SplitToning fresh;
    fresh.dyes.clear();
    for (const double position : kDyePositions)
        fresh.dyes.push_back({position, 60, 0, kDyeReach, {}});
    fresh.tintBlack = fresh.tintWhite = true;
    return fresh;
}

std::size_t nearestDye(const std::vector<Dye>& dyes, double position)
{
    std::size_t dye = 0;
    for (std::size_t i = 1; i < dyes.size(); ++i)
        if (std::abs(dyes[i].position - position) < std::abs(dyes[dye].position - position))
            dye = i;
    return dye;
}

Numbers castNumbers(Look& look, const std::vector<std::size_t>& rows, const Ladder& ladder, const std::string& group)
{
    constexpr double kOtherDye = 0.25, kMost = 0.2;
    const std::size_t step = ownStep(look, group, freshDyes());
    auto& dyes = partOf<SplitToning>(look, step).dyes;
    Numbers n;
    std::vector<std::size_t> which;
    for (const std::size_t r : rows) {
        const double position =
            kDyePositions[static_cast<std::size_t>(ladder.rows[r].rung) - static_cast<std::size_t>(Rung::CastDarks)];
        std::size_t dye = nearestDye(dyes, position);
        if (dyes.empty() || std::abs(dyes[dye].position - position) > kOtherDye) {
            if (dyes.size() >= kDyeLimit)
                continue;
            dye = dyes.size();
            dyes.push_back({position, 60, 0, kDyeReach, {}});
        }
        const OkLab tint = toOkLab(OkLch{0.5, dyes[dye].chroma, dyes[dye].hueDegrees});
        which.push_back(dye);
        for (const double v : {tint.a, tint.b})
            n.now.push_back(v), n.low.push_back(-kMost), n.high.push_back(kMost);
    }
    n.put = [step, which](Look& l, const double* x) {
        for (std::size_t i = 0; i < which.size(); ++i) {
            const OkLch lch = toOkLch(OkLab{0.5, x[2 * i], x[2 * i + 1]});
            Dye& dye = partOf<SplitToning>(l, step).dyes[which[i]];
            dye.chroma = std::min(lch.chroma, 0.3);
            if (lch.chroma > 1e-9)
                dye.hueDegrees = lch.hueDegrees;
        }
    };
    return n;
}

/// Families that lie where ours do: then each owns what it is to move.
HueShifts familiesOf(const Ladder& ladder)
{
    constexpr double kNearby = 18;
    HueShifts fresh;
    for (const LadderRow& row : ladder.rows)
        if (row.rung == Rung::Family && row.isSupported()) {
            HueFamily& family = fresh.families[static_cast<std::size_t>(row.family)];
            family.centreDegrees = wrapDegrees(
                family.centreDegrees +
                std::clamp(hueDifference(family.centreDegrees, toOkLch(row.ourColour).hueDegrees), -kNearby, kNearby));
        }
    return fresh;
}

/// By name, or where it would lie.
std::vector<HueFamily>::iterator findFamily(std::vector<HueFamily>& families, const HueFamily& wanted)
{
    constexpr double kSame = 28;
    const auto found = std::find_if(families.begin(), families.end(), [&](const HueFamily& f) {
        return f.name == wanted.name && std::abs(hueDifference(f.centreDegrees, wanted.centreDegrees)) <= kSame;
    });
    return found != families.end() ? found : std::find_if(families.begin(), families.end(), [&](const HueFamily& f) {
        return std::abs(hueDifference(f.centreDegrees, wanted.centreDegrees)) <= kSame / 2;
    });
}

Numbers familyNumbers(Look& look, const std::vector<std::size_t>& rows, const Ladder& ladder, const std::string& group)
{
    constexpr double kTurn = 60, kLeast = 0.05, kMost = 2.95;
    const std::size_t step = ownStep(look, group, familiesOf(ladder));
    auto& families = partOf<HueShifts>(look, step).families;
    Numbers n;
    std::vector<std::size_t> which;
    for (const std::size_t r : rows) {
        const HueFamily wanted = HueShifts::defaultFamilies()[static_cast<std::size_t>(ladder.rows[r].family)];
        auto found = findFamily(families, wanted);
        if (found == families.end()) {
            if (families.size() >= kFamilyLimit)
                continue;
            found = families.insert(found, wanted);
        }
        const auto family = static_cast<std::size_t>(found - families.begin());
        which.push_back(family);
        // Turns in units of 60 degrees, chroma as a logarithm: like sizes.
        n.now.push_back(families[family].move.turnDegrees / kTurn), n.low.push_back(-1), n.high.push_back(1);
        n.now.push_back(std::log(std::clamp(families[family].move.chroma, kLeast, kMost))),
            n.low.push_back(std::log(kLeast)), n.high.push_back(std::log(kMost));
    }
    n.put = [step, which](Look& l, const double* x) {
        for (std::size_t i = 0; i < which.size(); ++i) {
            HueMove& move = partOf<HueShifts>(l, step).families[which[i]].move;
            move.turnDegrees = kTurn * x[2 * i], move.chroma = std::exp(x[2 * i + 1]);
        }
    };
    return n;
}

/// A row as numbers that go to zero: L*, or a and b in about the size of CIELAB.
void residualsOf(const LadderRow& row, double weight, std::vector<double>& r)
{
    constexpr double kColour = 220;
    if (stageOf(row.rung) == Stage::Light) {
        r.push_back(row.ours - row.reference);
        return;
    }
    r.push_back(weight * kColour * (row.ourColour.a - row.referenceColour.a));
    r.push_back(weight * kColour * (row.ourColour.b - row.referenceColour.b));
}

class Match {
public:
    Match(const Look& look, const OurPictures& ours, const Fingerprint& reference, const std::string& group,
          bool showsTheSame)
        : look(look), m_ours(ours), m_reference(reference), m_group(group), m_same(showsTheSame),
          m_members(membershipBefore(look, ours, group))
    {
    }
    Ladder measured(const Look& l) const
    {
        return ladderOf(m_reference, measuredThrough(l, m_ours, m_members), m_same);
    }

    void solve(const std::vector<std::size_t>& rows, const Ladder& ladder, int iterations)
    {
        const std::vector<Numbers> parts = numbersFor(rows, ladder);
        std::vector<double> x, low, high;
        for (const Numbers& n : parts) {
            x.insert(x.end(), n.now.begin(), n.now.end());
            low.insert(low.end(), n.low.begin(), n.low.end()), high.insert(high.end(), n.high.begin(), n.high.end());
        }
        const std::vector<double> start = x;
        const auto within = [&](const std::vector<double>& values, std::size_t k) {
            return std::clamp(values[k], low[k], high[k]);
        };
        const auto with = [&](std::vector<double> values) {
            Look l = look;
            for (std::size_t k = 0; k < values.size(); ++k)
                values[k] = within(values, k);
            const double* at = values.data();
            for (const Numbers& n : parts)
                n.put(l, at), at += n.now.size();
            return l;
        };
        LeastSquares problem;
        problem.iterations = iterations, problem.step = 4e-3, problem.enough = 0.01 * static_cast<double>(rows.size());
        problem.residuals = [&](const std::vector<double>& values) {
            // A slight pull to where they were, for what the rows do not tell apart; a strong one from beyond the
            // limits.
            constexpr double kHold = 0.05, kBeyond = 60, kFamilies = 0.5;
            const Ladder now = measured(with(values));
            std::vector<double> r;
            for (const std::size_t row : rows)
                residualsOf(now.rows[row], now.rows[row].rung == Rung::Family ? kFamilies : 1, r);
            for (std::size_t k = 0; k < values.size(); ++k)
                r.push_back(kHold * (values[k] - start[k])), r.push_back(kBeyond * (values[k] - within(values, k)));
            return r;
        };
        solveLeastSquares(problem, x);
        look = with(x);
    }

    /// The numbers of the look that these rows ask for; their steps are made first, so that their places hold.
    std::vector<Numbers> numbersFor(const std::vector<std::size_t>& rows, const Ladder& ladder)
    {
        const auto of = [&](Stage stage) {
            std::vector<std::size_t> some;
            std::copy_if(rows.begin(), rows.end(), std::back_inserter(some),
                         [&](std::size_t r) { return stageOf(ladder.rows[r].rung) == stage; });
            return some;
        };
        auto light = of(Stage::Light);
        const auto casts = of(Stage::Casts), families = of(Stage::Families);
        const bool hasEdge =
            std::erase_if(light, [&](std::size_t r) { return ladder.rows[r].kind() == RungKind::Fall; }) > 0;
        if (hasEdge)
            edgeNumbers(look, m_group);
        if (!casts.empty())
            castNumbers(look, casts, ladder, m_group);
        if (!families.empty())
            familyNumbers(look, families, ladder, m_group);
        std::vector<Numbers> parts;
        if (hasEdge)
            parts.push_back(edgeNumbers(look, m_group));
        if (!light.empty())
            parts.push_back(lightNumbers(look, light, ladder, m_reference, m_ours, m_members, m_group));
        if (!casts.empty())
            parts.push_back(castNumbers(look, casts, ladder, m_group));
        if (!families.empty())
            parts.push_back(familyNumbers(look, families, ladder, m_group));
        return parts;
    }

    Look look;

private:
    const OurPictures& m_ours;
    const Fingerprint& m_reference;
    const std::string& m_group;
    bool m_same;
    Membership m_members;
};

/// Brings the wanted rows onto the reference; those that were worked on.
std::set<std::size_t> bringOnto(Match& match, const std::set<std::size_t>& wanted)
{
    constexpr double kAtRest = 0.25;  // of the tolerance: nearer than this is left alone
    std::set<std::size_t> touched;
    const auto isOff = [&](const LadderRow& row) {
        return row.difference > kAtRest * (row.kind() == RungKind::Family ? 2.0 : 1.0);
    };
    const auto solveStage = [&](Stage stage) {
        const Ladder now = match.measured(match.look);
        std::vector<std::size_t> rows;
        for (const std::size_t row : wanted)
            if (stageOf(now.rows[row].rung) == stage && isOff(now.rows[row]))
                rows.push_back(row);
        if (rows.empty())
            return;
        match.solve(rows, now, 6);
        touched.insert(rows.begin(), rows.end());
    };
    // Light first: colour cannot be judged at another brightness.
    for (const Stage stage : {Stage::Light, Stage::Casts, Stage::Families})
        solveStage(stage);
    // What each stage has moved of the others, together; light has the last word, then casts.
    const Ladder now = match.measured(match.look);
    for (const std::size_t row : wanted)
        if (isOff(now.rows[row]) && !touched.empty())
            touched.insert(row);
    if (std::any_of(touched.begin(), touched.end(), [&](std::size_t row) { return isOff(now.rows[row]); })) {
        match.solve({touched.begin(), touched.end()}, now, 10);
        solveStage(Stage::Light), solveStage(Stage::Casts);
    }
    return touched;
}

}  // namespace

Fingerprint measuredThrough(const Look& look, const OurPictures& ours, const Membership& members)
{
    return measureForMatch(seenThrough(look, ours), members);
}

Membership membershipBefore(const Look& look, const OurPictures& ours, const std::string& group)
{
    return membershipOf(seenThrough(withoutGroup(look, group), ours), false);
}

void addSurvey(Fingerprint& ours, const Look& look, ImageView large, const std::shared_ptr<const RoleMasks>& masks,
               double referenceEdge)
{
    OurPictures picture;
    picture.small.push_back(forTexture(large, referenceEdge)), picture.masks.push_back(masks);
    const std::vector<Image> finished = seenThrough(look, picture);
    ours.textures = textureTraits(finished.front().view());
    std::vector<Image> small;
    small.push_back(forMatching(finished.front().view()));
    ours.frame = frameTraits(small);
    ours.frame[0].value = static_cast<double>(large.width) / large.height;
}

Look withoutGroup(const Look& look, const std::string& group)
{
    Look rest = look;
    std::erase_if(rest.steps, [&](const Step& s) { return s.group == group; });
    return rest;
}

Result<Taken> takeRows(const Look& look, const OurPictures& ours, const Fingerprint& reference,
                       const std::set<std::size_t>& wanted, const std::string& group, bool showsTheSame)
{
    longCall("takeRows");
    if (look.steps.size() + 4 > kStepLimit)
        return fail("the look has no room for further steps", {}, phrase("at most %1", {std::to_string(kStepLimit)}),
                    std::to_string(look.steps.size()));
    Match match(look, ours, reference, group, showsTheSame);
    Taken taken;
    taken.before = match.measured(look);
    for (const std::size_t row : wanted)
        if (row >= taken.before.rows.size() || !taken.before.rows[row].isSupported())
            return fail("there is too little of it in one of the pictures to be matched");
    std::set<std::size_t> bySteps = wanted;
    std::erase_if(bySteps, [&](std::size_t row) {
        const LadderRow& r = taken.before.rows[row];
        return !r.isForSteps() || r.kind() == RungKind::Texture;
    });
    const std::set<std::size_t> touched = bringOnto(match, bySteps);
    taken.look = match.look;
    taken.after = match.measured(taken.look);
    taken.moved.assign(touched.begin(), touched.end());
    if (auto good = validate(taken.look); !good)
        return tl::make_unexpected(good.error());
    return taken;
}

Result<Taken> takeLikely(const Look& look, const OurPictures& ours, const Fingerprint& reference,
                         const std::set<std::size_t>& rows, const std::string& group)
{
    const Membership members = membershipBefore(look, ours, group);
    const auto measured = [&](const Look& l) { return ladderOf(reference, measuredThrough(l, ours, members)); };
    const Fingerprint start = measuredThrough(withoutGroup(look, group), ours, members);
    auto taken = takeRows(look, ours, likelyTarget(reference, start, kLeastSupport), rows, group);
    if (taken)
        taken->before = measured(look), taken->after = measured(taken->look);
    return taken;
}

}  // namespace amber
