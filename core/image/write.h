// Writing pictures: the output transform, encoding and the file itself.
#pragma once

#include "core/base/result.h"
#include "core/image/image.h"
#include "core/image/metadata.h"
#include "core/image/read.h"

#include <cstdint>
#include <filesystem>
#include <memory>

namespace amber {

class WrittenFiles;

enum class FileFormat { Jpeg, Png8, Png16, Tiff8, Tiff16, Webp, Exr, Exr32 };

/// jpeg, png8, png16, tiff8, tiff16, webp, exr, exr32
std::string_view nameOf(FileFormat format);
Result<FileFormat> fileFormatFromName(std::string_view name);
/// With the dot: .jpg, .png, .tif, .webp, .exr
std::string_view extensionOf(FileFormat format);
int bitsOf(FileFormat format);
/// Light itself, without limits, profile or metadata: EXR.
bool isLight(FileFormat format);
/// Whether a smaller file can be had for less quality: JPEG and WebP.
bool hasQuality(FileFormat format);

class OutputProfile;

struct OutputOptions {
    FileFormat format = FileFormat::Jpeg;
    RgbSpace space = RgbSpace::Srgb;  ///< of an EXR file, whose light is linear and without limits: its primaries
    int quality = 92;                 ///< where the format has it, 1..100
    std::shared_ptr<const OutputProfile> profile = nullptr;  ///< in the place of the space (not for EXR)
    /// Noise of a code (triangular, by place) before rounding to 8 bits, so that smooth ramps do not band.
    bool dither = false;
    MetadataRule metadata = {};
};

/// The profile that is embedded; none in an EXR file.
const std::vector<std::uint8_t>& profileOf(const OutputOptions& options);

/// Output transform: linear working-space pixels to codes of `space` (gamut reduced as gamut.h says, encoded, rounded).
/// `codes` holds width * height * 3 values.
void encodeToCodes(ImageView linear, RgbSpace space, std::uint8_t* codes);
void encodeToCodes(ImageView linear, RgbSpace space, std::uint16_t* codes);
/// The codes of a file with these options, as bytes: 1, 2 or (EXR, floats) 4 for each component. `firstRow`: which row
/// of the file the first is. Thread safe.
void encodeToBytes(ImageView linear, const OutputOptions& options, int firstRow, std::vector<std::uint8_t>& codes);

/// A picture with coverage, laid over white.
Image overWhite(ImageView linear, const std::vector<float>& alpha);

/// The bytes of a picture file of these codes without metadata, as writePicture() makes it; of a format with quality.
Result<std::string> packCodes(int width, int height, const std::vector<std::uint8_t>& codes,
                              const OutputOptions& options);
/// Gives such bytes a name, as writePicture() does, held against the codes; options.quality: as they were packed.
Status writePacked(const std::filesystem::path& path, std::string_view bytes, int width, int height,
                   const std::vector<std::uint8_t>& codes, const OutputOptions& options,
                   const std::filesystem::path& source, WrittenFiles* written = nullptr);

/// Writes a linear picture, whole or not at all: temporary name in the target folder, metadata of `source` (when not
/// empty) carried over with the orientation set upright, the profile embedded, the whole read back and held against
/// what was to be written (code_print.h), flushed, renamed. A file that is there already is replaced only when
/// `written` lists it and it is unchanged (written_files.h). JPEG has no alpha: a picture with alpha is laid over
/// white. EXR has half floats, or whole ones (Exr32, read back to the bit), zipped, and no metadata.
Status writePicture(const std::filesystem::path& path, ImageView linear, const std::vector<float>& alpha,
                    const OutputOptions& options, const std::filesystem::path& source, WrittenFiles* written = nullptr);

/// Writes encoded values 0..1 as they are (clamped, rounded) with the profile they came with; the format follows the
/// extension (jpg, png, tif), the depth is `picture.bits`. Saved for the user, as saveFile() does.
Status writeEncoded(const std::filesystem::path& path, const EncodedPicture& picture);

/// Writes grey codes, rows without gaps, as an 8-bit PNG without a profile; saved for the user, as saveFile() does.
Status writeGrey(const std::filesystem::path& path, int width, int height, const std::vector<std::uint8_t>& codes);

}  // namespace amber
