#include "core/match/fall_step.h"

#include "core/base/phrase.h"
#include "core/match/light_by_place.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

/// The step for the role in the group; made when it is missing.
std::size_t ownStep(Look& look, const std::string& role, const std::string& group)
{
    for (std::size_t i = 0; i < look.steps.size(); ++i) {
        Step& step = look.steps[i];
        if (step.group == group && step.guard.where.role == role &&
            std::holds_alternative<ToneCurve>(step.parameters)) {
            step.enabled = true;
            return i;
        }
    }
    Step made;
    ToneCurve curve;
    curve.mode = ToneCurve::Mode::LightnessOnly;
    made.parameters = curve, made.group = group, made.guard.where.role = role;
    const auto first =
        std::find_if(look.steps.begin(), look.steps.end(), [&](const Step& step) { return step.group == group; });
    const auto at = static_cast<std::size_t>(first - look.steps.begin());
    look.steps.insert(first, made);
    return at;
}

double fallOf(const Look& look, const OurPictures& ours, const Membership& members, std::size_t fall)
{
    const Fingerprint print = measuredThrough(look, ours, members);
    return fall < print.falls.size() ? print.falls[fall].value : 0;
}

}  // namespace

bool isAcross(Rung rung) { return rung == Rung::TopToBottom || rung == Rung::LeftToRight; }

Role fallRole(Rung rung)
{
    Role role;
    role.kind = Role::Kind::Light;
    role.name = rung == Rung::TopToBottom ? "Upper part" : "Left part";
    role.purpose =
        rung == Rung::TopToBottom ? "light that falls from top to bottom" : "light that falls from left to right";
    return role;
}

Area fallArea(Rung rung, const Region& shown)
{
    const double x = (shown.left + shown.right) / 2, y = (shown.top + shown.bottom) / 2;
    AreaPart part;
    part.shape =
        rung == Rung::TopToBottom ? Ramp{{x, shown.top}, {x, shown.bottom}} : Ramp{{shown.left, y}, {shown.right, y}};
    Area area;
    area.parts.push_back(part);
    return area;
}

Result<Look> takeFall(const Look& look, const OurPictures& ours, Rung rung, double wanted, const std::string& group)
{
    constexpr int kHalvings = 10;
    constexpr double kMost = 0.3;
    const Role role = fallRole(rung);
    Look with = look;
    if (!roleOf(with, role.name)) {
        if (with.roles.size() >= kRoleLimit)
            return fail("the look has no room for further roles", role.name,
                        phrase("at most %1", {std::to_string(kRoleLimit)}), std::to_string(with.roles.size()));
        with.roles.push_back(role);
    }
    const std::size_t step = ownStep(with, role.name, group);
    if (with.steps.size() > kStepLimit)
        return fail("the look has no room for further steps", {}, phrase("at most %1", {std::to_string(kStepLimit)}),
                    std::to_string(look.steps.size()));
    const Membership members = membershipBefore(with, ours, group);
    const auto fall = static_cast<std::size_t>(rung) - static_cast<std::size_t>(Rung::TopToBottom);
    double low = -kMost, high = kMost;
    const auto liftedBy = [&](double lift) {
        std::get<ToneCurve>(with.steps[step].parameters).all = {{0, 0}, {0.5, 0.5 + lift}, {1, 1}};
        return fallOf(with, ours, members, fall);
    };
    constexpr double kReaches = 0.5;  // L*
    if (liftedBy(high) - liftedBy(low) < kReaches)
        return fail("where the role lies on this picture it does not change how light falls", role.name);
    for (int i = 0; i < kHalvings; ++i) {
        const double lift = (low + high) / 2;
        (liftedBy(lift) < wanted ? low : high) = lift;
    }
    liftedBy(std::round(1000 * (low + high) / 2) / 1000);
    return with;
}

}  // namespace amber
