// Measuring, comparing, matching and tables from the command line, with what is wrong with files and words.
#include "core/base/json_text.h"
#include "core/engine/render_plan.h"
#include "core/image/write.h"
#include "core/look/look_json.h"
#include "tests/support/picture_files.h"
#include "tests/support/run_command.h"

#include <cmath>
#include <gtest/gtest.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

std::string quoted(const fs::path& path) { return "'" + path.string() + "'"; }
bool contains(const std::string& text, const std::string& part) { return text.find(part) != std::string::npos; }

/// Greys and coloured discs; `left` moves the view.
Image scene(double left = 0)
{
    constexpr int kWidth = 420, kHeight = 280;
    Image image(kWidth, kHeight);
    std::mt19937 engine(12);
    std::uniform_real_distribution<double> share(0, 1);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x)
            std::fill_n(image.mutableView().row(y) + 3 * x, 3, 0.03f + 0.5f * static_cast<float>(x) / kWidth);
    for (int disc = 0; disc < 150; ++disc) {
        const double cx = kWidth * (1.3 * share(engine) - left), cy = kHeight * share(engine),
                     r = 3 + 18 * share(engine) * share(engine);
        const float colour[] = {static_cast<float>(0.04 + 0.5 * share(engine)),
                                static_cast<float>(0.04 + 0.5 * share(engine)),
                                static_cast<float>(0.04 + 0.5 * share(engine))};
        for (int y = std::max(0, static_cast<int>(cy - r)); y < std::min(kHeight, static_cast<int>(cy + r)); ++y)
            for (int x = std::max(0, static_cast<int>(cx - r)); x < std::min(kWidth, static_cast<int>(cx + r)); ++x)
                if (std::hypot(x - cx, y - cy) < r)
                    std::copy_n(colour, 3, image.mutableView().row(y) + 3 * x);
    }
    return image;
}

Look lifted()
{
    Look look;
    look.name = "Lifted";
    Step step;
    ToneCurve curve;
    curve.all = {{0, 0.05}, {0.5, 0.58}, {1, 0.97}};
    step.parameters = curve;
    look.steps = {step};
    return look;
}

class WorkCommand : public ::testing::Test {
protected:
    void SetUp() override
    {
        m_plain = write("plain.tif", scene());
        Image treated = scene();
        const auto plan = RenderPlan::compile(lifted());
        ASSERT_TRUE(plan);
        render(*plan, treated.view(), treated.mutableView());
        m_treated = write("treated.tif", treated);
        m_look = m_folder.write("lifted.json", lookToText(lifted(), true));
    }
    fs::path write(const std::string& name, const Image& picture)
    {
        EXPECT_TRUE(writePicture(m_folder / name, picture.view(), {}, {FileFormat::Tiff16, RgbSpace::Srgb, 90}, {}));
        return m_folder / name;
    }
    Json told(const std::string& arguments)
    {
        const Ran ran = amber(arguments + " --json");
        EXPECT_EQ(ran.status, 0) << arguments << ": " << ran.err;
        const Json json = Json::parse(ran.out, nullptr, false);
        EXPECT_FALSE(json.is_discarded()) << ran.out;
        return json;
    }
    static void refuses(const std::string& arguments, const std::string& words)
    {
        const Ran ran = amber(arguments);
        EXPECT_NE(ran.status, 0) << arguments;
        EXPECT_TRUE(contains(ran.err, words)) << arguments << ": " << ran.err;
    }

    TemporaryFolder m_folder;
    fs::path m_plain, m_treated, m_look;
};

TEST_F(WorkCommand, APictureComparedWithItselfDoesNotDiffer)
{
    EXPECT_EQ(told("compare " + quoted(m_plain) + " " + quoted(m_plain))["maximum"], 0.0);
    const Json apart = told("compare " + quoted(m_plain) + " " + quoted(m_treated));
    EXPECT_GT(apart["mean"].get<double>(), 1);
    EXPECT_LE(apart["percentile50"].get<double>(), apart["percentile95"].get<double>());
    EXPECT_LE(apart["percentile95"].get<double>(), apart["maximum"].get<double>());
    ASSERT_TRUE(writeRaw(m_folder / "small.png", noise(9, 9, 3, 8, 1)));
    refuses("compare " + quoted(m_plain) + " " + quoted(m_folder / "small.png"), "size");
    refuses("compare " + quoted(m_plain) + " " + quoted(m_folder / "missing.png"), "missing.png");
}

