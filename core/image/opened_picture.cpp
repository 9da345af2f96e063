#include "core/image/opened_picture.h"

#include "core/image/metadata.h"
#include "core/image/raw.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <fstream>

namespace amber {
namespace fs = std::filesystem;
namespace {

std::string sniff(const unsigned char* b, std::size_t n)
{
    const auto starts = [&](const char* magic, std::size_t size, std::size_t at = 0) {
        return n >= at + size && std::memcmp(b + at, magic, size) == 0;
    };
    if (starts("\xFF\xD8\xFF", 3))
        return "jpeg";
    if (starts("\x89PNG\r\n\x1a\n", 8))
        return "png";
    if (starts("II*\0", 4) || starts("MM\0*", 4) || starts("II+\0", 4) || starts("MM\0+", 4))
        return "tiff";
    if (starts("RIFF", 4) && starts("WEBP", 4, 8))
        return "webp";
    if (starts("\x76\x2f\x31\x01", 4))
        return "openexr";
    return {};
}

/// A JPEG without its end marker was cut short; decoders fill the rest with grey and call it done.
bool jpegIsWhole(const fs::path& path)
{
    std::ifstream in(path, std::ios::binary | std::ios::ate);
    const auto size = static_cast<long long>(in.tellg());
    const long long tail = std::min<long long>(size, 65536);
    std::string bytes(static_cast<std::size_t>(tail), '\0');
    in.seekg(size - tail);
    in.read(bytes.data(), tail);
    return bytes.rfind("\xFF\xD9") != std::string::npos;
}

/// What kind of picture a file is, told by its first bytes.
Result<std::string> formatOf(const fs::path& path)
{
    const std::string name = path.string();
    std::error_code error;
    const auto status = fs::status(path, error);
    if (error || status.type() == fs::file_type::not_found)
        return fail("no such file", name);
    if (status.type() != fs::file_type::regular)
        return fail("not a file", name);
    unsigned char head[16] = {};
    std::ifstream in(path, std::ios::binary);
    if (!in)
        return fail("cannot be opened: " + std::string(std::strerror(errno)), name);
    in.read(reinterpret_cast<char*>(head), sizeof head);
    if (in.gcount() == 0)
        return fail("the file is empty", name);
    const std::string format = sniff(head, static_cast<std::size_t>(in.gcount()));
    if (format.empty())
        return fail("not a picture this program reads", name, "JPEG, PNG, TIFF, WebP, EXR or a raw file from a camera");
    if (format == "jpeg" && !jpegIsWhole(path))
        return fail("the picture is cut short", name, "a JPEG with its end marker");
    return format;
}

bool isCmyk(const OIIO::ImageSpec& spec)
{
    std::string kind;
    for (const char* attribute : {"jpeg:ColorSpace", "tiff:ColorSpace", "oiio:ColorSpace"})
        kind += std::string(spec.get_string_attribute(attribute));
    constexpr int kSeparated = 5;  // TIFF 6.0
    return kind.find("CMYK") != std::string::npos || kind.find("YCCK") != std::string::npos ||
           kind.find("YCbCrK") != std::string::npos ||
           spec.get_int_attribute("tiff:PhotometricInterpretation", -1) == kSeparated;
}

/// Whether its pixels are ones that are read.
Status checkSpec(const OIIO::ImageSpec& spec, const std::string& name, bool isLight)
{
    if (spec.width < 1 || spec.height < 1 || static_cast<long long>(spec.width) * spec.height > kPixelLimit)
        return fail("picture too large", name, "at most 400 megapixels",
                    std::to_string(spec.width) + " x " + std::to_string(spec.height));
    if (isCmyk(spec))
        return fail("CMYK pictures are not read: convert it to RGB first", name);
    const bool isFloat = spec.format == OIIO::TypeDesc::FLOAT || spec.format == OIIO::TypeDesc::HALF;
    if (isLight ? !isFloat : spec.format != OIIO::TypeDesc::UINT8 && spec.format != OIIO::TypeDesc::UINT16)
        return fail("this pixel type is not read", name, "8 or 16 bits a channel", spec.format.c_str());
    if (spec.nchannels < 1 || (spec.nchannels == 2 && spec.alpha_channel != 1) || spec.nchannels > 5)
        return fail("unexpected number of channels", name, "grey or RGB, with or without alpha",
                    std::to_string(spec.nchannels));
    return {};
}

/// As EXR says them: x and y of red, green, blue and white.
std::optional<Chromaticities> primariesOf(const OIIO::ImageSpec& spec)
{
    const auto* said = spec.find_attribute("chromaticities");
    if (!said || said->type().basetype != OIIO::TypeDesc::FLOAT || said->type().basevalues() != 8)
        return std::nullopt;
    const auto* v = static_cast<const float*>(said->data());
    if (!std::all_of(v, v + 8, [](float x) { return std::isfinite(x); }) || v[1] <= 0 || v[3] <= 0 || v[7] <= 0)
        return std::nullopt;
    return Chromaticities{{v[0], v[1]}, {v[2], v[3]}, {v[4], std::max(1e-6f, v[5])}, {v[6], v[7]}};
}

}  // namespace

bool wantsRaw(const fs::path& path)
{
    std::error_code error;
    if (!fs::is_regular_file(path, error))
        return false;
    unsigned char head[16] = {};
    std::ifstream in(path, std::ios::binary);
    in.read(reinterpret_cast<char*>(head), sizeof head);
    if (in.gcount() < 16)
        return false;
    const std::string format = sniff(head, sizeof head);
    std::string ending = path.extension().string();
    std::transform(ending.begin(), ending.end(), ending.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return (format.empty() || (format == "tiff" && ending != ".tif" && ending != ".tiff")) && isRawFile(path);
}

Result<OpenedPicture> openPicture(const fs::path& path)
{
    const auto format = formatOf(path);
    if (!format)
        return tl::make_unexpected(format.error());
    OpenedPicture opened;
    opened.format = *format;
    OIIO::ImageSpec config;
    config["oiio:UnassociatedAlpha"] = 1;
    config["jpeg:com_attributes"] = 0;
    auto input = openInput(opened.format, path, opened.spec, config);
    if (!input)
        return tl::make_unexpected(input.error());
    opened.input = std::move(*input);
    const OIIO::ImageSpec& spec = opened.spec;
    if (const Status good = checkSpec(spec, path.string(), opened.isLight()); !good)
        return tl::make_unexpected(good.error());
    opened.bits = opened.isLight() ? 32 : spec.format == OIIO::TypeDesc::UINT8 ? 8 : 16;
    opened.colourChannels = spec.nchannels >= 3 ? 3 : 1;
    opened.associatedAlpha = spec.alpha_channel >= 0 && spec.get_int_attribute("oiio:UnassociatedAlpha", 0) == 0;
    opened.orientation = spec.get_int_attribute("Orientation", 1);
    if (opened.format == "webp") {
        WebpExtras extras = readWebpExtras(path);
        opened.icc = std::move(extras.icc);
        opened.orientation = extras.orientation;
        opened.associatedAlpha = false;
    }
    if (opened.orientation < 1 || opened.orientation > 8)
        opened.orientation = 1;
    if (const auto* attribute = spec.find_attribute("ICCProfile")) {
        const auto* data = static_cast<const std::uint8_t*>(attribute->data());
        opened.icc.assign(data, data + attribute->type().size());
    }
    return opened;
}

Result<PictureInfo> describe(const OpenedPicture& opened, const fs::path& path)
{
    PictureInfo info;
    info.format = opened.format;
    info.bits = opened.bits;
    const bool turned = opened.orientation >= 5;
    info.width = turned ? opened.spec.height : opened.spec.width;
    info.height = turned ? opened.spec.width : opened.spec.height;
    info.hasAlpha = opened.spec.alpha_channel >= 0;
    if (opened.isLight()) {
        info.profile = lightProfile(primariesOf(opened.spec));
        return info;
    }
    auto profile = sourceProfile(opened.icc, opened.colourChannels, opened.bits);
    if (!profile)
        return fail(profile.error().what, path.string(), profile.error().expected, profile.error().found);
    info.profile = std::move(*profile);
    return info;
}

}  // namespace amber
