// Finished pictures measured, several taken as one, and ours held against them row by row; looks fitted to colours.
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/image/write.h"
#include "core/match/fit_look.h"
#include "core/match/ladder.h"
#include "tests/support/temporary_folder.h"

#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace amber {
namespace {

/// Greys from dark to light with patches of clay and leaf; `cast` is laid over all of it.
Image picture(double lowest = 0.15, double highest = 0.9, OkLab cast = {0, 0, 0})
{
    constexpr int kWidth = 160, kHeight = 100;
    Image image(kWidth, kHeight);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            OkLab c{lowest + (highest - lowest) * x / (kWidth - 1), 0, 0};
            if (y >= 70 && x % 40 >= 25)
                c = toOkLab(OkLch{0.35 + 0.25 * (x / 40) / 3, 0.11, x / 40 % 2 ? 55.0 : 140.0});
            const LinearRgb rgb = toLinearRgb(OkLab{c.L, c.a + cast.a, c.b + cast.b});
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(rgb.r), p[1] = static_cast<float>(rgb.g), p[2] = static_cast<float>(rgb.b);
        }
    return image;
}

Fingerprint print(const Image& image, const std::string& name = "a")
{
    return fingerprintOf(image.view(), name, 1600, 100);
}

const LadderRow& row(const Ladder& ladder, Rung rung)
{
    for (const LadderRow& r : ladder.rows)
        if (r.rung == rung)
            return r;
    ADD_FAILURE() << "no such rung";
    return ladder.rows.front();
}

TEST(Fingerprint, HoldsTheTonesTheCastAndTheFamilies)
{
    const Fingerprint plain = print(picture());
    ASSERT_EQ(plain.casts.size(), kCastZones);
    for (std::size_t i = 1; i < plain.tones.size(); ++i)
        EXPECT_GE(plain.tones[i].tone, plain.tones[i - 1].tone);
    EXPECT_NEAR(plain.casts[1].a, 0, 0.004);
    const Fingerprint warm = print(picture(0.15, 0.9, {0, 0.004, 0.02}));
    EXPECT_NEAR(warm.casts[1].b, 0.02, 0.004);
    double coloured = 0;
    for (const ColourTrait& family : plain.families)
        coloured += family.share;
    EXPECT_GT(coloured, 0.05);
    EXPECT_LT(coloured, 0.2);
}

TEST(Fingerprint, SeveralAreTheirMiddleAndWhereTheyDifferTheSpreadIsWide)
{
    const Fingerprint dark = print(picture(0.1, 0.8), "dark"), light = print(picture(0.2, 0.9), "light");
    const Fingerprint both = combined({dark, light});
    EXPECT_EQ(both.references, 2);
    EXPECT_NE(both.name.find("dark"), std::string::npos);
    EXPECT_NE(both.name.find("light"), std::string::npos);
    for (std::size_t i = 0; i < both.tones.size(); ++i) {
        EXPECT_NEAR(both.tones[i].tone, (dark.tones[i].tone + light.tones[i].tone) / 2, 1e-9);
        EXPECT_NEAR(both.tones[i].spread, std::abs(dark.tones[i].tone - light.tones[i].tone) / 2, 1e-9);
    }
    EXPECT_EQ(combined({dark}).tones.size(), dark.tones.size());
    EXPECT_TRUE(combined({}).tones.empty());
}

TEST(Fingerprint, OfFilesThatTellNothingIsRefused)
{
    const test::TemporaryFolder folder;
    const auto write = [&](const char* name, const Image& image) {
        EXPECT_TRUE(writePicture(folder / name, image.view(), {}, {FileFormat::Png8, RgbSpace::Srgb, 90}, {}));
        return folder / name;
    };
    EXPECT_TRUE(fingerprintOfFile(write("good.png", picture())));
    Image flat(120, 80);
    std::fill_n(flat.mutableView().data, 3 * 120 * 80, 0.2f);
    EXPECT_FALSE(fingerprintOfFile(write("flat.png", flat)));
    EXPECT_FALSE(fingerprintOfFile(write("tiny.png", Image(5, 5))));
    EXPECT_FALSE(fingerprintOfFile(folder / "missing.png"));
}

TEST(LadderRows, APictureAgainstItselfLiesAsItShould)
{
    const Fingerprint one = print(picture());
    const Ladder ladder = ladderOf(one, one, true);
    EXPECT_EQ(ladder.within(), ladder.supported());
    EXPECT_NEAR(ladder.distance(), 0, 1e-9);
    EXPECT_EQ(ladder.confidence.subject, 1);
    // In the order in which rows are taken: light, casts, families.
    for (std::size_t i = 1; i < ladder.rows.size(); ++i)
        EXPECT_GE(ladder.rows[i].rung, ladder.rows[i - 1].rung);
}

TEST(LadderRows, SayInLightnessHowFarEachEndLies)
{
    const Fingerprint reference = print(picture(0.15, 0.9)), ours = print(picture(0.25, 0.8));
    const Ladder ladder = ladderOf(reference, ours, true);
    const LadderRow &black = row(ladder, Rung::BlackEnd), &white = row(ladder, Rung::WhiteEnd);
    EXPECT_GT(black.ours, black.reference);
    EXPECT_LT(white.ours, white.reference);
    EXPECT_NEAR(black.difference, black.ours - black.reference, 1e-9);
    EXPECT_FALSE(black.isWithin());
    EXPECT_GT(row(ladder, Rung::Contrast).difference, 5);
}

