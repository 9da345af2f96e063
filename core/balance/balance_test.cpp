#include "core/balance/light_groups.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/frame/balance.h"
#include "core/image/read.h"
#include "core/image/resize.h"
#include "tests/support/temporary_folder.h"

#include <cmath>
#include <gtest/gtest.h>
#include <map>
#include <nlohmann/json.hpp>
#include <rapidcheck/gtest.h>

namespace amber {
namespace {

namespace fs = std::filesystem;
const fs::path kFrames = fs::path(AMBER_SOURCE_DIR) / "demo/frames";

/// The curve of the simulated camera, which the program does not know.
double cameraCurve(double x) { return x * (1.5 * x + 0.12) / (1.32 * x * x + 0.72 * x + 0.20); }

Image through(const Image& scene, double gain)
{
    Image out(scene.width(), scene.height());
    for (int i = 0; i < scene.width() * scene.height(); ++i) {
        const float* p = scene.view().data + 3 * i;
        const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), {gain * p[0], gain * p[1], gain * p[2]});
        const auto curve = [](double v) { return std::clamp(cameraCurve(std::max(0.0, v)), 0.0, 1.0); };
        const LinearRgb c = apply(toWorking(RgbSpace::Srgb), {curve(own.r), curve(own.g), curve(own.b)});
        float* q = out.mutableView().data + 3 * i;
        q[0] = static_cast<float>(c.r), q[1] = static_cast<float>(c.g), q[2] = static_cast<float>(c.b);
    }
    return out;
}

