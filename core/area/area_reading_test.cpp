// Ranges picked on a picture, what there is to say of an area under a look, and edges under a role-bound step.
#include "core/area/area_reading.h"

#include "core/area/colour_range.h"
#include "core/base/statistics.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/engine/bake.h"
#include "core/engine/role_places.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace amber {
namespace {

constexpr int kWidth = 320, kHeight = 200;

/// Left half one colour, right half another, a little noise on both.
Image halves(const OkLch& left, const OkLch& right)
{
    std::mt19937 random(3);
    std::normal_distribution<double> noise(0, 0.006);
    Image image(kWidth, kHeight);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            OkLab c = toOkLab(x < kWidth / 2 ? left : right);
            c.L += noise(random), c.a += noise(random), c.b += noise(random);
            const LinearRgb rgb = toLinearRgb(c);
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(rgb.r), p[1] = static_cast<float>(rgb.g), p[2] = static_cast<float>(rgb.b);
        }
    return image;
}

/// The share of a half that a range takes.
double shareTaken(const ColourRange& range, const Image& image, bool isRight)
{
    double sum = 0;
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth / 2; ++x) {
            const float* p = image.view().row(y) + 3 * (x + (isRight ? kWidth / 2 : 0));
            sum += weightAt(range.colours, toOkLab(LinearRgb{p[0], p[1], p[2]}));
        }
    return sum / (kHeight * kWidth / 2);
}

TEST(ColourRange, PickedOnATakesAAndNotBAndWidenedTakesBoth)
{
    // Hues on both sides of 0 degrees.
    for (const auto& [left, right] :
         {std::pair(OkLch{0.6, 0.12, 350}, OkLch{0.6, 0.12, 40}), std::pair(OkLch{0.4, 0.1, 5}, OkLch{0.8, 0.1, 5}),
          std::pair(OkLch{0.5, 0.0, 0}, OkLch{0.5, 0.15, 200})}) {
        const Image image = halves(left, right);
        const ColourRange range = rangeOf(image.view(), {0.1, 0.1, 0.4, 0.9}),
                          other = rangeOf(image.view(), {0.6, 0.1, 0.9, 0.9}), both = widened(range, other);
        EXPECT_GT(shareTaken(range, image, false), 0.9) << left.hueDegrees;
        EXPECT_LT(shareTaken(range, image, true), 0.05) << left.hueDegrees;
        EXPECT_GT(shareTaken(both, image, false), 0.9) << left.hueDegrees;
        EXPECT_GT(shareTaken(both, image, true), 0.9) << left.hueDegrees;
    }
    EXPECT_FALSE(rangeOf(halves({0.5, 0, 0}, {0.5, 0, 0}).view(), {0, 0, 1, 1}).colours.limitsHue())
        << "greys have no hue";
    const ColourRange outside = rangeOf(halves({0.5, 0, 0}, {0.5, 0, 0}).view(), {-3, 2, -2, 5});
    EXPECT_LE(outside.colours.toneLow, outside.colours.toneHigh) << "a place beside the picture is its edge";
}

Look boundTo(const std::string& role, double slope)
{
    Look look;
    look.roles = {{role, Role::Kind::Thing, {}, 0.1, {}}, {"other", Role::Kind::Thing, {}, 1, {}}};
    Contrast contrast;
    contrast.slope = slope;
    Step step;
    step.parameters = contrast;
    step.guard.where.role = role;
    look.steps.push_back(step);
    return look;
}

Plane leftHalf(double width = 0.5)
{
    Plane mask(kWidth, kHeight);
    for (int y = 0; y < kHeight; ++y)
        std::fill_n(mask.row(y), static_cast<int>(width * kWidth), 1.0f);
    return mask;
}

