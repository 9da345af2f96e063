// Frames of a group placed against their lead: by what joins them, by what each says of itself, and by what is known.
#include "core/balance/balance_words.h"
#include "core/balance/group_solver.h"
#include "core/balance/ratio_map.h"

#include <gtest/gtest.h>
#include <random>

namespace amber {
namespace {

constexpr double kClose = 0.02;  // log2 of a gain: a hundredth and a half

FrameLink link(std::size_t from, std::size_t to, const GainVector& difference, double deviation = 0.004)
{
    return {from, to, difference, deviation, 0.5, 200, false};
}

FrameHints hints(std::optional<double> stops, double lm = 0, double sm = 0)
{
    FrameHints own;
    own.stops = stops;
    own.colours = {0, lm, sm};
    own.likeness = 0.9;
    return own;
}

std::vector<FrameHints> leadAnd(std::size_t more)
{
    std::vector<FrameHints> frames(more + 1, hints(std::nullopt));
    frames[0].isFixed = true;
    return frames;
}

void expectNear(const GainVector& found, const GainVector& wanted, double within)
{
    for (int k = 0; k < 3; ++k)
        EXPECT_NEAR(found[k], wanted[k], within) << "gain " << k;
}

TEST(GroupSolver, GainsAddUpAlongLinks)
{
    auto frames = leadAnd(2);
    frames[1] = hints(0.5, 0.1, -0.3), frames[2] = hints(-1.0, 0.2, -0.6);
    const std::vector<FrameLink> links{link(1, 0, {0.5, 0.1, -0.3}), link(1, 2, {1.5, -0.1, 0.3})};
    const PlacedFrames placed = placeFrames(frames, links, 0);
    expectNear(placed.gains[0], {0, 0, 0}, 1e-12);
    expectNear(placed.gains[1], {0.5, 0.1, -0.3}, kClose);
    expectNear(placed.gains[2], {-1.0, 0.2, -0.6}, kClose);
    EXPECT_TRUE(placed.isLinked[1] && placed.isLinked[2]);
}

TEST(GroupSolver, ALinkThatDoesNotFitLosesItsSay)
{
    auto frames = leadAnd(1);
    frames[1] = hints(0.4);
    // Three links agree with the settings, one is far off: two pictures of other things that happened to match.
    const std::vector<FrameLink> links{link(1, 0, {0.4, 0, 0}), link(1, 0, {0.41, 0, 0}), link(1, 0, {0.39, 0, 0}),
                                       link(1, 0, {2.5, 0.8, -1})};
    expectNear(placeFrames(frames, links, 0).gains[1], {0.4, 0, 0}, kClose);
}

TEST(GroupSolver, WithoutLinksTheSettingsAndTheColoursPlaceAFrame)
{
    auto frames = leadAnd(1);
    frames[1] = hints(-0.75);
    const PlacedFrames placed = placeFrames(frames, {}, 0);
    EXPECT_FALSE(placed.isLinked[1]);
    EXPECT_TRUE(placed.isLinked[0]);
    EXPECT_NEAR(placed.gains[1][0], -0.75, kClose);
    EXPECT_NEAR(placed.gains[1][1], 0, kClose);
}

TEST(GroupSolver, ALooseSetHangsTogetherAndIsPlacedByWhatItSaysOfItself)
{
    auto frames = leadAnd(3);
    for (std::size_t i = 1; i <= 3; ++i)
        frames[i] = hints(0.25 * static_cast<double>(i));
    const std::vector<FrameLink> links{link(2, 1, {0.25, 0, 0}), link(3, 2, {0.25, 0, 0})};
    const PlacedFrames placed = placeFrames(frames, links, 0);
    for (std::size_t i = 1; i <= 3; ++i) {
        EXPECT_FALSE(placed.isLinked[i]);
        EXPECT_NEAR(placed.gains[i][0], 0.25 * static_cast<double>(i), kClose);
    }
}

TEST(GroupSolver, WhatIsKnownByHandStays)
{
    auto frames = leadAnd(1);
    frames[1] = hints(0.0);
    frames[1].start = GainVector(1.25, 0.2, -0.4), frames[1].isFixed = true;
    const PlacedFrames placed = placeFrames(frames, {link(1, 0, {0, 0, 0})}, 0);
    expectNear(placed.gains[1], {1.25, 0.2, -0.4}, 1e-12);
}

TEST(GroupSolver, ManyNoisyLinksAreBetterThanEachOfThem)
{
    constexpr std::size_t kFrames = 60;
    constexpr double kNoise = 0.03;
    std::mt19937 engine(20261128);
    std::normal_distribution<double> noise(0, kNoise), drift(0, 0.005), stops(0, 0.7);
    auto frames = leadAnd(kFrames - 1);
    std::vector<GainVector> truth(kFrames, GainVector::Zero());
    for (std::size_t i = 1; i < kFrames; ++i) {
        truth[i] = {stops(engine), drift(engine), drift(engine)};
        frames[i] = hints(truth[i][0] + noise(engine), truth[i][1], truth[i][2]);
    }
    std::vector<FrameLink> links;
    for (std::size_t i = 0; i < kFrames; ++i)
        for (std::size_t j = i + 1; j < std::min(kFrames, i + 6); ++j)
            links.push_back(link(
                i, j, truth[i] - truth[j] + GainVector(noise(engine), noise(engine) / 4, noise(engine) / 4), kNoise));
    const PlacedFrames placed = placeFrames(frames, links, 0);
    double squares = 0;
    for (std::size_t i = 0; i < kFrames; ++i)
        squares += std::pow(placed.gains[i][0] - truth[i][0], 2);
    EXPECT_LT(std::sqrt(squares / kFrames), kNoise);
}

TEST(GroupSolver, ABalanceIsItsGains)
{
    for (const Balance& balance : {Balance{}, Balance{1.5, 4200, 8}, Balance{-2, 9000, -12}}) {
        const Balance again = toBalance(toGainVector(balance));
        EXPECT_NEAR(again.exposureStops, balance.exposureStops, 0.02);
        EXPECT_NEAR(again.kelvin / balance.kelvin, 1, 0.02);
        EXPECT_NEAR(again.tint, balance.tint, 1);
    }
}

/// Patches of many hues and tones.
Image patches()
{
    Image image(120, 80);
    std::mt19937 engine(5);
    std::uniform_real_distribution<float> light(0.03f, 0.8f);
    for (int by = 0; by < 8; ++by)
        for (int bx = 0; bx < 12; ++bx) {
            const float r = light(engine), g = light(engine), b = light(engine);
            for (int y = 10 * by; y < 10 * by + 10; ++y)
                for (int x = 10 * bx; x < 10 * bx + 10; ++x) {
                    float* p = image.mutableView().row(y) + 3 * x;
                    p[0] = r, p[1] = g, p[2] = b;
                }
        }
    return image;
}

TEST(RatioMap, ShiftsByWhatTheLightDid)
{
    const Image plain = patches();
    Image warm = plain;
    const Balance light{0, 4800, 0};
    applyBalance(light, {}, warm.mutableView());
    const RatioMap map(plain.view(), {}), moved(warm.view(), {});
    const RatioMap::Shift shift = map.onto(moved);
    const GainVector wanted = toGainVector(light);
    EXPECT_NEAR(shift.lm, wanted[1], 1.5 * RatioMap::kBin);
    EXPECT_NEAR(shift.sm, wanted[2], 1.5 * RatioMap::kBin);
    EXPECT_GT(shift.likeness, 0.7) << "colours near the ends are left out of one and not of the other";
    EXPECT_NEAR(map.onto(map).likeness, 1, 1e-5);
}

TEST(RatioMap, WhatOthersHaveTooIsNotForeign)
{
    const Image plain = patches();
    const RatioMap map(plain.view(), {});
    RatioMap::Presence all;
    map.countIn(all, 0, 0);
    map.countIn(all, 0, 0);
    EXPECT_LT(map.foreign(all, 0, 0).share, 0.05) << "faint ones are not counted as present";
    RatioMap::Presence alone;
    map.countIn(alone, 0, 0);
    EXPECT_GT(map.foreign(alone, 0, 0).share, 0.9) << "its own presence does not count";
}

TEST(BalanceWords, SayWhatItRestsOnAndWhatTroublesIt)
{
    std::set<std::string> grounds;
    for (const Ground ground : {Ground::Lead, Ground::ByHand, Ground::KeyColours, Ground::SameThings,
                                Ground::SettingsAndColours, Ground::ColoursOnly}) {
        SolvedBalance solved;
        solved.ground = ground, solved.support = 3;
        const std::string words = groundWords(solved, "yard-02");
        EXPECT_FALSE(words.empty());
        EXPECT_TRUE(grounds.insert(words).second) << words;
        EXPECT_TRUE(troubleWords(solved).empty());
    }
    std::set<std::string> troubles;
    for (const Trouble trouble :
         {Trouble::MixedLight, Trouble::ClippedSource, Trouble::OtherContent, Trouble::StandsAlone}) {
        SolvedBalance solved;
        solved.trouble = trouble, solved.measured = 0.12;
        EXPECT_TRUE(troubles.insert(troubleWords(solved)).second);
        EXPECT_FALSE(troubleWords(solved).empty());
    }
}

}  // namespace
}  // namespace amber
