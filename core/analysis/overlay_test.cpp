// What a step touches, laid over a picture; two pictures brought to one brightness.
#include "core/analysis/overlay.h"
#include "core/colour/oklab.h"

#include <cmath>
#include <gtest/gtest.h>

namespace amber {
namespace {

constexpr int kWidth = 64, kHeight = 48;

/// A reddish left half and a bluish right half, lighter downwards.
Image twoHues()
{
    Image image(kWidth, kHeight);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            const double L = 0.35 + 0.4 * y / kHeight;
            const LinearRgb c = toLinearRgb(toOkLab(OkLch{L, 0.1, x < kWidth / 2 ? 30.0 : 250.0}));
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
    return image;
}

OkLab labAt(const Image& image, int x, int y)
{
    const float* p = image.view().row(y) + 3 * x;
    return toOkLab(LinearRgb{p[0], p[1], p[2]});
}

double apart(const OkLab& p, const OkLab& q) { return std::hypot(p.L - q.L, p.a - q.a, p.b - q.b); }

const LinearRgb kGreen = toLinearRgb(toOkLab(OkLch{0.7, 0.2, 140}));

Look lookOf(const StepParameters& parameters, const Guard& guard = {})
{
    Look look;
    Step step;
    step.parameters = parameters;
    step.guard = guard;
    look.steps.push_back(step);
    return look;
}

TEST(Overlay, CoversWhatAGuardLetsInAndNothingElse)
{
    Guard reds;
    reds.hueCentre = 30, reds.hueWidth = 80;
    Chroma more;
    more.even = 1.5;
    const Image picture = twoHues();
    Image shown = picture;
    layOverStep(lookOf(more, reds), 0, kGreen, picture.view(), shown.mutableView());
    const OkLab green = toOkLab(kGreen);
    for (int y = 4; y < kHeight; y += 8) {
        const OkLab red = labAt(shown, 8, y);
        EXPECT_LT(std::hypot(red.a - green.a, red.b - green.b), 0.02) << "covered in the colour";
        EXPECT_LT(apart(labAt(shown, 56, y), labAt(picture, 56, y)), 1e-6) << "left as it is";
    }
    EXPECT_GT(labAt(shown, 8, kHeight - 2).L, labAt(shown, 8, 1).L) << "lightness shows through";
}

TEST(Overlay, WithoutAGuardCoversWhatTheStepMoves)
{
    HueShifts turn;
    turn.families = {{"Reds", 30, 60, {40, 1, 0}, {}}};
    const Image picture = twoHues();
    Image shown = picture;
    layOverStep(lookOf(turn), 0, kGreen, picture.view(), shown.mutableView());
    EXPECT_GT(apart(labAt(shown, 8, 20), labAt(picture, 8, 20)), 0.05);
    EXPECT_LT(apart(labAt(shown, 56, 20), labAt(picture, 56, 20)), 0.01);
    Image still = picture;
    layOverStep(lookOf(Chroma{}), 0, kGreen, picture.view(), still.mutableView());
    EXPECT_LT(apart(labAt(still, 8, 20), labAt(picture, 8, 20)), 1e-6) << "a step that does nothing covers nothing";
}

TEST(Overlay, OfAFamilyCoversThatFamilyAlone)
{
    HueShifts shifts;
    shifts.families = {{"Reds", 30, 60, {}, {}}, {"Blues", 250, 60, {}, {}}};
    const Image picture = twoHues();
    Image shown = picture;
    layOverFamily(lookOf(shifts), 0, 1, kGreen, picture.view(), shown.mutableView());
    EXPECT_LT(apart(labAt(shown, 8, 20), labAt(picture, 8, 20)), 0.01);
    EXPECT_GT(apart(labAt(shown, 56, 20), labAt(picture, 56, 20)), 0.1);
}

TEST(Overlay, PicturesAreBroughtToOneMeanBrightness)
{
    const Image like = twoHues();
    Image dark = like;
    for (int y = 0; y < kHeight; ++y)
        for (float* p = dark.mutableView().row(y); p != dark.mutableView().row(y) + 3 * kWidth; ++p)
            *p *= 0.3f;
    equaliseBrightness(like.view(), dark.mutableView());
    // Only light was multiplied: the very picture comes back.
    for (int y = 0; y < kHeight; y += 5)
        for (int x = 0; x < kWidth; x += 7)
            EXPECT_LT(apart(labAt(dark, x, y), labAt(like, x, y)), 1e-3);
    Image black(kWidth, kHeight);
    equaliseBrightness(like.view(), black.mutableView());
    EXPECT_TRUE(std::isfinite(labAt(black, 3, 3).L)) << "nothing to multiply";
}

}  // namespace
}  // namespace amber
