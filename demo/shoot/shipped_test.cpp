// The files that ship with the demo, against their manifest and against the truth they were made from.
#include "core/base/content_hash.h"
#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"
#include "core/image/metadata.h"
#include "core/image/read.h"
#include "demo/camera/develop.h"
#include "demo/devices/ink.h"
#include "tests/support/run_command.h"

#include <cmath>
#include <gtest/gtest.h>
#include <lcms2.h>
#include <map>
#include <nlohmann/json.hpp>
#include <set>
#include <sstream>

namespace amber::demo {
namespace {

using namespace test;
namespace fs = std::filesystem;
using Json = nlohmann::json;

const fs::path kDemo = fs::path(AMBER_SOURCE_DIR) / "demo";
const std::vector<std::string> kGroups{"north-window", "lamp-shelf", "yard", "dusk-terrace"};

Json jsonOf(const fs::path& file) { return Json::parse(readText(file)); }
const Json& truth()
{
    static const Json json = jsonOf(kDemo / "truth.json")["frames"];
    return json;
}

TEST(Shipped, EveryFileIsAsItsManifestSays)
{
    const Json manifest = jsonOf(kDemo / "manifest.json");
    std::uintmax_t total = 0;
    std::set<std::string> listed;
    for (const auto& [name, facts] : manifest.items()) {
        const fs::path file = kDemo / name;
        ASSERT_TRUE(fs::exists(file)) << name;
        EXPECT_EQ(contentHashOfFile(file).value(), facts["hash"]) << name;
        EXPECT_EQ(fs::file_size(file), facts["bytes"]) << name;
        EXPECT_LT(facts["bytes"], 4'000'000) << name;
        total += fs::file_size(file);
        listed.insert(name);
        if (!facts.contains("width"))
            continue;
        const auto info = readPictureInfo(file);
        ASSERT_TRUE(info) << info.error().message();
        EXPECT_EQ(info->width, facts["width"]) << name;
        EXPECT_EQ(info->height, facts["height"]) << name;
        EXPECT_GE(info->width * info->height, 1500 * 1000) << name;
        EXPECT_EQ(info->profile.title, facts["profile"]) << name;
        EXPECT_FALSE(info->profile.assumedSrgb) << name;
        EXPECT_EQ(captureTime(file), facts["time"]) << name;
        EXPECT_EQ(captureTime(file).size(), 19u) << name;
    }
    EXPECT_LT(total, 60'000'000u);
    for (const char* folder : {"frames", "raw", "looks", "tables", "profiles", "reference", "pair", "card", "areas"})
        for (const auto& entry : fs::directory_iterator(kDemo / folder))
            EXPECT_TRUE(listed.count(fs::relative(entry.path(), kDemo).string())) << entry.path();
}

TEST(Shipped, TheShootHasWhatShootsHave)
{
    std::map<std::string, std::vector<const Json*>> groups;
    std::set<std::string> renders;
    std::map<std::string, std::vector<double>> brackets;
    std::map<std::string, std::set<std::string>> people;  // and the groups they are in
    int mixed = 0, clipped = 0, tilted = 0;
    for (const Json& frame : truth()) {
        groups[frame["group"]].push_back(&frame);
        renders.insert(frame["render"]);
        if (frame.contains("person"))
            people[frame["person"]].insert(frame["group"].get<std::string>());
        if (frame.contains("bracket"))
            brackets[frame["bracket"]].push_back(frame["stops"]);
        mixed += frame.contains("mixed");
        tilted += frame.contains("tilt_degrees");
        EXPECT_TRUE(fs::exists(kDemo / "frames" / (frame["name"].get<std::string>() + ".jpg")));
        if (!frame.contains("clipped"))
            continue;
        ++clipped;
        const auto picture = readPicture(kDemo / "frames" / (frame["name"].get<std::string>() + ".jpg")).value();
        int white = 0;
        const float* p = picture.image.view().data;
        for (int i = 0; i < 1500 * 1000; ++i, p += 3)
            white += p[0] > 0.985f && p[1] > 0.985f && p[2] > 0.985f;
        EXPECT_GT(white, 1500 * 1000 / 100);
    }
    EXPECT_GE(truth().size(), 36u);
    EXPECT_GE(renders.size(), 18u);
    ASSERT_EQ(brackets.size(), 2u);
    for (const auto& [name, stops] : brackets)
        EXPECT_EQ(stops, (std::vector<double>{-1.5, 0, 1.5})) << name;
    EXPECT_EQ(people.size(), 4u);
    EXPECT_TRUE(std::any_of(people.begin(), people.end(), [](const auto& p) { return p.second.size() >= 2; }));
    EXPECT_EQ(mixed, 1);
    EXPECT_EQ(clipped, 1);
    EXPECT_EQ(tilted, 1);
    EXPECT_EQ(groups["test-shot"].size(), 1u);
    double widestStops = 0, widestKelvin = 0;
    for (const std::string& group : kGroups) {
        EXPECT_GE(groups[group].size(), 8u) << group;
        EXPECT_TRUE(groups[group][0]->contains("patches")) << group;
        std::vector<double> stops, kelvin;
        for (const Json* frame : groups[group])
            if (!frame->contains("bracket") && !frame->contains("clipped")) {
                stops.push_back((*frame)["stops"]);
                kelvin.push_back((*frame)["kelvin"].get<double>());
            }
        widestStops = std::max(widestStops, *std::max_element(stops.begin(), stops.end()) -
                                                *std::min_element(stops.begin(), stops.end()));
        widestKelvin = std::max(widestKelvin, *std::max_element(kelvin.begin(), kelvin.end()) -
                                                  *std::min_element(kelvin.begin(), kelvin.end()));
    }
    EXPECT_NEAR(widestStops, 1.5, 0.1);
    EXPECT_NEAR(widestKelvin, 800, 50);
}

TEST(Shipped, ThePairIsOneExposureBeforeAndAfterItsFinish)
{
    const auto before = readPicture(kDemo / "pair/before.jpg").value(),
               after = readPicture(kDemo / "pair/after.jpg").value();
    EXPECT_EQ(captureTime(kDemo / "pair/before.jpg"), captureTime(kDemo / "pair/after.jpg"));
    ASSERT_EQ(before.info.width, after.info.width);
    ASSERT_EQ(before.info.height, after.info.height);
    // The finish depends on place: the same wall of leaves loses more light in the corner than in the middle.
    const auto left = [&](int x, int y) {
        double from = 0, to = 0;
        for (int row = y; row < y + 60; ++row)
            for (int i = 3 * x; i < 3 * (x + 60); ++i)
                from += before.image.view().row(row)[i], to += after.image.view().row(row)[i];
        return to / from;
    };
    EXPECT_LT(left(0, 0), 0.9 * left(600, 300));
}

/// The card as its open description says: Lab relative to D65 of every patch, and how many there are of each kind.
struct Card {
    std::map<std::string, Lab> patches;
    std::map<std::string, int> kinds;
    int marks = 0;
};

Card card()
{
    Card result;
    std::istringstream text(readText(kDemo / "card/ombrel-card.txt"));
    for (std::string line; std::getline(text, line);) {
        std::istringstream words(line.substr(0, line.find('#')));
        std::string what, name, kind;
        double x, y, r;
        Lab lab;
        words >> what;
        if (what == "mark")
            ++result.marks;
        else if (what == "patch" && words >> name >> kind >> x >> y >> r >> lab.l >> lab.a >> lab.b)
            result.patches[name] = lab, ++result.kinds[kind];
    }
    return result;
}

/// Both colours as the card's own light shows them: whites neutral, the middle grey at its reference lightness.
Lab underItsLight(const LinearRgb& bt709, const Xyz& white, double scale)
{
    const LinearRgb xyz = apply(bradford(white, whiteOf(RgbSpace::Srgb)) * rgbToXyz(RgbSpace::Srgb), bt709);
    const Xyz& d65 = whiteOf(RgbSpace::Srgb);
    return toLab(Xyz{xyz.r * scale / d65.x * kD50.x, xyz.g * scale, xyz.b * scale / d65.z * kD50.z});
}

LinearRgb meanAround(ImageView picture, const Json& patch)
{
    double sum[3] = {}, count = 0;
    const double cx = patch["x"], cy = patch["y"], r = patch["radius"];
    for (int y = static_cast<int>(cy - r); y <= static_cast<int>(cy + r); ++y)
        for (int x = static_cast<int>(cx - r); x <= static_cast<int>(cx + r); ++x)
            if (std::hypot(x + 0.5 - cx, y + 0.5 - cy) <= r) {
                for (int k = 0; k < 3; ++k)
                    sum[k] += picture.row(y)[3 * x + k];
                ++count;
            }
    return {sum[0] / count, sum[1] / count, sum[2] / count};
}

TEST(Shipped, TheCardIsTheColoursOfItsDescriptionInEveryLight)
{
    constexpr double kNotOnlyWhite =
        5.0;  // pots throw colour on the card, and a lamp's light is more than a shift of white
    const Card reference = card();
    EXPECT_EQ(reference.marks, 4);
    EXPECT_EQ(reference.kinds, (std::map<std::string, int>{{"grey", 1}, {"hue", 12}, {"skin", 6}, {"stair", 7}}));
    for (const Json& frame : truth()) {
        if (!frame.contains("patches"))
            continue;
        const auto& middle = frame["patches"]["middle"]["scene"];
        const LinearRgb xyz = apply(rgbToXyz(RgbSpace::Srgb), {middle[0], middle[1], middle[2]});
        const Xyz white{xyz.r / xyz.g, 1, xyz.b / xyz.g};
        double sum = 0;
        for (const auto& [name, lab] : reference.patches) {
            const auto& seen = frame["patches"][name]["scene"];
            const LinearRgb colour{seen[0], seen[1], seen[2]};
            const double wanted = lab.l > 8 ? std::pow((lab.l + 16) / 116, 3) : lab.l / 903.2963,
                         is = apply(rgbToXyz(RgbSpace::Srgb), colour).g;
            sum += ciede2000(underItsLight(colour, white, wanted / is), lab);
        }
        EXPECT_LT(sum / static_cast<double>(reference.patches.size()), kNotOnlyWhite) << frame["name"];
    }
}

TEST(Shipped, CardPatchesOfRawFilesAndJpegsAgreeWithTheTruth)
{
    constexpr double kMeanAllowed = 1.0, kMiddleY = 0.18418652;  // of L* 50
    const Sensor sensor;
    std::printf("%-16s %26s %26s\n%-16s %26s %26s\n", "", "raw, dE00", "camera JPEG, dE00", "frame",
                "mean   95 %   max", "mean   95 %   max");
    int cards = 0;
    for (const Json& frame : truth()) {
        if (!frame.contains("patches"))
            continue;
        const std::string name = frame["name"];
        const double exposure = std::exp2(frame["stops"].get<double>());
        const auto& middle = frame["patches"]["middle"]["scene"];
        const LinearRgb xyz = apply(rgbToXyz(RgbSpace::Srgb), {middle[0], middle[1], middle[2]});
        const Xyz white{xyz.r / xyz.g, 1, xyz.b / xyz.g};
        const auto jpeg = readPicture(kDemo / "frames" / (name + ".jpg")).value();
        const bool hasRaw = fs::exists(kDemo / "raw" / (name + ".dng"));
        const Image raw =
            hasRaw ? toScene(readRaw(kDemo / "raw" / (name + ".dng")).value().view(), sensor) : Image(1, 1);
        std::vector<double> rawErrors, jpegErrors;
        for (const auto& [patch, known] : frame["patches"].items()) {
            const LinearRgb scene{known["scene"][0], known["scene"][1], known["scene"][2]};
            if (hasRaw) {
                const LinearRgb seen = meanAround(raw.view(), known);
                rawErrors.push_back(ciede2000(underItsLight(seen, white, kMiddleY / xyz.g / exposure),
                                              underItsLight(scene, white, kMiddleY / xyz.g)));
            }
            Image one(1, 1);
            const LinearRgb lit = apply(sensor.fromScene, scene);
            float* p = one.mutableView().data;
            p[0] = static_cast<float>(std::min(1.0, lit.r * exposure / sensor.headroom)),
            p[1] = static_cast<float>(std::min(1.0, lit.g * exposure / sensor.headroom)),
            p[2] = static_cast<float>(std::min(1.0, lit.b * exposure / sensor.headroom));
            const Image expected = plainRendering(one.view(), sensor, frame["as_shot_kelvin"]);
            jpegErrors.push_back(
                ciede2000(meanAround(jpeg.image.view(), known),
                          {expected.view().data[0], expected.view().data[1], expected.view().data[2]}));
        }
        const DifferenceSummary r = summarise(rawErrors), j = summarise(jpegErrors);
        if (hasRaw)
            std::printf("%-16s %12.2f %6.2f %6.2f", name.c_str(), r.mean, r.percentile95, r.maximum);
        else
            std::printf("%-16s %26s", name.c_str(), "no raw file");
        std::printf(" %12.2f %6.2f %6.2f\n", j.mean, j.percentile95, j.maximum);
        EXPECT_LE(r.mean, kMeanAllowed) << name;
        EXPECT_LE(j.mean, kMeanAllowed) << name;
        cards += hasRaw;
    }
    EXPECT_EQ(cards, 4);
}

TEST(Shipped, EveryRawFileIsAcceptedByLibRawsOwnPrograms)
{
    const TemporaryFolder folder;
    int files = 0;
    for (const auto& entry : fs::directory_iterator(kDemo / "raw")) {
        const std::string copy = (folder / entry.path().filename().string()).string();
        fs::copy_file(entry.path(), copy);
        const Ran identified = run("raw-identify " + copy);
        EXPECT_EQ(identified.status, 0) << copy;
        EXPECT_NE(identified.out.find("is a Ombrel Bellows One image"), std::string::npos)
            << identified.out << identified.err;
        EXPECT_EQ(run("dcraw_emu -T " + copy).status, 0) << copy;
        EXPECT_GT(fs::file_size(copy + ".tiff"), 4'000'000u);
        ++files;
    }
    EXPECT_GE(files, 6);
}

TEST(Profiles, ThePrinterKeepsItsInkLimitAndComesBackToTheSameColour)
{
    const std::string file = (kDemo / "profiles/printer-kiln-felt.icc").string();
    constexpr double kTwoTables = 2.5;  // there and back, both interpolated
    const InkPaper print;
    void* printer = cmsOpenProfileFromFile(file.c_str(), "r");
    ASSERT_NE(printer, nullptr);
    EXPECT_EQ(cmsGetColorSpace(printer), cmsSigCmykData);
    void* lab = cmsCreateLab4Profile(nullptr);
    void* toInk =
        cmsCreateTransform(lab, TYPE_Lab_DBL, printer, TYPE_CMYK_16, INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_NOOPTIMIZE);
    void* back =
        cmsCreateTransform(printer, TYPE_CMYK_16, lab, TYPE_Lab_DBL, INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_NOOPTIMIZE);
    double worst = 0, most = 0;
    int reached = 0;
    for (int l = 0; l <= 100; l += 10)
        for (int a = -80; a <= 80; a += 20)
            for (int b = -80; b <= 80; b += 20) {
                const cmsCIELab wanted{static_cast<double>(l), static_cast<double>(a), static_cast<double>(b)};
                cmsUInt16Number ink[4];
                cmsDoTransform(toInk, &wanted, ink, 1);
                most = std::max(most, (ink[0] + ink[1] + ink[2] + ink[3]) / 65535.0);
                if (std::hypot(a, b) > 45 || ciede2000(print.relativeLab(print.inksFor({wanted.L, wanted.a, wanted.b})),
                                                       Lab{wanted.L, wanted.a, wanted.b}) > 0.3)
                    continue;  // these inks on this paper cannot print it
                ++reached;
                cmsCIELab printed;
                cmsDoTransform(back, ink, &printed, 1);
                worst =
                    std::max(worst, ciede2000(Lab{wanted.L, wanted.a, wanted.b}, Lab{printed.L, printed.a, printed.b}));
            }
    EXPECT_LE(most, print.inkLimit + 0.02);
    EXPECT_GT(most, print.inkLimit - 0.3);
    EXPECT_GT(reached, 50);
    EXPECT_LT(worst, kTwoTables);
    for (void* transform : {toInk, back})
        cmsDeleteTransform(transform);
    cmsCloseProfile(lab);
    cmsCloseProfile(printer);
    EXPECT_NEAR(print.relativeLab({0, 0, 0, 0}).l, 100, 0.01);
}

TEST(Profiles, ClientScreensAreReadAndDifferAsTheyShould)
{
    std::map<std::string, LinearRgb> white, black;
    for (const char* name : {"dim-phone", "warm-laptop", "pale-projector"}) {
        const std::string bytes = readText(kDemo / "profiles" / ("screen-" + std::string(name) + ".icc"));
        const auto profile = sourceProfile({bytes.begin(), bytes.end()}, 3, 8);
        ASSERT_TRUE(profile) << profile.error().message();
        EXPECT_NE(profile->title.find("Client screen"), std::string::npos);
        const std::uint8_t codes[6] = {255, 255, 255, 0, 0, 0};
        float rgb[6];
        profile->transform->convert(codes, 3, 2, rgb);
        white[name] = {rgb[0], rgb[1], rgb[2]};
        black[name] = {rgb[3], rgb[4], rgb[5]};
    }
    for (const auto& [name, c] : white)
        EXPECT_NEAR(c.g, 1, 0.02) << name;
    EXPECT_GT(black["pale-projector"].g, 0.04);
    EXPECT_LT(black["dim-phone"].g, 0.001);
}

TEST(Cable, FramesArriveWholeAndInTheOrderTheyWereTaken)
{
    const TemporaryFolder folder;
    fs::create_directory(folder / "from");
    for (const char* name : {"yard-01.jpg", "north-window-01.jpg", "dusk-terrace-01.jpg"})
        fs::copy_file(kDemo / "frames" / name, folder / "from" / name);
    const std::string command = AMBER_BIN_DIR "/amber_cable --from " + (folder / "from").string() + " --to " +
                                (folder / "to").string() + " --every 0.02";
    const Ran ran = run(command);
    EXPECT_EQ(ran.status, 0) << ran.err;
    EXPECT_EQ(ran.out, "north-window-01.jpg\nyard-01.jpg\ndusk-terrace-01.jpg\n");
    for (const auto& entry : fs::directory_iterator(folder / "from"))
        EXPECT_EQ(readText(folder / "to" / entry.path().filename().string()), readText(entry.path()));
    EXPECT_EQ(run(command).out, "");  // they are all there
    EXPECT_NE(
        run(AMBER_BIN_DIR "/amber_cable --from " + (folder / "nowhere").string() + " --to " + (folder / "to").string())
            .status,
        0);
}

}  // namespace
}  // namespace amber::demo