TEST_F(WorkCommand, MeasuresTonesAndNamedPatches)
{
    const Json measured = told("measure " + quoted(m_plain) + " --patch dark=0.1,0.5,0.02 --patch light=0.9,0.5,0.02");
    const std::string text = measured.dump();
    EXPECT_TRUE(contains(text, "dark")) << text;
    EXPECT_TRUE(contains(text, "quantiles")) << text;
    refuses("measure " + quoted(m_plain) + " --patch nowhere", "nowhere");
    refuses("measure " + quoted(m_folder / "missing.tif"), "missing.tif");
}

TEST_F(WorkCommand, ATreatmentIsFoundFromBeforeAndAfterAndLandsOnOthers)
{
    const fs::path found = m_folder / "found.json";
    const Json fit = told("match pair " + quoted(m_plain) + " " + quoted(m_treated) + " -o " + quoted(found) +
                          " --for " + quoted(m_plain));
    EXPECT_TRUE(fs::exists(found)) << fit.dump();
    ASSERT_EQ(
        amber("apply " + quoted(found) + " " + quoted(m_plain) + " --format tiff16 --out " + quoted(m_folder / "out"))
            .status,
        0);
    const Json left = told("compare " + quoted(m_treated) + " " + quoted(m_folder / "out/plain.tif"));
    EXPECT_LT(left["mean"].get<double>(), 0.5);
    const Json& foretold = fit["foretold"].front();
    EXPECT_LT(foretold["likely"].get<double>(), foretold["bound"].get<double>());
    EXPECT_GT(foretold["covered"].get<double>(), 0.9);
    const Json two = told("match pair " + quoted(m_plain) + " " + quoted(m_treated) + " --pair " + quoted(m_plain) +
                          " " + quoted(m_treated) + " -o " + quoted(m_folder / "two.json"));
    ASSERT_EQ(two["pairs"].size(), 2u);
    EXPECT_FALSE(two["pairs"][1]["contradicts"].get<bool>());
    EXPECT_LT(two["pairs"][1]["off"].get<double>(), 1);
    refuses("match pair " + quoted(m_plain) + " " + quoted(m_treated) + " --pair " + quoted(m_plain) + " " +
                quoted(m_folder / "missing.tif") + " -o " + quoted(m_folder / "three.json"),
            "missing.tif");
    refuses("match pair " + quoted(m_plain) + " " + quoted(m_plain) + " -o " + quoted(m_folder / "none.json"),
            "do not differ");
    EXPECT_FALSE(fs::exists(m_folder / "none.json"));
    const std::string kept = readText(found);
    refuses("match pair " + quoted(m_plain) + " " + quoted(m_folder / "missing.tif") + " -o " + quoted(found),
            "missing.tif");
    EXPECT_EQ(readText(found), kept);
}

TEST_F(WorkCommand, AReferenceIsReachedRowByRowAndScored)
{
    const fs::path found = m_folder / "found.json";
    const std::string reference =
        "match reference " + quoted(m_treated) + " " + quoted(m_plain) + " -o " + quoted(found);
    const Json light = told(reference + " --rows black white");
    EXPECT_TRUE(fs::exists(found)) << light.dump();
    const Json score = told("match score " + quoted(found) + " " + quoted(m_plain));
    EXPECT_FALSE(score.dump().empty());
    fs::remove(found);
    EXPECT_EQ(amber(reference + " --to contrast").status, 0);
    refuses("match reference " + quoted(m_treated) + " " + quoted(m_plain) + " -o " + quoted(m_folder / "x.json") +
                " --rows moonlight",
            "moonlight");
    refuses("match score " + quoted(m_look) + " " + quoted(m_plain), "reference");
}

