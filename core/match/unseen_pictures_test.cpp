// Looks fitted on one or three pictures, judged on all others: demo frames and photographs of a Debian package
// (plasma-workspace-wallpapers), under treatments by mathematics that is not ours.
#include "core/base/parallel.h"
#include "core/colour/difference.h"
#include "core/match/certainty.h"
#include "core/match/pair_fit.h"
#include "tests/support/independent_treatments.h"
#include "tests/support/judged_pictures.h"
#include "tests/support/landed_look.h"
#include "tests/support/wide.h"

#include <gtest/gtest.h>
#include <mutex>
#include <numeric>

namespace amber {
namespace {

using test::apart;
using test::judgedPictures;
using test::through;

/// One unseen picture under one fitted look.
struct Judged {
    std::size_t family;
    double covered, before, after, likely, bound;
};

std::vector<Judged> judge(const std::vector<Image>& all, std::size_t family, std::uint64_t seed,
                          const std::vector<std::size_t>& fitted)
{
    const auto treatment = test::independentTreatment(family, seed);
    std::vector<Image> wanted;
    for (const Image& picture : all)
        wanted.push_back(test::treated(picture, treatment));
    std::vector<PicturePair> pairs;
    for (const std::size_t i : fitted)
        pairs.push_back({all[i].view(), wanted[i].view()});
    const auto fit = fitPairs(pairs);
    if (!fit) {
        ADD_FAILURE() << test::kIndependentFamilies[family] << seed << ": " << fit.error().message();
        return {};
    }
    for (const LaidPair& pair : fit->pairs)
        EXPECT_FALSE(pair.agreement.isLeftOut) << test::kIndependentFamilies[family] << seed;
    std::vector<Judged> judged;
    for (std::size_t i = 0; i < all.size(); ++i)
        if (std::find(fitted.begin(), fitted.end(), i) == fitted.end()) {
            const ForetoldError error = foretoldError(fit->fit, all[i].view());
            judged.push_back({family, coverage(fit->seen, all[i].view()), apart(all[i], wanted[i]),
                              apart(through(fit->fit.look, all[i]), wanted[i]), error.mean, error.bound});
        }
    return judged;
}

struct Summary {
    double ratio = 0, median = 0, bounded = 0, worse = 0;
};

Summary summarised(const std::vector<Judged>& some, const std::string& name)
{
    double before = 0, after = 0, bounded = 0, worse = 0;
    std::vector<double> afters;
    for (const Judged& j : some)
        before += j.before, after += j.after, bounded += j.after <= j.bound, worse += j.after > 1.05 * j.before,
            afters.push_back(j.after);
    std::sort(afters.begin(), afters.end());
    const auto n = static_cast<double>(some.size());
    const Summary s{after / before, some.empty() ? 0 : afters[some.size() / 2], bounded / n, worse};
    if (!some.empty())
        std::printf("  %-24s %4.0f pictures  %5.2f -> %4.2f (%.3f), median %.2f, below the bound %2.0f %%, worse %g\n",
                    name.c_str(), n, before / n, after / n, s.ratio, s.median, 100 * s.bounded, worse);
    return s;
}

Summary told(const std::vector<Judged>& all, const char* title)
{
    std::printf("%s\n", title);
    const auto only = [&](const std::function<bool(const Judged&)>& which) {
        std::vector<Judged> some;
        std::copy_if(all.begin(), all.end(), std::back_inserter(some), which);
        return some;
    };
    for (std::size_t family = 0; family < std::size(test::kIndependentFamilies); ++family)
        summarised(only([&](const Judged& j) { return j.family == family; }), test::kIndependentFamilies[family]);
    summarised(only([](const Judged& j) { return j.covered < 0.5; }), "less than half covered");
    summarised(only([](const Judged& j) { return j.covered >= 0.5; }), "half covered or more");
    return summarised(all, "all");
}

/// What was foretold against what came, by quarters of what was foretold: it must grow with it.
void tellCalibration(std::vector<Judged> all)
{
    constexpr std::size_t kParts = 4;
    std::sort(all.begin(), all.end(), [](const Judged& p, const Judged& q) { return p.likely < q.likely; });
    double last = 0;
    for (std::size_t part = 0; part < kParts; ++part) {
        double likely = 0, after = 0, bounded = 0, n = 0;
        for (std::size_t i = part * all.size() / kParts; i < (part + 1) * all.size() / kParts; ++i)
            likely += all[i].likely, after += all[i].after, bounded += all[i].after <= all[i].bound, ++n;
        std::printf("  quarter %zu: foretold %.2f, came %.2f, below the bound %.0f %%\n", part + 1, likely / n,
                    after / n, 100 * bounded / n);
        EXPECT_GT(after / n, last) << "what is foretold to be worse is worse";
        EXPECT_GE(bounded / n, 0.75);
        last = after / n;
    }
}

std::vector<Judged> judgeAll(const std::vector<Image>& all, std::size_t pairs)
{
    std::vector<Judged> judged;
    std::mutex mutex;
    constexpr std::size_t kFamilies = std::size(test::kIndependentFamilies);
    const std::size_t seeds = test::wideOr<std::size_t>(3, 1);
    inParallel(kFamilies * seeds, [&](std::size_t i) {
        std::vector<std::size_t> fitted;
        for (std::size_t k = 0; k < pairs; ++k)
            fitted.push_back((i + 4 * k) % all.size());
        const auto some = judge(all, i / seeds, 1 + i % seeds, fitted);
        const std::lock_guard lock(mutex);
        judged.insert(judged.end(), some.begin(), some.end());
    });
    return judged;
}

TEST(UnseenPictures, ALookFittedOnOnePictureHoldsOnOthers)
{
    const std::vector<Image> all = judgedPictures();
    const std::vector<Judged> judged = judgeAll(all, 1);
    const Summary one = told(judged, "fitted on one picture");
    tellCalibration(judged);
    EXPECT_LE(one.ratio, 0.35);
    EXPECT_LE(one.median, 2.0);
    EXPECT_GE(one.bounded, 0.85);
    EXPECT_LE(one.worse, 4) << "made worse: of far too few colours, under hues turned each its own way";
}

TEST(UnseenPictures, ALookFittedOnThreePicturesHoldsBetter)
{
    const std::vector<Image> all = judgedPictures();
    if (all.size() < 10)
        GTEST_SKIP() << "the photographs are not installed";
    const std::vector<Judged> judged = judgeAll(all, 3);
    const Summary three = told(judged, "fitted on three pictures");
    tellCalibration(judged);
    EXPECT_LE(three.ratio, 0.25);
    EXPECT_LE(three.median, 1.5);
    EXPECT_GE(three.bounded, 0.85);
    EXPECT_LE(three.worse, 1);
}

}  // namespace
}  // namespace amber
