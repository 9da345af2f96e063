// A picture file that was opened and found to be one that is read; its pixels are still in it. For this room alone.
#pragma once

#include "core/image/open_input.h"
#include "core/image/read.h"

namespace amber {

struct OpenedPicture {
    std::unique_ptr<OIIO::ImageInput> input;
    OIIO::ImageSpec spec;
    std::string format;
    int orientation = 1;
    int bits = 8;
    int colourChannels = 3;
    bool associatedAlpha = false;  ///< colours are stored multiplied by their coverage
    std::vector<std::uint8_t> icc;
    /// Pixels are light in floats (EXR), not codes.
    bool isLight() const { return format == "openexr"; }
    OIIO::TypeDesc type() const
    {
        return bits == 8 ? OIIO::TypeDesc::UINT8 : bits == 16 ? OIIO::TypeDesc::UINT16 : OIIO::TypeDesc::FLOAT;
    }
    /// For read_scanlines(): said to be as they are where they are so, rows come without a buffer of the library's own,
    /// which it takes anew each time.
    OIIO::TypeDesc askedType() const
    {
        return spec.format == type() && spec.channelformats.empty() ? OIIO::TypeDesc(OIIO::TypeDesc::UNKNOWN) : type();
    }
};

/// A raw file, by its first bytes and its name: many of them look like TIFF files.
bool wantsRaw(const std::filesystem::path& path);
/// Not for raw files. Fails, with the reason, for what is no picture, cut short, too large or of pixels that are not
/// read.
Result<OpenedPicture> openPicture(const std::filesystem::path& path);
Result<PictureInfo> describe(const OpenedPicture& opened, const std::filesystem::path& path);

}  // namespace amber
