// The intent card held against what a look does, and tints of neutrals.
#include "core/analysis/intent_score.h"
#include "core/analysis/tint.h"
#include "core/colour/difference.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

using Verdict = IntentScore::Verdict;

Look tinted(double hue, double chroma)
{
    Look look;
    Step step;
    SplitToning tint;
    tint.dyes = {{0.5, hue, chroma, 1.5, {}}};
    tint.tintBlack = tint.tintWhite = true;
    step.parameters = tint;
    look.steps = {step};
    return look;
}

BeforeAfter frame(double meanL, double contrast)
{
    BeforeAfter f;
    f.after.meanL = meanL, f.after.contrast = contrast;
    return f;
}

std::optional<IntentScore> scoreOf(IntentScore::Part part, const Look& look, const std::vector<BeforeAfter>& frames)
{
    for (const IntentScore& score : scoreIntent(look, frames))
        if (score.part == part)
            return score;
    return std::nullopt;
}

TEST(IntentCard, WhatIsNotSaidIsNotScored)
{
    EXPECT_TRUE(scoreIntent(Look{}, {frame(0.5, 0.5)}).empty());
    Look look;
    look.card.key = IntentCard::Key::Dark;
    look.card.contrast = IntentCard::Level::Much;
    EXPECT_TRUE(scoreIntent(look, {}).empty()) << "without frames there is nothing to measure";
}

TEST(IntentCard, AKeyIsMetNearlyMetOrMissed)
{
    Look look;
    look.card.key = IntentCard::Key::Dark;
    const auto verdict = [&](double meanL) {
        return scoreOf(IntentScore::Part::Key, look, {frame(meanL, 0.5)})->verdict;
    };
    EXPECT_EQ(verdict(0.40), Verdict::Met);
    EXPECT_EQ(verdict(0.50), Verdict::Near);
    EXPECT_EQ(verdict(0.70), Verdict::Missed);
    // Over several frames their mean counts.
    EXPECT_EQ(scoreOf(IntentScore::Part::Key, look, {frame(0.3, 0.5), frame(0.5, 0.5)})->measured, 0.4);
}

TEST(IntentCard, WarmAndCoolAreWhatTheLookMakesOfGreys)
{
    Look warm = tinted(70, 0.03), cool = tinted(250, 0.03);
    using T = IntentCard::Temperature;
    const auto verdict = [](Look look, T wanted) {
        look.card.temperature = wanted;
        return scoreOf(IntentScore::Part::Temperature, look, {})->verdict;
    };
    EXPECT_EQ(verdict(warm, T::Warm), Verdict::Met);
    EXPECT_EQ(verdict(warm, T::Cool), Verdict::Missed);
    EXPECT_EQ(verdict(cool, T::Cool), Verdict::Met);
    EXPECT_EQ(verdict(Look{}, T::Neutral), Verdict::Met);
    EXPECT_EQ(verdict(warm, T::Neutral), Verdict::Missed);
}

TEST(IntentCard, FadeIsWhereBlackLandsAndGrainIsAllGrain)
{
    Look look;
    look.card.fade = IntentCard::Level::Little;
    EXPECT_EQ(scoreOf(IntentScore::Part::Fade, look, {})->verdict, Verdict::Met);
    Step curve;
    ToneCurve faded;
    faded.all = {{0, 0.2}, {1, 1}};
    curve.parameters = faded;
    look.steps = {curve};
    EXPECT_EQ(scoreOf(IntentScore::Part::Fade, look, {})->verdict, Verdict::Missed);
    look.card.fade = IntentCard::Level::Much;
    EXPECT_EQ(scoreOf(IntentScore::Part::Fade, look, {})->verdict, Verdict::Met);
    look.card.grain = IntentCard::Level::Medium;
    Step grain;
    Grain film;
    film.amount = 0.03;
    grain.parameters = film;
    look.steps = {grain, grain};
    EXPECT_NEAR(scoreOf(IntentScore::Part::Grain, look, {})->measured, 0.03 * std::sqrt(2.0), 1e-9);
    look.steps[1].enabled = false;
    EXPECT_NEAR(scoreOf(IntentScore::Part::Grain, look, {})->measured, 0.03, 1e-9);
}

TEST(NeutralTrail, FollowsTheGreysStepByStep)
{
    const Look look = tinted(70, 0.03);
    const auto untouched = neutralTrail(look, 9, 0), whole = neutralTrail(look, 9);
    ASSERT_EQ(whole.size(), 9u);
    for (std::size_t i = 0; i < 9; ++i) {
        EXPECT_NEAR(untouched[i].L, static_cast<double>(i) / 8, 1e-6);
        EXPECT_NEAR(std::hypot(untouched[i].a, untouched[i].b), 0, 1e-6);
    }
    EXPECT_GT(whole[4].b, 0.02);
}

TEST(DyeProposals, AreTheOppositeTheNeighboursAndTheTriad)
{
    const auto hues = dyeProposals(300);
    ASSERT_EQ(hues.size(), 5u);
    for (const double wanted : {120.0, 270.0, 330.0, 60.0, 180.0})
        EXPECT_TRUE(std::any_of(hues.begin(), hues.end(), [&](double h) { return std::abs(h - wanted) < 1e-9; }))
            << wanted;
}

}  // namespace
}  // namespace amber
