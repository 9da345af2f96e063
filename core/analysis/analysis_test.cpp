#include "core/analysis/intent_score.h"
#include "core/analysis/net_effect.h"
#include "core/analysis/sayings.h"
#include "core/analysis/sweep.h"
#include "core/analysis/tint.h"
#include "core/colour/oklab.h"
#include "core/image/resize.h"
#include "core/look/subject_bound.h"
#include "core/measure/difference_map.h"
#include "core/measure/trial_frames.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace amber {
namespace {

Step stepOf(StepParameters parameters)
{
    Step step;
    step.parameters = std::move(parameters);
    return step;
}

Contrast contrastOf(double slope)
{
    Contrast c;
    c.slope = slope, c.holdBrightness = false;
    return c;
}

/// Tones across, hues down: every colour a picture may have, in one picture; its left column is black, its top row
/// neutral.
Image colourField(int width = 96, int height = 64)
{
    Image image(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double L = (x + 0.5) / width;
            const LinearRgb c =
                toLinearRgb(toOkLab(OkLch{L, y == 0 ? 0 : 0.25 * std::min(L, 1 - L), 360.0 * y / height}));
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
    return image;
}

KeyColour keyAt(ImageView image, const char* name, double x, double y, std::int64_t frame = 1)
{
    KeyColour key;
    key.name = name, key.frame = frame, key.place = pointPlace(x, y, image.width, image.height),
    key.marked = meanOf(image, key.place);
    return key;
}

/// The look's result at every state is what the engine gives for its first steps, and moves are differences of states.
TEST(StepTrace, TellsWhatEveryStepDidToBrightnessChromaAndKeys)
{
    const Image field = colourField();
    const auto keys = std::vector{keyAt(field.view(), "glaze", 0.6, 0.4), keyAt(field.view(), "cloth", 0.2, 0.8),
                                  keyAt(field.view(), "elsewhere", 0.5, 0.5, 2)};
    Look look;
    Chroma even;
    even.even = 1.4;
    Ends faded;
    faded.floor = 0.1;
    look.steps = {stepOf(contrastOf(1.4)), stepOf(even), stepOf(faded)};
    look.steps[1].enabled = false;
    Framing middle;  // between the ends, which contrast holds
    middle.crop.left = 0.3, middle.crop.right = 0.8;
    const auto trace = traceLook(look, field.view(), 1, keys, middle);
    ASSERT_TRUE(trace);
    ASSERT_EQ(trace->steps(), 3);
    EXPECT_GT(trace->after(0).contrast, trace->before(0).contrast + 0.05);
    EXPECT_EQ(trace->after(1).meanChroma, trace->before(1).meanChroma) << "a step that is off does nothing";
    EXPECT_NEAR(trace->after(2).landing[0], 0.1, 1e-9);
    EXPECT_NEAR(trace->after(2).landing[2], 1, 1e-9);
    for (int k = 0; k < 3; ++k) {
        const KeyState out = keyState(evaluate(look, keys[static_cast<std::size_t>(k)].marked));
        EXPECT_LT(keyMove(trace->states.back().keys[static_cast<std::size_t>(k)], out).deltaE, 0.8)
            << k << ": in place and by colour agree";
    }
    const KeyMove move = trace->move(2, 1);
    EXPECT_GT(move.lightness, 1) << "the fade lifts dark cloth";
    EXPECT_EQ(trace->worst().second >= 0, true);
    const auto given = traceLook(look, field.view(), 1, keys, {}, {}, [] { return true; });
    EXPECT_FALSE(given) << "it can be given up";
}

TEST(StepTrace, FollowsTheFraming)
{
    const Image field = colourField();
    Framing right;
    right.crop.left = 0.5;
    Framing hole;
    hole.leftOut.push_back({0, 0, 0.5, 1});
    const auto whole = traceLook({}, field.view(), 1, {}, {}), cropped = traceLook({}, field.view(), 1, {}, right),
               holed = traceLook({}, field.view(), 1, {}, hole);
    EXPECT_NEAR(whole->states[0].meanL, 0.5, 0.01);
    EXPECT_NEAR(cropped->states[0].meanL, 0.75, 0.01);
    EXPECT_EQ(cropped->states[0].meanL, holed->states[0].meanL);
    EXPECT_EQ(framingFromText(framingToText(hole)), hole);
    EXPECT_FALSE(framingFromText("nonsense"));
    EXPECT_FALSE(framingFromText("0,1 0,1 0,9 0,9;")) << "a comma is no point";
    EXPECT_EQ(framingFromText(""), Framing{});
    const ImageView all = field.view();
    EXPECT_EQ(counted(all, right).width(), all.width / 2 * all.height);
    const ClipPlaces places = clipPlaces(all, {});
    EXPECT_GT(places.high[2] + places.low[0], 0) << "strong colours of the field leave sRGB somewhere";
}

/// Whatever two opposite contrasts are, they are found, and one step stands for both within one CIEDE2000 in the mean.
RC_GTEST_PROP(NetEffect, OppositeStepsAreFoundAndJoined, ())
{
    const double slope = *rc::gen::inRange(125, 180) / 100.0, back = 1 / slope * (*rc::gen::inRange(95, 112) / 100.0);
    Look look;
    Primaries primaries;
    primaries.redTurn = 4;
    look.steps = {stepOf(contrastOf(slope)), stepOf(primaries), stepOf(contrastOf(back))};
    const auto colours = someColours(colourField().view(), 160);
    const auto found = findUndoing(look, colours);
    RC_ASSERT(!found.empty());
    RC_ASSERT(found.front().first == 0 && found.front().second == 2);
    RC_ASSERT(found.front().aspect == Undoing::Aspect::Lightness);
    RC_ASSERT(found.front().remains < 0.6 * std::max(found.front().firstSize, found.front().secondSize));
    const auto joined = joinSteps(look, 0, 2, colours);
    RC_ASSERT(joined.has_value());
    RC_ASSERT(joined->look.steps.size() == 2u);
    RC_ASSERT(joined->residual.mean < 1);
    RC_ASSERT(validate(joined->look).has_value());
}

TEST(NetEffect, StepsThatHelpOneAnotherAreLeftAlone)
{
    Look look;
    look.steps = {stepOf(contrastOf(1.2)), stepOf(contrastOf(1.3))};
    EXPECT_TRUE(findUndoing(look, someColours(colourField().view(), 200)).empty());
    look.steps[0].parameters = LocalContrast{};
    EXPECT_FALSE(joinSteps(look, 0, 1, someColours(colourField().view(), 20))) << "by place: refused";
}

TEST(NetEffect, LevelsThatLaterStepsMovedAndTintsThatAddUp)
{
    Look look;
    Ends faded;
    faded.floor = 0.08;
    SplitToning warm;
    warm.dyes = {{0.5, 70, 0.008, 1.0, {}}};
    look.steps = {stepOf(faded), stepOf(contrastOf(1.6)), stepOf(warm), stepOf(warm), stepOf(warm)};
    const Image field = colourField();
    const auto trace = traceLook(look, field.view(), 1, {}, {});
    const auto moved = levelsMoved(*trace);
    ASSERT_FALSE(moved.empty());
    EXPECT_EQ(moved[0].level, LevelMoved::Level::Black);
    EXPECT_EQ(moved[0].setBy, 0);
    EXPECT_EQ(moved[0].movedBy, 1);
    EXPECT_NEAR(moved[0].setTo, 0.08, 1e-9);
    EXPECT_LT(moved[0].now, 0.06);
    const auto adds = tintAddsUp(*trace);
    ASSERT_TRUE(adds);
    EXPECT_EQ(adds->steps, (std::vector{2, 3, 4}));
    EXPECT_NEAR(adds->hueDegrees, 70, 8);
    look.steps.resize(4);
    EXPECT_FALSE(tintAddsUp(*traceLook(look, field.view(), 1, {}, {}))) << "two tints are a choice";
}

/// A step of one noticeable difference is one: the largest CIEDE2000 is 1, or the limit of the number came first.
TEST(NetEffect, TellsTheWarmthThatBringsATintedNeutralBack)
{
    Image field(40, 20);
    for (int y = 0; y < 20; ++y)
        for (int x = 0; x < 40; ++x) {
            const float c[] = {x < 20 ? 0.3f : 0.15f, 0.3f, x < 20 ? 0.3f : 0.1f};
            std::copy_n(c, 3, field.mutableView().row(y) + 3 * x);
        }
    Warmth warm;
    warm.warmth = 35;
    Look look;
    look.steps = {stepOf(warm), stepOf(contrastOf(1.1))};
    const std::vector<KeyColour> keys{keyAt(field.view(), "stone", 0.25, 0.5), keyAt(field.view(), "leaf", 0.75, 0.5)};
    const auto trace = traceLook(look, field.view(), 1, keys, {});
    ASSERT_TRUE(trace);
    const auto found = retrims(*trace);
    ASSERT_EQ(found.size(), 1u) << "a leaf is not neutral";
    EXPECT_EQ(found[0].key, 0);
    EXPECT_LT(found[0].warmth.warmth, -25);
    look.steps.push_back(stepOf(found[0].warmth));
    const auto after = traceLook(look, field.view(), 1, keys, {});
    EXPECT_LT(after->states.back().keys[0].okLch.chroma, 0.1 * found[0].chroma);
    EXPECT_TRUE(retrims(*after).empty());
    EXPECT_TRUE(retrims(*traceLook(Look{}, field.view(), 1, keys, {})).empty());
}

RC_GTEST_PROP(Sweep, OneNoticeableDifferenceIsOne, ())
{
    const auto colours = someColours(colourField().view(), 60);
    Look look;
    Chroma even;
    even.even = *rc::gen::inRange(60, 160) / 100.0;
    look.steps = {stepOf(contrastOf(*rc::gen::inRange(60, 200) / 100.0)), stepOf(even)};
    const bool up = *rc::gen::arbitrary<bool>();
    const auto at = static_cast<std::size_t>(*rc::gen::inRange(0, 2));
    const std::string pointer = at == 0 ? "/slope" : "/even";
    const double next = nextNoticeable(look, at, pointer, up, colours);
    Look after = look;
    after.steps[at] = *withNumber(look.steps[at], pointer, next);
    double most = 0;
    for (const LinearRgb& c : colours)
        most = std::max(most, ciede2000(evaluate(look, c), evaluate(after, c)));
    RC_ASSERT(most > 0.97 && most < 1.001);
}

TEST(Sweep, EveryWayOfEveryStepGivesVariants)
{
    EXPECT_EQ(limitsOf(stepOf(contrastOf(1)), "/slope"), (std::pair{0.3, 3.0}));
    Look look;
    look.steps = {stepOf(ToneCurve{}), stepOf(SplitToning{}), stepOf(HueShifts{}), stepOf(contrastOf(1.2)),
                  stepOf(Wash{})};
    int ways = 0;
    for (std::size_t i = 0; i < look.steps.size(); ++i)
        for (const SweepWay& way : sweepWaysOf(look.steps[i])) {
            const auto [low, high] = sweepRange(look.steps[i], way);
            ASSERT_LT(low, high) << i << way.pointer;
            const auto values = sweepValues(way, low, high, 12);
            ASSERT_EQ(values.size(), 12u);
            int valid = 0;
            for (double v : values)
                valid += swept(look, i, way, v).has_value();
            EXPECT_GE(valid, 11) << i << way.pointer;
            ++ways;
        }
    EXPECT_GT(ways, 30);
    SplitToning dyes;
    dyes.dyes = {{0.5, 100, 0.03, 0.5, {}}};
    look.steps[1].parameters = dyes;
    EXPECT_NEAR(
        std::get<SplitToning>(swept(look, 1, {SweepWay::Kind::Hue}, 300)->steps[1].parameters).dyes[0].hueDegrees, 40,
        1e-9);
    const auto colours = someColours(colourField().view(), 200);
    const double strength = strengthForChange(look.steps[3], colours, 1.5);
    Step set = look.steps[3];
    set.strength = strength;
    double mean = 0;
    for (const LinearRgb& c : colours)
        mean += ciede2000(c, evaluate(set, c)) / static_cast<double>(colours.size());
    EXPECT_NEAR(mean, 1.5, 0.01);
}

TEST(Tint, StrengthHasMarksAndACastIsToldFromASplit)
{
    std::array<double, kToneBins> flat{};
    flat.fill(1.0 / kToneBins);
    const auto marked = [&](std::vector<Dye> dyes) {
        SplitToning step;
        step.dyes = std::move(dyes);
        return tintStrength(stepOf(step), flat);
    };
    using Mark = TintStrength::Mark;
    EXPECT_EQ(marked({{0.5, 70, 0.001, 1, {}}}).mark, Mark::None);
    EXPECT_EQ(marked({{0.5, 70, 0.01, 1, {}}}).mark, Mark::Hint);
    const TintStrength cast = marked({{0.5, 70, 0.035, 1.5, {}}});
    EXPECT_EQ(cast.mark, Mark::Present);
    EXPECT_TRUE(cast.readsAsCast);
    EXPECT_NEAR(cast.hueDegrees, 70, 0.5);
    const TintStrength split = marked({{0.15, 250, 0.06, 0.5, {}}, {0.85, 70, 0.06, 0.5, {}}});
    EXPECT_FALSE(split.readsAsCast);
    EXPECT_GE(split.mark, Mark::Present);
    EXPECT_EQ(dyeProposals(20), (std::vector<double>{200, 350, 50, 140, 260}));
}

TEST(IntentScore, SaysWhatIsMetAndWhatIsNot)
{
    Look look;
    look.card.key = IntentCard::Key::Dark;
    look.card.fade = IntentCard::Level::Medium;
    look.card.temperature = IntentCard::Temperature::WarmLights;
    look.card.fidelity = IntentCard::Fidelity::True;
    look.card.grain = IntentCard::Level::Much;
    const Image field = colourField();
    const auto score = [&] {
        const auto trace = traceLook(look, field.view(), 1, {keyAt(field.view(), "glaze", 0.6, 0.4)}, {});
        return scoreIntent(look, {{trace->states.front(), trace->states.back()}});
    };
    using Verdict = IntentScore::Verdict;
    auto scores = score();
    ASSERT_EQ(scores.size(), 5u);
    EXPECT_EQ(scores[0].verdict, Verdict::Near);  // 0.5 against 0.45
    EXPECT_EQ(scores[1].verdict, Verdict::Missed);
    EXPECT_EQ(scores[2].verdict, Verdict::Missed);
    EXPECT_EQ(scores[3].verdict, Verdict::Met);
    EXPECT_EQ(scores[4].verdict, Verdict::Missed);
    Ends ends;
    ends.floor = 0.06, ends.ceiling = 0.7;
    SplitToning dyes;
    dyes.dyes = {{0.25, 250, 0.02, 0.4, {}}, {0.8, 70, 0.02, 0.4, {}}};
    Grain grain;
    grain.amount = 0.08;
    look.steps = {stepOf(ends), stepOf(dyes), stepOf(grain)};
    scores = score();
    EXPECT_EQ(scores[0].verdict, Verdict::Met);
    EXPECT_EQ(scores[1].verdict, Verdict::Met);
    EXPECT_EQ(scores[2].verdict, Verdict::Met);
    EXPECT_EQ(scores[4].verdict, Verdict::Met);
}

TEST(Sayings, AreMeasuredOnThePicture)
{
    const Image field = colourField();
    const auto colours = someColours(field.view(), 400);
    const EqualCurves curves = measureEqualCurves(colours);
    EXPECT_GT(curves.chromaFactor, curves.lightnessOnly + 0.03) << "equal curves raise chroma";
    EXPECT_NEAR(curves.lightnessOnly, 1, 0.02);
    const CodesKept codes = measureCodes(field.view());
    EXPECT_LT(codes.after, codes.before);
    EXPECT_GT(codes.after, codes.before / 2);
    const EvenChroma even = measureEvenChroma(colours);
    EXPECT_GT(even.strong, even.muted);
    std::vector<LinearRgb> dark, bright;
    for (double L : {0.1, 0.2, 0.3})
        dark.push_back(toLinearRgb(OkLab{L, 0, 0})), bright.push_back(toLinearRgb(OkLab{1 - L, 0, 0}));
    EXPECT_LT(measureContrastDarkens(dark), -0.005);
    EXPECT_GT(measureContrastDarkens(bright), 0.005);
    Look look;
    look.steps = {stepOf(contrastOf(1.4))};
    const SameLook same = measureSameLook(look, {dark, bright});
    EXPECT_LT(same.smallest, 0);
    EXPECT_GT(same.largest, 0);
}

TEST(KeyColours, WatchThemselvesAndAreKept)
{
    Image room(120, 80);
    const auto fill = [&](int left, int top, int right, int bottom, const OkLab& lab) {
        const LinearRgb c = toLinearRgb(lab);
        for (int y = top; y < bottom; ++y)
            for (int x = left; x < right; ++x) {
                float* p = room.mutableView().row(y) + 3 * x;
                p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
            }
    };
    fill(0, 0, 120, 80, {0.55, 0.06, 0.04});
    fill(0, 0, 20, 20, {0.7, 0.001, 0});
    fill(60, 40, 90, 60, {0.12, 0.01, -0.02});
    fill(90, 0, 120, 15, {0.95, 0, 0.02});
    const auto found = automaticKeyColours(room.view(), 7);
    ASSERT_EQ(found.size(), 3u);
    const auto centre = [](const KeyColour& k) {
        return std::pair((k.place.left + k.place.right) / 2 * 120, (k.place.top + k.place.bottom) / 2 * 80);
    };
    EXPECT_LT(centre(found[0]).first, 20);
    EXPECT_GT(centre(found[1]).second, 40);
    EXPECT_GT(centre(found[2]).first, 90);
    Framing without;
    without.leftOut.push_back({0, 0, 0.2, 0.3});
    EXPECT_NE(automaticKeyColours(room.view(), 7, without).front().kind, KeyColour::Kind::Neutral)
        << "what is left out is not watched";
    auto kept = std::vector{keyAt(room.view(), "Ada's skin", 0.5, 0.2)};
    kept[0].target = Lab{60, 12, 14};
    EXPECT_EQ(keyColoursFromText(keyColoursToText(kept)), kept);
    EXPECT_FALSE(keyColoursFromText("[{\"name\":1}]"));
    EXPECT_TRUE(keyColoursFromText("")->empty());
    const OkLch absent = toOkLch(toOkLab(absentColour(room.view())));
    EXPECT_GT(std::abs(hueDifference(absent.hueDegrees, 34)), 60) << "far from the room's own colour";
    EXPECT_GT(absent.chroma, 0.12);
}

TEST(TrialFrames, AreTheOnesThatDiffer)
{
    const auto sketch = [](const OkLab& lab) {
        Image image(4, 4);
        const LinearRgb c = toLinearRgb(lab);
        for (int i = 0; i < 16; ++i) {
            float* p = image.mutableView().data + 3 * i;
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
        return sketchOf(image.view());
    };
    const std::vector<FrameSketch> all{sketch({0.5, 0.002, 0.01}), sketch({0.51, 0.002, 0.01}),
                                       sketch({0.2, 0.002, 0.01}), sketch({0.9, 0.002, 0.01}),
                                       sketch({0.52, 0, -0.08}),   sketch({0.5, 0.09, 0.01})};
    const auto chosen = trialFrames(all, 0, 4);
    ASSERT_EQ(chosen.size(), 4u);
    EXPECT_EQ(chosen[0].frame, 2u);
    EXPECT_EQ(chosen[1].frame, 3u);
    for (std::size_t i = 2; i < 4; ++i)
        EXPECT_TRUE(chosen[i].frame == 4 || chosen[i].frame == 5);
    EXPECT_NE(chosen[2].frame, chosen[3].frame);
    EXPECT_EQ(trialFrames(all, 0, 20).size(), 5u);
    EXPECT_TRUE(trialFrames({}, 0, 3).empty());
}

TEST(DifferenceMap, IsMiddleGreyWhereNothingChanged)
{
    const Image field = colourField(20, 16);
    Image lighter = field;
    const auto L = [](const Image& image, int x, int y) { return std::cbrt(image.view().row(y)[3 * x]); };
    Step step = stepOf(contrastOf(1.5));
    for (int i = 0; i < 20 * 16; ++i) {
        float* p = lighter.mutableView().data + 3 * i;
        const LinearRgb c = evaluate(step, {p[0], p[1], p[2]});
        p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
    }
    const auto same = differenceMap(field.view(), field.view(), MapAspect::Hue),
               map = differenceMap(field.view(), lighter.view(), MapAspect::Lightness);
    ASSERT_TRUE(same && map);
    EXPECT_NEAR(L(*same, 7, 7), 0.5, 1e-6);
    EXPECT_LT(L(*map, 5, 0), 0.45);
    EXPECT_GT(L(*map, 15, 0), 0.55);
    EXPECT_FALSE(differenceMap(field.view(), colourField(10, 10).view(), MapAspect::Chroma));
}

TEST(SubjectBound, NamesWhatShouldNotTravel)
{
    Look look;
    HueShifts shifts;
    shifts.families[0].name = "celadon";
    shifts.families[0].move.chroma = 1.3;
    shifts.families[1].move.chroma = 1.3;
    look.steps = {stepOf(shifts), stepOf(contrastOf(1.2))};
    look.steps[1].guard.hueWidth = 40;
    auto found = subjectBound(look);
    ASSERT_EQ(found.size(), 2u);
    EXPECT_EQ(found[0].name, "celadon");
    EXPECT_EQ(found[1].what, SubjectBound::What::NarrowGuard);
    look.steps[0].perPicture.insert("families");
    look.steps[1].enabled = false;
    EXPECT_TRUE(subjectBound(look).empty());
}

}  // namespace
}  // namespace amber
