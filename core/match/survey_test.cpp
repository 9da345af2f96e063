// What of a picture is neither tone nor colour: how light falls over it, its finest structure, how it is framed; and
// the steps that bring ours to a reference in these.
#include "core/engine/render_plan.h"
#include "core/engine/role_masks.h"
#include "core/image/read.h"
#include "core/match/fall_step.h"
#include "core/match/framing_offer.h"
#include "core/match/light_by_place.h"
#include "core/match/take_asked.h"
#include "core/match/texture.h"

#include <cmath>
#include <gtest/gtest.h>

namespace amber {
namespace {

Image demoFrame(const std::string& name, int edge)
{
    auto picture = readReduced(std::filesystem::path(AMBER_SOURCE_DIR) / "demo/frames" / (name + ".jpg"), edge, false);
    EXPECT_TRUE(picture);
    return std::move(picture->image);
}

/// A picture of one tone per place, in OKLab L.
template <class ToneAt>
Image painted(int width, int height, const ToneAt& toneAt)
{
    Image image(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double L = toneAt((x + 0.5) / width, (y + 0.5) / height);
            std::fill_n(image.mutableView().row(y) + 3 * x, 3, static_cast<float>(L * L * L));
        }
    return image;
}

template <class Parameters>
Image under(const Parameters& parameters, const Image& picture)
{
    Look look;
    look.steps.emplace_back();
    look.steps.back().parameters = parameters;
    Image out(picture.width(), picture.height());
    render(RenderPlan::compile(look).value(), picture.view(), out.mutableView());
    return out;
}

OurPictures oursOf(const Image& picture)
{
    OurPictures ours;
    ours.small.push_back(forMatching(picture.view()));
    return ours;
}

RowsAsked asked(const Image& ours, const Fingerprint& reference, std::initializer_list<Rung> rows)
{
    RowsAsked asked;
    asked.ours = oursOf(ours), asked.large = std::make_shared<Image>(ours);
    asked.reference = reference, asked.group = "held";
    for (const Rung rung : rows)
        asked.rows.insert(rung <= Rung::CastLights ? static_cast<std::size_t>(rung)
                                                   : static_cast<std::size_t>(rung) + HueShifts().families.size() - 1);
    return asked;
}

TEST(LightByPlace, IsFoundWhateverStandsInThePicture)
{
    // L* is nearly 116 (cbrt(Y)) - 16, so 116 L - 16 of a grey.
    const auto falling = [](double u, double v) { return 0.55 + 0.10 * (0.5 - v) - 0.06 * (0.5 - u); };
    const auto found = lightByPlace(painted(120, 80, falling).view());
    ASSERT_TRUE(found);
    EXPECT_NEAR((*found)[0], 11.6, 0.2);
    EXPECT_NEAR((*found)[1], -6.96, 0.2);
    EXPECT_NEAR((*found)[2], 0, 0.2);
    // A bright window in one corner is a thing and no fall.
    const auto withThing = lightByPlace(
        painted(120, 80, [&](double u, double v) { return u > 0.75 && v < 0.25 ? 0.98 : falling(u, v); }).view());
    ASSERT_TRUE(withThing);
    EXPECT_NEAR((*withThing)[0], 11.6, 2.5);
    EXPECT_NEAR((*withThing)[1], -6.96, 2.5);
    // Taken off, it is gone.
    const auto left = lightByPlace(levelled(painted(120, 80, falling).view(), *found).view());
    for (const double fall : left.value())
        EXPECT_NEAR(fall, 0, 0.3);
    EXPECT_FALSE(lightByPlace(painted(20, 20, falling).view())) << "too small to tell";
    Image hardlyAny = painted(120, 80, falling);
    for (int y = 0; y < 80; ++y)
        for (int x = 40; x < 120; ++x)
            hardlyAny.mutableView().row(y)[3 * x] = std::nanf("");
    EXPECT_FALSE(lightByPlace(hardlyAny.view()));
}

TEST(LightByPlace, BesideACurveIsToldFromIt)
{
    const Image plain = forMatching(demoFrame("yard-04", 400).view());
    ToneCurve steep;
    steep.mode = ToneCurve::Mode::LightnessOnly;
    steep.all = {{0, 0}, {0.35, 0.25}, {0.7, 0.8}, {1, 1}};
    const Image curved = under(steep, plain);
    EXPECT_FALSE(fallsBeside(plain.view(), curved.view())) << "a curve is no matter of place";
    EdgeDarkening edges;
    edges.net = -1.2, edges.begin = 0, edges.protectDarks = 0;
    const auto found = fallsBeside(plain.view(), under(edges, curved).view());
    ASSERT_TRUE(found);
    EXPECT_GT((*found)[2], 8);
    EXPECT_LT(std::abs((*found)[0]), 0.3 * (*found)[2]);
    EXPECT_LT(std::abs((*found)[1]), 0.3 * (*found)[2]);
}

TEST(LightByPlace, OfTheCornersBecomesEdgeDarkening)
{
    const Image ours = demoFrame("north-window-02", 800);
    EdgeDarkening edges;
    edges.net = -1.4, edges.protectDarks = 0;
    const Fingerprint reference = fingerprintOf(under(edges, ours).view(), "darker", 3000, 100);
    const auto taken = take(asked(ours, reference, {Rung::MiddleToCorners}));
    ASSERT_TRUE(taken) << taken.error().message();
    ASSERT_EQ(taken->look.steps.size(), 1u);
    const auto& step = std::get<EdgeDarkening>(taken->look.steps[0].parameters);
    EXPECT_NEAR(step.net, -1.4, 0.5);
    EXPECT_GT(taken->before.find(Rung::MiddleToCorners)->difference, 5);
    EXPECT_LT(taken->after.find(Rung::MiddleToCorners)->difference, 0.5);
}

TEST(LightByPlace, AcrossTheFrameBecomesACurveForARole)
{
    const Image ours = demoFrame("yard-04", 800);
    Fingerprint reference = fingerprintOf(ours.view(), "lighter above", 3000, 100);
    reference.falls[0].value += 12;
    RowsAsked rows = asked(ours, reference, {Rung::TopToBottom});
    EXPECT_FALSE(take(rows)) << "nobody said where the upper part lies";
    auto masks = std::make_shared<RoleMasks>();
    Plane ramp(30, 20);
    for (int y = 0; y < 20; ++y)
        for (int x = 0; x < 30; ++x)
            ramp.row(y)[x] = static_cast<float>(1 - (y + 0.5) / 20);
    auto nowhere = std::make_shared<RoleMasks>();
    nowhere->set(fallRole(Rung::TopToBottom).name, Plane(30, 20));
    rows.ours.masks = {nowhere};
    EXPECT_FALSE(take(rows)) << "it lies nowhere on this picture";
    masks->set(fallRole(Rung::TopToBottom).name, ramp);
    rows.ours.masks = {masks};
    const auto taken = take(rows);
    ASSERT_TRUE(taken) << taken.error().message();
    ASSERT_EQ(taken->look.roles.size(), 1u);
    EXPECT_EQ(taken->look.steps[0].guard.where.role, taken->look.roles[0].name);
    EXPECT_LT(taken->after.find(Rung::TopToBottom)->difference, 0.5);
    // Taken again with nothing to do, it stays; a tone curve of the match is another step.
    rows.look = taken->look;
    rows.rows.insert(static_cast<std::size_t>(Rung::Mid));
    const auto again = take(rows);
    ASSERT_TRUE(again);
    EXPECT_EQ(again->look.roles.size(), 1u);
    EXPECT_LT(again->after.find(Rung::TopToBottom)->difference, 2);
    EXPECT_TRUE(std::holds_alternative<Ramp>(fallArea(Rung::LeftToRight, {}).parts[0].shape));
}

TEST(Texture, IsMeasuredAndReached)
{
    const Image ours = demoFrame("yard-04", 1500);
    const Textures plain = texturesOf(ours.view());
    LocalContrast relief;
    relief.amount = 0.6;
    FineDetail crisp;
    crisp.amount = 1.5;
    Grain film;
    film.amount = 0.04;
    EXPECT_GT(texturesOf(under(relief, ours).view())[0], 1.1 * plain[0]);
    EXPECT_GT(texturesOf(under(crisp, ours).view())[1], 1.02 * plain[1]);
    EXPECT_GT(texturesOf(under(film, ours).view())[2], 1.5 * plain[2]);
    Look treated;
    for (const StepParameters& step : std::initializer_list<StepParameters>{relief, film}) {
        treated.steps.emplace_back();
        treated.steps.back().parameters = step;
    }
    Image finished(ours.width(), ours.height());
    render(RenderPlan::compile(treated).value(), ours.view(), finished.mutableView());
    const Fingerprint reference = fingerprintOf(finished.view(), "film", 1500, 100);
    const auto taken = take(asked(ours, reference, {Rung::LocalContrast, Rung::Grain}));
    ASSERT_TRUE(taken) << taken.error().message();
    ASSERT_EQ(taken->look.steps.size(), 2u);
    EXPECT_NEAR(std::get<LocalContrast>(taken->look.steps[0].parameters).amount, 0.6, 0.15);
    EXPECT_NEAR(std::get<Grain>(taken->look.steps[1].parameters).amount, 0.04, 0.012);
    EXPECT_TRUE(taken->after.find(Rung::LocalContrast)->isWithin());
    EXPECT_TRUE(taken->after.find(Rung::Grain)->isWithin());
    // Grain is never taken away, noise is no look's.
    EXPECT_FALSE(take(asked(finished, fingerprintOf(ours.view(), "clean", 1500, 100), {Rung::Grain})));
    EXPECT_FALSE(take(asked(ours, reference, {Rung::Noise})));
    // A small reference is compared at its own size.
    EXPECT_EQ(forTexture(ours.view(), 600).width(), 600);
}

TEST(FramingOffer, CutsToTheRatioAndLaysTheSubjectWhereItLies)
{
    const Region square = croppedLike(1.5, 1, {0.7, 0.5}, {0.5, 0.5});
    EXPECT_NEAR(square.right - square.left, 1 / 1.5, 1e-9);
    EXPECT_NEAR(square.bottom - square.top, 1, 1e-9);
    EXPECT_NEAR((square.left + square.right) / 2, 1 - 1 / 3.0, 1e-9) << "as near as the picture allows";
    const Region wide = croppedLike(1, 2, {0.5, 0.3}, {0.5, 0.6});
    EXPECT_NEAR(wide.bottom - wide.top, 0.5, 1e-9);
    EXPECT_NEAR(wide.top, 0, 1e-9);
    const Region same = croppedLike(1.5, 1.5, {0.2, 0.2}, {0.8, 0.8});
    EXPECT_TRUE(same.isWhole());
}

TEST(FramingOffer, OfOneSceneShowsWhatTheReferenceShows)
{
    // The reference shows the middle half of ours, as high as wide.
    Registration lies;
    lies.fromRatio = 1.5, lies.toRatio = 1;
    // In fractions of the longer edges: ours is 1 by 2/3; the reference's square is 0.5 of its width, from (0.25,
    // 0.083).
    lies.m = {2, 0, -0.5, 0, 2, -2 * (1 / 3.0 - 0.25), 0, 0, 1};
    const auto crop = framedAs(lies);
    ASSERT_TRUE(crop);
    EXPECT_NEAR(crop->left, 0.25, 1e-6);
    EXPECT_NEAR(crop->right, 0.75, 1e-6);
    EXPECT_NEAR(crop->top, 0.125, 1e-6);
    EXPECT_NEAR(crop->bottom, 0.875, 1e-6);
    // A reference that shows more than ours: as much as there is, in its ratio.
    Registration wider;
    wider.fromRatio = 1, wider.toRatio = 1;
    wider.m = {0.5, 0, 0.25, 0, 0.5, 0.25, 0, 0, 1};
    EXPECT_TRUE(framedAs(wider)->isWhole());
    // It hardly shows any of ours.
    Registration tiny = lies;
    tiny.m = {10, 0, -4, 0, 10, -3, 0, 0, 1};
    EXPECT_FALSE(framedAs(tiny));
}

TEST(FramingOffer, TheEyeGoesToWhatStandsOut)
{
    const Image picture = painted(120, 80, [](double u, double v) {
        return std::hypot(u - 0.8, (v - 0.3) / 1.5) < 0.05 ? 0.95 : 0.45 + 0.02 * std::sin(40 * u) * std::sin(40 * v);
    });
    const Spot eye = eyeGoesTo(picture.view());
    EXPECT_NEAR(eye.x, 0.8, 0.12);
    EXPECT_NEAR(eye.y, 0.3, 0.12);
}

}  // namespace
}  // namespace amber
