// A thing from a box and from one stroke, against what was rendered: one frame of each scene.
#include "core/area/thing.h"

#include "core/image/read.h"
#include "tests/support/area_hand.h"
#include "tests/support/area_truth.h"
#include "tests/support/wide.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <set>

namespace amber {
namespace {

constexpr double kLeastShare = 0.004, kRight = 0.8;

struct Asked {
    std::string frame;
    FoundMask truth;
};

/// Every thing that is large enough, on the first frame of each scene.
std::vector<Asked> thingsOfTheDemo()
{
    std::vector<Asked> all;
    std::set<std::string> scenes;
    for (const std::string& frame : test::demoFrames())
        if (scenes.insert(test::sceneOf(frame)).second)
            for (const test::TrueThing& t : test::thingsOf(frame, kLeastShare))
                all.push_back({frame, test::truthOf(frame, t.part, t.thing)});
    return all;
}

double medianOf(std::vector<double> values)
{
    std::nth_element(values.begin(), values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2), values.end());
    return values[values.size() / 2];
}

TEST(Thing, IsFoundFromABox)
{
    constexpr double kMedian = 0.9, kShareRight = 0.7;
    std::vector<double> scores;
    const std::vector<Asked> things = thingsOfTheDemo();
    const std::size_t step = test::wideOr<std::size_t>(2, 5);
    for (std::size_t i = 0; i < things.size(); i += step) {
        const Asked& asked = things[i];
        const auto picture = readReduced(test::demoPicture(asked.frame), 750, true);
        ASSERT_TRUE(picture) << asked.frame;
        const auto offered = proposeThing(thingPictureOf(picture->image.view()), test::boxOf(asked.truth));
        ASSERT_EQ(offered.size(), 2u);
        scores.push_back(test::overlapOf(offered[0].mask, asked.truth));
    }
    ASSERT_GT(things.size(), 80u);
    ASSERT_GE(scores.size(), things.size() / step);
    EXPECT_GE(medianOf(scores), kMedian);
    EXPECT_GE(static_cast<double>(std::count_if(scores.begin(), scores.end(), [](double s) { return s >= kRight; })),
              kShareRight * static_cast<double>(scores.size()));
}

/// What a person does: one stroke, then strokes over the largest piece that is wrong.
TEST(Thing, IsFoundFromAStrokeAndSetRightByOthers)
{
    const std::size_t each = test::wideOr<std::size_t>(4, 8);  // the table of all is docs/areas.md
    constexpr double kMedian = 0.75, kOnceCorrected = 0.9, kTwiceCorrected = 0.93;
    std::vector<double> first, once, twice;
    const std::vector<Asked> things = thingsOfTheDemo();
    for (std::size_t i = 0; i < things.size(); i += each) {
        const auto picture = readReduced(test::demoPicture(things[i].frame), 750, true);
        ASSERT_TRUE(picture);
        const ThingPicture ground = thingPictureOf(picture->image.view());
        std::vector<Said> said{{test::strokeOver(things[i].truth), true}};
        const auto offered = proposeThing(ground, said[0].stroke);
        ASSERT_FALSE(offered.empty());
        ASSERT_LE(offered.size(), 3u);
        FoundMask mask = offered[0].mask;
        first.push_back(test::overlapOf(mask, things[i].truth));
        for (auto* scores : {&once, &twice}) {
            const test::Wrong wrong = test::worstOf(mask, things[i].truth);
            said.push_back({test::strokeOver(wrong.where), wrong.isMissing});
            mask = correctedThing(ground, mask, said);
            scores->push_back(test::overlapOf(mask, things[i].truth));
        }
    }
    EXPECT_GE(medianOf(first), kMedian);
    EXPECT_GE(medianOf(once), kOnceCorrected);
    EXPECT_GE(medianOf(twice), kTwiceCorrected);
}

TEST(Thing, AStrokeOnlyAddsOrOnlyTakesAway)
{
    const Asked asked = thingsOfTheDemo().front();
    const auto picture = readReduced(test::demoPicture(asked.frame), 750, true);
    ASSERT_TRUE(picture);
    const ThingPicture ground = thingPictureOf(picture->image.view());
    const FoundMask mask = asked.truth;
    Stroke stroke = test::strokeOver(mask);
    for (Stroke::Point& p : stroke.points)
        p.at.x += 0.15;
    const auto counts = [&](bool isInside) {
        const FoundMask after = correctedThing(ground, mask, {{stroke, isInside}});
        std::pair<int, int> gainedAndLost{0, 0};
        for (int y = 0; y < after.height; ++y)
            for (int x = 0; x < after.width; ++x) {
                const bool was = mask.weights[static_cast<std::size_t>(y * mask.height / after.height) * mask.width +
                                              x * mask.width / after.width] > 127,
                           is = after.weights[static_cast<std::size_t>(y) * after.width + x] > 127;
                gainedAndLost.first += is && !was, gainedAndLost.second += was && !is;
            }
        return gainedAndLost;
    };
    constexpr int kRim = 1500;  // pixels along the edge, by the sizes that differ
    EXPECT_GT(counts(true).first, 0);
    EXPECT_LT(counts(true).second, kRim);
    EXPECT_LT(counts(false).first, kRim);
    EXPECT_EQ(correctedThing(ground, mask, {}).weights, mask.weights) << "nothing was said";
}

TEST(Thing, TheFirstWordBeingOfTheOutsideTakesAwayWhatItIsOverAndLeavesTheThing)
{
    // As it comes of a thing that was found again and took in too much.
    constexpr double kRight = 0.85;
    double worst = 1;
    for (std::size_t i = 0; i < 3; ++i) {
        const Asked asked = thingsOfTheDemo()[i];
        const auto picture = readReduced(test::demoPicture(asked.frame), 750, true);
        ASSERT_TRUE(picture);
        FoundMask mask = asked.truth, much = mask;
        const Region box = test::boxOf(mask);
        for (int y = 0; y < mask.height; ++y)
            for (int x = 0; x < mask.width; ++x) {
                const double u = static_cast<double>(x) / mask.width, v = static_cast<double>(y) / mask.height;
                auto& w = much.weights[static_cast<std::size_t>(y) * mask.width + x];
                if (u > box.right && u < box.right + 0.3 * (box.right - box.left) && v > box.top && v < box.bottom)
                    w = 255;
            }
        const test::Wrong wrong = test::worstOf(much, mask);
        const FoundMask after = correctedThing(thingPictureOf(picture->image.view()), much,
                                               {{test::strokeOver(wrong.where), wrong.isMissing}});
        EXPECT_GT(test::overlapOf(after, mask), test::overlapOf(much, mask)) << asked.frame;
        worst = std::min(worst, test::overlapOf(after, mask));
    }
    EXPECT_GE(worst, kRight);
}

TEST(Thing, OfOddBoxesAndPicturesIsNothing)
{
    const ThingPicture flat = thingPictureOf(Image(300, 200).view());
    ASSERT_TRUE(flat);
    EXPECT_TRUE(proposeThing(flat, Region{0.5, 0.5, 0.5, 0.9}).empty()) << "a box without width";
    EXPECT_TRUE(proposeThing(flat, Region{0.9, 0.9, 0.1, 0.1}).empty()) << "turned round";
    EXPECT_FALSE(thingPictureOf(Image().view()));
    EXPECT_TRUE(proposeThing(ThingPicture{}, Region{}).empty());
    EXPECT_TRUE(proposeThing(flat, Stroke{}).empty());
    for (const Proposal& p : proposeThing(flat, Region{0.2, 0.2, 0.6, 0.6}))
        EXPECT_FALSE(p.isOffered()) << "nothing is told from anything";
    EXPECT_FALSE(proposeThing(flat, Region{-3, -3, 4, 4}).empty()) << "larger than the picture";
}

}  // namespace
}  // namespace amber
