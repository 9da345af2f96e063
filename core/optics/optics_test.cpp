// What lenses and sensors did, measured and undone: on the simulated camera, whose truth is known.
#include "core/optics/bow.h"
#include "core/optics/falloff.h"
#include "core/optics/fringes.h"
#include "core/optics/lens_file.h"
#include "core/optics/noise.h"
#include "core/optics/noise_setting.h"

#include "core/base/atomic_file.h"
#include "core/base/json_text.h"
#include "core/frame/frame_balance.h"
#include "core/frame/upright.h"
#include "core/image/read.h"
#include "tests/support/temporary_folder.h"

#include <cmath>
#include <fstream>
#include <gtest/gtest.h>
#include <random>

namespace amber {
namespace {

namespace fs = std::filesystem;
using test::TemporaryFolder;
const fs::path kDemo = fs::path(AMBER_SOURCE_DIR) / "demo";

/// What is known of a frame of the demo.
const Json& truthOf(const std::string& name)
{
    static const Json all = [] {
        std::ifstream file(kDemo / "truth.json");
        return Json::parse(file);
    }();
    for (const Json& frame : all["frames"])
        if (frame["name"] == name)
            return frame;
    static const Json none;
    return none;
}

Image frameOf(const std::string& name)
{
    auto picture = readPicture(kDemo / "frames" / (name + ".jpg"));
    EXPECT_TRUE(picture) << name;
    return std::move(picture->image);
}

std::optional<FoundLens> demoLens()
{
    return findLens({"Ombrel", "Bellows One", "Ombrel 24 mm f/2.8", 24, 5.6, 1500, 1000}, {kDemo / "lenses"});
}

/// Where the simulated lens throws a true length: length = r (1 + bow r^2)(1 + fringe).
double thrownBy(double bow, double fringe, double length)
{
    double r = length;
    for (int i = 0; i < 50; ++i)
        r -= (r * (1 + bow * r * r) * (1 + fringe) - length) / ((1 + 3 * bow * r * r) * (1 + fringe));
    return r;
}

TEST(LensFile, TheDemosLensIsFoundAndIsTheSimulatedOne)
{
    const auto found = demoLens();
    ASSERT_TRUE(found);
    EXPECT_TRUE(found->hasBow && found->hasFringes && found->hasFalloff);
    EXPECT_NE(found->lens.name.find("24 mm"), std::string::npos);
    Optics o;
    o.lens = found->lens;
    const Throw thrown(o);
    const Json& lens = truthOf("shop-front-01")["lens"];
    const double bow = lens["distortion"], half = std::hypot(1500, 1000) / 2;
    for (double u = 0.1; u <= 1; u += 0.1) {
        EXPECT_NEAR(thrown.green(u) * u * half, thrownBy(bow, 0, u) * half, 0.1);
        EXPECT_NEAR(thrown.red(u) * u * half, thrownBy(bow, lens["redFringe"], u) * half, 0.1);
        EXPECT_NEAR(thrown.blue(u) * u * half, thrownBy(bow, lens["blueFringe"], u) * half, 0.1);
        const double r = thrownBy(bow, 0, u);
        EXPECT_NEAR(std::log2(thrown.gain(u)), lens["falloffStops"].get<double>() * r * r, 0.01);
    }
    o.lensOff = true;
    EXPECT_FALSE(o.moves() || o.dims()) << "chosen away";
}

TEST(LensFile, WhatIsUnknownOrDamagedGivesNoLens)
{
    const TemporaryFolder folder;
    folder.write("broken.xml", "<lensdatabase><lens><maker>Ombrel");
    folder.write("other.xml", "not xml");
    EXPECT_FALSE(findLens({"Ombrel", "Bellows One", "Ombrel 24 mm f/2.8", 24, 5.6, 1500, 1000}, {folder.path()}));
    EXPECT_FALSE(findLens({"Ombrel", "Bellows One", "Finder 35 mm f/2", 35, 5.6, 1500, 1000}, {kDemo / "lenses"}));
    EXPECT_FALSE(findLens({"Ombrel", "Bellows One", "Ombrel 24 mm f/2.8", 200, 5.6, 1500, 1000}, {kDemo / "lenses"}))
        << "no such focal length";
    EXPECT_FALSE(findLens({}));
    EXPECT_FALSE(findLens({"", "x", "y", NAN, -1, 0, -5}));
}

/// Points along a straight thing of the scene, as the simulated lens throws them, each a little beside.
DrawnLine drawn(double bow, double x0, double y0, double x1, double y1, double beside)
{
    DrawnLine line;
    for (int i = 0; i <= 8; ++i) {
        const double t = i / 8.0, x = x0 + t * (x1 - x0), y = y0 + t * (y1 - y0), u = std::hypot(x, y),
                     by = thrownBy(bow, 0, u) / u;
        line.push_back({x * by + beside * ((i * 7) % 3 - 1), y * by + beside * ((i * 5) % 3 - 1)});
    }
    return line;
}

TEST(Bow, TwoDrawnLinesGiveItsCoefficientWithinFivePerCent)
{
    for (const char* name : {"shop-front-01", "shop-front-04"}) {
        const double bow = truthOf(name)["lens"]["distortion"], half = std::hypot(1500, 1000) / 2;
        // The edges of a board along the top and of a post at the side, drawn to a third of a pixel.
        const auto solved =
            solveBow({drawn(bow, -0.75, -0.45, 0.75, -0.4, 0.3 / half), drawn(bow, 0.7, -0.5, 0.72, 0.5, 0.3 / half)});
        ASSERT_TRUE(solved);
        EXPECT_NEAR(solved->bow, bow, 0.05 * std::abs(bow));
        EXPECT_TRUE(solved->isSure);
        EXPECT_LT(solved->bentAfter, solved->bentBefore / 4);
        std::printf("%s: bow %.4f, found %.4f\n", name, bow, solved->bow);
    }
    // What lies through the middle tells nothing; nor do two points.
    EXPECT_FALSE(solveBow({drawn(0.05, -0.8, 0.001, 0.8, 0.001, 0)})->isSure);
    EXPECT_FALSE(solveBow({{{0.1, 0.2}, {0.5, 0.2}}}));
    EXPECT_FALSE(solveBow({}));
}

TEST(Fringes, AreMeasuredAndReducedOnBothLenses)
{
    const double half = std::hypot(1500, 1000) / 2;
    for (const char* name : {"shop-front-01", "shop-front-02", "shop-front-04", "shop-front-05"}) {
        const Image picture = frameOf(name);
        const Fringes found = measureFringes(picture.view());
        EXPECT_TRUE(found.isSure) << name;
        const Json& lens = truthOf(name)["lens"];
        Optics o;
        o.bow = lens["distortion"];
        o.redFringe = found.red, o.blueFringe = found.blue;
        // What is left in the corners, against the truth.
        const Throw thrown(o);
        const double green = thrownBy(o.bow, 0, 1) * half;
        EXPECT_NEAR(thrown.green(1) * half, green, 0.01);
        EXPECT_NEAR(thrown.red(1) * half, thrownBy(o.bow, lens["redFringe"], 1) * half, 0.15) << name;
        EXPECT_NEAR(thrown.blue(1) * half, thrownBy(o.bow, lens["blueFringe"], 1) * half, 0.15) << name;
        const Fringes left = measureFringes(placed(picture, o, {}).view());
        std::printf("%s: red %.2f -> %.2f, blue %.2f -> %.2f pixels in the corners\n", name, found.red * half,
                    left.red * half, found.blue * half, left.blue * half);
        EXPECT_LT(std::max(std::abs(left.red), std::abs(left.blue)) * half, 0.15) << name;
    }
    const Fringes none = measureFringes(frameOf("shop-front-07").view());
    EXPECT_LT(std::max(std::abs(none.red), std::abs(none.blue)) * half, 0.15) << "a lens without fringes";
    EXPECT_FALSE(measureFringes(Image(60, 60).view()).isSure);
    EXPECT_FALSE(measureFringes(Image(400, 300).view()).isSure);
}

TEST(Noise, IsMeasuredWithinTenPerCentAndReduced)
{
    for (const auto& [name, iso] : {std::pair("shop-front-08", 1600), std::pair("shop-front-09", 6400)}) {
        const Image picture = frameOf(name);
        const Noise noise = measureNoise(picture.view());
        const Json& truth = truthOf(name)["noise"];
        double light = 0, colour = 0;
        int tones = 0;
        for (std::size_t i = 2; i < 7; ++i, ++tones) {
            light += noise.lightness[i] / truth["lightness"][i].get<double>();
            colour += noise.colour[i] / truth["colour"][i].get<double>();
        }
        std::printf("%s: lightness %.3f, colour %.3f of the truth\n", name, light / tones, colour / tones);
        EXPECT_NEAR(light / tones, 1, 0.1) << name;
        EXPECT_NEAR(colour / tones, 1, 0.1) << name;
        Image quiet = picture;
        reduceNoise(quiet.mutableView(), noise, 1);
        const Noise left = measureNoise(quiet.view());
        const double decibels = 20 * std::log10(noise.meanLightness / left.meanLightness),
                     kept = edgeContrastKept(picture.view(), quiet.view());
        std::printf("%s: %.1f dB less, %.3f of the edges' contrast kept\n", name, decibels, kept);
        EXPECT_GT(decibels, 8) << name;
        EXPECT_GT(kept, 0.95) << name;
        EXPECT_TRUE(noise.isSure()) << name;
    }
    EXPECT_FALSE(measureNoise(Image(10, 10).view()).isKnown());
    EXPECT_FALSE(measureNoise(Image(300, 200).view()).isKnown()) << "black is no tone to read noise from";
}

/// Gravel: blots of every size and nothing flat. What is read of it may be texture, and that is said.
TEST(Noise, OfAPictureWithoutFlatPlacesIsNotSure)
{
    Image gravel(480, 480);
    std::mt19937 random(11);
    std::normal_distribution<double> blot(0, 1);
    std::vector<double> height(480 * 480, 0.0);
    for (int size = 2; size <= 64; size *= 2) {
        std::vector<double> grid(static_cast<std::size_t>((480 / size + 2) * (480 / size + 2)));
        for (double& g : grid)
            g = blot(random) * std::sqrt(size);
        const int across = 480 / size + 2;
        for (int y = 0; y < 480; ++y)
            for (int x = 0; x < 480; ++x) {
                const int i = x / size, j = y / size;
                const double tx = static_cast<double>(x % size) / size, ty = static_cast<double>(y % size) / size;
                const auto at = [&](int a, int b) { return grid[static_cast<std::size_t>(b * across + a)]; };
                height[static_cast<std::size_t>(480 * y + x)] += (1 - ty) * ((1 - tx) * at(i, j) + tx * at(i + 1, j)) +
                                                                 ty * ((1 - tx) * at(i, j + 1) + tx * at(i + 1, j + 1));
            }
    }
    for (int i = 0; i < 480 * 480; ++i)
        std::fill_n(gravel.mutableView().data + 3 * i, 3,
                    static_cast<float>(std::clamp(0.2 + 0.008 * height[static_cast<std::size_t>(i)], 0.01, 0.9)));
    EXPECT_FALSE(measureNoise(gravel.view()).isSure());
}

TEST(Noise, AFlatPictureKeepsItsColourAndARowItsReach)
{
    Image flat(96, 300);
    for (int i = 0; i < 96 * 300; ++i)
        for (int k = 0; k < 3; ++k)
            flat.mutableView().data[3 * i + k] =
                0.2F + 0.1F * static_cast<float>(k) + 0.002F * static_cast<float>((i * 7919) % 13 - 6);
    Noise noise = measureNoise(flat.view());
    ASSERT_TRUE(noise.isKnown());
    Image whole = flat;
    reduceNoise(whole.mutableView(), noise, 1);
    double sum = 0, before = 0;
    for (int i = 0; i < 3 * 96 * 300; ++i)
        sum += whole.view().data[i], before += flat.view().data[i];
    EXPECT_NEAR(sum / before, 1, 0.005);
    // Rows 140..159 from those within reach alone.
    Image part(96, 20 + 2 * kNoiseReach);
    std::copy_n(flat.view().row(140 - kNoiseReach), 3 * 96 * part.height(), part.mutableView().data);
    reduceNoise(part.mutableView(), noise, 1);
    for (int i = 0; i < 3 * 96 * 20; ++i)
        EXPECT_NEAR(part.view().row(kNoiseReach)[i], whole.view().row(140)[i], 1e-6);
}

/// Uprights of the scene in a frame: how far from upright a post at any place would stand, in degrees, when the frame
/// is set by `found`.
double worstUpright(const Json& stands, const Geometry& g)
{
    const double half = stands["half_height"];
    double worst = 0;
    for (double x = -1.2; x <= 1.2; x += 0.4)
        for (double y = -0.8; y <= 0.8; y += 0.4) {
            // A point of the scene at distance one, and the same a little higher.
            const auto seen = [&](double up) {
                double v[3];
                for (int k = 0; k < 3; ++k)
                    v[k] = stands["forward"][k].get<double>() + x * half * stands["right"][k].get<double>() -
                           y * half * stands["up"][k].get<double>() + (k == 1 ? up : 0);
                const auto along = [&](const char* axis) {
                    return v[0] * stands[axis][0].get<double>() + v[1] * stands[axis][1].get<double>() +
                           v[2] * stands[axis][2].get<double>();
                };
                const double z = along("forward");
                return sourceToTurned(g, {along("right") / z / half, -along("up") / z / half});
            };
            const Spot low = seen(0), high = seen(0.01);
            worst = std::max(worst, std::abs(std::atan2(high.x - low.x, low.y - high.y)) * 180 / 3.14159265);
        }
    return worst;
}

TEST(Upright, TiltAndLeanAreFoundWithinAThirdOfADegree)
{
    for (int i = 1; i <= 10; ++i) {
        char name[32];
        std::snprintf(name, sizeof name, "shop-front-%02d", i);
        const Json& truth = truthOf(name);
        Optics o;
        if (truth.contains("lens")) {
            if (i <= 3)
                o.lens = demoLens()->lens;
            else
                o.bow = truth["lens"]["distortion"];
        }
        const Upright found = measureUpright(frameOf(name).view(), o);
        ASSERT_TRUE(found.isSure && found.leanUp) << name;
        Geometry g;
        g.straightenDegrees = *found.tiltDegrees, g.leanUp = *found.leanUp;
        const double before = worstUpright(truth["stands"], {}), after = worstUpright(truth["stands"], g);
        std::printf("%s: uprights off by up to %.2f degrees before, %.2f after\n", name, before, after);
        EXPECT_LT(after, 0.3) << name;
    }
    // The edge of a table seen from aside, round pots, a card that leans: there is no saying.
    for (const char* name : {"north-window-01", "north-window-04", "lamp-shelf-01", "yard-02", "yard-04",
                             "dusk-terrace-01", "dusk-terrace-10"}) {
        const Upright none = measureUpright(frameOf(name).view());
        EXPECT_FALSE(none.isSure || none.leanUp) << name;
    }
    EXPECT_FALSE(measureUpright(Image(300, 200).view()).isSure);
}

/// Round things on an uneven ground, another at each place, behind a lens of that falloff.
Image throughLens(int n, double falloff)
{
    Image scene(300, 200);
    for (int y = 0; y < 200; ++y)
        for (int x = 0; x < 300; ++x) {
            double light = 0.3 + 0.03 * std::sin(0.013 * x * (1 + n % 3) + n) + 0.02 * std::cos(0.03 * y - n);
            if (std::hypot(x - 37 * n % 300, y - 61 * n % 200) < 30)
                light *= 0.4;
            const double r2 = (std::pow(x - 149.5, 2) + std::pow(y - 99.5, 2)) / (150.0 * 150 + 100.0 * 100);
            std::fill_n(scene.mutableView().row(y) + 3 * x, 3, static_cast<float>(light * std::exp2(-falloff * r2)));
        }
    return scene;
}

TEST(Noise, IsTakenOffBySensitivityBetweenFramesSetByHand)
{
    const std::vector<NoiseSetting> set{{6400, 0.8}, {400, 0.2}};
    EXPECT_DOUBLE_EQ(strengthAt(set, 400), 0.2);
    EXPECT_DOUBLE_EQ(strengthAt(set, 1600), 0.5) << "half way in stops";
    EXPECT_DOUBLE_EQ(strengthAt(set, 6400), 0.8);
    EXPECT_DOUBLE_EQ(strengthAt(set, 25600), 0.8) << "no more than was seen";
    EXPECT_DOUBLE_EQ(strengthAt(set, 100), 0.2);
    EXPECT_DOUBLE_EQ(strengthAt({{1600, 0.4}}, 100), 0) << "one alone: nothing at 100";
    EXPECT_DOUBLE_EQ(strengthAt({{1600, 0.4}}, 400), 0.2);
    EXPECT_DOUBLE_EQ(strengthAt({{100, 0.4}}, 400), 0.4);
    EXPECT_DOUBLE_EQ(strengthAt({{1600, 0.4}, {1600, 0.6}}, 1600), 0.5) << "the mean of two set alike";
    EXPECT_DOUBLE_EQ(strengthAt({{0, 0.4}}, 800), 0) << "nothing is known of it";
    EXPECT_DOUBLE_EQ(strengthAt(set, 0), 0);
    EXPECT_DOUBLE_EQ(strengthAt({}, 800), 0);
}

TEST(Falloff, OfALensIsMeasuredOverItsFrames)
{
    for (const double falloff : {0.0, 0.8, 1.7}) {
        std::vector<double> frames;
        for (int n = 0; n < 12; ++n)
            frames.push_back(apparentFalloff(throughLens(n, falloff).view()).value());
        const auto found = measureFalloff(frames);
        ASSERT_TRUE(found);
        EXPECT_NEAR(found->stops, falloff, 0.1);
        EXPECT_TRUE(found->isSure()) << found->error;
    }
    EXPECT_FALSE(measureFalloff({0.8})->isSure()) << "one frame alone";
    EXPECT_FALSE(measureFalloff({0.1, 0.8, 1.5})->isSure()) << "frames that do not agree";
    EXPECT_EQ(measureFalloff({-0.4, -0.5, -0.3})->stops, 0) << "no lens brightens its corners";
    EXPECT_FALSE(measureFalloff({}));
    EXPECT_FALSE(apparentFalloff(Image(40, 30).view()));
}

/// The camera of the demo renders as raw files are rendered here; a lens that no file knows took light from its frames.
TEST(Falloff, OfTheDemosLensesIsMeasuredFromThreeFrames)
{
    const auto measured = [](std::initializer_list<const char*> names) {
        std::vector<double> frames;
        for (const char* name : names) {
            auto picture = readReduced(kDemo / "frames" / (std::string(name) + ".jpg"), 420, true);
            EXPECT_TRUE(picture) << name;
            MutableImageView view = picture->image.mutableView();
            for (int i = 0; i < view.width * view.height; ++i) {
                float* p = view.data + 3 * i;
                const LinearRgb scene = toSceneLight(baseRendering(), {p[0], p[1], p[2]});
                p[0] = static_cast<float>(scene.r), p[1] = static_cast<float>(scene.g),
                p[2] = static_cast<float>(scene.b);
            }
            frames.push_back(apparentFalloff(view, baseRendering().toScene(1)).value());
        }
        return measureFalloff(frames).value();
    };
    const auto known = measured({"shop-front-01", "shop-front-02", "shop-front-03"}),
               unknown = measured({"shop-front-04", "shop-front-05", "shop-front-06"});
    EXPECT_TRUE(known.isSure() && unknown.isSure()) << known.error << ' ' << unknown.error;
    EXPECT_NEAR(unknown.stops, truthOf("shop-front-04")["lens"]["falloffStops"], 0.1);
    EXPECT_NEAR(known.stops, truthOf("shop-front-01")["lens"]["falloffStops"], 0.12) << "its file says it better";
    EXPECT_NEAR(measured({"yard-01", "yard-02", "yard-03", "yard-04"}).stops, 0, 0.1) << "no falloff";
}

}  // namespace
}  // namespace amber
