// What of a picture counts, where it is clipped, and the colour of a place in it.
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/measure/framing.h"
#include "core/measure/key_colour.h"

#include <gtest/gtest.h>
#include <locale>
#include <random>

namespace amber {
namespace {

constexpr double kFloat = 1e-5;  // what single precision leaves of a mean of numbers near 1

void set(Image& image, int x, int y, const LinearRgb& c)
{
    float* p = image.mutableView().row(y) + 3 * x;
    p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
}

Image flat(int width, int height, const LinearRgb& c)
{
    Image image(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x)
            set(image, x, y, c);
    return image;
}

TEST(Framing, CountsWhatLiesInTheCropAndInNoRegionLeftOut)
{
    const Framing framing{{0.1, 0.2, 0.9, 0.8}, {{0.1, 0.2, 0.5, 0.5}, {0.4, 0.4, 0.6, 0.6}}};
    EXPECT_TRUE(framing.counts(0.7, 0.3));
    EXPECT_FALSE(framing.counts(0.05, 0.5)) << "outside the crop";
    EXPECT_FALSE(framing.counts(0.1, 0.2)) << "an edge belongs to what begins there";
    EXPECT_TRUE(framing.counts(0.6, 0.3));
    EXPECT_FALSE(framing.counts(0.55, 0.55));
    EXPECT_FALSE(framing.isWhole());
    EXPECT_TRUE(Framing{}.isWhole());
}

TEST(Framing, TheCountedPixelsAreThoseOfTheRegionsInTheOrderOfThePicture)
{
    Image image(6, 4);
    for (int y = 0; y < 4; ++y)
        for (int x = 0; x < 6; ++x)
            set(image, x, y, {0.1 * x, 0.1 * y, 0});
    const Image some = counted(image.view(), {{0, 0.5, 0.5, 1}, {{0, 0.75, 1, 1}}});
    ASSERT_EQ(some.width(), 3);
    ASSERT_EQ(some.height(), 1);
    for (int x = 0; x < 3; ++x) {
        EXPECT_FLOAT_EQ(some.view().row(0)[3 * x], 0.1f * static_cast<float>(x));
        EXPECT_FLOAT_EQ(some.view().row(0)[3 * x + 1], 0.2f);
    }
    EXPECT_EQ(counted(image.view(), {}).width(), 24);
    EXPECT_EQ(counted(image.view(), {{}, {{0, 0, 1, 1}}}).width(), 24) << "one that leaves nothing counts everything";
}

TEST(Framing, ClippingIsToldByNinthsAsSharesOfTheWholePicture)
{
    Image image = flat(9, 9, {0.2, 0.2, 0.2});
    const Matrix3& fromSrgb = toWorking(RgbSpace::Srgb);
    for (int i = 0; i < 3; ++i) {
        set(image, 6 + i, 0, apply(fromSrgb, {1, 0.5, 0.5}));  // one channel at its end is enough
        set(image, i, 8, apply(fromSrgb, {0.1, 0, 0.1}));
    }
    const ClipPlaces all = clipPlaces(image.view(), {});
    for (std::size_t i = 0; i < 9; ++i) {
        EXPECT_NEAR(all.high[i], i == 2 ? 3.0 / 81 : 0, kFloat) << i;
        EXPECT_NEAR(all.low[i], i == 6 ? 3.0 / 81 : 0, kFloat) << i;
    }
    const ClipPlaces rest = clipPlaces(image.view(), {{}, {{0.6, 0, 1, 0.2}}});
    EXPECT_EQ(rest.high[2], 0) << "what is left out does not count";
    EXPECT_NEAR(rest.low[6], 3.0 / 81, kFloat);
}

TEST(Framing, IsKeptAsTextInAnyLocaleAndHalfATextIsRefused)
{
    struct Comma : std::numpunct<char> {
        char do_decimal_point() const override { return ','; }
    };
    const std::locale before = std::locale::global(std::locale(std::locale::classic(), new Comma));
    std::mt19937 engine(11);
    std::uniform_real_distribution<double> low(0, 0.4), high(0.6, 1);
    for (int round = 0; round < 50; ++round) {
        Framing framing;
        for (int i = 0; i < 3; ++i) {
            const auto kept = [](double v) { return std::round(v * 1000) / 1000; };
            const Region r{kept(low(engine)), kept(low(engine)), kept(high(engine)), kept(high(engine))};
            if (i == 0)
                framing.crop = r;
            else
                framing.leftOut.push_back(r);
        }
        const auto again = framingFromText(framingToText(framing));
        ASSERT_TRUE(again) << again.error().message();
        EXPECT_EQ(*again, framing);
    }
    std::locale::global(before);
    EXPECT_EQ(framingFromText("")->isWhole(), true);
    for (const char* wrong : {"0 0 1;", "0 0 1 1 1;", "0 0 x 1;", "0.5 0 0.5 1;", "0 1 1 0;", "0 0 1 1;nan"})
        EXPECT_FALSE(framingFromText(wrong)) << wrong;
}

TEST(PlaceOfAColour, RoundAPointIsASquareOfPixelsWhateverTheShape)
{
    const Region wide = pointPlace(0.5, 0.25, 3000, 1000), high = pointPlace(0.5, 0.25, 1000, 3000);
    EXPECT_NEAR((wide.right - wide.left) * 3000, (wide.bottom - wide.top) * 1000, 1e-9);
    EXPECT_NEAR((high.right - high.left) * 1000, 2 * kPointHalf * 1000, 1e-9);
    EXPECT_NEAR((wide.left + wide.right) / 2, 0.5, 1e-12);
    EXPECT_NEAR((wide.top + wide.bottom) / 2, 0.25, 1e-12);
}

TEST(PlaceOfAColour, AFewSparksAndHolesDoNotMoveIt)
{
    const LinearRgb cloth{0.2, 0.15, 0.1};
    Image image = flat(40, 40, cloth);
    std::mt19937 engine(3);
    for (int i = 0; i < 60; ++i)  // of 1600: far below the tenth that is cut off at each end
        set(image, static_cast<int>(engine() % 40), static_cast<int>(engine() % 40),
            i % 2 ? LinearRgb{5, 5, 5} : LinearRgb{0, 0, 0});
    const LinearRgb mean = meanOf(image.view(), {});
    EXPECT_NEAR(mean.r, cloth.r, kFloat);
    EXPECT_NEAR(mean.b, cloth.b, kFloat);
}

TEST(PlaceOfAColour, OutsideThePictureReadsItsNearestPixel)
{
    Image image = flat(8, 8, {0.1, 0.1, 0.1});
    set(image, 7, 7, {0.6, 0.3, 0.2});
    const LinearRgb corner = meanOf(image.view(), {1.2, 1.2, 1.3, 1.3});
    EXPECT_NEAR(corner.r, 0.6, kFloat);
    const LinearRgb thin = meanOf(image.view(), {0.5, 0.5, 0.5, 0.5});
    EXPECT_NEAR(thin.r, 0.1, kFloat) << "a place without size is its pixel";
}

TEST(AbsentColour, LiesFarFromEveryColourOfThePicture)
{
    for (const double hue : {0.0, 90.0, 180.0, 270.0}) {
        const Image image = flat(12, 12, toLinearRgb(toOkLab(OkLch{0.6, 0.12, hue})));
        const OkLab own = toOkLab(OkLch{0.6, 0.12, hue}), found = toOkLab(absentColour(image.view()));
        EXPECT_GT(std::hypot(found.L - own.L, found.a - own.a, found.b - own.b), 0.2) << hue;
        EXPECT_GT(std::hypot(found.a, found.b), 0.1) << "a strong one";
    }
}

}  // namespace
}  // namespace amber
