#include "core/look/part.h"

#include "core/base/phrase.h"
#include "core/look/scope.h"

#include <algorithm>

namespace amber {

Look partOf(const Look& look, std::size_t first, std::size_t last)
{
    Look part;
    part.name.clear();
    part.card.madeFor = look.card.madeFor, part.card.limits = look.card.limits;
    std::string kinds;
    for (std::size_t i = first; i <= last && i < look.steps.size(); ++i) {
        Step step = look.steps[i];
        std::erase_if(step.held, [](const auto& entry) { return !setOfHolder(entry.first); });
        if (const Role* role = roleOf(look, step.guard.where.role); role && !roleOf(part, role->name))
            part.roles.push_back(*role);
        kinds += (kinds.empty() ? "" : ", ") + titleOf(step);
        part.steps.push_back(std::move(step));
    }
    const bool isGroup = !part.steps.empty() && !part.steps.front().group.empty() &&
                         std::all_of(part.steps.begin(), part.steps.end(),
                                     [&](const Step& s) { return s.group == part.steps.front().group; });
    part.name = isGroup ? part.steps.front().group : kinds;
    return part;
}

Result<ArrivedPart> withPart(const Look& look, const Look& part, std::size_t at,
                             const std::vector<std::string>& knownSets)
{
    ArrivedPart arrived{look, std::min(at, look.steps.size()), part.steps.size(), {}, {}};
    if (look.steps.size() + part.steps.size() > kStepLimit)
        return fail("there would be too many steps", look.name, phrase("at most %1", {std::to_string(kStepLimit)}),
                    std::to_string(look.steps.size() + part.steps.size()));
    arrived.look.steps.insert(arrived.look.steps.begin() + static_cast<std::ptrdiff_t>(arrived.first),
                              part.steps.begin(), part.steps.end());
    for (const Role& role : part.roles)
        if (!roleOf(look, role.name))
            arrived.look.roles.push_back(role), arrived.newRoles.push_back(role.name);
    if (arrived.look.roles.size() > kRoleLimit)
        return fail("there would be too many roles", look.name, phrase("at most %1", {std::to_string(kRoleLimit)}),
                    std::to_string(arrived.look.roles.size()));
    std::set<std::string> sets;
    for (const Step& step : part.steps)
        for (const auto& [holder, values] : step.held)
            if (const auto set = setOfHolder(holder);
                set && std::find(knownSets.begin(), knownSets.end(), *set) == knownSets.end())
                sets.insert(*set);
    arrived.unknownSets.assign(sets.begin(), sets.end());
    return arrived;
}

Look grouped(Look look, std::size_t first, std::size_t last, const std::string& name)
{
    for (std::size_t i = first; i <= last && i < look.steps.size(); ++i)
        look.steps[i].group = name;
    return look;
}

}  // namespace amber
