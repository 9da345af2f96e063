#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/image/metadata.h"
#include "core/image/raw.h"
#include "tests/support/temporary_folder.h"

#include <cmath>
#include <fstream>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

namespace amber {
namespace {

namespace fs = std::filesystem;
const fs::path kDemo = fs::path(AMBER_SOURCE_DIR) / "demo";

TEST(Raw, TheBaseCurveKeepsTwoAndAHalfStopsAboveWhiteAndComesBack)
{
    EXPECT_EQ(baseCurve(0.18), 0.18);
    EXPECT_NEAR(baseCurve(std::exp2(2.5)), 1, 1e-12);
    double last = -1;
    for (double x = -0.5; x < 9; x += 0.01) {
        const double y = baseCurve(x);
        EXPECT_GT(y, last);
        EXPECT_NEAR(baseCurveInverse(y), x, 1e-9);
        last = y;
    }
    EXPECT_NEAR((baseCurve(0.5 + 1e-6) - baseCurve(0.5)) / 1e-6, 1, 1e-4) << "no corner where it begins to roll off";
}

TEST(Raw, AFileIsDevelopedNeutralAndInProportionToTheSceneLight)
{
    const auto truth = nlohmann::json::parse(test::readText(kDemo / "truth.json"));
    const fs::path path = kDemo / "raw/north-window-01.dng";
    const auto picture = readPicture(path);
    ASSERT_TRUE(picture) << picture.error().message();
    EXPECT_TRUE(picture->info.isRaw());
    EXPECT_EQ(picture->info.profile.title, "raw, base rendering");
    const auto info = readPictureInfo(path);
    ASSERT_TRUE(info);
    EXPECT_EQ(info->width, picture->image.width());
    EXPECT_EQ(info->height, picture->image.height());
    EXPECT_EQ(captureFacts(path).camera, "Bellows One");
    std::vector<double> ratios;
    for (const auto& frame : truth["frames"]) {
        if (frame["name"] != "north-window-01")
            continue;
        for (const auto& [name, patch] : frame["patches"].items()) {
            LinearRgb mean{};
            int n = 0;
            const double cx = patch["x"], cy = patch["y"], r = patch["radius"].get<double>() * 0.7;
            for (int y = static_cast<int>(cy - r); y <= cy + r; ++y)
                for (int x = static_cast<int>(cx - r); x <= cx + r; ++x, ++n) {
                    const float* p = picture->image.view().row(y) + 3 * x;
                    const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), {p[0], p[1], p[2]});
                    mean = {mean.r + baseCurveInverse(own.r), mean.g + baseCurveInverse(own.g),
                            mean.b + baseCurveInverse(own.b)};
                }
            if (name.rfind("stair", 0) != 0)
                continue;
            const double scene = patch["scene"][1];
            ratios.push_back(mean.g / n / scene);
            const OkLab lab = toOkLab(apply(toWorking(RgbSpace::Srgb), {mean.r / n, mean.g / n, mean.b / n}));
            EXPECT_LT(std::hypot(lab.a, lab.b), 0.02)
                << name << ": grey under the white that the camera chose, near its light";
        }
    }
    ASSERT_EQ(ratios.size(), 7u);
    for (const double r : ratios)
        EXPECT_NEAR(r / ratios[0], 1, 0.06) << "linear over the stairs";
}

TEST(Raw, QuickIsHalfTheSizeAndWhatIsNoneIsRefusedByName)
{
    const fs::path path = kDemo / "raw/yard-10.dng";
    const auto quick = readReduced(path, 320, true), whole = readReduced(path, 320, false);
    ASSERT_TRUE(quick && whole);
    EXPECT_EQ(quick->image.width(), whole->image.width());
    double apart = 0;
    for (int i = 0; i < quick->image.width() * quick->image.height() * 3; ++i)
        apart += std::abs(quick->image.view().data[i] - whole->image.view().data[i]);
    EXPECT_LT(apart / (quick->image.width() * quick->image.height() * 3), 0.01);
    // More than white is in the file: exposure brings it back.
    const auto picture = readPicture(path);
    float top = 0;
    for (int i = 0; i < picture->image.width() * picture->image.height() * 3; ++i)
        top = std::max(top, picture->image.view().data[i]);
    EXPECT_GT(baseCurveInverse(top), 2);

    const test::TemporaryFolder folder;
    std::ofstream(folder / "words.dng") << "these are words, and no raw file at all, however it is called";
    const std::string bytes = test::readText(path);
    std::ofstream(folder / "half.dng", std::ios::binary) << bytes.substr(0, bytes.size() / 3);
    std::ofstream(folder / "empty.dng");
    for (const char* name : {"words.dng", "half.dng", "empty.dng"}) {
        const auto refused = readPicture(folder / name);
        ASSERT_FALSE(refused) << name;
        EXPECT_NE(refused.error().message().find(name), std::string::npos) << refused.error().message();
    }
}

}  // namespace
}  // namespace amber
