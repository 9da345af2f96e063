// Areas as values, and their masks.
#include "core/area/area.h"
#include "core/area/area_mask.h"
#include "core/area/strokes.h"

#include "tests/support/random_look.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

using test::Random;

Image grey(int width, int height, float light = 0.2f)
{
    Image image(width, height);
    std::fill_n(image.mutableView().data, 3 * width * height, light);
    return image;
}

AreaPart part(decltype(AreaPart::shape) shape, AreaPart::Join join = AreaPart::Join::Add)
{
    return {join, std::move(shape), false, 1};
}

Area areaOf(std::vector<AreaPart> parts)
{
    Area area;
    area.parts = std::move(parts);
    return area;
}

/// A box with hard edges.
Outline box(double left, double top, double right, double bottom)
{
    return {{{left, top}, {right, top}, {right, bottom}, {left, bottom}}, false};
}

float at(const Plane& mask, double x, double y)
{
    return mask.row(static_cast<int>(y * mask.height))[static_cast<int>(x * mask.width)];
}

FoundMask checkered(int width, int height)
{
    FoundMask mask{width, height, {}};
    for (int i = 0; i < width * height; ++i)
        mask.weights.push_back(static_cast<std::uint8_t>((i % width / 4 + i / width / 4) % 2 * 255));
    return mask;
}

TEST(Area, ComesBackFromItsText)
{
    Area area;
    area.state = Area::State::Confirmed, area.density = 0.8, area.feather = 0.01, area.grow = -0.002;
    area.isInverted = true;
    const Found found = foundOf(checkered(40, 24), "one stroke", 0.93);
    Guard blue;
    blue.hueCentre = 250, blue.hueWidth = 60;
    area.parts = {part(Ramp{{0.1, 0.2}, {0.3, 0.9}, true}),
                  part(Ellipse{{0.4, 0.5}, 0.2, 0.1, 30, 0.4}, AreaPart::Join::Cut),
                  part(Outline{{{0, 0}, {1, 0}, {0.5, 1}}, true}, AreaPart::Join::Within),
                  part(Stroke{{{{0.1, 0.1}, 0.5}, {{0.7, 0.4}, 1}}, 0.05, 0.2, 0.9}),
                  part(ColourRange{blue}, AreaPart::Join::Within),
                  part(found)};
    area.parts[1].isInverted = true, area.parts[2].density = 0.5;
    const auto again = areaFromText(areaToText(area),
                                    [&](const std::string& hash) { return hash == found.hash ? found.mask : nullptr; });
    ASSERT_TRUE(again) << again.error().message();
    EXPECT_EQ(*again, area);
    EXPECT_DOUBLE_EQ(again->sureness(), 0.93);
    EXPECT_FALSE(areaFromText(areaToText(area), {})) << "its mask is not there";
    EXPECT_LT(found.mask->size(), 40u * 24 / 4);
    EXPECT_EQ(unpacked(*found.mask)->weights, checkered(40, 24).weights);
}

TEST(Area, DamagedTextsAndMasksAreRefused)
{
    for (const char* text :
         {"", "[]", R"({"state":"lost"})", R"({"parts":[{"shape":"star"}]})", R"({"parts":[{}]})", R"({"density":2})",
          R"({"parts":[{"shape":"ramp","full":[0]}]})", R"({"parts":[{"shape":"ramp","full":[0,1e9]}]})",
          R"({"parts":[{"shape":"ellipse","halfWidth":-1}]})", R"({"parts":[{"shape":"stroke","points":[[1,2]]}]})",
          R"({"parts":[{"shape":"range","colours":{"toneLow":5}}]})", R"({"parts":[{"shape":"found"}]})"})
        EXPECT_FALSE(areaFromText(text, {})) << text;
    const std::string bytes = *packed(checkered(40, 24));
    EXPECT_FALSE(unpacked(bytes.substr(0, bytes.size() / 2)));
    EXPECT_FALSE(unpacked("40 25" + bytes.substr(5))) << "another size";
    EXPECT_FALSE(unpacked("99999 99999\n" + bytes.substr(6)));
    EXPECT_FALSE(unpacked("-4 4\nx"));
    EXPECT_FALSE(unpacked(""));
}

