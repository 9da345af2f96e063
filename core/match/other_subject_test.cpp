// References of another subject, under treatments by mathematics that is not ours: what is taken by default must not do
// harm, and must know how sure it is.
#include "core/base/parallel.h"
#include "core/base/statistics.h"
#include "core/match/ladder.h"
#include "tests/support/independent_treatments.h"
#include "tests/support/judged_pictures.h"
#include "tests/support/landed_look.h"

#include <gtest/gtest.h>
#include <mutex>
#include <numeric>

namespace amber {
namespace {

using test::apart;
using test::judgedPictures;
using test::through;

/// One picture brought to a reference by all that is taken by default.
struct Judged {
    double before = 0, after = 0, sureness = 0;
    std::size_t rows = 0;
    double ratio() const { return before > 0.5 ? after / before : 1; }
};

Judged judge(const Image& picture, const Image& wanted, const Fingerprint& reference)
{
    std::vector<Image> small;
    small.push_back(forMatching(picture.view()));
    const Ladder ladder = ladderOf(reference, measuredThrough({}, small, membershipBefore({}, small, "hidden")));
    std::set<std::size_t> rows;
    Judged judged;
    for (std::size_t i = 0; i < ladder.rows.size(); ++i)
        if (isTakenWithAll(ladder.rows[i], ladder.rows[i]))
            rows.insert(i), judged.sureness = std::max(judged.sureness, ladder.rows[i].confidence);
    judged.rows = rows.size(), judged.before = judged.after = apart(picture, wanted);
    if (rows.empty())
        return judged;
    const auto taken = takeLikely({}, small, reference, rows, "hidden");
    EXPECT_TRUE(taken);
    if (taken)
        judged.after = apart(through(taken->look, picture), wanted);
    return judged;
}

std::vector<Judged> judgeAll(const std::vector<Image>& all)
{
    std::vector<Judged> judged;
    std::mutex mutex;
    constexpr std::size_t kFamilies = std::size(test::kIndependentFamilies), kSeeds = 3;
    inParallel(kFamilies * kSeeds, [&](std::size_t i) {
        const auto treatment = test::independentTreatment(i / kSeeds, 1 + i % kSeeds);
        const std::size_t one = i % all.size();
        const Fingerprint reference = fingerprintOf(test::treated(all[one], treatment).view(), "hidden", 3000, 100);
        for (std::size_t other = 0; other < all.size(); ++other) {
            if (other == one)
                continue;
            const Judged j = judge(all[other], test::treated(all[other], treatment), reference);
            const std::lock_guard lock(mutex);
            judged.push_back(j);
        }
    });
    return judged;
}

/// Spearman's rank correlation.
double rankCorrelation(const std::vector<double>& x, const std::vector<double>& y)
{
    const auto ranks = [](const std::vector<double>& v) {
        std::vector<std::size_t> order(v.size());
        std::iota(order.begin(), order.end(), 0);
        std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) { return v[a] < v[b]; });
        std::vector<double> rank(v.size());
        for (std::size_t i = 0; i < order.size(); ++i)
            rank[order[i]] = static_cast<double>(i);
        return rank;
    };
    const auto a = ranks(x), b = ranks(y);
    const double middle = (static_cast<double>(x.size()) - 1) / 2;
    double ab = 0, aa = 0, bb = 0;
    for (std::size_t i = 0; i < a.size(); ++i)
        ab += (a[i] - middle) * (b[i] - middle), aa += (a[i] - middle) * (a[i] - middle),
            bb += (b[i] - middle) * (b[i] - middle);
    return aa > 0 && bb > 0 ? ab / std::sqrt(aa * bb) : 0;
}

TEST(OtherSubject, WhatIsTakenByDefaultDoesNoHarm)
{
    const std::vector<Judged> all = judgeAll(judgedPictures());
    std::vector<double> offered, sure, gain;
    double worst = 0;
    for (const Judged& j : all) {
        worst = std::max(worst, j.ratio());
        if (j.rows > 0)
            offered.push_back(j.ratio()), sure.push_back(j.sureness), gain.push_back(j.before - j.after);
    }
    ASSERT_FALSE(offered.empty());
    std::printf("%zu of %zu offered; median %.3f of before, worst of all %.2f; rank correlation with the gain %.2f\n",
                offered.size(), all.size(), median(offered), worst, rankCorrelation(sure, gain));
    for (const double ratio : offered)
        EXPECT_LE(ratio, 1.1);
    EXPECT_LT(median(offered), 1);
}

TEST(OtherSubject, SharesAreNothingForLikePicturesSmallForLightAndFollowTheMiddleTones)
{
    const std::vector<Image> all = judgedPictures();
    const Fingerprint print = fingerprintOf(all[0].view(), "room", 3000, 100);
    for (const LookShare& share : lookShares(print, print, kLeastSupport)) {
        EXPECT_EQ(share.light, 0);
        EXPECT_EQ(share.sureness, 0);
    }
    // Lighter and warmer in all its tones.
    Fingerprint other = print;
    for (ToneTrait& tone : other.tones)
        tone.tone += 0.1;
    for (ColourTrait& cast : other.casts)
        cast.share = 0.3, cast.a += 0.01, cast.b += 0.04;
    Fingerprint ours = print;
    for (ColourTrait& cast : ours.casts)
        cast.share = 0.3;
    const auto shares = lookShares(other, ours, kLeastSupport);
    EXPECT_LT(std::abs(shares[2].light), 2) << "of ten L* of another subject";
    EXPECT_GT(shares[5].b, 0.004);
    EXPECT_LT(shares[5].b, 0.03);
    EXPECT_LE(shares[4].sureness, shares[5].sureness);
    // The same in darks alone is a thing's.
    Fingerprint dark = ours;
    dark.casts[0].b += 0.04;
    EXPECT_LT(lookShares(dark, ours, kLeastSupport)[4].sureness, shares[4].sureness);
    // What one of them has too little of is left out.
    ours.casts[1].share = 0;
    EXPECT_EQ(lookShares(other, ours, kLeastSupport)[5].sureness, 0);
    EXPECT_EQ(likelyTarget(other, ours, kLeastSupport).casts[1].a, ours.casts[1].a);
    // A look's file may hold less than was measured.
    other.tones.resize(3), other.casts.clear(), other.families.clear();
    EXPECT_EQ(lookShares(other, ours, kLeastSupport).size(), 7u);
    EXPECT_EQ(likelyTarget(other, ours, kLeastSupport), other);
}

}  // namespace
}  // namespace amber
