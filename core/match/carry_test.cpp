// A match carried to other lights, and the look that comes nearest to a reference.
#include "core/image/read.h"
#include "core/match/carry.h"
#include "core/match/nearest_look.h"
#include "core/match/subject.h"
#include "tests/support/landed_look.h"
#include "tests/support/treatment.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

Image demoFrame(const std::string& name)
{
    auto picture = readReduced(std::filesystem::path(AMBER_SOURCE_DIR) / "demo/frames" / (name + ".jpg"), 400, false);
    EXPECT_TRUE(picture);
    return std::move(picture->image);
}

OurPictures oursOf(std::initializer_list<const char*> names)
{
    OurPictures ours;
    for (const char* name : names)
        ours.small.push_back(forMatching(demoFrame(name).view()));
    return ours;
}

TEST(Carry, SolvesTheRowsTakenAgainForEachLight)
{
    RowsAsked asked;
    asked.ours = oursOf({"north-window-06"}), asked.group = "evening";
    asked.reference =
        fingerprintOf(test::through(test::treatment(3), demoFrame("north-window-02")).view(), "evening", 3000, 100);
    for (const Rung rung : {Rung::BlackEnd, Rung::WhiteEnd, Rung::Mid, Rung::Contrast, Rung::CastMiddles})
        asked.rows.insert(static_cast<std::size_t>(rung));
    const auto taken = take(asked);
    ASSERT_TRUE(taken);
    LaddersAsked ladders;
    ladders.look = asked.look = taken->look, ladders.ours = asked.ours, ladders.group = asked.group,
    ladders.reference = asked.reference;
    const Ladders seen = laddersOf(ladders);
    const std::set<std::size_t> rows = rowsTaken(asked.look, asked.group, seen.now, seen.start);
    EXPECT_GE(rows.size(), 4u);
    EXPECT_FALSE(rows.contains(static_cast<std::size_t>(Rung::Framing)));
    asked.rows = rows;

    std::size_t told = 0;
    const auto carried = carriedToLights(asked,
                                         {{"window", oursOf({"north-window-02", "north-window-06"})},
                                          {"yard", oursOf({"yard-04", "yard-08"})},
                                          {"lamp", oursOf({"lamp-shelf-02"})}},
                                         [&](std::size_t done) { told = done; });
    ASSERT_TRUE(carried) << carried.error().message();
    ASSERT_EQ(carried->size(), 3u);
    EXPECT_EQ(told, 3u);
    for (const CarriedLight& light : *carried) {
        EXPECT_FALSE(light.rows.empty()) << light.name;
        for (const std::size_t row : light.rows)
            EXPECT_LE(light.solved.rows[row].difference, std::max(1.0, 0.5 * light.asItStands.rows[row].difference))
                << light.name << " " << row;
        EXPECT_EQ(light.look.steps.size(), taken->look.steps.size()) << "the same steps, other numbers";
    }
    EXPECT_GT((*carried)[2].asItStands.distance(), 2 * (*carried)[2].solved.distance());
    // Given up: nothing.
    CancelToken cancelled;
    cancelled.cancel();
    EXPECT_FALSE(carriedToLights(asked, {{"yard", oursOf({"yard-04"})}}, {}, cancelled));
}

TEST(NearestLook, IsTheOneThatMadeTheReference)
{
    std::vector<Look> looks;
    for (std::uint64_t seed = 1; seed <= 8; ++seed)
        looks.push_back(test::treatment(seed));
    const Image picture = demoFrame("yard-04");
    for (const std::size_t hidden : {std::size_t{2}, std::size_t{5}}) {
        const Fingerprint reference = fingerprintOf(test::through(looks[hidden], picture).view(), "hidden", 3000, 100);
        looks[hidden].reference = reference;
        const auto near = nearestLooks(looks, oursOf({"yard-04"}), reference, false);
        ASSERT_EQ(near.size(), looks.size());
        EXPECT_EQ(near[0].look, hidden);
        ASSERT_TRUE(near[0].own);
        EXPECT_LT(*near[0].own, 0.01);
        EXPECT_LT(near[0].leaves, near.back().leaves);
    }
    EXPECT_TRUE(nearestLooks({}, oursOf({"yard-04"}), fingerprintOf(picture.view(), "a", 1, 100), false).empty());
}

TEST(ReferenceSet, IsItsMiddleAndWhereItsPicturesDifferTolerance)
{
    std::vector<Fingerprint> prints;
    for (const char* name : {"north-window-02", "lamp-shelf-02", "yard-04", "dusk-terrace-02", "yard-08"})
        prints.push_back(fingerprintOf(test::through(test::treatment(3), demoFrame(name)).view(), name, 3000, 100));
    const Fingerprint set = combined(prints);
    EXPECT_EQ(set.references, 5);
    EXPECT_EQ(set.falls.size(), 3u);
    EXPECT_GT(set.falls[0].spread, 0);
    EXPECT_EQ(set.textures.size(), 4u);
    EXPECT_EQ(set.otherCasts.size(), 6u);
    const auto ours = oursOf({"north-window-06"});
    const Fingerprint own = measuredThrough({}, ours, membershipBefore({}, ours, ""));
    const auto ofSet = lookShares(set, own, kLeastSupport);
    // What they do not agree in is tolerance, of light, place and texture alike.
    const Ladder ladder = ladderOf(set, own);
    for (const Rung rung : {Rung::TopToBottom, Rung::MiddleToCorners, Rung::Mid})
        EXPECT_GT(ladder.find(rung)->tolerance, ladderOf(prints[0], own).find(rung)->tolerance);
    // Ways to find neutrals that disagree make a cast less sure.
    Fingerprint doubtful = set;
    for (ColourTrait& cast : doubtful.otherCasts)
        cast.b += 0.1;
    EXPECT_LT(lookShares(doubtful, own, kLeastSupport)[5].sureness, ofSet[5].sureness);
}

}  // namespace
}  // namespace amber
