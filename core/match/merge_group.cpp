#include "core/match/merge_group.h"

#include <algorithm>

namespace amber {
namespace {

/// What the steps of a match do nothing with, for the frames it is not meant for.
StepParameters without(const StepParameters& parameters)
{
    StepParameters plain = parameters;
    if (auto* curve = std::get_if<ToneCurve>(&plain)) {
        curve->all = {{0, 0}, {1, 1}};
    } else if (auto* hues = std::get_if<HueShifts>(&plain)) {
        for (HueFamily& family : hues->families)
            family.move = {};
    } else if (auto* tint = std::get_if<SplitToning>(&plain)) {
        for (Dye& dye : tint->dyes)
            dye.chroma = 0;
    }
    return plain;
}
std::string listOf(const StepParameters& parameters)
{
    return std::holds_alternative<ToneCurve>(parameters)   ? "all"
           : std::holds_alternative<HueShifts>(parameters) ? "families"
                                                           : "dyes";
}

}  // namespace

Look mergedGroup(const Look& look, const Look& taken, const std::string& group, const std::string& onlyPicture)
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
        const auto before =
            std::find_if(own.begin(), own.end(), [&](const Step& s) { return typeOf(s) == typeOf(step); });
        if (onlyPicture.empty()) {
            result.steps.push_back(step);
            continue;
        }
        Step kept = before == own.end() ? step : *before;
        if (before == own.end())
            kept.parameters = without(step.parameters);
        kept.perPicture.insert(listOf(step.parameters));
        result.steps.push_back(edited(kept, onlyPicture, step.parameters));
    }
    return result;
}

}  // namespace amber
