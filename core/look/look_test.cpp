#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/look/look_difference.h"
#include "core/look/look_json.h"
#include "core/look/scope.h"
#include "tests/support/random_look.h"
#include "tests/support/temporary_folder.h"

#include <functional>
#include <gtest/gtest.h>
#include <rapidcheck.h>

namespace amber {
namespace {

using test::Random;
using test::TemporaryFolder;

constexpr double kNeutralTolerance = 0.02;  // CIEDE2000, the bound the product promises for hue-only steps

/// A property over random seeds; RapidCheck shrinks to a small seed and prints it.
template <class Check>
void holds(const char* what, Check&& check)
{
    EXPECT_TRUE(rc::check(what, [&](std::uint32_t seed) {
        Random random(seed);
        check(random);
    }));
}

TEST(Look, TextRoundTripKeepsEverything)
{
    holds("read(write(look)) == look", [](Random& random) {
        Look look = random.look(random.whole(0, 6));
        look.name = "Ünïcode \"quotes\"";
        look.intent = "line\nbreak";
        const auto back = lookFromText(lookToText(look, true), "test");
        RC_ASSERT(back.has_value());
        RC_ASSERT(back->look == look);
        RC_ASSERT(back->warnings.empty());
        RC_ASSERT(lookToText(back->look, true) == lookToText(look, true));
    });
}

TEST(Look, AnotherVersionsWordsAreNamedAndKept)
{
    const std::string text =
        R"({"format": "jolly-amber-look", "version": 7, "name": "Later", "mood": ["warm", 3], "steps": [
        {"type": "tone-curve", "colourway": true, "parameters": {"all": [[0, 0], [1, 1]], "spline": "quintic"}},
        {"type": "halation", "parameters": {"radius": 3}},
        {"type": "hue-shifts", "parameters": {"families": [{"name": "A", "sheltered": true}],
                                              "greys": {"grain": 2}}}]})";
    const auto loaded = lookFromText(text, "later.json");
    ASSERT_TRUE(loaded) << loaded.error().message();
    ASSERT_EQ(loaded->warnings.size(), 7u);
    EXPECT_NE(loaded->warnings[0].find("newer version"), std::string::npos);
    for (const char* word : {"mood", "colourway", "spline", "halation", "families[0]: the field 'sheltered'", "grain"})
        EXPECT_TRUE(std::any_of(loaded->warnings.begin(), loaded->warnings.end(), [&](const std::string& w) {
            return w.find(word) != std::string::npos;
        })) << word;
    const Json saved = Json::parse(lookToText(loaded->look, true));
    EXPECT_EQ(saved["version"], 7);
    EXPECT_EQ(saved["mood"][1], 3);
    EXPECT_EQ(saved["steps"][0]["colourway"], true);
    EXPECT_EQ(saved["steps"][0]["parameters"]["spline"], "quintic");
    EXPECT_EQ(saved["steps"][1]["type"], "halation");
    EXPECT_EQ(saved["steps"][1]["parameters"]["radius"], 3);
    EXPECT_EQ(saved["steps"][2]["parameters"]["families"][0]["sheltered"], true);
    EXPECT_EQ(saved["steps"][2]["parameters"]["greys"]["grain"], 2);
    EXPECT_EQ(evaluate(loaded->look, {0.1, 0.2, 0.3}), (LinearRgb{0.1, 0.2, 0.3}));
}

TEST(Look, EveryFaultIsNamedWithItsPlace)
{
    const auto fault = [](const std::string& steps) {
        const auto loaded =
            lookFromText(R"({"format": "jolly-amber-look", "version": 1, "steps": [)" + steps + "]}", "a.json");
        if (loaded) {
            const Status good = validate(loaded->look);
            return good ? std::string("accepted") : good.error().message();
        }
        return loaded.error().message();
    };
    EXPECT_NE(fault(R"({"type": "tone-curve", "strength": 7})")
                  .find("steps[0].strength: wrong value (expected a number from 0"),
              std::string::npos);
    EXPECT_NE(fault(R"({"parameters": {}})").find("steps[0].type"), std::string::npos);
    EXPECT_NE(fault(R"({"type": "tone-curve", "parameters": {"all": [[0, 0]]}})").find("number of curve points"),
              std::string::npos);
    EXPECT_NE(fault(R"({"type": "tone-curve", "parameters": {"all": [[0, 0.5], [1, 0.4]]}})").find("must not fall"),
              std::string::npos);
    EXPECT_NE(fault(R"({"type": "tone-curve", "parameters": {"all": [[0.5, 0], [0.5, 1]]}})").find("must rise"),
              std::string::npos);
    EXPECT_NE(fault(R"({"type": "tone-curve", "parameters": {"mode": "sideways"}})")
                  .find("one of every-channel, lightness-only"),
              std::string::npos);
    EXPECT_NE(fault(R"({"type": "split-toning", "parameters": {"dyes": [{"chroma": "much"}]}})").find("dyes[0].chroma"),
              std::string::npos);
    EXPECT_NE(fault(R"({"type": "hue-shifts", "parameters": {"families": [{"width": 1}]}})").find("families[0].width"),
              std::string::npos);
    EXPECT_NE(fault(R"({"type": "lookup-table", "parameters": {"hash": "abc"}})").find("values are missing"),
              std::string::npos);
    EXPECT_NE(
        fault(R"({"type": "lookup-table", "parameters": {"cube": "LUT_3D_SIZE 1"}})").find("size outside the limits"),
        std::string::npos);
    EXPECT_NE(lookFromText("{", "a.json").error().message().find("not JSON"), std::string::npos);
    EXPECT_NE(lookFromText("[]", "a.json").error().message().find("an object"), std::string::npos);
    EXPECT_NE(lookFromText("{\"format\": \"poem\"}", "a.json").error().message().find("jolly-amber-look"),
              std::string::npos);
    EXPECT_EQ(lookFromText(std::string(100000, '['), "deep.json").has_value(), false);
}

