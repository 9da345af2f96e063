// Means, ranges and samples of lightness; a look written as a table.
#include "core/engine/bake.h"
#include "core/engine/plane.h"
#include "tests/support/temporary_folder.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <numeric>
#include <random>

namespace amber {
namespace {

Plane noisePlane(int width, int height, unsigned seed)
{
    Plane plane(width, height);
    std::mt19937 engine(seed);
    std::uniform_real_distribution<float> value(0, 1);
    for (float& v : plane.values)
        v = value(engine);
    return plane;
}

float valueAt(const Plane& plane, int x, int y) { return plane.row(y)[x]; }

/// The pixels round one that lie in the plane.
std::vector<float> around(const Plane& plane, int x, int y, int radius)
{
    std::vector<float> all;
    for (int v = std::max(0, y - radius); v <= std::min(plane.height - 1, y + radius); ++v)
        for (int u = std::max(0, x - radius); u <= std::min(plane.width - 1, x + radius); ++u)
            all.push_back(valueAt(plane, u, v));
    return all;
}

TEST(Plane, BoxMeanIsTheMeanOfWhatIsThere)
{
    const Plane plane = noisePlane(23, 17, 1);
    for (const int radius : {1, 3, 30}) {
        const Plane mean = boxMean(plane, radius);
        for (int y = 0; y < plane.height; ++y)
            for (int x = 0; x < plane.width; ++x) {
                const auto all = around(plane, x, y, radius);
                const double wanted = std::accumulate(all.begin(), all.end(), 0.0) / static_cast<double>(all.size());
                EXPECT_NEAR(valueAt(mean, x, y), wanted, 1e-5);
            }
    }
}

TEST(Plane, LocalExtremesAreTheLeastAndTheLargestRound)
{
    const Plane plane = noisePlane(19, 14, 2);
    for (const int radius : {1, 4}) {
        const Plane low = localExtreme(plane, radius, false), high = localExtreme(plane, radius, true);
        for (int y = 0; y < plane.height; ++y)
            for (int x = 0; x < plane.width; ++x) {
                const auto all = around(plane, x, y, radius);
                EXPECT_EQ(valueAt(low, x, y), *std::min_element(all.begin(), all.end()));
                EXPECT_EQ(valueAt(high, x, y), *std::max_element(all.begin(), all.end()));
            }
    }
}

TEST(Plane, AGaussianMeanSpreadsAPointEvenlyAndLosesNothing)
{
    Plane point(61, 61);
    point.row(30)[30] = 1;
    constexpr double kDeviation = 4;
    const Plane mean = gaussianMean(point, kDeviation);
    EXPECT_NEAR(std::accumulate(mean.values.begin(), mean.values.end(), 0.0), 1, 1e-4);
    EXPECT_NEAR(valueAt(mean, 30 + 5, 30), valueAt(mean, 30, 30 - 5), 1e-6);
    // exp(-r^2 / 2 s^2) against the middle.
    EXPECT_NEAR(valueAt(mean, 34, 30) / valueAt(mean, 30, 30), std::exp(-0.5), 0.01);
}

TEST(Plane, AFlatPlaneStaysFlatThroughEveryMean)
{
    Plane flat(31, 22);
    std::fill(flat.values.begin(), flat.values.end(), 0.37f);
    for (const Plane& plane : {boxMean(flat, 5), gaussianMean(flat, 3)})
        for (const float v : plane.values)
            EXPECT_NEAR(v, 0.37, 1e-5);
}

TEST(Plane, AGuidedMeanKeepsAnEdgeOfItsGuideAndSmoothsWhatLiesBeside)
{
    Plane step(60, 40);
    std::mt19937 engine(3);
    std::normal_distribution<float> noise(0, 0.01f);
    for (int y = 0; y < 40; ++y)
        for (int x = 0; x < 60; ++x)
            step.row(y)[x] = (x < 30 ? 0.2f : 0.8f) + noise(engine);
    const GuidedMean mean = guidedMean(step, step, 6, 0.002);
    const auto at = [&](int x, int y) { return valueAt(mean.a, x, y) * valueAt(step, x, y) + valueAt(mean.b, x, y); };
    EXPECT_NEAR(at(27, 20), 0.2, 0.05);
    EXPECT_NEAR(at(32, 20), 0.8, 0.05);
    double before = 0, after = 0;
    for (int y = 10; y < 30; ++y)
        before += std::pow(valueAt(step, 8, y) - 0.2, 2), after += std::pow(at(8, y) - 0.2, 2);
    EXPECT_LT(after, before / 4);
}

TEST(Plane, SamplesOfASmallerPlaneLieBetweenItsPixels)
{
    Plane small(4, 3);
    for (int y = 0; y < 3; ++y)
        for (int x = 0; x < 4; ++x)
            small.row(y)[x] = static_cast<float>(x) + 10 * static_cast<float>(y);
    constexpr int kTimes = 10;
    std::vector<float> row(4 * kTimes);
    sampleRow(small, {0, 15, 4 * kTimes, 3 * kTimes}, 4 * kTimes, row.data());
    EXPECT_TRUE(std::is_sorted(row.begin(), row.end()));
    // Pixel 14 of 40 lies at 14.5 / 10 - 0.5 = 0.95 of the small one; row 15 of 30 at 1.05.
    EXPECT_NEAR(row[14], 0.95 + 10.5, 1e-4);
    EXPECT_FLOAT_EQ(sampleAt(small, {14, 15, 4 * kTimes, 3 * kTimes}), row[14]);
}

TEST(Plane, LightnessIsThatOfOklab)
{
    Image picture(5, 1);
    const float greys[] = {0, 0.02f, 0.18f, 0.5f, 1};
    for (int x = 0; x < 5; ++x)
        std::fill_n(picture.mutableView().data + 3 * x, 3, greys[x]);
    const Plane plane = lightnessOf(picture.view());
    for (int x = 0; x < 5; ++x)
        EXPECT_NEAR(plane.values[static_cast<std::size_t>(x)], std::cbrt(greys[x]), 1e-4);
}

Look someLook()
{
    Look look;
    look.name = "Under test";
    Step curve, grain;
    ToneCurve tone;
    tone.all = {{0, 0.03}, {0.5, 0.55}, {1, 0.98}};
    curve.parameters = tone;
    Grain film;
    film.amount = 0.03;
    grain.parameters = film;
    look.steps = {curve, grain};
    return look;
}

TEST(LookTable, CarriesPointwiseStepsAndNamesTheRest)
{
    EXPECT_EQ(pointwisePart(someLook()).steps.size(), 1u);
    const test::TemporaryFolder folder;
    for (const auto& [name, edge] :
         {std::pair("look.cube", 33), std::pair("look.clf", 17), std::pair("look.png", 16)}) {
        const auto format = tableFormatFromEnding(name);
        ASSERT_TRUE(format);
        const auto travel = writeLookTable(someLook(), folder / name, *format, edge);
        ASSERT_TRUE(travel) << travel.error().message();
        EXPECT_EQ(travel->carried.size(), 1u);
        EXPECT_EQ(travel->left.size(), 1u);
        EXPECT_LT(travel->lattice.mean, 0.5) << name;
        EXPECT_EQ(travel->ownCount, 0u);
        const auto read = readTableFile(folder / name);
        ASSERT_TRUE(read) << name;
        EXPECT_EQ(read->format, *format);
        const std::string words = describe(*travel);
        EXPECT_NE(words.find(travel->left.front()), std::string::npos) << words;
    }
}

TEST(LookTable, IsMeasuredOnTheShootsOwnColours)
{
    const test::TemporaryFolder folder;
    std::vector<LinearRgb> own;
    for (int i = 0; i < 50; ++i)
        own.push_back({0.01 * i, 0.4 - 0.005 * i, 0.1});
    const auto travel = writeLookTable(someLook(), folder / "look.cdl", TableFormat::Cdl, 33, RgbSpace::Srgb, own);
    ASSERT_TRUE(travel);
    EXPECT_EQ(travel->ownCount, own.size());
    const auto fine = writeLookTable(someLook(), folder / "fine.cube", TableFormat::Cube, 65, RgbSpace::Srgb, own);
    ASSERT_TRUE(fine);
    EXPECT_LT(fine->own.mean, travel->own.mean) << "nine numbers say less than a lattice";
}

TEST(LookTable, WhatCannotBeWrittenIsSaid)
{
    const auto travel = writeLookTable(someLook(), "/nowhere/at/all.cube", TableFormat::Cube, 9);
    ASSERT_FALSE(travel);
    EXPECT_NE(travel.error().message().find("all.cube"), std::string::npos) << travel.error().message();
    EXPECT_FALSE(tableFormatFromEnding("look.txt"));
}

}  // namespace
}  // namespace amber
