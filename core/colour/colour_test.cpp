#include "core/colour/difference.h"
#include "core/colour/gamut.h"
#include "core/colour/oklab.h"
#include "tests/support/random_look.h"

#include <cmath>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace amber {
namespace {

using test::Random;

constexpr RgbSpace kAll[] = {RgbSpace::Srgb,     RgbSpace::DisplayP3, RgbSpace::OpRgb,
                             RgbSpace::ProPhoto, RgbSpace::Rec2020,   RgbSpace::Linear};

TEST(Ciede2000, EqualsThePublishedPairs)
{
    // Sharma, Wu and Dalal 2005, table 1; differences are given there to four places.
    constexpr double kPlaces = 1e-4;
    constexpr double kPairs[34][7] = {
        {50.0000, 2.6772, -79.7751, 50.0000, 0.0000, -82.7485, 2.0425},
        {50.0000, 3.1571, -77.2803, 50.0000, 0.0000, -82.7485, 2.8615},
        {50.0000, 2.8361, -74.0200, 50.0000, 0.0000, -82.7485, 3.4412},
        {50.0000, -1.3802, -84.2814, 50.0000, 0.0000, -82.7485, 1.0000},
        {50.0000, -1.1848, -84.8006, 50.0000, 0.0000, -82.7485, 1.0000},
        {50.0000, -0.9009, -85.5211, 50.0000, 0.0000, -82.7485, 1.0000},
        {50.0000, 0.0000, 0.0000, 50.0000, -1.0000, 2.0000, 2.3669},
        {50.0000, -1.0000, 2.0000, 50.0000, 0.0000, 0.0000, 2.3669},
        {50.0000, 2.4900, -0.0010, 50.0000, -2.4900, 0.0009, 7.1792},
        {50.0000, 2.4900, -0.0010, 50.0000, -2.4900, 0.0010, 7.1792},
        {50.0000, 2.4900, -0.0010, 50.0000, -2.4900, 0.0011, 7.2195},
        {50.0000, 2.4900, -0.0010, 50.0000, -2.4900, 0.0012, 7.2195},
        {50.0000, -0.0010, 2.4900, 50.0000, 0.0009, -2.4900, 4.8045},
        {50.0000, -0.0010, 2.4900, 50.0000, 0.0010, -2.4900, 4.8045},
        {50.0000, -0.0010, 2.4900, 50.0000, 0.0011, -2.4900, 4.7461},
        {50.0000, 2.5000, 0.0000, 50.0000, 0.0000, -2.5000, 4.3065},
        {50.0000, 2.5000, 0.0000, 73.0000, 25.0000, -18.0000, 27.1492},
        {50.0000, 2.5000, 0.0000, 61.0000, -5.0000, 29.0000, 22.8977},
        {50.0000, 2.5000, 0.0000, 56.0000, -27.0000, -3.0000, 31.9030},
        {50.0000, 2.5000, 0.0000, 58.0000, 24.0000, 15.0000, 19.4535},
        {50.0000, 2.5000, 0.0000, 50.0000, 3.1736, 0.5854, 1.0000},
        {50.0000, 2.5000, 0.0000, 50.0000, 3.2972, 0.0000, 1.0000},
        {50.0000, 2.5000, 0.0000, 50.0000, 1.8634, 0.5757, 1.0000},
        {50.0000, 2.5000, 0.0000, 50.0000, 3.2592, 0.3350, 1.0000},
        {60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644},
        {63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.2630},
        {61.2901, 3.7196, -5.3901, 61.4292, 2.2480, -4.9620, 1.8731},
        {35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645},
        {22.7233, 20.0904, -46.6940, 23.0331, 14.9730, -42.5619, 2.0373},
        {36.4612, 47.8580, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146},
        {90.8027, -2.0831, 1.4410, 91.1528, -1.6435, 0.0447, 1.4441},
        {90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381},
        {6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377},
        {2.0776, 0.0795, -1.1350, 0.9033, -0.0636, -0.5514, 0.9082},
    };
    for (const auto& p : kPairs) {
        EXPECT_NEAR(ciede2000(Lab{p[0], p[1], p[2]}, Lab{p[3], p[4], p[5]}), p[6], kPlaces)
            << p[0] << " " << p[1] << " " << p[2];
        EXPECT_NEAR(ciede2000(Lab{p[3], p[4], p[5]}, Lab{p[0], p[1], p[2]}), p[6], kPlaces);
    }
}

TEST(RgbSpace, MatricesEqualTheStandards)
{
    // IEC 61966-2-1 gives four places; BT.2020 luma coefficients are 0.2627, 0.6780, 0.0593.
    constexpr double kPlaces = 1e-4;
    const double srgb[3][3] = {{0.4124, 0.3576, 0.1805}, {0.2126, 0.7152, 0.0722}, {0.0193, 0.1192, 0.9505}};
    for (int i = 0; i < 3; ++i)
        for (int j = 0; j < 3; ++j)
            EXPECT_NEAR(rgbToXyz(RgbSpace::Srgb).m[i][j], srgb[i][j], kPlaces);
    EXPECT_NEAR(rgbToXyz(RgbSpace::Rec2020).m[1][0], 0.2627, kPlaces);
    EXPECT_NEAR(rgbToXyz(RgbSpace::Rec2020).m[1][1], 0.6780, kPlaces);
    EXPECT_NEAR(rgbToXyz(RgbSpace::ProPhoto).m[1][1], 0.7119, kPlaces);  // ROMM, ISO 22028-2
}

TEST(RgbSpace, TransferFunctionsAreOddContinuousMonotoneAndInvertible)
{
    constexpr double kRoundTrip = 1e-9;  // the two branches of sRGB meet to 1e-8 in the standard's own constants
    for (RgbSpace space : kAll) {
        double last = -1e9;
        for (int i = -2000; i <= 4000; ++i) {
            const double x = i / 2000.0, v = encodeComponent(space, x);
            EXPECT_NEAR(encodeComponent(space, -x), -v, 1e-15);
            EXPECT_GT(v, last) << nameOf(space) << " at " << x;
            last = v;
            EXPECT_NEAR(decodeComponent(space, v), x, kRoundTrip + 3e-8 * (std::abs(x) < 0.01)) << nameOf(space);
        }
        EXPECT_NEAR(encodeComponent(space, 1), 1, 1e-12);
        EXPECT_EQ(*rgbSpaceFromName(nameOf(space)), space);
    }
    EXPECT_NEAR(encodeComponent(RgbSpace::Srgb, 0.18), 0.46135612950, 1e-9);
    EXPECT_FALSE(rgbSpaceFromName("srgbb"));
}

TEST(RgbSpace, WhiteStaysWhiteThroughEverySpace)
{
    for (RgbSpace space : kAll) {
        const LinearRgb white = decode(space, {1, 1, 1});
        for (double v : {white.r, white.g, white.b})
            EXPECT_NEAR(v, 1, 1e-12) << nameOf(space);
    }
}

TEST(OkLab, EqualsThePublishedPairsAndComesBack)
{
    // B. Ottosson 2020, table of XYZ (D65) and OKLab, three places; his matrices leave neutrals about 1e-4 off.
    constexpr double kPlaces = 1.5e-3;
    const Matrix3 toRgb = inverse(rgbToXyz(RgbSpace::Linear));
    const double pairs[4][6] = {{0.950, 1.000, 1.089, 1.000, 0.000, 0.000},
                                {1, 0, 0, 0.450, 1.236, -0.019},
                                {0, 1, 0, 0.922, -0.671, 0.263},
                                {0, 0, 1, 0.153, -1.415, -0.449}};
    for (const auto& p : pairs) {
        const OkLab c = toOkLab(apply(toRgb, {p[0], p[1], p[2]}));
        EXPECT_NEAR(c.L, p[3], kPlaces);
        EXPECT_NEAR(c.a, p[4], kPlaces);
        EXPECT_NEAR(c.b, p[5], kPlaces);
    }
    Random random(11);
    for (int i = 0; i < 2000; ++i) {
        const LinearRgb c = random.colour(-2, 4), back = toLinearRgb(toOkLab(c));
        EXPECT_NEAR(c.r, back.r, 1e-12);
        EXPECT_NEAR(c.g, back.g, 1e-12);
        EXPECT_NEAR(c.b, back.b, 1e-12);
        const double grey = random.between(0, 2);
        const OkLab neutral = toOkLab(LinearRgb{grey, grey, grey});
        EXPECT_NEAR(neutral.L, std::cbrt(grey), 1e-12);
        EXPECT_NEAR(std::hypot(neutral.a, neutral.b), 0, 1e-12);
    }
}

TEST(Hue, WrapsAndGoesTheShortWay)
{
    EXPECT_DOUBLE_EQ(wrapDegrees(-30), 330);
    EXPECT_DOUBLE_EQ(wrapDegrees(720), 0);
    EXPECT_DOUBLE_EQ(hueDifference(350, 20), 30);
    EXPECT_DOUBLE_EQ(hueDifference(20, 350), -30);
    EXPECT_DOUBLE_EQ(hueDifference(0, 180), 180);
}

TEST(Gamut, LeavesInsideAloneAndBringsTheRestToTheBoundaryAtItsHue)
{
    Random random(12);
    for (int i = 0; i < 3000; ++i) {
        const RgbSpace space = kAll[random.whole(0, 4)];
        const LinearRgb own = random.colour(-0.5, 1.8), reduced = reduceToGamut(space, own);
        if (isInside(own)) {
            EXPECT_EQ(reduced, own);
            continue;
        }
        EXPECT_TRUE(isInside(reduced));
        const OkLch before = toOkLch(toOkLab(apply(toWorking(space), own))),
                    after = toOkLch(toOkLab(apply(toWorking(space), reduced)));
        EXPECT_LE(after.chroma, before.chroma + 1e-4);
        if (before.L > 0.2 && before.L < 0.98 &&
            after.chroma > 0.02) {  // darker, the tolerance of the boundary is a visible part of the colour
            EXPECT_NEAR(hueDifference(before.hueDegrees, after.hueDegrees), 0, 0.05);
            EXPECT_NEAR(before.L, after.L, 2e-4);
        }
    }
    for (int i = 0; i < 2000; ++i) {  // no more chroma would fit, and none was given away
        const LinearRgb own = random.colour(-0.3, 1.5);
        const OkLab lab = toOkLab(apply(toWorking(RgbSpace::Srgb), own));
        if (isInside(own) || lab.L < 0.1 || lab.L > 0.99)
            continue;
        double inside = 0, outside = 1;
        const auto at = [&](double share) {
            return apply(fromWorking(RgbSpace::Srgb), toLinearRgb(OkLab{lab.L, lab.a * share, lab.b * share}));
        };
        for (int step = 1; step <= 400 && outside == 1; ++step)  // the first way out, by walking
            (isInside(at(step / 400.0)) ? inside : outside) = step / 400.0;
        for (int halving = 0; halving < 40; ++halving)
            (isInside(at((inside + outside) / 2)) ? inside : outside) = (inside + outside) / 2;
        const LinearRgb walked = at(inside), reduced = reduceToGamut(RgbSpace::Srgb, own);
        for (const auto& [x, y] : {std::pair{walked.r, reduced.r}, {walked.g, reduced.g}, {walked.b, reduced.b}})
            EXPECT_NEAR(std::clamp(x, 0.0, 1.0), y, 2e-7) << i;
    }
    const LinearRgb bad = reduceToGamut(RgbSpace::Srgb, {NAN, INFINITY, 0.5});
    EXPECT_TRUE(isInside(bad));
}

// CIE 15:2004: L* of a luminance factor of 0.18418651851244416 is 50.
TEST(LightnessStar, IsTheStandardsAndGoesBack)
{
    EXPECT_NEAR(lightnessStar(0), 0, 1e-12);
    EXPECT_NEAR(lightnessStar(1), 100, 1e-12);
    EXPECT_NEAR(lightnessStar(std::cbrt(0.18418651851244416)), 50, 1e-9);
    EXPECT_NEAR(luminanceOfStar(50), 0.18418651851244416, 1e-12);
    for (double star = 0; star <= 100; star += 2.5)
        EXPECT_NEAR(lightnessStar(std::cbrt(luminanceOfStar(star))), star, 1e-9);
}

TEST(LightnessStar, IsThatOfAGreyInCielab)
{
    for (const double y : {0.002, 0.01, 0.18, 0.7})
        EXPECT_NEAR(toLab(LinearRgb{y, y, y}).l, lightnessStar(std::cbrt(y)), 1e-6);
}

RC_GTEST_PROP(Cielab, AColourComesBackFromIt, ())
{
    const auto channel = [] { return *rc::gen::inRange(0, 1000) / 1000.0; };
    const LinearRgb c{channel(), channel(), channel()}, again = fromLab(toLab(c));
    RC_ASSERT(std::abs(again.r - c.r) < 1e-6 && std::abs(again.g - c.g) < 1e-6 && std::abs(again.b - c.b) < 1e-6);
}

}  // namespace
}  // namespace amber