TEST(Look, DamagedTextIsRefusedOrValidButNeverCrashes)
{
    Random random(34);
    Look look = random.look(4);
    const std::string whole = lookToText(look, true);
    int refused = 0;
    for (int round = 0; round < 1500; ++round) {
        std::string text = whole;
        for (int k = random.whole(1, 4); k > 0; --k) {
            const auto at = static_cast<std::size_t>(random.whole(0, static_cast<int>(text.size()) - 1));
            switch (random.whole(0, 2)) {
            case 0:
                text[at] = static_cast<char>(random.whole(0, 255));
                break;
            case 1:
                text.erase(at, static_cast<std::size_t>(random.whole(1, 20)));
                break;
            default:
                text.insert(
                    at, text.substr(static_cast<std::size_t>(random.whole(0, static_cast<int>(text.size()) - 1)), 12));
            }
        }
        const auto loaded = lookFromText(text, "damaged.json");
        if (!loaded) {
            ++refused;
            EXPECT_FALSE(loaded.error().message().empty());
        } else if (validate(loaded->look)) {
            const LinearRgb c = evaluate(loaded->look, {0.2, 0.4, 0.1});
            EXPECT_TRUE(std::isfinite(c.r) && std::isfinite(c.g) && std::isfinite(c.b));
        }
    }
    EXPECT_GT(refused, 300);
}

/// A look with one step of this type whose `path` holds `value`; the path leads through lists by their first entry.
std::string lookWith(const std::string& type, const std::vector<std::string>& path, const Json& value)
{
    Json inner = value;
    for (auto name = path.rbegin(); name != path.rend(); ++name)
        inner = *name == "[]" ? Json::array({inner}) : Json{{*name, inner}};
    return Json{{"format", "jolly-amber-look"},
                {"version", 1},
                {"steps", Json::array({Json{{"type", type}, {"parameters", inner}}})}}
        .dump();
}

/// Visits every number with limits and every choice below a schema node.
void eachLimit(const Json& node, std::vector<std::string> path,
               const std::function<void(const std::vector<std::string>&, const Json&)>& visit)
{
    if (node.contains("enum") || (node.contains("minimum") && node.contains("maximum")))
        visit(path, node);
    if (node.contains("properties"))
        for (const auto& [name, inner] : node["properties"].items()) {
            auto deeper = path;
            deeper.push_back(name);
            eachLimit(inner, deeper, visit);
        }
    if (node.contains("items") && node["items"].contains("properties")) {
        path.push_back("[]");
        eachLimit(node["items"], path, visit);
    }
}

