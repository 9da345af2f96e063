#include "core/colour/difference.h"
#include "core/colour/gamut.h"
#include "core/colour/oklab.h"
#include "core/engine/bake.h"
#include "core/engine/render_plan.h"
#include "core/measure/picture_difference.h"
#include "tests/support/random_look.h"

#include <gtest/gtest.h>
#include <tbb/global_control.h>

namespace amber {
namespace {

using test::Random;

/// The fast engine's bound against the definition, in OKLab: a hundredth of a just noticeable step; with tables ten
/// times that, as they amplify the error of the encoding in front of them by their own slope. Where a change of one
/// float rounding of the input or the output is itself more than that (a cone response passing through zero, under the
/// cube root), that much is added.
constexpr double kBound = 2e-5, kTableBound = 2e-4, kRounding = 1e-6, kRoundings = 8;
/// Spatial steps on noise, where neighbouring pixels differ by the whole range and the cube root near black amplifies
/// roundings.
constexpr double kSpatialBound = 1e-3;

Image fast(const Look& look, const Image& in)
{
    const auto plan = RenderPlan::compile(look);
    EXPECT_TRUE(plan) << (plan ? "" : plan.error().message());
    Image out(in.width(), in.height());
    EXPECT_TRUE(render(*plan, in.view(), out.mutableView()));
    return out;
}

OkLab okLabAt(const Image& image, int i)
{
    const float* p = image.view().data + 3 * i;
    return toOkLab(LinearRgb{p[0], p[1], p[2]});
}

double distance(const OkLab& a, const OkLab& b)
{
    return std::max({std::abs(a.L - b.L), std::abs(a.a - b.a), std::abs(a.b - b.b)});
}

/// The largest difference of the fast engine from the definition, as a multiple of what is allowed.
double worstShareOfBound(const Look& look, const Image& in, double bound)
{
    const Image out = fast(look, in);
    double worst = 0;
    for (int i = 0; i < in.width() * in.height(); ++i) {
        const float* p = in.view().data + 3 * i;
        const LinearRgb c{p[0], p[1], p[2]}, result = evaluate(look, c);
        const OkLab exact = toOkLab(result);
        double sensitivity = 0;
        const double size = kRounding * std::max({1.0, std::abs(result.r), std::abs(result.g), std::abs(result.b)});
        for (const LinearRgb& way : {LinearRgb{1, 0, 0}, {0, 1, 0}, {0, 0, 1}}) {
            const auto moved = [&](const LinearRgb& from, double by) {
                return LinearRgb{from.r + by * way.r, from.g + by * way.g, from.b + by * way.b};
            };
            sensitivity = std::max({sensitivity, distance(exact, toOkLab(evaluate(look, moved(c, kRounding)))),
                                    distance(exact, toOkLab(moved(result, size))),
                                    distance(exact, toOkLab(moved(result, -size)))});
        }
        worst = std::max(worst, distance(exact, okLabAt(out, i)) / (bound + kRoundings * sensitivity));
    }
    return worst;
}

struct OnEveryTarget : testing::TestWithParam<std::string> {
    void SetUp() override { useSimdTarget(GetParam()); }
    void TearDown() override { useSimdTarget(""); }
};

TEST_P(OnEveryTarget, EachKindOfStepEqualsTheDefinition)
{
    Random random(41);
    const Image in = random.picture(67, 31, 0, 1.6);
    for (int kind = 0; kind < Random::kPointwise; ++kind)
        for (int i = 0; i < 12; ++i) {
            Look look;
            look.steps.push_back({random.parameters(kind), true, random.flip() ? 1 : random.between(0, 2), {}, {}});
            if (i % 3 == 0)
                look.steps[0].guard = random.guard();
            EXPECT_LT(worstShareOfBound(look, in, kind == Random::kLookupTable ? kTableBound : kBound), 1)
                << titleOf(look.steps[0]) << ", case " << i;
        }
}

TEST_P(OnEveryTarget, SpatialStepsEqualTheDefinition)
{
    Random random(48);
    const Image in = random.picture(90, 41, 0, 1.2);
    for (int kind = Random::kPointwise; kind < Random::kKinds; ++kind)
        for (int i = 0; i < 4; ++i) {
            Look look;
            look.steps = {{random.parameters(0), true, 1, {}, {}},
                          {random.parameters(kind), true, i == 1 ? random.between(0, 2) : 1, {}, {}}};
            if (i == 2)
                look.steps[1].guard = random.guard();
            Image plain(in.width(), in.height());
            renderPlain(look, in.view(), plain.mutableView());
            const Image out = fast(look, in);
            double worst = 0;
            for (int n = 0; n < 90 * 41; ++n)
                worst = std::max(worst, distance(okLabAt(plain, n), okLabAt(out, n)));
            EXPECT_LT(worst, kSpatialBound) << titleOf(look.steps[1]) << ", case " << i;
        }
}

INSTANTIATE_TEST_SUITE_P(Engine, OnEveryTarget, testing::ValuesIn(simdTargets()), [](const auto& info) {
    std::string name = info.param;
    std::replace_if(
        name.begin(), name.end(), [](char c) { return !std::isalnum(static_cast<unsigned char>(c)); }, '_');
    return name;
});

TEST(Engine, WholeLooksEqualTheDefinitionOnEveryTarget)
{
    Random random(42);
    const Image in = random.picture(40, 40, 0, 1);
    for (int i = 0; i < 10; ++i) {
        const Look look = random.look(5);
        for (const std::string& target : simdTargets()) {
            useSimdTarget(target);
            EXPECT_LT(worstShareOfBound(look, in, 5 * kTableBound), 1) << target << ", case " << i;
        }
        useSimdTarget("");
        Image plain(in.width(), in.height());
        renderPlain(look, in.view(), plain.mutableView());
        EXPECT_EQ(distance(okLabAt(plain, 77), toOkLab(evaluate(look, {in.view().data[231], in.view().data[232],
                                                                       in.view().data[233]}))) < 1e-6,
                  true);
    }
}

TEST(Engine, PixelsDoNotDependOnThreadsPositionOrStride)
{
    Random random(43);
    const Look look = random.look(4);
    const Image in = random.picture(2100, 9, -0.1, 1.3);
    const Image all = fast(look, in);
    {
        const tbb::global_control one(tbb::global_control::max_allowed_parallelism, 1);
        const Image alone = fast(look, in);
        EXPECT_TRUE(std::equal(all.view().data, all.view().data + 2100 * 9 * 3, alone.view().data));
    }
    // One pixel cut out of the middle gives the same value as inside the row: tiles have no edges.
    for (int x : {0, 1, 1023, 1024, 1025, 2099}) {
        Image single(1, 1);
        std::copy_n(in.view().row(5) + 3 * x, 3, single.mutableView().data);
        const Image out = fast(look, single);
        EXPECT_TRUE(std::equal(out.view().data, out.view().data + 3, all.view().row(5) + 3 * x)) << x;
    }
    // In place, as an export renders.
    Image same = in;
    const auto plan = RenderPlan::compile(look);
    ASSERT_TRUE(render(*plan, same.view(), same.mutableView()));
    EXPECT_TRUE(std::equal(all.view().data, all.view().data + 2100 * 9 * 3, same.view().data));
}

TEST(Engine, TheEmptyLookCopiesBits)
{
    Random random(44);
    const Image in = random.picture(33, 7, -5, 5);
    const Image out = fast(Look{}, in);
    EXPECT_TRUE(std::equal(in.view().data, in.view().data + 33 * 7 * 3, out.view().data));
    EXPECT_TRUE(RenderPlan::compile(Look{})->isIdentity());
}

TEST(Engine, NothingButFiniteNumbersComesOut)
{
    Random random(45);
    Image in(64, 1);
    const float odd[] = {NAN, INFINITY, -INFINITY, 3e38f, -3e38f, 1e-40f, 0, -0.0f};
    for (int i = 0; i < 64 * 3; ++i)
        in.mutableView().data[i] = odd[random.whole(0, 7)];
    for (int i = 0; i < 20; ++i) {
        Look look = random.look(3);
        look.steps.push_back({random.curve(), true, 1, {}, {}});
        const Image out = fast(look, in);
        EXPECT_TRUE(std::all_of(out.view().data, out.view().data + 64 * 3, [](float v) { return std::isfinite(v); }));
    }
}

TEST(Engine, ACancelledRenderSaysSo)
{
    const CancelToken cancel;
    cancel.cancel();
    Image image(64, 64);
    Random random(46);
    EXPECT_FALSE(render(*RenderPlan::compile(random.look(2)), image.view(), image.mutableView(), cancel));
}

TEST(RenderPlan, HashNamesWhatIsDoneAndOnlyThat)
{
    Random random(47);
    Look look;
    look.steps = {{random.curve(), true, 1, "why", {}}, {random.dyes(), true, 1, {}, {}}};
    Look renamed = look;
    renamed.name = "Another name";
    renamed.steps[0].note = "Another note";
    renamed.steps.push_back({random.hues(), false, 1, {}, {}});
    EXPECT_EQ(RenderPlan::compile(look)->hash(), RenderPlan::compile(renamed)->hash());
    std::swap(renamed.steps[0], renamed.steps[1]);
    EXPECT_NE(RenderPlan::compile(look)->hash(), RenderPlan::compile(renamed)->hash());
    EXPECT_NE(RenderPlan::compile(look, 1)->hash(), RenderPlan::compile(look)->hash());
    look.steps[0].strength = 3;
    EXPECT_FALSE(RenderPlan::compile(look));
}

TEST(Bake, ATableStandsForTheLook)
{
    // The bound of the product for tables at 65 to the edge: mean 0.25, maximum 1.5 CIEDE2000 on real colours. Over the
    // lattice's cell centres, extreme colours included, the maximum is allowed to be larger.
    Look look;
    look.steps.push_back({ToneCurve{ToneCurve::Mode::EveryChannel,
                                    {{0, 0.05}, {0.3, 0.26}, {0.8, 0.83}, {1, 0.98}},
                                    {{0, 0}, {1, 1}},
                                    {{0, 0}, {1, 1}},
                                    {{0, 0}, {1, 1}},
                                    {}},
                          true,
                          1,
                          {},
                          {}});
    SplitToning dyes;
    dyes.dyes[0].chroma = 0.02, dyes.dyes[1].chroma = 0.03;
    look.steps.push_back({dyes, true, 1, {}, {}});
    const auto table = bake(look, 65);
    ASSERT_TRUE(table);
    const auto travel = travelReport(look, *table);
    ASSERT_TRUE(travel);
    EXPECT_LT(travel->lattice.mean, 0.25);
    EXPECT_LT(travel->lattice.percentile95, 0.5);
    EXPECT_GT(travel->lattice.maximum, 0.05);  // measured between the samples, where a table is never exact
    EXPECT_EQ(travel->carried.size(), 2u);
    const auto coarse = bake(look, 9);
    EXPECT_GT(travelReport(look, *coarse)->lattice.mean, travel->lattice.mean);
    // A lattice point is the look itself.
    const EncodedRgb at{30 / 64.0, 36 / 64.0, 27 / 64.0}, baked = evaluate(*table, at);
    const LinearRgb exact = evaluate(look, decode(RgbSpace::Srgb, at));
    EXPECT_LT(ciede2000(decode(RgbSpace::Srgb, baked), exact), 0.01);
    EXPECT_FALSE(bake(look, 1));
    EXPECT_FALSE(bake(look, 1000));
}

TEST(Bake, TheEmptyLookIsTheIdentityTable)
{
    const auto table = bake(Look{}, 17);
    const Table identity = identityTable(17);
    for (std::size_t i = 0; i < identity.values3.size(); ++i)
        EXPECT_NEAR(table->values3[i], identity.values3[i], 2e-6);
}

}  // namespace
}  // namespace amber
