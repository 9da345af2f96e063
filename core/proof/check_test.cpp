// The checks: pictures made to have each fault and not to have it, and what is run again when something changes.
#include "core/image/write.h"
#include "core/proof/shoot_checker.h"
#include "tests/support/drawn_face.h"
#include "tests/support/made_faults.h"
#include "tests/support/temporary_folder.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

bool isFound(const FrameMeasured& measured, const std::string& check, const CheckUse& use)
{
    const std::vector<Finding> found = findingsOf(1, measured, use);
    return std::any_of(found.begin(), found.end(), [&](const Finding& f) { return f.kind->id == check; });
}

class EveryCheck : public ::testing::TestWithParam<const CheckKind*> {};

TEST_P(EveryCheck, FindsAFaultAndOnlyWhereThereIsOne)
{
    const std::string check = GetParam()->id;
    static std::map<std::pair<std::uint64_t, bool>, Image> scenes;
    const bool needsFace = check == "focus";
    const auto sceneOf = [&](std::uint64_t seed) {
        if (!needsFace)
            return paintedScene(seed);
        const Image face = drawnFace({600, 600}, {300, 300}, 300, 0.003);
        return withFaceOf(face, {0.3, 0.3, 0.7, 0.7}, paintedScene(seed, 1200, 800), seed);
    };
    constexpr int kScenes = 3;
    int found = 0, made = 0;
    for (std::uint64_t seed = 1; made < kScenes && seed < 40; ++seed) {
        if (scenes.count({seed, needsFace}) == 0)
            scenes[{seed, needsFace}] = sceneOf(seed);
        const Image& scene = scenes.at({seed, needsFace});
        const auto none = madeFault(check, 0, scene, seed), clear = madeFault(check, 2, scene, seed),
                   plain = madeFault(check, 3, scene, seed);
        if (!none || !clear || !plain)
            continue;
        ++made;
        EXPECT_FALSE(isFound(measuredOf(*none, check), check, checkUses()[0]))
            << "seed " << seed << ", just not a fault";
        EXPECT_FALSE(isFound(measuredOf(cleanPicture(scene), check), check, checkUses()[0]))
            << "seed " << seed << ", clean";
        const FrameMeasured plainly = measuredOf(*plain, check);
        EXPECT_TRUE(isFound(plainly, check, checkUses()[0])) << "seed " << seed << ", plainly a fault";
        found += isFound(measuredOf(*clear, check), check, checkUses()[0]) ? 1 : 0;
        for (const Measured& m : plainly.at(check)) {
            EXPECT_FALSE(m.words.empty());
            EXPECT_TRUE(m.place.left >= -0.05 && m.place.right <= 1.05 && m.place.left <= m.place.right);
        }
    }
    ASSERT_EQ(made, kScenes);
    EXPECT_GE(found, kScenes - 1) << "clearly a fault";
}

std::string nameOfCheck(const testing::TestParamInfo<const CheckKind*>& info)
{
    std::string name = info.param->id;
    std::erase(name, '-');
    return name;
}

INSTANTIATE_TEST_SUITE_P(All, EveryCheck, testing::ValuesIn(checkKinds().begin(), checkKinds().end()), nameOfCheck);

TEST(Focus, ABlurredEdgeIsMeasuredByItsDeviation)
{
    for (const double deviation : {1.0, 2.0, 4.0}) {
        Plane step(200, 120);
        for (int y = 0; y < step.height; ++y)
            for (int x = 0; x < step.width; ++x)
                step.row(y)[x] = x < 100 ? 0.3F : 0.7F;
        const Plane soft = gaussianMean(step, deviation), again = gaussianMean(soft, 1.2);
        EXPECT_NEAR(softnessOf(soft, again, {0.2, 0.2, 0.8, 0.8}), deviation, 0.15 * deviation);
    }
}

TEST(Standing, UprightsTellTheTurnOfTheFrame)
{
    Geometry geometry;
    for (const double degrees : {-4.0, -1.0, 2.0}) {
        Image scene = paintedScene(7);
        ASSERT_TRUE(measureStanding(scene.view()).uprightTilt);
        geometry.straightenDegrees = degrees;
        geometry.crop = inscribedCrop({}, geometry, 1.5, 0);
        const Standing standing = measureStanding(placed(std::move(scene), {}, geometry).view());
        ASSERT_TRUE(standing.uprightTilt) << degrees;
        EXPECT_NEAR(*standing.uprightTilt, degrees, 0.3);
    }
}

TEST(Checks, AUseOfOnesOwnHasItsOwnLimits)
{
    const auto clean = measuredOf(*madeFault("bare-paper", 0, paintedScene(3), 3));
    EXPECT_FALSE(isFound(clean, "bare-paper", checkUses()[0]));
    EXPECT_TRUE(isFound(clean, "bare-paper", checkUses()[1])) << "print shows no bare paper";
    CheckUse own{"catalogue", 0, {{"bare-paper", 0.5}}};
    EXPECT_TRUE(isFound(clean, "bare-paper", own));
    own.limits["bare-paper"] = 90;
    EXPECT_FALSE(isFound(clean, "bare-paper", own));
}