TEST(Look, ThePublishedSchemaSaysWhatTheReaderTakes)
{
    const Json schema =
        Json::parse(test::readText(std::filesystem::path(AMBER_SOURCE_DIR) / "docs/formats/look.schema.json"));
    const auto accepts = [](const std::string& text) {
        const auto loaded = lookFromText(text, "schema");
        return loaded && validate(loaded->look) && loaded->warnings.empty();
    };
    int limits = 0, kinds = 0;
    for (const Json& rule : schema["properties"]["steps"]["items"]["allOf"]) {
        const std::string type = rule["if"]["properties"]["type"]["const"];
        ++kinds;
        eachLimit(rule["then"]["properties"]["parameters"], {},
                  [&](const std::vector<std::string>& path, const Json& node) {
                      const std::string where = type + " " + path.back();
                      if (node.contains("enum")) {
                          for (const Json& choice : node["enum"])
                              EXPECT_TRUE(accepts(lookWith(type, path, choice))) << where << " " << choice;
                          EXPECT_FALSE(accepts(lookWith(type, path, "sideways"))) << where;
                      } else {
                          const double low = node["minimum"], high = node["maximum"];
                          for (double inside : {low, high, (low + high) / 2})
                              EXPECT_TRUE(accepts(lookWith(type, path, inside))) << where << " " << inside;
                          for (double outside : {low - 0.01, high + 0.01})
                              EXPECT_FALSE(accepts(lookWith(type, path, outside))) << where << " " << outside;
                      }
                      ++limits;
                  });
    }
    EXPECT_EQ(kinds, Random::kKinds);
    EXPECT_GT(limits, 20);
    // And what the program writes has no field the schema does not know.
    Random random(35);
    for (int kind = 0; kind < Random::kKinds; ++kind) {
        Look look;
        look.steps.push_back(Step{random.parameters(kind), true, 1, "n", {}});
        const Json step = Json::parse(lookToText(look, true))["steps"][0];
        for (const Json& rule : schema["properties"]["steps"]["items"]["allOf"])
            for (const auto& [name, value] : step["parameters"].items()) {
                EXPECT_TRUE(rule["if"]["properties"]["type"]["const"] != step["type"] ||
                            rule["then"]["properties"]["parameters"]["properties"].contains(name))
                    << name;
            }
    }
}

TEST(Look, FilesCarryTheirTablesAndAreWrittenWhole)
{
    const TemporaryFolder folder;
    Random random(31);
    Look look;
    look.steps.push_back({random.lookup(), true, 1, {}, {}});
    ASSERT_TRUE(writeLook(look, folder / "look.json"));
    const auto back = readLook(folder / "look.json");
    ASSERT_TRUE(back) << back.error().message();
    EXPECT_EQ(*std::get<LookupTable>(back->look.steps[0].parameters).table,
              *std::get<LookupTable>(look.steps[0].parameters).table);
    EXPECT_FALSE(writeLook(look, "/nowhere/look.json"));
    EXPECT_FALSE(readLook(folder / "missing.json"));
}

TEST(Look, DefaultsStrengthZeroAndOffAreTheIdentity)
{
    Random random(32);
    for (int kind = 0; kind < Random::kKinds; ++kind)
        for (int i = 0; i < 100; ++i) {
            const LinearRgb c = random.colour(-1, 3);
            Step defaults{random.parameters(kind), true, 1, {}, {}};
            defaults.parameters =
                std::visit([]<class T>(const T&) { return StepParameters(T{}); }, defaults.parameters);
            EXPECT_TRUE(isIdentity(defaults)) << titleOf(defaults);
            EXPECT_EQ(evaluate(defaults, c), c);
            EXPECT_EQ(evaluate(Step{random.parameters(kind), true, 0, {}, {}}, c), c);
            EXPECT_EQ(evaluate(Step{random.parameters(kind), false, 1, {}, {}}, c), c);
        }
}

TEST(Look, StrengthBlendsInOkLab)
{
    holds("OKLab is linear in strength", [](Random& random) {
        Step step{random.parameters(random.whole(0, Random::kPointwise - 1)), true, 1, {}, {}};
        const LinearRgb c = random.colour(0, 1);
        const OkLab none = toOkLab(c), full = toOkLab(evaluate(step, c));
        step.strength = random.between(0.01, 2);
        const OkLab part = toOkLab(evaluate(step, c));
        RC_ASSERT(std::abs(part.L - (none.L + step.strength * (full.L - none.L))) < 1e-9);
        RC_ASSERT(std::abs(part.a - (none.a + step.strength * (full.a - none.a))) < 1e-9);
    });
}

TEST(Look, NothingButFiniteNumbersLeavesAStep)
{
    holds("finite out for anything in", [](Random& random) {
        const Step step{random.parameters(random.whole(0, Random::kPointwise - 1)), true, random.between(0, 2), {}, {}};
        const double odd[] = {NAN, INFINITY, -INFINITY, 1e300, -1e300, 0, 1e-310};
        const LinearRgb c{odd[random.whole(0, 6)], odd[random.whole(0, 6)], random.between(-1, 2)},
            out = evaluate(step, c);
        RC_ASSERT(std::isfinite(out.r) && std::isfinite(out.g) && std::isfinite(out.b));
        RC_ASSERT(std::abs(out.r) <= kWorkingLimit);
    });
}

