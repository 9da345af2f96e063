// Writing pictures: the output transform, encoding and the file itself.
#pragma once

#include "core/base/result.h"
#include "core/image/image.h"
#include "core/image/read.h"

#include <cstdint>
#include <filesystem>

namespace amber {

class WrittenFiles;

enum class FileFormat { Jpeg, Png8, Png16, Tiff8, Tiff16 };

/// jpeg, png8, png16, tiff8, tiff16
std::string_view nameOf(FileFormat format);
Result<FileFormat> fileFormatFromName(std::string_view name);
/// With the dot: .jpg, .png, .tif
std::string_view extensionOf(FileFormat format);
int bitsOf(FileFormat format);

struct OutputOptions {
    FileFormat format = FileFormat::Jpeg;
    RgbSpace space = RgbSpace::Srgb;
    int quality = 92;  ///< JPEG only, 1..100
};

/// Output transform: linear working-space pixels to codes of `space` (gamut reduced as gamut.h says, encoded, rounded).
/// `codes` holds width * height * 3 values.
void encodeToCodes(ImageView linear, RgbSpace space, std::uint8_t* codes);
void encodeToCodes(ImageView linear, RgbSpace space, std::uint16_t* codes);

/// Writes a linear picture, whole or not at all: temporary name in the target folder, metadata of `source` (when not
/// empty) carried over with the orientation set upright, the profile embedded and read back, flushed, renamed. A file
/// that is there already is replaced only when `written` lists it and it is unchanged (written_files.h). JPEG has no
/// alpha: a picture with alpha is laid over white.
Status writePicture(const std::filesystem::path& path, ImageView linear, const std::vector<float>& alpha,
                    const OutputOptions& options, const std::filesystem::path& source, WrittenFiles* written = nullptr);

/// Writes encoded values 0..1 as they are (clamped, rounded) with the profile they came with; the format follows the
/// extension (jpg, png, tif), the depth is `picture.bits`. Saved for the user, as saveFile() does.
Status writeEncoded(const std::filesystem::path& path, const EncodedPicture& picture);

/// Writes grey codes, rows without gaps, as an 8-bit PNG without a profile; saved for the user, as saveFile() does.
Status writeGrey(const std::filesystem::path& path, int width, int height, const std::vector<std::uint8_t>& codes);

}  // namespace amber
