// What a treatment did by place besides: found where it is, not found where it is not, and no weight on the colours.
#include "core/base/parallel.h"
#include "core/image/read.h"
#include "core/match/pair_fit.h"
#include "tests/support/independent_treatments.h"
#include "tests/support/judged_pictures.h"
#include "tests/support/landed_look.h"
#include "tests/support/wide.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

using test::apart;
using test::through;

Look byPlace(double contrast, double size, double grain)
{
    Look look;
    const auto add = [&](StepParameters parameters) {
        look.steps.emplace_back();
        look.steps.back().parameters = std::move(parameters);
    };
    LocalContrast local;
    local.amount = contrast, local.size = size;
    add(local);
    Grain grained;
    grained.amount = grain, grained.size = 0.8;
    add(grained);
    return look;
}

const PlaceStep* found(const PairFit& fit, const std::string& what)
{
    for (const PlaceStep& step : fit.byPlace)
        if (step.what == what)
            return &step;
    return nullptr;
}

TEST(PlaceFit, LocalContrastAndGrainBecomeTheirStepsAndDoNotBendTheColours)
{
    const std::vector<Image> all = test::judgedPictures(1400);
    const std::size_t families = test::wideOr(std::size(test::kIndependentFamilies), std::size_t{3});
    inParallel(families, [&](std::size_t family) {
        const Image& picture = all[family % all.size()];
        const Image plain = test::treated(picture, test::independentTreatment(family, 1));
        const Image besides =
            test::treated(through(byPlace(0.6, 3, 0.04), plain), [](const test::Codes& c) { return c; });
        const auto without = fitPair(picture.view(), plain.view()), with = fitPair(picture.view(), besides.view());
        ASSERT_TRUE(without && with) << family;
        const PlaceStep *local = found(*with, "Local contrast"), *grain = found(*with, "Grain");
        std::printf("  %-15s local contrast %.2f of %.0f %%, grain %.3f of %.1f; colours %.2f, %.2f without them\n",
                    test::kIndependentFamilies[family], local ? local->amount : 0, local ? local->size : 0,
                    grain ? grain->amount : 0, grain ? grain->size : 0, with->fit.left.mean, without->fit.left.mean);
        EXPECT_TRUE(without->byPlace.empty())
            << family << ": " << without->byPlace.front().what << " " << without->byPlace.front().amount;
        ASSERT_TRUE(local && grain) << family;
        EXPECT_NEAR(local->amount, 0.6, 0.25) << family;
        EXPECT_NEAR(grain->amount, 0.04, 0.016) << family;
        // The colours, judged without what is by place.
        Look colours = with->fit.look;
        std::erase_if(colours.steps, [](const Step& s) {
            return std::holds_alternative<LocalContrast>(s.parameters) || std::holds_alternative<Grain>(s.parameters);
        });
        const double before = apart(picture, plain), straight = apart(through(without->fit.look, picture), plain);
        EXPECT_LT(apart(through(colours, picture), plain), straight + 0.1 * before) << family;
    });
}

TEST(PlaceFit, SharpeningForOutputIsSeenAtThePicturesOwnSize)
{
    const std::vector<Image> all = test::judgedPictures(1200);
    inParallel(std::size_t{3}, [&](std::size_t family) {
        const Image& picture = all[family % all.size()];
        const Image plain = test::treated(picture, test::independentTreatment(family, 2));
        Look look;
        OutputSharpening crisp;
        crisp.amount = 0.9, crisp.radius = 0.8;
        look.steps.emplace_back();
        look.steps.back().parameters = crisp;
        const Image besides = test::treated(through(look, plain), [](const test::Codes& c) { return c; });
        const auto with = fitPairs({{picture.view(), besides.view(), true}}),
                   without = fitPairs({{picture.view(), plain.view(), true}}),
                   reduced = fitPairs({{picture.view(), besides.view()}});
        ASSERT_TRUE(with && without && reduced) << family;
        const PlaceStep* sharpening = found(*with, "Output sharpening");
        EXPECT_FALSE(found(*without, "Output sharpening")) << family;
        EXPECT_FALSE(found(*reduced, "Output sharpening")) << family;
        ASSERT_TRUE(sharpening) << family;
        std::printf("  %-15s sharpening %.2f of %.1f pixels\n", test::kIndependentFamilies[family], sharpening->amount,
                    sharpening->size);
        EXPECT_NEAR(sharpening->amount, 0.9, 0.35) << family;
        EXPECT_TRUE(std::holds_alternative<OutputSharpening>(with->fit.look.steps.back().parameters));
    });
}

}  // namespace
}  // namespace amber
