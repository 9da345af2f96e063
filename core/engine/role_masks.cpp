#include "core/engine/role_masks.h"

#include <algorithm>

namespace amber {

void RoleMasks::set(const std::string& role, Plane weights)
{
    const bool isEmpty = std::all_of(weights.values.begin(), weights.values.end(), [](float w) { return w <= 0; });
    m_masks[role] = {isEmpty ? Plane(1, 1) : std::move(weights), isEmpty};
}

const Plane* RoleMasks::find(const std::string& role) const
{
    const auto found = m_masks.find(role);
    return found == m_masks.end() ? nullptr : &found->second.weights;
}

bool RoleMasks::isEmpty(const std::string& role) const
{
    const auto found = m_masks.find(role);
    return found == m_masks.end() || found->second.isEmpty;
}

std::vector<std::string> RoleMasks::roles() const
{
    std::vector<std::string> all;
    for (const auto& [role, mask] : m_masks)
        all.push_back(role);
    return all;
}

}  // namespace amber
