#include "core/base/content_hash.h"
#include "core/engine/program.h"
#include "core/look/look_json.h"

#include <numbers>

namespace amber {

GuardKernel::GuardKernel(const Guard& g)
    : isOpen(g.isOpen()), tone(g.limitsTone()), chroma(g.limitsChroma()), hue(g.limitsHue()), inverted(g.inverted)
{
    // An open side rises (or falls) far outside anything.
    const auto range = [](float(&to)[2], bool open, double low, double high) {
        to[0] = static_cast<float>(open ? -1e9 : low), to[1] = static_cast<float>(open ? 1 : 1 / (high - low));
    };
    const auto fall = [](float(&to)[2], bool open, double low, double high) {
        to[0] = static_cast<float>(open ? 1e9 : low), to[1] = static_cast<float>(open ? 1 : 1 / (high - low));
    };
    range(toneRise, g.toneLow <= 0, g.toneLow - g.toneFeather, g.toneLow);
    fall(toneFall, g.toneHigh >= 1, g.toneHigh, g.toneHigh + g.toneFeather);
    range(chromaRise, g.chromaLow <= 0, g.chromaLow - g.chromaFeather, g.chromaLow);
    fall(chromaFall, g.chromaHigh >= 0.4, g.chromaHigh, g.chromaHigh + g.chromaFeather);
    const double centre = g.hueCentre * std::numbers::pi / 180;
    cosine = static_cast<float>(std::cos(centre)), sine = static_cast<float>(std::sin(centre));
    const HueFall h = hueFall(g);
    range(hueRise, false, h.outside, h.inside);
    for (const Shelter& shelter : g.shelters)
        shelters.push_back({static_cast<float>(shelter.amount), NearColoursKernel(shelter.colours)});
}

Result<RenderPlan> RenderPlan::compile(const Look& look, std::size_t count)
{
    if (auto good = validate(look); !good)
        return tl::make_unexpected(good.error());
    auto program = std::make_shared<Program>();
    Look active;
    RenderPlan plan;
    for (std::size_t i = 0; i < std::min(count, look.steps.size()); ++i) {
        const Step& step = look.steps[i];
        if (amber::isIdentity(step))
            continue;
        const bool sharpens = std::holds_alternative<OutputSharpening>(step.parameters);
        auto& stage = sharpens ? program->output : program->look;
        stage.push_back({std::visit([](const auto& s) -> StepKernel { return kernelOf(s); }, step.parameters),
                         static_cast<float>(step.strength), GuardKernel(step.guard), false, step.guard.where});
        stage.back().needsPicture = std::visit(
            [](const auto& kernel) {
                if constexpr (SpatialKernel<std::decay_t<decltype(kernel)>>)
                    return kernel.needsPicture();
                return false;
            },
            stage.back().kernel);
        plan.m_hasSpatial = plan.m_hasSpatial || isSpatial(step);
        active.steps.push_back(step);
        active.steps.back().note.clear();
    }
    plan.m_roles = rolesInUse(look);
    active.roles = look.roles;
    active.name.clear();
    plan.m_program = std::move(program);
    plan.m_hash = contentHash(lookToText(active, false));
    return plan;
}

bool RenderPlan::needsWholePicture() const
{
    const auto needs = [](const std::vector<Program::Instruction>& all) {
        return std::any_of(all.begin(), all.end(), [](const auto& i) { return i.needsPicture; });
    };
    return needs(m_program->look) || needs(m_program->output);
}

bool RenderPlan::isIdentity() const { return m_program->isEmpty(); }

}  // namespace amber
