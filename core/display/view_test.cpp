// The view transform against LittleCMS's own transform of the same pictures.
#include "core/display/view_transform.h"
#include "core/image/profile.h"
#include "core/image/write.h"

#include <cmath>
#include <gtest/gtest.h>
#include <lcms2.h>
#include <random>

namespace amber {
namespace {

struct Codes {
    int width, height;
    std::vector<std::uint8_t> rgb;
};

/// Every kind of colour an 8-bit sRGB picture holds: greys, ramps, primaries, and chance.
Codes trialCodes()
{
    Codes codes{256, 96, {}};
    std::mt19937 random(3);
    for (int y = 0; y < codes.height; ++y)
        for (int x = 0; x < codes.width; ++x)
            for (int k = 0; k < 3; ++k)
                codes.rgb.push_back(static_cast<std::uint8_t>(y < 16   ? x
                                                              : y < 40 ? ((y - 16) / 8 == k ? x : 0)
                                                              : y < 64 ? ((y - 40) / 8 == k ? 255 - x : 255)
                                                                       : random() % 256));
    return codes;
}

Image lightOf(const Codes& codes)
{
    Image image(codes.width, codes.height);
    for (int y = 0; y < codes.height; ++y)
        for (int x = 0; x < codes.width; ++x) {
            const std::uint8_t* c = &codes.rgb[3 * (static_cast<std::size_t>(y) * codes.width + x)];
            const LinearRgb light = decode(RgbSpace::Srgb, {c[0] / 255.0, c[1] / 255.0, c[2] / 255.0});
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(light.r), p[1] = static_cast<float>(light.g), p[2] = static_cast<float>(light.b);
        }
    return image;
}

Codes shownBy(const ViewTransform& view, const Image& light)
{
    std::vector<std::uint32_t> pixels(static_cast<std::size_t>(light.width()) * light.height());
    view.apply(light.view(), pixels.data(), static_cast<std::size_t>(light.width()));
    Codes codes{light.width(), light.height(), {}};
    for (std::uint32_t p : pixels) {
        EXPECT_EQ(p >> 24, 0xffu);
        for (int shift : {16, 8, 0})
            codes.rgb.push_back(static_cast<std::uint8_t>(p >> shift));
    }
    return codes;
}

/// By its exact way: its shortcuts for 8-bit codes are up to 15 codes off in dark channels.
Codes byLittleCms(const Codes& in, const std::vector<std::uint8_t>& to, cmsUInt32Number intent, cmsUInt32Number flags)
{
    const auto& srgb = iccProfile(RgbSpace::Srgb);
    void* from = cmsOpenProfileFromMem(srgb.data(), static_cast<cmsUInt32Number>(srgb.size()));
    void* device = cmsOpenProfileFromMem(to.data(), static_cast<cmsUInt32Number>(to.size()));
    void* transform = cmsCreateTransform(from, TYPE_RGB_8, device, TYPE_RGB_DBL, intent,
                                         flags | cmsFLAGS_NOCACHE | cmsFLAGS_NOOPTIMIZE);
    Codes out{in.width, in.height, {}};
    std::vector<double> values(in.rgb.size());
    cmsDoTransform(transform, in.rgb.data(), values.data(), static_cast<cmsUInt32Number>(in.rgb.size() / 3));
    cmsDeleteTransform(transform), cmsCloseProfile(device), cmsCloseProfile(from);
    for (const double v : values)
        out.rgb.push_back(static_cast<std::uint8_t>(std::lround(255 * std::clamp(v, 0.0, 1.0))));
    return out;
}

int worst(const Codes& one, const Codes& other)
{
    int most = 0;
    for (std::size_t i = 0; i < one.rgb.size(); ++i)
        most = std::max(most, std::abs(one.rgb[i] - other.rgb[i]));
    return most;
}

std::filesystem::path shipped(const char* name)
{
    return std::filesystem::path(AMBER_SOURCE_DIR) / "demo/profiles" / name;
}

class Screens : public testing::TestWithParam<const char*> {};

TEST_P(Screens, AreWithinACodeOfLittleCms)
{
    const auto screen = readDeviceProfile(shipped(GetParam()));
    ASSERT_TRUE(screen);
    const Codes picture = trialCodes();
    for (const bool black : {true, false}) {
        ViewOptions options;
        options.blackPoint = black;
        const auto view = ViewTransform::make(*screen, options);
        ASSERT_TRUE(view);
        EXPECT_LE(
            worst(shownBy(**view, lightOf(picture)), byLittleCms(picture, screen->icc, INTENT_RELATIVE_COLORIMETRIC,
                                                                 black ? cmsFLAGS_BLACKPOINTCOMPENSATION : 0)),
            1)
            << black;
    }
}
INSTANTIATE_TEST_SUITE_P(Shipped, Screens,
                         testing::Values("screen-dim-phone.icc", "screen-warm-laptop.icc",
                                         "screen-pale-projector.icc"));

TEST(ViewTransform, OfAnSrgbScreenShowsWhatAFileHolds)
{
    const Codes picture = trialCodes();
    EXPECT_EQ(shownBy(*ViewTransform::srgb(), lightOf(picture)).rgb, picture.rgb);
    const auto named = deviceProfile(iccProfile(RgbSpace::Srgb), "sRGB");
    ASSERT_TRUE(named);
    const auto view = ViewTransform::make(*named);
    ASSERT_TRUE(view);
    EXPECT_LE(worst(shownBy(**view, lightOf(picture)), picture), 1);
}

TEST(ViewTransform, ShowsAWideScreenWhatSrgbCannotHold)
{
    const auto p3 = deviceProfile(iccProfile(RgbSpace::DisplayP3), "P3");
    ASSERT_TRUE(p3);
    const auto view = ViewTransform::make(*p3);
    ASSERT_TRUE(view);
    Image light(1, 1);
    const LinearRgb red = decode(RgbSpace::DisplayP3, {1, 0, 0});
    float* p = light.mutableView().row(0);
    p[0] = static_cast<float>(red.r), p[1] = static_cast<float>(red.g), p[2] = static_cast<float>(red.b);
    const Codes shown = shownBy(**view, light);
    EXPECT_GE(shown.rgb[0], 254);
    EXPECT_LE(std::max(shown.rgb[1], shown.rgb[2]), 1);
    std::uint8_t wide = 9, narrow = 9;
    (*view)->markOutside(light.view(), &wide);
    ViewTransform::srgb()->markOutside(light.view(), &narrow);
    EXPECT_EQ(wide, 0);
    EXPECT_EQ(narrow, 1);
}

TEST(ViewTransform, DithersGreysToTheirMeanAndKeepsThemGrey)
{
    const auto p3 = deviceProfile(iccProfile(RgbSpace::DisplayP3), "P3");
    const auto view = ViewTransform::make(*p3);
    ASSERT_TRUE(view);
    for (const double code : {20.25, 100.5, 200.75}) {
        Image light(64, 64);
        const auto v = static_cast<float>(decodeComponent(RgbSpace::Srgb, code / 255));
        for (int y = 0; y < 64; ++y)
            std::fill_n(light.mutableView().row(y), 64 * 3, v);
        const Codes shown = shownBy(**view, light);
        double sum = 0;
        for (std::size_t i = 0; i < shown.rgb.size(); i += 3) {
            sum += shown.rgb[i];
            EXPECT_LE(std::abs(shown.rgb[i] - shown.rgb[i + 1]), 1);
        }
        EXPECT_NEAR(sum / (64 * 64), code, 0.1);
    }
}

TEST(ViewTransform, ProofsAndClientsAreWhatLittleCmsSays)
{
    const auto printer = readDeviceProfile(shipped("printer-kiln-felt.icc")),
               phone = readDeviceProfile(shipped("screen-dim-phone.icc"));
    ASSERT_TRUE(printer && phone);
    EXPECT_TRUE(printer->isPrinter);
    const Codes picture = trialCodes();
    ViewOptions asPrinted, asSeen;
    asPrinted.proof = *printer, asSeen.client = *phone;
    const auto print = ViewTransform::make(std::nullopt, asPrinted), seen = ViewTransform::make(std::nullopt, asSeen);
    ASSERT_TRUE(print && seen);

    const auto& srgb = iccProfile(RgbSpace::Srgb);
    const auto size = static_cast<cmsUInt32Number>(srgb.size());
    void* screen = cmsOpenProfileFromMem(srgb.data(), size);
    void* inks = cmsOpenProfileFromMem(printer->icc.data(), static_cast<cmsUInt32Number>(printer->icc.size()));
    void* transform = cmsCreateProofingTransform(
        screen, TYPE_RGB_8, screen, TYPE_RGB_8, inks, INTENT_RELATIVE_COLORIMETRIC, INTENT_RELATIVE_COLORIMETRIC,
        cmsFLAGS_SOFTPROOFING | cmsFLAGS_BLACKPOINTCOMPENSATION | cmsFLAGS_NOOPTIMIZE | cmsFLAGS_NOCACHE);
    Codes expected = picture;
    cmsDoTransform(transform, picture.rgb.data(), expected.rgb.data(),
                   static_cast<cmsUInt32Number>(picture.rgb.size() / 3));
    cmsDeleteTransform(transform), cmsCloseProfile(inks), cmsCloseProfile(screen);
    const Codes shown = shownBy(**print, lightOf(picture));
    double mean = 0;
    for (std::size_t i = 0; i < shown.rgb.size(); ++i)
        mean += std::abs(shown.rgb[i] - expected.rgb[i]);
    EXPECT_LE(mean / static_cast<double>(shown.rgb.size()), 1);

    // Black arrives lighter than black on a phone whose codes are its own only when its profile says so.
    const Codes client = shownBy(**seen, lightOf(picture));
    void* theirs = cmsOpenProfileFromMem(phone->icc.data(), static_cast<cmsUInt32Number>(phone->icc.size()));
    void* ours = cmsOpenProfileFromMem(srgb.data(), size);
    void* through = cmsCreateTransform(theirs, TYPE_RGB_8, ours, TYPE_RGB_8, INTENT_RELATIVE_COLORIMETRIC,
                                       cmsFLAGS_NOOPTIMIZE | cmsFLAGS_NOCACHE);
    cmsDoTransform(through, picture.rgb.data(), expected.rgb.data(),
                   static_cast<cmsUInt32Number>(picture.rgb.size() / 3));
    cmsDeleteTransform(through), cmsCloseProfile(ours), cmsCloseProfile(theirs);
    mean = 0;
    for (std::size_t i = 0; i < client.rgb.size(); ++i)
        mean += std::abs(client.rgb[i] - expected.rgb[i]);
    EXPECT_LE(mean / static_cast<double>(client.rgb.size()), 1);
}

TEST(ViewTransform, MarksWhatInkCannotPrint)
{
    const auto printer = readDeviceProfile(shipped("printer-kiln-felt.icc"));
    ViewOptions options;
    options.proof = *printer;
    const auto view = ViewTransform::make(std::nullopt, options);
    ASSERT_TRUE(view);
    const Codes colours{3, 1, {128, 128, 128, 0, 255, 60, 150, 120, 100}};
    std::uint8_t marks[3];
    (*view)->markOutside(lightOf(colours).view(), marks);
    EXPECT_EQ(std::vector<std::uint8_t>(marks, marks + 3), (std::vector<std::uint8_t>{0, 1, 0}));
}

TEST(DeviceProfile, RefusesWhatIsNone)
{
    EXPECT_FALSE(deviceProfile({}, "empty"));
    EXPECT_FALSE(deviceProfile(std::vector<std::uint8_t>(4000, 7), "noise"));
    auto cut = iccProfile(RgbSpace::Srgb);
    cut.resize(cut.size() / 2);
    EXPECT_FALSE(deviceProfile(cut, "cut"));
    EXPECT_FALSE(readDeviceProfile(shipped("nothing.icc")));
    EXPECT_FALSE(readDeviceProfile(shipped("")));
    cmsToneCurve* curve = cmsBuildGamma(nullptr, 2.2);
    void* grey = cmsCreateGrayProfile(cmsD50_xyY(), curve);
    cmsFreeToneCurve(curve);
    cmsUInt32Number size = 0;
    cmsSaveProfileToMem(grey, nullptr, &size);
    std::vector<std::uint8_t> bytes(size);
    cmsSaveProfileToMem(grey, bytes.data(), &size);
    cmsCloseProfile(grey);
    EXPECT_FALSE(deviceProfile(bytes, "grey"));
}

TEST(ViewTransform, HoldsOddSizesAndNoNumbers)
{
    const auto projector = readDeviceProfile(shipped("screen-pale-projector.icc"));
    const auto view = ViewTransform::make(*projector);
    ASSERT_TRUE(view);
    for (const int width : {1, 3, 17, 67}) {
        Image light(width, 5);
        for (int y = 0; y < 5; ++y)
            for (int i = 0; i < 3 * width; ++i)
                light.mutableView().row(y)[i] = i % 5 == 0   ? std::numeric_limits<float>::quiet_NaN()
                                                : i % 7 == 0 ? 1e30f
                                                             : -1e30f;
        EXPECT_EQ(shownBy(**view, light).rgb.size(), static_cast<std::size_t>(width) * 15);
    }
}

}  // namespace
}  // namespace amber
