// Measures of areas, on made pictures with known answers.
#include "core/area/area_measures.h"

#include "core/colour/oklab.h"
#include "core/image/read.h"
#include "tests/support/area_truth.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <numbers>

namespace amber {
namespace {

constexpr int kWidth = 300, kHeight = 200;

Image filledWith(const OkLab& colour)
{
    Image image(kWidth, kHeight);
    const LinearRgb c = toLinearRgb(colour);
    for (float* p = image.mutableView().data; p != image.mutableView().data + 3 * kWidth * kHeight; p += 3)
        p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
    return image;
}

Plane disc(double cx, double cy, double radius, double soft = 0)
{
    Plane mask(kWidth, kHeight);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            const double d = std::hypot(x - cx, y - cy);
            mask.row(y)[x] = static_cast<float>(soft > 0     ? std::clamp((radius + soft / 2 - d) / soft, 0.0, 1.0)
                                                : d < radius ? 1.0
                                                             : 0.0);
        }
    return mask;
}

/// Light multiplied where the mask is: OKLab follows by the cube root.
Image lit(const Image& from, const Plane& mask, double stops)
{
    Image image = from;
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x)
            for (int k = 0; k < 3; ++k)
                image.mutableView().row(y)[3 * x + k] *= static_cast<float>(std::exp2(stops * mask.row(y)[x]));
    return image;
}

TEST(AreaMeasures, SeparationIsTheDifferenceOfTheMeans)
{
    Image image = filledWith({0.5, 0.05, 0});
    const Plane mask = disc(150, 100, 40);
    const LinearRgb in = toLinearRgb(OkLab{0.7, 0, 0.1});
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x)
            if (mask.row(y)[x] > 0) {
                float* p = image.mutableView().row(y) + 3 * x;
                p[0] = static_cast<float>(in.r), p[1] = static_cast<float>(in.g), p[2] = static_cast<float>(in.b);
            }
    const Separation s = separationOf(image.view(), mask);
    EXPECT_NEAR(s.lightness, 0.2, 1e-4);
    EXPECT_NEAR(s.chroma, 0.05, 1e-4);
    EXPECT_NEAR(s.hueDegrees, 90, 0.1);
    EXPECT_EQ(separationOf(image.view(), Plane(kWidth, kHeight)).lightness, 0) << "an empty area stands out of nothing";
    EXPECT_EQ(separationOf(filledWith({0.5, 0, 0}).view(), mask).hueDegrees, 0) << "grey has no hue";
}

TEST(AreaMeasures, AHaloIsSeenAndASoftEdgeIsNone)
{
    const Image flat = filledWith({0.6, 0.02, 0.03});
    const Plane hard = disc(150, 100, 50), soft = disc(150, 100, 50, 6);
    EXPECT_LT(haloOf(flat.view(), lit(flat, hard, -1).view(), hard), 1e-6);
    EXPECT_LT(haloOf(flat.view(), lit(flat, soft, -1).view(), soft), 1e-6);
    // The same with a bright rim outside: a tenth of a stop, in lightness a cube root of that.
    Image rim = lit(flat, hard, -1);
    Plane ring = disc(150, 100, 53);
    for (std::size_t i = 0; i < ring.values.size(); ++i)
        ring.values[i] -= hard.values[i];
    EXPECT_NEAR(haloOf(flat.view(), lit(rim, ring, 0.1).view(), hard), std::log(std::exp2(0.1)) / 3, 0.003);
    // A real picture, a stop darker under a true mask.
    const auto picture = readReduced(test::demoPicture("dusk-terrace-02"), 750, true);
    ASSERT_TRUE(picture);
    const FoundMask truth = test::truthOf("dusk-terrace-02", "sky");
    Plane sky(picture->image.width(), picture->image.height());
    Image darker = picture->image;
    for (int y = 0; y < sky.height; ++y)
        for (int x = 0; x < sky.width; ++x) {
            sky.row(y)[x] = truth.weights[static_cast<std::size_t>(y * truth.height / sky.height) * truth.width +
                                          x * truth.width / sky.width] > 127;
            for (int k = 0; k < 3; ++k)
                darker.mutableView().row(y)[3 * x + k] *= sky.row(y)[x] > 0 ? 0.5f : 1.0f;
        }
    EXPECT_LT(haloOf(picture->image.view(), darker.view(), sky), 0.004) << "the meter is silent";
}

