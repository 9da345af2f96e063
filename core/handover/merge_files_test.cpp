// Files of a bracket merged into one file.
#include "core/handover/merge_files.h"

#include "core/image/metadata.h"
#include "core/image/read.h"
#include "tests/support/picture_files.h"
#include "tests/support/temporary_folder.h"

#include <cmath>
#include <gtest/gtest.h>

namespace amber {
namespace {

using test::RawPicture;
using test::TemporaryFolder;
namespace fs = std::filesystem;

constexpr int kWidth = 96, kHeight = 64;

/// A ramp of light, exposed for so many seconds, in plain sRGB; what is too bright is lost.
fs::path exposed(const TemporaryFolder& folder, const std::string& name, double seconds, int width = kWidth)
{
    RawPicture raw{width, kHeight, 3, 8, {}};
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < width; ++x)
            for (int k = 0; k < 3; ++k) {
                const double scene = 0.02 * std::exp2(7.0 * x / width) * (1 + 0.15 * ((y / 8) % 2));
                const double light = std::min(1.0, scene * seconds * 60);
                const double code = light <= 0.0031308 ? 12.92 * light : 1.055 * std::pow(light, 1 / 2.4) - 0.055;
                raw.codes.push_back(static_cast<std::uint16_t>(std::lround(255 * code)));
            }
    EXPECT_TRUE(test::writeRaw(folder / name, raw, [&](OIIO::ImageSpec& spec) {
        spec["Make"] = "Ombrel";
        spec["Model"] = "Bench 1";
        spec["ExposureTime"] = static_cast<float>(seconds);
        spec["FNumber"] = 8.0f;
        spec["Exif:PhotographicSensitivity"] = 100;
        spec["Exif:ISOSpeedRatings"] = 100;
    }));
    return folder / name;
}

TEST(MergeFiles, AreOneFileAsTheDarkestExposureSawIt)
{
    const TemporaryFolder folder;
    const std::vector<fs::path> files{exposed(folder, "a.jpg", 1.0 / 60), exposed(folder, "b.jpg", 1.0 / 240),
                                      exposed(folder, "c.jpg", 1.0 / 15)};
    ASSERT_TRUE(captureFacts(files[0]).hasExposure()) << "made as the test says";
    const auto merged = mergeBracketFiles(files, {}, mergeTarget(files[0], folder.path()));
    ASSERT_TRUE(merged) << merged.error().message();
    EXPECT_EQ(merged->path, folder / "a-merged.tif");
    EXPECT_EQ(merged->darkest, "b.jpg");
    EXPECT_LT(merged->ghostShare, 0.02) << "nothing moved";
    const auto picture = readPicture(merged->path);
    ASSERT_TRUE(picture);
    EXPECT_EQ(picture->info.bits, 16);
    EXPECT_NEAR(captureFacts(merged->path).exposureSeconds, 1.0 / 240, 1e-4) << "as it was exposed, so the file is";
    // Bright parts that two exposures lost are whole: the ramp rises to its end.
    const float* row = picture->image.view().row(4);
    for (int x = 8; x < kWidth - 8; x += 8)
        EXPECT_GT(row[3 * (x + 8) + 1], row[3 * x + 1]) << x;
}

TEST(MergeFiles, NeverTakeANameThatIsTakenAndSayWhatTheyCannotMerge)
{
    const TemporaryFolder folder;
    const fs::path one = exposed(folder, "a.jpg", 1.0 / 60), two = exposed(folder, "b.jpg", 1.0 / 240);
    folder.write("a-merged.tif", "somebody's");
    EXPECT_EQ(mergeTarget(one, folder.path()), folder / "a-merged-2.tif");
    EXPECT_FALSE(mergeBracketFiles({one, two}, {}, folder / "a-merged.tif")) << "a file that is there is left";
    EXPECT_EQ(test::readText(folder / "a-merged.tif"), "somebody's");
    const fs::path silent = folder / "silent.png";
    ASSERT_TRUE(test::writeRaw(silent, test::noise(kWidth, kHeight, 3, 8, 1)));
    const auto refused = mergeBracketFiles({one, silent}, {}, folder / "x.tif");
    ASSERT_FALSE(refused);
    EXPECT_NE(refused.error().message().find("how it was exposed"), std::string::npos);
    EXPECT_FALSE(mergeBracketFiles({one, exposed(folder, "wide.jpg", 1.0 / 240, 120)}, {}, folder / "x.tif"))
        << "of another size";
    EXPECT_FALSE(mergeBracketFiles({one, folder / "gone.jpg"}, {}, folder / "x.tif"));
    CancelToken cancel;
    cancel.cancel();
    EXPECT_FALSE(mergeBracketFiles({one, two}, {}, folder / "x.tif", cancel));
    EXPECT_FALSE(fs::exists(folder / "x.tif"));
}

}  // namespace
}  // namespace amber