TEST(Look, NoStepJumps)
{
    // Along lines through the lattice of sRGB. Where a small step makes a visible difference it is halved again and
    // again: what is only steep becomes small, a jump does not.
    holds("continuous over the lattice", [](Random& random) {
        const Look look = [&] {
            Look one;
            const int kind = random.whole(0, Random::kPointwise - 1);
            one.steps.push_back(
                {random.parameters(kind == Random::kLookupTable ? 0 : kind), true, random.between(0, 1.5), {}, {}});
            if (random.flip())
                one.steps[0].guard = random.guard();
            return one;
        }();
        constexpr double kStep = 1.0 / 256, kVisible = 0.3;
        EncodedRgb at{random.whole(0, 64) / 64.0, random.whole(0, 64) / 64.0, random.whole(0, 64) / 64.0};
        double* channels[] = {&at.r, &at.g, &at.b};
        double& moving = *channels[random.whole(0, 2)];
        const auto result = [&](double v) {
            moving = v;
            return evaluate(look, decode(RgbSpace::Srgb, at));
        };
        for (double v = 0.02; v < 1; v += kStep) {
            double low = v, high = v + kStep;
            for (int halvings = 0; halvings < 30 && ciede2000(result(low), result(high)) > kVisible; ++halvings) {
                const double middle = (low + high) / 2;
                (ciede2000(result(low), result(middle)) > ciede2000(result(middle), result(high)) ? high : low) =
                    middle;
            }
            RC_ASSERT(ciede2000(result(low), result(high)) <= kVisible);
        }
    });
}

TEST(ToneCurve, IsMonotoneAndNeverOvershoots)
{
    holds("between two points the curve stays between their heights and rises", [](Random& random) {
        const ToneCurve::Points points = random.points();
        const MonotoneCurve curve(points);
        for (std::size_t i = 0; i + 1 < points.size(); ++i) {
            double last = points[i].y;
            for (int k = 0; k <= 50; ++k) {
                const double y = curve(points[i].x + (points[i + 1].x - points[i].x) * k / 50);
                RC_ASSERT(y >= last - 1e-12 && y <= points[i + 1].y + 1e-12);
                last = y;
            }
        }
        RC_ASSERT(curve(-5) <= points.front().y + 1e-12);
        RC_ASSERT(curve(5) >= points.back().y - 1e-12);
    });
}

TEST(ToneCurve, EqualsTheFritschCarlsonFormulaByHand)
{
    // Points (0,0) (0.5,0.25) (1,1): secants 0.5 and 1.5; slopes 0.5, 1, 1.5, all inside the circle of radius 3.
    // On the first half: h = 0.5, y(t) = t (0.5 + t (0 + t * 2)) with (3*0.5 - 2*0.5 - 1)/0.5 = -1 and (0.5 + 1 -
    // 1)/0.25 = 2.
    const MonotoneCurve curve({{0, 0}, {0.5, 0.25}, {1, 1}});
    for (double t : {0.0, 0.1, 0.25, 0.4})
        EXPECT_NEAR(curve(t), t * (0.5 + t * (-1 + t * 2)), 1e-12);
    EXPECT_NEAR(curve.slope(0.5), 1, 1e-12);
    // A steep neighbour: the slopes are shortened to radius 3.
    const MonotoneCurve steep({{0, 0}, {0.5, 0.01}, {0.6, 0.9}, {1, 1}});
    const double secant = 0.89 / 0.1;
    EXPECT_LE(std::hypot(steep.slope(0.5) / secant, steep.slope(0.6 - 1e-12) / secant), 3 + 1e-9);
}

TEST(ToneCurve, LightnessOnlyHoldsHueAndChroma)
{
    holds("a and b are held", [](Random& random) {
        ToneCurve step;
        step.mode = ToneCurve::Mode::LightnessOnly;
        step.all = random.points();
        const LinearRgb c = random.colour(0, 1);
        const OkLab in = toOkLab(c), out = toOkLab(evaluate(step, c));
        RC_ASSERT(std::abs(in.a - out.a) < 1e-9 && std::abs(in.b - out.b) < 1e-9);
        RC_ASSERT(std::abs(out.L - MonotoneCurve(step.all)(in.L)) < 1e-9);
    });
}

TEST(SplitToning, HoldsLightnessAndLeavesUntintedEndsNeutral)
{
    holds("lightness held, ends neutral", [](Random& random) {
        SplitToning step = random.dyes();
        step.holdLightness = true, step.tintBlack = step.tintWhite = false;
        const LinearRgb c = random.colour(0, 1);
        RC_ASSERT(std::abs(toOkLab(c).L - toOkLab(evaluate(step, c)).L) < 1e-9);
        for (double v : {0.0, 1.0})
            RC_ASSERT(ciede2000(evaluate(step, {v, v, v}), {v, v, v}) <= kNeutralTolerance);
    });
}

