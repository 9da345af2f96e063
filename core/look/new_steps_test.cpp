// What even towards and shelters promise, by the definition.
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/look/look.h"
#include "tests/support/random_look.h"

#include <gtest/gtest.h>
#include <rapidcheck.h>

namespace amber {
namespace {

using test::Random;

EvenTowards evenAt(const OkLch& c, double hue, double chroma, double lightness)
{
    EvenTowards step;
    step.range.lightness = c.L, step.range.chroma = c.chroma, step.range.hue = c.hueDegrees;
    step.towardsHue = hue, step.towardsChroma = chroma, step.towardsLightness = lightness;
    return step;
}

OkLch through(const EvenTowards& step, const OkLch& c)
{
    return toOkLch(toOkLab(evaluate(step, toLinearRgb(toOkLab(c)))));
}

TEST(EvenTowards, DrawsByHueChromaAndLightnessApart)
{
    const OkLch skin{0.65, 0.1, 55}, red{0.6, 0.12, 38};
    const OkLch hue = through(evenAt(skin, 0.8, 0, 0), red), chroma = through(evenAt(skin, 0, 0.8, 0), red),
                light = through(evenAt(skin, 0, 0, 0.8), red);
    EXPECT_GT(hue.hueDegrees, 43);
    EXPECT_LT(hue.hueDegrees, 55);
    EXPECT_NEAR(hue.chroma, 0.12, 1e-9);
    EXPECT_NEAR(hue.L, 0.6, 1e-9);
    EXPECT_LT(chroma.chroma, 0.113);
    EXPECT_NEAR(chroma.hueDegrees, 38, 1e-6);
    EXPECT_GT(light.L, 0.62);
    EXPECT_NEAR(light.chroma, 0.12, 1e-9);
    // The sampled colour stays, one outside the range is not touched at all, a grey stays grey.
    const EvenTowards all = evenAt(skin, 1, 1, 1);
    EXPECT_NEAR(ciede2000(evaluate(all, toLinearRgb(toOkLab(skin))), toLinearRgb(toOkLab(skin))), 0, 1e-6);
    const LinearRgb leaf = toLinearRgb(toOkLab(OkLch{0.6, 0.12, 140}));
    EXPECT_NEAR(ciede2000(evaluate(all, leaf), leaf), 0, 1e-6);
    EXPECT_LT(through(all, {0.65, 0, 0}).chroma, 1e-9);
}

TEST(EvenTowards, KeepsTheOrderOfColours)
{
    EXPECT_TRUE(rc::check("a colour farther off stays farther off", [](std::uint32_t seed) {
        Random random(seed);
        const EvenTowards step = random.any<EvenTowards>();
        // Along one hue, one chroma, one lightness at a time: what goes in increasing comes out increasing.
        const double at = random.between(0, 170), chroma = random.between(0.02, 0.3), L = random.between(0.1, 0.95);
        const double way = random.flip() ? 1 : -1, by = random.between(0.5, 8);
        const auto away = [&](double d) {
            const OkLch out = through(step, {L, chroma, wrapDegrees(step.range.hue + way * d)});
            return way * hueDifference(step.range.hue, out.hueDegrees);
        };
        if (at + by < 175)
            RC_ASSERT(away(at + by) > away(at) - 1e-6);
        const auto lightness = [&](double v) { return through(step, {v, chroma, step.range.hue}).L; };
        RC_ASSERT(lightness(L + 0.01) > lightness(L) - 1e-9);
    }));
}

/// The kinds of steps that can be told to leave a colour alone.
StepParameters strong(Random& random, int which)
{
    switch (which) {
    case 0:
        return random.parameters(test::placeOf<HueShifts>());
    case 1:
        return random.parameters(test::placeOf<Primaries>());
    case 2:
        return random.parameters(test::placeOf<SplitToning>());
    default:
        return random.parameters(test::placeOf<Wash>());
    }
}

TEST(Shelter, HoldsAColourBackInEveryStepThatTints)
{
    EXPECT_TRUE(rc::check(
        "the sheltered colour stays, half sheltered it moves half, others as without", [](std::uint32_t seed) {
            Random random(seed);
            Step step{strong(random, random.whole(0, 3)), true, random.between(0.2, 1.5), {}, {}};
            const OkLch skin{random.between(0.3, 0.85), random.between(0.08, 0.2), random.between(0, 359)};
            const LinearRgb c = toLinearRgb(toOkLab(skin));
            const OkLab open = toOkLab(evaluate(step, c)), before = toOkLab(c);
            Step held = step;
            held.guard.shelters = {{"skin", 1, {skin.L, skin.chroma, skin.hueDegrees, 0.2, 0.05, 20}, {}}};
            const double near = weightAt(held.guard.shelters[0].colours, before);
            RC_ASSERT(near > 0.85);
            const OkLab kept = toOkLab(evaluate(held, c));
            RC_ASSERT(std::abs(kept.L - (before.L + (1 - near) * (open.L - before.L))) < 1e-9);
            RC_ASSERT(std::abs(kept.a - (before.a + (1 - near) * (open.a - before.a))) < 1e-9);
            held.guard.shelters[0].amount = 0.5;
            RC_ASSERT(std::abs(toOkLab(evaluate(held, c)).b - (before.b + (1 - near / 2) * (open.b - before.b))) <
                      1e-9);
            const LinearRgb far = toLinearRgb(toOkLab(OkLch{skin.L, skin.chroma, wrapDegrees(skin.hueDegrees + 60)}));
            RC_ASSERT(std::abs(evaluate(held, far).g - evaluate(step, far).g) < 1e-12);
        }));
}

}  // namespace
}  // namespace amber