TEST(AreaReading, SaysShareSeparationLeakAndOverlapAsTheyAre)
{
    const Image image = halves({0.3, 0.05, 30}, {0.6, 0.05, 30});
    const Look look = boundTo("thing", 1.5);
    Plane middle(kWidth, kHeight);
    for (int y = 0; y < kHeight; ++y)
        std::fill_n(middle.row(y) + kWidth / 4, kWidth / 2, 1.0f);
    const AreaReading r = readArea("thing", {{"thing", leftHalf()}, {"other", middle}}, look, image.view());
    EXPECT_NEAR(r.share, 0.5, 1e-6);
    EXPECT_NEAR(r.before.lightness, -0.3, 0.005);
    EXPECT_LT(r.after.lightness, r.before.lightness) << "dark parts go darker with more contrast";
    EXPECT_LT(r.leak, 1e-6) << "nothing changes outside";
    EXPECT_NEAR(r.overlaps.at("other"), 0.5, 1e-6);
    EXPECT_TRUE(r.overlapsTooMuch);
    const std::string words = wordsOf(r);
    EXPECT_NE(words.find("50.0 % of the frame"), std::string::npos) << words;
    EXPECT_NE(words.find("50 % lies in other, more than the look allows"), std::string::npos) << words;
    Look leaking = look;
    leaking.steps[0].guard.where.elsewhere = 0.5;
    EXPECT_GT(readArea("thing", {{"thing", leftHalf()}}, leaking, image.view()).leak, 0.001);
    EXPECT_EQ(readArea("nobody", {}, look, image.view()).share, 0);
}

TEST(RolePlaces, AStepThatIsBoundToARoleIsSaidToStayOutOfTables)
{
    const Look look = boundTo("thing", 1.5);
    const auto table = bake(look, 5);
    ASSERT_TRUE(table);
    const auto report = travelReport(look, *table);
    ASSERT_TRUE(report);
    EXPECT_EQ(report->left, std::vector<std::string>{"Contrast (bound to thing)"});
    EXPECT_TRUE(report->carried.empty());
}

TEST(RolePlaces, APartOfThePictureAndASinglePlaceAreAsInTheWhole)
{
    const Image image = halves({0.3, 0.05, 30}, {0.6, 0.05, 30});
    const Look look = boundTo("thing", 1.5);
    auto masks = std::make_shared<RoleMasks>();
    Plane small(37, 23);
    std::mt19937 random(9);
    std::uniform_real_distribution<float> weight(0, 1);
    for (float& w : small.values)
        w = weight(random);
    masks->set("thing", small);
    RenderOptions options;
    options.masks = masks;
    const auto plan = RenderPlan::compile(look);
    Image whole(kWidth, kHeight), part(100, 60);
    render(*plan, image.view(), whole.mutableView(), {}, options);
    ImageView cut = image.view();
    constexpr int kLeft = 120, kTop = 70;
    cut.data = cut.row(kTop) + 3 * kLeft, cut.width = 100, cut.height = 60;
    options.masks = std::make_shared<RoleMasks>(partOf(*masks, {kLeft, kTop, kWidth, kHeight}, 100, 60));
    render(*plan, cut, part.mutableView(), {}, options);
    for (int y = 0; y < 60; ++y)
        for (int i = 0; i < 300; ++i)
            ASSERT_NEAR(part.view().row(y)[i], whole.view().row(y + kTop)[3 * kLeft + i], 2e-6);
    const float* in = image.view().row(50) + 3 * 200;
    const LinearRgb one =
        evaluate(lookAt(look, weightsAt(*masks, 200.5 / kWidth, 50.5 / kHeight)), {in[0], in[1], in[2]});
    EXPECT_NEAR(one.g, whole.view().row(50)[3 * 200 + 1], 1e-3);
    EXPECT_EQ(evaluate(lookAt(look, {}), {in[0], in[1], in[2]}).g, in[1]) << "where it lies is not known";
}

/// A textured thing before a ground of this light, with the coverage of its edge as a renderer has it.
struct Scene {
    Image picture;
    Plane coverage;
};

