// A key colour that a step has hurt is brought back within its tolerance, at little cost elsewhere, or it is said why
// not.
#include "core/analysis/leak.h"
#include "core/analysis/look_sheet.h"
#include "core/analysis/repair.h"
#include "core/analysis/tone_ranges.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "tests/support/random_look.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

using test::Random;

constexpr double kCostElsewhere = 0.6;  // CIEDE2000, mean: what is asked

/// Colours as pictures have them: muted ones mostly, of all hues and tones.
std::vector<LinearRgb> pictureColours(Random& random, int count)
{
    std::vector<LinearRgb> all;
    for (int i = 0; i < count; ++i) {
        const double t = random.between(0, 1);
        all.push_back(toLinearRgb(toOkLab(OkLch{random.between(0.1, 0.95), 0.2 * t * t, random.between(0, 360)})));
    }
    return all;
}

/// A tint, a wash, primaries or warmth, strong enough to hurt.
StepParameters hurting(Random& random)
{
    switch (random.whole(0, 3)) {
    case 0: {
        SplitToning tint;
        tint.dyes = {{random.between(0.2, 0.7), random.between(0, 359), random.between(0.03, 0.07), 0.6, {}}};
        return tint;
    }
    case 1: {
        Wash wash;
        wash.amount = random.between(0.15, 0.35);
        for (WashStop& stop : wash.stops)
            stop.hue = random.between(0, 360);
        return wash;
    }
    case 2: {
        Primaries primaries;
        primaries.redTurn = random.between(-12, 12), primaries.greenTurn = random.between(-12, 12);
        primaries.bluePurity = random.between(0.8, 1.2);
        return primaries;
    }
    default:
        return Warmth{random.between(-60, 60), random.between(-6, 6), {}};
    }
}

TEST(Repair, BringsSeededKeyColoursBackAtLittleCost)
{
    int tried = 0;
    for (std::uint64_t seed = 1; tried < 20 && seed < 200; ++seed) {
        Random random(seed);
        Look look;
        Step before, after;
        before.parameters = Contrast{};
        std::get<Contrast>(before.parameters).slope = random.between(0.9, 1.2);
        look.steps = {before, Step{hurting(random), true, 1, {}, {}}};
        if (random.flip()) {
            // A later step of hue shifts that may be changed as well.
            look.steps.push_back({HueShifts{}, true, 1, {}, {}});
            std::get<HueShifts>(look.steps[2].parameters).families[3].move.turnDegrees = random.between(-8, 8);
        }
        const LinearRgb key =
            toLinearRgb(toOkLab(OkLch{random.between(0.35, 0.8), random.between(0.06, 0.14), random.between(0, 360)}));
        Look unhurt = look;
        unhurt.steps[1].enabled = false;
        const Hurt hurt{1, key, toLab(evaluate(unhurt, key)), random.between(1.5, 3), "skin"};
        if (ciede2000(toLab(evaluate(look, key)), hurt.target) <= hurt.tolerance + 0.5)
            continue;
        ++tried;
        const auto colours = pictureColours(random, 300);
        const auto repair = repairOf(look, hurt, colours);
        ASSERT_TRUE(repair) << "seed " << seed << ": " << repair.error().message();
        EXPECT_LE(ciede2000(toLab(evaluate(repair->look, key)), hurt.target), hurt.tolerance) << seed;
        EXPECT_LE(repair->meanElsewhere, kCostElsewhere) << seed;
        EXPECT_GT(repair->before, hurt.tolerance);
        EXPECT_TRUE(validate(repair->look)) << seed;
        // Nothing but the named step is another one.
        Look rest = repair->look;
        if (repair->isNew)
            rest.steps.erase(rest.steps.begin() + static_cast<std::ptrdiff_t>(repair->step));
        else
            rest.steps[repair->step] = look.steps[repair->step];
        EXPECT_EQ(rest, look) << seed;
    }
    EXPECT_EQ(tried, 20);
}

TEST(Repair, SaysWhereItCannot)
{
    Random random(5);
    Look look;
    SplitToning tint;
    tint.dyes = {{0.5, 60, 0.05, 1, {}}};
    look.steps = {Step{tint, true, 1, {}, {}}};
    const auto colours = pictureColours(random, 50);
    // A grey that was tinted is a colour by then: it can be brought back. A colour that was drained to grey cannot.
    Look drained;
    Chroma none;
    none.even = 0;
    drained.steps = {Step{none, true, 1, {}, {}}};
    const LinearRgb leaf = toLinearRgb(toOkLab(OkLch{0.6, 0.12, 140}));
    const auto lost = repairOf(drained, {0, leaf, toLab(leaf), 2, "leaf"}, colours);
    ASSERT_FALSE(lost);
    EXPECT_NE(lost.error().message().find("leaf is a neutral by then"), std::string::npos);
    Look plain;
    plain.steps = {Step{Contrast{}, true, 1, {}, {}}};
    const auto fine = repairOf(plain, {0, leaf, toLab(leaf), 2, "leaf"}, colours);
    ASSERT_FALSE(fine);
    EXPECT_NE(fine.error().message().find("within its tolerance"), std::string::npos);
    EXPECT_FALSE(repairOf(look, {7, leaf, toLab(leaf), 2, "leaf"}, colours));
}

