#include "core/look/scope.h"

#include "core/look/steps/fields.h"

#include <algorithm>

namespace amber {
namespace {

constexpr std::string_view kSet = "set:", kFamily = "families/";

bool isOfStep(const std::string& part) { return part.rfind("step/", 0) == 0; }

std::optional<std::string> familyOf(const std::string& part)
{
    return part.rfind(kFamily, 0) == 0 ? std::optional(part.substr(kFamily.size())) : std::nullopt;
}

/// The families of a step by their names; nothing when names do not tell them apart.
std::vector<std::string> familyNames(const Step& step)
{
    const auto* shifts = std::get_if<HueShifts>(&step.parameters);
    std::vector<std::string> names;
    for (std::size_t i = 0; shifts && i < shifts->families.size(); ++i) {
        const std::string& name = shifts->families[i].name;
        if (name.empty() || std::find(names.begin(), names.end(), name) != names.end())
            return {};
        names.push_back(name);
    }
    return names;
}

/// Whether somebody holds all families as one, or each picture keeps them so.
bool areFamiliesWhole(const Step& step)
{
    return step.perPicture.count(step_part::kFamilies) > 0 || !holdersOf(step, step_part::kFamilies).empty();
}

Json* familyIn(Json& parameters, const std::string& name)
{
    for (Json& family : parameters[step_part::kFamilies])
        if (family.is_object() && family.value("name", std::string()) == name)
            return &family;
    return nullptr;
}

Json valueIn(const Json& parameters, const std::string& part)
{
    if (const auto family = familyOf(part)) {
        Json all = parameters;
        const Json* found = all.contains(step_part::kFamilies) ? familyIn(all, *family) : nullptr;
        return found ? *found : Json();
    }
    return parameters.contains(part) ? parameters[part] : Json();
}

void setValueIn(Json& parameters, const std::string& part, const Json& value)
{
    if (const auto family = familyOf(part)) {
        Json* found = parameters.contains(step_part::kFamilies) ? familyIn(parameters, *family) : nullptr;
        if (found && value.is_object())
            *found = value, (*found)["name"] = *family;
    } else if (value.is_null()) {
        parameters.erase(part);
    } else {
        parameters[part] = value;
    }
}

/// What is no parameter. False for a value that is none.
bool setOfStep(Step& step, const std::string& part, const Json& value)
{
    if (part == step_part::kEnabled && value.is_boolean())
        return step.enabled = value.get<bool>(), true;
    if (part == step_part::kStrength && value.is_number() && value.get<double>() >= 0 && value.get<double>() <= 2)
        return step.strength = value.get<double>(), true;
    if (part != step_part::kGuard)
        return false;
    auto guard = parse<Guard>(value, part);
    if (!guard || !validate(*guard, part))
        return false;
    guard->where = step.guard.where;
    step.guard = std::move(*guard);
    return true;
}

/// Values laid over a step, one holder after another; parameters are read from JSON once, at the end.
class Overlaid {
public:
    explicit Overlaid(const Step& step) : m_step(step) {}

