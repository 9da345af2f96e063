// Pictures a band at a time, between their pixels, and smaller.
#include "core/colour/oklab.h"
#include "core/image/bicubic.h"
#include "core/image/oklab_picture.h"
#include "core/image/opened_picture.h"
#include "core/image/resize.h"
#include "core/image/rows.h"
#include "tests/support/picture_files.h"
#include "tests/support/temporary_folder.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace amber {
namespace {

Image noiseImage(int width, int height, unsigned seed)
{
    Image image(width, height);
    std::mt19937 engine(seed);
    std::uniform_real_distribution<float> value(0, 1);
    for (int i = 0; i < 3 * width * height; ++i)
        image.mutableView().data[i] = value(engine);
    return image;
}

Image ramp(int width, int height)
{
    Image image(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(0.1 + 0.02 * x), p[1] = static_cast<float>(0.2 + 0.03 * y);
            p[2] = p[0] + p[1];
        }
    return image;
}

TEST(OkLabPicture, IsThatOfEveryPixel)
{
    Image image = noiseImage(37, 5, 3);
    for (int i = 0; i < 3 * 37; ++i)  // rows far over white and under black too
        image.mutableView().row(1)[i] *= 16, image.mutableView().row(2)[i] = -image.mutableView().row(2)[i];
    std::fill_n(image.mutableView().row(3), 3 * 37, 0.0f);
    const std::vector<OkLab> labs = okLabsOf(image.view());
    ASSERT_EQ(labs.size(), 37u * 5);
    for (int y = 0; y < 5; ++y)
        for (int x = 0; x < 37; ++x) {
            const float* p = image.view().row(y) + 3 * x;
            const OkLab one = toOkLab(LinearRgb{p[0], p[1], p[2]}), lab = labs[static_cast<std::size_t>(37 * y + x)];
            const double bound = y == 3 ? 1e-9 : 2e-6;
            EXPECT_NEAR(lab.L, one.L, bound) << x << " " << y;
            EXPECT_NEAR(lab.a, one.a, bound) << x << " " << y;
            EXPECT_NEAR(lab.b, one.b, bound) << x << " " << y;
        }
}

TEST(Bicubic, ThroughThePixelsItself)
{
    const Image image = noiseImage(9, 7, 1);
    for (int y = 0; y < 7; ++y)
        for (int x = 0; x < 9; ++x) {
            float c[3];
            sampleBicubic(image.view(), x, y, c);
            for (int k = 0; k < 3; ++k)
                EXPECT_FLOAT_EQ(c[k], image.view().row(y)[3 * x + k]);
        }
}

RC_GTEST_PROP(Bicubic, AStraightRampStaysStraightBetweenPixels, ())
{
    static const Image image = ramp(24, 18);
    // Where the four nearest along each axis are inside.
    const double x = *rc::gen::inRange(100, 2100) / 100.0, y = *rc::gen::inRange(100, 1500) / 100.0;
    float c[3];
    sampleBicubic(image.view(), x, y, c);
    RC_ASSERT(std::abs(c[0] - (0.1 + 0.02 * x)) < 1e-5);
    RC_ASSERT(std::abs(c[1] - (0.2 + 0.03 * y)) < 1e-5);
}

TEST(Bicubic, TheEdgeRepeatsOutward)
{
    const Image image = ramp(6, 5);
    float c[3];
    sampleBicubic(image.view(), -40, 2, c);
    EXPECT_NEAR(c[0], 0.1, 1e-6);
    sampleBicubic(image.view(), 3, 400, c);
    EXPECT_NEAR(c[1], 0.2 + 0.03 * 4, 1e-6);
}

TEST(Reducing, InBandsIsTheSameBitForBit)
{
    const Image image = noiseImage(157, 83, 2);
    const Image whole = reduceByArea(image.view(), 40, 21);
    for (const int band : {1, 7, 64, 83}) {
        AreaReducer reducer(157, 83, 40, 21);
        for (int y = 0; y < 83; y += band) {
            ImageView rows = image.view();
            rows.data = image.view().row(y), rows.height = std::min(band, 83 - y);
            reducer.take(rows);
        }
        const Image reduced = reducer.result();
        EXPECT_EQ(std::memcmp(reduced.view().data, whole.view().data, sizeof(float) * 3 * 40 * 21), 0) << band;
    }
}

TEST(Reducing, KeepsTheMean)
{
    const Image image = noiseImage(101, 67, 3);
    const auto mean = [](const Image& i) {
        double sum = 0;
        for (int n = 0; n < 3 * i.width() * i.height(); ++n)
            sum += i.view().data[n];
        return sum / (3.0 * i.width() * i.height());
    };
    EXPECT_NEAR(mean(reduceByArea(image.view(), 13, 9)), mean(image), 1e-6);
}

TEST(Reducing, FitsAndNeverEnlarges)
{
    const Image image = noiseImage(90, 60, 4);
    const Image small = reducedToFit(image.view(), 30, 30);
    EXPECT_EQ(small.width(), 30);
    EXPECT_EQ(small.height(), 20);
    const Image same = reducedToFit(image.view(), 500, 500);
    EXPECT_EQ(same.width(), 90);
}

TEST(Reducing, GridPixelsAreTheSourcesInOrder)
{
    for (const int from : {1, 5, 208, 6000})
        for (const int to : {1, 2, from})
            if (to <= from)
                for (int i = 0; i < to; ++i) {
                    const int at = gridIndex(i, from, to);
                    EXPECT_GE(at, 0);
                    EXPECT_LT(at, from);
                    EXPECT_GT(at, i > 0 ? gridIndex(i - 1, from, to) : -1);
                }
}

TEST(Rows, ReadInBandsIsThePictureReadWhole)
{
    const test::TemporaryFolder folder;
    for (const auto& [name, bits] : {std::pair("a.tif", 16), std::pair("b.png", 8), std::pair("c.jpg", 8)}) {
        ASSERT_TRUE(test::writeRaw(folder / name, test::noise(61, 45, 3, bits, 7)));
        const auto whole = readPicture(folder / name);
        auto reader = RowReader::open(folder / name);
        ASSERT_TRUE(whole && reader && *reader) << name;
        Image banded(61, 45);
        std::vector<std::uint8_t> codes;
        for (int y = 0; y < 45; y += 16) {
            MutableImageView rows = banded.mutableView();
            rows.data = rows.row(y), rows.height = std::min(16, 45 - y);
            ASSERT_TRUE((*reader)->read(rows.height, codes));
            (*reader)->toLinear(codes.data(), rows);
        }
        EXPECT_EQ(std::memcmp(banded.view().data, whole->image.view().data, sizeof(float) * 3 * 61 * 45), 0) << name;
    }
}

TEST(Rows, WrittenInBandsIsTheSameFile)
{
    const test::TemporaryFolder folder;
    const auto source = folder / "source.png";
    ASSERT_TRUE(test::writeRaw(source, test::noise(61, 45, 3, 8, 7)));
    const Image picture = noiseImage(61, 45, 9);
    for (const FileFormat format : {FileFormat::Tiff16, FileFormat::Png8, FileFormat::Jpeg, FileFormat::Webp}) {
        OutputOptions options{format, RgbSpace::DisplayP3, 90};
        options.dither = format == FileFormat::Png8;
        const auto whole = folder / ("whole" + std::string(extensionOf(format))),
                   banded = folder / ("banded" + std::string(extensionOf(format)));
        ASSERT_TRUE(writePicture(whole, picture.view(), {}, options, source));
        auto writer = RowWriter::open(banded, 61, 45, options);
        ASSERT_TRUE(writer);
        std::vector<std::uint8_t> codes;
        for (int y = 0; y < 45; y += 8) {
            ImageView rows = picture.view();
            rows.data = rows.row(y), rows.height = std::min(8, 45 - y);
            (*writer)->toCodes(rows, y, codes);
            ASSERT_TRUE((*writer)->write(rows.height, codes));
        }
        ASSERT_TRUE((*writer)->finish(source));
        EXPECT_EQ(test::readRaw(whole), test::readRaw(banded)) << nameOf(format);
    }
}

TEST(Rows, TurnedAndTransparentPicturesAreNotReadInBands)
{
    const test::TemporaryFolder folder;
    ASSERT_TRUE(test::writeRaw(folder / "alpha.png", test::noise(9, 9, 4, 8, 1)));
    ASSERT_TRUE(test::writeRaw(folder / "turned.jpg", test::noise(16, 8, 3, 8, 1),
                               [](OIIO::ImageSpec& spec) { spec.attribute("Orientation", 6); }));
    for (const char* name : {"alpha.png", "turned.jpg"}) {
        const auto reader = RowReader::open(folder / name);
        ASSERT_TRUE(reader) << name;
        EXPECT_FALSE(*reader) << name;
    }
    EXPECT_FALSE(RowReader::open(folder / "missing.jpg"));
}

TEST(OpenedPicture, SaysWhatIsWrongWithAFile)
{
    const test::TemporaryFolder folder;
    const auto why = [](const std::filesystem::path& path) {
        const auto opened = openPicture(path);
        return opened ? std::string() : opened.error().message();
    };
    EXPECT_NE(why(folder / "none.jpg").find("no such file"), std::string::npos);
    EXPECT_NE(why(folder.path()).find("not a file"), std::string::npos);
    EXPECT_NE(why(folder.write("empty.jpg", "")).find("empty"), std::string::npos);
    EXPECT_NE(why(folder.write("notes.jpg", "these are only words")).find("not a picture"), std::string::npos);
    ASSERT_TRUE(test::writeRaw(folder / "cut.jpg", test::noise(64, 64, 3, 8, 5)));
    std::filesystem::resize_file(folder / "cut.jpg", 700);
    EXPECT_NE(why(folder / "cut.jpg").find("cut short"), std::string::npos);
    EXPECT_FALSE(wantsRaw(folder / "cut.jpg"));
}

TEST(OpenedPicture, AnEncodedPictureIsItsCodes)
{
    const test::TemporaryFolder folder;
    const test::RawPicture raw = test::noise(12, 5, 3, 16, 8);
    ASSERT_TRUE(test::writeRaw(folder / "codes.tif", raw));
    const auto encoded = readEncoded(folder / "codes.tif");
    ASSERT_TRUE(encoded);
    EXPECT_EQ(encoded->bits, 16);
    for (int y = 0; y < 5; ++y)
        for (int x = 0; x < 12; ++x)
            EXPECT_NEAR(encoded->image.view().row(y)[3 * x + 1] * 65535, raw.at(x, y, 1), 0.01);
}

TEST(OpenedPicture, SmallPicturesTakeLittleMemoryAndNothingTakesNone)
{
    const test::TemporaryFolder folder;
    ASSERT_TRUE(test::writeRaw(folder / "large.tif", test::noise(900, 600, 3, 8, 5)));
    const std::size_t whole = bytesToRead(folder / "large.tif");
    EXPECT_GE(whole, std::size_t{900} * 600 * 3 * sizeof(float));
    EXPECT_LT(bytesToReadReduced(folder / "large.tif", 100, false), whole / 2);
    EXPECT_EQ(bytesToRead(folder / "missing.tif"), 0u);
}

TEST(Light, IsReadAsItWasWrittenWholeAndByRows)
{
    const test::TemporaryFolder folder;
    Image light(70, 45);
    std::mt19937 random(3);
    std::uniform_real_distribution<float> some(-0.5f, 20.0f);
    for (int y = 0; y < light.height(); ++y)
        for (int i = 0; i < 3 * light.width(); ++i)
            light.mutableView().row(y)[i] = some(random);
    OutputOptions options;
    options.format = FileFormat::Exr32, options.space = RgbSpace::Linear;
    ASSERT_TRUE(writePicture(folder / "whole.exr", light.view(), {}, options, {}));
    const auto read = readPicture(folder / "whole.exr");
    ASSERT_TRUE(read) << read.error().message();
    EXPECT_EQ(read->info.format, "openexr");
    EXPECT_EQ(read->info.bits, 32);
    for (int y = 0; y < light.height(); ++y)
        EXPECT_EQ(std::memcmp(read->image.view().row(y), light.view().row(y), 12 * light.width()), 0) << y;
    const auto rows = RowReader::open(folder / "whole.exr");
    ASSERT_TRUE(rows && *rows);
    std::vector<std::uint8_t> codes;
    ASSERT_TRUE((*rows)->read(45, codes));
    Image band(70, 45);
    (*rows)->toLinear(codes.data(), band.mutableView());
    EXPECT_EQ(std::memcmp(band.view().data, light.view().data, sizeof(float) * 70 * 45 * 3), 0);
    // Half floats with primaries of another space come back as the same light.
    options.format = FileFormat::Exr, options.space = RgbSpace::DisplayP3;
    ASSERT_TRUE(writePicture(folder / "half.exr", light.view(), {}, options, {}));
    const auto half = readPicture(folder / "half.exr");
    ASSERT_TRUE(half);
    for (int i = 0; i < 3 * 70 * 45; ++i)
        ASSERT_NEAR(half->image.view().data[i], light.view().data[i], 0.03) << i;
    EXPECT_FALSE(readEncoded(folder / "half.exr")) << "light has no codes";
    EXPECT_TRUE(readReduced(folder / "half.exr", 20, true));
    const std::string bytes = test::readText(folder / "half.exr");
    folder.write("cut.exr", bytes.substr(0, bytes.size() / 2));
    EXPECT_FALSE(readPicture(folder / "cut.exr"));
}

}  // namespace
}  // namespace amber
