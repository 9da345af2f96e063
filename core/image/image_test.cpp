#include "core/colour/difference.h"
#include "core/colour/gamut.h"
#include "core/image/metadata.h"
#include "core/image/resize.h"
#include "core/image/write.h"
#include "tests/support/picture_files.h"
#include "tests/support/random_look.h"
#include "tests/support/temporary_folder.h"

#include <exiv2/exiv2.hpp>
#include <gtest/gtest.h>
#include <lcms2.h>
#include <turbojpeg.h>
#include <webp/mux.h>

namespace amber {
namespace {

using namespace test;
namespace fs = std::filesystem;

std::string faultOf(const fs::path& path)
{
    const auto picture = readPicture(path);
    return picture ? std::string("accepted") : picture.error().message();
}

bool contains(const std::string& text, const std::string& part) { return text.find(part) != std::string::npos; }

void embed(OIIO::ImageSpec& spec, const std::vector<std::uint8_t>& icc)
{
    spec.attribute("ICCProfile", OIIO::TypeDesc(OIIO::TypeDesc::UINT8, static_cast<int>(icc.size())), icc.data());
}

LinearRgb pixelAt(const Image& image, int x, int y)
{
    const float* p = image.view().row(y) + 3 * x;
    return {p[0], p[1], p[2]};
}

TEST(ReadPicture, CodesOfEveryFormatAndDepthBecomeLinearLight)
{
    const TemporaryFolder folder;
    for (const auto& [name, bits, channels] : {std::tuple{"a.png", 8, 3},
                                               {"b.png", 16, 3},
                                               {"c.tif", 8, 3},
                                               {"d.tif", 16, 3},
                                               {"e.webp", 8, 3},
                                               {"f.png", 8, 1},
                                               {"g.tif", 16, 1},
                                               {"h.png", 16, 4},
                                               {"i.tif", 8, 4},
                                               {"j.png", 8, 2}}) {
        RawPicture raw = noise(13, 7, channels, bits, 3);
        ASSERT_TRUE(writeRaw(folder / name, raw)) << name;
        const auto picture = readPicture(folder / name);
        ASSERT_TRUE(picture) << picture.error().message();
        if (std::string(name) == "e.webp")
            raw = readRaw(folder / name);  // written with loss
        EXPECT_EQ(picture->info.bits, bits) << name;
        EXPECT_TRUE(picture->info.profile.assumedSrgb) << name;
        const double top = bits == 8 ? 255 : 65535;
        const int g = channels >= 3 ? 1 : 0, b = channels >= 3 ? 2 : 0;
        for (int y = 0; y < 7; ++y)
            for (int x = 0; x < 13; ++x) {
                const LinearRgb expected = decode(RgbSpace::Srgb, {raw.at(x, y, 0) / top, raw.at(x, y, g) / top,
                                                                   raw.at(x, y, b) / top}),
                                found = pixelAt(picture->image, x, y);
                EXPECT_NEAR(found.r, expected.r, 2e-6) << name;
                EXPECT_NEAR(found.g, expected.g, 2e-6);
                EXPECT_NEAR(found.b, expected.b, 2e-6);
                if (picture->info.hasAlpha) {
                    EXPECT_NEAR(picture->alpha[static_cast<std::size_t>(y) * 13 + x], raw.at(x, y, channels - 1) / top,
                                1e-6);
                }
            }
    }
}

TEST(ReadPicture, EveryOrientationIsTurnedUpright)
{
    // EXIF 2.32, tag 274: where the top left pixel of the upright picture is stored.
    const TemporaryFolder folder;
    RawPicture raw = noise(5, 3, 3, 8, 4);
    const auto corner = [&](const Image& image) {
        return encodeComponent(RgbSpace::Srgb, apply(fromWorking(RgbSpace::Srgb), pixelAt(image, 0, 0)).r) * 255;
    };
    const std::pair<int, int> stored[] = {{0, 0}, {4, 0}, {4, 2}, {0, 2}, {0, 0}, {0, 2}, {4, 2}, {4, 0}};
    for (int orientation = 1; orientation <= 8; ++orientation) {
        ASSERT_TRUE(
            writeRaw(folder / "turned.tif", raw, [&](OIIO::ImageSpec& spec) { spec["Orientation"] = orientation; }));
        const auto picture = readPicture(folder / "turned.tif");
        ASSERT_TRUE(picture);
        const auto [x, y] = stored[orientation - 1];
        EXPECT_NEAR(corner(picture->image), raw.at(x, y, 0), 1e-2) << orientation;
        EXPECT_EQ(picture->image.width(), orientation >= 5 ? 3 : 5);
        EXPECT_EQ(readPictureInfo(folder / "turned.tif")->width, picture->image.width());
    }
}

TEST(ReadPicture, AssociatedAlphaIsDividedOut)
{
    // Half-covered pixels stored multiplied by their coverage are the same colours as stored plainly.
    const TemporaryFolder folder;
    const RawPicture raw{2, 1, 4, 16, {20000, 10000, 5000, 32768, 30000, 30000, 30000, 65535}};
    ASSERT_TRUE(
        writeRaw(folder / "associated.tif", raw, [](OIIO::ImageSpec& spec) { spec["oiio:UnassociatedAlpha"] = 0; }));
    const auto picture = readPicture(folder / "associated.tif");
    ASSERT_TRUE(picture) << picture.error().message();
    const double share = 32768 / 65535.0;
    EXPECT_NEAR(pixelAt(picture->image, 0, 0).r,
                decode(RgbSpace::Srgb, {20000 / 65535.0 / share, 10000 / 65535.0 / share, 5000 / 65535.0 / share}).r,
                1e-4);
    EXPECT_NEAR(pixelAt(picture->image, 1, 0).g,
                decode(RgbSpace::Srgb, {30000 / 65535.0, 30000 / 65535.0, 30000 / 65535.0}).g, 1e-6);
}

TEST(ReadPicture, ProfilesAreHonoured)
{
    const TemporaryFolder folder;
    const RawPicture raw = noise(9, 9, 3, 16, 5);
    for (RgbSpace space :
         {RgbSpace::Srgb, RgbSpace::DisplayP3, RgbSpace::OpRgb, RgbSpace::ProPhoto, RgbSpace::Rec2020}) {
        ASSERT_TRUE(writeRaw(folder / "p.tif", raw, [&](OIIO::ImageSpec& spec) { embed(spec, iccProfile(space)); }));
        const auto picture = readPicture(folder / "p.tif");
        ASSERT_TRUE(picture) << picture.error().message();
        EXPECT_EQ(picture->info.profile.space, space);
        EXPECT_FALSE(picture->info.profile.assumedSrgb);
        const LinearRgb expected =
            decode(space, {raw.at(4, 4, 0) / 65535.0, raw.at(4, 4, 1) / 65535.0, raw.at(4, 4, 2) / 65535.0});
        EXPECT_NEAR(pixelAt(picture->image, 4, 4).g, expected.g, 2e-6) << titleOf(space);
    }
}

TEST(ReadPicture, ProfileAndOrientationOfWebpAreHonoured)
{
    const TemporaryFolder folder;
    ASSERT_TRUE(writeRaw(folder / "plain.webp", noise(12, 6, 3, 8, 5)));
    const std::string plain = readText(folder / "plain.webp");
    const auto& icc = iccProfile(RgbSpace::DisplayP3);
    const std::string exif("II*\0\x08\0\0\0\x01\0\x12\x01\x03\0\x01\0\0\0\x06\0\0\0\0\0\0\0",
                           26);  // one entry: orientation 6
    const auto data = [](const auto& bytes) {
        return WebPData{reinterpret_cast<const std::uint8_t*>(bytes.data()), bytes.size()};
    };
    const WebPData picturePart = data(plain), iccPart = data(icc), exifPart = data(exif);
    WebPMux* mux = WebPMuxCreate(&picturePart, 1);
    ASSERT_EQ(WebPMuxSetChunk(mux, "ICCP", &iccPart, 1), WEBP_MUX_OK);
    ASSERT_EQ(WebPMuxSetChunk(mux, "EXIF", &exifPart, 1), WEBP_MUX_OK);
    WebPData whole;
    ASSERT_EQ(WebPMuxAssemble(mux, &whole), WEBP_MUX_OK);
    folder.write("p.webp", std::string(reinterpret_cast<const char*>(whole.bytes), whole.size));
    WebPDataClear(&whole);
    WebPMuxDelete(mux);
    const auto picture = readPicture(folder / "p.webp");
    ASSERT_TRUE(picture) << picture.error().message();
    EXPECT_EQ(picture->info.profile.space, RgbSpace::DisplayP3);
    EXPECT_EQ(picture->image.width(), 6);
    const RawPicture raw = readRaw(folder / "p.webp");
    EXPECT_NEAR(
        pixelAt(picture->image, 5, 0).g,
        decode(RgbSpace::DisplayP3, {raw.at(0, 0, 0) / 255.0, raw.at(0, 0, 1) / 255.0, raw.at(0, 0, 2) / 255.0}).g,
        2e-6);
}

TEST(ReadPicture, AnUnknownMatrixProfileAgreesWithLittleCms)
{
    const TemporaryFolder folder;
    const cmsCIExyY white{0.3457, 0.3585, 1};
    const cmsCIExyYTRIPLE primaries{{0.62, 0.34, 1}, {0.28, 0.62, 1}, {0.16, 0.08, 1}};
    cmsToneCurve* gamma = cmsBuildGamma(nullptr, 1.95);
    cmsToneCurve* curves[] = {gamma, gamma, gamma};
    const cmsHPROFILE profile = cmsCreateRGBProfile(&white, &primaries, curves);
    cmsUInt32Number size = 0;
    cmsSaveProfileToMem(profile, nullptr, &size);
    std::vector<std::uint8_t> icc(size);
    cmsSaveProfileToMem(profile, icc.data(), &size);
    const RawPicture raw = noise(16, 16, 3, 16, 6);
    ASSERT_TRUE(writeRaw(folder / "own.tif", raw, [&](OIIO::ImageSpec& spec) { embed(spec, icc); }));
    const auto picture = readPicture(folder / "own.tif");
    ASSERT_TRUE(picture) << picture.error().message();
    EXPECT_FALSE(picture->info.profile.space);
    const cmsHPROFILE lab = cmsCreateLab4Profile(nullptr);
    const cmsHTRANSFORM transform =
        cmsCreateTransform(profile, TYPE_RGB_16, lab, TYPE_Lab_DBL, INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_NOCACHE);
    for (int i = 0; i < 256; ++i) {
        cmsCIELab theirs;
        cmsDoTransform(transform, &raw.codes[static_cast<std::size_t>(3 * i)], &theirs, 1);
        EXPECT_LT(ciede2000(toLab(pixelAt(picture->image, i % 16, i / 16)), Lab{theirs.L, theirs.a, theirs.b}), 0.05);
    }
    cmsDeleteTransform(transform);
    cmsCloseProfile(lab);
    cmsCloseProfile(profile);
    cmsFreeToneCurve(gamma);
}

TEST(ReadPicture, WhatCannotBeReadIsRefusedByName)
{
    const TemporaryFolder folder;
    EXPECT_TRUE(contains(faultOf(folder / "missing.jpg"), "missing.jpg: no such file"));
    EXPECT_TRUE(contains(faultOf(folder.path()), "not a file"));
    EXPECT_TRUE(contains(faultOf(folder.write("empty.png", "")), "empty.png: the file is empty"));
    EXPECT_TRUE(contains(faultOf(folder.write("poem.jpg", "Roses are red")), "not a picture this program reads"));
    EXPECT_TRUE(contains(faultOf(folder.write("zip.tif", "PK\3\4aaaaaaaaaaaaaaa")), "not a picture"));

    // CMYK, as a four-channel JPEG.
    const std::vector<unsigned char> cmyk(16 * 16 * 4, 90);
    unsigned char* bytes = nullptr;
    unsigned long size = 0;
    const tjhandle encoder = tjInitCompress();
    ASSERT_EQ(tjCompress2(encoder, cmyk.data(), 16, 0, 16, TJPF_CMYK, &bytes, &size, TJSAMP_444, 90, 0), 0);
    const auto file = folder.write("press.jpg", std::string(reinterpret_cast<char*>(bytes), size));
    tjFree(bytes);
    tjDestroy(encoder);
    EXPECT_TRUE(contains(faultOf(file), "press.jpg: CMYK pictures are not read"));

    ASSERT_TRUE(writeRaw(folder / "bad-profile.tif", noise(4, 4, 3, 8, 1),
                         [](OIIO::ImageSpec& spec) { embed(spec, std::vector<std::uint8_t>(200, 7)); }));
    EXPECT_TRUE(
        contains(faultOf(folder / "bad-profile.tif"), "bad-profile.tif: the embedded colour profile is damaged"));
    const auto output = OIIO::ImageOutput::create("float.tif");
    OIIO::ImageSpec spec(4, 4, 3, OIIO::TypeDesc::FLOAT);
    ASSERT_TRUE(output->open((folder / "float.tif").string(), spec));
    const std::vector<float> grey(48, 0.5f);
    output->write_image(OIIO::TypeDesc::FLOAT, grey.data());
    output->close();
    EXPECT_TRUE(contains(faultOf(folder / "float.tif"), "8 or 16 bits"));
}

TEST(ReadPicture, ATruncatedFileIsNeverAPictureInSilence)
{
    const TemporaryFolder folder;
    for (const char* name : {"a.jpg", "b.png", "c.tif", "d.webp"}) {
        ASSERT_TRUE(writeRaw(folder / name, noise(120, 80, 3, 8, 7)));
        const std::string whole = readText(folder / name);
        for (int percent : {3, 30, 60, 90, 99}) {
            const auto cut = folder.write(std::string("cut-") + name,
                                          whole.substr(0, whole.size() * static_cast<std::size_t>(percent) / 100));
            EXPECT_NE(faultOf(cut), "accepted") << name << " at " << percent << " %";
        }
    }
}

TEST(ReadPicture, DamagedBytesAreRefusedOrReadButNeverCrash)
{
    const TemporaryFolder folder;
    Random random(14);
    for (const char* name : {"a.jpg", "b.png", "c.tif", "d.webp"}) {
        ASSERT_TRUE(writeRaw(folder / name, noise(40, 30, 3, 8, 7),
                             [](OIIO::ImageSpec& spec) { embed(spec, iccProfile(RgbSpace::DisplayP3)); }));
        const std::string whole = readText(folder / name);
        int refused = 0;
        for (int round = 0; round < 150; ++round) {
            std::string bytes = whole;
            for (int k = random.whole(1, 8); k > 0; --k)
                bytes[static_cast<std::size_t>(random.whole(
                    0, static_cast<int>(std::min<std::size_t>(bytes.size(), random.flip() ? 200 : bytes.size())) -
                           1))] = static_cast<char>(random.whole(0, 255));
            const auto picture = readPicture(folder.write(std::string("damaged-") + name, bytes));
            if (!picture) {
                ++refused;
                EXPECT_TRUE(contains(picture.error().message(), "damaged-")) << picture.error().message();
            } else {
                EXPECT_FALSE(picture->image.isEmpty());
            }
        }
        EXPECT_GT(refused, 10) << name;
    }
}

TEST(ReadPicture, GoesByWhatAFileIsAndNotByItsName)
{
    const TemporaryFolder folder;
    ASSERT_TRUE(writeRaw(folder / "real.png", noise(8, 8, 3, 8, 8)));
    fs::rename(folder / "real.png", folder / "called.jpg");
    const auto picture = readPicture(folder / "called.jpg");
    ASSERT_TRUE(picture) << picture.error().message();
    EXPECT_EQ(picture->info.format, "png");
}

TEST(ReadPicture, OddSizesAreRead)
{
    const TemporaryFolder folder;
    for (const auto& [width, height] : {std::pair{1, 1}, {30000, 10}, {10, 30000}, {1, 3000}}) {
        ASSERT_TRUE(writeRaw(folder / "odd.png", noise(width, height, 3, 8, 9)));
        const auto picture = readPicture(folder / "odd.png");
        ASSERT_TRUE(picture) << picture.error().message();
        EXPECT_EQ(picture->image.width(), width);
        const auto small = readReduced(folder / "odd.png", 320, true);
        ASSERT_TRUE(small);
        EXPECT_LE(std::max(small->image.width(), small->image.height()), 320);
        EXPECT_GE(std::min(small->image.width(), small->image.height()), 1);
    }
}

TEST(ReadReduced, QuickAndExactAgreeOnTheWhole)
{
    const TemporaryFolder folder;
    RawPicture raw = noise(1600, 1200, 3, 8, 10);
    for (int y = 0; y < 1200; ++y)
        for (int x = 0; x < 1600; ++x)
            for (int k = 0; k < 3; ++k)
                raw.codes[(static_cast<std::size_t>(y) * 1600 + x) * 3 + k] =
                    static_cast<std::uint16_t>(40 + x / 10 + (k == 1 ? y / 20 : 0));
    ASSERT_TRUE(writeRaw(folder / "smooth.jpg", raw));
    const auto quick = readReduced(folder / "smooth.jpg", 200, true),
               exact = readReduced(folder / "smooth.jpg", 200, false);
    ASSERT_TRUE(quick && exact);
    ASSERT_EQ(quick->image.width(), exact->image.width());
    for (int x : {10, 100, 190})
        EXPECT_LT(ciede2000(pixelAt(quick->image, x, 75), pixelAt(exact->image, x, 75)), 1.0);
}

TEST(ReadReduced, ABandOfRowsAtATimeGivesTheSamePixelsAsTheWholePicture)
{
    const TemporaryFolder folder;
    for (const auto& [width, height, edge] :
         {std::tuple{517, 331, 100}, {300, 700, 699}, {64, 129, 64}, {2000, 3, 40}, {5, 5, 100}}) {
        ASSERT_TRUE(writeRaw(folder / "p.tif", noise(width, height, 3, 16, 3)));
        const auto whole = readPicture(folder / "p.tif");
        const auto banded = readReducedWithSamples(folder / "p.tif", edge, 37);
        ASSERT_TRUE(whole && banded);
        const Size size = fitted({width, height}, edge), grid = fitted({width, height}, 37);
        const Image image = reduceByArea(whole->image.view(), size.width, size.height),
                    samples = sampleGrid(whole->image.view(), grid.width, grid.height);
        ASSERT_EQ(banded->image.width(), size.width);
        EXPECT_TRUE(
            std::equal(image.view().data, image.view().data + 3 * size.width * size.height, banded->image.view().data))
            << width << " x " << height;
        EXPECT_TRUE(std::equal(samples.view().data, samples.view().data + 3 * grid.width * grid.height,
                               banded->samples.view().data))
            << width << " x " << height;
        std::filesystem::remove(folder / "p.tif");
    }
    // What it takes is known before it is read: little in bands, much where the whole picture must lie in memory.
    ASSERT_TRUE(writeRaw(folder / "opaque.tif", noise(1000, 900, 3, 16, 3)));
    ASSERT_TRUE(writeRaw(folder / "alpha.tif", noise(1000, 900, 4, 16, 3)));
    EXPECT_LT(bytesToReadReduced(folder / "opaque.tif", 100, false), std::size_t{1000} * 80 * 20);
    EXPECT_EQ(bytesToReadReduced(folder / "alpha.tif", 100, false), std::size_t{1000} * 900 * (12 + 8 + 4));
    EXPECT_EQ(bytesToReadReduced(folder / "none.tif", 100, false), 0u);
}

TEST(Metadata, ACamerasNameThatIsNoTextIsReadAndPrinted)
{
    const TemporaryFolder folder;
    ASSERT_TRUE(writeRaw(folder / "p.jpg", noise(16, 16, 3, 8, 3)));
    const auto image = Exiv2::ImageFactory::open((folder / "p.jpg").string());
    image->readMetadata();
    image->exifData()["Exif.Image.Model"] = std::string("Mod\xE8le 1");
    image->writeMetadata();
    EXPECT_EQ(captureFacts(folder / "p.jpg").camera, "Mod\xEF\xBF\xBDle 1");
}

TEST(WritePicture, EveryCodeComesBackThroughTheOutputTransform)
{
    const TemporaryFolder folder;
    RawPicture all{256, 256, 3, 16, {}};
    for (int i = 0; i < 65536; ++i)
        for (int k = 0; k < 3; ++k)
            all.codes.push_back(static_cast<std::uint16_t>(k == 0 ? i : k == 1 ? (i * 257) & 0xFFFF : 65535 - i));
    for (RgbSpace space : {RgbSpace::Srgb, RgbSpace::DisplayP3, RgbSpace::Rec2020}) {
        ASSERT_TRUE(writeRaw(folder / "in.tif", all, [&](OIIO::ImageSpec& spec) { embed(spec, iccProfile(space)); }));
        const auto picture = readPicture(folder / "in.tif");
        ASSERT_TRUE(picture);
        const auto out = folder / (std::string(titleOf(space)) + ".tif");
        ASSERT_TRUE(writePicture(out, picture->image.view(), {}, {FileFormat::Tiff16, space, 92}, {}));
        EXPECT_EQ(largestDifference(readRaw(folder / "in.tif"), readRaw(out)), 0) << titleOf(space);
    }
}

TEST(WritePicture, AlphaAndProfileArriveInTheFile)
{
    const TemporaryFolder folder;
    const RawPicture raw = noise(20, 10, 4, 16, 11);
    ASSERT_TRUE(writeRaw(folder / "in.png", raw));
    const auto picture = readPicture(folder / "in.png");
    ASSERT_TRUE(picture);
    for (const auto& [name, format] : {std::pair{"out.png", FileFormat::Png16}, {"out.tif", FileFormat::Tiff16}}) {
        ASSERT_TRUE(
            writePicture(folder / name, picture->image.view(), picture->alpha, {format, RgbSpace::Srgb, 92}, {}));
        EXPECT_EQ(largestDifference(raw, readRaw(folder / name)), 0) << name;
        EXPECT_EQ(readPictureInfo(folder / name)->profile.space, RgbSpace::Srgb);
        EXPECT_FALSE(readPictureInfo(folder / name)->profile.assumedSrgb);
    }
    ASSERT_TRUE(writePicture(folder / "flat.jpg", picture->image.view(), std::vector<float>(200, 0.0f),
                             {FileFormat::Jpeg, RgbSpace::Srgb, 95}, {}));
    EXPECT_GE(readRaw(folder / "flat.jpg").at(3, 3, 1), 254);  // nothing covered: white paper
}

TEST(WritePicture, MetadataTravelsAndTheOrientationBecomesUpright)
{
    const TemporaryFolder folder;
    ASSERT_TRUE(writeRaw(folder / "in.jpg", noise(40, 30, 3, 8, 12), [](OIIO::ImageSpec& spec) {
        spec["Orientation"] = 6;
        spec["Make"] = "Ombrel";
        spec["Exif:DateTimeOriginal"] = "2026:05:04 10:11:12";
        spec["Copyright"] = "made up";
    }));
    const auto picture = readPicture(folder / "in.jpg");
    ASSERT_TRUE(picture);
    for (const auto& [name, format] :
         {std::pair{"out.jpg", FileFormat::Jpeg}, {"out.png", FileFormat::Png8}, {"out.tif", FileFormat::Tiff8}}) {
        ASSERT_TRUE(
            writePicture(folder / name, picture->image.view(), {}, {format, RgbSpace::Srgb, 92}, folder / "in.jpg"))
            << name;
        EXPECT_EQ(captureTime(folder / name), "2026:05:04 10:11:12") << name;
        const auto image = Exiv2::ImageFactory::open((folder / name).string());
        image->readMetadata();
        EXPECT_EQ(image->exifData()["Exif.Image.Make"].toString(), "Ombrel") << name;
        EXPECT_EQ(image->exifData()["Exif.Image.Orientation"].toLong(), 1) << name;
        EXPECT_EQ(readPicture(folder / name)->image.width(), 30) << name;
    }
}

TEST(WritePicture, AFullDiskLeavesNothingBehind)
{
    Image image(64, 64);
    const auto status = writePicture("/dev/full/x.jpg", image.view(), {}, {}, {});
    EXPECT_FALSE(status);
    const TemporaryFolder folder;
    fs::permissions(folder.path(), fs::perms::owner_read | fs::perms::owner_exec);
    const auto closed = writePicture(folder / "x.png", image.view(), {}, {FileFormat::Png8, RgbSpace::Srgb, 92}, {});
    EXPECT_TRUE(!closed || ::getuid() == 0);
    fs::permissions(folder.path(), fs::perms::owner_all);
}

TEST(OutputTransform, EqualsTheDefinitionToACode)
{
    // Inside the space to one 16-bit code; colours brought to its edge to two in a thousand of them where the curve is
    // steep.
    Random random(15);
    for (RgbSpace space :
         {RgbSpace::Srgb, RgbSpace::DisplayP3, RgbSpace::OpRgb, RgbSpace::ProPhoto, RgbSpace::Rec2020}) {
        const Image image = random.picture(211, 40, -0.2, 1.3);
        std::vector<std::uint16_t> codes(211 * 40 * 3);
        encodeToCodes(image.view(), space, codes.data());
        int far = 0;
        for (std::size_t i = 0; i < 211 * 40; ++i) {
            const float* p = image.view().data + 3 * i;
            const LinearRgb own = apply(fromWorking(space), {p[0], p[1], p[2]}), c = reduceToGamut(space, own);
            const double exact[3] = {c.r, c.g, c.b};
            for (std::size_t k = 0; k < 3; ++k) {
                const double off = std::abs(codes[3 * i + k] - 65535 * encodeComponent(space, exact[k]));
                if (isInside(own)) {
                    ASSERT_LE(off, 1) << nameOf(space) << " " << i;
                }
                far += off > 40;
            }
        }
        EXPECT_LE(far, 25) << nameOf(space);
    }
}

TEST(Resize, KeepsTheMeanAndSamplesSinglePixels)
{
    Random random(13);
    const Image image = random.picture(97, 61, 0, 1);
    const Image small = reduceByArea(image.view(), 10, 7);
    const auto mean = [](const Image& i) {
        double sum = 0;
        for (int k = 0; k < i.width() * i.height() * 3; ++k)
            sum += i.view().data[k];
        return sum / (i.width() * i.height() * 3);
    };
    EXPECT_NEAR(mean(small), mean(image), 1e-5);
    const Image grid = sampleGrid(image.view(), 10, 7);
    const float* last = grid.view().row(6) + 27;
    EXPECT_TRUE(std::equal(last, last + 3, image.view().row(56) + 3 * 92));
    EXPECT_EQ(fitted({6000, 4000}, 1500), (Size{1500, 1000}));
    EXPECT_EQ(fitted({30000, 1}, 100), (Size{100, 1}));
    EXPECT_EQ(fitted({50, 40}, 100), (Size{50, 40}));
}

TEST(IccProfile, IsTheSameOnEveryCallAndKnownAgain)
{
    for (RgbSpace space : {RgbSpace::Srgb, RgbSpace::DisplayP3, RgbSpace::OpRgb, RgbSpace::ProPhoto, RgbSpace::Rec2020,
                           RgbSpace::Linear}) {
        EXPECT_EQ(&iccProfile(space), &iccProfile(space));
        const auto profile = sourceProfile(iccProfile(space), 3, 16);
        ASSERT_TRUE(profile);
        EXPECT_EQ(profile->space, space);
    }
    EXPECT_FALSE(sourceProfile(std::vector<std::uint8_t>(300, 1), 3, 8));
}

TEST(CaptureFacts, AreReadFromTheCamerasNotes)
{
    const auto frame = std::filesystem::path(AMBER_SOURCE_DIR) / "demo/frames/north-window-03.jpg";
    const CaptureFacts facts = captureFacts(frame);
    EXPECT_EQ(facts.camera, "Bellows One");
    EXPECT_EQ(facts.fNumber, 4);
    EXPECT_EQ(facts.sensitivity, 200);
    EXPECT_NEAR(facts.exposureSeconds, 1 / 17.0, 1e-4);
    EXPECT_NEAR(facts.exposureStops(), std::log2(2 / 17.0 / 16), 0.01);
    EXPECT_EQ(facts.seconds % 60, 34);
    EXPECT_EQ(facts.seconds / 3600 % 24, 10);
    EXPECT_FALSE(captureFacts("/nowhere.jpg").hasExposure());
    EXPECT_EQ(captureFacts(std::filesystem::path(AMBER_SOURCE_DIR) / "README.md").seconds, 0);
}

}  // namespace
}  // namespace amber