TEST(Checks, ReadAFrameOnceAndRunAgainOnlyWhatChanged)
{
    const TemporaryFolder folder;
    std::vector<ReadFrame> frames;
    for (int i = 0; i < 4; ++i) {
        ReadFrame frame;
        frame.frame = i + 1, frame.path = folder / ("f" + std::to_string(i) + ".png");
        frame.name = PictureName(std::to_string(i + 1)), frame.isLead = i == 0;
        ASSERT_TRUE(writePicture(frame.path, paintedScene(static_cast<std::uint64_t>(20 + i)).view(), {}, {}, {}));
        frames.push_back(frame);
    }
    frames[3].path = folder / "missing.png";
    ShootChecker checker;
    Look look = cleanPicture(paintedScene(1)).look;
    const auto first = checker.check(frames, {}, look);
    ASSERT_TRUE(first);
    EXPECT_EQ(checker.read(), 4);
    EXPECT_EQ(checker.measured(), 3);
    EXPECT_NE(first->frames[3].fault.find("missing.png"), std::string::npos);
    EXPECT_TRUE(first->frames[3].measured.empty());
    ASSERT_TRUE(checker.check(frames, {}, look));
    EXPECT_EQ(checker.read(), 1) << "the one that was not there";
    EXPECT_EQ(checker.measured(), 0);
    frames[1].balance.light.exposureStops = 0.2;
    ASSERT_TRUE(checker.check(frames, {}, look));
    EXPECT_EQ(checker.measured(), 1) << "whose light changed";
    look.steps[0].strength = 0.5;
    ASSERT_TRUE(checker.check(frames, {}, look));
    EXPECT_EQ(checker.measured(), 3);
    CancelToken cancel;
    cancel.cancel();
    EXPECT_FALSE(checker.check(frames, {}, look, {}, cancel));
}

class EveryCure : public ::testing::TestWithParam<const char*> {};

TEST_P(EveryCure, TakesItsFindingAwayOnACopyAndBreaksNothingElse)
{
    const std::string check = GetParam();
    const CheckUse& use = checkUses()[0];
    int cured = 0, asked = 0;
    for (std::uint64_t seed = 1; asked < 2 && seed < 30; ++seed) {
        const auto made = madeFault(check, 2, paintedScene(seed), seed);
        if (!made)
            continue;
        const std::vector<Finding> before = findingsOf(1, measuredOf(*made), use);
        const auto own =
            std::find_if(before.begin(), before.end(), [&](const Finding& f) { return f.kind->id == check; });
        if (own == before.end())
            continue;
        ++asked;
        std::vector<FrameToCure> beside;
        for (std::size_t i = 1; i <= made->beside.size(); ++i)
            beside.push_back(frameOf(*made, i));
        const CureTried tried = cureFor(*own, frameOf(*made), beside, made->look, made->keys, use);
        if (!tried.cure) {
            EXPECT_FALSE(tried.why.empty());
            continue;
        }
        ++cured;
        EXPECT_FALSE(tried.cure->words.empty());
        EXPECT_GT(tried.cure->before, own->limit);
        EXPECT_LE(tried.cure->after, own->limit);
        CheckedPicture treated = *made;
        treated.balance = tried.cure->treatment.balance, treated.look = tried.cure->treatment.look;
        for (const Finding& after : findingsOf(1, measuredOf(treated), use)) {
            EXPECT_FALSE(after.kind == own->kind && after.measured.part == own->measured.part) << seed;
            EXPECT_TRUE(std::any_of(before.begin(), before.end(), [&](const Finding& b) {
                return b.kind == after.kind && b.measured.part == after.measured.part;
            })) << after.measured.words;
        }
    }
    ASSERT_EQ(asked, 2);
    EXPECT_GE(cured, 1);
}

INSTANTIATE_TEST_SUITE_P(Some, EveryCure,
                         testing::Values("runaway-chroma", "torn-hues", "bare-paper", "tilt", "noise", "skin",
                                         "contrast-price", "separation", "doubled-sharpening", "casts", "banding",
                                         "off-plan", "brightness", "consistency", "same-person", "same-backdrop"),
                         [](const auto& info) {
                             std::string name = info.param;
                             std::erase(name, '-');
                             return name;
                         });

TEST(Accepted, AFindingStandsUntilItGetsWorse)
{
    const Finding finding{7, checkKind("noise"), {4.5, {}, "grain", "sky", -1, {}}, 4};
    Acceptances all;
    EXPECT_EQ(acceptanceOf(finding, "screen", all), nullptr);
    all[idOf(finding, "screen")] = {4.5, "as film"};
    ASSERT_NE(acceptanceOf(finding, "screen", all), nullptr);
    EXPECT_EQ(acceptanceOf(finding, "screen", all)->reason, "as film");
    EXPECT_EQ(acceptanceOf(finding, "print", all), nullptr) << "for one use only";
    Finding worse = finding;
    worse.measured.value = 4.9;
    EXPECT_NE(acceptanceOf(worse, "screen", all), nullptr) << "within a tenth";
    worse.measured.value = 5;
    EXPECT_EQ(acceptanceOf(worse, "screen", all), nullptr);
    Finding other = finding;
    other.measured.part = "wall";
    EXPECT_EQ(acceptanceOf(other, "screen", all), nullptr);
}

TEST(Cure, SaysWhyThereIsNone)
{
    const auto mixed = madeFault("mixed-light", 3, paintedScene(2), 2);
    ASSERT_TRUE(mixed);
    Finding finding{1, checkKind("mixed-light"), {30, {}, "a part", {}, -1, {}}, 8};
    const CureTried tried = cureFor(finding, frameOf(*mixed), {frameOf(*mixed, 1)}, mixed->look, {}, checkUses()[0]);
    EXPECT_FALSE(tried.cure);
    EXPECT_NE(tried.why.find("area"), std::string::npos);
}

}  // namespace
}  // namespace amber::test
