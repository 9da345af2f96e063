// One frame's light: gains of the cones, one after another, and what they do to colours and regions.
#include "core/frame/balance.h"
#include "core/frame/frame_balance.h"

#include <gtest/gtest.h>
#include <random>
#include <rapidcheck/gtest.h>

namespace amber {
namespace {

Balance anyBalance()
{
    return {*rc::gen::inRange(-300, 300) / 100.0, static_cast<double>(*rc::gen::inRange(3200, 11000)),
            *rc::gen::inRange(-150, 150) / 10.0};
}

LinearRgb anyColour()
{
    const auto channel = [] { return *rc::gen::inRange(2, 90) / 100.0; };
    return {channel(), channel(), channel()};
}

void expectAlike(const LinearRgb& found, const LinearRgb& wanted, double share)
{
    RC_ASSERT(std::abs(found.r - wanted.r) <= share * std::abs(wanted.r) + 1e-6);
    RC_ASSERT(std::abs(found.g - wanted.g) <= share * std::abs(wanted.g) + 1e-6);
    RC_ASSERT(std::abs(found.b - wanted.b) <= share * std::abs(wanted.b) + 1e-6);
}

// A light is found back from its gains to a hundredth or so (lightOf), and no more is asked here.
constexpr double kFoundBack = 0.03;

RC_GTEST_PROP(BalanceGains, OneAfterAnotherIsBothAtOnce, ())
{
    const Balance one = anyBalance(), other{*rc::gen::inRange(-100, 100) / 100.0, 5600, 0};
    const LinearRgb c = anyColour();
    expectAlike(balanced(added(one, other), {}, c), balanced(other, {}, balanced(one, {}, c)), kFoundBack);
}

RC_GTEST_PROP(BalanceGains, TakenAwayIsAsItWas, ())
{
    const Balance one = anyBalance(), other{*rc::gen::inRange(-100, 100) / 100.0, 7200, 2};
    const LinearRgb c = anyColour();
    expectAlike(balanced(without(added(one, other), other), {}, c), balanced(one, {}, c), 2 * kFoundBack);
}

TEST(BalanceGains, NothingAddedChangesNothing)
{
    const Balance one{0.4, 4321, 3.5};
    EXPECT_EQ(added(one, {}), one);
    EXPECT_EQ(without(one, {}), one);
    for (const double gain : coneGains({}))
        EXPECT_NEAR(gain, 0, 1e-9);
    for (const double gain : coneGains({1.5, Balance{}.kelvin, 0}))
        EXPECT_NEAR(gain, 1.5, 1e-9);
}

TEST(BalanceGains, AChangeOfLightMovesTheRatiosOfAllColoursAlike)
{
    const Balance light{0, 4300, 4};
    const auto gains = coneGains(light);
    for (const LinearRgb& c : {LinearRgb{0.2, 0.3, 0.4}, LinearRgb{0.7, 0.1, 0.2}, LinearRgb{0.4, 0.4, 0.4}}) {
        const auto before = coneRatios(c), after = coneRatios(balanced(light, {}, c));
        ASSERT_TRUE(before && after);
        EXPECT_NEAR((*after)[0] - (*before)[0], gains[0] - gains[1], 1e-6);
        EXPECT_NEAR((*after)[1] - (*before)[1], gains[2] - gains[1], 1e-6);
    }
    EXPECT_FALSE(coneRatios({0, 0, 0})) << "black has no ratios";
}

TEST(BalanceGains, SceneLightAndBackIsThePicture)
{
    const Response raw = baseRendering();
    for (int i = 1; i < 20; ++i) {
        const LinearRgb c{0.045 * i, 0.03 * i, 0.05 * (20 - i) / 2};
        const LinearRgb again = toPictureLight(raw, toSceneLight(raw, c));
        EXPECT_NEAR(again.r, c.r, 2e-3);
        EXPECT_NEAR(again.g, c.g, 2e-3);
        EXPECT_NEAR(again.b, c.b, 2e-3);
    }
}

TEST(BalanceGains, APictureIsBalancedPixelByPixel)
{
    constexpr int kWidth = 37, kHeight = 11;
    std::mt19937 engine(1);
    std::uniform_real_distribution<float> light(0.01f, 0.9f);
    Image picture(kWidth, kHeight);
    for (int i = 0; i < 3 * kWidth * kHeight; ++i)
        picture.mutableView().data[i] = light(engine);
    const Image before = picture;
    const Balance balance{0.7, 5100, -3};
    for (const Response& response : {Response{}, baseRendering()}) {
        Image after = before;
        applyBalance(balance, response, after.mutableView());
        for (int i = 0; i < kWidth * kHeight; ++i) {
            const float *p = before.view().data + 3 * i, *q = after.view().data + 3 * i;
            const LinearRgb wanted = balanced(balance, response, {p[0], p[1], p[2]});
            // Rows go through a table of the response; single colours do not.
            const double kFloat = response.isIdentity() ? 2e-5 : 3e-4;
            EXPECT_NEAR(q[0], wanted.r, kFloat);
            EXPECT_NEAR(q[1], wanted.g, kFloat);
            EXPECT_NEAR(q[2], wanted.b, kFloat);
        }
    }
}

TEST(BalanceGains, EndsLieWhereTheyWereSet)
{
    FrameBalance balance;
    balance.ends = {0.02, 0.8};
    const LinearRgb black = balancedColour({0.02, 0.02, 0.02}, balance, {}),
                    white = balancedColour({0.8, 0.8, 0.8}, balance, {});
    EXPECT_NEAR(black.g, 0, 1e-9);
    EXPECT_NEAR(white.g, 1, 1e-9);
    Image picture(1, 1);
    std::fill_n(picture.mutableView().data, 3, 0.8f);
    applyLight(balance, {}, balance.placement(1, 1), 0, picture.mutableView());
    EXPECT_NEAR(picture.view().data[1], 1, 1e-6);
}

TEST(FramePlaces, ARegionGoesToTheSourceAndBack)
{
    Geometry geometry;
    geometry.straightenDegrees = 3, geometry.leanUp = 0.05;
    geometry.crop = {0.1, 0.15, 0.9, 0.85};
    const Region place{0.4, 0.45, 0.5, 0.55};
    const Placement turned({}, geometry, 1500, 1000), still({}, {}, 1500, 1000);
    const Region source = turned.inSource(place), again = turned.inPlaced(source);
    // A turned region is kept as an upright one round it, so it grows a little and stays where it is.
    constexpr double kGrown = 0.02;
    EXPECT_NEAR((again.left + again.right) / 2, 0.45, 1e-3);
    EXPECT_NEAR((again.top + again.bottom) / 2, 0.5, 1e-3);
    EXPECT_NEAR(again.right - again.left, 0.1, kGrown);
    const Region plain = still.inSource(place);
    EXPECT_NEAR(plain.left, place.left, 1e-9);
    EXPECT_NEAR(plain.bottom, place.bottom, 1e-9);
}

TEST(FrameBalanceText, WhatIsWrongIsNamed)
{
    for (const auto& [text, field] :
         {std::pair("{\"kelvin\": \"warm\"}", "kelvin"), std::pair("{\"exposureLocked\": 1}", "exposureLocked"),
          std::pair("{\"crop\": [0, 0, 1]}", "crop"), std::pair("{\"crop\": [0.5, 0, 0.5, 1]}", "crop"),
          std::pair("{\"response\": 7}", "response"), std::pair("{\"stops\": null}", "stops")}) {
        const auto read = frameBalanceFromText(text);
        ASSERT_FALSE(read) << text;
        EXPECT_NE(read.error().message().find(field), std::string::npos) << read.error().message();
    }
    EXPECT_FALSE(frameBalanceFromText("[1, 2]"));
    EXPECT_FALSE(frameBalanceFromText("{"));
}

TEST(FrameBalanceText, NumbersComeWithinTheirLimitsAndTheRestStays)
{
    const auto read = frameBalanceFromText("{\"kelvin\": 900, \"stops\": 99, \"tint\": -3, \"whiteLocked\": true}");
    ASSERT_TRUE(read);
    EXPECT_EQ(read->light.kelvin, 2000);
    EXPECT_EQ(read->light.exposureStops, 8);
    EXPECT_EQ(read->light.tint, -3);
    EXPECT_TRUE(read->whiteLocked);
    EXPECT_EQ(*frameBalanceFromText(frameBalanceToText(*read)), *read);
}

}  // namespace
}  // namespace amber
