// What colours before and after tell of a treatment, and how sure that is; and whether several pairs go together.
#include "core/colour/difference.h"
#include "core/match/pair_agreement.h"
#include "core/match/treatment_model.h"
#include "tests/support/independent_treatments.h"

#include <Eigen/Eigenvalues>
#include <gtest/gtest.h>

namespace amber {
namespace {

EncodedRgb anyCode(test::Random& random) { return {random.between(0, 1), random.between(0, 1), random.between(0, 1)}; }

/// Colours of a muted scene round one hue, as a picture of one thing has.
std::vector<LinearRgb> scene(std::uint64_t seed, double red, double blue, int count = 300)
{
    test::Random random(seed);
    std::vector<LinearRgb> colours;
    for (int i = 0; i < count; ++i) {
        const double tone = random.between(0.08, 0.9), strength = random.between(0, 0.25);
        colours.push_back(decode(RgbSpace::Srgb, {std::clamp(tone + strength * red, 0.0, 1.0), tone,
                                                  std::clamp(tone + strength * blue, 0.0, 1.0)}));
    }
    return colours;
}

std::vector<LinearRgb> under(const test::CodeTreatment& treatment, const std::vector<LinearRgb>& colours,
                             double stops = 0)
{
    std::vector<LinearRgb> all;
    for (const LinearRgb& c : colours) {
        const EncodedRgb e = encode(RgbSpace::Srgb, c);
        const test::Codes out = treatment({e.r, e.g, e.b});
        const LinearRgb done = decode(RgbSpace::Srgb, {out[0], out[1], out[2]});
        const double light = std::exp2(stops);
        all.push_back({light * done.r, light * done.g, light * done.b});
    }
    return all;
}

double meanOff(const TreatmentModel& model, const std::vector<LinearRgb>& from, const std::vector<LinearRgb>& to)
{
    const auto foretold = model.foretell(from);
    double sum = 0;
    for (std::size_t i = 0; i < from.size(); ++i)
        sum += ciede2000(decode(RgbSpace::Srgb, foretold[i].code), to[i]);
    return sum / static_cast<double>(from.size());
}

TEST(TreatmentPrior, EveryPartIsACovarianceAndMixingLeavesGreysAlone)
{
    test::Random random(3);
    std::vector<CodeTraits> at;
    for (int i = 0; i < 24; ++i)
        at.emplace_back(anyCode(random));
    at.emplace_back(EncodedRgb{0, 0, 0}), at.emplace_back(EncodedRgb{1, 1, 1}), at.emplace_back(EncodedRgb{1, 0, 0});
    const auto n = static_cast<Eigen::Index>(at.size());
    for (int part = 0; part < kTreatmentParts; ++part) {
        Eigen::MatrixXd k(3 * n, 3 * n);
        for (Eigen::Index i = 0; i < n; ++i)
            for (Eigen::Index j = 0; j < n; ++j)
                k.block<3, 3>(3 * i, 3 * j) =
                    covariances(at[static_cast<std::size_t>(i)], at[static_cast<std::size_t>(j)]).of[part];
        EXPECT_LT((k - k.transpose()).cwiseAbs().maxCoeff(), 1e-12) << part;
        const Eigen::VectorXd values = Eigen::SelfAdjointEigenSolver<Eigen::MatrixXd>(k).eigenvalues();
        EXPECT_GT(values.minCoeff(), -1e-9 * values.maxCoeff()) << part;
        EXPECT_GT(values.maxCoeff(), 1e-4) << part;
    }
    const CodeTraits grey(EncodedRgb{0.4, 0.4, 0.4});
    for (const int part : {2, 3})
        EXPECT_LT(covariances(grey, grey).of[part].cwiseAbs().maxCoeff(), 1e-12)
            << "greys are the business of curves and tints";
}

TEST(TreatmentModel, KnowsWhatItSawForetellsWhatIsNearAndIsUnsureFarAway)
{
    const auto treatment = test::independentTreatment(2, 5);
    const auto seen = scene(1, 1, -0.6), near = scene(2, 1, -0.6), far = scene(3, -1, 1);
    const TreatmentModel model = TreatmentModel::learn(seen, under(treatment, seen));
    EXPECT_LT(meanOff(model, seen, under(treatment, seen)), 0.3);
    EXPECT_LT(meanOff(model, near, under(treatment, near)), 0.4);
    const auto spread = [&](const std::vector<LinearRgb>& colours) {
        double sum = 0;
        for (const ForetoldColour& c : model.foretell(colours))
            sum += std::sqrt(c.variance()) / static_cast<double>(colours.size());
        return sum;
    };
    EXPECT_GT(spread(far), 4 * spread(near));
    double untouched = 0;
    const auto truth = under(treatment, far);
    for (std::size_t i = 0; i < far.size(); ++i)
        untouched += ciede2000(far[i], truth[i]) / static_cast<double>(far.size());
    EXPECT_LT(meanOff(model, far, truth), 0.7 * untouched) << "of another hue too";
    // What is unsure keeps less of its change, and none is turned round or made larger.
    for (const ForetoldColour& c : model.foretell(far)) {
        const LinearRgb from = decode(RgbSpace::Srgb, EncodedRgb{0.3, 0.4, 0.7});
        const EncodedRgb kept = TreatmentModel::held(from, c);
        EXPECT_LE(std::hypot(kept.r - 0.3, kept.g - 0.4, kept.b - 0.7),
                  std::hypot(c.code.r - 0.3, c.code.g - 0.4, c.code.b - 0.7) + 1e-12);
    }
}

TEST(TreatmentModel, ChoosesASimpleModelForASimpleTreatmentAndDoubtsWhatDoesNotBelong)
{
    const auto curve = [](const test::Codes& c) {
        return test::Codes{std::pow(c[0], 0.8), std::pow(c[1], 0.8), std::pow(c[2], 0.8)};
    };
    const auto seen = scene(4, 0.8, -1), other = scene(5, -0.5, 0.9);
    const auto chosen = [](const TreatmentModel& model) {
        return std::find_if(model.earned().begin(), model.earned().end(), [](const PartEarned& p) { return p.chosen; });
    };
    const TreatmentModel simple = TreatmentModel::learn(seen, under(curve, seen));
    EXPECT_LE(static_cast<int>(chosen(simple)->upTo), static_cast<int>(TreatmentPart::Channels));
    EXPECT_LT(simple.leftOut(), 0.3);
    const auto mixing = test::independentTreatment(2, 2);
    EXPECT_GE(static_cast<int>(chosen(TreatmentModel::learn(seen, under(mixing, seen)))->upTo),
              static_cast<int>(TreatmentPart::Mixing));
    // One colour in fifteen was painted over.
    auto after = under(curve, seen);
    for (std::size_t i = 0; i < after.size(); i += 15)
        after[i] = decode(RgbSpace::Srgb, {0.9, 0.1, 0.1});
    EXPECT_LT(meanOff(TreatmentModel::learn(seen, after), other, under(curve, other)), 1.5);
}

TEST(PairAgreement, LightIsToldFromNoiseAndThePairThatContradictsIsNamed)
{
    const auto one = test::independentTreatment(1, 1), another = test::independentTreatment(3, 4);
    const auto a = scene(6, 1, -0.5), b = scene(7, 0.8, -0.8), c = scene(8, 0.6, -0.3);
    const auto same = agreement({{a, under(one, a)}, {b, under(one, b)}, {c, under(one, c)}});
    for (const Agreement& pair : same) {
        EXPECT_GT(pair.known, 50);
        EXPECT_EQ(pair.stops, 0);
        EXPECT_FALSE(pair.contradicts || pair.isLeftOut);
        EXPECT_LT(pair.off, 1);
    }
    const auto lit = agreement({{a, under(one, a)}, {b, under(one, b, -0.4)}, {c, under(one, c)}});
    EXPECT_NEAR(lit[1].stops, -0.4, 0.08);
    EXPECT_NEAR(lit[0].stops, 0, 0.08);
    EXPECT_NEAR(lit[2].stops, 0, 0.08);
    EXPECT_FALSE(lit[1].contradicts);
    const auto two = agreement({{a, under(one, a)}, {b, under(one, b, 0.3)}});
    EXPECT_EQ(two[0].stops, 0) << "the light of the first is that of the treatment";
    EXPECT_NEAR(two[1].stops, 0.3, 0.08);
    const auto odd = agreement({{a, under(one, a)}, {b, under(another, b)}, {c, under(one, c)}});
    EXPECT_TRUE(odd[1].contradicts && odd[1].isLeftOut);
    EXPECT_FALSE(odd[0].isLeftOut || odd[2].isLeftOut);
    const auto torn = agreement({{a, under(one, a)}, {b, under(another, b)}});
    EXPECT_TRUE(torn[0].contradicts && torn[1].contradicts) << "none of two can be said to be wrong";
    EXPECT_FALSE(torn[0].isLeftOut || torn[1].isLeftOut);
}

}  // namespace
}  // namespace amber
