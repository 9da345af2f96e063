#include "core/balance/merge.h"
#include "core/colour/rgb_space.h"
#include "core/frame/frame_balance.h"

#include <cmath>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace amber {
namespace {

RC_GTEST_PROP(FrameBalance, IsKeptAsTextAndWholePicturesAgreeWithSingleColours, ())
{
    FrameBalance b;
    b.light = {*rc::gen::inRange(-300, 300) / 100.0, static_cast<double>(*rc::gen::inRange(2500, 12000)),
               *rc::gen::inRange(-200, 200) / 10.0};
    b.ends = {*rc::gen::inRange(-5, 20) / 1000.0, *rc::gen::inRange(70, 130) / 100.0};
    b.geometry.straightenDegrees = *rc::gen::inRange(-200, 201) / 10.0;
    b.geometry.leanUp = *rc::gen::inRange(-20, 21) / 100.0, b.geometry.stretch = 1.125;
    b.geometry.crop = {0.125, 0.25, 0.875, 1}, b.geometry.ratio = 1.5;
    b.geometry.crops = {{1, {0.25, 0, 0.75, 1}}, {0.8, {0, 0, 0.5, 0.5}}};
    b.optics.bow = 0.0625, b.optics.redFringe = -0.0005, b.optics.noise = 0.5, b.optics.falloffStops = 0.75;
    b.optics.lens = {"Made \"up\"", {1, 0.25, 0, -0.5, 0}, {1, 0, 0.125, 0, 0}, {0.5, 0, 0, 0, 0}, {0.25, 0, -1}};
    b.optics.lensOff = *rc::gen::arbitrary<bool>();
    b.response = "Made-up \"One\"", b.because = "same things", b.exposureLocked = *rc::gen::arbitrary<bool>(),
    b.keyStops = -0.5;
    RC_ASSERT(frameBalanceFromText(frameBalanceToText(b)) == b);
    b.geometry = {}, b.optics = {};
    const Response response = *rc::gen::element(0, 1) ? baseRendering() : Response{};
    Image picture(16, 4);
    for (int i = 0; i < 16 * 4 * 3; ++i)
        picture.mutableView().data[i] = static_cast<float>(*rc::gen::inRange(0, 1000)) / 1000.0f;
    const Image whole = balancedPicture(picture, b, response);
    for (int i = 0; i < 64; ++i) {
        const float *p = picture.view().data + 3 * i, *q = whole.view().data + 3 * i;
        const LinearRgb c = balancedColour({p[0], p[1], p[2]}, b, response);
        for (const auto& [one, two] : {std::pair(c.r, q[0]), std::pair(c.g, q[1]), std::pair(c.b, q[2])})
            RC_ASSERT(std::abs(one - two) < 2e-3 * std::max(1.0, std::abs(one)));
    }
}

TEST(FrameBalance, TextFromElsewhereCannotHarm)
{
    EXPECT_EQ(frameBalanceFromText(""), FrameBalance{});
    const auto b = frameBalanceFromText(R"({"stops":1e99,"kelvin":-5,"black":0.4,"white":-3,"exposureLocked":true})");
    ASSERT_TRUE(b);
    EXPECT_EQ(b->light.exposureStops, 8);
    EXPECT_EQ(b->light.kelvin, 2000);
    EXPECT_GT(b->ends.white, b->ends.black);
    // What is wrong is said, and never taken for a frame as it came.
    for (const char* wrong :
         {"[1,2]", "{", R"({"tint":"green"})", R"({"crop":[0.9,0.9,0.1,0.1]})", R"({"crop":[0,0,1]})",
          R"({"response":7})", R"({"exposureLocked":"yes"})", R"({"optics":3})", R"({"optics":{"bow":"much"}})",
          R"({"optics":{"lens":{"red":[1,2]}}})", R"({"crops":[{"ratio":1,"crop":[0,0]}]})", R"({"crops":{}})"})
        EXPECT_FALSE(frameBalanceFromText(wrong)) << wrong;
    EXPECT_FALSE(responseFromText("[1,2,3]"));
    EXPECT_TRUE(responseFromText("")->isIdentity());
    const Response raw = baseRendering();
    EXPECT_EQ(responseFromText(responseToText(raw))->logLight(), raw.logLight());
}

TEST(FrameBalance, EndsAreSolvedFromAClipBudget)
{
    Image picture(100, 100);
    for (int i = 0; i < 10000; ++i)
        std::fill_n(picture.mutableView().data + 3 * i, 3, 0.02f + 0.78f * static_cast<float>(i) / 9999.0f);
    const BalanceEnds ends = solveEnds(picture.view(), {}, 0.001, 0.01);
    EXPECT_NEAR(ends.black, 0.0208, 0.001);
    EXPECT_NEAR(ends.white, 0.792, 0.002);
    // A picture that is bright on purpose is not pulled apart without limit.
    Image flat(10, 10);
    std::fill_n(flat.mutableView().data, 300, 0.4f);
    EXPECT_EQ(solveEnds(flat.view(), {}, 0.001, 0.001).white, 0.67);
    EXPECT_EQ(solveEnds(flat.view(), {}, 0.001, 0.001).black, 0.05);
}

/// A scene of many tones with texture, as a camera with the base rendering exposes it.
Image exposure(double stops, double shift, bool somethingThere)
{
    constexpr int kWidth = 400, kHeight = 260;
    const Response response = baseRendering();
    Image image(kWidth, kHeight);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            const double sx = x + shift;
            const double cell = std::fmod(
                std::abs(std::sin(std::floor(sx / 13) * 12.9898 + std::floor(y / 11.0) * 78.233) * 43758.5453), 1.0);
            double light = std::exp2(-7 + 9.0 * sx / kWidth) * (0.6 + 0.8 * cell);
            if (somethingThere && std::hypot(x - 120, y - 130) < 25)
                light = 0.9;
            const auto value = static_cast<float>(
                std::round(4095 * std::clamp(response.toPicture(light * std::exp2(stops)), 0.0, 1.0)) / 4095);
            std::fill_n(image.mutableView().row(y) + 3 * x, 3, value);
        }
    return image;
}

