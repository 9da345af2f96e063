// A thing from a box and from one stroke, against what was rendered: one frame of each scene.
#include "core/area/thing.h"

#include "core/image/read.h"
#include "tests/support/area_truth.h"

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

Region boxOf(const FoundMask& mask)
{
    int left = mask.width, right = 0, top = mask.height, bottom = 0;
    for (int y = 0; y < mask.height; ++y)
        for (int x = 0; x < mask.width; ++x)
            if (mask.weights[static_cast<std::size_t>(y) * mask.width + x] > 127)
                left = std::min(left, x), right = std::max(right, x + 1), top = std::min(top, y),
                bottom = std::max(bottom, y + 1);
    const double w = mask.width, h = mask.height;
    return {left / w, top / h, right / w, bottom / h};
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
    for (const Asked& asked : thingsOfTheDemo()) {
        const auto picture = readReduced(test::demoPicture(asked.frame), 750, true);
        ASSERT_TRUE(picture) << asked.frame;
        const auto offered = proposeThing(picture->image.view(), boxOf(asked.truth));
        ASSERT_EQ(offered.size(), 2u);
        scores.push_back(test::overlapOf(offered[0].mask, asked.truth));
    }
    ASSERT_GT(scores.size(), 40u);
    EXPECT_GE(medianOf(scores), kMedian);
    EXPECT_GE(static_cast<double>(std::count_if(scores.begin(), scores.end(), [](double s) { return s >= kRight; })),
              kShareRight * static_cast<double>(scores.size()));
}

TEST(Thing, OfOddBoxesAndPicturesIsNothing)
{
    const Image flat(300, 200);
    EXPECT_TRUE(proposeThing(flat.view(), Region{0.5, 0.5, 0.5, 0.9}).empty()) << "a box without width";
    EXPECT_TRUE(proposeThing(flat.view(), Region{0.9, 0.9, 0.1, 0.1}).empty()) << "turned round";
    EXPECT_TRUE(proposeThing(Image().view(), Region{}).empty());
    EXPECT_TRUE(proposeThing(flat.view(), Stroke{}).empty());
    for (const Proposal& p : proposeThing(flat.view(), Region{0.2, 0.2, 0.6, 0.6}))
        EXPECT_FALSE(p.isOffered()) << "nothing is told from anything";
    EXPECT_FALSE(proposeThing(flat.view(), Region{-3, -3, 4, 4}).empty()) << "larger than the picture";
}

}  // namespace
}  // namespace amber
