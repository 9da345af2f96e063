#include "core/look/look.h"

#include "core/base/phrase.h"
#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

template <class... F>
struct Overloaded : F... {
    using F::operator()...;
};
template <class... F>
Overloaded(F...) -> Overloaded<F...>;

LinearRgb limited(const LinearRgb& c)
{
    const auto one = [](double v) { return std::isfinite(v) ? std::clamp(v, -kWorkingLimit, kWorkingLimit) : 0.0; };
    return {one(c.r), one(c.g), one(c.b)};
}

Status validateRoles(const std::vector<Role>& roles)
{
    if (roles.size() > kRoleLimit)
        return fail("too many roles", "roles", phrase("at most %1", {std::to_string(kRoleLimit)}),
                    std::to_string(roles.size()));
    std::set<std::string> names;
    for (std::size_t i = 0; i < roles.size(); ++i) {
        const std::string where = "roles[" + std::to_string(i) + "]";
        if (roles[i].name.empty() || !names.insert(roles[i].name).second)
            return fail("a role needs a name of its own", where + ".name", "one that no other has", roles[i].name);
        if (auto good = validate(roles[i], where); !good)
            return good;
    }
    return {};
}

}  // namespace

AMBER_COPIES_OF(Fingerprint)
AMBER_COPIES_OF(IntentCard)
AMBER_COPIES_OF(StepParameters)
AMBER_COPIES_OF(Step)
AMBER_COPIES_OF(Look)

Step::Step(StepParameters parameters_, bool enabled_, double strength_, std::string note_, std::string unknownFields_,
           Guard guard_)
    : parameters(std::move(parameters_)), enabled(enabled_), strength(strength_), note(std::move(note_)),
      unknownFields(std::move(unknownFields_)), guard(std::move(guard_))
{
}

std::string typeOf(const Step& step)
{
    return std::visit(
        Overloaded{[](const UnknownStep& s) { return s.type; }, [](const auto& s) { return std::string(s.kType); }},
        step.parameters);
}

std::string titleOf(const Step& step)
{
    std::string title = typeOf(step);
    std::replace(title.begin(), title.end(), '-', ' ');
    if (!title.empty())
        title[0] = static_cast<char>(std::toupper(static_cast<unsigned char>(title[0])));
    return title;
}

bool isIdentity(const Step& step)
{
    return !step.enabled || step.strength == 0 ||
           std::visit(Overloaded{[](const UnknownStep&) { return true; }, [](const auto& s) { return isIdentity(s); }},
                      step.parameters);
}

bool isSpatial(const Step& step)
{
    return step.guard.where.isBound() || std::visit(
                                             [](const auto& s) {
                                                 return requires { s.kIsSpatial; };
                                             },
                                             step.parameters);
}

const Role* roleOf(const Look& look, const std::string& name)
{
    const auto found =
        std::find_if(look.roles.begin(), look.roles.end(), [&](const Role& r) { return r.name == name; });
    return found == look.roles.end() ? nullptr : &*found;
}

std::vector<std::string> rolesInUse(const Look& look)
{
    std::vector<std::string> names;
    for (const Role& role : look.roles)
        if (std::any_of(look.steps.begin(), look.steps.end(),
                        [&](const Step& s) { return s.guard.where.role == role.name && !isIdentity(s); }))
            names.push_back(role.name);
    return names;
}

Json parametersOf(const Step& step)
{
    return std::visit(Overloaded{[](const UnknownStep& s) { return Json::parse(s.json, nullptr, false); },
                                 [](const LookupTable& s) { return toJson(s, false); },
                                 [](const auto& s) { return toJson(s); }},
                      step.parameters);
}

Result<StepParameters> withParameters(const Step& step, const Json& parameters)
{
    return std::visit(
        [&]<class T>(const T& old) -> Result<StepParameters> {
            if constexpr (std::is_same_v<T, UnknownStep>) {
                return StepParameters(UnknownStep{old.type, jsonText(parameters)});
            } else {
                auto fresh = parse<T>(parameters, std::string(T::kType));
                if (!fresh)
                    return tl::make_unexpected(fresh.error());
                if constexpr (std::is_same_v<T, LookupTable>)
                    fresh->table = fresh->hash == old.hash ? old.table : nullptr;
                return StepParameters(std::move(*fresh));
            }
        },
        step.parameters);
}

Status validate(const Look& look)
{
    if (look.steps.size() > kStepLimit)
        return fail("too many steps", "steps", phrase("at most %1", {std::to_string(kStepLimit)}),
                    std::to_string(look.steps.size()));
    if (auto good = validateRoles(look.roles); !good)
        return good;
    for (std::size_t i = 0; i < look.steps.size(); ++i) {
        const Step& step = look.steps[i];
        const std::string where = "steps[" + std::to_string(i) + "]";
        if (!(step.strength >= 0 && step.strength <= 2))
            return fail("strength outside its limits", where + ".strength", "0 to 2", jsonText(step.strength));
        if (auto good = validate(step.guard, where + ".guard"); !good)
            return good;
        if (auto good = validate(step.guard.where, where + ".where"); !good)
            return good;
        const Status good = std::visit(
            Overloaded{[](const UnknownStep&) { return Status{}; }, [&](const auto& s) { return validate(s, where); }},
            step.parameters);
        if (!good)
            return good;
    }
    return {};
}

LinearRgb evaluate(const Step& step, const LinearRgb& c)
{
    const LinearRgb in = limited(c);
    if (isIdentity(step) || step.guard.where.isBound())
        return in;
    const LinearRgb out = std::visit(
        [&](const auto& s) {
            if constexpr (requires { evaluate(s, in); })
                return evaluate(s, in);
            return in;
        },
        step.parameters);
    if (step.strength == 1 && step.guard.isOpen())
        return limited(out);
    const OkLab p = toOkLab(in), q = toOkLab(limited(out));
    const double s = step.strength * weightAt(step.guard, p);
    return limited(toLinearRgb(OkLab{p.L + s * (q.L - p.L), p.a + s * (q.a - p.a), p.b + s * (q.b - p.b)}));
}

LinearRgb evaluate(const Look& look, const LinearRgb& c, std::size_t count)
{
    LinearRgb v = limited(c);
    for (std::size_t i = 0; i < std::min(count, look.steps.size()); ++i)
        v = evaluate(look.steps[i], v);
    return v;
}

}  // namespace amber
