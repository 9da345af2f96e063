// Sayings measured, and the palette test.
#include "core/analysis/palette_test.h"
#include "core/analysis/sayings.h"
#include "core/colour/oklab.h"

#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace amber {
namespace {

/// Vertical bands of these colours, each as wide as its share.
Image bands(const std::vector<std::pair<OkLch, double>>& colours, int width = 200, int height = 60)
{
    Image image(width, height);
    int from = 0;
    double shares = 0;
    for (const auto& [colour, share] : colours) {
        shares += share;
        const int to = static_cast<int>(std::lround(shares * width));
        const LinearRgb c = toLinearRgb(toOkLab(colour));
        for (int y = 0; y < height; ++y)
            for (int x = from; x < to; ++x) {
                float* p = image.mutableView().row(y) + 3 * x;
                p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
            }
        from = to;
    }
    return image;
}

TEST(PaletteTest, TellsWhatLandsInThePlanAndWhatFightsItAfterTheLook)
{
    // Clay in the plan, lagoon not, grey quiet.
    const Image room = bands({{{0.6, 0.1, 55}, 0.4}, {{0.6, 0.1, 200}, 0.4}, {{0.7, 0.005, 90}, 0.2}});
    Look look;
    look.card.plan = {{60, 60, {}}};
    auto test = paletteTest(look, room.view(), {});
    ASSERT_TRUE(test) << test.error().message();
    EXPECT_FALSE(test->isPlanFound);
    ASSERT_FALSE(test->lands.empty() || test->fights.empty() || test->quiet.empty());
    EXPECT_NEAR(test->landing, 0.5, 0.03);
    EXPECT_NEAR(test->fighting, 0.5, 0.03);
    EXPECT_NEAR(toOkLch(toOkLab(test->fights[0].before)).hueDegrees, 200, 3);
    EXPECT_NEAR(std::abs(test->fights[0].degreesOff), 110, 3);
    // A look that takes lagoon to clay: nothing fights any more.
    HueShifts shifts;
    for (HueFamily& family : shifts.families)
        if (family.name == "Lagoon")
            family.move.chroma = 0;
    look.steps.emplace_back();
    look.steps[0].parameters = shifts;
    test = paletteTest(look, room.view(), {});
    ASSERT_TRUE(test);
    EXPECT_LT(test->fighting, 0.35);
}

TEST(PaletteTest, TakesAPlanFromTheFramesWhenTheLookHasNone)
{
    const Image frames = bands({{{0.6, 0.1, 30}, 0.6}, {{0.6, 0.08, 140}, 0.3}, {{0.7, 0.002, 0}, 0.1}});
    const Image room = bands({{{0.6, 0.1, 140}, 0.5}, {{0.6, 0.1, 260}, 0.5}});
    const auto test = paletteTest({}, room.view(), {frames});
    ASSERT_TRUE(test);
    EXPECT_TRUE(test->isPlanFound);
    ASSERT_EQ(test->plan.size(), 2u);
    EXPECT_NEAR(test->plan[0].hue, 30, 5);
    EXPECT_LE(std::abs(hueDifference(test->plan[1].hue, 140)), 5);
    EXPECT_EQ(test->fights.size(), 1u);
    EXPECT_FALSE(paletteTest({}, room.view(), {}));
    EXPECT_FALSE(paletteTest({}, room.view(), {bands({{{0.5, 0.001, 0}, 1}})})) << "grey frames give no plan";
}

std::vector<LinearRgb> someColours()
{
    std::mt19937 random(2);
    std::uniform_real_distribution<double> tone(0.3, 0.8), chroma(0.01, 0.15), hue(0, 360);
    std::vector<LinearRgb> all;
    for (int i = 0; i < 600; ++i)
        all.push_back(toLinearRgb(toOkLab(OkLch{tone(random), chroma(random), hue(random)})));
    return all;
}

TEST(Sayings, AreMeasuredAsTheyAre)
{
    const auto colours = someColours();
    const EvenChroma reserved = measureReservedChroma(colours);
    EXPECT_GT(reserved.muted, reserved.strong) << "it lifts the muted ones more, as its formula says";
    EXPECT_GT(reserved.strong, 1);
    const Warmed warmed = measureWarmerWhite(colours);
    EXPECT_GT(warmed.skins, 20);
    EXPECT_GT(warmed.others, 0.5 * warmed.skin) << "all colours move";
    const ToneTints tints = measureSplitToning();
    EXPECT_GT(tints.middle, 0.01);
    EXPECT_GT(tints.ends, tints.middle);
    EXPECT_EQ(measureEightBits({}).left, 256);
    EXPECT_EQ(measureEightBits({}).widestStep, 1);
    Look look;
    look.steps.emplace_back();
    Contrast contrast;
    contrast.slope = 2;
    look.steps[0].parameters = contrast;
    EXPECT_LT(measureEightBits(look).left, 220);
    EXPECT_GT(measureEightBits(look).widestStep, 1);
    const auto loss = measureTableLoss(look, colours);
    ASSERT_TRUE(loss);
    EXPECT_GT(loss->maximum, loss->mean);
    EXPECT_EQ(loss->leftOut, 0);
    look.steps.emplace_back();
    Grain grain;
    grain.amount = 0.05;
    look.steps[1].parameters = grain;
    EXPECT_EQ(measureTableLoss(look, colours)->leftOut, 1);
}

TEST(Sayings, SharpeningDoesNotBringBackNoiseAndEndsCostPixels)
{
    constexpr int kWidth = 1200, kHeight = 800;  // of which fine detail is more than a pixel
    Image noise(kWidth, kHeight);
    std::mt19937 random(4);
    std::uniform_real_distribution<float> value(0.05F, 0.9F);
    for (int i = 0; i < 3 * kWidth * kHeight; i += 3)
        noise.mutableView().data[i] = noise.mutableView().data[i + 1] = noise.mutableView().data[i + 2] = value(random);
    const Sharpened sharpened = measureSharpening(noise.view());
    EXPECT_LT(sharpened.broughtBack, 0.2) << "what is not in the halved picture does not come back";
    EXPECT_GT(sharpened.noiseFactor, 1.05);
    const EndsCost cost = measureEndsCost(noise.view());
    EXPECT_EQ(cost.before, 0);
    EXPECT_NEAR(cost.after, 0.01, 0.003);
    EXPECT_EQ(measureSharpening(Image(8, 8).view()).broughtBack, 0) << "too small to say";
}

}  // namespace
}  // namespace amber
