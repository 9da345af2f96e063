// Picture files with exact codes, written straight through OpenImageIO, and read back the same way.
#pragma once

#include <OpenImageIO/imageio.h>
#include <cstdint>
#include <filesystem>
#include <functional>
#include <random>
#include <vector>

namespace amber::test {

struct RawPicture {
    int width = 0, height = 0, channels = 3, bits = 8;
    std::vector<std::uint16_t> codes;  ///< 8-bit codes as they are, 0..255
    bool operator==(const RawPicture&) const = default;
    std::uint16_t at(int x, int y, int c) const
    {
        return codes[(static_cast<std::size_t>(y) * width + x) * channels + c];
    }
};

inline RawPicture noise(int width, int height, int channels, int bits, unsigned seed)
{
    RawPicture raw{width, height, channels, bits, {}};
    std::mt19937 engine(seed);
    std::uniform_int_distribution<int> code(0, bits == 8 ? 255 : 65535);
    for (int i = 0; i < width * height * channels; ++i)
        raw.codes.push_back(static_cast<std::uint16_t>(code(engine)));
    return raw;
}

using Attributes = std::function<void(OIIO::ImageSpec&)>;

inline bool writeRaw(const std::filesystem::path& path, const RawPicture& raw, const Attributes& attributes = {})
{
    const auto output = OIIO::ImageOutput::create(path.string());
    OIIO::ImageSpec spec(raw.width, raw.height, raw.channels,
                         raw.bits == 8 ? OIIO::TypeDesc::UINT8 : OIIO::TypeDesc::UINT16);
    if (raw.channels == 2 || raw.channels == 4)
        spec.alpha_channel = raw.channels - 1;
    spec["oiio:UnassociatedAlpha"] = 1;
    spec["compression"] = path.extension() == ".jpg" ? "jpeg:100" : path.extension() == ".webp" ? "lossless" : "none";
    spec["jpeg:subsampling"] = "4:4:4";
    if (attributes)
        attributes(spec);
    if (!output || !output->open(path.string(), spec))
        return false;
    bool good;
    if (raw.bits == 8) {
        const std::vector<std::uint8_t> bytes(raw.codes.begin(), raw.codes.end());
        good = output->write_image(OIIO::TypeDesc::UINT8, bytes.data());
    } else {
        good = output->write_image(OIIO::TypeDesc::UINT16, raw.codes.data());
    }
    return output->close() && good;
}

inline RawPicture readRaw(const std::filesystem::path& path)
{
    RawPicture raw;
    OIIO::ImageSpec config;
    config["oiio:UnassociatedAlpha"] = 1;
    const auto input = OIIO::ImageInput::open(path.string(), &config);
    if (!input)
        return raw;
    const OIIO::ImageSpec spec = input->spec();
    raw = {spec.width, spec.height, spec.nchannels, spec.format == OIIO::TypeDesc::UINT8 ? 8 : 16, {}};
    raw.codes.resize(static_cast<std::size_t>(raw.width) * raw.height * raw.channels);
    if (raw.bits == 8) {
        std::vector<std::uint8_t> bytes(raw.codes.size());
        input->read_image(0, 0, 0, spec.nchannels, OIIO::TypeDesc::UINT8, bytes.data());
        raw.codes.assign(bytes.begin(), bytes.end());
    } else {
        input->read_image(0, 0, 0, spec.nchannels, OIIO::TypeDesc::UINT16, raw.codes.data());
    }
    return raw;
}

inline int largestDifference(const RawPicture& one, const RawPicture& two)
{
    if (one.width != two.width || one.height != two.height || one.channels != two.channels || one.bits != two.bits)
        return 1 << 30;
    int worst = 0;
    for (std::size_t i = 0; i < one.codes.size(); ++i)
        worst = std::max(worst, std::abs(static_cast<int>(one.codes[i]) - static_cast<int>(two.codes[i])));
    return worst;
}

}  // namespace amber::test