TEST(LadderRows, SeveralReferencesThatDifferAreMetMoreEasily)
{
    const Fingerprint both = combined({print(picture(0.05, 0.8)), print(picture(0.35, 0.95))}),
                      ours = print(picture(0.25, 0.85));
    const LadderRow black = row(ladderOf(both, ours, true), Rung::BlackEnd);
    EXPECT_GT(black.tolerance, 5);
    EXPECT_TRUE(black.isWithin());
}

TEST(LadderRows, SmallAndHardlyCompressedReferencesAreTrustedLess)
{
    const Fingerprint ours = print(picture());
    const Ladder large = ladderOf(fingerprintOf(picture().view(), "a", 3000, 100), ours),
                 small = ladderOf(fingerprintOf(picture().view(), "a", 200, 100), ours),
                 hard = ladderOf(fingerprintOf(picture().view(), "a", 3000, 20), ours);
    EXPECT_EQ(large.confidence.size, 1);
    EXPECT_LT(small.confidence.size, 0.6);
    EXPECT_LT(hard.confidence.compression, 0.5);
    EXPECT_LT(small.confidence.all(), large.confidence.all());
}

TEST(LadderRows, AreSeenWithAndWithoutTheStepsOfTheMatch)
{
    Look look;
    Step own, match;
    ToneCurve lifted;
    lifted.all = {{0, 0.1}, {0.5, 0.6}, {1, 1}};
    match.parameters = lifted, match.group = "reference";
    own.parameters = Chroma{};
    look.steps = {own, match};
    EXPECT_EQ(withoutGroup(look, "reference").steps.size(), 1u);
    EXPECT_EQ(withoutGroup(look, "another").steps.size(), 2u);
    LaddersAsked asked;
    asked.look = look, asked.group = "reference", asked.showsTheSame = true;
    asked.ours.small = {forMatching(picture().view())};
    asked.reference = print(picture());
    const Ladders ladders = laddersOf(asked);
    EXPECT_NEAR(row(ladders.start, Rung::BlackEnd).difference, 0, 1);
    EXPECT_GT(row(ladders.now, Rung::BlackEnd).difference, 5);
    EXPECT_EQ(ladders.membersOf.steps.size(), 1u);
    // What is known of who is who is used again.
    asked.members = ladders.members, asked.membersOf = ladders.membersOf;
    EXPECT_EQ(laddersOf(asked).now.distance(), ladders.now.distance());
}

std::vector<LinearRgb> colours(int count)
{
    std::mt19937 engine(11);
    std::uniform_real_distribution<double> tone(0.1, 0.85), chroma(0, 0.12), hue(0, 360);
    std::vector<LinearRgb> all;
    while (static_cast<int>(all.size()) < count) {
        const LinearRgb c = toLinearRgb(toOkLab(OkLch{tone(engine), chroma(engine), hue(engine)}));
        if (std::min({c.r, c.g, c.b}) > 0.01 && std::max({c.r, c.g, c.b}) < 0.8)
            all.push_back(c);
    }
    return all;
}

TEST(FitLook, FindsACurveBackAndSaysWhatItExplains)
{
    Look look;
    Step step;
    ToneCurve curve;
    curve.mode = ToneCurve::Mode::LightnessOnly;
    curve.all = {{0, 0.05}, {0.4, 0.36}, {0.7, 0.76}, {1, 0.97}};
    step.parameters = curve;
    look.steps = {step};
    const auto before = colours(400);
    std::vector<LinearRgb> after;
    for (const LinearRgb& c : before)
        after.push_back(evaluate(look, c));
    double last = 0;
    const auto fit = fitLook(before, after, {}, [&](double at) { last = at; });
    ASSERT_TRUE(fit) << fit.error().message();
    EXPECT_EQ(last, 1);
    EXPECT_GT(fit->untouched.mean, 2);
    EXPECT_LT(fit->left.mean, 0.5);
    ASSERT_FALSE(fit->stages.empty());
    EXPECT_NEAR(fit->stages.front().before, fit->untouched.mean, 1e-6) << "one is of floats";
    for (std::size_t i = 1; i < fit->stages.size(); ++i)
        EXPECT_EQ(fit->stages[i].before, fit->stages[i - 1].after);
    // Where next to nothing is left, a smooth table of it does next to nothing.
    const auto with = fitLook(before, after, {true});
    ASSERT_TRUE(with);
    EXPECT_EQ(with->look.steps.size(), fit->look.steps.size() + 1);
    constexpr double kUnseen = 0.3;
    EXPECT_LT(with->left.mean, kUnseen);
}

TEST(FitLook, SaysWhyItCannot)
{
    const auto before = colours(200);
    const auto why = [](const std::vector<LinearRgb>& from, const std::vector<LinearRgb>& to) {
        const auto fit = fitLook(from, to);
        return fit ? std::string() : fit.error().message();
    };
    EXPECT_NE(why(colours(20), colours(20)).find("too few"), std::string::npos);
    EXPECT_NE(why(before, before).find("do not differ"), std::string::npos);
    EXPECT_NE(why(before, std::vector<LinearRgb>(200, {1, 1, 1})).find("clipped"), std::string::npos);
    EXPECT_NE(why(std::vector<LinearRgb>(200, {0.2, 0.2, 0.2}), before).find("before is flat"), std::string::npos);
    EXPECT_NE(why(before, std::vector<LinearRgb>(200, {0.2, 0.2, 0.2})).find("after is flat"), std::string::npos);
    CancelToken cancel;
    cancel.cancel();
    std::vector<LinearRgb> after = before;
    for (LinearRgb& c : after)
        c = {c.r * 0.7, c.g * 0.7, c.b * 0.6};
    EXPECT_FALSE(fitLook(before, after, {}, {}, cancel));
}

}  // namespace
}  // namespace amber
