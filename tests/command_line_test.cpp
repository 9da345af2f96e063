// The command line, as a user meets it: real files, real exit statuses.
#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"
#include "core/look/look_json.h"
#include "core/table/cube_file.h"
#include "tests/support/picture_files.h"
#include "tests/support/random_look.h"
#include "tests/support/run_command.h"

#include <OpenColorIO/OpenColorIO.h>
#include <cmath>
#include <fstream>
#include <gtest/gtest.h>
#include <map>
#include <set>
#include <sstream>

namespace amber::test {
namespace {

namespace fs = std::filesystem;
namespace OCIO = OCIO_NAMESPACE;

const std::string kEmptyLook = R"({"format": "jolly-amber-look", "version": 1, "name": "Empty", "steps": []})";

std::string quoted(const fs::path& path) { return "'" + path.string() + "'"; }
bool contains(const std::string& text, const std::string& part) { return text.find(part) != std::string::npos; }

TEST(Apply, TheEmptyLookReturnsEveryCodeUnchanged)
{
    const TemporaryFolder folder;
    folder.write("empty.json", kEmptyLook);
    // Every value of every channel in 8 bits, with every pair of red and green; then every 16-bit code in each channel.
    RawPicture eight{256, 256, 3, 8, {}}, sixteen{256, 256, 3, 16, {}};
    for (int i = 0; i < 65536; ++i)
        for (int k = 0; k < 3; ++k) {
            eight.codes.push_back(static_cast<std::uint16_t>(k == 0   ? i % 256
                                                             : k == 1 ? i / 256
                                                                      : (i * 7 + i / 256) % 256));
            sixteen.codes.push_back(static_cast<std::uint16_t>(k == 0   ? i
                                                               : k == 1 ? (i * 40503u) & 0xFFFF
                                                                        : 65535 - i));
        }
    ASSERT_TRUE(writeRaw(folder / "eight.png", eight));
    ASSERT_TRUE(writeRaw(folder / "sixteen.tif", sixteen));
    for (const auto& [file, format] : {std::pair{"eight.png", "png8"}, {"sixteen.tif", "tiff16"}}) {
        const Ran ran = amber("apply " + quoted(folder / "empty.json") + " " + quoted(folder / file) + " --format " +
                              format + " --out " + quoted(folder / "out"));
        ASSERT_EQ(ran.status, 0) << ran.err;
        EXPECT_EQ(largestDifference(readRaw(folder / file), readRaw(folder / "out" / file)), 0) << file;
    }
}

TEST(Apply, NeverReplacesAnOriginalOrAnybodysFile)
{
    const TemporaryFolder folder;
    folder.write("empty.json", kEmptyLook);
    fs::create_directory(folder / "shoot");
    for (const char* name : {"shoot/a.png", "shoot/a.jpg", "shoot/b.tif", "shoot/\xE9.png"})
        ASSERT_TRUE(writeRaw(folder / name, noise(40, 30, 3, 8, 5)));
    folder.write("shoot/b.jpg", "words of somebody");
    const auto bytes = [&](const char* name) { return readText(folder / "shoot" / name); };
    const std::string picture = bytes("a.jpg");
    const std::string command = "--json apply " + quoted(folder / "empty.json") + " " + quoted(folder / "shoot/a.png") +
                                " " + quoted(folder / "shoot/b.tif") + " " + quoted(folder / "shoot/\xE9.png") +
                                " --out " + quoted(folder / "shoot");
    for (int run = 0; run < 2; ++run) {
        const Ran ran = amber(command);
        EXPECT_EQ(ran.status, 0) << ran.err;
        EXPECT_EQ(bytes("a.jpg"), picture);
        EXPECT_EQ(bytes("b.jpg"), "words of somebody");
        EXPECT_EQ(readRaw(folder / "shoot/a-2.jpg").width, 40);
        EXPECT_FALSE(fs::exists(folder / "shoot/a-3.jpg")) << "what it wrote itself it writes anew";
        EXPECT_FALSE(Json::parse(ran.out, nullptr, false).is_discarded()) << ran.out;
    }
    // Files saved singly.
    EXPECT_EQ(amber("bake " + quoted(folder / "empty.json") + " --size 5 -o " + quoted(folder / "shoot/a.jpg")).status,
              2);
    EXPECT_EQ(
        amber("bake " + quoted(folder / "empty.json") + " --format cube --size 5 -o " + quoted(folder / "empty.json"))
            .status,
        2);
    EXPECT_EQ(readText(folder / "empty.json"), kEmptyLook);
    for (const int size : {5, 9})
        EXPECT_EQ(amber("bake " + quoted(folder / "empty.json") + " --size " + std::to_string(size) + " -o " +
                        quoted(folder / "own.cube"))
                      .status,
                  0)
            << "its own it writes anew";
    folder.write("own.cube", readText(folder / "own.cube") + "# changed by hand\n");
    EXPECT_EQ(amber("bake " + quoted(folder / "empty.json") + " --size 5 -o " + quoted(folder / "own.cube")).status, 2);
}

/// An independent evaluation of a .cube file over encoded values.
std::vector<float> throughOpenColorIo(const fs::path& cube, std::vector<float> rgb)
{
    OCIO::SetLoggingLevel(OCIO::LOGGING_LEVEL_NONE);
    const auto config = OCIO::Config::CreateRaw();
    const auto transform = OCIO::FileTransform::Create();
    transform->setSrc(cube.c_str());
    transform->setInterpolation(OCIO::INTERP_TETRAHEDRAL);
    const auto processor = config->getProcessor(transform)->getOptimizedCPUProcessor(OCIO::OPTIMIZATION_NONE);
    OCIO::PackedImageDesc image(rgb.data(), static_cast<long>(rgb.size() / 3), 1, 3);
    processor->apply(image);
    return rgb;
}

TEST(TableApply, EqualsAnIndependentTetrahedralEvaluation)
{
    const TemporaryFolder folder;
    constexpr int kOneCode = 1;
    Random random(81);
    struct Case {
        const char* name;
        int size1, size3;
        double low, high;
    };
    const RawPicture raw = noise(211, 97, 3, 16, 81);
    ASSERT_TRUE(writeRaw(folder / "in.tif", raw));
    for (const Case& c : {Case{"17", 0, 17, 0, 1},
                          {"33", 0, 33, 0, 1},
                          {"65", 0, 65, 0, 1},
                          {"1d", 1024, 0, 0, 1},
                          {"domain3", 0, 33, -0.25, 1.5},
                          {"inner", 0, 17, 0.1, 0.9},
                          {"domain1", 256, 0, -0.5, 1.25}}) {
        Table table = random.table(c.size1, c.size3);
        for (auto* domain : {&table.domainMin1, &table.domainMin3})
            *domain = {c.low, c.low, c.low};
        for (auto* domain : {&table.domainMax1, &table.domainMax3})
            *domain = {c.high, c.high, c.high};
        const auto cube = folder.write(std::string(c.name) + ".cube", formatCube(table));
        const Ran ran = amber("table apply " + quoted(cube) + " " + quoted(folder / "in.tif") + " -o " +
                              quoted(folder / "out.tif"));
        ASSERT_EQ(ran.status, 0) << ran.err;
        const RawPicture out = readRaw(folder / "out.tif");
        ASSERT_EQ(out.codes.size(), raw.codes.size());
        std::vector<float> encoded;
        for (std::uint16_t code : raw.codes)
            encoded.push_back(static_cast<float>(code) / 65535.0f);
        const auto expected = throughOpenColorIo(cube, encoded);
        int worst = 0;
        for (std::size_t i = 0; i < expected.size(); ++i)
            worst =
                std::max(worst, std::abs(static_cast<int>(std::lround(std::clamp(expected[i], 0.0f, 1.0f) * 65535)) -
                                         out.codes[i]));
        EXPECT_LE(worst, kOneCode) << c.name;
    }
}

/// Fritsch and Carlson 1980, written out once more on its own: secants, mean slopes, the circle of radius 3, Hermite
/// form.
double monotone(const std::vector<std::pair<double, double>>& p, double x)
{
    const std::size_t n = p.size();
    std::vector<double> d(n - 1), m(n);
    for (std::size_t i = 0; i + 1 < n; ++i)
        d[i] = (p[i + 1].second - p[i].second) / (p[i + 1].first - p[i].first);
    m[0] = d[0], m[n - 1] = d[n - 2];
    for (std::size_t i = 1; i + 1 < n; ++i)
        m[i] = d[i - 1] * d[i] <= 0 ? 0 : (d[i - 1] + d[i]) / 2;
    for (std::size_t i = 0; i + 1 < n; ++i)
        if (const double a = m[i] / d[i], b = m[i + 1] / d[i], s = a * a + b * b; s > 9)
            m[i] = 3 / std::sqrt(s) * a * d[i], m[i + 1] = 3 / std::sqrt(s) * b * d[i];
    if (x <= p[0].first)
        return p[0].second + m[0] * (x - p[0].first);
    if (x >= p[n - 1].first)
        return p[n - 1].second + m[n - 1] * (x - p[n - 1].first);
    std::size_t i = 0;
    while (x > p[i + 1].first)
        ++i;
    const double h = p[i + 1].first - p[i].first, t = (x - p[i].first) / h, u = 1 - t;
    return p[i].second * (1 + 2 * t) * u * u + m[i] * h * t * u * u + p[i + 1].second * t * t * (3 - 2 * t) -
           m[i + 1] * h * t * t * u;
}

TEST(Apply, TheToneCurveEqualsItsFormulaOnARamp)
{
    const TemporaryFolder folder;
    constexpr int kTwoCodes = 2;
    const std::vector<std::pair<double, double>> points{{0, 0.06}, {0.3, 0.25}, {0.55, 0.56}, {0.8, 0.86}, {1, 0.97}};
    std::string list;
    for (const auto& [x, y] : points)
        list += (list.empty() ? "[" : ", [") + std::to_string(x) + ", " + std::to_string(y) + "]";
    folder.write("curve.json",
                 R"({"format": "jolly-amber-look", "version": 1, "steps": [
            {"type": "tone-curve", "parameters": {"mode": "every-channel", "all": [)" +
                     list + "]}}]}");
    RawPicture ramp{4096, 3, 3, 16, {}};  // grey, warm and cool
    const double scale[3][3] = {{1, 1, 1}, {1, 0.8, 0.62}, {0.7, 0.85, 1}};
    for (int y = 0; y < 3; ++y)
        for (int x = 0; x < 4096; ++x)
            for (int k = 0; k < 3; ++k)
                ramp.codes.push_back(static_cast<std::uint16_t>(std::lround(x / 4095.0 * 65535 * scale[y][k])));
    ASSERT_TRUE(writeRaw(folder / "ramp.tif", ramp));
    const Ran ran = amber("apply " + quoted(folder / "curve.json") + " " + quoted(folder / "ramp.tif") +
                          " --format tiff16 --out " + quoted(folder / "out"));
    ASSERT_EQ(ran.status, 0) << ran.err;
    const RawPicture out = readRaw(folder / "out/ramp.tif");
    int worst = 0;
    for (int y = 0; y < 3; ++y)
        for (int x = 0; x < 4096; ++x) {
            LinearRgb c = decode(RgbSpace::Srgb,
                                 {ramp.at(x, y, 0) / 65535.0, ramp.at(x, y, 1) / 65535.0, ramp.at(x, y, 2) / 65535.0});
            for (double* v : {&c.r, &c.g, &c.b})
                *v = std::pow(monotone(points, std::cbrt(*v)), 3);
            const EncodedRgb e = encode(RgbSpace::Srgb, c);
            const double v[3] = {e.r, e.g, e.b};
            if (*std::max_element(v, v + 3) > 1 || *std::min_element(v, v + 3) < 0)
                continue;  // outside the target: the output transform's business
            for (int k = 0; k < 3; ++k)
                worst = std::max(
                    worst, std::abs(static_cast<int>(std::lround(v[k] * 65535)) - static_cast<int>(out.at(x, y, k))));
        }
    EXPECT_LE(worst, kTwoCodes);
}

class OnTheDemo : public testing::Test {
protected:
    void SetUp() override
    {
        const Ran ran = amber("demo --small --dir " + quoted(m_folder / "job"));
        ASSERT_EQ(ran.status, 0) << ran.err;
        for (const auto& entry : fs::directory_iterator(m_folder / "job"))
            if (entry.path().extension() == ".jpg")
                m_frames.push_back(entry.path());
        std::sort(m_frames.begin(), m_frames.end());
    }
    std::string look(const std::string& name) const { return quoted(m_folder / "job/looks" / (name + ".json")); }
    TemporaryFolder m_folder;
    std::vector<fs::path> m_frames;
};

TEST_F(OnTheDemo, WritesTheWholeShootOrAPracticeJobOfTwoFramesOfEachLight)
{
    ASSERT_EQ(m_frames.size(), 8u);
    for (const char* group : {"north-window", "lamp-shelf", "yard", "dusk-terrace"})
        EXPECT_EQ(std::count_if(m_frames.begin(), m_frames.end(),
                                [&](const fs::path& p) { return contains(p.filename().string(), group); }),
                  2)
            << group;
    ASSERT_EQ(amber("demo --dir " + quoted(m_folder / "whole")).status, 0);
    const auto count = [&](const fs::path& folder, const char* extension) {
        return std::count_if(fs::directory_iterator(folder), fs::directory_iterator(),
                             [&](const fs::directory_entry& e) { return e.path().extension() == extension; });
    };
    EXPECT_GE(count(m_folder / "whole", ".jpg"), 36);
    EXPECT_GE(count(m_folder / "whole/raw", ".dng"), 6);
    EXPECT_EQ(count(m_folder / "whole/looks", ".json"), 3);
    EXPECT_EQ(count(m_folder / "whole/tables", ".cube"), 2);
    EXPECT_EQ(count(m_folder / "whole/profiles", ".icc"), 4);
    EXPECT_EQ(count(m_folder / "whole/pair", ".jpg"), 2);
    EXPECT_EQ(count(m_folder / "whole/reference", ".jpg"), 1);
    EXPECT_FALSE(fs::exists(m_folder / "whole/truth.json"));
    // A second time nothing is overwritten and the job is still there.
    EXPECT_EQ(amber("demo --dir " + quoted(m_folder / "whole")).status, 0);
}

TEST_F(OnTheDemo, ALookBakedAndAppliedAsATableIsTheLook)
{
    constexpr double kMean = 0.25, kLargest = 1.5;
    const std::string as16 = (m_folder / "as16").string();
    m_folder.write("empty.json", kEmptyLook);
    std::string all;
    for (const fs::path& frame : m_frames)
        all += " " + quoted(frame);
    ASSERT_EQ(amber("apply " + quoted(m_folder / "empty.json") + all + " --format png16 --out " + as16).status, 0);
    for (const char* name : {"long-evening", "chalk-morning", "sea-fog"}) {
        ASSERT_EQ(amber("bake " + look(name) + " --size 65 -o " + quoted(m_folder / "baked.cube")).status, 0);
        for (const fs::path& frame : m_frames) {
            const std::string file = frame.stem().string() + ".png";
            ASSERT_EQ(amber("apply " + look(name) + " " + as16 + "/" + file + " --format png16 --out " +
                            quoted(m_folder / "exact"))
                          .status,
                      0);
            ASSERT_EQ(amber("table apply " + quoted(m_folder / "baked.cube") + " " + as16 + "/" + file + " -o " +
                            quoted(m_folder / "table.png"))
                          .status,
                      0);
            const Json d = Json::parse(
                amber("--json compare " + quoted(m_folder / "exact" / file) + " " + quoted(m_folder / "table.png"))
                    .out);
            EXPECT_LE(d["mean"].get<double>(), kMean) << name << " " << file;
            EXPECT_LE(d["maximum"].get<double>(), kLargest) << name << " " << file;
        }
    }
}

TEST_F(OnTheDemo, ResultsDoNotDependOnThreads)
{
    for (const char* threads : {"1", "2"})
        ASSERT_EQ(amber("apply " + look("long-evening") + " " + quoted(m_frames[0]) + " --threads " + threads +
                        " --out " + quoted(m_folder / threads))
                      .status,
                  0);
    const std::string name = m_frames[0].filename().string();
    EXPECT_EQ(readText(m_folder / "1" / name), readText(m_folder / "2" / name));
}

TEST_F(OnTheDemo, EveryExampleOfTheHelpRuns)
{
    int examples = 0;
    for (const char* command : {"apply", "bake", "table apply", "table info", "look new", "look show", "look check",
                                "look diff", "measure", "compare", "demo"}) {
        const Ran help = amber(std::string(command) + " --help");
        EXPECT_EQ(help.status, 0);
        const auto at = help.out.find("Example: ");
        ASSERT_NE(at, std::string::npos) << command;
        std::string example = help.out.substr(at + 9, help.out.find('\n', at) - at - 9);
        if (const auto tail = example.find(" && jolly-amber"); tail != std::string::npos)
            example.resize(tail);
        const std::string script = "cd " + quoted(m_folder.path()) + " && PATH=" AMBER_BIN_DIR ":$PATH && " + example;
        const Ran ran = run("sh -c \"" + script + "\"");
        EXPECT_EQ(ran.status, 0) << example << "\n" << ran.err;
        ++examples;
    }
    EXPECT_EQ(examples, 11);
}

TEST_F(OnTheDemo, TheCommandsInTheReadmeRun)
{
    std::istringstream readme(readText(fs::path(AMBER_SOURCE_DIR) / "README.md"));
    ASSERT_TRUE(writeRaw(m_folder / "one.png", noise(8, 8, 3, 8, 1)) &&
                writeRaw(m_folder / "other.png", noise(8, 8, 3, 8, 2)));
    int commands = 0;
    for (std::string line; std::getline(readme, line);)
        if (line.rfind("    amber ", 0) == 0) {
            const Ran ran =
                run("sh -c \"cd " + quoted(m_folder.path()) + " && export XDG_DATA_HOME=" + quoted(m_folder / "data") +
                    " && PATH=" AMBER_BIN_DIR ":$PATH && " + line + "\"");
            EXPECT_EQ(ran.status, 0) << line << "\n" << ran.err;
            ++commands;
        }
    EXPECT_EQ(commands, 32);
}

TEST_F(OnTheDemo, ChecksFindTheMixedTheClippedAndTheTiltedFrameAndNoOthers)
{
    const std::string job = quoted(m_folder / "whole");
    ASSERT_EQ(amber("demo --dir " + job).status, 0);
    ASSERT_EQ(amber("job light " + job + " --propose").status, 0);
    ASSERT_EQ(amber("job balance " + job + " --take").status, 0);
    for (const std::string use : {"screen", "print"}) {
        const Ran ran = amber("--json job check " + job + " --for " + use);
        EXPECT_EQ(ran.status, 1) << "something stands open";
        std::map<std::string, std::set<std::string>> found;
        const Json told = Json::parse(ran.out);
        EXPECT_EQ(told["use"], use);
        EXPECT_EQ(told["frames"], 51);
        for (const Json& f : told["findings"]) {
            EXPECT_GT(f["value"].get<double>(), f["limit"].get<double>());
            EXPECT_FALSE(f["because"].get<std::string>().empty());
            found[f["check"]].insert(f["frame"]);
        }
        EXPECT_EQ(found["mixed-light"], std::set<std::string>{"lamp-shelf-08"});
        EXPECT_EQ(found["bare-paper"], std::set<std::string>{"yard-10"});
        // Two frames of the shop front are turned by 1.2 degrees in truth.
        EXPECT_EQ(found["tilt"], (std::set<std::string>{"dusk-terrace-10", "shop-front-02", "shop-front-05"}));
    }
    EXPECT_EQ(amber("job check " + job + " --frames north-window-01").status, 0);
    EXPECT_EQ(amber("job check " + job + " --for wall").status, 2);
}

TEST_F(OnTheDemo, ALookIsPutIntoTheLibraryAndTakenOutAsItWas)
{
    const TemporaryFolder data;
    const auto library = [&](const std::string& words) {
        return run("sh -c \"export XDG_DATA_HOME=" + quoted(data.path()) + " && " AMBER_BIN_DIR "/amber " + words +
                   "\"");
    };
    const std::string look = this->look("long-evening");
    const Ran kept = library("library keep " + look);
    ASSERT_EQ(kept.status, 0) << kept.err;
    const std::string id = kept.out.substr(0, kept.out.find('\n'));
    ASSERT_EQ(library("library keep " + this->look("chalk-morning") + " --as " + id).status, 0);
    ASSERT_EQ(library("library keep " + look + " --steps 1,2").status, 0);
    EXPECT_EQ(library("library keep " + look + " --steps 3,900").status, 2);
    const Json listed = Json::parse(library("--json library list").out);
    ASSERT_EQ(listed.size(), 2u);
    const fs::path first = data / "first.json";
    ASSERT_EQ(library("library take " + id + " --version 1 -o " + quoted(first)).status, 0);
    EXPECT_EQ(readLook(first)->look, readLook(m_folder / "job/looks/long-evening.json")->look);
    EXPECT_EQ(library("library take " + id + " --version 9 -o " + quoted(data / "no.json")).status, 2);
    EXPECT_EQ(library("library take nothing -o " + quoted(data / "no.json")).status, 2);
    std::ofstream(data / "jolly-amber/library" / id / "v0002.json", std::ios::trunc) << "{";
    const Ran damaged = library("library list chalk");
    EXPECT_EQ(damaged.status, 1);
    EXPECT_NE(damaged.err.find("v0002.json"), std::string::npos);
    EXPECT_EQ(library("library places --add " + quoted(data / "nowhere")).status, 2);
    EXPECT_EQ(library("library places --add " + quoted(m_folder.path())).status, 0);
    EXPECT_EQ(Json::parse(library("--json library places").out).size(), 2u);
    // The recipe to read: as text, and as a file that replaces nobody's.
    const Ran words = library("look sheet " + look);
    EXPECT_NE(words.out.find("Long evening"), std::string::npos);
    std::ofstream(data / "mine.pdf") << "mine";
    EXPECT_EQ(library("look sheet " + look + " -o " + quoted(data / "mine.pdf")).status, 2);
    EXPECT_EQ(readText(data / "mine.pdf"), "mine");
    EXPECT_EQ(library("look sheet " + look + " -o " + quoted(data / "sheet.doc")).status, 2);
}

TEST_F(OnTheDemo, ShippedLooksSayWhyAndTearNothing)
{
    int looks = 0;
    for (const auto& entry : fs::directory_iterator(m_folder / "job/looks")) {
        const auto loaded = readLook(entry.path());
        ASSERT_TRUE(loaded) << loaded.error().message();
        EXPECT_TRUE(loaded->warnings.empty());
        EXPECT_FALSE(loaded->look.intent.empty());
        for (const Step& step : loaded->look.steps) {
            EXPECT_FALSE(step.note.empty()) << entry.path();
            EXPECT_FALSE(isIdentity(step)) << entry.path();
            if (const auto* hues = std::get_if<HueShifts>(&step.parameters)) {
                EXPECT_GT(tearMeter(*hues).smallestHueSlope, 0.5) << entry.path();
            }
        }
        ++looks;
    }
    EXPECT_EQ(looks, 3);
}

TEST_F(OnTheDemo, MeasuresPatchesAndLooksAsJson)
{
    const Ran ran = amber("--json measure " + quoted(m_frames[0]) + " --patch middle=0.5,0.5,0.05");
    const Json m = Json::parse(ran.out)[0];
    EXPECT_GT(m["patches"]["middle"]["pixels"].get<int>(), 1000);
    EXPECT_EQ(m["L"].size(), 9u);
    EXPECT_EQ(amber("measure " + quoted(m_frames[0]) + " --patch middle").status, 2);
    EXPECT_EQ(amber("measure " + quoted(m_frames[0]) + " --patch far=9,9,0.1").status, 2);

    const Json diff = Json::parse(amber("--json look diff " + look("long-evening") + " " + look("chalk-morning")).out);
    EXPECT_GT(diff["changes"].size(), 5u);
    EXPECT_GT(diff["mean"].get<double>(), 1);
    EXPECT_TRUE(contains(amber("look show " + look("long-evening")).out, "2. Split toning"));
    EXPECT_TRUE(contains(amber("look check " + look("long-evening")).out, "good: 5 steps"));
    const Json info = Json::parse(amber("--json table info " + quoted(m_folder / "job/tables/kiln-glow.cube")).out);
    EXPECT_EQ(info["size3"], 25);
}

TEST(Apply, EachColourSpaceComesBackAsTheSameColours)
{
    const TemporaryFolder folder;
    constexpr double kHalfAVisibleStep = 0.1;  // two roundings to 16 bits and a conversion between them
    folder.write("empty.json", kEmptyLook);
    const std::string look = quoted(folder / "empty.json");
    ASSERT_TRUE(writeRaw(folder / "in.tif", noise(64, 64, 3, 16, 83)));
    for (const auto& [space, title] : {std::pair{"srgb", "sRGB"},
                                       {"p3", "Display P3"},
                                       {"oprgb", "opRGB"},
                                       {"prophoto", "ProPhoto"},
                                       {"rec2020", "Rec.2020"}}) {
        const fs::path out = folder / space;
        ASSERT_EQ(amber("apply " + look + " " + quoted(folder / "in.tif") + " --format tiff16 --space " + space +
                        " --out " + quoted(out))
                      .status,
                  0);
        const Json d =
            Json::parse(amber("--json compare " + quoted(folder / "in.tif") + " " + quoted(out / "in.tif")).out);
        EXPECT_LT(d["maximum"].get<double>(), kHalfAVisibleStep) << space;
        EXPECT_EQ(Json::parse(amber("--json measure " + quoted(out / "in.tif")).out)[0]["profile"], title);
        EXPECT_EQ(largestDifference(readRaw(folder / "in.tif"), readRaw(out / "in.tif")) == 0,
                  std::string(space) == "srgb")
            << space;
    }
}

TEST(Apply, FirstPicturesOpenedTogetherDoNotCrash)
{
    // Two threads open their first files at once; a table filled without a lock crashed one run in ten.
    const TemporaryFolder folder;
    folder.write("empty.json", kEmptyLook);
    std::string pictures;
    for (int i = 0; i < 4; ++i) {
        const fs::path file = folder / ("p" + std::to_string(i) + ".png");
        ASSERT_TRUE(writeRaw(file, noise(16, 16, 3, 8, static_cast<unsigned>(i))));
        pictures += " " + quoted(file);
    }
    ASSERT_EQ(
        amber("apply " + quoted(folder / "empty.json") + pictures + " --format jpeg --out " + quoted(folder / "in"))
            .status,
        0);
    for (int i = 0; i < 25; ++i) {
        const Ran ran = run("sh -c '" AMBER_BIN_DIR "/amber apply " + (folder / "empty.json").string() + " " +
                            (folder / "in").string() + "/*.jpg --out " + (folder / "out").string() + "'");
        ASSERT_EQ(ran.status, 0) << "run " << i << ": " << ran.err;
    }
}

TEST(Apply, SizesNamesAndOrientationAreAsAsked)
{
    const TemporaryFolder folder;
    folder.write("empty.json", kEmptyLook);
    ASSERT_TRUE(writeRaw(folder / "turned.jpg", noise(300, 200, 3, 8, 84),
                         [](OIIO::ImageSpec& spec) { spec["Orientation"] = 8; }));
    const Ran ran = amber("--json apply " + quoted(folder / "empty.json") + " " + quoted(folder / "turned.jpg") +
                          " --long-edge 90 --quality 80 --out " + quoted(folder / "out"));
    ASSERT_EQ(ran.status, 0) << ran.err;
    const Json report = Json::parse(ran.out);
    EXPECT_EQ(report["pictures"][0]["target"], (folder / "out/turned.jpg").string());
    EXPECT_EQ(report["cancelled"], false);
    const RawPicture out = readRaw(folder / "out/turned.jpg");
    EXPECT_EQ(out.width, 60);
    EXPECT_EQ(out.height, 90);
}

TEST(Apply, InterruptedItStopsCleanly)
{
    const TemporaryFolder folder;
    folder.write("empty.json", kEmptyLook);
    constexpr int kPictures = 60;
    for (int i = 0; i < kPictures; ++i)
        ASSERT_TRUE(
            writeRaw(folder / ("f" + std::to_string(i) + ".png"), noise(600, 400, 3, 16, static_cast<unsigned>(i))));
    const std::string command = AMBER_BIN_DIR "/amber apply " + (folder / "empty.json").string() + " " +
                                folder.path().string() + "/f*.png --format png16 --out " + (folder / "out").string();
    const Ran ran = run("bash -c '" + command + " & child=$!; until ls " + (folder / "out").string() +
                        "/f*.png >/dev/null 2>&1; do :; done; kill -INT $child; wait $child'");
    EXPECT_EQ(ran.status, 1) << "interrupted after the first picture: " << ran.err;
    int written = 0;
    for (const auto& entry : fs::directory_iterator(folder / "out")) {
        if (entry.path().filename() == "manifest.json")
            continue;
        EXPECT_EQ(entry.path().filename().string()[0], 'f');
        EXPECT_EQ(readRaw(entry.path()).width, 600) << "whole";
        ++written;
    }
    EXPECT_GE(written, 1);
    EXPECT_LT(written, kPictures);
    EXPECT_TRUE(contains(ran.err, "cancelled: "));
}

TEST(Reference, ManPageAndCompletionNameEveryCommand)
{
    const TemporaryFolder folder;
    const std::string manual = amber("manual").out;
    const auto page = folder.write("amber.1", manual);
    for (const char* words : {".SS amber apply", ".SS amber table info", "\\-\\-quality", "Example: amber demo"})
        EXPECT_TRUE(contains(manual, words)) << words;
    folder.write("amber.bash", amber("completion").out);
    const auto complete = [&](const std::string& words, int at) {
        return run("bash -c 'source " + (folder / "amber.bash").string() + "; COMP_WORDS=(" + words +
                   "); COMP_CWORD=" + std::to_string(at) + "; _amber; echo ${COMPREPLY[@]}'")
            .out;
    };
    EXPECT_EQ(complete("amber ap", 1), "apply\n");
    EXPECT_EQ(complete("amber table i", 2), "info\n");
    EXPECT_EQ(complete("amber apply x.json --qu", 3), "--quality\n");
    EXPECT_EQ(complete("amber job ar", 2), "area\n");
    EXPECT_EQ(complete("amber job area pro", 3), "propose\n");
    EXPECT_EQ(complete("amber job area propose x --ta", 5), "--take\n");
    EXPECT_TRUE(contains(amber("completion zsh").out, "job\\ area\\ *) known=('list:"));
    EXPECT_TRUE(
        contains(amber("completion fish").out, "complete -c amber -n '__amber_after job area ' -a 'propose' -d"));
    EXPECT_EQ(amber("completion tcsh").status, 2);
}

TEST(ExitStatus, TellsDoneFromPartlyDoneFromWrongUse)
{
    const TemporaryFolder folder;
    folder.write("empty.json", kEmptyLook);
    folder.write("broken.jpg", "no picture");
    ASSERT_TRUE(writeRaw(folder / "good.png", noise(9, 9, 3, 8, 1)));
    const std::string look = quoted(folder / "empty.json"), out = " --out " + quoted(folder / "out");
    EXPECT_EQ(amber("apply " + look + " " + quoted(folder / "good.png") + out).status, 0);
    const Ran part =
        amber("apply " + look + " " + quoted(folder / "broken.jpg") + " " + quoted(folder / "good.png") + out);
    EXPECT_EQ(part.status, 1);
    EXPECT_TRUE(contains(part.err, "broken.jpg: not a picture this program reads"));
    EXPECT_TRUE(contains(part.out, "good.jpg"));
    EXPECT_EQ(amber("apply " + quoted(folder / "missing.json") + " x.jpg" + out).status, 2);
    EXPECT_EQ(amber("apply " + look + " x.jpg --format gif" + out).status, 2);
    EXPECT_EQ(
        amber("apply " + look + " " + quoted(folder / "good.png") + " --out " + quoted(folder / "good.png")).status, 2);
    EXPECT_EQ(amber("nonsense").status, 2);
    EXPECT_EQ(amber("").status, 2);
    EXPECT_EQ(amber("--help").status, 0);
    EXPECT_EQ(amber("look new " + quoted(folder / "empty.json")).status, 2);
    EXPECT_EQ(readText(folder / "empty.json"), kEmptyLook);
    EXPECT_EQ(amber("compare " + quoted(folder / "good.png") + " " + quoted(folder / "broken.jpg")).status, 2);

    folder.write("bad.cube", "LUT_3D_SIZE 2\n0 nan 0\n");
    const Ran table = amber("table info " + quoted(folder / "bad.cube"));
    EXPECT_EQ(table.status, 2);
    EXPECT_TRUE(contains(table.err, "bad.cube, line 2: not a finite number (expected a finite number, found nan)"));
    // A table that cannot be written leaves nothing and says so.
    EXPECT_EQ(amber("bake " + look + " -o /nowhere/t.cube").status, 2);
}

TEST(Apply, AFullDiskFailsEachPictureAndLeavesNoHalfFile)
{
    // A file-size limit stands in for the full disk: writes beyond it fail as they do when the disk is full.
    const TemporaryFolder folder;
    folder.write("empty.json", kEmptyLook);
    ASSERT_TRUE(writeRaw(folder / "large.png", noise(700, 500, 3, 16, 1)));
    const Ran ran =
        run("sh -c \"trap '' XFSZ; ulimit -f 100; " AMBER_BIN_DIR "/amber apply " + (folder / "empty.json").string() +
            " " + (folder / "large.png").string() + " --format tiff16 --out " + (folder / "out").string() + "\"");
    EXPECT_EQ(ran.status, 1);
    EXPECT_TRUE(contains(ran.err, "large.tif")) << ran.err;
    EXPECT_EQ(std::distance(fs::directory_iterator(folder / "out"), fs::directory_iterator()), 0);
}

TEST(LookCommand, EffectsTellWhatEveryStepDid)
{
    const TemporaryFolder folder;
    RawPicture ramp{64, 48, 3, 8, {}};
    for (int y = 0; y < 48; ++y)
        for (int x = 0; x < 64; ++x)
            for (int k = 0; k < 3; ++k)
                ramp.codes.push_back(static_cast<std::uint16_t>(y < 24 ? 60 + x * 2 : k == 0 ? 180 : 90));
    ASSERT_TRUE(writeRaw(folder / "ramp.png", ramp));
    folder.write("look.json", R"({"format": "jolly-amber-look", "version": 1, "name": "Two", "steps": [
        {"type": "contrast", "parameters": {"slope": 1.5, "holdBrightness": false}},
        {"type": "contrast", "parameters": {"slope": 0.66, "holdBrightness": false}}]})");
    const Ran ran = amber("--json look effects " + quoted(folder / "look.json") + " " + quoted(folder / "ramp.png") +
                          " --key clay=0.5,0.75");
    ASSERT_EQ(ran.status, 0) << ran.err;
    const Json told = Json::parse(ran.out);
    ASSERT_EQ(told["steps"].size(), 2u);
    EXPECT_GT(told["steps"][0]["contrast"].get<double>(), 0.02);
    EXPECT_LT(told["steps"][1]["contrast"].get<double>(), -0.02);
    EXPECT_TRUE(told["steps"][0]["keys"].contains("clay"));
    EXPECT_EQ(told["undoing"][0]["second"], 2);
    EXPECT_EQ(
        amber("look effects " + quoted(folder / "look.json") + " " + quoted(folder / "ramp.png") + " --key clay=2,0.75")
            .status,
        2);
}

}  // namespace
}  // namespace amber::test
