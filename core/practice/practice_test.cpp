// Practice: the staircase measures a player of known ability, rounds are what they say, results are kept.
#include "core/colour/oklab.h"
#include "core/look/steps/hue_shifts/hue_shifts.h"
#include "core/measure/picture_difference.h"
#include "core/practice/history.h"
#include "core/practice/moves.h"
#include "tests/support/temporary_folder.h"

#include <cmath>
#include <fstream>
#include <gtest/gtest.h>
#include <random>
#include <set>

namespace amber {
namespace {

using test::TemporaryFolder;

double fraction(std::mt19937_64& random) { return std::uniform_real_distribution<double>(0, 1)(random); }

/// A picture of soft patches in all hues.
PracticePicture patches(const std::string& name, int seed)
{
    PracticePicture picture{name, Image(120, 80)};
    std::mt19937 random(static_cast<unsigned>(seed));
    std::uniform_real_distribution<double> hue(0, 360), chroma(0.03, 0.14), tone(0.35, 0.8);
    for (int ty = 0; ty < 4; ++ty)
        for (int tx = 0; tx < 6; ++tx) {
            const LinearRgb c = toLinearRgb(toOkLab(OkLch{tone(random), chroma(random), hue(random)}));
            for (int y = 20 * ty; y < 20 * ty + 20; ++y)
                for (int x = 20 * tx; x < 20 * tx + 20; ++x) {
                    float* p = picture.image.mutableView().row(y) + 3 * x;
                    p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
                }
        }
    return picture;
}

std::vector<PracticePicture> pictures() { return {patches("north", 1), patches("lamp", 2), patches("yard", 3)}; }

TEST(Staircase, MeasuresAPlayerOfKnownAbilityWithinItsOwnError)
{
    std::mt19937_64 random(20261130);
    for (const Drill drill : {Drill::Family, Drill::Cast, Drill::Odd, Drill::Stops}) {
        const DrillRange range = rangeOf(drill);
        constexpr int kPlayers = 200;
        int within = 0;
        double bias = 0, levels = 0, right = 0;
        for (int p = 0; p < kPlayers; ++p) {
            // As able as people are expected to be.
            const double ability = std::clamp(
                range.start * std::pow(10, std::normal_distribution<double>(0, 0.3)(random)), range.least, range.most);
            Staircase staircase(range.start, 0.45, range.least, range.most, range.guess);
            for (int i = 0; i < kRounds; ++i) {
                const double level = staircase.level();
                const bool isRight = fraction(random) < Staircase::rightAt(level, ability, range.guess);
                staircase.answered(level, isRight);
                right += isRight, ++levels;
            }
            const double error = std::log10(staircase.threshold()) - std::log10(ability);
            within += std::abs(error) <= 2 * staircase.uncertainty();
            bias += error / kPlayers;
        }
        EXPECT_GE(within, kPlayers * 9 / 10) << kDrillNames[static_cast<std::size_t>(drill)];
        EXPECT_LT(std::abs(bias), 0.06) << "in log10 of the level";
        EXPECT_NEAR(right / levels, Staircase::kAim, 0.09) << "it keeps near three of four";
    }
}

TEST(Staircase, IsSurerWithEveryAnswerAndFollowsThePlayer)
{
    Staircase easy(4, 0.45, 0.4, 14, 0.25), hard = easy;
    const double before = easy.uncertainty();
    for (int i = 0; i < 10; ++i)
        easy.answered(easy.level(), true), hard.answered(hard.level(), false);
    EXPECT_LT(easy.threshold(), 2);
    EXPECT_GT(hard.threshold(), 8);
    EXPECT_LT(easy.uncertainty(), before);
    EXPECT_NEAR(Staircase::rightAt(3, 3, 0.25), Staircase::kAim, 1e-9);
    EXPECT_NEAR(Staircase::rightAt(1e-4, 3, 0.25), 0.25, 1e-3) << "guessing";
    EXPECT_NEAR(Staircase::rightAt(1e3, 3, 0.25), 1 - Staircase::kSlip, 1e-3) << "slips";
}

TEST(DrillRounds, TheFamilyUnderTheMarkOwnsItAndTheMarginIsTheLevel)
{
    const auto all = pictures();
    std::set<int> asked;
    for (std::uint64_t seed = 0; seed < 60; ++seed) {
        const auto round = makeRound(Drill::Family, all, 0.6, seed);
        ASSERT_TRUE(round) << round.error().message();
        ASSERT_TRUE(round->mark);
        // What is seen there: the mean of the mark.
        const ImageView image = round->shown.front().view();
        const int x = static_cast<int>(round->mark->x * image.width),
                  y = static_cast<int>(round->mark->y * image.height);
        OkLab mean;
        for (int i = 0; i < 25; ++i) {
            const float* p = image.row(y + i / 5 - 2) + 3 * (x + i % 5 - 2);
            const OkLab c = toOkLab(LinearRgb{p[0], p[1], p[2]});
            mean.L += c.L / 25, mean.a += c.a / 25, mean.b += c.b / 25;
        }
        std::vector<double> weights = weightsAt({}, mean);
        weights.resize(round->options.size());
        EXPECT_EQ(std::max_element(weights.begin(), weights.end()) - weights.begin(), round->right);
        std::sort(weights.rbegin(), weights.rend());
        EXPECT_NEAR(round->level, std::max(0.01, 1 - weights[1] / weights[0]), 0.02);
        asked.insert(round->right);
    }
    EXPECT_GE(asked.size(), 5u) << "no family owns all rounds";
    const PracticePicture grey{"grey", Image(64, 64)};
    EXPECT_FALSE(makeRound(Drill::Family, {grey}, 0.5, 1)) << "nothing coloured";
    EXPECT_FALSE(makeRound(Drill::Cast, {}, 0.5, 1));
}

TEST(DrillRounds, DifferencesAreAsLargeAsTheyAreSaidToBe)
{
    const auto all = pictures();
    for (std::uint64_t seed = 0; seed < 24; ++seed)
        for (const double level : {1.0, 3.0, 8.0}) {
            const auto cast = makeRound(Drill::Cast, all, level, seed);
            EXPECT_NEAR(pictureDifference(cast->shown[0].view(), cast->shown[1].view())->mean, level, 0.2 * level);
            ASSERT_EQ(cast->amounts.size(), 3u);
            EXPECT_NE(cast->amounts[static_cast<std::size_t>(cast->rightAmount)].find(
                          std::to_string(static_cast<int>(level))),
                      std::string::npos);
            const auto odd = makeRound(Drill::Odd, all, level, seed);
            ASSERT_EQ(odd->shown.size(), 9u);
            for (int i = 0; i < 9; ++i) {
                const double difference =
                    pictureDifference(odd->shown[static_cast<std::size_t>(i)].view(),
                                      odd->shown[static_cast<std::size_t>((odd->right + 1) % 9)].view())
                        ->mean;
                EXPECT_TRUE(i == odd->right ? difference > 0.5 * level : difference == 0) << difference;
            }
        }
}

TEST(DrillRounds, StopsAreThoseBetweenThePicturesAndAMatchIsAlikeAtItsTarget)
{
    const auto all = pictures();
    for (std::uint64_t seed = 0; seed < 20; ++seed) {
        const auto stops = makeRound(Drill::Stops, all, 0.5, seed);
        const float one = stops->shown[0].view().data[0], other = stops->shown[1].view().data[0];
        EXPECT_NEAR(std::log2(other / one), (stops->right - 2) * 0.5, 1e-4);
        const auto match = makeRound(Drill::Match, all, 1.5, seed);
        EXPECT_LT(pictureDifference(movedTo(*match, match->target).view(), match->shown[0].view())->maximum, 1e-3);
        Given given;
        given.value = match->target;
        EXPECT_TRUE(judge(*match, given).isRight);
        given.value = -match->target;
        const Verdict far = judge(*match, given);
        EXPECT_FALSE(far.isRight) << match->moved << " " << match->target << ": " << far.deltaE;
        EXPECT_GT(far.deltaE, 1.5);
    }
}

TEST(DrillRounds, FollowsFromItsSeedAndOtherSeedsGiveOthers)
{
    const auto all = pictures();
    for (int d = 0; d < kDrills; ++d) {
        std::set<std::string> keys;
        for (std::uint64_t seed = 0; seed < 40; ++seed) {
            const auto round = makeRound(static_cast<Drill>(d), all, 0.5, seed),
                       again = makeRound(static_cast<Drill>(d), all, 0.5, seed);
            ASSERT_TRUE(round);
            EXPECT_EQ(round->key, again->key);
            EXPECT_EQ(round->right, again->right);
            keys.insert(round->key);
        }
        EXPECT_GE(keys.size(), 10u) << kDrillNames[static_cast<std::size_t>(d)];
    }
}

Played played(Drill drill, const std::string& sitting, const std::string& right, const std::string& said,
              double threshold)
{
    Played p;
    p.made = "2026-05-04 10:11:12", p.sitting = sitting, p.drill = drill, p.level = 0.5;
    p.right = right, p.said = said, p.isRight = right == said, p.picture = "north \"4\"", p.seconds = 6;
    p.threshold = threshold, p.uncertainty = 0.1;
    return p;
}

TEST(PracticeHistory, IsKeptLineByLineAndTellsSittingsAndConfusions)
{
    const TemporaryFolder folder;
    const auto file = folder / "data/practice.jsonl";
    PracticeHistory history(file);
    const DrillRange range = rangeOf(Drill::Family);
    EXPECT_NEAR(history.staircase(Drill::Family).threshold(), range.start, 0.15 * range.start);
    for (int i = 0; i < 3; ++i)
        ASSERT_TRUE(history.add(played(Drill::Family, "one", "Straw", "Leaf", 0.4)));
    ASSERT_TRUE(history.add(played(Drill::Family, "two", "Straw", "Straw", 0.3)));
    ASSERT_TRUE(history.add(played(Drill::Stops, "three", "+0.50 stops", "the same", 0.2)));
    // Cut off by a kill: the next line is whole all the same.
    std::ofstream(file, std::ios::app) << "{\"drill\":\"fam";
    PracticeHistory again(file);
    ASSERT_TRUE(again.add(played(Drill::Family, "two", "Rose", "Clay", 0.25)));
    const PracticeHistory last(file);
    EXPECT_EQ(last.rounds().size(), 6u);
    EXPECT_EQ(last.unreadable(), 1);
    const auto sittings = last.sittings(Drill::Family);
    ASSERT_EQ(sittings.size(), 2u);
    EXPECT_EQ(sittings[0].rounds, 3);
    EXPECT_EQ(sittings[1].right, 1);
    EXPECT_EQ(sittings[1].threshold, 0.25);
    EXPECT_EQ(confusionWords(last.confusions(Drill::Family)), "You take Straw for Leaf: 3 of 4 times.");
    EXPECT_NEAR(last.staircase(Drill::Family).threshold(), 0.25, 0.04) << "it goes on where it was";
    const std::string csv = last.csv();
    EXPECT_EQ(std::count(csv.begin(), csv.end(), '\n'), 7);
    EXPECT_NE(csv.find("\"north \"\"4\"\"\""), std::string::npos);
}

TEST(PracticeHistory, SaysWhenItCannotBeKept)
{
    PracticeHistory nowhere("/proc/no/practice.jsonl");
    EXPECT_FALSE(nowhere.add(played(Drill::Family, "one", "Straw", "Leaf", 0.4)));
    EXPECT_TRUE(nowhere.rounds().empty());
}

}  // namespace
}  // namespace amber
