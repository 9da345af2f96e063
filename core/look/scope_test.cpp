// Whose value a part of a step is: what is nearest counts, an edit changes it for whom it is, and nothing else moves.
#include "core/look/afterwards.h"
#include "core/look/look_json.h"
#include "tests/support/random_look.h"

#include <gtest/gtest.h>
#include <rapidcheck.h>

namespace amber {
namespace {

using test::Random;

Step contrastOf(double slope, double exposure)
{
    Contrast contrast;
    contrast.slope = slope, contrast.exposure = exposure;
    Step step;
    step.parameters = contrast;
    return step;
}

Contrast contrastOn(const Step& step, const PictureName& picture)
{
    return std::get<Contrast>(stepFor(step, picture).parameters);
}

TEST(Scope, TheNearestHolderCounts)
{
    Step step = contrastOf(1.2, 0);
    step = withHeld(step, holderOfSet("dish"), "slope", 1.5);
    step = withHeld(step, holderOfSet("Yard"), "slope", 0.8);
    step = withHeld(step, holderOfSet("Yard"), "exposure", 0.25);
    step = withHeld(step, "7", "slope", 2);
    EXPECT_EQ(contrastOn(step, {"1"}).slope, 1.2);
    EXPECT_EQ(contrastOn(step, {"1", {"dish", "Yard"}}).slope, 1.5) << "sets in their order";
    EXPECT_EQ(contrastOn(step, {"1", {"dish", "Yard"}}).exposure, 0.25) << "part by part";
    EXPECT_EQ(contrastOn(step, {"1", {"Yard"}}).slope, 0.8);
    EXPECT_EQ(contrastOn(step, {"7", {"dish"}}).slope, 2) << "the picture itself is nearest";
    EXPECT_EQ(holderFor(step, {"7", {"Yard"}}, "exposure"), holderOfSet("Yard"));
    EXPECT_EQ(holdersOf(step, "slope").size(), 3u);
    // A value that is none does nothing.
    EXPECT_EQ(contrastOn(withHeld(step, "7", "slope", "steep"), {"7"}).slope, 1.2);
}

TEST(Scope, SwitchStrengthAndGuardAreHeldLikeParameters)
{
    Step step = contrastOf(1.3, 0);
    step = withHeld(step, "1", step_part::kEnabled, false);
    step = withHeld(step, holderOfSet("Yard"), step_part::kStrength, 0.5);
    Guard guard;
    guard.toneLow = 0.4;
    step.guard.where.role = "sky";
    step = withHeld(step, holderOfSet("Yard"), step_part::kGuard, toJson(guard));
    EXPECT_FALSE(stepFor(step, {"1"}).enabled);
    const Step there = stepFor(step, {"2", {"Yard"}});
    EXPECT_TRUE(there.enabled);
    EXPECT_EQ(there.strength, 0.5);
    EXPECT_EQ(there.guard.toneLow, 0.4);
    EXPECT_EQ(there.guard.where.role, "sky") << "where a role lies is each frame's own already";
    EXPECT_EQ(stepFor(withHeld(step, "3", step_part::kStrength, 9), {"3"}).strength, 1) << "beyond its limits";
}

TEST(Scope, AnEditChangesForWhomTheValueIs)
{
    Step step = withHeld(contrastOf(1.2, 0), holderOfSet("Yard"), "slope", 1.5);
    const PictureName yard{"1", {"Yard"}}, other{"2"};
    // One edit of three parts: the slope is the set's, the others travel.
    Step shown = stepFor(step, yard);
    std::get<Contrast>(shown.parameters).slope = 1.6, std::get<Contrast>(shown.parameters).pivot = 0.4;
    shown.strength = 0.7;
    step = edited(step, yard, shown);
    shown.held = step.held;
    EXPECT_EQ(stepFor(step, yard), shown);
    EXPECT_EQ(contrastOn(step, other).slope, 1.2);
    EXPECT_EQ(contrastOn(step, other).pivot, 0.4);
    EXPECT_EQ(stepFor(step, other).strength, 0.7);
    EXPECT_EQ(contrastOn(step, {"3", {"Yard"}}).slope, 1.6);
}

TEST(Scope, ValuesAreGivenToOthersAndLetGo)
{
    const PictureName here{"1", {"dish", "Yard"}};
    Step step = withHeld(contrastOf(1.2, 0), "1", "slope", 2);
    step = keptFor(step, here, "slope", holderOfSet("Yard"));
    EXPECT_EQ(holdersOf(step, "slope"), std::vector<std::string>{holderOfSet("Yard")}) << "no longer the picture's own";
    EXPECT_EQ(contrastOn(step, {"9", {"Yard"}}).slope, 2);
    step = keptFor(step, here, "slope", "1");
    EXPECT_EQ(contrastOn(letGo(step, here, "slope"), here).slope, 2) << "the light's is next";
    EXPECT_EQ(contrastOn(letGo(letGo(step, here, "slope"), here, "slope"), here).slope, 1.2);
    step = keptFor(step, here, "slope", {});
    EXPECT_TRUE(step.held.empty()) << "for all frames: nobody on the way holds it";
    EXPECT_EQ(contrastOn(step, {"anyone"}).slope, 2);
    EXPECT_EQ(keptFor(step, {"1"}, step_part::kStrength, holderOfSet("away")).held.size(), 1u);
    Look look;
    look.steps = {withHeld(step, holderOfSet("a"), "slope", 1)};
    EXPECT_EQ(withSetRenamed(look, "a", "b").steps[0].held.count(holderOfSet("b")), 1u);
}

TEST(Scope, FamiliesAreHeldByTheirNames)
{
    Step step;
    step.parameters = HueShifts{};
    const PictureName here{"1"}, other{"2"};
    const auto turnOf = [&](const PictureName& picture, const std::string& name) {
        const Step on = stepFor(step, picture);
        for (const HueFamily& family : std::get<HueShifts>(on.parameters).families)
            if (family.name == name)
                return family.move.turnDegrees;
        return -999.0;
    };
    const auto edit = [&](const PictureName& picture, auto&& change) {
        Step shown = stepFor(step, picture);
        change(std::get<HueShifts>(shown.parameters).families);
        step = edited(step, picture, shown);
    };
    step = keptFor(step, here, "families/Clay", "1");
    edit(here, [](auto& f) { f[1].move.turnDegrees = 12, f[3].move.turnDegrees = -5; });
    EXPECT_EQ(turnOf(here, "Clay"), 12);
    EXPECT_EQ(turnOf(other, "Clay"), 0);
    EXPECT_EQ(turnOf(other, "Leaf"), -5) << "the others travel";
    // Renamed, put elsewhere, another one added: the value stays the picture's.
    edit(other, [](auto& f) { f[1].name = "Terracotta"; });
    EXPECT_EQ(turnOf(here, "Terracotta"), 12);
    edit(here, [](auto& f) {
        f.insert(f.begin(), HueFamily{"Moss", 120, 30, {}, {}});
        std::swap(f[2], f[4]);
    });
    EXPECT_EQ(turnOf(here, "Terracotta"), 12);
    EXPECT_EQ(turnOf(other, "Terracotta"), 0);
    EXPECT_EQ(turnOf(other, "Moss"), 0);
    edit(other, [](auto& f) { std::erase_if(f, [](const HueFamily& g) { return g.name == "Terracotta"; }); });
    EXPECT_EQ(turnOf(here, "Terracotta"), -999) << "a family that is gone is gone for all";
}

std::string textOf(const std::optional<Json>& value) { return value ? jsonText(*value) : "nothing"; }

TEST(Scope, WhatAnEditShowsIsWhatThePictureHas)
{
    EXPECT_TRUE(rc::check(
        "stepFor(edited(step, p, x), p) is x, and pictures without its holders keep what they had",
        [](std::uint32_t seed) {
            Random random(seed);
            const int kind = random.whole(0, Random::kKinds - 1);
            Step step{random.parameters(kind), random.flip(), random.between(0, 2), "n", {}};
            const PictureName here{"1", {"dish", "Yard"}}, away{"2", {"Lamp"}};
            for (int i = random.whole(0, 5); i > 0; --i) {
                const auto parts = partsOf(step);
                const auto& part = parts[static_cast<std::size_t>(random.whole(0, static_cast<int>(parts.size()) - 1))];
                const Step other{random.parameters(kind), random.flip(), random.between(0, 2), {}, {}};
                const std::string holders[] = {"1", holderOfSet("dish"), holderOfSet("Lamp"), "2"};
                const Json value = valueOf(other, part);
                if (!value.is_null())
                    step = withHeld(step, holders[random.whole(0, 3)], part, value);
                if (random.flip())
                    step.perPicture.insert(part);
            }
            Step after = stepFor(step, here);
            after.strength = random.between(0, 2), after.guard = random.guard();
            // Of the parameters a few change, as by a hand.
            const Json fresh = parametersOf(Step{random.parameters(kind), true, 1, {}, {}});
            Json mixed = parametersOf(after);
            for (const auto& [name, value] : fresh.items())
                if (random.flip() && name != "families" && name != "hash" && name != "name")
                    mixed[name] = value;
            if (const auto changed = withParameters(after, mixed))
                after.parameters = *changed;
            const Step result = edited(step, here, after);
            Step now = stepFor(result, here);
            RC_ASSERT(jsonText(parametersOf(now)) == jsonText(parametersOf(after)));
            RC_ASSERT(now.strength == after.strength);
            RC_ASSERT(now.enabled == after.enabled);
            RC_ASSERT(jsonText(toJson(now.guard)) == jsonText(toJson(after.guard)));
            // What the other picture's holders hold is as it was.
            for (const std::string& holder : {std::string("2"), holderOfSet("Lamp")})
                for (const std::string& part : heldParts(step))
                    RC_ASSERT(textOf(heldValue(step, holder, part)) == textOf(heldValue(result, holder, part)));
        }));
}

TEST(Scope, TravelsBySetsAndIsKeptInTheJob)
{
    Look look;
    look.steps = {withHeld(withHeld(contrastOf(1.2, 0), holderOfSet("Yard"), "slope", 1.5), "12", "slope", 2)};
    look.steps[0].perPicture = {"exposure"};
    EXPECT_EQ(lookFromText(lookToText(look, false), "job")->look, look);
    const Look travelled = lookFromText(lookToText(look, true), "file")->look;
    EXPECT_EQ(contrastOn(travelled.steps[0], {"12", {"Yard"}}).slope, 1.5);
    EXPECT_EQ(contrastOn(travelled.steps[0], {"12"}).slope, 1.2);
    EXPECT_EQ(travelled.steps[0].perPicture, look.steps[0].perPicture);
    // Files of before: only what was kept per picture counted.
    const char* const old =
        R"({"format": "jolly-amber-look", "version": 1, "name": "Old", "steps": [{"type": "contrast",
        "perPicture": ["slope"], "own": {"3": {"slope": 1.7, "exposure": 0.5}}, "parameters": {}}]})";
    const auto loaded = lookFromText(old, "old");
    ASSERT_TRUE(loaded) << loaded.error().message();
    EXPECT_TRUE(loaded->warnings.empty());
    EXPECT_EQ(contrastOn(loaded->look.steps[0], {"3"}).slope, 1.7);
    EXPECT_EQ(contrastOn(loaded->look.steps[0], {"3"}).exposure, 0);
}