TEST(AreaMask, EachShapeIsFullWhereItIsMeant)
{
    const Image picture = grey(300, 200);
    const MaskGround ground(picture.view());
    const auto mask = [&](auto shape) { return ground.maskOf(areaOf({part(shape)})); };
    const Plane ramp = mask(Ramp{{0.5, 0.25}, {0.5, 0.75}, false});
    EXPECT_EQ(at(ramp, 0.1, 0.1), 1);
    EXPECT_NEAR(at(ramp, 0.9, 0.5), 0.5, 0.03);
    EXPECT_EQ(at(ramp, 0.5, 0.9), 0);
    EXPECT_NEAR(at(mask(Ramp{{0.5, 0.25}, {0.5, 0.75}, true}), 0.5, 0.01), 0.5, 0.05) << "it falls on both sides";
    // A turned ellipse: half as wide as the longer edge along its own axis.
    const Plane ellipse = mask(Ellipse{{0.5, 0.5}, 0.3, 0.1, 90, 0});
    EXPECT_EQ(at(ellipse, 0.5, 0.9), 1) << "0.27 of the longer edge below its middle";
    EXPECT_EQ(at(ellipse, 0.65, 0.5), 0);
    const Plane outline = mask(box(0.2, 0.2, 0.6, 0.8));
    EXPECT_EQ(at(outline, 0.4, 0.5), 1);
    EXPECT_EQ(at(outline, 0.19, 0.5), 0);
    EXPECT_EQ(at(outline, 0.61, 0.5), 0);
    const Plane stroke = mask(Stroke{{{{0.2, 0.5}, 1}, {{0.8, 0.5}, 0.5}}, 0.1, 0, 0.7});
    EXPECT_FLOAT_EQ(at(stroke, 0.3, 0.5), 0.7f);
    EXPECT_GT(at(stroke, 0.21, 0.63), 0) << "a pen pressed hard";
    EXPECT_EQ(at(stroke, 0.79, 0.63), 0) << "or lightly";
    EXPECT_EQ(at(mask(Outline{{{0, 0}, {1, 1}}, false}), 0.5, 0.5), 0) << "no area";
}

TEST(AreaMask, PartsAreJoinedAsSets)
{
    const Image picture = grey(120, 80);
    const MaskGround ground(picture.view());
    const Outline a = box(0.1, 0.1, 0.6, 0.6), b = box(0.4, 0.4, 0.9, 0.9);
    const Plane one = ground.maskOf(areaOf({part(a)})), other = ground.maskOf(areaOf({part(b)}));
    const auto check = [&](AreaPart::Join join, auto rule) {
        const Plane both = ground.maskOf(areaOf({part(a), part(b, join)}));
        for (std::size_t i = 0; i < both.values.size(); ++i) {
            const float p = one.values[i], q = other.values[i];
            if ((p == 0 || p == 1) && (q == 0 || q == 1)) {
                ASSERT_EQ(both.values[i] > 0.5f, rule(p > 0.5f, q > 0.5f)) << i;
            }
        }
    };
    check(AreaPart::Join::Add, [](bool p, bool q) { return p || q; });
    check(AreaPart::Join::Cut, [](bool p, bool q) { return p && !q; });
    check(AreaPart::Join::Within, [](bool p, bool q) { return p && q; });
    // Turned round: De Morgan.
    Area outsideOfBoth = areaOf({part(a), part(b)});
    outsideOfBoth.isInverted = true;
    AreaPart notA = part(a), notB = part(b, AreaPart::Join::Within);
    notA.isInverted = notB.isInverted = true;
    const Plane c = ground.maskOf(outsideOfBoth), d = ground.maskOf(areaOf({notA, notB}));
    for (std::size_t i = 0; i < c.values.size(); ++i)
        ASSERT_NEAR(c.values[i], d.values[i], 0.26f) << i;  // where both edges lie in one pixel they differ in share
    EXPECT_EQ(at(ground.maskOf(areaOf({part(a, AreaPart::Join::Cut)})), 0.3, 0.3), 0) << "cut from nothing";
}

