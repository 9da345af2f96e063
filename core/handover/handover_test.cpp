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

Shipment into(const fs::path& folder, FileFormat format = FileFormat::Png8)
{
    Shipment shipment;
    shipment.recipe.format = format;
    shipment.folder = folder;
    return shipment;
}

TEST(Export, WritesEveryPictureAndReportsEachFault)
{
    const TemporaryFolder folder;
    auto sources = pictures(folder, 3);
    sources.insert(sources.begin() + 1, folder.write("broken.png", "\x89PNG\r\n\x1a\nnothing more"));
    int calls = 0, lastDone = 0;
    const auto report = exportPictures(Look{}, sources, into(folder / "out/deep"),
                                       [&](int done, int total, const Delivery&) {
                                           ++calls;
                                           EXPECT_EQ(total, 4);
                                           EXPECT_EQ(done, ++lastDone);
                                       },
                                       {});
    ASSERT_TRUE(report) << report.error().message();
    EXPECT_EQ(calls, 4);
    EXPECT_EQ(report->failed(), 1);
    ASSERT_EQ(report->deliveries.size(), 4u);
    EXPECT_NE(report->deliveries[1].fault.find("broken.png"), std::string::npos);
    for (int i : {0, 2, 3})
        EXPECT_EQ(largestDifference(readRaw(report->deliveries[static_cast<std::size_t>(i)].target),
                                    readRaw(sources[static_cast<std::size_t>(i)])),
                  0);
    EXPECT_EQ(std::distance(fs::directory_iterator(folder / "out/deep"), fs::directory_iterator()), 3 + 1)
        << "and the list of what was written";
}

TEST(Export, BandsOfRowsGiveTheSameFileAsTheWholePicture)
{
    const TemporaryFolder folder;
    Look look;
    Random random(5);
    look.steps = {{random.curve(), true, 1, {}, {}},
                  {random.hues(), true, 1, {}, {}},
                  {Grain{0.04, 2, 0.5, 0.5, 3, {}}, true, 1, {}, {}}};
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
            const auto other = folder / (std::string("whole-") + name + std::string(extensionOf(format)));
            ASSERT_TRUE(writePicture(other, whole->image.view(), {}, {format, RgbSpace::Srgb, 92}, source));
            EXPECT_EQ(largestDifference(readRaw(report->deliveries[0].target), readRaw(other)), 0)
                << name << " " << nameOf(format);
        }
    // Cut short in the middle of the picture: an error and no file.
    const std::string bytes = readText(folder / "b.png");
    folder.write("cut.png", bytes.substr(0, bytes.size() / 2));
    const auto cut = exportPictures(look, {folder / "cut.png"}, into(folder / "cut"), {}, {});
    EXPECT_EQ(cut->failed(), 1);
    EXPECT_TRUE(fs::is_empty(folder / "cut"));
}

/// A look with local work lands where each picture's own area lies, in bands and in one piece; nowhere on one without.
TEST(Export, AStepBoundToARoleLandsOnThePicturesOwnArea)
{
    const TemporaryFolder folder;
    const auto sources = pictures(folder, 3);
    Look look;
    look.roles.push_back({"wall", Role::Kind::Thing, {}, 1, {}});
    Chroma grey;
    grey.even = 0;
    look.steps.push_back({grey, true, 1, {}, {}});
    look.steps[0].guard.where.role = "wall";
    std::vector<PictureOwn> own(3);
    Area left, right;
    left.parts.push_back({AreaPart::Join::Add, Outline{{{0, 0}, {0.5, 0}, {0.5, 1}, {0, 1}}, false}, false, 1});
    right = left, right.isInverted = true;
    own[0].areas["wall"] = left;
    own[1].areas["wall"] = right, own[1].balance.geometry.crop = {0.25, 0, 1, 1};
    const auto report = exportPictures(look, sources, into(folder / "out"), {}, {}, own);
    ASSERT_TRUE(report && report->failed() == 0);
    const auto isGrey = [](const Image& image, int x, int y) {
        const float* p = image.view().row(y) + 3 * x;
        return std::abs(p[0] - p[1]) < 0.02 && std::abs(p[1] - p[2]) < 0.02;
    };
    const auto share = [&](std::size_t i, int from, int to) {
        const auto picture = readPicture(report->deliveries[i].target);
        int greys = 0;
        for (int y = 0; y < picture->image.height(); ++y)
            for (int x = from; x < to; ++x)
                greys += isGrey(picture->image, x, y);
        return static_cast<double>(greys) / ((to - from) * picture->image.height());
    };
    EXPECT_GT(share(0, 0, 29), 0.99) << "left of its middle";
    EXPECT_LT(share(0, 31, 60), 0.1);
    EXPECT_LT(share(1, 0, 14), 0.1) << "cut to its right three quarters";
    EXPECT_GT(share(1, 16, 45), 0.99);
    EXPECT_EQ(largestDifference(readRaw(report->deliveries[2].target), readRaw(sources[2])), 0) << "it has no area";
    // In one piece, as it is reduced.
    Shipment small = into(folder / "small");
    small.recipe.size = {OutputSize::Kind::LongEdge, 30, 0};
    const auto reduced = exportPictures(look, {sources[0]}, small, {}, {}, {own[0]});
    ASSERT_TRUE(reduced && reduced->failed() == 0);
    const auto picture = readPicture(reduced->deliveries[0].target);
    EXPECT_TRUE(isGrey(picture->image, 5, 10));
}