/// Tones across, muted hues down.
Image scene(int width = 90, int height = 40)
{
    Image image(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double L = 0.12 + 0.9 * (x + 0.5) / width;
            const LinearRgb c = toLinearRgb(toOkLab(OkLch{L, 0.05 * std::min(L, 1.0), 360.0 * y / height}));
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
    return image;
}

std::vector<LinearRgb> coloursOf(ImageView image)
{
    std::vector<LinearRgb> all;
    for (int y = 0; y < image.height; ++y)
        for (int x = 0; x < image.width; ++x)
            all.push_back({image.row(y)[3 * x], image.row(y)[3 * x + 1], image.row(y)[3 * x + 2]});
    return all;
}

TEST(Balance, LightsLieWhereTheStandardsHaveThem)
{
    const struct {
        double kelvin, x, y, within;
    } lights[] = {{6504, 0.3127, 0.3290, 2e-4},
                  {5003, 0.3457, 0.3585, 3e-4},
                  {7504, 0.2990, 0.3149, 2e-4},
                  {2856, 0.4476, 0.4074, 5e-4}};  // D65, D50, D75, A
    for (const auto& light : lights) {
        const Chromaticity c = chromaticityOf(light.kelvin, 0);
        EXPECT_NEAR(c.x, light.x, light.within) << light.kelvin;
        EXPECT_NEAR(c.y, light.y, light.within) << light.kelvin;
    }
    EXPECT_TRUE(Balance{}.isIdentity());
    const LinearRgb c{0.3, 0.2, 0.1};
    EXPECT_EQ(balanced({}, {}, c), c);
    // A picture under tungsten, its light told: white comes out white.
    const Balance lamp{0, 2856, 0};
    const LinearRgb white = balanced(lamp, {}, {1, 1, 1});
    EXPECT_GT(white.b, 2 * white.r) << "what was white in daylight was blue in that light";
}

RC_GTEST_PROP(Balance, ALightIsFoundAgain, ())
{
    const double kelvin = *rc::gen::inRange(2500, 15000), tint = *rc::gen::inRange(-150, 150) / 10.0;
    const Balance found = lightOf(chromaticityOf(kelvin, tint));
    // Where one locus passes into the other two feet of the perpendicular may lie close together.
    const bool between = kelvin > 2800 && kelvin < 5100;
    RC_ASSERT(std::abs(found.kelvin - kelvin) < (between ? 0.02 * kelvin : 1.0));
    RC_ASSERT(std::abs(found.tint - tint) < (between ? 1 : 0.01));
}

RC_GTEST_PROP(Balance, IsFittedFromTheSameThingsSeenTwice, ())
{
    const Balance off{*rc::gen::inRange(-15, 16) / 10.0, static_cast<double>(*rc::gen::inRange(5000, 9000)),
                      *rc::gen::inRange(-50, 50) / 10.0};
    const auto to = coloursOf(scene().view());
    std::vector<LinearRgb> from;
    const Matrix3 back = inverse(balanceMatrix(off));
    for (const LinearRgb& c : to)
        from.push_back(apply(back, c));
    // A tenth of the matches is wrong.
    for (std::size_t i = 0; i < from.size(); i += 10)
        std::swap(from[i], from[from.size() - 1 - i / 2]);
    const BalanceFit fit = fitBalance(from, to, {});
    RC_ASSERT(fit.support > 300);
    RC_ASSERT(std::abs(fit.balance.exposureStops - off.exposureStops) < 0.05);
    RC_ASSERT(std::abs(fit.balance.kelvin - off.kelvin) < 0.01 * off.kelvin);
    RC_ASSERT(std::abs(fit.balance.tint - off.tint) < 1);
}

TEST(Response, OfACameraIsRecoveredFromTwoExposures)
{
    const Image field = scene(), under = through(field, std::exp2(-1.5)), middle = through(field, 1),
                over = through(field, std::exp2(1.5));
    const auto response = recoverResponse({{under.view(), middle.view(), 1.5}, {middle.view(), over.view(), 1.5}});
    ASSERT_TRUE(response) << response.error().message();
    // Up to one factor, scene light is found again: the error in stops against mid-grey's.
    const auto off = [&](double x) { return std::log2(response->toScene(cameraCurve(x)) / x); };
    const double grey = off(0.18);
    for (double x : {0.02, 0.05, 0.1, 0.3, 0.5, 0.8})
        EXPECT_NEAR(off(x) - grey, 0, 0.06) << x;
    for (double y : {-0.2, 0.0, 0.001, 0.02, 0.18, 0.6, 0.99, 1.4})
        EXPECT_NEAR(response->toPicture(response->toScene(y)), y, 1e-9 + 1e-6 * std::abs(y));
    double last = -1;
    for (double y = 0; y < 1.5; y += 0.01) {
        EXPECT_GT(response->toScene(y), last);
        last = response->toScene(y);
    }
    EXPECT_FALSE(recoverResponse({}));
    EXPECT_FALSE(recoverResponse({{field.view(), under.view(), 1}}))
        << "the lighter one cannot be the less exposed one";
}

/// The demo shoot, read once.
const std::vector<std::pair<std::string, FrameFacts>>& demoFacts()
{
    static const auto facts = [] {
        std::vector<fs::path> paths;
        for (const auto& entry : fs::directory_iterator(kFrames))
            if (entry.path().extension() == ".jpg")
                paths.push_back(entry.path());
        std::sort(paths.begin(), paths.end());
        std::vector<std::pair<std::string, FrameFacts>> all;
        for (const auto& path : paths)
            if (const auto picture = readReduced(path, 320, true))
                all.emplace_back(path.stem().string(), frameFacts(picture->image.view(), captureFacts(path)));
        return all;
    }();
    return facts;
}

nlohmann::json truth()
{
    return nlohmann::json::parse(test::readText(fs::path(AMBER_SOURCE_DIR) / "demo/truth.json"))["frames"];
}

std::vector<FrameFacts> factsOnly()
{
    std::vector<FrameFacts> facts;
    for (const auto& [name, f] : demoFacts())
        facts.push_back(f);
    return facts;
}

TEST(OnTheDemoShoot, LightGroupsAreThoseOfTheTruth)
{
    const auto groups = lightGroups(factsOnly());
    std::map<std::string, std::string> wanted;
    for (const auto& frame : truth())
        wanted[frame["name"]] = frame["group"].is_string() ? frame["group"].get<std::string>() : std::string();
    ASSERT_EQ(groups.size(), 6u) << "five lights, and the test shot by itself";
    std::size_t frames = 0;
    for (const LightGroup& group : groups) {
        const std::string name = wanted[demoFacts()[group.frames.front()].first];
        for (std::size_t i : group.frames)
            EXPECT_EQ(wanted[demoFacts()[i].first], name) << demoFacts()[i].first;
        EXPECT_TRUE(std::count(group.frames.begin(), group.frames.end(), group.lead));
        frames += group.frames.size();
    }
    EXPECT_EQ(frames, 51u);
}

TEST(OnTheDemoShoot, BracketsAreFoundAndNothingElseIs)
{
    const auto brackets = findBrackets(factsOnly());
    ASSERT_EQ(brackets.size(), 2u);
    for (const Bracket& bracket : brackets) {
        ASSERT_EQ(bracket.frames.size(), 3u);
        const std::string first = demoFacts()[bracket.frames[0]].first;
        EXPECT_TRUE(first == "north-window-08" || first == "dusk-terrace-06") << first;
        EXPECT_EQ(bracket.proposed, bracket.frames[1]) << "the middle one keeps both ends";
    }
}

TEST(OnTheDemoShoot, TheCamerasResponseBringsBracketsTogether)
{
    const auto read = [](const char* name) {
        return readReduced(kFrames / (std::string(name) + ".jpg"), 300, false)->image;
    };
    const Image under = read("north-window-08"), middle = read("north-window-09"), over = read("north-window-10");
    const auto stops = [](const char* name) {
        return captureFacts(kFrames / (std::string(name) + ".jpg")).exposureStops();
    };
    const double up = stops("north-window-09") - stops("north-window-08"),
                 more = stops("north-window-10") - stops("north-window-09");
    const auto response = recoverResponse({{under.view(), middle.view(), up}, {middle.view(), over.view(), more}});
    ASSERT_TRUE(response);
    // The other bracket of the shoot was not used: it is brought together by exposure alone.
    const Image dark = read("dusk-terrace-06"), right = read("dusk-terrace-07"), light = read("dusk-terrace-08");
    for (const auto& [picture, wanted] : {std::pair(&dark, 1.5), std::pair(&light, -1.5)}) {
        const BalanceFit fit = fitBalance(coloursOf(picture->view()), coloursOf(right.view()), *response);
        EXPECT_NEAR(fit.balance.exposureStops, wanted, 0.1);
        EXPECT_NEAR(fit.balance.kelvin, 6504, 150);
        EXPECT_LT(fit.residual, 2);
        const BalanceFit plain = fitBalance(coloursOf(picture->view()), coloursOf(right.view()), {});
        EXPECT_GT(plain.residual, 1.5 * fit.residual) << "without the response it does not fit";
    }
}

TEST(LightGroups, PartWhereTheLightChangesForGoodAndTakeFramesWithoutFacts)
{
    const auto facts = [](const OkLab& lab, std::int64_t seconds) {
        Image image(6, 4);
        const LinearRgb c = toLinearRgb(lab);
        for (int i = 0; i < 24; ++i) {
            float* p = image.mutableView().data + 3 * i;
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
        CaptureFacts capture;
        capture.seconds = seconds;
        return frameFacts(image.view(), capture);
    };
    std::vector<FrameFacts> shoot;
    for (int i = 0; i < 5; ++i)
        shoot.push_back(facts({0.5, 0, 0.001 * i}, 1000 + 60 * i));
    for (int i = 0; i < 5; ++i)
        shoot.push_back(facts({0.5, 0.01, 0.08 + 0.001 * i}, 1400 + 60 * i));
    auto groups = lightGroups(shoot);
    ASSERT_EQ(groups.size(), 2u);
    EXPECT_EQ(groups[0].frames.size(), 5u);
    std::vector<FrameFacts> nothing(3, facts({0.5, 0, 0}, 0));
    groups = lightGroups(nothing);
    ASSERT_EQ(groups.size(), 1u);
    EXPECT_EQ(groups[0].frames.size(), 3u);
    EXPECT_TRUE(lightGroups({}).empty());
    EXPECT_TRUE(findBrackets(nothing).empty());
}

}  // namespace
}  // namespace amber