TEST(Merge, ABracketGivesTheWholeRangeAlignedAndWithoutGhosts)
{
    const Image dark = exposure(-2, 0, false), middle = exposure(0, 0, true), light = exposure(2, 3, false);
    const std::vector<BracketFrame> frames{{dark.view(), -2}, {middle.view(), 0}, {light.view(), 2}};
    const auto merged = mergeBracket(frames, baseRendering());
    ASSERT_TRUE(merged) << merged.error().message();
    EXPECT_EQ(merged->reference, 1u);
    EXPECT_NEAR(merged->shifts[2], 3, 2) << "at its farthest corner";
    EXPECT_GT(merged->ghostShare, 0.01);
    EXPECT_LT(merged->ghostShare, 0.15);
    // Against the scene itself, away from the edges of its cells; where a thing stood in one frame only, that frame's
    // view is kept.
    const Image truth = exposure(-2, 0, true);
    const Response response = baseRendering();
    double worst = 0, mean = 0;
    int n = 0;
    for (int y = 12; y < 250; ++y)
        for (int x = 12; x < 380; ++x) {
            const auto at = [&](const Image& image, int u, int v) {
                return static_cast<double>(image.view().row(v)[3 * u]);
            };
            double low = 9, high = 0;
            for (int v = y - 5; v <= y + 5; ++v)
                for (int u = x - 5; u <= x + 5; ++u)
                    low = std::min(low, at(truth, u, v)), high = std::max(high, at(truth, u, v));
            if (high > 1.02 * low || low < 0.003)
                continue;
            const double off =
                std::abs(std::log2(response.toScene(at(merged->picture, x, y)) / response.toScene(at(truth, x, y))));
            worst = std::max(worst, off), mean += off, ++n;
        }
    ASSERT_GT(n, 500);
    EXPECT_LT(mean / n, 0.02);
    EXPECT_LT(worst, 0.25);
    EXPECT_FALSE(mergeBracket({frames[0]}, {}));
    EXPECT_FALSE(mergeBracket({{dark.view(), 0}, {light.view(), 0}}, {}));
    const Image other(10, 10);
    EXPECT_FALSE(mergeBracket({{dark.view(), 0}, {other.view(), 2}}, {}));
}

}  // namespace
}  // namespace amber
