// Areas lie on their things, however the frame is turned, set upright, bent straight and cut.
#include "core/frame/frame_masks.h"

#include <cmath>
#include <gtest/gtest.h>

namespace amber {
namespace {

/// The middle of a mask, by its weights, in pixels.
Spot middleOf(const Plane& mask)
{
    double sum = 0, x = 0, y = 0;
    for (int j = 0; j < mask.height; ++j)
        for (int i = 0; i < mask.width; ++i) {
            const double w = mask.row(j)[i];
            sum += w, x += w * (i + 0.5), y += w * (j + 0.5);
        }
    return {x / sum, y / sum};
}

TEST(FrameMasks, FollowTheGeometryToAPixel)
{
    constexpr int kWide = 900, kHigh = 600;
    FrameBalance turned, leaning, cut, bent, all;
    turned.geometry.straightenDegrees = 7;
    leaning.geometry.leanUp = 0.1, leaning.geometry.leanAside = -0.05;
    cut.geometry.crop = {0.2, 0.1, 0.9, 0.95};
    bent.optics.bow = 0.06;
    all = leaning, all.geometry.straightenDegrees = -4, all.geometry.crop = {0.15, 0.2, 0.8, 0.9},
    all.optics.bow = -0.04, all.geometry.stretch = 1.1;
    const Image source(kWide, kHigh);
    for (const FrameBalance& balance : {FrameBalance{}, turned, leaning, cut, bent, all})
        for (const Spot at : {Spot{0.4, 0.45}, Spot{0.55, 0.6}, Spot{0.62, 0.38}}) {
            Area area;
            area.parts.push_back({AreaPart::Join::Add, Ellipse{at, 0.012, 0.012, 0, 0.5}, false, 1});
            const Image finished = placed(Image(source), balance.optics, balance.geometry);
            const auto masks = masksOf({{{"thing", area}}, balance, 1.5}, {"thing"}, finished.view());
            ASSERT_TRUE(masks);
            const Spot middle = middleOf(*masks->find("thing")), there = balance.placement(kWide, kHigh).placeOf(at);
            EXPECT_NEAR(middle.x, there.x * finished.width(), 1);
            EXPECT_NEAR(middle.y, there.y * finished.height(), 1);
        }
}

TEST(FrameMasks, WhatNobodyConfirmedAndWhatIsNotAskedForHasNone)
{
    const Image picture(600, 400);
    Area area;
    area.parts.push_back({AreaPart::Join::Add, Ramp{}, false, 1});
    FrameAreas areas{{{"sky", area}}, {}, 1.5};
    EXPECT_FALSE(masksOf(areas, {"sea"}, picture.view()));
    ASSERT_TRUE(masksOf(areas, {"sea", "sky"}, picture.view()));
    EXPECT_FALSE(masksOf(areas, {"sea", "sky"}, picture.view())->knows("sea"));
    areas.byRole["sky"].state = Area::State::Proposed;
    EXPECT_FALSE(masksOf(areas, {"sky"}, picture.view()));
    areas.byRole["sky"].state = Area::State::NotHere;
    ASSERT_TRUE(masksOf(areas, {"sky"}, picture.view()));
    EXPECT_TRUE(masksOf(areas, {"sky"}, picture.view())->isEmpty("sky"));
    // A large picture is masked on fewer pixels; the mask is the same.
    areas.byRole["sky"].state = Area::State::Confirmed;
    const Image large(3000, 2000);
    const auto many = masksOf(areas, {"sky"}, large.view());
    EXPECT_EQ(many->find("sky")->width, 1500);
    EXPECT_NEAR(sampleAt(*many->find("sky"), {1500, 800, 3000, 2000}),
                sampleAt(*masksOf(areas, {"sky"}, picture.view())->find("sky"), {300, 160, 600, 400}), 0.03);
}

}  // namespace
}  // namespace amber
