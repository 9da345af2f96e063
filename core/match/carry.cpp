#include "core/match/carry.h"

namespace amber {
namespace {

/// The reference's numbers where the frame in hand came to them, else the frame's own.
Fingerprint reachedBy(const RowsAsked& asked)
{
    Fingerprint reached =
        measuredThrough(asked.look, asked.ours, membershipBefore(asked.look, asked.ours, asked.group));
    reached.name = asked.reference.name, reached.references = asked.reference.references;
    reached.longEdge = asked.reference.longEdge, reached.quality = asked.reference.quality;
    return reached;
}

/// What kind of rows a step of a match answers for; nothing for texture, and for what lies across the frame.
std::optional<RungKind> kindOfStep(const Step& step)
{
    if (step.guard.where.isBound())
        return std::nullopt;
    return std::holds_alternative<EdgeDarkening>(step.parameters) ? std::optional(RungKind::Fall)
           : std::holds_alternative<ToneCurve>(step.parameters)   ? std::optional(RungKind::Light)
           : std::holds_alternative<SplitToning>(step.parameters) ? std::optional(RungKind::Cast)
           : std::holds_alternative<HueShifts>(step.parameters)   ? std::optional(RungKind::Family)
                                                                  : std::nullopt;
}

}  // namespace

std::set<std::size_t> rowsTaken(const Look& look, const std::string& group, const Ladder& now, const Ladder& start)
{
    constexpr double kMoved = 0.1;
    std::set<RungKind> kinds;
    for (const Step& step : look.steps)
        if (const auto kind = kindOfStep(step); kind && step.group == group)
            kinds.insert(*kind);
    std::set<std::size_t> rows;
    for (std::size_t i = 0; i < std::min(now.rows.size(), start.rows.size()); ++i) {
        const LadderRow &is = now.rows[i], &was = start.rows[i];
        const bool isSolvedAgain = is.isForSteps() && kinds.contains(is.kind()) && is.isSupported();
        if (isSolvedAgain && was.difference - is.difference > kMoved * is.tolerance)
            rows.insert(i);
    }
    return rows;
}

Result<std::vector<CarriedLight>> carriedToLights(const RowsAsked& asked, const std::vector<LightPictures>& lights,
                                                  const std::function<void(std::size_t)>& progress,
                                                  const CancelToken& cancel)
{
    const Fingerprint wanted = reachedBy(asked);
    std::vector<CarriedLight> carried;
    for (const LightPictures& light : lights) {
        const Membership members = membershipBefore(asked.look, light.ours, asked.group);
        const auto measured = [&](const Look& look) {
            return ladderOf(wanted, measuredThrough(look, light.ours, members), true);
        };
        CarriedLight one{light.name, asked.look, measured(asked.look), {}, {}};
        for (const std::size_t row : asked.rows)
            if (row < one.asItStands.rows.size() && one.asItStands.rows[row].isSupported())
                one.rows.push_back(row);
        const auto taken =
            takeRows(asked.look, light.ours, wanted, {one.rows.begin(), one.rows.end()}, asked.group, true);
        if (!taken)
            return tl::make_unexpected(taken.error());
        one.look = taken->look, one.solved = taken->after;
        carried.push_back(std::move(one));
        if (progress)
            progress(carried.size());
        if (cancel.isCancelled())
            return fail("given up");
    }
    return carried;
}

}  // namespace amber
