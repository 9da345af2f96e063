// Two frames that show one thing: laid over each other, their colours compared, their light told apart.
#include "core/balance/depth_flow.h"
#include "core/match/least_squares.h"
#include "core/match/relation.h"

#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace amber {
namespace {

constexpr int kWidth = 420, kHeight = 280;

/// Blobs of many sizes and colours, that features can hold on to; `left` moves the view.
Image scene(double left, double stops = 0, unsigned seed = 3)
{
    struct Blob {
        double x, y, radius;
        float colour[3];
    };
    std::mt19937 engine(seed);
    std::uniform_real_distribution<double> share(0, 1);
    std::vector<Blob> blobs;
    for (int i = 0; i < 150; ++i)
        blobs.push_back(
            {1.5 * share(engine),
             share(engine),
             0.012 + 0.05 * share(engine) * share(engine),
             {static_cast<float>(0.05 + 0.35 * share(engine)), static_cast<float>(0.05 + 0.35 * share(engine)),
              static_cast<float>(0.05 + 0.35 * share(engine))}});
    Image image(kWidth, kHeight);
    const auto gain = static_cast<float>(std::exp2(stops));
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            float* p = image.mutableView().row(y) + 3 * x;
            std::fill_n(p, 3, 0.12f);
            const double u = static_cast<double>(x) / kHeight + left, v = static_cast<double>(y) / kHeight;
            for (const Blob& b : blobs)
                if (std::hypot(u - b.x, v - b.y) < b.radius)
                    std::copy_n(b.colour, 3, p);
            for (int k = 0; k < 3; ++k)
                p[k] *= gain;
        }
    return image;
}

TEST(Registration, FindsHowFarTheViewMoved)
{
    constexpr double kMoved = 0.1;  // of the height
    const Image from = scene(0), to = scene(kMoved);
    const auto found = registerFeatures(featuresOf(from.view()), featuresOf(to.view()));
    ASSERT_TRUE(found);
    EXPECT_GT(found->matches, 30);
    constexpr double kPixel = 1.5 / kWidth;
    for (const double x : {0.3, 0.6, 0.9}) {
        const auto at = found->map({x, 0.5});
        EXPECT_NEAR(at.x, x - kMoved * kHeight / kWidth, kPixel);
        EXPECT_NEAR(at.y, 0.5, kPixel);
    }
}

TEST(Registration, OtherThingsAndFlatPicturesAreNotLaidOverEachOther)
{
    const Image from = scene(0), other = scene(0, 0, 99), flat(kWidth, kHeight);
    EXPECT_FALSE(registerFeatures(featuresOf(from.view()), featuresOf(other.view())));
    EXPECT_FALSE(registerFeatures(featuresOf(flat.view()), featuresOf(flat.view())));
    EXPECT_FALSE(registerFeatures(featuresOf(from.view()), {}));
}

TEST(Registration, ColoursSeenTwiceAreThoseOfTheSameThings)
{
    const Image from = scene(0), to = scene(0.1, -1);
    const auto found = registerFeatures(featuresOf(from.view()), featuresOf(to.view()));
    ASSERT_TRUE(found);
    const SeenTwice seen = coloursSeenTwice(from.view(), to.view(), *found);
    ASSERT_GT(seen.from.size(), 60u);
    ASSERT_EQ(seen.from.size(), seen.to.size());
    ASSERT_EQ(seen.from.size(), seen.places.size());
    std::size_t halved = 0;
    for (std::size_t i = 0; i < seen.from.size(); ++i)
        halved += std::abs(seen.from[i].g / seen.to[i].g - 2) < 0.1;
    EXPECT_GT(static_cast<double>(halved), 0.9 * static_cast<double>(seen.from.size()));
}

/// A round thing before a wall; the nearer moves more when the view does.
Image beforeAWall(double wall, double thing)
{
    constexpr double kRadius = 0.3;
    Image picture = scene(wall, 0, 3);
    const Image near = scene(thing, 0, 5);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x)
            if (std::hypot(static_cast<double>(x) / kHeight - 0.75 + thing, static_cast<double>(y) / kHeight - 0.5) <
                kRadius)
                std::copy_n(near.view().row(y) + 3 * x, 3, picture.mutableView().row(y) + 3 * x);
    return picture;
}

