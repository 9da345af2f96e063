// Steps that are bound to roles: what their masks let them do.
#include "core/colour/oklab.h"
#include "core/engine/bake.h"
#include "core/engine/render_plan.h"
#include "core/look/look_json.h"
#include "tests/support/random_look.h"

#include <cstring>
#include <gtest/gtest.h>

namespace amber {
namespace {

using test::Random;

Image fast(const Look& look, const Image& in, const RenderOptions& options = {})
{
    const auto plan = RenderPlan::compile(look);
    EXPECT_TRUE(plan) << (plan ? "" : plan.error().message());
    Image out(in.width(), in.height());
    EXPECT_TRUE(render(*plan, in.view(), out.mutableView(), {}, options));
    return out;
}

/// In OKLab; what is a rounding of floats in light is none, though near black its cube root is plain.
double farthest(const Image& a, const Image& b)
{
    constexpr float kRoundingOfLight = 3e-7f;
    double most = 0;
    for (int i = 0; i < a.width() * a.height(); ++i) {
        const float *p = a.view().data + 3 * i, *q = b.view().data + 3 * i;
        if (std::max({std::abs(p[0] - q[0]), std::abs(p[1] - q[1]), std::abs(p[2] - q[2])}) <= kRoundingOfLight)
            continue;
        const OkLab c = toOkLab(LinearRgb{p[0], p[1], p[2]}), d = toOkLab(LinearRgb{q[0], q[1], q[2]});
        most = std::max({most, std::abs(c.L - d.L), std::abs(c.a - d.a), std::abs(c.b - d.b)});
    }
    return most;
}

/// The largest difference of light, as a share of what roundings may come to where a look is steep: its slope by the
/// definition (near black OKLab makes much of a rounding, and ends stretch it).
double farthestForSlope(const Image& a, const Image& b, const Look& look, const Image& in)
{
    constexpr double kStep = 1e-4;
    double most = 0;
    for (int i = 0; i < a.width() * a.height(); ++i) {
        const float *p = a.view().data + 3 * i, *q = b.view().data + 3 * i, *c = in.view().data + 3 * i;
        const LinearRgb low = evaluate(look, {c[0] - kStep, c[1] - kStep, c[2] - kStep}),
                        high = evaluate(look, {c[0] + kStep, c[1] + kStep, c[2] + kStep});
        const double slope =
            std::max({std::abs(high.r - low.r), std::abs(high.g - low.g), std::abs(high.b - low.b)}) / (2 * kStep);
        for (int k = 0; k < 3; ++k)
            most = std::max(most, std::abs(static_cast<double>(p[k]) - q[k]) / std::max(1.0, slope));
    }
    return most;
}

bool areSame(const Image& a, const Image& b)
{
    return std::memcmp(a.view().data, b.view().data,
                       sizeof(float) * 3 * static_cast<std::size_t>(a.width()) * a.height()) == 0;
}

RenderOptions withMask(const std::string& role, Plane weights)
{
    auto masks = std::make_shared<RoleMasks>();
    masks->set(role, std::move(weights));
    RenderOptions options;
    options.masks = std::move(masks);
    return options;
}

Plane randomMask(Random& random, int width, int height, bool isHard)
{
    Plane mask(width, height);
    for (float& w : mask.values)
        w = static_cast<float>(isHard ? random.flip() : random.between(0, 1));
    return mask;
}

Contrast slope(double by)
{
    Contrast contrast;
    contrast.slope = by;
    return contrast;
}

Look bound(const StepParameters& parameters, bool isOutside = false)
{
    Look look;
    look.roles.push_back({"sky", Role::Kind::Sky, "", 1, {}});
    look.steps.push_back({parameters, true, 1, {}, {}});
    look.steps[0].guard.where = {"sky", isOutside, 1, 0, {}};
    return look;
}

struct Roles : testing::TestWithParam<std::string> {
    void SetUp() override { useSimdTarget(GetParam()); }
    void TearDown() override { useSimdTarget(""); }
};

TEST_P(Roles, FastEngineEqualsTheDefinition)
{
    // As of steps that are bound to none; machines that round between multiplying and adding leave 2.6e-4 of a wash.
    constexpr double kBound = 3e-4, kSpatialBound = 1e-3;
    Random random(7);
    const Image in = random.picture(53, 37, 0.01, 1);
    for (int kind = 0; kind < Random::kKinds; ++kind) {
        Look look = bound(random.parameters(kind));
        Step& step = look.steps[0];
        step.strength = random.between(0.1, 1.5);
        step.guard.where.isOutside = random.flip(), step.guard.where.density = random.between(0, 1);
        step.guard.where.elsewhere = random.between(0, 1);
        if (random.flip())
            step.guard.toneLow = 0.3;
        // A mask of its own size, not the picture's.
        const RenderOptions options = withMask("sky", randomMask(random, 17, 11, false));
        Image plain(in.width(), in.height());
        renderPlain(look, in.view(), plain.mutableView(), options);
        EXPECT_LE(farthest(plain, fast(look, in, options)), kind < Random::kPointwise ? kBound : kSpatialBound)
            << typeOf(step);
    }
}

TEST_P(Roles, WhereNothingIsKnownNothingIsDone)
{
    Random random(8);
    const Image in = random.picture(60, 40, 0, 1);
    const Contrast contrast = slope(1.5);
    EXPECT_TRUE(areSame(fast(bound(contrast), in), in)) << "no masks at all";
    EXPECT_TRUE(areSame(fast(bound(contrast, true), in), in)) << "nor outside of what is not known";
    EXPECT_TRUE(areSame(fast(bound(contrast), in, withMask("sea", Plane(4, 4))), in)) << "another role's";
    EXPECT_TRUE(areSame(fast(bound(contrast), in, withMask("sky", Plane(4, 4))), in)) << "it lies nowhere";
    Look everywhere;
    everywhere.steps.push_back({contrast, true, 1, {}, {}});
    EXPECT_LE(farthest(fast(bound(contrast, true), in, withMask("sky", Plane(4, 4))), fast(everywhere, in)), 1e-5)
        << "outside of what lies nowhere is everywhere";
}

TEST_P(Roles, InsideAndOutsideTogetherAreTheStepWithoutARole)
{
    Random random(9);
    const Image in = random.picture(64, 48, 0.02, 1);
    const RenderOptions options = withMask("sky", randomMask(random, 64, 48, true));
    for (int kind = 0; kind < Random::kPointwise; ++kind) {
        Look both = bound(random.parameters(kind)), alone = both;
        both.steps.push_back(both.steps[0]);
        both.steps[1].guard.where.isOutside = true;
        alone.steps[0].guard.where = {};
        EXPECT_LE(farthestForSlope(fast(both, in, options), fast(alone, in), alone, in), 2e-5)
            << typeOf(alone.steps[0]);
    }
}

TEST_P(Roles, BandsOfRowsEqualTheWhole)
{
    Random random(10);
    const Image in = random.picture(50, 64, 0, 1);
    RenderOptions options = withMask("sky", randomMask(random, 13, 16, false));
    const Look look = bound(random.parameters(0));
    const Image whole = fast(look, in, options);
    Image bands(in.width(), in.height());
    const auto plan = RenderPlan::compile(look);
    options.wholeHeight = in.height();
    for (int row = 0; row < in.height(); row += 24) {
        options.firstRow = row;
        const int rows = std::min(24, in.height() - row);
        MutableImageView to = bands.mutableView();
        const ImageView from = in.view();
        ASSERT_TRUE(render(*plan, {from.row(row), from.width, rows, from.rowStride},
                           {to.row(row), to.width, rows, to.rowStride}, {}, options));
    }
    EXPECT_TRUE(areSame(bands, whole));
}

INSTANTIATE_TEST_SUITE_P(Targets, Roles, testing::ValuesIn(simdTargets()), [](const auto& i) { return i.param; });

TEST(RolesOfALook, TravelAsText)
{
    Look look = bound(slope(1.3), true);
    look.roles[0] = {"pale sky", Role::Kind::Sky, "calmer than the roofs", 0.2, {}};
    look.steps[0].guard.where = {"pale sky", true, 0.8, 0.1, {}};
    const auto again = lookFromText(lookToText(look, true), "look");
    ASSERT_TRUE(again) << again.error().message();
    EXPECT_EQ(again->look, look);
    EXPECT_EQ(rolesInUse(look), std::vector<std::string>{"pale sky"});
    EXPECT_EQ(RenderPlan::compile(look)->roles(), std::vector<std::string>{"pale sky"});
    EXPECT_TRUE(isSpatial(look.steps[0])) << "no table carries it";
    const LinearRgb c{0.2, 0.3, 0.4};
    EXPECT_EQ(evaluate(look, c).g, c.g) << "nor does a colour without a place change";
}

TEST(RolesOfALook, FaultsAreNamed)
{
    Look look = bound(Contrast{});
    look.roles[0].name = "sea";
    const auto again = lookFromText(lookToText(look, true), "look");
    ASSERT_TRUE(again);
    ASSERT_EQ(again->warnings.size(), 1u) << "bound to none of its roles";
    EXPECT_NE(again->warnings[0].find("no role 'sky'"), std::string::npos);
    look.roles.push_back(look.roles[0]);
    EXPECT_NE(validate(look).error().where.find("roles[1]"), std::string::npos) << "two of one name";
    look.roles = {{"", Role::Kind::Thing, "", 1, {}}};
    EXPECT_FALSE(validate(look));
    look.roles.assign(kRoleLimit + 1, {});
    EXPECT_FALSE(validate(look));
}

}  // namespace
}  // namespace amber
