#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"
#include "demo/camera/develop.h"
#include "demo/camera/finish.h"
#include "demo/camera/lens.h"
#include "tests/support/temporary_folder.h"

#include <cmath>
#include <gtest/gtest.h>
#include <libraw/libraw.h>
#include <numeric>

namespace amber::demo {
namespace {

using test::TemporaryFolder;

Image filled(int width, int height, float r, float g, float b)
{
    Image image(width, height);
    for (float* p = image.mutableView().data; p != image.mutableView().data + 3 * width * height; p += 3)
        p[0] = r, p[1] = g, p[2] = b;
    return image;
}

/// 6 x 4 flat fields of many colours and depths, each `side` wide.
Image chart(int side)
{
    Image image(6 * side, 4 * side);
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) {
            const int i = x / side + 6 * (y / side);
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = 0.03f + 0.06f * static_cast<float>(i * 7 % 13),
            p[1] = 0.03f + 0.06f * static_cast<float>(i * 5 % 11),
            p[2] = 0.03f + 0.06f * static_cast<float>(i * 3 % 14);
        }
    return image;
}

Lab labOf(const LinearRgb& bt709) { return toLab(apply(toWorking(RgbSpace::Srgb), bt709)); }

LinearRgb at(ImageView image, int x, int y)
{
    const float* p = image.row(y) + 3 * x;
    return {p[0], p[1], p[2]};
}

TEST(Sensor, CountsAsTheModelSays)
{
    const Sensor sensor;
    Exposure still;
    still.noise = false;
    const Mosaic one = expose(filled(7, 5, 0.5f, 0.4f, 0.3f).view(), sensor, still);
    EXPECT_EQ(one.width, 6);
    EXPECT_EQ(one.height, 4);
    const double rgb[3] = {0.5, 0.4, 0.3};
    for (int y = 0; y < 2; ++y)
        for (int x = 0; x < 2; ++x) {
            double light = 0;
            for (int k = 0; k < 3; ++k)
                light += sensor.fromScene.m[x + y][k] * rgb[k];
            EXPECT_NEAR(one.numbers[static_cast<std::size_t>(y * 6 + x)], 512 + light / 4 * (16383 - 512), 0.51);
        }
    still.stops = 5;
    EXPECT_EQ(expose(filled(4, 4, 1, 1, 1).view(), sensor, still).numbers[1], 16383);
}

TEST(Sensor, NoiseHasTheVarianceOfShotAndReadNoise)
{
    const Sensor sensor;
    constexpr double kPerNumber = 16383 - 512, kSixDeviation = 6;
    for (const auto& [level, iso] : {std::pair{0.8f, 100}, {0.05f, 800}, {0.0002f, 3200}}) {
        Exposure exposure;
        exposure.iso = iso;
        const Mosaic mosaic = expose(filled(400, 400, level, level, level).view(), sensor, exposure);
        double sum = 0, squares = 0, count = 0;
        for (int y = 0; y < 400; ++y)
            for (int x = (y + 1) % 2; x < 400; x += 2, ++count) {
                const double v = mosaic.numbers[static_cast<std::size_t>(y) * 400 + x];
                sum += v, squares += v * v;
            }
        const double mean = sum / count, variance = squares / count - mean * mean,
                     well = sensor.fullWellAtIso100 * 100 / iso;
        const double electrons = well * level / sensor.headroom,
                     expected = (electrons + 9) * std::pow(kPerNumber / well, 2) + 1.0 / 12;
        EXPECT_NEAR(mean, 512 + electrons / well * kPerNumber, kSixDeviation * std::sqrt(expected / count)) << level;
        EXPECT_NEAR(variance / expected, 1, kSixDeviation * std::sqrt(2 / count)) << level;
    }
}

TEST(Light, LiesOnThePublishedLoci)
{
    const auto xy = [](double kelvin) {
        const Xyz w = lightOf(kelvin);
        return std::pair{w.x / (w.x + w.y + w.z), w.y / (w.x + w.y + w.z)};
    };
    EXPECT_NEAR(xy(6504).first, 0.3127, 0.0005);
    EXPECT_NEAR(xy(6504).second, 0.3290, 0.001);
    EXPECT_NEAR(xy(2856).first, 0.44757, 0.001);
    EXPECT_NEAR(xy(2856).second, 0.40745, 0.001);
    Image white = filled(1, 1, 1, 1, 1);
    const Xyz from = whiteOf(RgbSpace::Srgb), to = lightOf(3000);
    changeLight(white, from, to);
    const LinearRgb xyz = apply(rgbToXyz(RgbSpace::Srgb), at(white.view(), 0, 0));
    EXPECT_NEAR(xyz.r, to.x, 1e-5);
    EXPECT_NEAR(xyz.g, 1, 1e-5);
    EXPECT_NEAR(xyz.b, to.z, 1e-5);
}

TEST(Lens, MovesAndDarkensAsItSays)
{
    Image scene(200, 120);
    for (int y = 0; y < 120; ++y)  // a picture in which every value tells where it was
        for (int x = 0; x < 200; ++x) {
            float* p = scene.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(x + 0.5), p[1] = static_cast<float>(y + 0.5), p[2] = 1;
        }
    Lens lens;
    EXPECT_TRUE(
        std::equal(scene.view().data, scene.view().data + 3 * 200 * 120, throughLens(scene.view(), lens).view().data));
    lens = {0, 0.03, 0, 0, 4, 1.25, 0.02, -0.03};
    const Image moved = throughLens(scene.view(), lens);
    for (const auto& [x, y] : {std::pair{20, 20}, {100, 60}, {180, 30}, {60, 100}}) {
        const Point from = sceneAt(lens, 200, 120, {x + 0.5, y + 0.5});
        EXPECT_NEAR(at(moved.view(), x, y).r, from.x, 1e-3);
        EXPECT_NEAR(at(moved.view(), x, y).g, from.y, 1e-3);
    }
    EXPECT_NEAR(sceneAt(lens, 200, 120, {100, 60}).x, 104, 1e-9);
    // With fringes red sees farther out than green, blue less far.
    lens = {}, lens.redFringe = 0.02, lens.blueFringe = -0.01;
    const Image apart = throughLens(scene.view(), lens);
    EXPECT_NEAR(at(apart.view(), 180, 60).r, 100 + 80.5 * 1.02, 1e-3);
    EXPECT_NEAR(at(apart.view(), 180, 90).g, 60 + 30.5, 1e-3) << "green stays";
    lens = {};
    lens.falloffStops = 1;
    const Image dark = throughLens(filled(300, 200, 1, 1, 1).view(), lens);
    EXPECT_NEAR(at(dark.view(), 150, 100).r, 1, 1e-3);
    EXPECT_NEAR(at(dark.view(), 0, 0).r, 0.5, 0.01);
    // The low-pass filter spreads a point over its neighbours and loses nothing.
    Image point = filled(9, 7, 0, 0, 0);
    point.mutableView().row(3)[3 * 4 + 1] = 1;
    lens = {};
    lens.lowPass = 0.2;
    const Image soft = throughLens(point.view(), lens);
    EXPECT_NEAR(at(soft.view(), 4, 3).g, 0.36, 1e-6);
    EXPECT_NEAR(at(soft.view(), 3, 3).g, 0.12, 1e-6);
    EXPECT_NEAR(at(soft.view(), 5, 4).g, 0.04, 1e-6);
    EXPECT_NEAR(std::accumulate(soft.view().data, soft.view().data + 9 * 7 * 3, 0.0), 1, 1e-6);
}

TEST(Finish, DoesNothingUnaskedAndDependsOnPlaceWhenAsked)
{
    Image picture = filled(60, 40, 0.2f, 0.2f, 0.2f);
    for (int y = 0; y < 40; ++y)
        std::fill_n(picture.mutableView().row(y) + 3 * 30, 3 * 30, 0.5f);
    const Image same = finished(picture.view(), {});
    for (int x : {0, 29, 30, 59})
        EXPECT_NEAR(at(same.view(), x, 20).g, at(picture.view(), x, 20).g, 1e-6);
    Finish finish;
    finish.relief = 0.5, finish.radius = 12;
    const Image relief = finished(picture.view(), finish);
    EXPECT_GT(at(relief.view(), 31, 20).g, 0.55);  // the bright side of the edge brighter, the dark side darker,
    EXPECT_LT(at(relief.view(), 28, 20).g, 0.18);
    EXPECT_NEAR(at(relief.view(), 59, 20).g, 0.5, 1e-4);  // and far from it nothing
    finish = {};
    finish.veil[2] = 0.1, finish.cornerStops = 1;
    const Image veiled = finished(picture.view(), finish);
    EXPECT_NEAR(at(veiled.view(), 30, 20).b, 0.1 + 0.9 * 0.5, 2e-3);
    EXPECT_NEAR(at(veiled.view(), 0, 0).r, 0.1, 4e-3);
}

TEST(Dng, LibRawReadsItsTagsAndItsColours)
{
    const TemporaryFolder folder;
    const Sensor sensor;
    const Image scene = chart(24);
    CameraNotes notes;
    notes.description = "chart";
    notes.time = "2026:03:11 10:07:20";
    notes.shutterSeconds = 0.25, notes.iso = 400, notes.asShotKelvin = 6504;
    Exposure still;
    still.noise = false;
    ASSERT_TRUE(writeDng(folder / "chart.dng", expose(scene.view(), sensor, still), sensor, notes));

    LibRaw raw;
    raw.imgdata.params.use_camera_wb = 1, raw.imgdata.params.output_color = 1, raw.imgdata.params.output_bps = 16;
    raw.imgdata.params.gamm[0] = raw.imgdata.params.gamm[1] = 1;
    raw.imgdata.params.no_auto_bright = 1;
    raw.imgdata.params.adjust_maximum_thr = 0;
    ASSERT_EQ(raw.open_file((folder / "chart.dng").c_str()), LIBRAW_SUCCESS);
    EXPECT_STREQ(raw.imgdata.idata.make, kMaker);
    EXPECT_STREQ(raw.imgdata.idata.model, kModel);
    EXPECT_STREQ(raw.imgdata.lens.Lens, CameraNotes().lens.c_str());
    EXPECT_EQ(raw.imgdata.sizes.flip, 0);
    EXPECT_FLOAT_EQ(raw.imgdata.other.shutter, 0.25f);
    EXPECT_FLOAT_EQ(raw.imgdata.other.iso_speed, 400);
    EXPECT_FLOAT_EQ(raw.imgdata.color.dng_levels.baseline_exposure, 2);
    for (int illuminant = 0; illuminant < 2; ++illuminant) {
        EXPECT_EQ(raw.imgdata.color.dng_color[illuminant].illuminant, illuminant == 0 ? 17 : 21);
        EXPECT_NEAR(raw.imgdata.color.dng_color[illuminant].colormatrix[1][1], sensor.fromXyz().m[1][1], 1e-4);
    }
    ASSERT_EQ(raw.unpack(), LIBRAW_SUCCESS);
    EXPECT_EQ(raw.imgdata.color.maximum, 16383u);
    ASSERT_EQ(raw.dcraw_process(), LIBRAW_SUCCESS);
    // LibRaw's own colours (white balance and matrix from the tags) against the scene, in the middle of every field.
    int status = 0;
    libraw_processed_image_t* made = raw.dcraw_make_mem_image(&status);
    ASSERT_NE(made, nullptr);
    const auto* codes = reinterpret_cast<const std::uint16_t*>(made->data);
    const Image own = toScene(readRaw(folder / "chart.dng").value().view(), sensor);
    double worst = 0, worstOwn = 0;
    for (int i = 0; i < 24; ++i) {
        const int x = i % 6 * 24 + 12, y = i / 6 * 24 + 12;
        const std::uint16_t* c = codes + 3 * (y * made->width + x);
        const LinearRgb seen{c[0] / 65535.0 * sensor.headroom, c[1] / 65535.0 * sensor.headroom,
                             c[2] / 65535.0 * sensor.headroom};
        worst = std::max(worst, ciede2000(labOf(seen), labOf(at(scene.view(), x, y))));
        worstOwn = std::max(worstOwn, ciede2000(labOf(at(own.view(), x, y)), labOf(at(scene.view(), x, y))));
    }
    LibRaw::dcraw_clear_mem(made);
    EXPECT_LT(worst, 0.3);
    EXPECT_LT(worstOwn, 0.3);
}

TEST(Dng, CannotBeWrittenWhereThereIsNoFolder)
{
    const Sensor sensor;
    const auto status = writeDng("/nowhere/at/all.dng", expose(chart(4).view(), sensor, {}), sensor, {});
    ASSERT_FALSE(status);
    EXPECT_NE(status.error().message().find("/nowhere/at/all.dng"), std::string::npos);
    EXPECT_FALSE(readRaw("/nowhere/at/all.dng"));
}

TEST(PlainRendering, WhitesOfTheLightAreNeutralAndClippedOnesToo)
{
    const Sensor sensor;
    double before = -1;
    for (const double level : {0.0, 0.02, 0.1, 0.3, 0.6, 0.9, 1.0}) {
        double n[3];
        sensor.neutral(lightOf(3200), n);
        const Image seen = filled(1, 1, static_cast<float>(std::min(1.0, 1.3 * level * n[0])),
                                  static_cast<float>(std::min(1.0, 1.3 * level * n[1])),
                                  static_cast<float>(std::min(1.0, 1.3 * level * n[2])));
        const LinearRgb c = at(plainRendering(seen.view(), sensor, 3200).view(), 0, 0);
        const Lab lab = toLab(c);
        if (level < 0.7 || level == 1.0) {
            EXPECT_LT(std::hypot(lab.a, lab.b), 1.0) << level;
        }
        EXPECT_GE(c.g, before) << level;
        EXPECT_LE(c.g, 1.0 + 1e-6);
        before = c.g;
    }
}

}  // namespace
}  // namespace amber::demo
