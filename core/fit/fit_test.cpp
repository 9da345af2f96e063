// Looks found again from pictures before and after.
#include "core/colour/oklab.h"
#include "core/engine/render_plan.h"
#include "core/fit/pair_fit.h"
#include "core/image/read.h"
#include "tests/support/random_look.h"

#include <cmath>
#include <gtest/gtest.h>

namespace amber {
namespace {

namespace fs = std::filesystem;
const fs::path kDemo = fs::path(AMBER_SOURCE_DIR) / "demo";

Image demoFrame(const char* name) { return readReduced(kDemo / "frames" / (std::string(name) + ".jpg"), 750, false)->image; }

Image through(const Look& look, const Image& picture)
{
    Image out = picture;
    render(RenderPlan::compile(look).value(), picture.view(), out.mutableView());
    // What a file would hold.
    for (int i = 0; i < out.width() * out.height() * 3; ++i)
        out.mutableView().data[i] = std::clamp(out.view().data[i], 0.0f, 1.0f);
    return out;
}

double apart(const Image& one, const Image& two)
{
    double sum = 0;
    int n = 0;
    for (int y = 0; y < one.height(); y += 5)
        for (int x = 0; x < one.width(); x += 5, ++n) {
            const float *p = one.view().row(y) + 3 * x, *q = two.view().row(y) + 3 * x;
            sum += ciede2000(LinearRgb{p[0], p[1], p[2]}, LinearRgb{q[0], q[1], q[2]});
        }
    return sum / n;
}

/// A treatment as artists make them: of one to three kinds of step, none to its end.
Look treatment(std::uint64_t seed)
{
    test::Random random(seed);
    Look look;
    const auto add = [&](StepParameters p) {
        Step step;
        step.parameters = std::move(p);
        look.steps.push_back(std::move(step));
    };
    if (random.flip()) {
        ToneCurve curve;
        const double floor = random.between(0, 0.1), low = random.between(-0.06, 0.04), high = random.between(-0.04, 0.06);
        curve.all = {{0, floor}, {0.3, 0.3 + low}, {0.7, 0.7 + high}, {1, random.between(0.9, 1)}};
        curve.mode = random.flip() ? ToneCurve::Mode::EveryChannel : ToneCurve::Mode::LightnessOnly;
        add(curve);
    }
    if (random.flip()) {
        Primaries p;
        p.redTurn = random.between(-8, 8), p.blueTurn = random.between(-8, 8), p.greenPurity = random.between(0.85, 1.15);
        add(p);
    }
    if (random.flip()) {
        HueShifts hues;
        for (HueFamily& family : hues.families)
            if (random.flip())
                family.move = {random.between(-15, 15), random.between(0.7, 1.3), random.between(-0.04, 0.04)};
        add(hues);
    }
    SplitToning tint;
    tint.dyes = {{random.between(0.1, 0.4), random.between(0, 360), random.between(0, 0.04), 0.45, {}}, {random.between(0.6, 0.95), random.between(0, 360), random.between(0.01, 0.05), 0.45, {}}};
    add(tint);
    return look;
}

TEST(PairFit, OwnLooksAreFoundAgainAndHoldOnOtherFrames)
{
    const Image fitted = demoFrame("north-window-02");
    const std::vector<Image> others{demoFrame("lamp-shelf-02"), demoFrame("yard-04"), demoFrame("dusk-terrace-02")};
    std::vector<double> means;
    for (std::uint64_t seed = 1; seed <= 50; ++seed) {
        const Look look = treatment(seed);
        const auto found = fitPair(fitted.view(), through(look, fitted).view());
        ASSERT_TRUE(found) << seed << found.error().message();
        double sum = 0;
        for (const Image& other : others)
            sum += apart(through(found->fit.look, other), through(look, other)) / static_cast<double>(others.size());
        means.push_back(sum);
    }
    std::sort(means.begin(), means.end());
    std::printf("50 looks, mean dE00 on frames not fitted: median %.2f, 95 %% %.2f, most %.2f\n", means[25], means[47], means.back());
    EXPECT_LE(means[25], 1.0);
    EXPECT_LE(means[47], 2.5);
}

TEST(PairFit, TheDemosPairIsExplainedStepByStepAndDegeneratePairsAreRefused)
{
    const auto before = readReduced(kDemo / "pair/before.jpg", 1500, false), after = readReduced(kDemo / "pair/after.jpg", 1500, false);
    const auto plain = fitPair(before->image.view(), after->image.view()), table = fitPair(before->image.view(), after->image.view(), {true});
    ASSERT_TRUE(plain && table);
    std::printf("demo pair: %.2f untouched, %.2f by steps, %.2f with table\n", plain->fit.untouched.mean, plain->fit.left.mean, table->fit.left.mean);
    EXPECT_LE(plain->fit.left.mean, 2.5);
    EXPECT_LT(table->fit.left.mean, plain->fit.left.mean);
    double last = plain->fit.untouched.mean;
    for (const FitStage& stage : plain->fit.stages) {
        EXPECT_NEAR(stage.before, last, 1e-9) << "what each step explains adds up";
        last = stage.after;
    }
    EXPECT_NEAR(last, plain->fit.left.mean, 1e-3);
    EXPECT_FALSE(std::any_of(plain->fit.look.steps.begin(), plain->fit.look.steps.end(), [](const Step& s) { return std::holds_alternative<LookupTable>(s.parameters); }));
    EXPECT_TRUE(std::holds_alternative<LookupTable>(table->fit.look.steps.back().parameters));

    const Image frame = demoFrame("north-window-02"), other = demoFrame("yard-06");
    const auto refusal = [&](const Image& one, const Image& two) {
        const auto fit = fitPair(one.view(), two.view());
        return fit ? std::string() : fit.error().message();
    };
    Image flat(400, 260), white = frame;
    std::fill_n(flat.mutableView().data, 400 * 260 * 3, 0.2f);
    std::fill_n(white.mutableView().data, white.width() * white.height() * 3, 1.0f);
    EXPECT_NE(refusal(frame, other).find("same thing"), std::string::npos) << refusal(frame, other);
    EXPECT_FALSE(refusal(flat, flat).empty());
    EXPECT_FALSE(refusal(frame, white).empty());
    EXPECT_GT(coverage(plain->seen, before->image.view()), 0.9);
    EXPECT_LT(coverage(plain->seen, demoFrame("dusk-terrace-02").view()), coverage(plain->seen, before->image.view()));
}

TEST(TableFit, ATableBecomesStepsAndWhatIsLeftIsSaid)
{
    const Look look = treatment(7);
    Table table = identityTable(17);
    for (std::size_t i = 0; i < table.values3.size(); i += 3) {
        const LinearRgb c = evaluate(look, decode(RgbSpace::Srgb, {table.values3[i], table.values3[i + 1], table.values3[i + 2]}));
        const EncodedRgb code = encode(RgbSpace::Srgb, c);
        table.values3[i] = std::clamp(static_cast<float>(code.r), 0.0f, 1.0f), table.values3[i + 1] = std::clamp(static_cast<float>(code.g), 0.0f, 1.0f), table.values3[i + 2] = std::clamp(static_cast<float>(code.b), 0.0f, 1.0f);
    }
    const auto fit = fitTable(table);
    ASSERT_TRUE(fit) << fit.error().message();
    EXPECT_LT(fit->left.mean, 0.35 * fit->untouched.mean);
    EXPECT_LT(fit->left.mean, 2);
    EXPECT_FALSE(fit->look.steps.empty());
    const auto nothing = fitTable(identityTable(9));
    ASSERT_TRUE(nothing);
    EXPECT_LT(nothing->left.mean, 0.1);
}

}  // namespace
}  // namespace amber