TEST(DepthFlow, FollowsThingsThatAreNotInOnePlaneUnderATreatment)
{
    constexpr double kWall = 0.03, kThing = 0.09;
    const Image from = beforeAWall(0, 0);
    Image to = beforeAWall(kWall, kThing);
    for (int i = 0; i < 3 * kWidth * kHeight; ++i)
        to.mutableView().data[i] = 0.02f + 0.8f * std::pow(to.view().data[i], i % 3 == 2 ? 1.2f : 0.8f);
    const auto plane = registerFeatures(featuresOf(from.view()), featuresOf(to.view()));
    ASSERT_TRUE(plane);
    const DepthFlow flow(from.view(), to.view(), *plane);
    int told = 0, right = 0, asked = 0;
    for (int y = 20; y < kHeight - 20; y += 6)
        for (int x = 40; x < kWidth - 20; x += 6) {
            const double far =
                std::hypot(static_cast<double>(x) / kHeight - 0.75, static_cast<double>(y) / kHeight - 0.5);
            if (std::abs(far - 0.3) < 0.1)  // the wall is hidden there in one of them
                continue;
            ++asked;
            const auto at = flow.map({(x + 0.5) / kWidth, (y + 0.5) / kHeight});
            if (!at)
                continue;
            const double moved = far < 0.3 ? kThing : kWall;
            ++told, right += std::hypot(at->x * kWidth - (x + 0.5 - moved * kHeight), at->y * kHeight - (y + 0.5)) < 2;
        }
    EXPECT_GT(told, 0.4 * asked) << "flat things have nothing to follow";
    EXPECT_GT(right, 0.93 * told);
    EXPECT_FALSE(flow.map({-0.2, 0.5})) << "not in the other view";
    // Too small to be followed: the plane alone counts.
    const Image dot(3, 3);
    EXPECT_TRUE(DepthFlow(dot.view(), dot.view(), {}).map({0.5, 0.5}));
}

TEST(Registration, LaidOverCoversWhatIsSeenAndLeavesTheRest)
{
    const Image from = scene(0), to = scene(0.1);
    const auto found = registerFeatures(featuresOf(from.view()), featuresOf(to.view()));
    ASSERT_TRUE(found);
    const Image laid = laidOver(from.view(), *found, kWidth, kHeight);
    // What came in on the right was never in the first picture.
    EXPECT_TRUE(std::isnan(laid.view().row(kHeight / 2)[3 * (kWidth - 3)]));
    double sum = 0;
    int n = 0;
    for (int y = 20; y < kHeight - 20; ++y)
        for (int x = 20; x < kWidth - 60; ++x, ++n)
            sum += std::abs(laid.view().row(y)[3 * x + 1] - to.view().row(y)[3 * x + 1]);
    constexpr double kEdges = 0.01;  // blobs have hard edges, which half a pixel blurs
    EXPECT_LT(sum / n, kEdges);
}

SeenFrame seen(const Image& picture)
{
    SeenFrame frame;
    frame.untouched = picture.view();
    return frame;
}

TEST(Relation, OfTwoFramesOfAJobGivesTheLightThatBringsOursOntoTheOther)
{
    const Image held = scene(0), ours = scene(0.08, -0.8);
    const Relation relation = relationOf(ours.view(), featuresOf(held.view()), {seen(held), seen(ours)});
    ASSERT_TRUE(relation.registration);
    ASSERT_TRUE(relation.solved);
    constexpr double kClose = 0.05;  // stops
    EXPECT_NEAR(relation.solved->balance.exposureStops, 0.8, kClose);
    EXPECT_EQ(relation.solved->ground, Ground::SameThings);
}

TEST(Relation, ToAPictureOfNoFrameThereIsOnlyWhereTheThingsLie)
{
    const Image held = scene(0), ours = scene(0.08);
    const Relation relation = relationOf(ours.view(), featuresOf(held.view()), {});
    EXPECT_TRUE(relation.registration);
    EXPECT_FALSE(relation.solved);
}

TEST(Relation, GivenUpItFindsNoLight)
{
    const Image held = scene(0), ours = scene(0.08);
    CancelToken cancel;
    cancel.cancel();
    EXPECT_FALSE(relationOf(ours.view(), featuresOf(held.view()), {seen(held), seen(ours)}, cancel).solved);
}

// H. Rosenbrock, The Computer Journal 3(3), 1960: a curved valley; its minimum is at (1, 1).
TEST(LeastSquares, FindsTheEndOfACurvedValley)
{
    LeastSquares problem;
    problem.iterations = 200, problem.step = 1e-6;
    problem.residuals = [](const std::vector<double>& x) {
        return std::vector<double>{10 * (x[1] - x[0] * x[0]), 1 - x[0]};
    };
    std::vector<double> x{-1.2, 1};
    solveLeastSquares(problem, x);
    EXPECT_NEAR(x[0], 1, 0.01);
    EXPECT_NEAR(x[1], 1, 0.02);
}

TEST(LeastSquares, NothingToMoveAndGivenUpLeaveThingsAsTheyAre)
{
    LeastSquares problem;
    problem.residuals = [](const std::vector<double>& x) { return std::vector<double>{x.empty() ? 0 : x[0] - 5}; };
    std::vector<double> none;
    solveLeastSquares(problem, none);
    EXPECT_TRUE(none.empty());
    CancelToken cancel;
    cancel.cancel();
    std::vector<double> x{1};
    solveLeastSquares(problem, x, cancel);
    EXPECT_EQ(x[0], 1);
}

}  // namespace
}  // namespace amber
