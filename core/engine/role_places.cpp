#include "core/engine/role_places.h"

#include <algorithm>

namespace amber {

RoleMasks partOf(const RoleMasks& masks, const Place& part, int width, int height)
{
    RoleMasks all;
    for (const std::string& role : masks.roles()) {
        Plane plane(width, height);
        for (int y = 0; y < height; ++y)
            sampleRow(*masks.find(role), {part.x, part.y + y, part.width, part.height}, width, plane.row(y));
        all.set(role, std::move(plane));
    }
    return all;
}

std::map<std::string, double> weightsAt(const RoleMasks& masks, double x, double y)
{
    constexpr int kFine = 4096;  // places to an edge
    const auto at = [](double share) { return std::clamp(static_cast<int>(share * kFine), 0, kFine - 1); };
    std::map<std::string, double> weights;
    for (const std::string& role : masks.roles()) {
        float weight = 0;
        sampleRow(*masks.find(role), {at(x), at(y), kFine, kFine}, 1, &weight);
        weights[role] = weight;
    }
    return weights;
}

Look lookAt(Look look, const std::map<std::string, double>& weights)
{
    for (Step& step : look.steps) {
        RoleBinding& where = step.guard.where;
        if (!where.isBound())
            continue;
        const auto weight = weights.find(where.role);
        step.strength *= weight == weights.end() ? 0 : where.base() + where.slope() * weight->second;
        where = {};
    }
    return look;
}

}  // namespace amber
