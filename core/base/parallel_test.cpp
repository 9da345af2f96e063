// Work split over the cores, and quantiles.
#include "core/base/parallel.h"
#include "core/base/statistics.h"

#include <atomic>
#include <gtest/gtest.h>
#include <mutex>
#include <numeric>
#include <rapidcheck/gtest.h>
#include <stdexcept>

namespace amber {
namespace {

TEST(Parallel, EveryBodyRunsOnce)
{
    constexpr int kCount = 1000;
    std::vector<std::atomic<int>> runs(kCount);
    inParallel(kCount, [&](int i) { ++runs[static_cast<std::size_t>(i)]; });
    for (const auto& n : runs)
        EXPECT_EQ(n.load(), 1);
}

TEST(Parallel, NothingToDoIsDone)
{
    inParallel(0, [](int) { FAIL(); });
    inParallel(-3, [](int) { FAIL(); });
    inParallel(std::size_t{0}, [](std::size_t) { FAIL(); });
}

TEST(Parallel, WorkInsideWorkIsWholeToo)
{
    std::atomic<int> sum = 0;
    inParallel(20, [&](int i) { inParallel(10, [&](int k) { sum += 10 * i + k; }); });
    EXPECT_EQ(sum.load(), 199 * 200 / 2);
}

TEST(Parallel, WhatABodyThrowsComesOut)
{
    EXPECT_THROW(inParallel(50,
                            [](int i) {
                                if (i == 17)
                                    throw std::runtime_error("seventeen");
                            }),
                 std::runtime_error);
}

TEST(Parallel, IsolatedWorkGivesItsResult)
{
    EXPECT_EQ(isolated([] {
                  std::atomic<int> sum = 0;
                  inParallel(5, [&](int i) { sum += i; });
                  return sum.load();
              }),
              10);
}

TEST(InOrder, PiecesAreGivenAsTheyWereTakenAndFewAreOnTheirWay)
{
    constexpr std::size_t kAtOnce = 3;
    constexpr int kPieces = 200;
    int next = 0;
    std::atomic<int> onTheirWay = 0, most = 0;
    std::vector<int> given;
    inOrder<int>(
        kAtOnce,
        [&]() -> std::optional<int> {
            if (next == kPieces)
                return std::nullopt;
            const int now = ++onTheirWay;
            most = std::max(most.load(), now);
            return next++;
        },
        [](int piece) {
            // Pieces take unlike long, so that they would overtake one another.
            volatile double x = 0;
            for (int i = 0; i < piece % 7 * 2000; ++i)
                x = x + i;
        },
        [&](int piece) {
            given.push_back(piece);
            --onTheirWay;
        });
    std::vector<int> wanted(kPieces);
    std::iota(wanted.begin(), wanted.end(), 0);
    EXPECT_EQ(given, wanted);
    EXPECT_LE(most.load(), static_cast<int>(kAtOnce));
}

TEST(InOrder, AnEmptyRunEnds)
{
    inOrder<int>(
        4, []() -> std::optional<int> { return std::nullopt; }, [](int) { FAIL(); }, [](int) { FAIL(); });
}

// The definition's own worked values (Hyndman and Fan, definition 7) of 1 to 10.
TEST(Statistics, QuantilesAreTheDefinitions)
{
    std::vector<double> values{7, 2, 9, 4, 1, 10, 3, 8, 5, 6};
    const auto found = quantiles(values, std::array{0.0, 0.05, 0.25, 0.33, 0.5, 0.9, 1.0});
    const double wanted[] = {1, 1.45, 3.25, 3.97, 5.5, 9.1, 10};
    ASSERT_EQ(found.size(), std::size(wanted));
    for (std::size_t i = 0; i < found.size(); ++i)
        EXPECT_NEAR(found[i], wanted[i], 1e-12);
}

TEST(Statistics, OneValueIsAllItsQuantiles)
{
    std::vector<float> one{0.25f};
    for (const double share : {0.0, 0.3, 1.0})
        EXPECT_EQ(quantile(one, share), 0.25);
}

RC_GTEST_PROP(Statistics, TheOrderOfTheValuesDoesNotMatterAndQuantilesRise, ())
{
    auto values = *rc::gen::nonEmpty(rc::gen::container<std::vector<int>>(rc::gen::inRange(-1000, 1000)));
    auto sorted = values;
    std::sort(sorted.begin(), sorted.end());
    constexpr std::array kShares{0.0, 0.1, 0.5, 0.77, 1.0};
    const auto found = quantiles(values, kShares), same = quantiles(sorted, kShares);
    RC_ASSERT(found == same);
    RC_ASSERT(std::is_sorted(found.begin(), found.end()));
    RC_ASSERT(found.front() == *std::min_element(values.begin(), values.end()));
    RC_ASSERT(found.back() == *std::max_element(values.begin(), values.end()));
    RC_ASSERT(median(values) == found[2]);
}

}  // namespace
}  // namespace amber