TEST(SplitToning, OneDyeLandsWithItsChromaAndTheTintIsSmooth)
{
    SplitToning step;
    step.dyes = {{0.5, 70, 0.05, 0.4, {}}};
    const OkLch tint = toOkLch(tintAt(step, 0.5));
    EXPECT_NEAR(tint.chroma, 0.05, 1e-12);
    EXPECT_NEAR(tint.hueDegrees, 70, 1e-9);
    EXPECT_EQ(tintAt(step, 0.95).a, 0);
    holds("C1 in L", [](Random& random) {
        const SplitToning dyes = random.dyes();
        constexpr double kH = 1e-5;
        const double L = random.between(0.02, 0.98);
        const auto slope = [&](double at) { return (tintAt(dyes, at + kH).b - tintAt(dyes, at - kH).b) / (2 * kH); };
        RC_ASSERT(std::abs(slope(L + 1e-4) - slope(L - 1e-4)) < 0.05);
    });
}

TEST(SplitToning, LocksKeepTheirAngles)
{
    SplitToning step;
    step.dyes = {{0.2, 40, 0.02, 0.4, {}}, {0.5, 0, 0.02, 0.4, {}}, {0.8, 0, 0.02, 0.4, {}}};
    const std::pair<SplitToning::Lock, std::pair<double, double>> locks[] = {{SplitToning::Lock::Complement, {220, 40}},
                                                                             {SplitToning::Lock::Split, {190, 250}},
                                                                             {SplitToning::Lock::Analogous, {70, 10}},
                                                                             {SplitToning::Lock::Triad, {160, 280}}};
    for (const auto& [lock, hues] : locks) {
        step.lock = lock;
        applyLock(step, 0);
        EXPECT_NEAR(step.dyes[1].hueDegrees, hues.first, 1e-9);
        EXPECT_NEAR(step.dyes[2].hueDegrees, hues.second, 1e-9);
    }
}

TEST(HueShifts, WeightsAreAPartitionOfUnity)
{
    holds("weights sum to one and none is negative", [](Random& random) {
        const HueShifts step = random.hues();
        const std::vector<double> weights =
            weightsAt(step, {random.between(-0.2, 1.3), random.between(-0.4, 0.4), random.between(-0.4, 0.4)});
        double sum = 0;
        for (double w : weights) {
            RC_ASSERT(w >= -1e-12);
            sum += w;
        }
        RC_ASSERT(std::abs(sum - 1) < 1e-12);
        RC_ASSERT(weights.size() == step.families.size() + 4);
    });
}

TEST(HueShifts, HueOnlyMovesKeepNeutralsAndLightness)
{
    holds("turning hues leaves greys grey and L alone", [](Random& random) {
        const HueShifts step = random.hues(true);
        const double v = random.between(0, 1.2);
        RC_ASSERT(ciede2000(evaluate(step, {v, v, v}), {v, v, v}) <= kNeutralTolerance);
        const LinearRgb c = random.colour(0, 1);
        const OkLab in = toOkLab(c), out = toOkLab(evaluate(step, c));
        RC_ASSERT(std::abs(in.L - out.L) < 1e-9);
        RC_ASSERT(std::abs(std::hypot(in.a, in.b) - std::hypot(out.a, out.b)) < 1e-9);
    });
}

TEST(HueShifts, TearMeterNamesTheFamiliesBetweenWhichHuesFold)
{
    HueShifts step;
    EXPECT_DOUBLE_EQ(tearMeter(step).smallestHueSlope, 1);
    step.families[2].move.turnDegrees = 90;   // Straw, towards Leaf
    step.families[3].move.turnDegrees = -60;  // Leaf, towards Straw
    const TearMeter tear = tearMeter(step);
    EXPECT_LT(tear.smallestHueSlope, 0);
    EXPECT_EQ(tear.families, "Straw and Leaf");
    EXPECT_GT(tear.atDegrees, step.families[2].centreDegrees);
    EXPECT_LT(tear.atDegrees, step.families[3].centreDegrees);
    // The meter agrees with the hues themselves: somewhere a larger hue comes out smaller.
    bool folds = false;
    for (double h = 90; h < 150; h += 0.5)
        folds = folds || h + 0.5 + moveAtHue(step, h + 0.5).turnDegrees < h + moveAtHue(step, h).turnDegrees;
    EXPECT_TRUE(folds);
    step.families[2].move.turnDegrees = 10, step.families[3].move.turnDegrees = 5;
    EXPECT_GT(tearMeter(step).smallestHueSlope, 0.5);
}

TEST(Contrast, IsARisingCurveThroughBlackPivotAndWhite)
{
    holds("monotone, ends and pivot held, slope at the pivot", [](Random& random) {
        Contrast step = random.any<Contrast>();
        step.exposure = 0;
        RC_ASSERT(std::abs(toneAt(step, 0)) < 1e-12 && std::abs(toneAt(step, 1) - 1) < 1e-12 &&
                  std::abs(toneAt(step, step.pivot) - step.pivot) < 1e-12);
        constexpr double kH = 1e-6;
        RC_ASSERT(std::abs((toneAt(step, step.pivot + kH) - toneAt(step, step.pivot - kH)) / (2 * kH) - step.slope) <
                  1e-3 * step.slope);
        for (double L = -0.3, last = -9; L < 1.4; last = toneAt(step, L), L += 0.01)
            RC_ASSERT(toneAt(step, L) > last);
    });
}

