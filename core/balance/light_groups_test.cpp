// Which frames were lit alike, which are exposures of one scene, and which stands for the others.
#include "core/balance/light_groups.h"

#include <gtest/gtest.h>
#include <random>

namespace amber {
namespace {

constexpr std::int64_t kMorning = 1'770'000'000;

/// A frame of a given minute, exposure and light.
FrameFacts facts(int minute, double stops = 0, double a = 0, double b = 0, const std::string& camera = "Plum 3")
{
    FrameFacts f;
    f.capture.seconds = kMorning + 60 * minute;
    f.capture.camera = camera;
    f.capture.exposureSeconds = std::exp2(stops) / 60, f.capture.fNumber = 4, f.capture.sensitivity = 100;
    f.sketch.a = a, f.sketch.b = b, f.sketch.meanL = 0.5;
    return f;
}

/// What a thumbnail of one scene shows, so many stops lighter.
Image scene(double stops, unsigned seed = 1)
{
    Image image(64, 42);
    std::mt19937 engine(seed);
    std::uniform_real_distribution<float> light(0.02f, 0.2f);
    for (int i = 0; i < 64 * 42; ++i) {
        const float v = light(engine) * static_cast<float>(std::exp2(stops));
        std::fill_n(image.mutableView().data + 3 * i, 3, std::min(v, 1.0f));
    }
    return image;
}

TEST(LightGroups, OneLightIsOneGroupWhateverTheExposure)
{
    std::vector<FrameFacts> frames;
    for (int i = 0; i < 8; ++i)
        frames.push_back(facts(2 * i, 0.3 * (i % 3)));
    const auto groups = lightGroups(frames);
    ASSERT_EQ(groups.size(), 1u);
    EXPECT_EQ(groups[0].frames.size(), 8u);
}

TEST(LightGroups, AnotherCameraALongPauseAndAnotherLightBeginANewOne)
{
    std::vector<FrameFacts> frames;
    for (int i = 0; i < 6; ++i)
        frames.push_back(facts(i));
    for (int i = 0; i < 6; ++i)
        frames.push_back(facts(6 + i, 0, 0, 0, "Other 1"));
    for (int i = 0; i < 6; ++i)
        frames.push_back(facts(120 + i, 0, 0, 0, "Other 1"));
    for (int i = 0; i < 6; ++i)
        frames.push_back(facts(126 + i, 0, 0.03, 0.09, "Other 1"));
    const auto groups = lightGroups(frames);
    ASSERT_EQ(groups.size(), 4u);
    for (const LightGroup& group : groups)
        EXPECT_EQ(group.frames.size(), 6u);
}

TEST(LightGroups, FramesComeInTheOrderOfTheirTime)
{
    const auto groups = lightGroups({facts(9), facts(3), facts(6)});
    ASSERT_EQ(groups.size(), 1u);
    EXPECT_EQ(groups[0].frames, (std::vector<std::size_t>{1, 2, 0}));
}

TEST(LightGroups, TheLeadIsInTheMiddleOfItsGroup)
{
    std::vector<FrameFacts> frames{facts(0, -2), facts(1, 0, 0.02, 0.02), facts(2), facts(3, 2), facts(4, 0, -0.02, 0)};
    const auto groups = lightGroups(frames);
    ASSERT_EQ(groups.size(), 1u);
    EXPECT_EQ(groups[0].lead, 2u);
}

TEST(LightGroups, NothingAndOneFrameAreTaken)
{
    EXPECT_TRUE(lightGroups({}).empty());
    const auto one = lightGroups({FrameFacts{}});
    ASSERT_EQ(one.size(), 1u);
    EXPECT_EQ(one[0].lead, 0u);
}

FrameFacts exposed(int minute, double stops, unsigned seed = 1, double clippedHigh = 0)
{
    FrameFacts f = facts(minute, stops);
    f.small = scene(stops, seed);
    f.clippedHigh = clippedHigh;
    return f;
}

TEST(Brackets, AreRunsOfOneSceneAtOtherExposures)
{
    const std::vector<FrameFacts> frames{exposed(0, 0, 7), exposed(1, -2, 1), exposed(1, 0, 1), exposed(1, 2, 1, 0.2),
                                         exposed(5, 0, 9)};
    const auto brackets = findBrackets(frames);
    ASSERT_EQ(brackets.size(), 1u);
    EXPECT_EQ(brackets[0].frames, (std::vector<std::size_t>{1, 2, 3}));
    EXPECT_NE(brackets[0].proposed, 3u) << "the one that is clipped";
}

TEST(Brackets, OtherThingsOtherAperturesAndSmallStepsAreNone)
{
    EXPECT_TRUE(findBrackets({exposed(0, -2, 1), exposed(0, 0, 2), exposed(0, 2, 3)}).empty());
    EXPECT_TRUE(findBrackets({exposed(0, -0.3), exposed(0, 0), exposed(0, 0.3)}).empty());
    auto open = std::vector{exposed(0, -2), exposed(0, 0), exposed(0, 2)};
    for (std::size_t i = 0; i < open.size(); ++i)
        open[i].capture.fNumber = 2.8 + static_cast<double>(i);
    EXPECT_TRUE(findBrackets(open).empty());
}

TEST(Likeness, IsOneForAnyRisingCurveAndAboutNothingForOtherThings)
{
    const Image one = scene(0), lighter = scene(1), other = scene(0, 99);
    EXPECT_NEAR(likeness(one.view(), lighter.view()), 1, 1e-6);
    EXPECT_LT(std::abs(likeness(one.view(), other.view())), 0.1);
    EXPECT_EQ(likeness(one.view(), Image(10, 10).view()), 0);
}

}  // namespace
}  // namespace amber
