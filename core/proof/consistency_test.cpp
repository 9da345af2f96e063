// Whether a shoot holds together: what is within tolerance, what stands out and why, as a table and as CSV.
#include "core/colour/difference.h"
#include "core/frame/balance.h"
#include "core/proof/consistency.h"

#include <cmath>
#include <gtest/gtest.h>

namespace amber {
namespace {

TEST(Consistency, ItsCsvHasCommasBetweenFieldsAndPointsInNumbersInEveryLocale)
{
    KeyColour key;
    key.name = "glaze, \"celadon\"";
    ConsistencyTable table;
    ConsistencyCell cell;
    cell.isMeasured = true, cell.before = 12.346, cell.after = 0.5, cell.toTarget = 1.25;
    table.rows = {{cell, cell, ConsistencyCell{}}};
    const std::string csv = consistencyCsv(table, {key}, {"north, 04.jpg"});
    const std::string row = csv.substr(csv.find('\n') + 1);
    EXPECT_EQ(row, "\"north, 04.jpg\",12.35,0.50,1.25,0.50,\n");
    EXPECT_EQ(csv.rfind("frame,\"glaze, \"\"celadon\"\", before, dE00 to lead\",", 0), 0u) << csv;
}

/// Clay, glaze and cloth as they look on the lead.
const std::vector<LinearRgb> kThings{{0.30, 0.14, 0.07}, {0.08, 0.20, 0.14}, {0.35, 0.33, 0.30}, {0.06, 0.08, 0.22}};

std::vector<KeyColour> keys()
{
    std::vector<KeyColour> all(kThings.size());
    for (std::size_t k = 0; k < all.size(); ++k)
        all[k].name = "thing " + std::to_string(k), all[k].tolerance = 2;
    return all;
}

/// A frame whose light is `off` what the lead's is; the look does nothing.
FrameReading reading(std::int64_t frame, const Balance& off = {}, bool isLead = false)
{
    FrameReading r;
    r.frame = frame, r.group = 1, r.isLead = isLead;
    for (const LinearRgb& thing : kThings) {
        const LinearRgb c = balanced(off, {}, thing);
        r.untouched.emplace_back(c), r.balanced.emplace_back(c), r.finished.emplace_back(c);
        r.doubt.push_back(0);
        r.places.push_back({0.1, 0.1, 0.2, 0.2});
    }
    r.toneBefore = r.toneAfter = {50, 60};
    return r;
}

/// The lead and five frames like it; what is added differs.
std::vector<FrameReading> shoot(std::vector<FrameReading> more = {})
{
    std::vector<FrameReading> all{reading(1, {}, true)};
    for (std::int64_t i = 2; i <= 6; ++i)
        all.push_back(reading(i, {0.004 * static_cast<double>(i), Balance{}.kelvin, 0}));
    all.insert(all.end(), more.begin(), more.end());
    return all;
}

TEST(ConsistencyTable, AShootThatHoldsTogetherIsAllWithin)
{
    const ConsistencyTable table = consistency(shoot(), keys());
    ASSERT_EQ(table.rows.size(), 6u);
    EXPECT_EQ(table.rows[0].size(), kThings.size() + kToneColumns);
    EXPECT_EQ(table.within, 1);
    EXPECT_TRUE(table.outliers.empty());
    EXPECT_LT(table.allSpread, 1);
    for (const double spread : table.spread)
        EXPECT_GE(spread, 0);
}

TEST(ConsistencyTable, AFrameTooLightIsNamedWithItsCure)
{
    const ConsistencyTable table = consistency(shoot({reading(9, {0.6, Balance{}.kelvin, 0})}), keys());
    ASSERT_FALSE(table.outliers.empty());
    const Outlier& first = table.outliers.front();
    EXPECT_EQ(first.frame, 9);
    EXPECT_EQ(first.cause, Outlier::Cause::Exposure);
    EXPECT_NEAR(first.cure.exposureStops, -0.6, 0.05);
    EXPECT_LT(first.afterCure, 1);
    EXPECT_GT(first.difference, first.tolerance);
    EXPECT_LT(table.within, 1);
    for (std::size_t i = 1; i < table.outliers.size(); ++i)
        EXPECT_LE(table.outliers[i].difference / table.outliers[i].tolerance,
                  table.outliers[i - 1].difference / table.outliers[i - 1].tolerance);
}

TEST(ConsistencyTable, AFrameInAnotherLightIsToldFromOneThatIsLighter)
{
    const ConsistencyTable table = consistency(shoot({reading(9, {0, 4600, 0})}), keys());
    ASSERT_FALSE(table.outliers.empty());
    EXPECT_EQ(table.outliers.front().cause, Outlier::Cause::White);
    EXPECT_GT(table.outliers.front().cure.kelvin, Balance{}.kelvin + 500);
}

TEST(ConsistencyTable, OneThingThatDiffersIsNoFaultOfTheFrame)
{
    FrameReading odd = reading(9);
    const LinearRgb other{0.5, 0.05, 0.3};
    odd.untouched[2] = odd.balanced[2] = odd.finished[2] = other;
    const ConsistencyTable table = consistency(shoot({odd}), keys());
    ASSERT_EQ(table.outliers.size(), 1u);
    EXPECT_EQ(table.outliers[0].column, 2u);
    EXPECT_EQ(table.outliers[0].cause, Outlier::Cause::ThisThingOnly);
    EXPECT_TRUE(table.outliers[0].cure.isIdentity());
}

TEST(ConsistencyTable, WhatIsClippedOrPerhapsAnotherThingIsSaidInsteadOfCured)
{
    FrameReading clipped = reading(9, {0.7, Balance{}.kelvin, 0}), doubtful = reading(10, {0.7, Balance{}.kelvin, 0});
    clipped.untouched[0] = LinearRgb{1, 1, 1};
    doubtful.doubt.assign(kThings.size(), 0.8);
    const ConsistencyTable table = consistency(shoot({clipped, doubtful}), keys());
    const auto causeOf = [&](std::int64_t frame, std::size_t column) {
        for (const Outlier& o : table.outliers)
            if (o.frame == frame && o.column == column)
                return o.cause;
        ADD_FAILURE() << "frame " << frame << " does not stand out";
        return Outlier::Cause::Exposure;
    };
    EXPECT_EQ(causeOf(9, 0), Outlier::Cause::Clipped);
    EXPECT_EQ(causeOf(9, 1), Outlier::Cause::Exposure);
    EXPECT_EQ(causeOf(10, 1), Outlier::Cause::Doubtful);
}

TEST(ConsistencyTable, DoubtfulPlacesAndLeadsDoNotCountAndAGroupWithoutALeadMeasuresNothing)
{
    FrameReading doubtful = reading(9, {2, Balance{}.kelvin, 0});
    doubtful.doubt.assign(kThings.size(), 0.9);
    EXPECT_EQ(consistency(shoot({doubtful}), keys()).within, 1);
    FrameReading alone = reading(12, {1, Balance{}.kelvin, 0});
    alone.group = 7;
    const ConsistencyTable table = consistency(shoot({alone}), keys());
    for (const ConsistencyCell& cell : table.rows.back())
        EXPECT_FALSE(cell.isMeasured);
    EXPECT_EQ(table.within, 1);
}

TEST(ConsistencyTable, ATargetIsMeasuredBesideTheLead)
{
    auto wanted = keys();
    wanted[1].target = toLab(kThings[1]);
    wanted[1].target->l += 5;
    const ConsistencyTable table = consistency(shoot(), wanted);
    ASSERT_TRUE(table.rows[2][1].toTarget);
    EXPECT_GT(*table.rows[2][1].toTarget, 3);
    EXPECT_FALSE(table.rows[2][0].toTarget);
}

TEST(ConsistencyTable, TonesThatDifferAreMarkedAndNoMore)
{
    FrameReading dark = reading(9);
    dark.toneAfter = {38, 60};
    const ConsistencyTable table = consistency(shoot({dark}), keys());
    const ConsistencyCell& brightness = table.rows.back()[kThings.size()];
    EXPECT_TRUE(brightness.isMeasured);
    EXPECT_FALSE(brightness.isWithin);
    EXPECT_NEAR(brightness.after, 12, 1e-9);
    EXPECT_FALSE(brightness.isOutlier) << "what frames show may be darker";
    EXPECT_TRUE(table.outliers.empty());
}

TEST(ConsistencyTable, AThingSeenOnceHasNoSpread)
{
    auto all = shoot();
    for (FrameReading& r : all)
        if (!r.isLead)
            r.untouched[3].reset(), r.balanced[3].reset(), r.finished[3].reset();
    EXPECT_EQ(consistency(all, keys()).spread[3], -1);
}

TEST(ToneColumns, AreLightnessAndContrastOfThePicture)
{
    Image half(40, 40);
    for (int y = 0; y < 40; ++y)
        for (int x = 0; x < 40; ++x)
            std::fill_n(half.mutableView().row(y) + 3 * x, 3, x < 20 ? 0.02f : 0.5f);
    const auto tones = toneColumns(half.view());
    const double dark = lightnessStar(std::cbrt(0.02)), light = lightnessStar(std::cbrt(0.5));
    EXPECT_NEAR(tones[1], light - dark, 0.1);
    EXPECT_GT(tones[0], dark);
    EXPECT_LT(tones[0], light);
}

}  // namespace
}  // namespace amber