TEST(Contrast, HeldBrightnessIsTheMeanOfBefore)
{
    holds("mean L unchanged", [](Random& random) {
        Contrast step;
        step.slope = random.between(0.5, 2);
        step.pivot = random.between(0.3, 0.7);
        std::vector<double> tones;
        double before = 0, after = 0;
        for (int i = 0; i < 500; ++i)
            tones.push_back(random.between(0, 0.7));
        step.exposure = exposureHoldingMean(step, tones);
        for (double L : tones)
            before += L / 500, after += toneAt(step, L) / 500;
        RC_ASSERT(std::abs(before - after) < 1e-5);
    });
}

TEST(ToneBands, SharesAreAPartitionAndDarksAndLightsDoNotMeet)
{
    holds("partition of unity; opening darks leaves lights alone and the reverse", [](Random& random) {
        double sum = 0;
        const double L = random.between(-0.2, 1.3);
        for (double share : bandShares(L)) {
            RC_ASSERT(share >= -1e-12);
            sum += share;
        }
        RC_ASSERT(std::abs(sum - 1) < 1e-12);
        ToneBands darks, lights;
        darks.deep = random.between(-1.5, 1.5), darks.dark = random.between(-1.5, 1.5);
        lights.light = random.between(-1.5, 1.5), lights.bright = random.between(-1.5, 1.5);
        const double high = random.between(kBandCentres[1] + 1.5 * kBandSpacing, 1.2),
                     low = random.between(0, kBandCentres[3] - 1.5 * kBandSpacing);
        const LinearRgb light{high * high * high, high * high * high, high * high * high},
            dark{low * low * low, low * low * low, low * low * low};
        RC_ASSERT(std::abs(evaluate(darks, light).g - light.g) < 1e-12);
        RC_ASSERT(std::abs(evaluate(lights, dark).g - dark.g) < 1e-12);
    });
    ToneBands step;
    step.middle = 1;  // at its own centre a band has three quarters
    const double y = std::pow(kBandCentres[2], 3);
    EXPECT_NEAR(evaluate(step, {y, y, y}).r, std::exp2(0.75) * y, 1e-12);
    EXPECT_GT(smallestSlope(step).smallest, 0);
    step.deep = step.dark = step.light = step.bright = 1;  // one stop everywhere doubles light
    EXPECT_NEAR(evaluate(step, {0.3, 0.1, 0.6}).b, 1.2, 1e-12);
    step = {};
    step.middle = -1.5, step.dark = 1.5;
    EXPECT_LT(smallestSlope(step).smallest, 0);
}

TEST(Ends, AreMonotoneLandWhereAskedAndSolveWithinTheBudget)
{
    holds("ends land at floor and ceiling, greys stay grey, tones rise", [](Random& random) {
        const Ends step = random.any<Ends>();
        const auto grey = [&](double L) { return evaluate(step, {L * L * L, L * L * L, L * L * L}); };
        RC_ASSERT(std::abs(std::cbrt(grey(step.black).r) - step.floor) < 1e-9);
        RC_ASSERT(std::abs(std::cbrt(grey(step.white).b) - step.ceiling) < 1e-9);
        double last = -9;
        for (double L = -0.2; L < 1.3; L += 0.02) {
            const LinearRgb c = grey(L);
            RC_ASSERT(c.r > last && c.r == c.g && c.g == c.b);
            last = c.r;
        }
    });
    Random random(61);
    std::vector<LinearRgb> pixels;
    for (int i = 0; i < 10000; ++i)
        pixels.push_back(random.colour(0.003, 0.5));
    for (double budget : {0.0, 0.5, 2.0}) {
        Ends step;
        step.blackBudget = step.whiteBudget = budget;
        solveEnds(step, pixels);
        int black = 0, white = 0;
        for (const LinearRgb& c : pixels) {
            const LinearRgb out = evaluate(step, c);
            black += std::max({out.r, out.g, out.b}) < -1e-9;
            white += std::max({out.r, out.g, out.b}) > 1 + 1e-9;
        }
        EXPECT_LE(black, budget / 100 * 10000 + 1);
        EXPECT_LE(white, budget / 100 * 10000 + 1);
        EXPECT_GE(black + white, budget / 100 * 10000);  // and the budget is used
    }
}

