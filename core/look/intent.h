// The intent card of a look: what it is meant to be, said before it is made. What can be measured of it is scored
// against the result (core/analysis/intent_score.h). It travels with the look; only the reference frames belong to the
// job and stay there.
#pragma once

#include "core/base/copied_apart.h"
#include "core/look/steps/fields.h"

#include <array>
#include <string>
#include <vector>

namespace amber {

/// A hue of the colour plan: what lies within half the width of its centre is meant to carry the picture's colour.
struct PlanHue {
    double hue = 60;    ///< OKLCh degrees
    double width = 60;  ///< degrees
    std::string unknownFields;
    bool operator==(const PlanHue&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("hue", self.hue, 0, 360);
        visit.number("width", self.width, 10, 180);
    }
};

struct IntentCard {
    AMBER_COPIED_APART(IntentCard)

    enum class Key { Unsaid, Dark, Middle, Bright } key = Key::Unsaid;
    enum class Temperature { Unsaid, Neutral, Warm, Cool, WarmLights, CoolLights } temperature = Temperature::Unsaid;
    enum class Level {
        Unsaid,
        Little,
        Medium,
        Much
    } contrast = Level::Unsaid,
      fade = Level::Unsaid, grain = Level::Unsaid;
    enum class Fidelity { Unsaid, True, Leaning, Free } fidelity = Fidelity::Unsaid;
    std::vector<PlanHue> plan;  ///< hues that are kept; all others should be quiet
    std::string madeFor;        ///< the input it expects: "balanced frames, soft window light"
    std::string limits;         ///< where it must not be used
    std::vector<std::string>
        references;  ///< frames of this job that show what is meant, by the names the job gives them
    std::string unknownFields;

    static constexpr std::array<std::string_view, 4> kKeys{"unsaid", "dark", "middle", "bright"};
    static constexpr std::array<std::string_view, 6> kTemperatures{"unsaid", "neutral",     "warm",
                                                                   "cool",   "warm-lights", "cool-lights"};
    static constexpr std::array<std::string_view, 4> kLevels{"unsaid", "little", "medium", "much"};
    static constexpr std::array<std::string_view, 4> kFidelities{"unsaid", "true", "leaning", "free"};
    static void fields(auto& visit, auto& self)
    {
        visit.choice("key", self.key, kKeys);
        visit.choice("temperature", self.temperature, kTemperatures);
        visit.choice("contrast", self.contrast, kLevels);
        visit.choice("fade", self.fade, kLevels);
        visit.choice("fidelity", self.fidelity, kFidelities);
        visit.choice("grain", self.grain, kLevels);
        visit.list("plan", self.plan, 8);
        visit.text("madeFor", self.madeFor);
        visit.text("limits", self.limits);
        visit.texts("references", self.references, 64);
    }
};

}  // namespace amber