TEST(Leak, TellsWhatHangsTogetherFromWhatDoesNot)
{
    // A patch of a colour, a smaller one of the same apart from it, the rest another.
    const LinearRgb skin = toLinearRgb(toOkLab(OkLch{0.65, 0.11, 48})),
                    wall = toLinearRgb(toOkLab(OkLch{0.6, 0.08, 200}));
    Image picture(40, 20);
    for (int y = 0; y < 20; ++y)
        for (int x = 0; x < 40; ++x) {
            const bool isSkin = (x < 10 && y < 10) || (x >= 35 && y >= 15);
            const LinearRgb& c = isSkin ? skin : wall;
            float* p = picture.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
    EvenTowards even;
    even.towardsHue = 1;
    Step step;
    step.parameters = even;
    const Leak leak = leakOf(step, picture.view());
    EXPECT_NEAR(leak.touched, 125 / 800.0, 1e-9);
    EXPECT_NEAR(leak.apart, 25 / 125.0, 1e-9);
    EXPECT_EQ(leakOf(Step{}, picture.view()).touched, 0);
}

TEST(ToneRanges, PartThePictureByItsTones)
{
    // A wedge of greys: each range has its part, between them they have nearly all, and the rest of a tile is grey.
    Image wedge(500, 2);
    for (int y = 0; y < 2; ++y)
        for (int x = 0; x < 500; ++x) {
            const LinearRgb grey = toLinearRgb({x / 499.0, 0, 0});
            float* p = wedge.mutableView().row(y) + 3 * x;
            p[0] = p[1] = p[2] = static_cast<float>(grey.g);
        }
    const auto ranges = toneRanges(wedge.view());
    double sum = 0;
    for (std::size_t i = 0; i < ranges.size(); ++i) {
        const double ownTone = 0.12 + 0.2 * static_cast<double>(i);
        const auto own = static_cast<int>(ownTone * 499), other = static_cast<int>((1 - ownTone) * 499);
        const auto at = [&](ImageView view, int x) { return static_cast<double>(view.row(0)[3 * x]); };
        EXPECT_NEAR(at(ranges[i].picture.view(), own), at(wedge.view(), own), 1e-5);
        if (i != 2) {
            EXPECT_NEAR(at(ranges[i].picture.view(), other), 0.18, 0.001);
        }
        EXPECT_NEAR(ranges[i].share, i == 0 ? 0.22 : i == 4 ? 0.18 : 0.2, 0.01) << i;
        sum += ranges[i].share;
    }
    EXPECT_NEAR(sum, 1, 0.002);
}

TEST(LookSheet, SaysWhatEveryStepIsAndMakesPages)
{
    Random random(9);
    Look look = random.look(6);
    look.name = "Long evening", look.intent = "Warm and low";
    ToneCurve curve;
    curve.all = {{0, 0.02}, {0.5, 0.55}, {1, 1}};
    look.steps.push_back({curve, true, 0.5, "Opens the middle", {}});
    look.steps.back().guard.toneLow = 0.2;
    look.steps.back().guard.shelters = {{"skin", 0.75, {}, {}}};
    const auto sheet = lookSheet(look, {{"frame.jpg", random.picture(90, 60, 0, 1)}});
    ASSERT_TRUE(sheet) << sheet.error().message();
    const std::string words = lookSheetText(*sheet);
    for (const char* expected : {"Long evening", "Warm and low", "7  Tone curve", "Opens the middle", "strength 0.5",
                                 "touches tones 0.2 to 1", "held back from skin by 75 %", "brightness"})
        EXPECT_NE(words.find(expected), std::string::npos) << expected << " in\n" << words;
    const auto pdf = lookSheetPdf(*sheet);
    ASSERT_TRUE(pdf);
    EXPECT_EQ(pdf->rfind("%PDF-", 0), 0u);
    EXPECT_NE(pdf->find("%%EOF"), std::string::npos);
    // A long one goes on over pages.
    Look many = look;
    for (int i = 0; i < 40; ++i)
        many.steps.push_back(look.steps.back());
    const auto longer = lookSheetPdf(*lookSheet(many, {}));
    ASSERT_TRUE(longer);
    const auto pages = [](const std::string& text) {
        std::size_t count = 0;
        for (std::size_t at = 0; (at = text.find("/Type /Page ", at)) != text.npos; ++at)
            ++count;
        return count;
    };
    EXPECT_GT(pages(*longer), 2u);
}

}  // namespace
}  // namespace amber