TEST(AreaMeasures, LeakIsWhatChangedOutside)
{
    const Image flat = filledWith({0.6, 0, 0});
    const Plane mask = disc(150, 100, 50), elsewhere = disc(30, 30, 20);
    EXPECT_EQ(leakOf(flat.view(), lit(flat, mask, -1).view(), mask), 0);
    const double leak = leakOf(flat.view(), lit(flat, elsewhere, -1).view(), mask);
    EXPECT_NEAR(leak * (kWidth * kHeight * (1 - shareOf(disc(150, 100, 53)))),
                0.6 * (1 - std::cbrt(0.5)) * shareOf(elsewhere) * kWidth * kHeight, 3);
}

TEST(AreaMeasures, SharesAndOverlaps)
{
    const Plane large = disc(150, 100, 60), small = disc(150, 100, 30), away = disc(30, 30, 20);
    EXPECT_NEAR(shareOf(small), std::numbers::pi * 900 / (kWidth * kHeight), 1e-3);
    EXPECT_EQ(overlapOf(small, large), 1);
    EXPECT_NEAR(overlapOf(large, small), 0.25, 0.01);
    EXPECT_EQ(overlapOf(away, small), 0);
    EXPECT_EQ(overlapOf(Plane(kWidth, kHeight), small), 0);
}

TEST(AreaMeasures, TheStrengthAtWhichTwoAreasMeasureAlike)
{
    // Two discs, one with half the other's chroma; a step doubles chroma at full strength where it works.
    const Plane one = disc(80, 100, 40), other = disc(220, 100, 40);
    Image image = filledWith({0.6, 0, 0});
    const auto paint = [&](const Plane& mask, const OkLab& colour) {
        const LinearRgb c = toLinearRgb(colour);
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x)
                if (mask.row(y)[x] > 0) {
                    float* p = image.mutableView().row(y) + 3 * x;
                    p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
                }
    };
    paint(one, {0.6, 0.04, 0}), paint(other, {0.7, 0.07, 0});
    Look look;
    look.roles.push_back({"one", Role::Kind::Thing, {}, 1, {}});
    Step step;
    Chroma chroma;
    chroma.even = 2;
    step.parameters = chroma;
    step.guard.where.role = "one";
    look.steps.push_back(step);
    auto masks = std::make_shared<RoleMasks>();
    masks->set("one", one);
    RenderOptions options;
    options.masks = masks;
    const auto strength = strengthThatEquals(look, 0, image.view(), options, one, other, AreaMeasure::Chroma);
    ASSERT_TRUE(strength);
    EXPECT_NEAR(*strength, 0.75, 0.01) << "0.04 (1 + s) = 0.07";
    EXPECT_FALSE(strengthThatEquals(look, 0, image.view(), options, other, one, AreaMeasure::Lightness)) << "none does";
    EXPECT_FALSE(strengthThatEquals(look, 7, image.view(), options, one, other, AreaMeasure::Chroma)) << "no such step";
}

TEST(AreaMeasures, DistractorsLieOutsideTheSubjectTheStrongestFirst)
{
    Image image = filledWith({0.4, 0, 0});
    const Plane subject = disc(150, 100, 30), bright = disc(280, 20, 6), weak = disc(60, 160, 6);
    image = lit(image, subject, 2), image = lit(image, bright, 3), image = lit(image, weak, 1.2);
    const auto found = distractorsOf(image.view(), subject);
    ASSERT_GE(found.size(), 2u);
    EXPECT_NEAR((found[0].left + found[0].right) / 2, 280.0 / kWidth, 0.02);
    EXPECT_NEAR((found[0].top + found[0].bottom) / 2, 20.0 / kHeight, 0.02);
    EXPECT_GT(found[0].lightness, 0);
    EXPECT_NEAR((found[1].left + found[1].right) / 2, 60.0 / kWidth, 0.02);
    EXPECT_GT(found[0].weight, found[1].weight);
    EXPECT_TRUE(distractorsOf(filledWith({0.4, 0.02, 0}).view(), subject).empty()) << "nothing in an even picture";
}

}  // namespace
}  // namespace amber
