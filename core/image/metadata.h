// EXIF, IPTC and XMP, carried from a source picture to what is made of it.
#pragma once

#include "core/base/result.h"

#include <array>
#include <cstdint>
#include <filesystem>
#include <map>
#include <optional>
#include <string>
#include <vector>

namespace amber {

/// What of a source's metadata goes along, and what is said beside it.
struct MetadataRule {
    enum class Keep { All, WithoutPlace, None };
    Keep keep = Keep::All;       ///< without place: nor serial numbers, owners and what makers do not explain
    std::string author, rights;  ///< UTF-8; said whatever is kept; empty: what the source says
    double ppi = 0;              ///< pixels per inch; 0: none is said
    std::map<std::string, std::string> own = {};  ///< names of this program's own XMP (letters), said whatever is kept
    std::vector<std::uint8_t> profile = {};  ///< to be embedded, in a WebP file alone: the others have theirs already
    bool operator==(const MetadataRule&) const = default;
};

/// Copies the descriptive metadata of `source` (none when empty) into `target` (an existing JPEG, PNG, TIFF or WebP).
/// What describes the source's pixels (size, strips, thumbnail) is left out and the orientation becomes upright. A
/// source without readable metadata is no error.
Status copyMetadata(const std::filesystem::path& source, const std::filesystem::path& target,
                    const MetadataRule& rule = {});

/// What MetadataRule::own said, by its names. Empty for a file without, and for one that cannot be read.
std::map<std::string, std::string> ownXmp(const std::filesystem::path& path);

/// The colour profile and the orientation of a WebP file, which the picture library does not hand on. Empty and 1 when
/// absent.
struct WebpExtras {
    std::vector<std::uint8_t> icc;
    int orientation = 1;
};
WebpExtras readWebpExtras(const std::filesystem::path& path);

/// When the picture was taken, "2026:05:04 10:11:12", or empty.
std::string captureTime(const std::filesystem::path& path);

/// What a camera wrote down about a picture. Absent numbers are 0, absent words empty.
struct CaptureFacts {
    std::int64_t seconds = 0;  ///< since 1970, by the camera's own clock; 0 when unknown
    std::string maker, camera, lens;
    double exposureSeconds = 0, fNumber = 0, sensitivity = 0, focalLength = 0;
    /// The white that the camera balanced for, as CIE 1931 (x, y) or kelvin, and how the file says it: of a raw file
    /// its neutral through the camera's matrix; else written down; else only the name of a setting ("tungsten").
    enum class WhiteFrom { Nowhere, Neutral, Written, Setting } whiteFrom = WhiteFrom::Nowhere;
    std::optional<std::array<double, 2>> whiteXy;
    double whiteKelvin = 0;
    bool hasExposure() const { return exposureSeconds > 0 && fNumber > 0 && sensitivity > 0; }
    /// How much light the camera let in and amplified, in stops: log2(t S / (100 N^2)). One more means a picture twice
    /// as light.
    double exposureStops() const;
};
CaptureFacts captureFacts(const std::filesystem::path& path);

/// How hard a JPEG was compressed, 1 (most) to 100: the quality whose scaling of the example luminance table of ITU-T
/// T.81 (table K.1) comes nearest to the file's own, by the scale of the IJG's library (50: as printed). 100 for what
/// is no JPEG.
double jpegQuality(const std::filesystem::path& path);

}  // namespace amber