    void lay(const std::string& holder)
    {
        const auto found = m_step.held.find(holder);
        if (found == m_step.held.end())
            return;
        const Json held = Json::parse(found->second, nullptr, false);
        if (!held.is_object())
            return;
        // All families as one before single ones.
        for (const bool single : {false, true})
            for (const auto& [part, value] : held.items())
                if (familyOf(part).has_value() == single)
                    set(part, value);
    }
    void set(const std::string& part, const Json& value)
    {
        if (isOfStep(part)) {
            setOfStep(m_step, part, value);
            return;
        }
        if (!m_parameters)
            m_parameters = parametersOf(m_step);
        setValueIn(*m_parameters, part, value);
    }
    Result<Step> result()
    {
        if (m_parameters) {
            auto fresh = withParameters(m_step, *m_parameters);
            if (!fresh)
                return tl::make_unexpected(fresh.error());
            m_step.parameters = std::move(*fresh);
        }
        return std::move(m_step);
    }

private:
    Step m_step;
    std::optional<Json> m_parameters;
};

Json heldBy(const Step& step, const std::string& holder)
{
    const auto found = step.held.find(holder);
    const Json held = found == step.held.end() ? Json::object() : Json::parse(found->second, nullptr, false);
    return held.is_object() ? held : Json::object();
}

void setHeld(Step& step, const std::string& holder, const Json& held)
{
    if (held.empty())
        step.held.erase(holder);
    else
        step.held[holder] = jsonText(held);
}

/// A family by another name, in all that is held.
void renameHeld(Step& step, const std::string& from, const std::string& to)
{
    for (auto& [holder, text] : step.held) {
        Json held = Json::parse(text, nullptr, false);
        const std::string before = std::string(kFamily) + from, after = std::string(kFamily) + to;
        if (!held.is_object() || !held.contains(before))
            continue;
        Json value = held[before];
        value["name"] = to;
        held.erase(before);
        held[after] = std::move(value);
        text = jsonText(held);
    }
    if (step.perPicture.erase(std::string(kFamily) + from) > 0)
        step.perPicture.insert(std::string(kFamily) + to);
}

/// Families that were renamed, added, taken out or put in another order travel; the values of each stay whose they are.
void restructureFamilies(Step& step, Step& shown, const Step& after)
{
    const auto before = familyNames(shown), now = familyNames(after);
    if (before == now || now.empty() || areFamiliesWhole(step))
        return;
    if (before.size() == now.size())
        for (std::size_t i = 0; i < now.size(); ++i)
            if (before[i] != now[i] && std::find(now.begin(), now.end(), before[i]) == now.end())
                renameHeld(step, before[i], now[i]);
    auto& shared = std::get<HueShifts>(step.parameters).families;
    auto& seen = std::get<HueShifts>(shown.parameters).families;
    std::vector<HueFamily> shares, sees;
    for (std::size_t i = 0; i < now.size(); ++i) {
        const HueFamily& fresh = std::get<HueShifts>(after.parameters).families[i];
        const auto take = [&](std::vector<HueFamily>& from, std::vector<HueFamily>& to) {
            const bool isRenamed = before.size() == now.size() && i < from.size() &&
                                   std::find(now.begin(), now.end(), from[i].name) == now.end();
            auto found = std::find_if(from.begin(), from.end(), [&](const HueFamily& f) { return f.name == now[i]; });
            if (found == from.end() && isRenamed)
                found = from.begin() + static_cast<std::ptrdiff_t>(i);
            to.push_back(found == from.end() ? fresh : *found);
            to.back().name = now[i];
        };
        take(shared, shares), take(seen, sees);
    }
    shared = std::move(shares), seen = std::move(sees);
}

}  // namespace

std::string holderOfSet(const std::string& set) { return std::string(kSet) + set; }

std::optional<std::string> setOfHolder(const std::string& holder)
{
    return holder.rfind(kSet, 0) == 0 ? std::optional(holder.substr(kSet.size())) : std::nullopt;
}

std::vector<std::string> partsOf(const Step& step)
{
    std::vector<std::string> parts{step_part::kEnabled, step_part::kStrength, step_part::kGuard};
    const std::vector<std::string> families = familyNames(step);
    const Json parameters = parametersOf(step);
    for (const auto& [name, value] : parameters.items()) {
        const bool isTable = std::holds_alternative<LookupTable>(step.parameters) && (name == "name" || name == "hash");
        if (name == step_part::kFamilies && !families.empty() && !areFamiliesWhole(step))
            for (const std::string& family : families)
                parts.push_back(std::string(kFamily) + family);
        else if (!isTable)
            parts.push_back(name);
    }
    return parts;
}

Json valueOf(const Step& step, const std::string& part)
{
    if (part == step_part::kEnabled)
        return step.enabled;
    if (part == step_part::kStrength)
        return step.strength;
    if (part == step_part::kGuard)
        return toJson(step.guard);
    return valueIn(parametersOf(step), part);
}

std::optional<Json> heldValue(const Step& step, const std::string& holder, const std::string& part)
{
    const Json held = heldBy(step, holder);
    return held.contains(part) ? std::optional(held[part]) : std::nullopt;
}

std::vector<std::string> holdersOf(const Step& step, const std::string& part)
{
    std::vector<std::string> holders;
    for (const auto& [holder, text] : step.held)
        if (heldValue(step, holder, part))
            holders.push_back(holder);
    return holders;
}

std::set<std::string> heldParts(const Step& step)
{
    std::set<std::string> parts;
    for (const auto& [holder, text] : step.held) {
        const Json held = heldBy(step, holder);
        for (const auto& [part, value] : held.items())
            parts.insert(part);
    }
    return parts;
}

std::string holderFor(const Step& step, const PictureName& picture, const std::string& part)
{
    if (step.held.empty())
        return {};
    if (!picture.own.empty() && heldValue(step, picture.own, part))
        return picture.own;
    for (const std::string& set : picture.sets)
        if (const std::string holder = holderOfSet(set); heldValue(step, holder, part))
            return holder;
    return {};
}

Step withHeld(Step step, const std::string& holder, const std::string& part, const Json& value)
{
    Json held = heldBy(step, holder);
    held[part] = value;
    setHeld(step, holder, held);
    return step;
}

Step withoutHeld(Step step, const std::string& holder, const std::string& part)
{
    Json held = heldBy(step, holder);
    held.erase(part);
    setHeld(step, holder, held);
    return step;
}

Result<Step> withValue(const Step& step, const std::string& part, const Json& value)
{
    if (isOfStep(part)) {
        Step result = step;
        if (!setOfStep(result, part, value))
            return fail("no value of this part", part, {}, jsonText(value));
        return result;
    }
    Overlaid overlaid(step);
    overlaid.set(part, value);
    return overlaid.result();
}

Step keptFor(const Step& step, const PictureName& picture, const std::string& part, const std::string& holder)
{
    const Json value = valueOf(stepFor(step, picture), part);
    Step result = step;
    if (holder.empty()) {
        auto travels = withValue(step, part, value);
        if (!travels)
            return step;
        result = std::move(*travels);
    }
    std::vector<std::string> holders{picture.own};
    for (const std::string& set : picture.sets)
        holders.push_back(holderOfSet(set));
    const auto until = holder.empty() ? holders.end() : std::find(holders.begin(), holders.end(), holder);
    if (holder.empty() || until != holders.end())
        for (auto nearer = holders.begin(); nearer != until; ++nearer)
            result = withoutHeld(std::move(result), *nearer, part);
    return holder.empty() ? result : withHeld(std::move(result), holder, part, value);
}

Step letGo(const Step& step, const PictureName& picture, const std::string& part)
{
    const std::string holder = holderFor(step, picture, part);
    return holder.empty() ? step : withoutHeld(step, holder, part);
}

Look withSetRenamed(Look look, const std::string& from, const std::string& to)
{
    for (Step& step : look.steps)
        if (const auto found = step.held.find(holderOfSet(from)); found != step.held.end()) {
            step.held[holderOfSet(to)] = found->second;
            step.held.erase(holderOfSet(from));
        }
    return look;
}

Step stepFor(const Step& step, const PictureName& picture)
{
    if (step.held.empty())
        return step;
    Overlaid overlaid(step);
    for (auto set = picture.sets.rbegin(); set != picture.sets.rend(); ++set)
        overlaid.lay(holderOfSet(*set));
    overlaid.lay(picture.own);
    auto result = overlaid.result();
    return result ? std::move(*result) : step;
}

Look lookFor(const Look& look, const PictureName& picture)
{
    Look result = look;
    for (Step& step : result.steps)
        if (!step.held.empty())
            step = stepFor(step, picture);
    for (std::size_t i = stepsInside(look, picture); i-- > 0;)
        result.steps[i].enabled = false;
    return result;
}

std::size_t stepsInside(const Look& look, const PictureName& picture)
{
    const auto& kinds = picture.inside;
    const std::size_t steps = look.steps.size(), known = kinds.size();
    // common[i][k]: the most that the first i steps and the first k kinds have in common.
    std::vector<std::vector<std::size_t>> common(steps + 1, std::vector<std::size_t>(known + 1, 0));
    for (std::size_t i = 1; known > 0 && i <= steps; ++i)
        for (std::size_t k = 1; k <= known; ++k)
            common[i][k] = typeOf(look.steps[i - 1]) == kinds[k - 1] ? common[i - 1][k - 1] + 1
                                                                     : std::max(common[i - 1][k], common[i][k - 1]);
    std::size_t inside = steps;
    while (inside > 0 && common[inside - 1][known] == common[steps][known])
        --inside;
    return inside;
}

Step edited(const Step& step, const PictureName& picture, const Step& after)
{
    if (after.parameters.index() != step.parameters.index() || (step.held.empty() && step.perPicture.empty())) {
        Step result = after;
        result.held = step.held;
        return result;
    }
    Step shown = stepFor(step, picture);
    Step result = step;
    result.note = after.note, result.group = after.group, result.guard.where = after.guard.where;
    result.perPicture = after.perPicture;
    restructureFamilies(result, shown, after);
    Overlaid shared(result);
    std::vector<std::string> parts = partsOf(after);
    for (const std::string& part : partsOf(shown))
        if (std::find(parts.begin(), parts.end(), part) == parts.end())
            parts.push_back(part);
    Step held = result;
    for (const std::string& part : parts) {
        const Json value = valueOf(after, part);
        if (value == valueOf(shown, part))
            continue;
        std::string holder = holderFor(result, picture, part);
        if (holder.empty() && result.perPicture.count(part) > 0)
            holder = picture.own;
        if (holder.empty())
            shared.set(part, value);
        else
            held = withHeld(std::move(held), holder, part, value);
    }
    auto travels = shared.result();
    if (!travels)
        return step;
    travels->held = std::move(held.held);
    return std::move(*travels);
}

Step edited(const Step& step, const PictureName& picture, const StepParameters& after)
{
    Step changed = stepFor(step, picture);
    changed.parameters = after;
    return edited(step, picture, changed);
}

}  // namespace amber
