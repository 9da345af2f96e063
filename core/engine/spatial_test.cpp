// What spatial steps promise: no halo, the same result at every render size, only where they should work.
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/engine/render_plan.h"
#include "core/image/read.h"
#include "core/image/resize.h"
#include "core/optics/falloff.h"
#include "tests/support/random_look.h"

#include <gtest/gtest.h>
#include <tbb/global_control.h>

namespace amber {
namespace {

Look lookOf(StepParameters parameters)
{
    Look look;
    look.steps.push_back({std::move(parameters), true, 1, {}, {}});
    return look;
}

Image rendered(const Look& look, const Image& in, const RenderOptions& options = {})
{
    Image out(in.width(), in.height());
    EXPECT_TRUE(render(*RenderPlan::compile(look), in.view(), out.mutableView(), {}, options));
    return out;
}

double lightnessAt(const Image& image, int x, int y)
{
    const float* p = image.view().row(y) + 3 * x;
    return toOkLab(LinearRgb{p[0], p[1], p[2]}).L;
}

/// Two greys side by side, `low` and `high` on the tone axis.
Image edge(int width, int height, double low, double high)
{
    Image image(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double L = x < width / 2 ? low : high;
            std::fill_n(image.mutableView().row(y) + 3 * x, 3, static_cast<float>(L * L * L));
        }
    return image;
}

double meanDifference(const Image& a, const Image& b)
{
    double sum = 0;
    const int count = a.width() * a.height();
    for (int i = 0; i < count; ++i) {
        const float *p = a.view().data + 3 * i, *q = b.view().data + 3 * i;
        sum += ciede2000(LinearRgb{p[0], p[1], p[2]}, LinearRgb{q[0], q[1], q[2]});
    }
    return sum / count;
}

TEST(LocalContrast, LeavesNoHaloOnAnEdge)
{
    LocalContrast step;
    for (double amount : {0.5, 1.0, 2.0})
        for (double size : {0.5, 3.0, 10.0})
            for (const auto& [low, high] : {std::pair{0.2, 0.8}, {0.45, 0.55}, {0.05, 0.95}, {0.6, 0.63}}) {
                step.amount = amount, step.size = size;
                const Image out = rendered(lookOf(step), edge(1300, 40, low, high));
                double least = 9, most = 0;
                for (int x = 0; x < 1300; ++x)
                    least = std::min(least, lightnessAt(out, x, 20)), most = std::max(most, lightnessAt(out, x, 20));
                EXPECT_LE(most - high, 0.01 * (high - low) + 1e-5) << amount << " " << size << " " << high;
                EXPECT_LE(low - least, 0.01 * (high - low) + 1e-5) << amount << " " << size << " " << low;
            }
}

TEST(Spatial, ASmallRenderIsTheReductionOfAFullSizeOne)
{
    // Mean 0.5 CIEDE2000 is the bound the product promises; the demo's own frames, at a fifth of their size.
    constexpr double kProxyBound = 0.5;
    LocalContrast local;
    local.amount = 0.8;
    FineDetail detail;
    detail.amount = 1;
    Haze lift, lay;
    lift.amount = 0.6, lay.amount = -0.5;
    EdgeDarkening edges;
    edges.net = -1.5;
    Grain grain;
    grain.amount = 0.04, grain.colour = 0.5;
    OutputSharpening sharpening;
    sharpening.amount = 1.5;
    for (const char* name : {"yard-01.jpg", "lamp-shelf-02.jpg"}) {
        const auto picture = readPicture(std::filesystem::path(AMBER_SOURCE_DIR) / "demo/frames" / name);
        ASSERT_TRUE(picture) << picture.error().message();
        const Image& full = picture->image;
        const int width = full.width() / 5, height = full.height() / 5,
                  longEdge = std::max(full.width(), full.height());
        const Image proxy = reduceByArea(full.view(), width, height);
        for (const StepParameters& parameters :
             std::initializer_list<StepParameters>{local, detail, lift, lay, edges, grain, sharpening}) {
            const Look look = lookOf(parameters);
            const Image whole = rendered(look, full);
            const double difference = meanDifference(reduceByArea(whole.view(), width, height),
                                                     rendered(look, proxy, {RenderOptions::Stage::All, longEdge}));
            EXPECT_LT(difference, kProxyBound) << name << " " << titleOf(look.steps[0]);
            EXPECT_GT(meanDifference(whole, full), 0.05)
                << name << " " << titleOf(look.steps[0]);  // and the step does something
        }
    }
}

TEST(Grain, IsTheSameForASeedAndHasTheStrengthAsked)
{
    Grain step;
    step.amount = 0.03, step.size = 2, step.midtones = 0;
    const Image grey = edge(1200, 400, 0.6, 0.6), one = rendered(lookOf(step), grey),
                again = rendered(lookOf(step), grey);
    EXPECT_TRUE(std::equal(one.view().data, one.view().data + 1200 * 400 * 3, again.view().data));
    double sum = 0, square = 0;
    for (int y = 0; y < 400; ++y)
        for (int x = 0; x < 1200; ++x) {
            const double L = lightnessAt(one, x, y), off = L - 0.6;
            sum += L * L * L, square += off * off;
        }
    const double count = 1200 * 400;
    EXPECT_NEAR(sum / count, 0.216, 0.0005);              // the mean of light stays
    EXPECT_NEAR(std::sqrt(square / count), 0.03, 0.006);  // pixels are about as large as half a grain
    step.seed = 2;
    EXPECT_GT(meanDifference(one, rendered(lookOf(step), grey)), 0.5);
}

TEST(OutputSharpening, CrispensEdgesAndLeavesFlatAreas)
{
    OutputSharpening step;
    step.amount = 2;
    Image in = edge(80, 30, 0.3, 0.7);
    // A soft edge and, far from it, noise weaker than an edge.
    for (int y = 0; y < 30; ++y) {
        for (int x = 36; x < 44; ++x) {
            const double L = 0.3 + 0.4 * (x - 35) / 9.0;
            std::fill_n(in.mutableView().row(y) + 3 * x, 3, static_cast<float>(L * L * L));
        }
        in.mutableView().row(y)[3 * 10] += 0.0005f;
    }
    const Image out = rendered(lookOf(step), in);
    EXPECT_EQ(std::equal(in.view().row(9), in.view().row(9) + 3 * 30, out.view().row(9)),
              false);  // roundings through OKLab
    for (int x = 2; x < 30; ++x)
        EXPECT_NEAR(lightnessAt(out, x, 9), lightnessAt(in, x, 9), 1e-5) << x;
    EXPECT_LT(lightnessAt(out, 37, 9), lightnessAt(in, 37, 9));
    EXPECT_GT(lightnessAt(out, 42, 9), lightnessAt(in, 42, 9));
    const Image mask = maskOf(lookOf(step).steps[0], in.view());
    EXPECT_EQ(mask.view().row(9)[3 * 10], 0);
    EXPECT_GT(mask.view().row(9)[3 * 40], 0.5);
}

TEST(EdgeDarkening, GivesTheNetFallAskedAndProtectsDarks)
{
    EdgeDarkening step;
    step.net = -1.5, step.protectDarks = 1;
    const auto stopsAtCorner = [&](double L) {
        const Image out = rendered(lookOf(step), edge(301, 201, L, L));
        return 3 * std::log2(lightnessAt(out, 0, 0) / lightnessAt(out, 150, 100));
    };
    EXPECT_NEAR(stopsAtCorner(0.6), -1.5, 0.03);
    EXPECT_NEAR(stopsAtCorner(0.05), 0, 1e-3);
    // A picture that brings half a stop needs one stop less.
    Image fallen = rendered(lookOf(step), edge(301, 201, 0.6, 0.6));
    EXPECT_NEAR(apparentFalloff(fallen.view()).value(), 1.5, 0.3) << "told as if it grew with the square";
    step.existing = -0.5;
    EXPECT_NEAR(stopsAtCorner(0.6), -1, 0.03);
    step.existing = step.net;
    EXPECT_TRUE(isIdentity(lookOf(step).steps[0]));
}

TEST(Haze, LiftingAVeilBringsBackWhatWasBehindIt)
{
    test::Random random(71);
    Image clear(240, 160), hazy(240, 160);
    for (int y = 0; y < 160; ++y)
        for (int x = 0; x < 240; ++x)
            for (int k = 0; k < 3; ++k) {
                const float v = y < 16 ? 0.9f : static_cast<float>(random.between(0.0, 0.3));
                clear.mutableView().row(y)[3 * x + k] = v;
                hazy.mutableView().row(y)[3 * x + k] = 0.5f * v + 0.45f;
            }
    Haze step;
    step.amount = 1;
    EXPECT_LT(meanDifference(rendered(lookOf(step), hazy), clear), 0.5 * meanDifference(hazy, clear));
}

/// A lamp on a dark wall: a round light of this colour and radius (share of the width) in the middle.
Image lamp(int width, int height, const LinearRgb& light, double radius)
{
    Image image(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double d = std::hypot(x + 0.5 - width / 2.0, y + 0.5 - height / 2.0) / width;
            const double t = std::clamp((radius - d) * 60 + 0.5, 0.0, 1.0);
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(0.02 + t * light.r), p[1] = static_cast<float>(0.02 + t * light.g);
            p[2] = static_cast<float>(0.02 + t * light.b);
        }
    return image;
}

TEST(Glow, SpreadsALightInItsOwnColourAndLeavesTheLightItself)
{
    Glow step;
    step.amount = 1;
    const LinearRgb amber{1.2, 0.7, 0.2};
    const Image in = lamp(900, 600, amber, 0.08), out = rendered(lookOf(step), in);
    const auto at = [](const Image& image, int x, int y) {
        const float* p = image.view().row(y) + 3 * x;
        return LinearRgb{p[0], p[1], p[2]};
    };
    EXPECT_LT(ciede2000(at(in, 450, 300), at(out, 450, 300)), 0.1) << "the lamp keeps its brightness";
    double last = 9;
    for (const int x : {540, 560, 590, 640}) {
        const LinearRgb was = at(in, x, 300), is = at(out, x, 300);
        const double r = is.r - was.r, g = is.g - was.g, b = is.b - was.b;
        EXPECT_GT(r, 0) << x;
        EXPECT_LT(r, last) << "less farther out";
        EXPECT_NEAR(g / r, amber.g / amber.r, 0.03) << x;
        EXPECT_NEAR(b / r, amber.b / amber.r, 0.03) << x;
        last = r;
    }
    // An even area, however bright, stays as it is.
    const Image even = lamp(300, 200, {0.9, 0.9, 0.9}, 5);
    EXPECT_LT(meanDifference(rendered(lookOf(step), even), even), 1e-3);
}

TEST(Glow, AProxyAndTheFullSizeAgree)
{
    constexpr double kAgree = 0.5;  // CIEDE2000, mean: what is asked of the step
    for (const double reach : {1.0, 6.0, 15.0})
        for (const double radius : {0.01, 0.05, 0.2}) {
            Glow step;
            step.amount = 1, step.reach = reach;
            const Image full = lamp(2400, 1600, {1.5, 1.0, 0.6}, radius);
            const Image small = reduceByArea(full.view(), 900, 600);
            const Image shown = rendered(lookOf(step), small),
                        reduced = reduceByArea(rendered(lookOf(step), full).view(), 900, 600);
            EXPECT_LT(meanDifference(shown, reduced), kAgree) << reach << " " << radius;
        }
}

TEST(Spatial, PixelsDoNotDependOnThreads)
{
    test::Random random(73);
    const Image in = random.picture(700, 300, 0, 1);
    for (int kind = test::Random::kPointwise; kind < test::Random::kKinds; ++kind) {
        const Look look = lookOf(random.parameters(kind));
        const Image all = rendered(look, in);
        const tbb::global_control one(tbb::global_control::max_allowed_parallelism, 1);
        const Image alone = rendered(look, in);
        EXPECT_TRUE(std::equal(all.view().data, all.view().data + 700 * 300 * 3, alone.view().data))
            << titleOf(look.steps[0]);
    }
}

TEST(Spatial, OddPicturesRender)
{
    test::Random random(72);
    for (const auto& [width, height] : {std::pair{1, 1}, {1, 300}, {3000, 1}, {2, 2}, {1025, 3}})
        for (int kind = test::Random::kPointwise; kind < test::Random::kKinds; ++kind) {
            const Image in = random.picture(width, height, -0.1, 1.5),
                        out = rendered(lookOf(random.parameters(kind)), in);
            EXPECT_TRUE(std::all_of(out.view().data, out.view().data + 3 * width * height,
                                    [](float v) { return std::isfinite(v); }))
                << width << "x" << height << " kind " << kind;
        }
}

}  // namespace
}  // namespace amber