TEST_F(WorkCommand, AReferenceOfTheSameSceneDecidesByWhatBothShow)
{
    const fs::path frames = fs::path(AMBER_SOURCE_DIR) / "demo/frames", found = m_folder / "scene.json",
                   treated = m_folder / "out/north-window-02.jpg";
    ASSERT_EQ(amber("apply " + quoted(m_look) + " " + quoted(frames / "north-window-02.jpg") + " --out " +
                    quoted(m_folder / "out"))
                  .status,
              0);
    const Json same = told("match reference " + quoted(treated) + " " + quoted(frames / "north-window-02.jpg") +
                           " -o " + quoted(found));
    ASSERT_TRUE(same.contains("sameThings")) << same.dump();
    EXPECT_LT(same["sameThings"]["left"]["mean"].get<double>(),
              0.3 * same["sameThings"]["untouched"]["mean"].get<double>());
    // Of another scene the light of the subject is left where it is.
    const Json other =
        told("match reference " + quoted(treated) + " " + quoted(frames / "yard-04.jpg") + " -o " + quoted(found));
    EXPECT_FALSE(other.contains("sameThings"));
    for (const Json& row : other["rows"])
        if (row["row"] == "mid" || row["row"] == "contrast") {
            EXPECT_NEAR(row["difference"].get<double>(), row["before"].get<double>(), 0.5) << row.dump();
            EXPECT_LT(row["lookPart"].get<double>(), 0.3);
        }
}

TEST_F(WorkCommand, ATableIsWrittenReadConvertedAndUsed)
{
    const fs::path cube = m_folder / "lifted.cube", clf = m_folder / "lifted.clf";
    const Json report = told("bake " + quoted(m_look) + " --size 17 -o " + quoted(cube) + " --over " + quoted(m_plain));
    EXPECT_LT(report["lattice"]["mean"].get<double>(), 0.5);
    EXPECT_TRUE(report.contains("own"));
    const Json info = told("table info " + quoted(cube));
    EXPECT_EQ(info["size3"], 17);
    EXPECT_TRUE(info["monotone"].get<bool>());
    EXPECT_EQ(info["foldedCells"], 0);
    ASSERT_EQ(amber("table convert " + quoted(cube) + " -o " + quoted(clf)).status, 0);
    EXPECT_EQ(told("table info " + quoted(clf))["size3"], 17);
    const Json fit = told("match table " + quoted(cube) + " -o " + quoted(m_folder / "steps.json"));
    EXPECT_TRUE(fs::exists(m_folder / "steps.json")) << fit.dump();
    refuses("table info " + quoted(m_plain), "plain.tif");
    refuses("table convert " + quoted(cube) + " -o " + quoted(m_folder / "lifted.txt"), "lifted.txt");
    refuses("bake " + quoted(m_look) + " --size 500 -o " + quoted(m_folder / "large.cube"), "500");
    m_folder.write("somebody.cube", "somebody's");
    refuses("bake " + quoted(m_look) + " -o " + quoted(m_folder / "somebody.cube"), "somebody.cube");
    EXPECT_EQ(readText(m_folder / "somebody.cube"), "somebody's");
}

TEST_F(WorkCommand, TwoLooksAreToldApart)
{
    Look other = lifted();
    std::get<ToneCurve>(other.steps[0].parameters).all[1].y = 0.5;
    const fs::path second = m_folder.write("other.json", lookToText(other, true));
    const Json apart = told("look diff " + quoted(m_look) + " " + quoted(second));
    EXPECT_FALSE(apart["changes"].empty());
    EXPECT_GT(apart["mean"].get<double>(), 0.5);
    EXPECT_TRUE(told("look diff " + quoted(m_look) + " " + quoted(m_look))["changes"].empty());
    refuses("look diff " + quoted(m_look) + " " + quoted(m_folder.write("broken.json", "{")), "broken.json");
}

}  // namespace
}  // namespace amber::test
