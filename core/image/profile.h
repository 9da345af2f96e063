// ICC profiles: what an embedded one means, and the ones we embed.
#pragma once

#include "core/base/result.h"
#include "core/colour/rgb_space.h"

#include <cstdint>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace amber {

/// An ICC version 4 profile of the space (matrix and parametric curves; D50 by Bradford). The same bytes on every call.
const std::vector<std::uint8_t>& iccProfile(RgbSpace space);

/// Turns rows of integer codes into linear working-space floats.
class SourceTransform {
public:
    virtual ~SourceTransform() = default;
    /// `codes`: `count` pixels of `channels` codes (1 or 3 are used, further ones skipped); `rgb`: count * 3 floats.
    /// Thread safe.
    virtual void convert(const std::uint8_t* codes, int channels, int count, float* rgb) const = 0;
    virtual void convert(const std::uint16_t* codes, int channels, int count, float* rgb) const = 0;
    /// Of files that hold light itself; of others black.
    virtual void convert(const float* light, int channels, int count, float* rgb) const;
};

struct SourceProfile {
    std::string title;              ///< for people: "sRGB", "Display P3", or the profile's own description
    std::optional<RgbSpace> space;  ///< set when the profile is one of ours within 0.3 in L*, a*, b*
    bool assumedSrgb = false;       ///< the file had no profile
    std::shared_ptr<const SourceTransform> transform;
};

/// Reads an embedded profile (empty: sRGB is assumed) for pictures with `channels` colour channels (1 or 3) of `bits`
/// (8 or 16). Fails for a damaged profile and for one of another kind (CMYK, Lab).
Result<SourceProfile> sourceProfile(const std::vector<std::uint8_t>& icc, int channels, int bits);

/// Light with these primaries; none: those of sRGB (the default of OpenEXR).
SourceProfile lightProfile(const std::optional<Chromaticities>& primaries);

}  // namespace amber
