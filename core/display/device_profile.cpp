#include "core/display/device_profile.h"

#include "core/image/lcms.h"

#include <fstream>

namespace amber {
namespace {
constexpr std::uintmax_t kLargest = 32u << 20;
}

Result<DeviceProfile> deviceProfile(std::vector<std::uint8_t> icc, const std::string& name)
{
    const LcmsProfile profile = openLcms(icc);
    if (!profile)
        return fail("this is not a colour profile, or it is damaged", name);
    const auto space = cmsGetColorSpace(profile.get());
    const auto use = cmsGetDeviceClass(profile.get());
    if (space != cmsSigRgbData && space != cmsSigCmykData)
        return fail("colours cannot be sent through this profile", name, "a profile of a screen or printer");
    if ((use != cmsSigDisplayClass && use != cmsSigOutputClass && use != cmsSigColorSpaceClass &&
         use != cmsSigInputClass) ||
        !cmsIsIntentSupported(profile.get(), INTENT_RELATIVE_COLORIMETRIC, LCMS_USED_AS_OUTPUT) ||
        !LcmsTransform(profile.get(), INTENT_RELATIVE_COLORIMETRIC, 0))
        return fail("colours cannot be sent through this profile", name, "a profile of a screen or printer");
    DeviceProfile made;
    made.kind = space == cmsSigRgbData ? DeviceProfile::Kind::Rgb : DeviceProfile::Kind::Cmyk;
    made.isPrinter = use == cmsSigOutputClass;
    char text[256] = {};
    cmsGetProfileInfoASCII(profile.get(), cmsInfoDescription, "en", "US", text, sizeof text);
    made.title = text[0] ? text : name;
    made.icc = std::move(icc);
    return made;
}

Result<DeviceProfile> readDeviceProfile(const std::filesystem::path& path)
{
    std::error_code error;
    const auto size = std::filesystem::file_size(path, error);
    if (error || !std::filesystem::is_regular_file(path, error))
        return fail("the colour profile cannot be read", path.string());
    if (size > kLargest)
        return fail("this is not a colour profile, or it is damaged", path.string());
    std::vector<std::uint8_t> bytes(size);
    std::ifstream file(path, std::ios::binary);
    if (!file.read(reinterpret_cast<char*>(bytes.data()), static_cast<std::streamsize>(size)))
        return fail("the colour profile cannot be read", path.string());
    return deviceProfile(std::move(bytes), path.filename().string());
}

}  // namespace amber
