// From the finished picture to its source and back: lens, turn, lean, stretch and crop as one map.
#include "core/frame/placement.h"

#include "core/colour/rgb_space.h"
#include "core/image/bicubic.h"

#include <cmath>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace amber {
namespace {

Geometry anyGeometry()
{
    Geometry g;
    g.straightenDegrees = *rc::gen::inRange(-200, 201) / 10.0;
    g.leanUp = *rc::gen::inRange(-20, 21) / 100.0, g.leanAside = *rc::gen::inRange(-20, 21) / 100.0;
    g.stretch = *rc::gen::inRange(80, 126) / 100.0;
    return g;
}

Optics anyOptics()
{
    Optics o;
    o.bow = *rc::gen::inRange(-60, 61) / 1000.0;
    o.redFringe = *rc::gen::inRange(-20, 21) / 10000.0, o.blueFringe = *rc::gen::inRange(-20, 21) / 10000.0;
    if (*rc::gen::arbitrary<bool>())
        o.lens = {"Made up", {1.01, 0, -0.02, 0.001, 0.002}, {1.0005, 0, 0, 0, 0}, {0.9993, 0, 0.0002, 0, 0}, {}};
    return o;
}

RC_GTEST_PROP(Placement, PlacesAreFoundBackAndCropsShowNothingFromOutside, ())
{
    Geometry g = anyGeometry();
    const Optics o = anyOptics();
    const double ratio = *rc::gen::inRange(50, 200) / 100.0, wanted = *rc::gen::element(0.0, 1.0, 0.8, 16.0 / 9);
    g.crop = inscribedCrop(o, g, ratio, wanted);
    RC_ASSERT(std::abs(shapeOf(g.crop, ratio) - (wanted > 0 ? wanted : ratio)) < 1e-6);
    RC_ASSERT(isInside(o, g, ratio, g.crop));
    const Placement placement(o, g, static_cast<int>(std::lround(3000 * ratio)), 3000);
    for (const auto& [x, y] : {std::pair(0.0, 0.0), std::pair(1.0, 0.0), std::pair(0.0, 1.0), std::pair(1.0, 1.0),
                               std::pair(0.5, 0.0), std::pair(0.3, 0.7)}) {
        const Spot source = placement.sourceOf({x, y}), back = placement.placeOf(source);
        RC_ASSERT(source.x > -2e-3 && source.x < 1.002 && source.y > -2e-3 && source.y < 1.002);
        RC_ASSERT(std::abs(back.x - x) < 1e-6 && std::abs(back.y - y) < 1e-6);
    }
    // A crop slid outside comes back in, and one inside stays.
    const double dx = *rc::gen::inRange(-50, 51) / 100.0, dy = *rc::gen::inRange(-50, 51) / 100.0;
    const Region slid{g.crop.left + dx, g.crop.top + dy, g.crop.right + dx, g.crop.bottom + dy};
    RC_ASSERT(isInside(o, g, ratio, broughtInside(o, g, ratio, slid)));
    RC_ASSERT(broughtInside(o, g, ratio, g.crop) == g.crop);
}

/// A picture with something everywhere, smooth enough to be resampled.
Image smoothPicture(int width, int height)
{
    Image picture(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x)
            for (int k = 0; k < 3; ++k)
                picture.mutableView().row(y)[3 * x + k] =
                    static_cast<float>(0.4 + 0.3 * std::sin(x * 0.11 + k) * std::cos(y * 0.13 - k));
    return picture;
}

RC_GTEST_PROP(Placement, RowsAreThoseOfTheDefinition, ())
{
    Geometry g = anyGeometry();
    const Optics o = anyOptics();
    g.crop = {0.1, 0.15, 0.85, 0.9};
    constexpr int kWidth = 211, kHeight = 139;
    const Image source = smoothPicture(kWidth, kHeight);
    const Placement placement(o, g, kWidth, kHeight);
    const Image out = placed(source, o, g);
    RC_ASSERT(out.width() == placement.width() && out.height() == placement.height());
    const Matrix3 own = fromWorking(RgbSpace::Srgb), working = toWorking(RgbSpace::Srgb);
    const Throw thrown(o);
    for (int n = 0; n < 40; ++n) {
        const int x = *rc::gen::inRange(0, out.width()), y = *rc::gen::inRange(0, out.height());
        const Spot green = placement.sourceOf({(x + 0.5) / out.width(), (y + 0.5) / out.height()});
        // Red and blue lie on the same ray from the middle.
        const double px = green.x * kWidth - kWidth / 2.0, py = green.y * kHeight - kHeight / 2.0,
                     length = std::hypot(px, py) / (std::hypot(kWidth, kHeight) / 2);
        const double straight = length * thrown.trueFrom(length);
        const double by[3] = {thrown.red(straight) / thrown.green(straight), 1,
                              thrown.blue(straight) / thrown.green(straight)};
        double channel[3];
        for (int k = 0; k < 3; ++k) {
            float c[3];
            sampleBicubic(source.view(), px * by[k] + kWidth / 2.0 - 0.5, py * by[k] + kHeight / 2.0 - 0.5, c);
            channel[k] = own.m[k][0] * c[0] + own.m[k][1] * c[1] + own.m[k][2] * c[2];
        }
        for (int k = 0; k < 3; ++k) {
            const double wanted =
                working.m[k][0] * channel[0] + working.m[k][1] * channel[1] + working.m[k][2] * channel[2];
            RC_ASSERT(std::abs(out.view().row(y)[3 * x + k] - wanted) < 2e-3);
        }
    }
    // A band is made of the rows it says, and of nothing else.
    const int first = *rc::gen::inRange(0, out.height()), rows = std::min(17, out.height() - first);
    const auto [from, to] = placement.sourceRows(first, rows);
    Image few(kWidth, to - from), band(out.width(), rows);
    std::copy_n(source.view().row(from), 3 * kWidth * (to - from), few.mutableView().data);
    placement.run(few.view(), from, first, band.mutableView());
    RC_ASSERT(std::equal(band.view().data, band.view().data + 3 * out.width() * rows, out.view().row(first)));
}

TEST(Placement, TurnsThePictureAndLeavesTheIdentityAlone)
{
    Image picture(90, 60);
    for (int y = 0; y < 60; ++y)
        for (int x = 0; x < 90; ++x)
            picture.mutableView().row(y)[3 * x] = x > 60 && std::abs(y - 30) < 4 ? 1.0f : 0.1f;
    const Image same = placed(picture, {}, {});
    EXPECT_TRUE(std::equal(same.view().data, same.view().data + 3 * 90 * 60, picture.view().data));
    // Clockwise by 30 degrees the bar that points right points down to the right.
    Geometry thirty;
    thirty.straightenDegrees = 30;
    const Image turned = placed(picture, {}, thirty);
    EXPECT_GT(turned.view().row(30 + 17)[3 * (45 + 30)], 0.8f);
    EXPECT_LT(turned.view().row(30)[3 * (45 + 34)], 0.3f);
    Geometry half;
    half.crop = {0.25, 0, 0.75, 1};
    const Placement cut({}, half, 6000, 4000);
    EXPECT_EQ(cut.width(), 3000);
    EXPECT_EQ(cut.height(), 4000);
    Geometry wide;
    wide.stretch = 1.25;
    EXPECT_NEAR(Placement({}, wide, 1500, 1000).sourceOf({0, 0.5}).x, 0.1, 1e-9) << "things are made wider";
    wide.stretch = 0.8;
    EXPECT_NEAR(Placement({}, wide, 1500, 1000).sourceOf({0.5, 0}).y, 0.1, 1e-9) << "and taller, with nothing missing";
}

TEST(Crops, EveryRatioKeepsItsOwn)
{
    Geometry g;
    g.crop = {0.1, 0.1, 0.9, 0.9};
    const Geometry square = croppedTo(g, 1.5, 1);
    EXPECT_NEAR(square.crop.left, 0.5 - 0.8 / 3, 1e-12);
    EXPECT_NEAR(square.crop.top, 0.1, 1e-12);
    // Held to 16:9 and slid, then to a square and back: the slid one is found again, and a delivery cuts by it.
    Geometry held = heldTo(g, 1.5, 16.0 / 9);
    held.crop.top -= 0.05, held.crop.bottom -= 0.05;
    const Region slid = held.crop;
    held = heldTo(held, 1.5, 1);
    EXPECT_NEAR(shapeOf(held.crop, 1.5), 1, 1e-9);
    EXPECT_EQ(croppedTo(held, 1.5, 16.0 / 9).crop, slid);
    held = heldTo(held, 1.5, 16.0 / 9);
    EXPECT_EQ(held.crop, slid);
    EXPECT_EQ(held.crops.size(), 1u) << "that of the square";
    EXPECT_EQ(croppedTo(held, 1.5, 0).crop, slid);
}

TEST(Lens, FalloffIsGivenBackWhereItWasTaken)
{
    Optics o;
    o.falloffStops = 1;
    Geometry right;
    right.crop = {0.5, 0, 1, 1};
    const Placement placement(o, right, 600, 400);
    EXPECT_TRUE(placement.dims());
    std::vector<float> gains(300);
    placement.gains(199, gains.data());
    EXPECT_NEAR(gains[0], 1, 1e-3) << "the middle of the source";
    EXPECT_NEAR(gains[299], std::exp2(300.0 * 300 / (360.55 * 360.55)), 5e-3);
}

}  // namespace
}  // namespace amber
