#include "core/colour/oklab.h"
#include "core/measure/main_colours.h"
#include "core/measure/picture_difference.h"
#include "core/measure/tone.h"
#include "tests/support/random_look.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

using test::Random;

Image filled(int width, int height, const LinearRgb& c)
{
    Image image(width, height);
    for (int i = 0; i < width * height; ++i) {
        float* p = image.mutableView().data + 3 * i;
        p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
    }
    return image;
}

void paint(Image& image, int x0, int y0, int x1, int y1, const LinearRgb& c)
{
    const Image patch = filled(x1 - x0, 1, c);
    for (int y = y0; y < y1; ++y)
        std::copy_n(patch.view().data, 3 * (x1 - x0), image.mutableView().row(y) + 3 * x0);
}

TEST(Tone, QuantilesMeansAndContrastOfARamp)
{
    Image ramp(1001, 4);
    for (int y = 0; y < 4; ++y)
        for (int x = 0; x < 1001; ++x) {
            const double L = x / 1000.0;
            std::fill_n(ramp.mutableView().row(y) + 3 * x, 3, static_cast<float>(L * L * L));
        }
    const ToneMeasures m = measureTone(ramp.view(), RgbSpace::Srgb);
    for (std::size_t i = 0; i < kQuantiles.size(); ++i)
        EXPECT_NEAR(m.quantilesL[i], kQuantiles[i], 0.0015);
    EXPECT_NEAR(m.meanL, 0.5, 1e-3);
    EXPECT_NEAR(m.contrast, 0.9, 2e-3);
    EXPECT_NEAR(m.meanChroma, 0, 1e-5);
    double sum = 0;
    for (double share : m.tone)
        sum += share;
    EXPECT_NEAR(sum, 1, 1e-9);
    EXPECT_NEAR(stopsOf(std::cbrt(0.18)), 0, 1e-12);
    EXPECT_NEAR(stopsOf(std::cbrt(0.72)), 2, 1e-12);
}

TEST(Tone, ClippingIsCountedPerChannelAtTheOutput)
{
    Image image = filled(10, 10, {0.2, 0.2, 0.2});
    paint(image, 0, 0, 10, 2, {2, 2, 2});                                      // white, beyond
    paint(image, 0, 2, 10, 3, apply(toWorking(RgbSpace::Srgb), {1, 0, 0.5}));  // sRGB red at its end, green at nothing
    const ToneMeasures m = measureTone(image.view(), RgbSpace::Srgb);
    EXPECT_NEAR(m.clippedHigh[0], 0.3, 1e-9);
    EXPECT_NEAR(m.clippedHigh[1], 0.2, 1e-9);
    EXPECT_NEAR(m.clippedLow[1], 0.1, 1e-9);
    EXPECT_NEAR(m.clippedLow[2], 0.0, 1e-9);
    EXPECT_EQ(measureTone(image.view(), RgbSpace::Rec2020).clippedHigh[0],
              measureTone(image.view(), RgbSpace::Rec2020).clippedHigh[1]);
}

TEST(Hue, SharesAreWeightedByChroma)
{
    Image image = filled(10, 10, toLinearRgb(toOkLab(OkLch{0.6, 0.10, 62})));
    paint(image, 0, 0, 10, 5, toLinearRgb(toOkLab(OkLch{0.6, 0.05, 202})));
    const HueMeasures m = measureHue(image.view());
    EXPECT_NEAR(m.share[62 * kHueBins / 360], 2 / 3.0, 1e-4);
    EXPECT_NEAR(m.share[202 * kHueBins / 360], 1 / 3.0, 1e-4);
    EXPECT_NEAR(m.chroma[62 * kHueBins / 360], 0.10, 1e-4);
}

TEST(Patch, MeanIsTrimmedAndStaysInThePicture)
{
    Image image = filled(100, 60, toLinearRgb(toOkLab(OkLch{0.55, 0.08, 140})));
    paint(image, 48, 28, 51, 31, {9, 9, 9});  // a glint inside the patch
    const auto m = measurePatch(image.view(), 0.5, 0.5, 0.2);
    ASSERT_TRUE(m);
    EXPECT_NEAR(m->okLch.L, 0.55, 1e-3);
    EXPECT_NEAR(m->okLch.hueDegrees, 140, 0.1);
    EXPECT_LT(m->spread, 0.05);
    EXPECT_TRUE(measurePatch(image.view(), 0, 0, 0.0001));
    EXPECT_FALSE(measurePatch(image.view(), 3, 3, 0.01));
}

TEST(MainColours, FindsTheColoursAPictureIsMadeOf)
{
    const LinearRgb clay = toLinearRgb(toOkLab(OkLch{0.5, 0.09, 50})),
                    leaf = toLinearRgb(toOkLab(OkLch{0.45, 0.08, 140})), plaster{0.6, 0.6, 0.6};
    Image image = filled(120, 90, plaster);
    paint(image, 0, 0, 60, 45, clay);
    paint(image, 90, 60, 120, 90, leaf);
    const auto colours = mainColours(image.view(), 6);
    ASSERT_EQ(colours.size(), 3u);
    EXPECT_NEAR(colours[0].colour.g, 0.6, 1e-4);
    EXPECT_NEAR(colours[1].share, 0.25, 0.02);
    EXPECT_NEAR(colours[1].colour.r, clay.r, 1e-4);
    EXPECT_LT(colours[1].x, 0.5);
    EXPECT_NEAR(colours[2].colour.b, leaf.b, 1e-4);
}

TEST(MainColours, OddShapesAreMeasured)
{
    for (const auto& [width, height] : {std::pair{1, 1}, {30000, 1}, {1, 30000}, {30000, 10}, {3, 2}}) {
        const auto colours = mainColours(filled(width, height, {0.3, 0.2, 0.1}).view(), 6);
        ASSERT_EQ(colours.size(), 1u) << width << " x " << height;
        EXPECT_NEAR(colours[0].share, 1, 1e-9);
    }
}

TEST(PictureDifference, FindsTheWorstPixelAndRefusesOtherSizes)
{
    Random random(51);
    const Image one = random.picture(50, 40, 0, 1);
    Image two = one;
    EXPECT_EQ(pictureDifference(one.view(), two.view())->maximum, 0);
    two.mutableView().row(17)[3 * 23] += 0.5f;
    const auto d = pictureDifference(one.view(), two.view());
    EXPECT_EQ(d->x, 23);
    EXPECT_EQ(d->y, 17);
    EXPECT_GT(d->maximum, 1);
    EXPECT_EQ(d->percentile99, 0);
    EXPECT_NEAR(d->mean, d->maximum / 2000, 1e-6);
    EXPECT_FALSE(pictureDifference(one.view(), filled(40, 50, {}).view()));
}

TEST(Hue, TheShareWithinAPlanIsThatOfItsColours)
{
    Image image(10, 10);
    paint(image, 0, 0, 10, 10, toLinearRgb(toOkLab(OkLch{0.6, 0.1, 60})));
    paint(image, 0, 0, 10, 2, toLinearRgb(toOkLab(OkLch{0.6, 0.1, 240})));
    const HueMeasures hues = measureHue(image.view());
    EXPECT_NEAR(chromaWithin(hues, {{62, 40}}), 0.8, 0.01);
    EXPECT_NEAR(chromaWithin(hues, {{62, 40}, {240, 30}}), 1, 0.01);
    EXPECT_EQ(chromaWithin(hues, {}), 0);
    EXPECT_NEAR(chromaWithin(hues, {{355, 180}}), 0.8, 0.01) << "ranges go round the circle";
}

}  // namespace
}  // namespace amber
