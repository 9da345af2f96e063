#include "core/engine/render_plan.h"
#include "core/handover/export.h"
#include "tests/support/picture_files.h"
#include "tests/support/random_look.h"
#include "tests/support/temporary_folder.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

using namespace test;
namespace fs = std::filesystem;

std::vector<fs::path> pictures(const TemporaryFolder& folder, int count)
{
    std::vector<fs::path> all;
    for (int i = 0; i < count; ++i) {
        all.push_back(folder / ("frame-" + std::to_string(i) + ".png"));
        writeRaw(all.back(), noise(60, 40, 3, 8, static_cast<unsigned>(i)));
    }
    return all;
}

Recipe into(const fs::path& folder, FileFormat format = FileFormat::Png8)
{
    Recipe recipe;
    recipe.output.format = format;
    recipe.folder = folder;
    return recipe;
}

TEST(Export, WritesEveryPictureAndReportsEachFault)
{
    const TemporaryFolder folder;
    auto sources = pictures(folder, 3);
    sources.insert(sources.begin() + 1, folder.write("broken.png", "\x89PNG\r\n\x1a\nnothing more"));
    int calls = 0, lastDone = 0;
    const auto report = exportPictures(Look{}, sources, into(folder / "out/deep"), [&](int done, int total, const Delivery&) {
        ++calls;
        EXPECT_EQ(total, 4);
        EXPECT_EQ(done, ++lastDone);
    }, {});
    ASSERT_TRUE(report) << report.error().message();
    EXPECT_EQ(calls, 4);
    EXPECT_EQ(report->failed(), 1);
    ASSERT_EQ(report->deliveries.size(), 4u);
    EXPECT_NE(report->deliveries[1].fault.find("broken.png"), std::string::npos);
    for (int i : {0, 2, 3})
        EXPECT_EQ(largestDifference(readRaw(report->deliveries[static_cast<std::size_t>(i)].target), readRaw(sources[static_cast<std::size_t>(i)])), 0);
    EXPECT_EQ(std::distance(fs::directory_iterator(folder / "out/deep"), fs::directory_iterator()), 3);
}

TEST(Export, BandsOfRowsGiveTheSameFileAsTheWholePicture)
{
    const TemporaryFolder folder;
    Look look;
    Random random(5);
    look.steps = {{random.curve(), true, 1, {}, {}}, {random.hues(), true, 1, {}, {}}, {Grain{0.04, 2, 0.5, 0.5, 3, {}}, true, 1, {}, {}}};
    EdgeDarkening edges;
    edges.net = -1;
    look.steps.push_back({edges, true, 1, {}, {}});
    const auto plan = RenderPlan::compile(look);
    ASSERT_FALSE(plan->needsWholePicture());
    for (const auto& [name, bits] : {std::pair{"a.jpg", 8}, {"b.png", 8}, {"c.tif", 16}})
        for (const FileFormat format : {FileFormat::Jpeg, FileFormat::Png16, FileFormat::Tiff8}) {
            const auto source = folder / name;
            ASSERT_TRUE(writeRaw(source, noise(517, 601, 3, bits, 4)));
            const auto report = exportPictures(look, {source}, into(folder / "out", format), {}, {});
            ASSERT_TRUE(report && report->failed() == 0) << report->deliveries[0].fault;
            auto whole = readPicture(source);
            ASSERT_TRUE(whole);
            ASSERT_TRUE(render(*plan, whole->image.view(), whole->image.mutableView()));
            const auto other = folder / ("whole" + std::string(extensionOf(format)));
            ASSERT_TRUE(writePicture(other, whole->image.view(), {}, {format, RgbSpace::Srgb, 92}, source));
            EXPECT_EQ(largestDifference(readRaw(report->deliveries[0].target), readRaw(other)), 0) << name << " " << nameOf(format);
        }
    // Cut short in the middle of the picture: an error and no file.
    const std::string bytes = readText(folder / "b.png");
    folder.write("cut.png", bytes.substr(0, bytes.size() / 2));
    const auto cut = exportPictures(look, {folder / "cut.png"}, into(folder / "cut"), {}, {});
    EXPECT_EQ(cut->failed(), 1);
    EXPECT_TRUE(fs::is_empty(folder / "cut"));
}

TEST(Export, NamesNeverCollideAndASourceIsNeverOverwritten)
{
    const TemporaryFolder folder;
    fs::create_directory(folder / "a");
    fs::create_directory(folder / "b");
    for (const char* name : {"a/x.png", "b/x.png"})
        ASSERT_TRUE(writeRaw(folder / name, noise(8, 8, 3, 8, 1)));
    const auto targets = targetsOf({folder / "a/x.png", folder / "b/x.png", folder / "c/x.jpg"}, into("/out", FileFormat::Jpeg));
    EXPECT_EQ(targets, (std::vector<fs::path>{"/out/x.jpg", "/out/x-2.jpg", "/out/x-3.jpg"}));
    const std::string before = readText(folder / "a/x.png");
    const auto report = exportPictures(Look{}, {folder / "a/x.png"}, into(folder / "a"), {}, {});
    EXPECT_EQ(report->failed(), 1);
    EXPECT_NE(report->deliveries[0].fault.find("overwrite"), std::string::npos);
    EXPECT_EQ(readText(folder / "a/x.png"), before);
}

TEST(Export, ReducesToTheLongEdgeWithItsAlpha)
{
    const TemporaryFolder folder;
    ASSERT_TRUE(writeRaw(folder / "tall.png", noise(30, 90, 4, 16, 2)));
    Recipe recipe = into(folder / "out", FileFormat::Tiff16);
    recipe.longEdge = 45;
    const auto report = exportPictures(Look{}, {folder / "tall.png"}, recipe, {}, {});
    ASSERT_EQ(report->failed(), 0) << report->deliveries[0].fault;
    const RawPicture out = readRaw(report->deliveries[0].target);
    EXPECT_EQ(out.width, 15);
    EXPECT_EQ(out.height, 45);
    EXPECT_EQ(out.channels, 4);
}

TEST(Export, CancelledInTheMiddleLeavesOnlyWholeFiles)
{
    const TemporaryFolder folder;
    const auto sources = pictures(folder, 40);
    const CancelToken cancel;
    const auto report = exportPictures(Look{}, sources, into(folder / "out"), [&](int done, int, const Delivery&) {
        if (done == 5)
            cancel.cancel();
    }, cancel);
    ASSERT_TRUE(report);
    EXPECT_TRUE(report->cancelled);
    EXPECT_LT(report->deliveries.size(), 10u);
    for (const auto& entry : fs::directory_iterator(folder / "out"))
        EXPECT_EQ(readRaw(entry.path()).width, 60) << entry.path();
}

TEST(Export, SaysWhenTheFolderCannotBeMade)
{
    const TemporaryFolder folder;
    folder.write("file", "x");
    const auto report = exportPictures(Look{}, pictures(folder, 1), into(folder / "file"), {}, {});
    ASSERT_FALSE(report);
    EXPECT_NE(report.error().message().find("cannot be made"), std::string::npos);
    Random random(71);
    Look bad = random.look(1);
    bad.steps[0].strength = 9;
    EXPECT_FALSE(exportPictures(bad, pictures(folder, 1), into(folder / "out"), {}, {}));
}

}  // namespace
}  // namespace amber
