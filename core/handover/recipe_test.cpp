// Recipes: what they say, how large and heavy files become, what they are called, and what is told of them.
#include "core/base/atomic_file.h"
#include "core/handover/export.h"
#include "core/handover/made_of.h"
#include "core/handover/verify.h"
#include "core/handover/weight.h"
#include "tests/support/picture_files.h"
#include "tests/support/random_look.h"
#include "tests/support/temporary_folder.h"

#include <OpenImageIO/imageio.h>
#include <exiv2/exiv2.hpp>
#include <fstream>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace amber {
namespace {

using namespace test;
namespace fs = std::filesystem;

/// Soft shapes, an edge, a little noise: like a photograph to an encoder.
Image softPicture(int width, int height, std::uint64_t seed)
{
    Random random(seed);
    const double a = random.between(3, 9), b = random.between(3, 9), c = random.between(0, 6);
    std::mt19937 engine(static_cast<unsigned>(seed));
    std::normal_distribution<float> noise(0, 0.01F);
    Image image(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double u = double(x) / width, v = double(y) / height;
            const double tone = 0.3 + 0.2 * std::sin(a * u + c) * std::cos(b * v) + (u + 0.4 * v > 0.8 ? 0.15 : 0);
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(tone) + noise(engine), p[1] = static_cast<float>(0.8 * tone) + noise(engine);
            p[2] = static_cast<float>(0.5 * tone + 0.1 * u) + noise(engine);
        }
    return image;
}

fs::path sourceIn(const TemporaryFolder& folder, const std::string& name, int width = 300, int height = 200)
{
    const fs::path file = folder / name;
    EXPECT_TRUE(writePicture(file, softPicture(width, height, std::hash<std::string>()(name) % 1000).view(), {},
                             {FileFormat::Jpeg, RgbSpace::Srgb, 95}, {}));
    return file;
}

Shipment by(Recipe recipe, const fs::path& folder)
{
    Shipment shipment;
    shipment.recipe = std::move(recipe), shipment.folder = folder;
    return shipment;
}

TEST(Recipes, AreReadBackAsTheyWereWritten)
{
    for (const Recipe& shipped : shippedRecipes()) {
        const auto read = recipeFromText(recipeToText(shipped), shipped.name);
        ASSERT_TRUE(read) << read.error().message();
        EXPECT_EQ(*read, shipped);
    }
    auto later = recipeFromText(R"({"format": "jolly-amber-recipe", "name": "x", "later": {"a": [1]}})", "x.json");
    ASSERT_TRUE(later);
    EXPECT_NE(recipeToText(*later).find("\"later\""), std::string::npos) << "what a newer version wrote is kept";
}

TEST(Recipes, SayWhichFieldIsWrong)
{
    for (const auto& [text, word] : {std::pair{R"("quality": 101)", "quality"},
                                     {R"("file": "gif")", "file"},
                                     {R"("space": 3)", "space"},
                                     {R"("pattern": "same")", "names would all be the same"},
                                     {R"("pattern": "{name")", "not closed"},
                                     {R"("pattern": "{nom}")", "no such field"},
                                     {R"("subfolder": "../x")", "subfolder"},
                                     {R"("size": {"kind": "box"})", "width"},
                                     {R"("size": {"kind": "print", "width": 100})", "pixels per inch"},
                                     {R"("weight": -1)", "weight"},
                                     {R"("metadata": "some")", "metadata"},
                                     {R"("dither": 1)", "dither"}}) {
        const auto read = recipeFromText(
            "{\"format\": \"jolly-amber-recipe\", \"name\": \"x\", " + std::string(text) + "}", "x.json");
        ASSERT_FALSE(read) << text;
        EXPECT_NE(read.error().message().find(word), std::string::npos) << read.error().message();
    }
    for (const char* text : {"", "[]", "{}", "{\"format\": \"jolly-amber-recipe\"}", "\xff"})
        EXPECT_FALSE(recipeFromText(text, "x.json")) << text;
}

TEST(Recipes, OwnOnesAreKeptAcrossJobsAndNeverUnderAShippedName)
{
    const TemporaryFolder folder;
    ::setenv("XDG_CONFIG_HOME", folder.path().c_str(), 1);
    Recipe own = shippedRecipes()[0];
    EXPECT_FALSE(keepRecipe(own)) << "web ships";
    own.name = "Kiln & Co / catalogue";
    ASSERT_TRUE(keepRecipe(own));
    own.weight = 250;
    ASSERT_TRUE(keepRecipe(own)) << "again, changed";
    folder.write("jolly-amber/recipes/torn.json", "{\"format\": \"jolly-am");
    const OwnRecipes read = ownRecipes();
    ASSERT_EQ(read.recipes.size(), 1u);
    EXPECT_EQ(read.recipes[0], own);
    EXPECT_EQ(read.faults.size(), 1u);
    EXPECT_EQ(recipeNamed(own.name)->weight, 250);
    EXPECT_NE(recipeNamed("wbe").error().message().find("web, full, print, layers"), std::string::npos);
    ASSERT_TRUE(forgetRecipe(own.name));
    EXPECT_FALSE(recipeNamed(own.name));
    ::unsetenv("XDG_CONFIG_HOME");
}

RC_GTEST_PROP(Recipes, NothingIsEnlargedAndAllFits, ())
{
    Recipe r;
    r.size.kind = static_cast<OutputSize::Kind>(*rc::gen::inRange(0, 5));
    r.size.width = *rc::gen::inRange(1, 5000), r.size.height = *rc::gen::inRange(0, 5000), r.ppi = 300;
    const Size own{*rc::gen::inRange(1, 9000), *rc::gen::inRange(1, 9000)}, is = sizeBy(r, own);
    RC_ASSERT(is.width >= 1 && is.height >= 1 && is.width <= own.width && is.height <= own.height);
    const int longer = std::max(is.width, is.height), shorter = std::min(is.width, is.height);
    const double unit = r.size.kind == OutputSize::Kind::Print ? 300 / 25.4 : 1;
    if (r.size.kind == OutputSize::Kind::LongEdge)
        RC_ASSERT(longer <= r.size.width);
    if (r.size.kind == OutputSize::Kind::Megapixels)
        RC_ASSERT(longer == 1 || shorter == 1 || double(longer) * shorter <= r.size.width * 1e6);
    if ((r.size.kind == OutputSize::Kind::Box || r.size.kind == OutputSize::Kind::Print) && r.size.height > 0 &&
        shorter > 1) {
        RC_ASSERT(longer <= std::max(r.size.width, r.size.height) * unit + 0.5);
        RC_ASSERT(shorter <= std::min(r.size.width, r.size.height) * unit + 0.5);
    }
    RC_ASSERT(ppiBy(r, own) <= 300);
}

TEST(Recipes, NamesAreMadeOfFieldsAndFitEveryFileSystem)
{
    Recipe r;
    r.name = "web", r.pattern = "{date} {light}-{number:3}_{name} {look} {recipe}";
    ASSERT_TRUE(checkPattern(r.pattern));
    EXPECT_EQ(nameBy(r, {"dish", "lamp shelf", "Long evening", "2026-05-04", 7}),
              "2026-05-04 lamp shelf-007_dish Long evening web");
    r.pattern = "{name}";
    EXPECT_EQ(nameBy(r, {"a/b:c*?", {}, {}, {}, 1}), "a-b-c--");
    EXPECT_EQ(nameBy(r, {"..", {}, {}, {}, 1}), "picture");
    EXPECT_EQ(nameBy(r, {" .hidden. ", {}, {}, {}, 1}), "hidden");
    std::string wide;
    for (int i = 0; i < 120; ++i)
        wide += "\xc3\xa9";
    const std::string cut = nameBy(r, {"x" + wide, {}, {}, {}, 1});
    EXPECT_LE(cut.size(), kNameBytes);
    EXPECT_EQ(cut.size() % 2, 1u) << "not within a character";
    r.pattern = "{number:12}";
    EXPECT_FALSE(checkPattern(r.pattern));
}

TEST(Weight, IsKeptWithTheBestQualityThatFits)
{
    for (const FileFormat format : {FileFormat::Jpeg, FileFormat::Webp}) {
        const Image picture = softPicture(1300, 900, 4);
        OutputOptions options{format, RgbSpace::Srgb, 95};
        std::vector<std::uint8_t> codes;
        encodeToBytes(picture.view(), options, 0, codes);
        const auto bytesAt = [&](int quality) {
            OutputOptions own = options;
            own.quality = quality;
            return packCodes(1300, 900, codes, own)->size();
        };
        for (const int aimed : {35, 60, 86, 92}) {
            const std::size_t limit = bytesAt(aimed) + 50;
            const auto packed = packWithin(1300, 900, codes, options, limit);
            ASSERT_TRUE(packed) << packed.error().message();
            EXPECT_LE(packed->bytes.size(), limit);
            int best = aimed;
            while (best < 95 && bytesAt(best + 1) <= limit)
                ++best;
            EXPECT_GE(packed->quality, 0.96 * best) << nameOf(format) << " " << aimed;
            EXPECT_LE(packed->packed, 3);
        }
        EXPECT_EQ(packWithin(1300, 900, codes, options, 100'000'000)->quality, 95) << "not more than was asked";
        EXPECT_FALSE(packWithin(1300, 900, codes, options, 500));
    }
}

TEST(Shipment, EveryFormatIsReadByOthersWithSizeProfileAndResolution)
{
    const TemporaryFolder folder;
    const fs::path source = sourceIn(folder, "dish.jpg", 300, 200);
    for (const FileFormat format : {FileFormat::Jpeg, FileFormat::Png8, FileFormat::Png16, FileFormat::Tiff8,
                                    FileFormat::Tiff16, FileFormat::Webp, FileFormat::Exr}) {
        Recipe r;
        r.name = "r", r.format = format, r.space = RgbSpace::DisplayP3, r.ppi = 240, r.subfolder = nameOf(format);
        r.size = {OutputSize::Kind::Box, 150, 120}, r.sharpening = 0.5, r.floor = 0.03, r.ceiling = 0.97;
        const auto report = exportPictures(Look{}, {source}, by(r, folder / "out"), {}, {});
        ASSERT_TRUE(report && report->failed() == 0) << report->deliveries[0].fault;
        const fs::path file = report->deliveries[0].target;
        EXPECT_EQ(file.extension(), extensionOf(format));
        const auto input = OIIO::ImageInput::open(file.string());
        ASSERT_TRUE(input) << nameOf(format);
        const OIIO::ImageSpec& spec = input->spec();
        EXPECT_EQ(spec.width, 150) << nameOf(format);
        EXPECT_EQ(spec.height, 100) << nameOf(format);
        EXPECT_EQ(spec.format, format == FileFormat::Exr ? OIIO::TypeDesc::HALF
                               : bitsOf(format) == 8     ? OIIO::TypeDesc::UINT8
                                                         : OIIO::TypeDesc::UINT16);
        if (format == FileFormat::Exr) {
            EXPECT_TRUE(spec.find_attribute("chromaticities"));
            continue;
        }
        const auto image = Exiv2::ImageFactory::open(file.string());
        image->readMetadata();
        if (format == FileFormat::Webp)
            ASSERT_TRUE(image->iccProfileDefined());
        else
            EXPECT_NEAR(spec.get_float_attribute("XResolution"), 240, 0.5) << nameOf(format);
        EXPECT_NEAR(image->exifData()["Exif.Image.XResolution"].toFloat(), 240, 0.01) << nameOf(format);
        const auto info = readPictureInfo(file);
        ASSERT_TRUE(info);
        EXPECT_EQ(info->profile.space, RgbSpace::DisplayP3) << nameOf(format);
        const Image back = readPicture(file)->image;
        for (int i = 0; i < 150 * 100 * 3; ++i)
            ASSERT_GT(back.view().data[i], 0) << "no bare ink";
    }
}

TEST(Shipment, WhatIsSaidInFilesIsWhatTheRecipeLetsGo)
{
    const TemporaryFolder folder;
    const fs::path source = sourceIn(folder, "dish.jpg");
    {
        const auto image = Exiv2::ImageFactory::open(source.string());
        image->readMetadata();
        image->exifData()["Exif.GPSInfo.GPSLatitudeRef"] = "N";
        image->exifData()["Exif.GPSInfo.GPSLatitude"] = "48/1 8/1 0/1";
        image->exifData()["Exif.Photo.BodySerialNumber"] = "4711";
        image->exifData()["Exif.Photo.DateTimeOriginal"] = "2026:05:04 10:11:12";
        image->exifData()["Exif.Image.Artist"] = "the camera's owner";
        image->xmpData()["Xmp.iptc.Location"] = "Somewhere";
        image->xmpData()["Xmp.dc.subject"] = "pottery";
        image->iptcData()["Iptc.Application2.City"] = "Somewhere";
        image->writeMetadata();
    }
    const auto told = [&](MetadataRule::Keep keep, FileFormat format) {
        Recipe r;
        r.name = "r", r.format = format, r.metadata = keep, r.pattern = "{name}-{date}-{number}";
        r.subfolder = std::to_string(static_cast<int>(keep)) + std::string(nameOf(format));
        Shipment shipment = by(r, folder / "out");
        shipment.author = "Zoë Ämber", shipment.rights = "© a studio";
        const auto report = exportPictures(Look{}, {source}, shipment, {}, {});
        EXPECT_TRUE(report && report->failed() == 0) << report->deliveries[0].fault;
        EXPECT_EQ(report->deliveries[0].target.stem(), "dish-2026-05-04-1");
        const auto image = Exiv2::ImageFactory::open(report->deliveries[0].target.string());
        image->readMetadata();
        std::set<std::string> keys;
        for (const auto& datum : image->exifData())
            keys.insert(datum.key());
        for (const auto& datum : image->xmpData())
            keys.insert(datum.key());
        for (const auto& datum : image->iptcData())
            keys.insert(datum.key());
        EXPECT_EQ(image->exifData()["Exif.Image.Artist"].toString(), "Zoë Ämber");
        EXPECT_EQ(image->exifData()["Exif.Image.Copyright"].toString(), "© a studio");
        return keys;
    };
    for (const FileFormat format : {FileFormat::Jpeg, FileFormat::Tiff16, FileFormat::Webp}) {
        const auto all = told(MetadataRule::Keep::All, format), some = told(MetadataRule::Keep::WithoutPlace, format),
                   none = told(MetadataRule::Keep::None, format);
        for (const char* key : {"Exif.GPSInfo.GPSLatitude", "Exif.Photo.BodySerialNumber", "Xmp.iptc.Location"}) {
            EXPECT_TRUE(all.count(key)) << key;
            EXPECT_FALSE(some.count(key)) << key;
            EXPECT_FALSE(none.count(key)) << key;
        }
        for (const char* key : {"Exif.Photo.DateTimeOriginal", "Xmp.dc.subject"}) {
            EXPECT_TRUE(some.count(key)) << key;
            EXPECT_FALSE(none.count(key)) << key;
        }
    }
}

TEST(Shipment, DoesAgainOnlyWhatHasChanged)
{
    const TemporaryFolder folder;
    const std::vector<fs::path> sources{sourceIn(folder, "a.jpg"), sourceIn(folder, "b.jpg"),
                                        sourceIn(folder, "c.jpg")};
    Shipment shipment = by(shippedRecipes()[0], folder / "out");
    const auto kept = [&](const Look& look, const std::vector<PictureOwn>& own = {}) {
        const auto report = exportPictures(look, sources, shipment, {}, {}, own);
        EXPECT_TRUE(report && report->failed() == 0);
        std::string words;
        for (const Delivery& d : report->deliveries)
            words += d.isKept ? 'k' : 'w', words += d.target.stem().string() + " ";
        return words;
    };
    Look look;
    EXPECT_EQ(kept(look), "wa wb wc ");
    EXPECT_EQ(kept(look), "ka kb kc ");
    Contrast contrast;
    contrast.slope = 1.2;
    look.steps.push_back({contrast, true, 1, {}, {}});
    EXPECT_EQ(kept(look), "wa wb wc ") << "another look";
    std::vector<PictureOwn> own(3);
    own[1].balance.light.exposureStops = 0.3;
    EXPECT_EQ(kept(look, own), "ka wb kc ") << "one has another balance";
    shipment.recipe.weight = 200;
    EXPECT_EQ(kept(look, own), "wa wb wc ") << "another recipe";
    sourceIn(folder, "x.jpg");
    fs::rename(folder / "x.jpg", sources[2]);
    EXPECT_EQ(kept(look, own), "ka kb wc ") << "another picture of that name";
    fs::remove(folder / "out/web/a.jpg");
    std::ofstream(folder / "out/web/b.jpg", std::ios::app) << "somebody's";
    EXPECT_EQ(kept(look, own), "wa wb-2 kc ") << "one gone, one changed by somebody";
}

TEST(Verify, NamesWhatIsNotAsItWasWritten)
{
    const TemporaryFolder folder;
    const std::vector<fs::path> sources{sourceIn(folder, "a.jpg"), sourceIn(folder, "b.jpg"),
                                        sourceIn(folder, "c.jpg")};
    for (const Recipe& recipe : shippedRecipes())
        ASSERT_EQ(exportPictures(Look{}, sources, by(recipe, folder / "out"), {}, {})->failed(), 0);
    const auto clean = verifyDelivery(folder / "out");
    ASSERT_TRUE(clean) << clean.error().message();
    EXPECT_EQ(clean->files.size(), 12u);
    EXPECT_EQ(clean->wrong(), 0);
    {
        std::fstream file(folder / "out/full/b.jpg", std::ios::in | std::ios::out | std::ios::binary);
        file.seekg(1000);
        const char was = static_cast<char>(file.get());
        file.seekp(1000);
        file.put(static_cast<char>(was ^ 1));
    }
    fs::remove(folder / "out/print/c.tif");
    folder.write("out/web/theirs.txt", "hello");
    const auto found = verifyDelivery(folder / "out");
    ASSERT_TRUE(found);
    EXPECT_EQ(found->wrong(), 2);
    for (const VerifiedFile& f : found->files)
        EXPECT_EQ(f.is, f.file == folder / "out/full/b.jpg"    ? VerifiedFile::Is::Changed
                        : f.file == folder / "out/print/c.tif" ? VerifiedFile::Is::Missing
                                                               : VerifiedFile::Is::Whole);
    EXPECT_EQ(found->others, (std::vector<fs::path>{folder / "out/web/theirs.txt"}));
    EXPECT_FALSE(verifyDelivery(folder / "none"));
    fs::create_directory(folder / "empty");
    EXPECT_FALSE(verifyDelivery(folder / "empty"));
}

TEST(Parts, OfSeveralMachinesGiveTheSameFilesAsOne)
{
    const TemporaryFolder folder;
    std::vector<fs::path> sources;
    for (int i = 0; i < 7; ++i)
        sources.push_back(sourceIn(folder, "f" + std::to_string(i) + ".jpg"));
    Recipe recipe = shippedRecipes()[0];
    recipe.pattern = "{number:2}-{name}";
    ASSERT_EQ(exportPictures(Look{}, sources, by(recipe, folder / "one"), {}, {})->deliveries.size(), 7u);
    for (const int part : {2, 3, 1, 2}) {  // one is run again
        Shipment shipment = by(recipe, folder / "many");
        shipment.part = part, shipment.parts = 3;
        const auto report = exportPictures(Look{}, sources, shipment, {}, {});
        ASSERT_TRUE(report && report->failed() == 0);
        EXPECT_EQ(report->deliveries.size(), part == 1 ? 3u : 2u);
    }
    EXPECT_FALSE(fs::exists(folder / "many/web/manifest.json"));
    EXPECT_EQ(verifyDelivery(folder / "many")->files.size(), 7u) << "before the lists are joined too";
    EXPECT_EQ(WrittenFiles::mergeParts(folder / "many/web").value_or(0), 3);
    const auto verified = verifyDelivery(folder / "many");
    EXPECT_EQ(verified->files.size(), 7u);
    EXPECT_EQ(verified->wrong(), 0);
    for (const auto& entry : fs::directory_iterator(folder / "one/web"))
        if (entry.path().extension() == ".jpg") {
            EXPECT_EQ(readText(entry.path()), readText(folder / "many/web" / entry.path().filename()));
        }
    const auto again = exportPictures(Look{}, sources, by(recipe, folder / "many"), {}, {});
    for (const Delivery& d : again->deliveries)
        EXPECT_TRUE(d.isKept) << "one machine goes on where many ended";
    Shipment wrong = by(recipe, folder / "many");
    wrong.part = 4, wrong.parts = 3;
    EXPECT_FALSE(exportPictures(Look{}, sources, wrong, {}, {}));
}

}  // namespace
}  // namespace amber
