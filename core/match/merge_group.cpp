#include "core/match/merge_group.h"

#include "core/look/scope.h"

#include <algorithm>

namespace amber {
namespace {

/// What the steps of a match do nothing with, for the frames it is not meant for.
StepParameters without(const StepParameters& parameters)
{
    StepParameters plain = parameters;
    if (auto* curve = std::get_if<ToneCurve>(&plain)) {
        curve->all = {{0, 0}, {1, 1}};
        curve->red = curve->green = curve->blue = {{0, 0}, {1, 1}};
    } else if (auto* hues = std::get_if<HueShifts>(&plain)) {
        for (HueFamily& family : hues->families)
            family.move = {};
    } else if (auto* tint = std::get_if<SplitToning>(&plain)) {
        for (Dye& dye : tint->dyes)
            dye.chroma = 0;
    } else if (std::holds_alternative<Primaries>(plain)) {
        plain = Primaries{};
    } else if (std::holds_alternative<Chroma>(plain)) {
        plain = Chroma{};
    } else if (std::holds_alternative<EdgeDarkening>(plain)) {
        plain = EdgeDarkening{};
    } else if (std::holds_alternative<LocalContrast>(plain)) {
        plain = LocalContrast{};
    } else if (std::holds_alternative<FineDetail>(plain)) {
        plain = FineDetail{};
    } else if (std::holds_alternative<Grain>(plain)) {
        plain = Grain{};
    }
    return plain;
}

/// A step of the group that holds these parameters for one holder, beside what it holds for others. What a set holds is
/// not what each picture keeps for itself from then on.
Step heldFor(const std::string& holder, Step step, const StepParameters& parameters)
{
    const std::set<std::string> kept = step.perPicture;
    Step wanted = step;
    wanted.parameters = parameters;
    const Json is = parametersOf(step), becomes = parametersOf(wanted);
    for (const auto& [name, value] : becomes.items())
        if (!is.contains(name) || is[name] != value)
            step.perPicture.insert(name);
    step = edited(step, holder, parameters);
    if (setOfHolder(holder))
        step.perPicture = kept;
    return step;
}

/// The step of a group that has this one's place in another look.
auto sameIn(std::vector<Step>& steps, const Step& step)
{
    return std::find_if(steps.begin(), steps.end(), [&](const Step& s) {
        return typeOf(s) == typeOf(step) && s.guard.where.role == step.guard.where.role;
    });
}

}  // namespace

std::size_t beforePaper(const Look& look)
{
    std::size_t at = look.steps.size();
    while (at > 0 && (std::holds_alternative<OutputSharpening>(look.steps[at - 1].parameters) ||
                      std::holds_alternative<Grain>(look.steps[at - 1].parameters)))
        --at;
    return at;
}

Look mergedGroup(const Look& look, const Look& taken, const std::string& group, const std::string& onlyFor)
{
    Look result = look;
    result.reference = taken.reference;
    std::vector<Step> rest, own;
    for (const Step& step : look.steps)
        (step.group == group ? own : rest).push_back(step);
    result.steps.clear();
    std::size_t next = 0;
    for (const Step& step : taken.steps) {
        if (step.group != group) {
            result.steps.push_back(rest[next++]);
            continue;
        }
        if (onlyFor.empty()) {
            result.steps.push_back(step);
            continue;
        }
        const auto before = sameIn(own, step);
        Step kept = before == own.end() ? step : *before;
        if (before == own.end())
            kept.parameters = without(step.parameters);
        else
            own.erase(before);
        result.steps.push_back(heldFor(onlyFor, std::move(kept), step.parameters));
    }
    // What other pictures have of it and this one no longer.
    for (const Step& step : own)
        if (!onlyFor.empty())
            result.steps.insert(result.steps.begin() + static_cast<std::ptrdiff_t>(beforePaper(result)),
                                heldFor(onlyFor, step, without(step.parameters)));
    // Roles that its steps are bound to.
    for (const Step& step : result.steps)
        if (const std::string& name = step.guard.where.role; step.group == group && !roleOf(result, name))
            if (const Role* role = roleOf(taken, name))
                result.roles.push_back(*role);
    return result;
}

Look withoutOwnOfGroup(Look look, const std::string& group, const std::string& picture)
{
    for (Step& step : look.steps)
        if (step.group == group)
            step.held.erase(picture);
    return look;
}

Look withGroupKept(Look look, const Look& before, const std::string& group, const PictureName& picture)
{
    std::vector<Step> own;
    for (const Step& step : before.steps)
        if (step.group == group)
            own.push_back(step);
    for (Step& step : look.steps) {
        if (step.group != group)
            continue;
        const auto was = sameIn(own, step);
        Step wanted = was == own.end() ? step : stepFor(*was, picture);
        if (was == own.end())
            wanted.parameters = without(step.parameters);
        else
            own.erase(was);
        const Step now = stepFor(step, picture);
        for (const std::string& part : partsOf(wanted))
            if (const Json value = valueOf(wanted, part); value != valueOf(now, part))
                step = withHeld(std::move(step), picture.own, part, value);
    }
    return look;
}

}  // namespace amber
