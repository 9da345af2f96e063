// What frames say about one another: which were lit alike, which are exposures of one scene, which are one picture
// twice, which will be hard.
#include "core/job/overview.h"

#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace amber {
namespace {

TEST(JobOverview, DuplicatesAreFramesWithTheContentOfAnEarlierOne)
{
    std::vector<Frame> frames(5);
    const char* hashes[] = {"aa", "bb", "aa", "", "aa"};
    for (std::size_t i = 0; i < frames.size(); ++i)
        frames[i].id = static_cast<FrameId>(i + 1), frames[i].hash = hashes[i];
    frames[4].isLost = true;
    EXPECT_EQ(duplicatesOf(frames), (std::map<FrameId, FrameId>{{3, 1}})) << "what is lost or unread is nobody's twin";
}

/// A frame of a flat colour, taken at a second.
FrameFacts factsOf(double light, double warm, std::int64_t seconds)
{
    Image image(60, 40);
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) {
            float* p = image.mutableView().row(y) + 3 * x;
            const double tone = light * (1 + 0.2 * ((x / 7 + y / 5) % 2));
            p[0] = static_cast<float>(tone * warm), p[1] = static_cast<float>(tone),
            p[2] = static_cast<float>(tone / warm);
        }
    CaptureFacts capture;
    capture.camera = "Own camera", capture.seconds = seconds;
    return frameFacts(image.view(), capture);
}

TEST(JobOverview, LightsAreNamedByTheirTimeAndLaterFramesJoinThem)
{
    constexpr std::int64_t kMorning = 1777889460, kNoon = kMorning + 7200;  // 4 May 2026, 10:11 UTC
    ReadFrames read;
    for (int i = 0; i < 8; ++i) {
        read.ids.push_back(i + 1);
        read.facts.push_back(i < 4 ? factsOf(0.2, 1.0, kMorning + 30 * i) : factsOf(0.3, 1.4, kNoon + 30 * i));
    }
    const auto lights = proposedLights(read);
    ASSERT_EQ(lights.size(), 2u);
    EXPECT_EQ(lights[0].name, "Light 1, 4 May 10:11");
    EXPECT_EQ(lights[1].frames, (std::vector<FrameId>{5, 6, 7, 8}));
    // The artist named and arranged; two frames came later, one in the light of the first.
    std::vector<Light> arranged = lights;
    arranged[0].name = "Window";
    std::erase(arranged[0].frames, 2), std::erase(arranged[1].frames, 8);
    const auto now = withNewFrames(arranged, read);
    ASSERT_EQ(now.size(), 2u);
    EXPECT_EQ(now[0].name, "Window");
    EXPECT_EQ(now[0].frames, (std::vector<FrameId>{1, 3, 4, 2}));
    EXPECT_EQ(now[1].frames, (std::vector<FrameId>{5, 6, 7, 8}));
    EXPECT_EQ(withNewFrames(now, read), now);
    // Frames lit like no other make a light of their own.
    arranged.pop_back();
    const auto alone = withNewFrames(arranged, read);
    ASSERT_EQ(alone.size(), 2u);
    EXPECT_EQ(alone[1].name, "Light 2");
}

TEST(JobOverview, WhatIsUnsureClippedOrBracketedIsHarder)
{
    FrameState sure, unsure;
    sure.balance.confidence = 0.9, unsure.balance.confidence = 0.3;
    FrameFacts clipped;
    clipped.clippedHigh = 0.1;
    EXPECT_NEAR(difficultyOf(sure, nullptr, false), 1.1, 1e-9);
    EXPECT_NEAR(difficultyOf(unsure, nullptr, false), 1.7, 1e-9);
    EXPECT_NEAR(difficultyOf(sure, &clipped, false), 1.5, 1e-9);
    EXPECT_NEAR(difficultyOf(sure, &clipped, true), 2.0, 1e-9);
    clipped.clippedHigh = clipped.clippedLow = 1;
    EXPECT_LE(difficultyOf(FrameState{}, &clipped, true), 4);
}

TEST(JobOverview, ExposuresOfOneSceneAreABracketNamedByTheirIds)
{
    // Of one scene: three a stop and a half apart; then another scene, as light as the second.
    const auto exposed = [](double stops, std::int64_t seconds, unsigned seed) {
        FrameFacts f;
        f.capture.camera = "Own camera", f.capture.seconds = seconds;
        f.capture.exposureSeconds = std::exp2(stops) / 60, f.capture.fNumber = 8, f.capture.sensitivity = 100;
        f.small = Image(48, 32);
        std::mt19937 engine(seed);
        std::uniform_real_distribution<float> light(0.01f, 0.4f);
        int clipped = 0;
        for (int i = 0; i < 48 * 32; ++i) {
            const float v = light(engine) * static_cast<float>(std::exp2(stops));
            clipped += v > 1;
            std::fill_n(f.small.mutableView().data + 3 * i, 3, std::min(v, 1.0f));
        }
        f.clippedHigh = clipped / (48.0 * 32);
        return f;
    };
    ReadFrames read;
    read.ids = {40, 7, 19, 3};
    read.facts = {exposed(0, 100, 1), exposed(1.5, 101, 1), exposed(3, 102, 1), exposed(1.5, 400, 2)};
    const auto brackets = bracketsOf(read);
    ASSERT_EQ(brackets.size(), 1u);
    EXPECT_EQ(brackets[0].frames, (std::vector<FrameId>{40, 7, 19}));
    EXPECT_EQ(brackets[0].proposed, 40) << "nothing of it is clipped";
    read.facts[1].capture.fNumber = 4;
    EXPECT_TRUE(bracketsOf(read).empty()) << "the aperture was changed by hand";
}

}  // namespace
}  // namespace amber
