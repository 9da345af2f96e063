// The sky, found without any input: against what was rendered, and where there is none.
#include "core/area/sky.h"

#include "core/base/json_text.h"
#include "core/image/read.h"
#include "tests/support/area_truth.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

TEST(Sky, IsFoundOnTheDemoAndNowhereElse)
{
    constexpr double kMedian = 0.95, kWorst = 0.9;
    std::vector<double> scores;
    for (const std::string& name : test::demoFrames()) {
        const auto picture = readReduced(test::demoPicture(name), 750, true);
        ASSERT_TRUE(picture) << name;
        const Proposal sky = proposeSky(picture->image.view());
        const FoundMask truth = test::truthOf(name, "sky");
        if (test::shareOf(truth) < 0.01) {
            EXPECT_FALSE(sky.isOffered()) << name << ' ' << sky.sureness << ": there is none";
            continue;
        }
        scores.push_back(test::overlapOf(sky.mask, truth));
        EXPECT_TRUE(sky.isOffered()) << name << ' ' << sky.sureness;
        EXPECT_GE(scores.back(), kWorst) << name;
    }
    ASSERT_GE(scores.size(), 8u);
    std::nth_element(scores.begin(), scores.begin() + scores.size() / 2, scores.end());
    EXPECT_GE(scores[scores.size() / 2], kMedian);
}

TEST(Sky, OfOddPicturesIsRefused)
{
    EXPECT_FALSE(proposeSky(Image(1, 1).view()).isOffered());
    EXPECT_FALSE(proposeSky(Image(2000, 33).view()).isOffered());
    Image flat(300, 200);
    std::fill_n(flat.mutableView().data, 300 * 200 * 3, 0.9f);
    EXPECT_FALSE(proposeSky(flat.view()).isOffered()) << "all white";
    for (int i = 0; i < 300 * 200 * 3; ++i)
        flat.mutableView().data[i] = i % 7 == 0 ? NAN : 0.3f;
    EXPECT_FALSE(proposeSky(flat.view()).isOffered());
}

}  // namespace
}  // namespace amber