TEST(Chroma, HoldsLightnessHueNeutralsAndTheSheltered)
{
    holds("L and hue held, chroma rises with chroma, the ceiling is never passed", [](Random& random) {
        const Chroma step = random.any<Chroma>();
        const LinearRgb c = random.colour(0, 1);
        const OkLab in = toOkLab(c), out = toOkLab(evaluate(step, c));
        RC_ASSERT(std::abs(in.L - out.L) < 1e-9);
        RC_ASSERT(std::abs(in.a * out.b - in.b * out.a) < 1e-9);
        const double v = random.between(0, 1);
        RC_ASSERT(ciede2000(evaluate(step, {v, v, v}), {v, v, v}) <= kNeutralTolerance);
        const double hue = random.between(0, 360);
        double last = -1;
        for (double C = 0.001; C < 0.4; C += 0.004) {
            const double scaled = C * chromaFactor(step, C, hue);
            RC_ASSERT(scaled >= last - 1e-12);
            RC_ASSERT(!step.hasCeiling || scaled < step.ceiling);
            last = scaled;
        }
    });
    Chroma step;
    step.reserved = 0.8, step.shelter = 1;
    EXPECT_GT(chromaFactor(step, 0.03, 200), chromaFactor(step, 0.2, 200) + 0.3);  // muted colours gain more
    EXPECT_LT(chromaFactor(step, 0.12, step.shelterHue), 1.03);
}

TEST(Warmth, HoldsTheLuminanceOfNeutralsAndIsUndoneByItsOwnCure)
{
    const auto luminance = [](const LinearRgb& c) {
        const auto& y = rgbToXyz(RgbSpace::Rec2020).m[1];
        return y[0] * c.r + y[1] * c.g + y[2] * c.b;
    };
    Random random(8);
    for (int i = 0; i < 200; ++i) {
        const Warmth step = random.any<Warmth>();
        const double v = random.between(0.01, 4);
        EXPECT_NEAR(luminance(evaluate(step, {v, v, v})), v, 1e-12 * v);
    }
    // Warmer is yellower, green is greener; mired add up on neutrals.
    EXPECT_GT(toOkLab(evaluate(Warmth{40, 0, {}}, {0.3, 0.3, 0.3})).b, 0.02);
    EXPECT_LT(toOkLab(evaluate(Warmth{0, 10, {}}, {0.3, 0.3, 0.3})).a, -0.01);
    // A neutral that a tint made blue is brought back by as much warmth as is offered.
    for (const Warmth& cast : {Warmth{-40, 6, {}}, Warmth{70, -4, {}}, Warmth{0, 0, {}}}) {
        const LinearRgb tinted = evaluate(cast, {0.4, 0.4, 0.4}), back = evaluate(neutralising(tinted), tinted);
        EXPECT_LT(toOkLch(toOkLab(back)).chroma, 2e-4) << cast.warmth;
    }
    EXPECT_TRUE(isIdentity(neutralising({0, 0, 0})));
}

TEST(Primaries, KeepWhiteAndEveryNeutral)
{
    holds("white to 1e-6", [](Random& random) {
        const double v = random.between(0, 3);
        const LinearRgb out = evaluate(random.any<Primaries>(), {v, v, v});
        RC_ASSERT(std::abs(out.r - v) <= 1e-6 * v && std::abs(out.g - v) <= 1e-6 * v &&
                  std::abs(out.b - v) <= 1e-6 * v);
    });
    Primaries step;
    step.redTurn = 12;
    const auto hue = [](const LinearRgb& c) { return toOkLch(toOkLab(c)).hueDegrees; };
    EXPECT_GT(hueDifference(hue({0.5, 0.1, 0.1}), hue(evaluate(step, {0.5, 0.1, 0.1}))), 3);
}

TEST(Wash, BlendsAsTheCompositingFormulaeSay)
{
    EXPECT_DOUBLE_EQ(blended(Wash::Blend::Normal, 0.3, 0.8), 0.8);
    EXPECT_DOUBLE_EQ(blended(Wash::Blend::Multiply, 0.3, 0.8), 0.24);
    EXPECT_DOUBLE_EQ(blended(Wash::Blend::Screen, 0.3, 0.8), 0.86);
    EXPECT_NEAR(blended(Wash::Blend::SoftLight, 0.4, 0.3), 0.4 - 0.4 * 0.4 * 0.6, 1e-12);
    EXPECT_NEAR(blended(Wash::Blend::SoftLight, 0.2, 0.75), 0.2 + 0.5 * (((16 * 0.2 - 12) * 0.2 + 4) * 0.2 - 0.2),
                1e-12);
    EXPECT_NEAR(blended(Wash::Blend::SoftLight, 0.49, 0.75), 0.49 + 0.5 * (0.7 - 0.49), 1e-12);
    // Soft light with middle grey is nothing, multiply with white and screen with black are nothing.
    for (double b : {0.0, 0.1, 0.25, 0.6, 1.0}) {
        EXPECT_NEAR(blended(Wash::Blend::SoftLight, b, 0.5), b, 1e-12);
        EXPECT_NEAR(blended(Wash::Blend::Multiply, b, 1), b, 1e-12);
        EXPECT_NEAR(blended(Wash::Blend::Screen, b, 0), b, 1e-12);
    }
}

