// A key colour found again: carried over where both frames show one view, else by its colour.
#include "core/balance/find_again.h"
#include "core/colour/oklab.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

constexpr int kWidth = 240, kHeight = 160;

void fill(Image& image, const Region& place, const OkLch& colour)
{
    const LinearRgb c = toLinearRgb(toOkLab(colour));
    for (int y = static_cast<int>(place.top * kHeight); y < static_cast<int>(place.bottom * kHeight); ++y)
        for (int x = static_cast<int>(place.left * kWidth); x < static_cast<int>(place.right * kWidth); ++x) {
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
}

/// A grey wall with a clay cup and a blue cloth.
Image scene(double cupLeft, double cupTop, bool withCup = true)
{
    Image image(kWidth, kHeight);
    fill(image, {0, 0, 1, 1}, {0.7, 0.005, 90});
    fill(image, {0.6, 0.6, 0.9, 0.95}, {0.45, 0.1, 260});
    if (withCup)
        fill(image, {cupLeft, cupTop, cupLeft + 0.15, cupTop + 0.2}, {0.6, 0.11, 50});
    return image;
}

KeyColour cup(double left, double top)
{
    KeyColour key;
    key.name = "cup";
    key.place = {left + 0.03, top + 0.04, left + 0.12, top + 0.16};
    return key;
}

double middle(const Region& r) { return (r.left + r.right) / 2; }

TEST(FindAgain, IsCarriedOverWhereBothShowOneView)
{
    const Image marked = scene(0.2, 0.3), other = scene(0.3, 0.4);
    Registration moved;
    moved.m = {1, 0, 0.1 * kWidth / kWidth, 0, 1, 0.1, 0, 0, 1};
    moved.fromRatio = moved.toRatio = 1.5, moved.matches = 80;
    const auto probe = moved.map({0.275, 0.4});
    const auto found = findAgain(cup(0.2, 0.3), marked.view(), other.view(), moved);
    ASSERT_TRUE(found);
    EXPECT_TRUE(found->bySameThing);
    EXPECT_NEAR(middle(found->place), probe.x, 0.01);
    EXPECT_GT(found->confidence, kDoubtful);
}

TEST(FindAgain, ByItsColourWhereTheFramesShowOtherViews)
{
    const Image marked = scene(0.2, 0.3), other = scene(0.62, 0.1);
    const auto found = findAgain(cup(0.2, 0.3), marked.view(), other.view(), std::nullopt);
    ASSERT_TRUE(found);
    EXPECT_FALSE(found->bySameThing);
    EXPECT_GT(found->place.left, 0.6);
    EXPECT_LT(found->place.right, 0.79);
    EXPECT_LT(found->place.bottom, 0.32);
    const OkLab there = toOkLab(found->colour), wanted = toOkLab(toLinearRgb(toOkLab(OkLch{0.6, 0.11, 50})));
    EXPECT_NEAR(there.a, wanted.a, 0.01);
    EXPECT_NEAR(there.b, wanted.b, 0.01);
    EXPECT_LT(found->confidence, 1) << "a colour alone never makes quite sure";
}

TEST(FindAgain, IsNotFoundWhereNothingIsLikeIt)
{
    const Image marked = scene(0.2, 0.3), other = scene(0, 0, false);
    EXPECT_FALSE(findAgain(cup(0.2, 0.3), marked.view(), other.view(), std::nullopt));
}

}  // namespace
}  // namespace amber
