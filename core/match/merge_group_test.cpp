// The steps of a match put into a look: for all pictures, or for one alone.
#include "core/look/scope.h"
#include "core/match/merge_group.h"

#include <cmath>
#include <gtest/gtest.h>

namespace amber {
namespace {

ToneCurve lifted(double y)
{
    ToneCurve curve;
    curve.all = {{0, 0}, {0.5, y}, {1, 1}};
    return curve;
}

Step stepOf(const StepParameters& parameters, const std::string& group = {})
{
    Step step;
    step.parameters = parameters;
    step.group = group;
    return step;
}

double middleOf(const Look& look, std::size_t step)
{
    const auto& points = std::get<ToneCurve>(look.steps.at(step).parameters).all;
    return points.size() == 3 ? points[1].y : 0.5;
}

TEST(MergeGroup, TakesTheGroupsStepsAndLeavesTheOthersWithWhatTheyHold)
{
    Look look;
    look.steps = {stepOf(Chroma{}), stepOf(lifted(0.5), "orchard")};
    look.steps[0].perPicture = {"even"};
    look.steps[0] = edited(look.steps[0], "7", [] {
        Chroma own;
        own.even = 0.4;
        return own;
    }());
    Look taken = lookFor(look, "3");
    taken.steps[1].parameters = lifted(0.6);
    taken.reference.emplace();
    taken.reference->name = "orchard.jpg";
    const Look merged = mergedGroup(look, taken, "orchard", {});
    ASSERT_EQ(merged.steps.size(), 2u);
    EXPECT_EQ(merged.steps[0], look.steps[0]) << "frame 7 keeps its own value";
    EXPECT_EQ(middleOf(merged, 1), 0.6);
    EXPECT_EQ(merged.reference->name, "orchard.jpg");
}

TEST(MergeGroup, ForOnePictureAloneDoesNothingToTheOthers)
{
    Look look;
    look.steps = {stepOf(Chroma{})};
    Look taken = look;
    taken.steps.push_back(stepOf(lifted(0.62), "to 3"));
    SplitToning tint;
    tint.dyes = {{0.2, 30, 0.03, 0.5, {}}};
    taken.steps.push_back(stepOf(tint, "to 3"));
    const Look merged = mergedGroup(look, taken, "to 3", "5");
    ASSERT_EQ(merged.steps.size(), 3u);
    EXPECT_EQ(middleOf(lookFor(merged, "5"), 1), 0.62);
    EXPECT_EQ(middleOf(lookFor(merged, "6"), 1), 0.5);
    EXPECT_EQ(std::get<SplitToning>(lookFor(merged, "6").steps[2].parameters).dyes[0].chroma, 0);
    EXPECT_EQ(std::get<SplitToning>(lookFor(merged, "5").steps[2].parameters).dyes[0].chroma, 0.03);
    // Taken again for another picture: both hold their own.
    Look again = lookFor(merged, "6");
    again.steps[1].parameters = lifted(0.4);
    const Look both = mergedGroup(merged, again, "to 3", "6");
    EXPECT_EQ(middleOf(lookFor(both, "5"), 1), 0.62);
    EXPECT_EQ(middleOf(lookFor(both, "6"), 1), 0.4);
}

TEST(MergeGroup, OfOtherKindsOfStepsEachPictureHasItsOwn)
{
    // Frame 5 was matched row by row, frame 6 by what both pictures show: other kinds, and another kind of curve.
    Look taken;
    ToneCurve light = lifted(0.62);
    light.mode = ToneCurve::Mode::LightnessOnly;
    SplitToning tint;
    tint.dyes = {{0.2, 30, 0.03, 0.5, {}}};
    taken.steps = {stepOf(light, "to 3"), stepOf(tint, "to 3")};
    const Look first = mergedGroup({}, taken, "to 3", "5");
    ToneCurve channels = lifted(0.4);
    channels.red = {{0, 0.1}, {1, 1}};
    Primaries primaries;
    primaries.redTurn = 7;
    Chroma chroma;
    chroma.even = 0.8;
    Look other = lookFor(first, "6");
    other.steps = {stepOf(channels, "to 3"), stepOf(primaries, "to 3"), stepOf(chroma, "to 3")};
    const Look both = mergedGroup(first, other, "to 3", "6");
    ASSERT_EQ(both.steps.size(), 4u);
    const LinearRgb colour{0.3, 0.2, 0.1};
    const auto as = [&](const Look& look) { return evaluate(look, colour); };
    const auto same = [](const LinearRgb& a, const LinearRgb& b) {
        return std::abs(a.r - b.r) + std::abs(a.g - b.g) + std::abs(a.b - b.b) < 1e-6;
    };
    EXPECT_TRUE(same(as(lookFor(both, "5")), as(taken)));
    EXPECT_TRUE(same(as(lookFor(both, "6")), as(other)));
    EXPECT_TRUE(same(as(lookFor(both, "7")), colour)) << "no third";
}

TEST(MergeGroup, ASetHoldsWhatItsPicturesHaveAndOnePictureCanStayAsItWas)
{
    Look taken;
    taken.steps = {stepOf(lifted(0.62), "to 3")};
    Look look = mergedGroup({}, taken, "to 3", {});
    look.steps[0] = withHeld(look.steps[0], "8", "all", valueOf(stepOf(lifted(0.3)), "all"));
    const Look before = look;
    Look solved = look;
    solved.steps[0].parameters = lifted(0.45), solved.steps[0].held.clear();
    SplitToning tint;
    tint.dyes = {{0.2, 30, 0.03, 0.5, {}}};
    solved.steps.push_back(stepOf(tint, "to 3"));
    look = mergedGroup(look, solved, "to 3", holderOfSet("yard"));
    const PictureName inHand("5", {"yard"}), other("6", {"yard"}), own("8", {"yard"});
    EXPECT_TRUE(look.steps[0].perPicture.empty()) << "later edits are not each picture's own";
    EXPECT_EQ(middleOf(lookFor(look, other), 0), 0.45);
    EXPECT_EQ(middleOf(lookFor(look, "7"), 0), 0.62) << "of another light";
    EXPECT_EQ(middleOf(lookFor(look, own), 0), 0.3) << "the nearest counts";
    EXPECT_EQ(middleOf(lookFor(withoutOwnOfGroup(look, "to 3", "8"), own), 0), 0.45);
    look = withGroupKept(look, before, "to 3", inHand);
    EXPECT_EQ(middleOf(lookFor(look, inHand), 0), 0.62);
    EXPECT_EQ(middleOf(lookFor(look, other), 0), 0.45);
    const auto chromaOf = [&](const PictureName& picture) {
        return std::get<SplitToning>(lookFor(look, picture).steps[1].parameters).dyes[0].chroma;
    };
    EXPECT_EQ(chromaOf(inHand), 0);
    EXPECT_EQ(chromaOf(other), 0.03);
    EXPECT_EQ(chromaOf("7"), 0);
}

}  // namespace
}  // namespace amber