Scene wavyDisc(int width, int height, double ground)
{
    constexpr int kSub = 8;
    const auto beyond = [&](double u, double v) {
        return std::hypot(u, v) - 0.3 * height * (1 + 0.1 * std::sin(5 * std::atan2(v, u)));
    };
    Scene s{Image(width, height), Plane(width, height)};
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double far = beyond(x + 0.5 - 0.5 * width, y + 0.5 - 0.5 * height);
            int in = far < -2 ? kSub * kSub : 0;
            for (int k = 0; k < kSub * kSub && std::abs(far) <= 2; ++k) {
                const double u = x + (k % kSub + 0.5) / kSub - 0.5 * width,
                             v = y + (k / kSub + 0.5) / kSub - 0.5 * height;
                in += beyond(u, v) < 0;
            }
            const double w = static_cast<double>(in) / (kSub * kSub),
                         t = 0.5 + 0.2 * std::sin(x * 0.09) * std::cos(y * 0.13);
            const double thing[] = {0.35 * t + 0.2, 0.2 * t + 0.05, 0.08 * t},
                         round[] = {0.1 * t * ground, 0.15 * t * ground, (0.2 * t + 0.02) * ground};
            s.coverage.row(y)[x] = static_cast<float>(w);
            for (int k = 0; k < 3; ++k)
                s.picture.mutableView().row(y)[3 * x + k] = static_cast<float>(w * thing[k] + (1 - w) * round[k]);
        }
    return s;
}

Image aStopDarker(const Scene& s, const Plane& mask)
{
    ToneCurve curve;
    curve.all = {{0, 0}, {1, std::cbrt(0.5)}};
    Look look = boundTo("thing", 1);
    look.steps[0].parameters = curve;
    RenderOptions options;
    const auto masks = std::make_shared<RoleMasks>();
    masks->set("thing", mask);
    options.masks = masks;
    Image out(s.picture.width(), s.picture.height());
    render(*RenderPlan::compile(look), s.picture.view(), out.mutableView(), {}, options);
    return out;
}

TEST(AreaEdges, AThingMadeAStopDarkerEndsAsByTheRendersOwnCoverageAndShowsNoHalo)
{
    constexpr int kW = 1500, kH = 1000;
    constexpr double kSeen = 0.95, kTolerance = 3, kSilent = 0.02;
    for (const double ground : {1.0, 4.0}) {
        const Scene s = wavyDisc(kW, kH, ground);
        // The true mask, as truth is kept: hard, of 750 pixels.
        FoundMask mask{kW / 2, kH / 2, {}};
        for (int y = 0; y < kH; y += 2)
            for (int x = 0; x < kW; x += 2)
                mask.weights.push_back(s.coverage.row(y)[x] + s.coverage.row(y + 1)[x + 1] >= 1 ? 255 : 0);
        Area area;
        area.parts.push_back({AreaPart::Join::Add, foundOf(mask, "true", 1), false, 1});
        const Plane weights = MaskGround(s.picture.view()).maskOf(area);
        const Image got = aStopDarker(s, weights), want = aStopDarker(s, s.coverage);
        std::vector<double> off;
        for (int y = 0; y < kH; ++y)
            for (int x = 0; x < kW; ++x)
                if (const float c = s.coverage.row(y)[x]; c > 0.02f && c < 0.98f) {
                    const float *p = got.view().row(y) + 3 * x, *q = want.view().row(y) + 3 * x;
                    off.push_back(ciede2000(LinearRgb{p[0], p[1], p[2]}, LinearRgb{q[0], q[1], q[2]}));
                }
        ASSERT_GT(off.size(), 1000u);
        EXPECT_LE(quantile(off, kSeen), kTolerance) << ground;
        EXPECT_LE(haloOf(s.picture.view(), got.view(), weights), kSilent) << ground;
    }
}

}  // namespace
}  // namespace amber
