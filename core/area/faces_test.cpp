// Faces as seeds of skin: one that is drawn is seen, and the demo, which shows hands and backs only, has none.
#include "core/area/faces.h"

#include "core/area/regions.h"
#include "core/image/read.h"
#include "tests/support/area_truth.h"
#include "tests/support/drawn_face.h"

#include <gtest/gtest.h>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

using test::drawnFace;

TEST(Faces, ADrawnOneIsSeenWhereItIsAndItsSkinIsOfferedForALook)
{
    const Image image = drawnFace({750, 500}, {300, 240}, 240);
    const auto faces = facesOf(image.view());
    ASSERT_EQ(faces.size(), 1u);
    EXPECT_TRUE(faces[0].place.contains(300.0 / 750, 240.0 / 500));
    const Proposal skin = proposeFaces(image.view());
    EXPECT_LT(skin.sureness, 0.9) << "never taken unseen";
    if (skin.isOffered()) {
        const cv::Mat mask = matOf(skin.mask) > 127;
        EXPECT_TRUE(mask.at<std::uint8_t>(mask.rows * 300 / 500, mask.cols * 250 / 750)) << "a cheek";
        EXPECT_FALSE(mask.at<std::uint8_t>(mask.rows * 60 / 500, mask.cols * 60 / 750)) << "the ground behind";
    }
}

TEST(Faces, LargeOnesAreSeenTheQuickWayToo)
{
    for (const int high : {150, 240, 400}) {
        const Image image = drawnFace({750, 500}, {400, 250}, high);
        const auto all = facesOf(image.view()), large = facesOf(image.view(), FaceSearch::Large);
        ASSERT_EQ(large.size(), 1u) << high;
        ASSERT_FALSE(all.empty()) << high;
        EXPECT_NEAR(large[0].place.left, all[0].place.left, 0.04) << high;
        EXPECT_NEAR(large[0].place.bottom, all[0].place.bottom, 0.06) << high;
    }
    EXPECT_TRUE(facesOf(drawnFace({750, 500}, {400, 250}, 40).view(), FaceSearch::Large).empty());
    EXPECT_TRUE(facesOf(Image(3000, 70).view(), FaceSearch::Large).empty());
}

TEST(Faces, AreNotSeenInPicturesWithoutOne)
{
    for (const std::string& name : test::demoFrames()) {
        const auto picture = readReduced(test::demoPicture(name), 750, true);
        ASSERT_TRUE(picture) << name;
        const Proposal skin = proposeFaces(picture->image.view());
        EXPECT_FALSE(skin.isOffered()) << name << ": " << skin.from;
    }
    EXPECT_TRUE(facesOf(Image(1, 1).view()).empty());
    EXPECT_TRUE(facesOf(Image(3000, 40).view()).empty());
}

}  // namespace
}  // namespace amber
