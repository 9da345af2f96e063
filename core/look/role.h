// A role of a look: a part of pictures that steps are for (a sky, a face, the ground), by its name. Where it lies on a
// picture is that picture's area (core/area/area.h) and no part of the look, so that a look with local work lands on
// every frame that has one.
#pragma once

#include "core/look/steps/fields.h"

#include <array>

namespace amber {

struct Role {
    std::string name;
    enum class Kind { Sky, Subject, Thing, Skin, Ground, Light, Distraction, Free } kind = Kind::Thing;
    std::string purpose;     ///< in a sentence, what it is for
    double mostOverlap = 1;  ///< share of it that may lie in others, 0..1
    std::string unknownFields;
    bool operator==(const Role&) const = default;

    static constexpr std::array<std::string_view, 8> kKinds{"sky",    "subject", "thing",       "skin",
                                                            "ground", "light",   "distraction", "free"};
    static void fields(auto& visit, auto& self)
    {
        visit.text("name", self.name);
        visit.choice("kind", self.kind, kKinds);
        visit.text("purpose", self.purpose);
        visit.number("mostOverlap", self.mostOverlap, 0, 1);
    }
};
inline constexpr std::size_t kRoleLimit = 16;

/// Where a step works: inside a role, or outside it. Its weight where the role has the weight m (0..1) is
///   elsewhere + w (density - elsewhere),  w = m inside, 1 - m outside.
/// A picture of which it is not known where the role lies is left alone by the step.
struct RoleBinding {
    std::string role;  ///< by name; empty: everywhere
    bool isOutside = false;
    double density = 1, elsewhere = 0;  ///< shares of the step's strength
    std::string unknownFields;
    bool operator==(const RoleBinding&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.text("role", self.role);
        visit.boolean("outside", self.isOutside);
        visit.number("density", self.density, 0, 1);
        visit.number("elsewhere", self.elsewhere, 0, 1);
    }
    bool isBound() const { return !role.empty(); }
    /// The weight is  base + slope m.
    double base() const { return isOutside ? density : elsewhere; }
    double slope() const { return isOutside ? elsewhere - density : density - elsewhere; }
};

}  // namespace amber
