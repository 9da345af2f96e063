// Reading pictures: JPEG, PNG, TIFF and WebP with 8 or 16 bits a channel, EXR with light in floats, by what a file is
// and not what it is called; and raw files (raw.h).
#pragma once

#include "core/base/cancel.h"
#include "core/base/result.h"
#include "core/image/detail_tiles.h"
#include "core/image/image.h"
#include "core/image/profile.h"

#include <filesystem>

namespace amber {

/// Largest picture taken in, checked before memory is asked for.
inline constexpr long long kPixelLimit = 400'000'000;

struct PictureInfo {
    std::string format;         ///< jpeg, png, tiff, webp, openexr or raw
    int width = 0, height = 0;  ///< upright, after the orientation tag
    int bits = 8;               ///< per channel: 8, 16 or (light) 32
    bool hasAlpha = false;
    SourceProfile profile;  ///< of a raw file without a transform: it comes in working-space light
    bool isRaw() const { return format == "raw"; }
};

/// A picture in linear working-space light, upright.
struct Picture {
    PictureInfo info;
    Image image;
    std::vector<float> alpha;  ///< 0..1 per pixel, not multiplied into the colours; empty when there is none
};

/// The size and the colour profile only; no pixels are decoded.
Result<PictureInfo> readPictureInfo(const std::filesystem::path& path);

/// Reads a whole picture. Refused, with the file named: what is none of these, CMYK, floats but
/// in EXR, truncated and damaged files, pictures over kPixelLimit.
Result<Picture> readPicture(const std::filesystem::path& path);

/// Reads and reduces (area average in linear light) to at most `longEdge` pixels; never enlarges. With `quick`, JPEGs
/// are decoded at a fraction of their size first: good for thumbnails, not for measures.
Result<Picture> readReduced(const std::filesystem::path& path, int longEdge, bool quick);

/// A picture reduced as readReduced() without `quick` does, and single pixels of it on an even grid at most
/// `sampleEdge` long (sampleGrid()).
struct ReducedPicture {
    PictureInfo info;
    Image image, samples;
    std::vector<DetailTile> details = {};
};
Result<ReducedPicture> readReducedWithSamples(const std::filesystem::path& path, int longEdge, int sampleEdge);
/// The same with pieces at the picture's own size, `tileEdge` pixels square.
Result<ReducedPicture> readReducedWithDetails(const std::filesystem::path& path, int longEdge, int tileEdge);

/// How much memory reading a picture takes at its highest, with the picture itself, by its header; 0 when there is none
/// to read.
std::size_t bytesToRead(const std::filesystem::path& path);
/// The same of readReduced(). Upright pictures without alpha are reduced a band of rows at a time: they take little,
/// whatever their size.
std::size_t bytesToReadReduced(const std::filesystem::path& path, int longEdge, bool quick);

/// A picture's own encoded values, 0..1, not colour managed, upright, with what is needed to write it back alike.
struct EncodedPicture {
    Image image;
    std::vector<float> alpha;
    std::vector<std::uint8_t> icc;
    std::string format;
    int bits = 8;
};
Result<EncodedPicture> readEncoded(const std::filesystem::path& path);

}  // namespace amber