TEST(AreaMask, GrowsAndFeathersByLengths)
{
    const Image picture = grey(400, 300);
    const MaskGround ground(picture.view());
    Area area = areaOf({part(box(0.25, 0.25, 0.75, 0.75))});
    const auto width = [&] {
        const Plane mask = ground.maskOf(area);
        double sum = 0;
        for (int x = 0; x < mask.width; ++x)
            sum += mask.row(150)[x];
        return sum;
    };
    EXPECT_NEAR(width(), 200, 0.5);
    area.grow = 0.0125;
    EXPECT_NEAR(width(), 210, 1);
    area.grow = -0.00375;  // a pixel and a half
    EXPECT_NEAR(width(), 197, 1);
    area.grow = 0, area.feather = 0.02;
    EXPECT_NEAR(width(), 200, 0.5) << "a blur moves nothing";
    EXPECT_NEAR(at(ground.maskOf(area), 0.25, 0.5), 0.5, 0.03);
    area.density = 0.5;
    EXPECT_NEAR(at(ground.maskOf(area), 0.5, 0.5), 0.5, 0.01);
    area.state = Area::State::NotHere, area.isInverted = true;
    EXPECT_EQ(at(ground.maskOf(area), 0.5, 0.5), 0);
}

/// A found mask a few pixels off takes the edge of the thing: its place in the picture counts, not the mask's pixels.
TEST(AreaMask, WhatWasFoundFollowsTheEdgesOfThePicture)
{
    constexpr int kWide = 900, kHigh = 600;
    Image picture = grey(kWide, kHigh, 0.1f);
    for (int y = 150; y < 450; ++y)
        std::fill_n(picture.mutableView().row(y) + 3 * 301, 3 * 298, 0.6f);
    FoundMask mask{450, 300, std::vector<std::uint8_t>(135000, 0)};
    for (int y = 75; y < 225; ++y)
        std::fill_n(mask.weights.begin() + y * 450 + 150, 150, 255);
    const Plane found = MaskGround(picture.view()).maskOf(areaOf({part(foundOf(mask, "a test", 1))}));
    double wrong = 0;
    for (int y = 200; y < 400; ++y)
        for (int x = 250; x < 650; ++x)
            wrong += std::abs(found.row(y)[x] - (x >= 301 && x < 599 ? 1.0f : 0.0f));
    EXPECT_LT(wrong / 200, 2.1) << "in pixels along a row, both edges: half a pixel of softness on each side";
}

TEST(AreaMask, LiesOnTheSameThingsInACrop)
{
    const Image whole = grey(600, 400), crop = grey(300, 200);
    const Area area = areaOf({part(Ellipse{{0.5, 0.4}, 0.12, 0.08, 20, 0.2}), part(box(0.3, 0.3, 0.5, 0.45))});
    const Plane all = MaskGround(whole.view()).maskOf(area);
    const Plane cut = MaskGround(crop.view(), 1.5, [](Spot s) {
                          return Spot{0.25 + s.x / 2, 0.25 + s.y / 2};
                      }).maskOf(area);
    for (int y = 0; y < 200; ++y)
        for (int x = 0; x < 300; ++x)
            ASSERT_NEAR(cut.row(y)[x], all.row(y + 100)[x + 150], 1e-4);
}

TEST(Strokes, AreSimplifiedWithoutLosingTheirPlaceOrTheirPressure)
{
    Stroke straight{{}, 0.02, 0.5, 1}, bent = straight, pressed = straight, wild = straight;
    for (int i = 0; i <= 100; ++i) {
        straight.points.push_back({{i / 100.0, 0.5}, 1});
        bent.points.push_back({{std::min(i, 50) / 100.0, 0.5 + std::max(0, i - 50) / 200.0}, 1});
        pressed.points.push_back({{i / 100.0, 0.5}, i == 50 ? 0.3 : 1.0});
    }
    EXPECT_EQ(simplified(straight).points.size(), 2u);
    const Stroke corner = simplified(bent);
    ASSERT_EQ(corner.points.size(), 3u);
    EXPECT_EQ(corner.points[1], bent.points[50]);
    const Stroke light = simplified(pressed);
    EXPECT_TRUE(std::any_of(light.points.begin(), light.points.end(), [](const auto& p) { return p.pressure == 0.3; }))
        << "a straight stroke keeps where it was pressed less";
    for (int i = 0; i < 6000; ++i)
        wild.points.push_back({{(i % 2) * 0.5, i / 6000.0}, 1});
    EXPECT_LE(simplified(wild).points.size(), kPointLimit) << "what is kept can be read back";
    EXPECT_EQ(simplified(Stroke{}).points.size(), 0u);
}

}  // namespace
}  // namespace amber
