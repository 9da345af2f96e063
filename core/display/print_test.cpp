// Prints and other people's screens, measured: against LittleCMS, and against what the stand-ins were made to be.
#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"
#include "core/display/client_loss.h"
#include "core/display/print_measures.h"
#include "core/image/profile.h"
#include "tests/support/temporary_folder.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <lcms2.h>

namespace amber::test {
namespace {

DeviceProfile shipped(const char* name)
{
    return *readDeviceProfile(std::filesystem::path(AMBER_SOURCE_DIR) / "demo/profiles" / name);
}

/// Colours of an sRGB file on a grid, greys and skins among them.
struct Codes {
    int width = 0;
    std::vector<std::uint8_t> rgb;
};
Codes gridCodes()
{
    Codes codes;
    for (int r = 0; r < 256; r += 15)
        for (int g = 0; g < 256; g += 15)
            for (int b = 0; b < 256; b += 15)
                codes.rgb.insert(codes.rgb.end(), {static_cast<std::uint8_t>(r), static_cast<std::uint8_t>(g),
                                                   static_cast<std::uint8_t>(b)});
    codes.width = static_cast<int>(codes.rgb.size() / 3);
    return codes;
}
Image lightOf(const Codes& codes)
{
    Image light(codes.width, 1);
    for (int x = 0; x < codes.width; ++x) {
        const auto at = static_cast<std::size_t>(3 * x);
        const LinearRgb c =
            decode(RgbSpace::Srgb, {codes.rgb[at] / 255.0, codes.rgb[at + 1] / 255.0, codes.rgb[at + 2] / 255.0});
        float* p = light.mutableView().row(0) + 3 * x;
        p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
    }
    return light;
}

cmsHPROFILE opened(const std::vector<std::uint8_t>& icc)
{
    return cmsOpenProfileFromMem(icc.data(), static_cast<cmsUInt32Number>(icc.size()));
}

TEST(SoftProof, IsLittleCmsOwnProofWithinACode)
{
    const DeviceProfile printer = shipped("printer-kiln-felt.icc");
    const Codes codes = gridCodes();
    const Image light = lightOf(codes);
    for (const ViewIntent intent : {ViewIntent::Relative, ViewIntent::Perceptual})
        for (const bool isPaper : {false, true})
            for (const bool isBlack : {false, true}) {
                ViewOptions options;
                options.proof = printer, options.proofIntent = intent, options.paperWhite = isPaper;
                options.blackPoint = isBlack, options.isExact = true;
                const auto view = ViewTransform::make(std::nullopt, options);
                ASSERT_TRUE(view);
                std::vector<std::uint32_t> shown(static_cast<std::size_t>(codes.width));
                (*view)->apply(light.view(), shown.data(), shown.size());
                cmsHPROFILE srgb = opened(iccProfile(RgbSpace::Srgb)), inks = opened(printer.icc);
                cmsHTRANSFORM proof = cmsCreateProofingTransform(
                    srgb, TYPE_RGB_8, srgb, TYPE_RGB_DBL, inks,
                    intent == ViewIntent::Perceptual ? INTENT_PERCEPTUAL : INTENT_RELATIVE_COLORIMETRIC,
                    isPaper ? INTENT_ABSOLUTE_COLORIMETRIC : INTENT_RELATIVE_COLORIMETRIC,
                    cmsFLAGS_SOFTPROOFING | (isBlack ? cmsFLAGS_BLACKPOINTCOMPENSATION : 0) | cmsFLAGS_NOOPTIMIZE |
                        cmsFLAGS_NOCACHE);
                std::vector<double> expected(codes.rgb.size());
                cmsDoTransform(proof, codes.rgb.data(), expected.data(), static_cast<cmsUInt32Number>(codes.width));
                cmsDeleteTransform(proof), cmsCloseProfile(inks), cmsCloseProfile(srgb);
                double worst = 0;
                for (std::size_t i = 0; i < shown.size(); ++i)
                    for (int k = 0; k < 3; ++k)
                        worst = std::max(
                            worst, std::abs(static_cast<double>(shown[i] >> (16 - 8 * k) & 255) -
                                            255 * std::clamp(expected[3 * i + static_cast<std::size_t>(k)], 0.0, 1.0)));
                EXPECT_LE(worst, 1.01) << static_cast<int>(intent) << isPaper << isBlack;
            }
}

TEST(Ink, IsTheSumOfTheProfilesOwnDeviceValues)
{
    const DeviceProfile printer = shipped("printer-kiln-felt.icc");
    const Codes codes = gridCodes();
    const auto print = PrintMeasures::make(printer, {ViewIntent::Relative, false});
    ASSERT_TRUE(print);
    const std::vector<float> sums = (*print)->inkSums(lightOf(codes).view());
    cmsHPROFILE srgb = opened(iccProfile(RgbSpace::Srgb)), inks = opened(printer.icc);
    cmsHTRANSFORM to = cmsCreateTransform(srgb, TYPE_RGB_8, inks, TYPE_CMYK_DBL, INTENT_RELATIVE_COLORIMETRIC,
                                          cmsFLAGS_NOOPTIMIZE | cmsFLAGS_NOCACHE);
    std::vector<double> device(static_cast<std::size_t>(codes.width) * 4);
    cmsDoTransform(to, codes.rgb.data(), device.data(), static_cast<cmsUInt32Number>(codes.width));
    cmsDeleteTransform(to), cmsCloseProfile(inks), cmsCloseProfile(srgb);
    for (std::size_t i = 0; i < sums.size(); ++i)
        ASSERT_NEAR(sums[i], device[4 * i] + device[4 * i + 1] + device[4 * i + 2] + device[4 * i + 3], 0.5) << i;
    // White takes none, black most; the limit is found where it is passed and nowhere else.
    EXPECT_LT(sums.back(), 2);
    const double most = *std::max_element(sums.begin(), sums.end());
    EXPECT_GT(most, 250);
    const InkPast past = inkPast(sums, most - 5);
    EXPECT_EQ(past.most, most);
    for (std::size_t i = 0; i < sums.size(); ++i)
        ASSERT_EQ(past.marks[i] == 1, sums[i] > most - 5);
    EXPECT_EQ(inkPast(sums, 400).share, 0);
    // Its ends lie where ink and paper end, whatever the intent.
    const PrintEnds& ends = (*print)->ends();
    EXPECT_GT(ends.deepestBlack, 5);
    EXPECT_LT(ends.deepestBlack, 35);
    EXPECT_GT(ends.lightestInk, 90);
    EXPECT_LT(ends.lightestInk, 100);
    EXPECT_NEAR(116 * ends.ceiling - 16, ends.lightestInk, 1e-6);
    EXPECT_FALSE(PrintMeasures::make(shipped("screen-dim-phone.icc"), {}));
}

TEST(ClientLoss, IsWhatTheStandInsWereMadeToLose)
{
    const Image light = lightOf(gridCodes());
    DeviceProfile same;
    same.icc = iccProfile(RgbSpace::Srgb);
    const auto none = clientLoss(same, light.view());
    ASSERT_TRUE(none);
    EXPECT_EQ(none->darkStops, 0);
    EXPECT_LT(none->difference, 1e-3);
    EXPECT_EQ(wordsOf(*none), "shows it as it is");
    // A pure power of 2.3 hides darks: L* 1 is reached at the code c with (c/255)^2.3 = 1/903.3.
    const auto phone = clientLoss(shipped("screen-dim-phone.icc"), light.view());
    const double code = std::ceil(255 * std::pow(1 / 903.3, 1 / 2.3)), usual = std::ceil(255 * 12.92 / 903.3);
    EXPECT_NEAR(phone->darkStops,
                std::log2(decodeComponent(RgbSpace::Srgb, code / 255) / decodeComponent(RgbSpace::Srgb, usual / 255)),
                0.3);
    EXPECT_LT(phone->brightness, -0.5);
    EXPECT_NE(wordsOf(*phone).find("loses the darkest"), std::string::npos);
    // The projector's black is light: all is lighter, and colours are thin.
    const auto projector = clientLoss(shipped("screen-pale-projector.icc"), light.view());
    EXPECT_GT(projector->brightness, 3);
    EXPECT_LT(projector->chroma, 0.95);
    EXPECT_FALSE(clientLoss(shipped("printer-kiln-felt.icc"), light.view()));
}

}  // namespace
}  // namespace amber::test