TEST(Export, NamesNeverCollideAndASourceIsNeverOverwritten)
{
    const TemporaryFolder folder;
    fs::create_directory(folder / "a");
    fs::create_directory(folder / "b");
    for (const char* name : {"a/x.png", "b/x.png"})
        ASSERT_TRUE(writeRaw(folder / name, noise(8, 8, 3, 8, 1)));
    const auto targets = targetsOf({}, {folder / "a/x.png", folder / "b/x.png", folder / "c/X.jpg"},
                                   into("/out", FileFormat::Jpeg), WrittenFiles::ofFolder("/out"));
    EXPECT_EQ(targets, (std::vector<fs::path>{"/out/x.jpg", "/out/x-2.jpg", "/out/X-3.jpg"}));
    const std::string before = readText(folder / "a/x.png");
    const auto report = exportPictures(Look{}, {folder / "a/x.png"}, into(folder / "a"), {}, {});
    ASSERT_EQ(report->failed(), 0) << report->deliveries[0].fault;
    EXPECT_EQ(report->deliveries[0].target, folder / "a/x-2.png");
    EXPECT_EQ(readText(folder / "a/x.png"), before);
}

/// Everything in a folder that is no picture of ours: name and content.
std::map<std::string, std::string> contents(const fs::path& folder)
{
    std::map<std::string, std::string> all;
    for (const auto& entry : fs::directory_iterator(folder))
        all[entry.path().filename().string()] = readText(entry.path());
    return all;
}

TEST(Export, NeverReplacesAnOriginalOrAnybodysFile)
{
    const TemporaryFolder folder;
    fs::create_directory(folder / "shoot");
    const auto shoot = folder / "shoot";
    for (const char* name : {"a.png", "a.jpg", "b.png", "b.tif", "c.png", "d.png", "e.png"})
        ASSERT_TRUE(writeRaw(shoot / name, noise(16, 12, 3, 8, 1)));
    // Somebody's files under the names of the results, and links to originals.
    folder.write("shoot/c.jpg", "notes of somebody");
    fs::create_symlink(shoot / "b.tif", shoot / "b.jpg");
    fs::create_hard_link(shoot / "b.tif", shoot / "d.jpg");
    folder.write("shoot/manifest.json", "{\"somebody's\": true}");
    fs::create_symlink(shoot, folder / "other name");
    const auto before = contents(shoot);
    Shipment shipment = into(folder / "other name", FileFormat::Jpeg);
    shipment.originals = {shoot / "a.jpg", shoot / "b.tif"};
    const std::vector<fs::path> sources{shoot / "a.png", shoot / "b.png", shoot / "c.png", shoot / "d.png",
                                        shoot / "e.png"};
    for (int run = 0; run < 2; ++run) {
        const auto report = exportPictures(Look{}, sources, shipment, {}, {});
        ASSERT_TRUE(report);
        EXPECT_EQ(report->failed(), 0);
        for (const auto& [name, bytes] : before)
            EXPECT_EQ(readText(shoot / name), bytes) << name << " in run " << run;
        EXPECT_EQ(contents(shoot).size(), before.size() + 5 + 1) << "the same names again, and one list";
    }
    // What was changed since is somebody's.
    folder.write("shoot/e.jpg", "retouched");
    const auto again = exportPictures(Look{}, sources, shipment, {}, {});
    EXPECT_EQ(again->deliveries[4].target.filename(), "e-2.jpg");
    EXPECT_EQ(readText(shoot / "e.jpg"), "retouched");
    // Brought into the job, a result is an original too.
    shipment.originals.push_back(shoot / "a-2.jpg");
    EXPECT_EQ(exportPictures(Look{}, {shoot / "a.png"}, shipment, {}, {})->deliveries[0].target.filename(), "a-3.jpg");
    // A file that comes while a picture is rendered: that picture fails, the file stays.
    const auto late = exportPictures(Look{}, {shoot / "a.png", shoot / "b.png", shoot / "c.png", shoot / "d.png"},
                                     into(folder / "out"),
                                     [&](int done, int, const Delivery&) {
                                         if (done == 1)
                                             for (const char* name : {"c.png", "d.png"})
                                                 folder.write(std::string("out/") + name, "came meanwhile");
                                     },
                                     {});
    for (const Delivery& d : late->deliveries)
        EXPECT_TRUE(d.fault.empty() || d.fault.find("is there already") != std::string::npos) << d.fault;
    for (const char* name : {"c.png", "d.png"})
        EXPECT_TRUE(readText(folder / (std::string("out/") + name)) == "came meanwhile" ||
                    WrittenFiles::ofFolder(folder / "out").seemsOurs(folder / (std::string("out/") + name)))
            << name;
}

TEST(Export, ReducesToTheLongEdgeWithItsAlpha)
{
    const TemporaryFolder folder;
    ASSERT_TRUE(writeRaw(folder / "tall.png", noise(30, 90, 4, 16, 2)));
    Shipment shipment = into(folder / "out", FileFormat::Tiff16);
    shipment.recipe.size = {OutputSize::Kind::LongEdge, 45, 0};
    const auto report = exportPictures(Look{}, {folder / "tall.png"}, shipment, {}, {});
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
    const auto report = exportPictures(
        Look{}, sources, into(folder / "out"),
        [&](int done, int, const Delivery&) {
            if (done == 5)
                cancel.cancel();
        },
        cancel);
    ASSERT_TRUE(report);
    EXPECT_TRUE(report->cancelled);
    EXPECT_LT(report->deliveries.size(), 10u);
    for (const auto& entry : fs::directory_iterator(folder / "out"))
        if (entry.path().extension() == ".png") {
            EXPECT_EQ(readRaw(entry.path()).width, 60) << entry.path();
        }
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