TEST(ChangedAfterwards, CountsWhereAndOffersWhatWasUsual)
{
    Look look;
    look.steps = {contrastOf(1.2, 0), {}};
    look.steps[1].parameters = HueShifts{};
    std::vector<PictureName> pictures;
    for (int i = 1; i <= 10; ++i)
        pictures.emplace_back(std::to_string(i),
                              i <= 4 ? std::vector<std::string>{"Yard"} : std::vector<std::string>{});
    Step& hues = look.steps[1];
    const auto turned = [&](double turn) {
        Json family = valueOf(hues, "families/Clay");
        family["turn"] = turn;
        return family;
    };
    hues = withHeld(hues, holderOfSet("Yard"), "families/Clay", turned(6));
    for (const auto& [picture, turn] : {std::pair{"5", 8.0}, {"6", 8.0}, {"7", 8.0}, {"8", 8.0}, {"9", 8.0}})
        hues = withHeld(hues, picture, "families/Clay", turned(turn));
    look.steps[0] = withHeld(look.steps[0], "2", step_part::kEnabled, false);
    look.steps[0] = withHeld(look.steps[0], "3", "slope", 1.2);  // the same as travels
    const auto changes = changedAfterwards(look, pictures);
    ASSERT_EQ(changes.size(), 2u);
    EXPECT_EQ(changes[0], (ChangedAfterwards{1, "families/Clay", "/turn", 9, 0.0, 8.0}));
    EXPECT_EQ(changes[1], (ChangedAfterwards{0, step_part::kEnabled, {}, 1, true, false}));
    EXPECT_EQ(picturesThatDiffer(look.steps[1], pictures), 9u);
    EXPECT_EQ(picturesThatDiffer(look.steps[0], pictures), 1u);
    const Look better = improved(look, changes[0]);
    EXPECT_EQ(std::get<HueShifts>(better.steps[1].parameters).families[1].move.turnDegrees, 8);
    EXPECT_EQ(better.steps[1].held.size(), 1u) << "who held just that holds it no longer";
    EXPECT_EQ(std::get<HueShifts>(stepFor(better.steps[1], pictures[0]).parameters).families[1].move.turnDegrees, 6);
    EXPECT_EQ(improved(look, changes[1]).steps[0].enabled, false);
}

}  // namespace
}  // namespace amber
