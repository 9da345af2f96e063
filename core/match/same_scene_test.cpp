// References that show our scene from another side, under treatments by mathematics that is not ours: what both show
// decides.
#include "core/base/parallel.h"
#include "core/image/read.h"
#include "core/match/relation.h"
#include "core/match/same_scene.h"
#include "tests/support/independent_treatments.h"
#include "tests/support/landed_look.h"
#include "tests/support/wide.h"

#include <cmath>
#include <gtest/gtest.h>
#include <mutex>

namespace amber {
namespace {

namespace fs = std::filesystem;
using test::apart;
using test::through;

Image frame(const std::string& name)
{
    const fs::path path = fs::path(AMBER_SOURCE_DIR) / "demo/frames" / (name + ".jpg");
    return std::move(readReduced(path, 900, false)->image);
}

/// Nearer, turned a little, and from the right: as another place in the room would show a flat thing.
Image fromTheSide(const Image& picture)
{
    constexpr double kNearer = 1.45, kTurn = 0.06, kAside = 0.08;
    Registration view;
    const double c = kNearer * std::cos(kTurn), s = kNearer * std::sin(kTurn),
                 high = static_cast<double>(picture.height()) / picture.width();
    // The middle stays where it is.
    view.m = {c, -s, 0.5 - 0.5 * c + 0.5 * high * s, s, c, 0.5 * high - 0.5 * s - 0.5 * high * c, kAside, 0, 1};
    view.fromRatio = view.toRatio = 1 / high;
    return laidOver(picture.view(), view, picture.width(), picture.height());
}

struct Case {
    Image ours, theirs;
    bool inOneLight = true;
};

/// Two views of one scene: of the demo's room by its own camera, whose frames were not taken in one light; of others by
/// a homography.
std::vector<Case> views()
{
    std::vector<Case> all;
    all.push_back({frame("north-window-02"), frame("north-window-03"), false});
    all.push_back({frame("north-window-11"), frame("north-window-12"), false});
    all.push_back({frame("yard-04"), fromTheSide(frame("yard-04"))});
    all.push_back({frame("lamp-shelf-02"), fromTheSide(frame("lamp-shelf-02"))});
    for (const char* name : {"BytheWater", "EveningGlow", "FallenLeaf", "OneStandsOut"}) {
        const fs::path path = fs::path("/usr/share/wallpapers") / name / "contents/images/2560x1600.jpg";
        if (!fs::exists(path))
            continue;
        Image picture = std::move(readReduced(path, 900, false)->image);
        Image side = fromTheSide(picture);
        all.push_back({std::move(picture), std::move(side)});
    }
    return all;
}

std::optional<Registration> registered(const Image& ours, const Image& reference)
{
    return relationOf(ours.view(), featuresOf(reference.view()), {}).registration;
}

Result<TakenScene> taken(const Look& look, const Case& views, const Image& reference, const Registration& lies)
{
    std::vector<Image> small;
    small.push_back(forMatching(views.ours.view()));
    return takeScene(look, {{views.ours.view(), reference.view(), lies}}, small,
                     fingerprintOf(reference.view(), "side", 3000, 100), "side");
}

TEST(SameScene, WhatBothShowDecidesAlsoFromAnotherSide)
{
    const std::vector<Case> all = views();
    constexpr std::size_t kFamilies = std::size(test::kIndependentFamilies);
    const std::size_t seeds = test::wideOr<std::size_t>(3, 1);
    std::mutex mutex;
    double sumBefore = 0, sumAfter = 0, worst = 0;
    inParallel(kFamilies * seeds, [&](std::size_t i) {
        const auto treatment = test::independentTreatment(i / seeds, 1 + i % seeds);
        const Case& one = all[i % all.size()];
        const Image reference = test::treated(one.theirs, treatment), wanted = test::treated(one.ours, treatment);
        const auto lies = registered(one.ours, reference);
        const std::lock_guard lock(mutex);
        ASSERT_TRUE(lies) << i;
        const auto scene = taken({}, one, reference, *lies);
        ASSERT_TRUE(scene) << i << ": " << scene.error().message();
        EXPECT_LE(scene->left.mean, 0.4 * scene->untouched.mean);
        // What the treatment would make of ours is not to be told where the reference's own light was another.
        if (!one.inOneLight)
            return;
        const double before = apart(one.ours, wanted), after = apart(through(scene->taken.look, one.ours), wanted);
        std::printf("  %-15s %zu, views %zu: %5.2f -> %4.2f (%.2f), %d colours, left %.2f\n",
                    test::kIndependentFamilies[i / seeds], 1 + i % seeds, i % all.size(), before, after, after / before,
                    scene->colours, scene->left.mean);
        sumBefore += before, sumAfter += after, worst = std::max(worst, after / before);
    });
    std::printf("all: %.3f of before, worst %.2f\n", sumAfter / sumBefore, worst);
    EXPECT_LE(sumAfter, 0.15 * sumBefore);
    EXPECT_LE(worst, 0.3);
}

TEST(SameScene, DarkenedCornersOfTheReferenceBecomeAStepAndDoNotBendTheColours)
{
    const std::vector<Case> all = views();
    for (const std::size_t which : {std::size_t{2}, std::size_t{3}}) {
        const Case& one = all[which];
        const auto treatment = test::independentTreatment(which, 1);
        Look corners;
        EdgeDarkening edges;
        edges.net = -1.3, edges.begin = 0.15, edges.protectDarks = 0;
        corners.steps.emplace_back();
        corners.steps.back().parameters = edges;
        const Image reference = through(corners, test::treated(one.theirs, treatment)),
                    wanted = test::treated(one.ours, treatment);
        const auto lies = registered(one.ours, reference);
        ASSERT_TRUE(lies);
        const auto scene = taken({}, one, reference, *lies);
        ASSERT_TRUE(scene) << scene.error().message();
        Look colours = scene->taken.look;
        double stops = 0;
        std::erase_if(colours.steps, [&](const Step& step) {
            const auto* found = std::get_if<EdgeDarkening>(&step.parameters);
            stops += found ? found->net : 0;
            return found != nullptr;
        });
        EXPECT_NEAR(stops, -1.3, 0.7);
        const double before = apart(one.ours, wanted), after = apart(through(colours, one.ours), wanted);
        std::printf("  corners %.2f stops; colours %.2f -> %.2f\n", stops, before, after);
        EXPECT_LE(after, 0.45 * before);
    }
}

TEST(SameScene, TheStepsOfTheMatchTakeTheirPlaceInALookAndAreReplacedWhenTakenAgain)
{
    const Case one{frame("north-window-02"), frame("north-window-03"), false};
    const Image reference = test::treated(one.theirs, test::independentTreatment(1, 2));
    const auto lies = registered(one.ours, reference);
    ASSERT_TRUE(lies);
    Look look;
    Step warm, sharp;
    warm.parameters = Warmth{};
    std::get<Warmth>(warm.parameters).warmth = 20;
    sharp.parameters = OutputSharpening{};
    look.steps = {warm, sharp};
    const auto first = taken(look, one, reference, *lies);
    ASSERT_TRUE(first) << first.error().message();
    const Look& found = first->taken.look;
    ASSERT_GT(found.steps.size(), 3u);
    EXPECT_EQ(found.steps.front(), warm);
    EXPECT_EQ(found.steps.back(), sharp) << "what belongs to the paper stays last";
    for (std::size_t i = 1; i + 1 < found.steps.size(); ++i)
        EXPECT_EQ(found.steps[i].group, "side");
    EXPECT_LT(first->left.mean, 0.4 * first->untouched.mean);
    EXPECT_LT(first->taken.after.distance(), 0.4 * first->taken.before.distance())
        << "every row compares the same things";
    Look edited = found;
    std::erase_if(edited.steps, [](const Step& s) { return std::holds_alternative<ToneCurve>(s.parameters); });
    const auto again = taken(edited, one, reference, *lies);
    ASSERT_TRUE(again);
    EXPECT_EQ(again->taken.look, found) << "of what was done to the group by hand nothing is left";
    CancelToken cancel;
    cancel.cancel();
    EXPECT_FALSE(takeScene(look, {{one.ours.view(), reference.view(), *lies}}, {}, {}, "side", cancel));
}

}  // namespace
}  // namespace amber
