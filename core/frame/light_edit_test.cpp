// One number of light by hand, on one frame and on several; whites by evidence; ends by use; what is clipped.
#include "core/frame/light_edit.h"

#include "core/balance/white_estimates.h"
#include "core/colour/rgb_space.h"
#include "core/image/raw.h"
#include "core/image/read.h"
#include "core/job/edits.h"
#include "core/measure/clip_map.h"

#include <cmath>
#include <gtest/gtest.h>

namespace amber {
namespace {

const std::filesystem::path kDemo = std::filesystem::path(AMBER_SOURCE_DIR) / "demo";

AsShot shotAt(double kelvin, double tint = 0)
{
    AsShot shot;
    shot.light.kelvin = kelvin, shot.light.tint = tint;
    return shot;
}

TEST(AsShot, IsReadFromRawAndPictureFilesWithinAHundredKelvin)
{
    for (const auto& [file, kelvin] :
         {std::pair("raw/dusk-terrace-01.dng", 5400), std::pair("raw/lamp-shelf-01.dng", 3500),
          std::pair("raw/shop-front-09.dng", 6200), std::pair("raw/yard-10.dng", 6500),
          std::pair("frames/lamp-shelf-05.jpg", 3900), std::pair("frames/north-window-02.jpg", 6500)}) {
        const AsShot shot = asShotOf(captureFacts(kDemo / file));
        EXPECT_NEAR(shot.light.kelvin, kelvin, 100) << file;
        EXPECT_NEAR(shot.light.tint, 0, 2) << file;
        EXPECT_EQ(shot.from == CaptureFacts::WhiteFrom::Neutral, std::string_view(file).ends_with("dng")) << file;
    }
    EXPECT_EQ(asShotOf({}).light, Balance{});
}

TEST(Light, AKelvinMeansTheLightWhateverTheCameraChose)
{
    // One scene, neutral grey under 5300 K, on two frames that the camera balanced for 3500 and for 6200 K.
    for (const double chosen : {3500.0, 6200.0}) {
        const AsShot shot = shotAt(chosen, -2);
        const LinearRgb grey = apply(adaptation(chromaticityOf(chosen, -2), chromaticityOf(5300, 4)), {0.2, 0.2, 0.2});
        FrameBalance b = withValue(withValue({}, LightPart::Kelvin, 5300, shot), LightPart::Tint, 4, shot);
        const LinearRgb c = balancedColour(grey, b, {});
        EXPECT_NEAR(c.r / c.g, 1, 2e-3) << chosen;
        EXPECT_NEAR(c.b / c.g, 1, 2e-3) << chosen;
        EXPECT_EQ(valueOf(b, LightPart::Kelvin, shot), 5300);
        EXPECT_TRUE(b.whiteLocked && !b.exposureLocked);
        // The same found by picking it.
        const auto picked = neutralised({}, grey, {}, shot);
        ASSERT_TRUE(picked);
        EXPECT_NEAR(picked->light.kelvin, 5300, 15);
        EXPECT_NEAR(picked->light.tint, 4, 0.3);
    }
    // A frame shot for tungsten by mistake: any light can be typed and comes back as typed.
    const AsShot tungsten = shotAt(2850);
    for (const double kelvin : {2500.0, 5300.0, 9000.0})
        EXPECT_NEAR(valueOf(withValue({}, LightPart::Kelvin, kelvin, tungsten), LightPart::Kelvin, tungsten), kelvin,
                    1e-6);
    EXPECT_TRUE(withValue({}, LightPart::Kelvin, 2850, tungsten).light.isIdentity()) << "as shot, nothing changes";
    EXPECT_FALSE(neutralised({}, {0, 0, 0}, {}, tungsten));
}

TEST(Light, SeveralFramesAreSetAlikeOrShiftedTogetherAndLocksHold)
{
    std::map<FrameId, FrameBalance> balances;
    for (FrameId id = 1; id <= 4; ++id)
        balances[id].light.exposureStops = 0.1 * static_cast<double>(id);
    balances[3].exposureLocked = true;
    const auto shot = [](FrameId id) { return shotAt(id == 2 ? 3500 : 6500); };
    const auto set = lightTogether(balances, 1, LightPart::Exposure, 0.6, Together::Set, shot);
    ASSERT_EQ(set.size(), 3u);
    EXPECT_EQ(set.at(2).light.exposureStops, 0.6);
    EXPECT_EQ(set.at(4).light.exposureStops, 0.6);
    EXPECT_TRUE(set.at(1).exposureLocked && !set.at(4).exposureLocked);
    const auto moved = lightTogether(balances, 1, LightPart::Exposure, 0.6, Together::Shift, shot);
    EXPECT_NEAR(moved.at(2).light.exposureStops, 0.7, 1e-12);
    EXPECT_NEAR(moved.at(4).light.exposureStops, 0.9, 1e-12);
    // Warmer by as many mired: 6500 to 5000 is 46.
    const auto warmer = lightTogether(balances, 1, LightPart::Kelvin, 5000, Together::Shift, shot);
    EXPECT_NEAR(1e6 / valueOf(warmer.at(2), LightPart::Kelvin, shot(2)) - 1e6 / 3500, 1e6 / 5000 - 1e6 / 6500, 1e-6);
    EXPECT_TRUE(lightTogether(balances, 9, LightPart::Tint, 1, Together::Set, shot).empty());
}

TEST(Whites, NeutralsAreFoundOnFramesThatHaveThem)
{
    // The card's grey tells the white; neutrals found on the frame lie near it.
    const auto picture = readReduced(kDemo / "frames/shop-front-07.jpg", 400, false);
    ASSERT_TRUE(picture);
    const AsShot shot = asShotOf(captureFacts(kDemo / "frames/shop-front-07.jpg"));
    const auto found = findNeutrals(picture->image.view(), {});
    ASSERT_TRUE(found);
    EXPECT_GT(found->share, 0.1);
    const auto white = neutralised({}, found->colour, {}, shot);
    EXPECT_NEAR(white->light.kelvin, 6500, 500) << "the light there; the camera chose 6200";
    EXPECT_FALSE(findNeutrals(Image(50, 40).view(), {}));
}

TEST(EndsByUse, AreThoseOfAllFramesTogether)
{
    std::vector<Image> lit;
    for (int n = 0; n < 2; ++n) {
        Image image(100, 100);
        for (int i = 0; i < 10000; ++i)
            std::fill_n(image.mutableView().data + 3 * i, 3,
                        0.02F + (0.7F + 0.1F * static_cast<float>(n)) * static_cast<float>(i) / 9999.0F);
        lit.push_back(std::move(image));
    }
    const BalanceEnds screen = solveEnds(lit, endsUses()[0]), print = solveEnds(lit, endsUses()[1]),
                      archive = solveEnds(lit, endsUses()[2]);
    EXPECT_NEAR(archive.white, 0.82, 1e-6) << "nothing of the lighter frame is lost";
    EXPECT_NEAR(archive.black, 0.02, 1e-6);
    EXPECT_LT(screen.white, archive.white);
    EXPECT_NEAR(print.white, archive.white, 1e-6) << "no bare paper";
    EXPECT_GT(print.black, screen.black);
    EXPECT_EQ(solveEnds(std::vector<Image>{}, endsUses()[0]), BalanceEnds{});
}

TEST(Clipping, IsMappedByChannelAndRawLightsAreToldApart)
{
    Image picture(4, 1);
    const float values[] = {0.5F, 0.5F, 0.5F, 1.2F, 1.2F, 1.2F, 0, 0, 0, 0.99F, 0.99F, 0.99F};
    std::copy(std::begin(values), std::end(values), picture.mutableView().data);
    const ClipMap ends = clipMap(picture.view(), 0), near = clipMap(picture.view(), 0.01);
    EXPECT_EQ(ends.pixels, (std::vector<std::uint8_t>{0, 0x38, 0x07, 0}));
    EXPECT_EQ(near.pixels[3], 0x38);
    EXPECT_EQ(ClipMap::brightChannels(0x18), 2);
    // The lights that a camera protected by a stop: a stop up they are white and can be brought back.
    const auto raw = readRaw(kDemo / "raw/shop-front-10.dng", true);
    ASSERT_TRUE(raw);
    FrameBalance up;
    up.light.exposureStops = 1.5;
    const Image balanced = balancedPicture(raw->image, up, baseRendering());
    const Headroom room = headroomOf(balanced.view(), raw->image.view(), rawSaturation());
    std::printf("recoverable %.3f, partly %.3f, lost %.3f\n", room.recoverable, room.partly, room.lost);
    EXPECT_GT(room.recoverable, 0.02);
    EXPECT_LT(room.lost, 0.01);
    const auto lost = readRaw(kDemo / "raw/yard-10.dng", true);
    const Headroom none =
        headroomOf(balancedPicture(lost->image, up, baseRendering()).view(), lost->image.view(), rawSaturation());
    std::printf("recoverable %.3f, partly %.3f, lost %.3f\n", none.recoverable, none.partly, none.lost);
    EXPECT_GT(none.lost, 0.01);
}

}  // namespace
}  // namespace amber
