// Faces as seeds of skin: one that is drawn is seen, and the demo, which shows hands and backs only, has none.
#include "core/area/faces.h"

#include "core/area/regions.h"
#include "core/image/read.h"
#include "tests/support/area_truth.h"

#include <gtest/gtest.h>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

/// A face as light falls on one: an oval of skin, dark hollows of eyes with brows, a bright nose, a mouth.
cv::Mat drawnFace(cv::Size size, cv::Point middle, int high)
{
    const auto part = [&](double x, double y) {
        return cv::Point(middle.x + static_cast<int>(x * high), middle.y + static_cast<int>(y * high));
    };
    const auto reach = [&](double x, double y) {
        return cv::Size(static_cast<int>(x * high), static_cast<int>(y * high));
    };
    cv::Mat picture(size, CV_32FC3, cv::Scalar(0.12, 0.16, 0.12));
    const cv::Scalar skin(0.5, 0.32, 0.22), shade(0.25, 0.15, 0.1), dark(0.03, 0.02, 0.02), lips(0.3, 0.1, 0.08);
    cv::ellipse(picture, part(0, -0.05), reach(0.44, 0.6), 0, 0, 360, cv::Scalar(0.05, 0.03, 0.02), cv::FILLED);
    cv::ellipse(picture, middle, reach(0.38, 0.5), 0, 0, 360, skin, cv::FILLED);
    for (const double side : {-1.0, 1.0}) {
        cv::ellipse(picture, part(side * 0.16, -0.1), reach(0.1, 0.06), 0, 0, 360, shade, cv::FILLED);
        cv::ellipse(picture, part(side * 0.16, -0.1), reach(0.06, 0.03), 0, 0, 360, cv::Scalar(0.6, 0.55, 0.5),
                    cv::FILLED);
        cv::circle(picture, part(side * 0.16, -0.1), std::max(1, high / 34), dark, cv::FILLED);
        cv::ellipse(picture, part(side * 0.16, -0.19), reach(0.11, 0.02), 0, 0, 360, dark, cv::FILLED);
    }
    cv::ellipse(picture, part(0, 0.05), reach(0.05, 0.12), 0, 0, 360, cv::Scalar(0.58, 0.38, 0.27), cv::FILLED);
    cv::ellipse(picture, part(0, 0.16), reach(0.08, 0.02), 0, 0, 360, shade, cv::FILLED);
    cv::ellipse(picture, part(0, 0.28), reach(0.14, 0.04), 0, 0, 360, lips, cv::FILLED);
    cv::GaussianBlur(picture, picture, {}, high / 90.0);
    return picture;
}

Image imageOf(const cv::Mat& picture)
{
    Image image(picture.cols, picture.rows);
    for (int y = 0; y < picture.rows; ++y)
        std::copy_n(picture.ptr<float>(y), 3 * picture.cols, image.mutableView().row(y));
    return image;
}

TEST(Faces, ADrawnOneIsSeenWhereItIsAndItsSkinIsOfferedForALook)
{
    const Image image = imageOf(drawnFace({750, 500}, {300, 240}, 240));
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