TEST(Guard, TouchesOnlyWhatItHolds)
{
    holds("weights within 0..1, inversion is the rest, colours outside are untouched", [](Random& random) {
        Step step{random.parameters(random.whole(0, 7)), true, 1, {}, {}, random.guard()};
        const LinearRgb c = random.colour(0, 1);
        const OkLab lab = toOkLab(c);
        const double weight = weightAt(step.guard, lab);
        RC_ASSERT(weight >= 0 && weight <= 1);
        Guard turned = step.guard;
        turned.inverted = !turned.inverted;
        double sheltered = 1;
        for (const Shelter& shelter : turned.shelters)
            sheltered *= 1 - shelter.amount * weightAt(shelter.colours, lab);
        RC_ASSERT(std::abs(weightAt(turned, lab) + weight - sheltered) < 1e-12);
        if (weight == 0) {
            const OkLab out = toOkLab(evaluate(step, c));
            RC_ASSERT(std::abs(out.L - lab.L) + std::abs(out.a - lab.a) + std::abs(out.b - lab.b) < 1e-9);
        }
    });
    Guard leaves;
    leaves.hueCentre = 130, leaves.hueWidth = 60;
    EXPECT_NEAR(weightAt(leaves, toOkLab(OkLch{0.5, 0.15, 140})), 1, 0.01);
    EXPECT_EQ(weightAt(leaves, toOkLab(OkLch{0.5, 0.15, 250})), 0);
    EXPECT_EQ(weightAt(leaves, OkLab{0.5, 0, 0}), 0);
}

TEST(PerPicture, ValuesStayWithTheirPictureAndTheRestTravels)
{
    Contrast contrast;
    contrast.slope = 1.2;
    Look look;
    look.steps.push_back({contrast, true, 1, {}, {}});
    look.steps[0].perPicture = {"exposure"};
    // An edit on one picture: the slope changes for all, the exposure for this one.
    contrast.slope = 1.4, contrast.exposure = 0.3;
    look.steps[0] = edited(look.steps[0], "frame-a", contrast);
    const auto on = [&](const std::string& picture) {
        return std::get<Contrast>(lookFor(look, picture).steps[0].parameters);
    };
    EXPECT_EQ(on("frame-a").exposure, 0.3);
    EXPECT_EQ(on("frame-b").exposure, 0);
    EXPECT_EQ(on("frame-a").slope, 1.4);
    EXPECT_EQ(on("frame-b").slope, 1.4);
    // The job keeps them; a file that travels does not carry them.
    EXPECT_EQ(lookFromText(lookToText(look, false), "job")->look, look);
    const Look travelled = lookFromText(lookToText(look, true), "file")->look;
    EXPECT_TRUE(travelled.steps[0].held.empty());
    EXPECT_EQ(travelled.steps[0].perPicture, look.steps[0].perPicture);
}

TEST(LookupTable, MixIsLinearInEncodedValues)
{
    Random random(33);
    LookupTable step = lookupTable(random.table(0, 5), "t");
    const LinearRgb c = random.colour(0, 1);
    const EncodedRgb in = encode(RgbSpace::Srgb, c);
    step.mix = 1;
    const EncodedRgb full = encode(RgbSpace::Srgb, evaluate(step, c));
    step.mix = 0.3;
    EXPECT_NEAR(encode(RgbSpace::Srgb, evaluate(step, c)).g, in.g + 0.3 * (full.g - in.g), 1e-9);
}

TEST(LookDifference, ListsWhatChangedAndMeasuresIt)
{
    Look one, two;
    one.steps.push_back({SplitToning{}, true, 1, {}, {}});
    two = one;
    EXPECT_TRUE(parameterChanges(one, two).empty());
    EXPECT_EQ(measuredDifference(one, two).maximum, 0);
    std::get<SplitToning>(two.steps[0].parameters).dyes[1].chroma = 0.04;
    two.name = "Other";
    const auto changes = parameterChanges(one, two);
    ASSERT_EQ(changes.size(), 2u);
    EXPECT_EQ(changes[0].field, "name");
    EXPECT_EQ(changes[1].field, "steps/0/parameters/dyes/1/chroma");
    EXPECT_EQ(changes[1].after, "0.04");
    const DifferenceSummary d = measuredDifference(one, two);
    EXPECT_GT(d.mean, 0.5);
    EXPECT_GE(d.maximum, d.percentile95);
}

}  // namespace
}  // namespace amber
