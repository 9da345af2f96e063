// A profile of somebody else's that files are written for.
#pragma once

#include "core/base/result.h"

#include <cstdint>
#include <filesystem>
#include <memory>
#include <vector>

namespace amber {

enum class RenderingIntent { Relative, Perceptual, Saturation, Absolute };

/// Linear working-space light to codes of an RGB profile, by LittleCMS in float with black point compensation (not for
/// the absolute intent).
class OutputProfile {
public:
    /// Fails for what is no profile, and for one of another kind than RGB or that cannot be written for.
    static Result<std::shared_ptr<const OutputProfile>> read(const std::filesystem::path& file, RenderingIntent intent);
    virtual ~OutputProfile() = default;
    virtual void convert(const float* rgb, std::size_t count, std::uint8_t* codes) const = 0;
    virtual void convert(const float* rgb, std::size_t count, std::uint16_t* codes) const = 0;
    virtual const std::vector<std::uint8_t>& bytes() const = 0;
};

}  // namespace amber
